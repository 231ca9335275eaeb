import { DeleteOutlined, SaveOutlined } from '@ant-design/icons';
import { App, Button, Input, Select } from 'antd';
import { useState } from 'react';
import { dividedFill, type MouldProblem, mouldProblem } from '@kleur/core/balance';
import {
  type Mould,
  MOULD_SHAPES,
  type MouldRow,
  type MouldShape,
  plainMould,
  PLAN_LIMITS,
  setMould,
  setMoulding,
} from '@kleur/core/plan';
import * as why from '@kleur/core/why';
import { failureOf } from '../../../../data/api.ts';
import {
  useCreateMouldMutation,
  useDeleteMouldMutation,
  useMouldsQuery,
  useRestoreMouldMutation,
} from '../../../../data/saved.ts';
import { usePrinter } from '../../../../shared/hooks/useSettings.ts';
import { useUndoNotice } from '../../../../shared/hooks/useUndoNotice.tsx';
import { NumberField } from '../../../../shared/ui/NumberField.tsx';
import { LengthField } from '../../../../shared/ui/Quantity.tsx';
import { Why } from '../../../../shared/ui/Why.tsx';
import { newId } from '../../../../shared/newId.ts';
import { usePlan } from '../../state/useDerived.ts';
import { useEdit } from '../../state/useEdit.ts';
import { MouldPicture } from './MouldPicture.tsx';
import { SectionsField } from './SectionsField.tsx';

const SHAPES: Readonly<Record<MouldShape, string>> = {
  box: 'Box (loaf)',
  cavities: 'Cavities',
  cylinder: 'Cylinder',
  slab: 'Slab',
};
const PROBLEMS: Readonly<Record<MouldProblem, string>> = {
  'no-size': 'A mould of 0 holds nothing: give it all its measures.',
  'sections-too-long': 'The sections and dividers are longer than the mould.',
  'sections-short': 'The sections and dividers do not reach the end of the mould.',
  'bars-do-not-fit': 'So many bars do not fit.',
};

/** The moulds of this batch. Each is a copy: a kept mould changes under no plan. */
export function MouldList() {
  const { moulding } = usePlan();
  const edit = useEdit();
  const { data: kept = [] } = useMouldsQuery();
  const add = (mould: Mould): void => {
    edit((p) => setMoulding(p, { moulds: [...p.moulding.moulds, { id: newId(), count: 1, mould }] }));
  };
  return (
    <section aria-label="Moulds">
      <div className="section-head">
        <h2>Moulds</h2>
      </div>
      {moulding.moulds.length === 0 && (
        <p className="soft">
          None yet. With a mould, Kleur says how full it gets, works out the oils, and weighs the bars.
        </p>
      )}
      {moulding.moulds.map((row) => (
        <MouldCard key={row.id} row={row} />
      ))}
      <div className="row">
        {moulding.moulds.length < PLAN_LIMITS.moulds ? (
          <Select<string>
            className="picker"
            aria-label="Add a mould"
            listHeight={380}
            placeholder="Add a mould"
            value={null}
            onSelect={(v: string) => {
              const shape = MOULD_SHAPES.find((s) => s === v);
              if (shape) add(plainMould(SHAPES[shape], shape));
              const found = kept.find((k) => k.id === v);
              if (found) {
                const { id: _id, version: _version, updatedAt: _at, ...mould } = found;
                add(mould);
              }
            }}
            options={[
              ...(kept.length > 0
                ? [{ label: 'Saved moulds', options: kept.map((k) => ({ value: k.id, label: k.name })) }]
                : []),
              { label: 'A new one', options: MOULD_SHAPES.map((s) => ({ value: s, label: SHAPES[s] })) },
            ]}
          />
        ) : (
          <p className="soft">At most {PLAN_LIMITS.moulds} moulds.</p>
        )}
      </div>
    </section>
  );
}

function MouldCard({ row }: { readonly row: MouldRow }) {
  const { mould, count, id } = row;
  const edit = useEdit();
  const print = usePrinter();
  const [name, setName] = useState<string | null>(null);
  const problem = mouldProblem(mould);
  const set = (change: Partial<Mould>): void => {
    edit(
      (p) => setMould(p, id, { mould: { ...mould, ...change } }),
      `mould:${id}:${Object.keys(change).join()}`,
    );
  };
  const measure = (key: 'length' | 'width' | 'height' | 'diameter' | 'dividerThickness', label: string) => (
    <LengthField
      label={label}
      width={108}
      value={mould[key]}
      {...PLAN_LIMITS.millimetres}
      step={1}
      onCommit={(v) => {
        set({ [key]: v });
      }}
    />
  );
  return (
    <div className="mould-card" role="group" aria-label={`Mould ${mould.name}`}>
      <MouldPicture mould={mould} />
      <div className="mould-fields">
        <div className="row">
          <div className="field grow">
            <label className="field-label" htmlFor={`mould-${id}`}>
              Mould
            </label>
            <Input
              id={`mould-${id}`}
              value={name ?? mould.name}
              maxLength={PLAN_LIMITS.name}
              status={name?.trim() === '' ? 'error' : ''}
              onChange={(e) => {
                setName(e.target.value);
                if (e.target.value.trim() !== '') set({ name: e.target.value });
              }}
              onBlur={() => {
                setName(null);
              }}
            />
          </div>
          <div className="field">
            <span className="field-label">Shape</span>
            <Select<MouldShape>
              aria-label={`Shape of ${mould.name}`}
              value={mould.shape}
              onChange={(shape) => {
                set({ ...plainMould(mould.name, shape) });
              }}
              options={MOULD_SHAPES.map((s) => ({ value: s, label: SHAPES[s] }))}
              style={{ width: 120 }}
            />
          </div>
          <NumberField
            label="How many"
            width={84}
            value={count}
            digits={0}
            {...PLAN_LIMITS.count}
            step={1}
            onCommit={(v) => {
              edit((p) => setMould(p, id, { count: Math.round(v) }), `mould-count:${id}`);
            }}
          />
          <KeepMould mould={mould} />
          <Button
            type="text"
            icon={<DeleteOutlined />}
            aria-label={`Remove the mould ${mould.name}`}
            title="Remove from this batch"
            onClick={() => {
              edit((p) => setMoulding(p, { moulds: p.moulding.moulds.filter((m) => m.id !== id) }));
            }}
          />
        </div>
        <div className="row">
          {mould.shape !== 'cavities' && measure('length', 'Length')}
          {(mould.shape === 'box' || mould.shape === 'slab') && (
            <>
              {measure('width', 'Width')}
              {measure('height', 'Filled to')}
            </>
          )}
          {mould.shape === 'cylinder' && measure('diameter', 'Diameter')}
          {mould.shape === 'cavities' && (
            <>
              <NumberField
                label="One cavity"
                width={108}
                value={mould.cavityVolume}
                digits={0}
                {...PLAN_LIMITS.mass}
                step={5}
                suffix="ml"
                onCommit={(cavityVolume) => {
                  set({ cavityVolume });
                }}
              />
              <NumberField
                label="Cavities"
                width={90}
                value={mould.cavities}
                digits={0}
                min={0}
                max={PLAN_LIMITS.count.max}
                step={1}
                onCommit={(v) => {
                  set({ cavities: Math.round(v) });
                }}
              />
            </>
          )}
        </div>
        {mould.shape === 'slab' && (
          <div className="row">
            <SectionsField
              sections={mould.sections}
              onCommit={(sections) => {
                set({ sections });
              }}
            />
            {mould.sections.length > 0 && measure('dividerThickness', 'Divider')}
          </div>
        )}
        {problem ? (
          <p className="field-problem" role="alert">
            {PROBLEMS[problem]}
          </p>
        ) : (
          <p className="soft small figure">
            {why.mould(print, row)[0]}
            <Why of={`the room in ${mould.name}`} lines={() => why.mould(print, row)} />
            {mould.sections.length > 0 && (
              <> · fill to {print.length(dividedFill(mould))} while the dividers stand</>
            )}
          </p>
        )}
      </div>
    </div>
  );
}

/** Keeps a mould for other batches, or takes it off the list again. */
function KeepMould({ mould }: { readonly mould: Mould }) {
  const { data: kept = [] } = useMouldsQuery();
  const [create, creating] = useCreateMouldMutation();
  const [remove] = useDeleteMouldMutation();
  const [restore] = useRestoreMouldMutation();
  const { message } = App.useApp();
  const notice = useUndoNotice();
  const found = kept.find((k) => {
    const { id: _id, version: _version, updatedAt: _at, ...rest } = k;
    return JSON.stringify(rest) === JSON.stringify(mould);
  });
  const keep = async (): Promise<void> => {
    try {
      if (!found) {
        await create(mould).unwrap();
        void message.success('Saved for other batches.');
        return;
      }
      await remove(found.id).unwrap();
      notice({
        key: found.id,
        title: `“${found.name}” is no longer saved`,
        undo: () => void restore(found.id),
      });
    } catch (e) {
      void message.error(failureOf(e).message);
    }
  };
  return (
    <Button
      type="text"
      icon={<SaveOutlined />}
      loading={creating.isLoading}
      aria-label={
        found ? `Remove ${mould.name} from the saved moulds` : `Save ${mould.name} for other batches`
      }
      title={found ? 'Saved; press to remove it from the saved ones' : 'Save for other batches'}
      className={found ? 'is-kept' : undefined}
      onClick={() => void keep()}
    />
  );
}
