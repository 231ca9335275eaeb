import { massPerBar } from '@kleur/core/balance';
import { PLAN_LIMITS } from '@kleur/core/plan';
import { grams } from '@kleur/core/units';
import { type PrepRow, scrubMeasures } from '@kleur/core/work';
import * as why from '@kleur/core/why';
import { useAppDispatch } from '../../../data/store.ts';
import { usePrinter, useSettings } from '../../../shared/hooks/useSettings.ts';
import { NumberField } from '../../../shared/ui/NumberField.tsx';
import { Why } from '../../../shared/ui/Why.tsx';
import { edits } from '../state/edits.ts';
import { usePlan } from '../state/useDerived.ts';

/** A scrub as it is judged: in each bar. What is typed there is kept as a wish. */
export function ScrubPerBar({ potId, row }: { readonly potId: string; readonly row: PrepRow }) {
  const plan = usePlan();
  const print = usePrinter();
  const { measuring } = useSettings();
  const dispatch = useAppDispatch();
  const each = massPerBar(plan, row.wanted);
  if (each === null) return null;
  const { id: rowId, perBar } = row.row;
  return (
    <div className="row is-level figure">
      <NumberField
        label={`${row.material.name}, g in a bar`}
        hideLabel
        width={150}
        value={perBar ?? each}
        digits={2}
        {...PLAN_LIMITS.mass}
        step={0.1}
        suffix="g in a bar"
        onCommit={(v) => {
          dispatch(edits.doseSet({ potId, rowId, change: { perBar: grams(v) } }));
        }}
      />
      <span className="soft small">
        {[
          ...scrubMeasures(row.material, row.wanted, each, measuring),
          perBar === null ? '' : 'fixed for each bar',
        ]
          .filter(Boolean)
          .join(', ')}
      </span>
      <Why of={`${row.material.name} in a bar`} lines={() => why.perBar(plan, print, row.wanted)} />
    </div>
  );
}
