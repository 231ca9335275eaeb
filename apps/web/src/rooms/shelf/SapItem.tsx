import { Form } from 'antd';
import { readSap } from '@kleur/core/material';
import { type NumberEntry, NumberInput } from '../../shared/form/NumberInput.tsx';
import { usePrinter } from '../../shared/hooks/useSettings.ts';
import { sapTexts as t } from './sapTexts.ts';

const NAME = ['oil', 'sapKoh'];

/** The saponification value of an oil, typed in either unit and shown in both. */
export function SapItem() {
  const print = usePrinter();
  const typed = Form.useWatch<NumberEntry | undefined>(NAME);
  const sap = typeof typed === 'number' ? readSap(typed) : null;
  return (
    <Form.Item
      name={NAME}
      label={t.label}
      style={{ width: 230 }}
      extra={sap && t.both({ koh: print.fixed(sap.koh, 1), naoh: print.fixed(sap.naoh, 4) })}
      rules={[
        {
          validator: (_rule, value: NumberEntry | undefined) =>
            value === null || value === undefined || (typeof value === 'number' && readSap(value))
              ? Promise.resolve()
              : Promise.reject(new Error(t.range)),
        },
      ]}
    >
      <NumberInput digits={4} suffix={sap?.typedIn === 'naoh' ? 'g NaOH/g' : 'mg KOH/g'} />
    </Form.Item>
  );
}
