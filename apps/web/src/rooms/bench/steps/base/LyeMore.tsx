import { useState } from 'react';
import { superfatWithLye } from '@kleur/core/balance';
import { SUPERFAT_WARN } from '@kleur/core/checks';
import { PLAN_LIMITS, setBase } from '@kleur/core/plan';
import { usePrinter } from '../../../../shared/hooks/useSettings.ts';
import { NumberField } from '../../../../shared/ui/NumberField.tsx';
import { MassField, TemperatureField } from '../../../../shared/ui/Quantity.tsx';
import { usePlan } from '../../state/useDerived.ts';
import { useEdit } from '../../state/useEdit.ts';

/** What if other lye was weighed than planned? Asked, never stored. */
function WeighedLye() {
  const plan = usePlan();
  const print = usePrinter();
  const [mass, setMass] = useState<number | null>(null);
  const superfat = mass === null ? null : superfatWithLye(plan, mass);
  return (
    <div className="row">
      <MassField
        label="I weighed this much sodium hydroxide"
        width={230}
        value={mass}
        {...PLAN_LIMITS.mass}
        step={1}
        onCommit={setMass}
        onClear={() => {
          setMass(null);
        }}
      />
      {superfat !== null && (
        <p className={superfat < 0 ? 'caution' : 'soft'} role="status">
          Superfat is then {print.number(superfat, 1)} %
          {superfat < 0
            ? ': more lye than these oils can take. Do not use it as it is.'
            : superfat < SUPERFAT_WARN.low
              ? ': little room for error.'
              : '.'}
        </p>
      )}
    </div>
  );
}

export function LyeMore() {
  const { lye, temperature } = usePlan().base;
  const edit = useEdit();
  const set = (change: Partial<typeof lye>): void => {
    edit((p) => setBase(p, { lye: { ...p.base.lye, ...change } }), `lye:${Object.keys(change).join()}`);
  };
  return (
    <>
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
      <WeighedLye />
    </>
  );
}
