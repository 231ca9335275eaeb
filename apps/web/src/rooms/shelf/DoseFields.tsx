import { Select } from 'antd';
import { ColourPicker } from '../../shared/ui/ColourPicker.tsx';
import { type CarrierMedium, CARRIER_MEDIA } from '@kleur/core/material';
import { PLAN_LIMITS } from '@kleur/core/plan';
import { mediumName } from '@kleur/core/work';
import { NumberField } from '../../shared/ui/NumberField.tsx';
import { type FieldsProps } from './materialWrite.ts';

/** Of what is dosed: its window of doses, its colour, and how it is dispersed. */
export function DoseFields({
  write,
  set,
  errorAt,
}: FieldsProps & { readonly errorAt: (path: string) => string | undefined }) {
  const { window, carriers } = write;
  const carrier = carriers[0];
  if (!window) return null;
  return (
    <>
      <div className="row">
        <NumberField
          label="Faint"
          width={110}
          value={window.faint}
          digits={3}
          min={0}
          max={1000}
          suffix="g/kg"
          error={errorAt('window.faint')}
          onCommit={(faint) => {
            set({ window: { ...window, faint } });
          }}
          onClear={() => {
            set({ window: { ...window, faint: null } });
          }}
        />
        <NumberField
          label="Typical"
          width={110}
          value={window.typical}
          digits={3}
          min={0.001}
          max={1000}
          suffix="g/kg"
          onCommit={(typical) => {
            set({ window: { ...window, typical } });
          }}
        />
        <NumberField
          label="Ceiling"
          width={110}
          value={window.ceiling}
          digits={3}
          min={0.001}
          max={1000}
          suffix="g/kg"
          error={errorAt('window.ceiling')}
          onCommit={(ceiling) => {
            set({ window: { ...window, ceiling } });
          }}
        />
        {write.colour !== null && (
          <div className="field">
            <span className="field-label">Colour</span>
            <ColourPicker
              value={write.colour}
              label={`Colour ${write.colour}: change it`}
              settled
              onPick={(colour) => {
                set({ colour });
              }}
            />
          </div>
        )}
      </div>
      {write.colour !== null && (
        <p className="soft small">
          The colour is what the typical dose gives, gelled and cured in a near-white base. A default curve is
          built from it.
        </p>
      )}
      <div className="row">
        <div className="field grow">
          <span className="field-label">Carrier</span>
          <Select<CarrierMedium>
            aria-label="Carrier"
            value={carrier?.medium}
            onChange={(medium) => {
              set({
                carriers: [
                  { medium, ratio: carrier?.ratio ?? 0 },
                  ...carriers.slice(1).filter((c) => c.medium !== medium),
                ],
              });
            }}
            options={CARRIER_MEDIA.map((medium) => ({ value: medium, label: mediumName[medium] }))}
          />
        </div>
        <NumberField
          label="Liquid to one powder"
          width={130}
          value={carrier?.ratio ?? 0}
          digits={1}
          {...PLAN_LIMITS.carrierRatio}
          suffix=": 1"
          onCommit={(ratio) => {
            set({ carriers: [{ medium: carrier?.medium ?? 'oil', ratio }, ...carriers.slice(1)] });
          }}
        />
        <NumberField
          label="Bulk density"
          width={120}
          value={write.bulkDensity}
          min={0.01}
          max={5}
          suffix="g/ml"
          onCommit={(bulkDensity) => {
            set({ bulkDensity });
          }}
          onClear={() => {
            set({ bulkDensity: null });
          }}
        />
      </div>
    </>
  );
}
