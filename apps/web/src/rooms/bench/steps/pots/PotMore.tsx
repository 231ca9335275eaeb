import { Segmented, Select, Switch } from 'antd';
import { hasLate, PLAN_LIMITS, type Pot, type PotPlace, setPot, type Taken } from '@kleur/core/plan';
import { grams } from '@kleur/core/units';
import { NumberField } from '../../../../shared/ui/NumberField.tsx';
import { MassField } from '../../../../shared/ui/Quantity.tsx';
import { usePlanFrame } from '../../state/useDerived.ts';
import { type PotFrame } from '../../state/planFrame.ts';
import { useEdit } from '../../state/useEdit.ts';
import { OwnOils } from './OwnOils.tsx';

export function PotMore({ pot }: { readonly pot: PotFrame }) {
  const edit = useEdit();
  const plan = usePlanFrame();
  const set = (change: Partial<Omit<Pot, 'id' | 'doses'>>): void => {
    edit((p) => setPot(p, pot.id, change), `pot:${pot.id}:${Object.keys(change).join()}`);
  };
  const late = hasLate(plan);
  return (
    <>
      <div className="row">
        <div className="field">
          <span className="field-label">Goes</span>
          <Segmented<PotPlace>
            aria-label="Where the pot goes"
            value={pot.place}
            onChange={(place) => {
              set({ place });
            }}
            options={[
              { value: 'mould', label: 'into the mould' },
              { value: 'top', label: 'on top, piped' },
              { value: 'spare', label: 'spare mould' },
            ]}
          />
        </div>
        {pot.place === 'mould' && (
          <MassField
            label="Kept for the top"
            width={120}
            value={pot.reserve}
            {...PLAN_LIMITS.mass}
            step={10}
            onCommit={(v) => {
              set({ reserve: grams(v) });
            }}
          />
        )}
      </div>
      <div className="row">
        <div className="field">
          <span className="field-label">Taken off the batter</span>
          <Select<Taken>
            aria-label="Taken off the batter"
            value={pot.taken}
            disabled={!late}
            onChange={(taken) => {
              set({ taken });
            }}
            options={[
              { value: 'emulsion', label: 'at emulsion, before anything else' },
              { value: 'liquid', label: 'after the late liquid' },
              { value: 'additives', label: 'after liquid and additives' },
            ]}
            style={{ width: 250 }}
          />
        </div>
        <div className="field">
          <label className="field-label" htmlFor="own-lye">
            Mini-batch, own lye
          </label>
          <Switch
            id="own-lye"
            checked={pot.ownLye}
            onChange={(ownLye) => {
              set({ ownLye });
            }}
          />
        </div>
        <NumberField
          label="Poured before the last pour"
          width={180}
          value={pot.hoursBefore}
          digits={1}
          {...PLAN_LIMITS.hours}
          step={1}
          suffix="h"
          onCommit={(hoursBefore) => {
            set({ hoursBefore });
          }}
        />
      </div>
      {pot.ownLye && <OwnOils pot={pot} />}
      {!late && (
        <p className="soft small">
          Nothing goes into the batter late, so it does not matter when this pot is taken off.
        </p>
      )}
    </>
  );
}
