import { Segmented } from 'antd';
import { barWeights } from '@kleur/core/balance';
import { PLAN_LIMITS, setMoulding } from '@kleur/core/plan';
import * as why from '@kleur/core/why';
import { usePrinter } from '../../../../shared/hooks/useSettings.ts';
import { NumberField } from '../../../../shared/ui/NumberField.tsx';
import { LengthField } from '../../../../shared/ui/Quantity.tsx';
import { Figure } from '../../../../shared/ui/Why.tsx';
import { usePlan } from '../../state/useDerived.ts';
import { useEdit } from '../../state/useEdit.ts';

export function Cutting() {
  const plan = usePlan();
  const edit = useEdit();
  const print = usePrinter();
  const { bars } = plan.moulding;
  const weights = barWeights(plan);
  const hasSlab = plan.moulding.moulds.some((m) => m.mould.shape === 'slab');
  const cuts = plan.moulding.moulds.some((m) => m.mould.shape !== 'cavities');
  const set = (change: Partial<typeof bars>): void => {
    edit(
      (p) => setMoulding(p, { bars: { ...p.moulding.bars, ...change } }),
      `cut:${Object.keys(change).join()}`,
    );
  };
  return (
    <section aria-label="Bars">
      <div className="section-head">
        <h2>Bars</h2>
        {cuts && (
          <Segmented<'thickness' | 'count'>
            aria-label="Cut by"
            value={bars.by}
            onChange={(by) => {
              set({ by });
            }}
            options={[
              { value: 'thickness', label: 'by thickness' },
              { value: 'count', label: 'by count' },
            ]}
          />
        )}
      </div>
      {cuts && (
        <div className="row">
          {bars.by === 'thickness' ? (
            <LengthField
              label="Each bar"
              width={110}
              value={bars.thickness}
              min={1}
              max={500}
              step={1}
              onCommit={(thickness) => {
                set({ thickness });
              }}
            />
          ) : (
            <NumberField
              label="Bars from a mould"
              width={120}
              value={bars.count}
              digits={0}
              {...PLAN_LIMITS.count}
              step={1}
              onCommit={(v) => {
                set({ count: Math.round(v) });
              }}
            />
          )}
          {hasSlab && (
            <NumberField
              label="Bars across"
              width={100}
              value={bars.columns}
              digits={0}
              min={1}
              max={50}
              step={1}
              onCommit={(v) => {
                set({ columns: Math.round(v) });
              }}
            />
          )}
          <LengthField
            label="Kerf of the cutter"
            width={120}
            value={bars.kerf}
            min={0}
            max={20}
            step={1}
            onCommit={(kerf) => {
              set({ kerf });
            }}
          />
          <LengthField
            label="Trimmed from each end"
            width={150}
            value={bars.end}
            min={0}
            max={200}
            step={1}
            onCommit={(end) => {
              set({ end });
            }}
          />
        </div>
      )}
      {weights.count === 0 ? (
        <p className="field-problem" role="alert">
          No bar fits: a bar is at least {print.length(8)} thick. Fewer bars, a thinner kerf, or a longer
          mould.
        </p>
      ) : (
        <dl className="figures figure">
          <Figure label="Bars" why={() => why.bars(plan, print)}>
            {weights.count}
          </Figure>
          <Figure label="Each, at the cut" why={() => why.bars(plan, print)}>
            {print.mass(weights.atCut)}
          </Figure>
          <Figure label="Each, after six weeks" why={() => why.bars(plan, print)}>
            {print.mass(weights.cured)}
          </Figure>
          <Figure label="Ends and kerf" why={() => why.bars(plan, print)}>
            {print.mass(weights.offcuts)}
          </Figure>
        </dl>
      )}
    </section>
  );
}
