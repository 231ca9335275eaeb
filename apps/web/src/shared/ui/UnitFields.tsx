import { App, Segmented } from 'antd';
import {
  LENGTH_UNITS,
  MASS_UNITS,
  SPOON_SYSTEMS,
  type SpoonSystem,
  TEMPERATURE_UNITS,
  type Units,
} from '@kleur/core/units';
import { failureOf } from '../../data/api.ts';
import { useSaveSettingsMutation, useSettingsQuery } from '../../data/settings.ts';

const CUSTOMS: Readonly<Record<SpoonSystem, string>> = {
  us: 'US',
  metric: 'metric',
  australian: 'Australian',
};

/** Mass, length, temperature and decimals, saved at once; with the spoons where they have no fields of their own. */
export function UnitFields({ spoons = false }: { readonly spoons?: boolean }) {
  const { data, refetch } = useSettingsQuery();
  const [save] = useSaveSettingsMutation();
  const { message } = App.useApp();
  if (!data) return null;
  const { version, ...settings } = data;
  const { measuring } = settings;
  const set = (change: Partial<Units>): Promise<void> => write({ units: { ...settings.units, ...change } });
  const setSpoons = (change: Partial<typeof measuring>): Promise<void> =>
    write({ measuring: { ...measuring, ...change } });
  const write = async (change: Partial<typeof settings>): Promise<void> => {
    try {
      await save({ version, settings: { ...settings, ...change } }).unwrap();
    } catch (e) {
      void message.error(failureOf(e).message);
      void refetch();
    }
  };
  return (
    <div>
      <div className="setting">
        <span>Mass</span>
        <Segmented
          aria-label="Unit of mass"
          value={settings.units.mass}
          onChange={(mass) => void set({ mass })}
          options={[...MASS_UNITS]}
        />
      </div>
      <div className="setting">
        <span>Length</span>
        <Segmented
          aria-label="Unit of length"
          value={settings.units.length}
          onChange={(length) => void set({ length })}
          options={LENGTH_UNITS.map((u) => ({ value: u, label: u === 'in' ? 'inch' : u }))}
        />
      </div>
      <div className="setting">
        <span>Temperature</span>
        <Segmented
          aria-label="Unit of temperature"
          value={settings.units.temperature}
          onChange={(temperature) => void set({ temperature })}
          options={TEMPERATURE_UNITS.map((u) => ({ value: u, label: `°${u}` }))}
        />
      </div>
      <div className="setting">
        <span>Decimals</span>
        <Segmented<'point' | 'comma'>
          aria-label="Decimal mark"
          value={settings.units.decimalMark}
          onChange={(decimalMark) => void set({ decimalMark })}
          options={[
            { value: 'point', label: '2.5' },
            { value: 'comma', label: '2,5' },
          ]}
        />
      </div>
      {spoons && (
        <>
          <div className="setting">
            <span>Powders by</span>
            <Segmented<'scale' | 'spoons'>
              aria-label="Powders by"
              value={measuring.by}
              onChange={(by) => void setSpoons({ by })}
              options={[
                { value: 'scale', label: 'scale' },
                { value: 'spoons', label: 'spoons', disabled: measuring.ownedSpoons.length === 0 },
              ]}
            />
          </div>
          <div className="setting">
            <span>Spoons</span>
            <Segmented<SpoonSystem>
              aria-label="Spoons of"
              value={measuring.spoons}
              onChange={(system) => void setSpoons({ spoons: system })}
              options={SPOON_SYSTEMS.map((s) => ({ value: s, label: CUSTOMS[s] }))}
            />
          </div>
        </>
      )}
      <p className="soft small">
        Typing understands comma and point. Powders stay in grams: they are read off a scale.
      </p>
    </div>
  );
}
