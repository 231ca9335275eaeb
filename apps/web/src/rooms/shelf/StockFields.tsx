import { Button, Checkbox } from 'antd';
import { type Lot, lotAtHand, LOT_LIMITS } from '@kleur/core/material';
import { NumberField } from '../../shared/ui/NumberField.tsx';
import { TextField } from '../../shared/ui/TextField.tsx';
import { newId } from '../../shared/newId.ts';
import { type FieldsProps } from './materialWrite.ts';

/** What is there of an item and of which lot; of an additive, also the lye that it takes up. */
export function StockFields({ write, set }: FieldsProps) {
  const lot = lotAtHand(write);
  const before = write.lots.slice(1).map((l) => l.label);
  const setLot = (next: Lot): void => {
    set({ lots: [next, ...write.lots.slice(1)] });
  };
  return (
    <div className="row">
      <NumberField
        label="On the shelf"
        width={130}
        value={write.stock}
        digits={1}
        min={0}
        max={1_000_000}
        suffix="g"
        onCommit={(stock) => {
          set({ stock, inStock: stock > 0 || write.inStock });
        }}
        onClear={() => {
          set({ stock: null });
        }}
      />
      <TextField
        label="Lot at hand"
        grow
        value={lot?.label ?? ''}
        maxLength={LOT_LIMITS.label}
        onChange={(label) => {
          // Another label is another lot, which has not been read yet.
          setLot({ id: lot?.id ?? newId(), label, tested: false });
        }}
      />
      <Checkbox
        checked={lot?.tested ?? false}
        disabled={!lot || lot.label === ''}
        onChange={(e) => {
          if (lot) setLot({ ...lot, tested: e.target.checked });
        }}
      >
        A bar of it has been read
      </Checkbox>
      <Button
        disabled={!lot || lot.label === '' || write.lots.length >= LOT_LIMITS.lots}
        onClick={() => {
          set({ lots: [{ id: newId(), label: '', tested: false }, ...write.lots] });
        }}
      >
        A new lot
      </Button>
      {before.length > 0 && <span className="soft small">before: {before.join(', ')}</span>}
      {write.kind === 'additive' && (
        <NumberField
          label="Takes up lye"
          width={150}
          value={write.lyeDemand}
          digits={3}
          min={0}
          max={2}
          suffix="g NaOH/g"
          onCommit={(lyeDemand) => {
            set({ lyeDemand });
          }}
        />
      )}
    </div>
  );
}
