import { Form, Select, Switch } from 'antd';
import { useMemo } from 'react';
import { deviceZone } from '../../data/deviceZone.ts';
import { placeTexts as t } from './placeTexts.ts';

/** Where the maker's days are, and whether simulated instruments are offered: fields of a `SettingsForm`. */
export function PlaceFields() {
  const zones = useMemo(
    () => [...new Set([deviceZone(), 'UTC', ...Intl.supportedValuesOf('timeZone')])].sort(),
    [],
  );
  return (
    <>
      <Form.Item name="timeZone" label={t.timeZone}>
        <Select
          aria-label={t.timeZone}
          showSearch={{ optionFilterProp: 'label' }}
          options={zones.map((zone) => ({ value: zone, label: zone.replaceAll('_', ' ') }))}
          style={{ width: 260 }}
        />
      </Form.Item>
      <Form.Item name="simulated" label={t.simulated} valuePropName="checked">
        <Switch aria-label={t.simulated} />
      </Form.Item>
      <p className="soft small">{t.simulatedNote}</p>
    </>
  );
}
