import { Checkbox } from 'antd';
import { NumberField } from '../../shared/ui/NumberField.tsx';
import { TextField } from '../../shared/ui/TextField.tsx';
import { type FieldsProps } from './materialWrite.ts';

/** What is there of an item and of which lot; of an additive, also the lye that it takes up. */
export function StockFields({ write, set }: FieldsProps) {
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
        label="Lot"
        grow
        value={write.lot}
        maxLength={60}
        onChange={(lot) => {
          // Another lot has not been read yet.
          set({ lot, lotTested: false });
        }}
      />
      <Checkbox
        checked={write.lotTested}
        disabled={write.lot === ''}
        onChange={(e) => {
          set({ lotTested: e.target.checked });
        }}
      >
        A bar of it has been read
      </Checkbox>
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
