import { Form, Segmented, Select } from 'antd';
import { type Settings } from '@kleur/contract';
import { SPOON_SYSTEMS, type SpoonSystem } from '@kleur/core/units';

const SYSTEMS: Readonly<Record<SpoonSystem, string>> = {
  us: 'US, tsp 4.93 ml, tbsp 14.8 ml',
  metric: 'Metric, tsp 5 ml, tbsp 15 ml',
  australian: 'Australian, tsp 5 ml, tbsp 20 ml',
};

/** What powders are measured with: fields of a `SettingsForm`. */
export function MeasureFields() {
  const owned = Form.useWatch<Settings['measuring']['ownedSpoons'] | undefined>(
    ['measuring', 'ownedSpoons'],
    {
      preserve: true,
    },
  );
  return (
    <>
      <Form.Item name={['measuring', 'by']} label="Powders by">
        <Segmented
          aria-label="Measure powders by"
          options={[
            { value: 'scale', label: 'Scale' },
            { value: 'spoons', label: 'Spoons', disabled: owned?.length === 0 },
          ]}
        />
      </Form.Item>
      <Form.Item name={['measuring', 'spoons']} label="Spoons">
        <Select
          aria-label="Spoon system"
          options={SPOON_SYSTEMS.map((s) => ({ value: s, label: SYSTEMS[s] }))}
          style={{ maxWidth: 270 }}
        />
      </Form.Item>
    </>
  );
}
