import { Button, Select } from 'antd';
import { type MaterialWire } from '@kleur/contract';
import { TEST_BAR_LIMITS } from '@kleur/core/evidence';
import { PLAN_LIMITS } from '@kleur/core/plan';
import { DeleteOutlined } from '../../shared/ui/icons.tsx';
import { NumberField } from '../../shared/ui/NumberField.tsx';
import { type DoseRow, emptyRow, isUncoloured, NO_COLOUR } from './barForm.ts';
import styles from './book.module.css';

/** What is in a bar: its colourants and their doses. */
export function DoseRows(props: {
  readonly rows: readonly DoseRow[];
  readonly shelf: readonly MaterialWire[];
  readonly onChange: (rows: readonly DoseRow[]) => void;
}) {
  const { rows, shelf, onChange } = props;
  const setRow = (id: string, change: Partial<DoseRow>): void => {
    onChange(rows.map((r) => (r.id === id ? { ...r, ...change } : r)));
  };
  return (
    <div>
      {rows.map((row) => (
        <div key={row.id} className={styles.doseRow}>
          <Select<string>
            aria-label="Colourant"
            showSearch={{ optionFilterProp: 'label' }}
            placeholder="Colourant"
            value={row.materialId}
            onChange={(materialId) => {
              if (materialId === NO_COLOUR) onChange([{ ...row, materialId, dose: null }]);
              else setRow(row.id, { materialId });
            }}
            options={[
              { value: NO_COLOUR, label: 'None: uncoloured soap' },
              ...shelf
                .filter((m) => m.optics)
                .map((m) => ({
                  value: m.id,
                  label: m.name,
                  disabled: rows.some((r) => r.id !== row.id && r.materialId === m.id),
                })),
            ]}
          />
          <NumberField
            label="Dose"
            hideLabel
            width={92}
            value={row.dose}
            disabled={row.materialId === NO_COLOUR}
            {...PLAN_LIMITS.dose}
            digits={2}
            placeholder="g/kg"
            onCommit={(dose) => {
              setRow(row.id, { dose });
            }}
          />
          <Button
            type="text"
            aria-label="Take this colourant away"
            icon={<DeleteOutlined />}
            onClick={() => {
              onChange(rows.filter((r) => r.id !== row.id));
            }}
          />
        </div>
      ))}
      <Button
        disabled={rows.length >= TEST_BAR_LIMITS.doses || isUncoloured(rows)}
        onClick={() => {
          onChange([...rows, emptyRow()]);
        }}
      >
        Another colourant
      </Button>
    </div>
  );
}
