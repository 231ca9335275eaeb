import { Form, Input, Segmented, Select } from 'antd';
import { DATE_ORDERS, type DateOrder } from '@kleur/contract';
import { CURRENCY_LETTERS, LENGTH_UNITS, MASS_UNITS, TEMPERATURE_UNITS } from '@kleur/core/units';

const DATES: Readonly<Record<DateOrder, string>> = {
  'day-month-year': '28 Nov 2026',
  'month-day-year': 'Nov 28, 2026',
  'year-month-day': '2026 Nov 28',
};

/** Mass, length, temperature, decimals and dates: fields of a `SettingsForm`. */
export function UnitFields() {
  return (
    <>
      <Form.Item name={['units', 'mass']} label="Mass">
        <Segmented
          aria-label="Unit of mass"
          options={MASS_UNITS.map((u) => ({ value: u, label: u === 'lb' ? 'lb + oz' : u }))}
        />
      </Form.Item>
      <Form.Item name={['units', 'length']} label="Length">
        <Segmented
          aria-label="Unit of length"
          options={LENGTH_UNITS.map((u) => ({ value: u, label: u === 'in' ? 'inch' : u }))}
        />
      </Form.Item>
      <Form.Item name={['units', 'temperature']} label="Temperature">
        <Segmented
          aria-label="Unit of temperature"
          options={TEMPERATURE_UNITS.map((u) => ({ value: u, label: `°${u}` }))}
        />
      </Form.Item>
      <Form.Item name={['units', 'decimalMark']} label="Decimals">
        <Segmented
          aria-label="Decimal mark"
          options={[
            { value: 'point', label: '2.5' },
            { value: 'comma', label: '2,5' },
          ]}
        />
      </Form.Item>
      <Form.Item name={['units', 'currency']} label="Currency">
        <Input maxLength={CURRENCY_LETTERS} style={{ width: 90 }} />
      </Form.Item>
      <Form.Item name="dateOrder" label="Dates">
        <Select
          aria-label="Order of dates"
          options={DATE_ORDERS.map((d) => ({ value: d, label: DATES[d] }))}
          style={{ width: 150 }}
        />
      </Form.Item>
      <p className="soft small">
        Typing understands comma and point. Powders stay in grams: they are read off a scale.
      </p>
    </>
  );
}
