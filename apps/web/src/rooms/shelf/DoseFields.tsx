import { Form, Select, Switch } from 'antd';
import { ALLERGENS, CARRIER_MEDIA } from '@kleur/core/material';
import { PLAN_LIMITS } from '@kleur/core/plan';
import { mediumName } from '@kleur/core/work';
import { NumberItem } from '../../shared/form/NumberItem.tsx';
import { ColourItem } from './ColourItem.tsx';

const DOSE = { width: 110, digits: 3, max: 1000, suffix: 'g/kg' } as const;

/** Of what is dosed: its window of doses, its colour, and how it is dispersed. */
export function DoseFields({ colour }: { readonly colour: string | null }) {
  return (
    <>
      <div className="row">
        <NumberItem name={['window', 'faint']} label="Begin at" {...DOSE} min={0} optional />
        <NumberItem name={['window', 'typical']} label="Typical" {...DOSE} min={0.001} />
        <NumberItem name={['window', 'ceiling']} label="Ceiling" {...DOSE} min={0.001} />
        {colour !== null && (
          <Form.Item name="colour" label="Colour" trigger="onPick">
            <ColourItem />
          </Form.Item>
        )}
      </div>
      {colour !== null && (
        <p className="soft small">
          The colour is what the typical dose gives, gelled and cured in a near-white base. A default curve is
          built from it.
        </p>
      )}
      <div className="row">
        <Form.Item name={['carriers', 0, 'medium']} label="Carrier" className="grow">
          <Select
            aria-label="Carrier"
            options={CARRIER_MEDIA.map((medium) => ({ value: medium, label: mediumName[medium] }))}
          />
        </Form.Item>
        <NumberItem
          name={['carriers', 0, 'ratio']}
          label="Liquid to one powder"
          width={140}
          digits={1}
          {...PLAN_LIMITS.carrierRatio}
          suffix=": 1"
        />
        <NumberItem
          name="bulkDensity"
          label="Bulk density"
          width={120}
          min={0.01}
          max={5}
          suffix="g/ml"
          optional
        />
      </div>
      <div className="row">
        <NumberItem
          name="density"
          label="Density in the batter"
          width={140}
          min={0.1}
          max={20}
          suffix="g/ml"
        />
        <NumberItem name="fat" label="Fat in it" width={90} digits={1} {...PLAN_LIMITS.share} suffix="%" />
        <NumberItem
          name="water"
          label="Water in it"
          width={90}
          digits={1}
          {...PLAN_LIMITS.share}
          suffix="%"
        />
        <Form.Item name="scrub" label="Meant to be felt" valuePropName="checked">
          <Switch />
        </Form.Item>
      </div>
    </>
  );
}

/** What must be told to whoever uses the soap. */
export function AllergenItem() {
  return (
    <Form.Item name="allergens" label="Allergens">
      <Select
        mode="multiple"
        aria-label="Allergens"
        placeholder="none"
        options={ALLERGENS.map((a) => ({ value: a, label: a }))}
      />
    </Form.Item>
  );
}
