import { Button, Checkbox, Form, Input } from 'antd';
import { type Lot, LOT_LIMITS, type MaterialKind } from '@kleur/core/material';
import { NumberItem } from '../../shared/form/NumberItem.tsx';
import { MassItem } from '../../shared/form/QuantityItem.tsx';
import { newId } from '../../data/newId.ts';
import { type MaterialEntry } from './materialWrite.ts';

/** What is there of an item and of which lot; of an additive, also the lye that it takes up. */
export function StockFields({ kind, lots }: { readonly kind: MaterialKind; readonly lots: readonly Lot[] }) {
  const form = Form.useFormInstance<MaterialEntry>();
  const atHand = lots[0];
  const labelled = atHand !== undefined && atHand.label !== '';
  const before = lots.slice(1).map((l) => l.label);
  return (
    <div className="row">
      <MassItem name="stock" label="On the shelf" width={130} min={0} max={1_000_000} optional />
      <Form.Item name={['lots', 0, 'label']} label="Lot at hand" className="grow">
        <Input
          maxLength={LOT_LIMITS.label}
          onChange={() => {
            // Another label is another lot, which has not been read yet.
            form.setFieldValue(['lots', 0, 'tested'], false);
          }}
        />
      </Form.Item>
      <Form.Item name={['lots', 0, 'tested']} valuePropName="checked" className="beside-labels">
        <Checkbox disabled={!labelled}>A bar of it has been read</Checkbox>
      </Form.Item>
      <Button
        className="beside-labels"
        disabled={!labelled || lots.length >= LOT_LIMITS.lots}
        onClick={() => {
          form.setFieldValue('lots', [{ id: newId(), label: '', tested: false }, ...lots]);
        }}
      >
        A new lot
      </Button>
      {before.length > 0 && (
        <span className="soft small beside-labels">earlier lots: {before.join(', ')}</span>
      )}
      {kind === 'additive' && (
        <NumberItem
          name="lyeDemand"
          label="Takes up lye"
          width={150}
          digits={3}
          min={0}
          max={2}
          suffix="g NaOH/g"
        />
      )}
    </div>
  );
}
