import { Form, Select } from 'antd';
import { FATTY_ACIDS } from '@kleur/core/material';
import { SapItem } from './SapItem.tsx';
import { NumberItem } from '../../shared/form/NumberItem.tsx';

const options = <T extends string>(values: readonly T[]) => values.map((value) => ({ value, label: value }));

const TINT = { width: 120, digits: 1, min: 0, max: 10, step: 0.5, suffix: 'of 10' } as const;
const PERCENT = { digits: 1, min: 0, max: 100, suffix: '%' } as const;

/** Of an oil: what it takes to saponify it, what it is made of, and its own colour. */
export function OilFields() {
  return (
    <>
      <div className="row">
        <SapItem />
        <NumberItem
          name={['oil', 'saturated']}
          label="Saturated"
          width={110}
          {...PERCENT}
          digits={0}
          optional
        />
        <NumberItem
          name={['oil', 'sapSpread']}
          label="Sources differ by"
          width={120}
          digits={1}
          min={0}
          max={30}
          suffix="± %"
        />
        <Form.Item name={['oil', 'pace']} label="Pace">
          <Select
            aria-label="Pace of the oil"
            options={options(['slow', 'mid', 'fast'])}
            style={{ width: 100 }}
          />
        </Form.Item>
      </div>
      <div className="row">
        {FATTY_ACIDS.map((name, i) => (
          <NumberItem
            key={name}
            name={['oil', 'fatty', i]}
            label={name[0]!.toUpperCase() + name.slice(1)}
            width={92}
            {...PERCENT}
            optional
          />
        ))}
      </div>
      <p className="soft small">Fatty acids: hardness, lather and pace follow from them.</p>
      <div className="row">
        <NumberItem name={['oil', 'carotenoid']} label="Yellow-orange" {...TINT} />
        <NumberItem name={['oil', 'chlorophyll']} label="Green" {...TINT} />
        <NumberItem name={['oil', 'brown']} label="Brown" {...TINT} />
      </div>
      <p className="soft small">What the oil’s own colour brings to the bar, 0 to 10.</p>
    </>
  );
}

/** Of a scent: how much is allowed, how it browns, what it does to the pace. */
export function ScentFields() {
  return (
    <div className="row">
      <NumberItem
        name={['scent', 'limit']}
        label="Limit"
        width={120}
        digits={1}
        min={0}
        max={200}
        suffix="g/kg"
      />
      <Form.Item name={['scent', 'limitBasis']} label="of">
        <Select
          aria-label="What the limit refers to"
          options={[
            { value: 'oils', label: 'oils' },
            { value: 'product', label: 'finished soap' },
          ]}
          style={{ width: 130 }}
        />
      </Form.Item>
      <NumberItem name={['scent', 'vanillin']} label="Vanillin" width={100} {...PERCENT} scale={100} />
      <Form.Item name={['scent', 'tan']} label="Tan">
        <Select
          aria-label="Tan"
          options={options(['none', 'slight', 'moderate', 'strong'])}
          style={{ width: 110 }}
        />
      </Form.Item>
      <Form.Item name={['scent', 'pace']} label="Pace">
        <Select
          aria-label="Pace of the scent"
          options={options(['slows', 'none', 'slight', 'moderate', 'strong', 'seizes'])}
          style={{ width: 110 }}
        />
      </Form.Item>
    </div>
  );
}
