import { DeleteOutlined } from '../../../../shared/ui/icons.tsx';
import { Button, Form, Input, Select } from 'antd';
import { useMemo } from 'react';
import { dividedFill, type MouldProblem, mouldProblem } from '@kleur/core/balance';
import {
  type Mould,
  MOULD_SHAPES,
  type MouldRow,
  plainMould,
  PLAN_LIMITS,
  setMould,
  setMoulding,
} from '@kleur/core/plan';
import * as why from '@kleur/core/why';
import { LengthItem, VolumeItem } from '../../../../shared/form/QuantityItem.tsx';
import { NumberItem } from '../../../../shared/form/NumberItem.tsx';
import { useLiveForm } from '../../../../shared/form/useLiveForm.ts';
import { usePrinter } from '../../../../shared/hooks/useSettings.ts';
import { Why } from '../../../../shared/ui/Why.tsx';
import { Past } from '../../Past.tsx';
import { useEdit } from '../../state/useEdit.ts';
import { KeepMould } from './KeepMould.tsx';
import { MouldPicture } from './MouldPicture.tsx';
import { SectionsField } from './SectionsField.tsx';
import { shapeName } from './shapeName.ts';

const PROBLEMS: Readonly<Record<MouldProblem, string>> = {
  'no-size': 'A mould of 0 holds nothing: give it all its measures.',
  'sections-too-long': 'The sections and dividers are longer than the mould.',
  'sections-short': 'The sections and dividers do not reach the end of the mould.',
  'bars-do-not-fit': 'So many bars do not fit.',
};

type MouldEntry = Mould & { readonly count: number };

const MEASURE = { width: 108, ...PLAN_LIMITS.millimetres } as const;

/** One mould of the batch: its measures, what it holds, and how many of it. */
export function MouldCard({ row }: { readonly row: MouldRow }) {
  const { mould, count, id } = row;
  const edit = useEdit();
  const print = usePrinter();
  const problem = mouldProblem(mould);
  const set = (change: Partial<Mould>): void => {
    // Over the mould as it is by then: two fields may be on their way at once.
    edit(
      (p) => {
        const now = p.moulding.moulds.find((m) => m.id === id);
        return now ? setMould(p, id, { mould: { ...now.mould, ...change } }) : p;
      },
      `mould:${id}:${Object.keys(change).join()}`,
    );
  };
  const entry = useMemo((): MouldEntry => ({ ...mould, count }), [mould, count]);
  const { form, onValuesChange } = useLiveForm(entry, ({ count: many, ...change }) => {
    if (many !== undefined) edit((p) => setMould(p, id, { count: Math.round(many) }), `mould-count:${id}`);
    else if (change.shape) set(plainMould(mould.name, change.shape));
    else if (change.cavities !== undefined) set({ cavities: Math.round(change.cavities) });
    else set(change);
  });
  return (
    <Form<MouldEntry>
      form={form}
      name={`mould-${id}`}
      layout="vertical"
      requiredMark={false}
      initialValues={entry}
      onValuesChange={onValuesChange}
      className="mould-card"
      aria-label={`Mould ${mould.name}`}
    >
      <MouldPicture mould={mould} />
      <div className="mould-fields">
        <div className="row">
          <Form.Item
            name="name"
            label="Mould"
            className="grow"
            rules={[{ required: true, whitespace: true, message: 'A name is needed' }]}
          >
            <Input maxLength={PLAN_LIMITS.name} />
          </Form.Item>
          <Form.Item name="shape" label="Shape">
            <Select
              aria-label={`Shape of ${mould.name}`}
              options={MOULD_SHAPES.map((s) => ({ value: s, label: shapeName[s] }))}
              style={{ width: 120 }}
            />
          </Form.Item>
          <NumberItem name="count" label="How many" width={84} digits={0} {...PLAN_LIMITS.count} step={1} />
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
          {mould.shape !== 'cavities' && <LengthItem name="length" label="Length" {...MEASURE} />}
          {(mould.shape === 'box' || mould.shape === 'slab') && (
            <>
              <LengthItem name="width" label="Width" {...MEASURE} />
              <LengthItem name="height" label="Filled to" {...MEASURE} />
            </>
          )}
          {mould.shape === 'cylinder' && <LengthItem name="diameter" label="Diameter" {...MEASURE} />}
          {mould.shape === 'cavities' && (
            <>
              <VolumeItem name="cavityVolume" label="One cavity" width={108} {...PLAN_LIMITS.mass} />
              <NumberItem
                name="cavities"
                label="Cavities"
                width={90}
                digits={0}
                min={0}
                max={PLAN_LIMITS.count.max}
                step={1}
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
            {mould.sections.length > 0 && <LengthItem name="dividerThickness" label="Divider" {...MEASURE} />}
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
        <Past of="mould" refId={mould.name} name={mould.name} />
      </div>
    </Form>
  );
}
