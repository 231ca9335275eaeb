import { Checkbox, Segmented } from 'antd';
import { type KeyboardEvent, useRef, useState } from 'react';
import { materialOf, oilsAddUp, oilsSum, PLAN_LIMITS, setMoulding } from '@kleur/core/plan';
import { grams } from '@kleur/core/units';
import * as why from '@kleur/core/why';
import { useAppDispatch } from '../../../../data/store.ts';
import { usePrinter } from '../../../../shared/hooks/useSettings.ts';
import { NumberField } from '../../../../shared/ui/NumberField.tsx';
import { MassField } from '../../../../shared/ui/Quantity.tsx';
import { ShareTable } from '../../../../shared/ui/ShareTable.tsx';
import { Why } from '../../../../shared/ui/Why.tsx';
import { edits } from '../../state/edits.ts';
import { newId } from '../../../../data/newId.ts';
import { MaterialPicker } from '../../MaterialPicker.tsx';
import { usePlan } from '../../state/useDerived.ts';
import { useEdit } from '../../state/useEdit.ts';
import { BaseRecipes } from './BaseRecipes.tsx';
import { OilLineField } from './OilLineField.tsx';

const isOil = (kind: string): boolean => kind === 'oil';

export function OilTable() {
  const plan = usePlan();
  const { base, moulding } = plan;
  const edit = useEdit();
  const section = useRef<HTMLElement>(null);
  /** Enter leads from the share to the next oil. */
  const onKeyDown = (event: KeyboardEvent): void => {
    const { target } = event;
    if (event.key !== 'Enter' || !(target instanceof HTMLInputElement) || !target.closest('tbody')) return;
    event.preventDefault();
    section.current?.querySelector<HTMLElement>('[aria-label="Add an oil"]')?.focus();
  };
  const toItsShare = (): void => {
    setTimeout(() => {
      const field = section.current?.querySelector<HTMLInputElement>('tbody tr:last-child input');
      field?.focus();
      field?.select();
    });
  };
  const dispatch = useAppDispatch();
  const print = usePrinter();
  const [by, setBy] = useState<'percent' | 'grams'>('percent');
  const sum = oilsSum(base.oils);
  return (
    <section aria-label="Oils" ref={section} onKeyDown={onKeyDown}>
      <div className="section-head">
        <h2>Oils</h2>
        <span className="spring" />
        <BaseRecipes />
        <Segmented
          aria-label="Enter oils by"
          value={by}
          onChange={setBy}
          options={[
            { value: 'percent', label: '%' },
            { value: 'grams', label: 'Mass' },
          ]}
        />
      </div>
      {base.oils.length > 0 && (
        <ShareTable
          head={[
            'Oil',
            by === 'percent' ? 'Share' : 'Mass',
            <>
              {by === 'percent' ? 'Mass' : 'Share'}
              <Why of="the oils" lines={() => why.oils(plan, print)} />
            </>,
          ]}
          rows={base.oils.map((row) => {
            const { name } = materialOf(plan, row.materialId);
            const mass = (base.totalOils * row.percent) / 100;
            return {
              id: row.id,
              name,
              field:
                by === 'percent' ? (
                  <NumberField
                    key="percent"
                    label={`${name}, %`}
                    hideLabel
                    width={104}
                    value={row.percent}
                    {...PLAN_LIMITS.percent}
                    step={1}
                    suffix="%"
                    onCommit={(percent) => {
                      dispatch(edits.oilPercentSet({ id: row.id, percent }));
                    }}
                  />
                ) : (
                  <MassField
                    label={`Mass of ${name}`}
                    hideLabel
                    width={116}
                    value={mass}
                    min={0}
                    max={PLAN_LIMITS.totalOils.max / PLAN_LIMITS.oils}
                    step={10}
                    onCommit={(v) => {
                      dispatch(edits.oilMassSet({ id: row.id, mass: grams(v) }));
                    }}
                  />
                ),
              figure: by === 'percent' ? print.mass(mass) : `${print.fixed(row.percent, 2)} %`,
              removeLabel: `Remove ${name}`,
              onRemove: () => {
                dispatch(edits.oilRemoved(row.id));
              },
            };
          })}
          sum={{
            share: `${print.fixed(sum, 2)} %`,
            figure: print.mass((base.totalOils * sum) / 100),
            off: !oilsAddUp(base.oils),
          }}
        />
      )}
      {base.oils.length === 0 && (
        <p className="soft">No oils yet. Their blend is the canvas for every colour.</p>
      )}
      <div className="row">
        {base.oils.length < PLAN_LIMITS.oils ? (
          <MaterialPicker
            label="Add an oil"
            accept={isOil}
            taken={base.oils.map((o) => o.materialId)}
            onPick={(material) => {
              dispatch(edits.oilAdded({ id: newId(), material }));
              toItsShare();
            }}
          />
        ) : (
          <p className="soft">At most {PLAN_LIMITS.oils} oils.</p>
        )}
        <MassField
          label="Total oils"
          width={140}
          value={base.totalOils}
          {...PLAN_LIMITS.totalOils}
          step={50}
          onCommit={(v) => {
            dispatch(edits.totalOilsSet(grams(v)));
          }}
        />
        {moulding.moulds.length > 0 && (
          <Checkbox
            className="follows-mould"
            checked={moulding.leads}
            onChange={(e) => {
              edit((p) => setMoulding(p, { leads: e.target.checked }));
            }}
          >
            fill the mould
          </Checkbox>
        )}
      </div>
      {base.oils.length < PLAN_LIMITS.oils && <OilLineField />}
    </section>
  );
}
