import { App, Segmented } from 'antd';
import { LENGTH_UNITS, MASS_UNITS, TEMPERATURE_UNITS, type Units } from '@kleur/core';
import { failureOf, useSaveSettingsMutation, useSettingsQuery } from '../../app/api.ts';

/** Mass, length, temperature and decimals, saved at once. */
export function UnitFields() {
  const { data, refetch } = useSettingsQuery();
  const [save] = useSaveSettingsMutation();
  const { message } = App.useApp();
  if (!data) return null;
  const { version, ...settings } = data;
  const set = async (change: Partial<Units>): Promise<void> => {
    try {
      await save({ version, settings: { ...settings, units: { ...settings.units, ...change } } }).unwrap();
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
      <p className="soft small">
        Typing understands comma and point. Powders stay in grams: they are read off a scale.
      </p>
    </div>
  );
}
