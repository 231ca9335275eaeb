import { PLAN_LIMITS, setBase } from '@kleur/core/plan';
import { NumberField } from '../../../../shared/ui/NumberField.tsx';
import { TemperatureField } from '../../../../shared/ui/Quantity.tsx';
import { usePlan } from '../../state/useDerived.ts';
import { useEdit } from '../../state/useEdit.ts';

export function LyeMore() {
  const { lye, temperature } = usePlan().base;
  const edit = useEdit();
  const set = (change: Partial<typeof lye>): void => {
    edit((p) => setBase(p, { lye: { ...p.base.lye, ...change } }), `lye:${Object.keys(change).join()}`);
  };
  return (
    <div className="row">
      <NumberField
        label="Sodium hydroxide purity"
        width={150}
        value={lye.naohPurity}
        digits={1}
        {...PLAN_LIMITS.purity}
        suffix="%"
        onCommit={(naohPurity) => {
          set({ naohPurity });
        }}
      />
      <NumberField
        label="Share of potassium"
        width={150}
        value={lye.kohShare}
        digits={1}
        {...PLAN_LIMITS.share}
        suffix="% of moles"
        onCommit={(kohShare) => {
          set({ kohShare });
        }}
      />
      {lye.kohShare > 0 && (
        <NumberField
          label="Its purity"
          width={100}
          value={lye.kohPurity}
          digits={1}
          {...PLAN_LIMITS.purity}
          suffix="%"
          onCommit={(kohPurity) => {
            set({ kohPurity });
          }}
        />
      )}
      <TemperatureField
        label="Oils and lye meet at"
        width={130}
        value={temperature}
        {...PLAN_LIMITS.temperature}
        step={1}
        onCommit={(t) => {
          edit((p) => setBase(p, { temperature: t }), 'temperature');
        }}
      />
    </div>
  );
}
