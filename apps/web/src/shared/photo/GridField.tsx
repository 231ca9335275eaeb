import { Button } from 'antd';
import { useState } from 'react';
import { type Spot } from '../../workers/photo.protocol.ts';
import { NumberField } from '../ui/NumberField.tsx';
import { gridSpots } from './gridSpots.ts';
import styles from './photo.module.css';

/** Fewer bars are tapped as fast as a grid is told. */
const WORTH = 4;
const START_COLUMNS = 3;

/** Bars that lie in a grid: the first and the last are tapped, the others follow. */
export function GridField(props: {
  readonly ids: readonly string[];
  readonly names: ReadonlyMap<string, string>;
  readonly spots: ReadonlyMap<string, Spot>;
  readonly onPlace: (spots: ReadonlyMap<string, Spot>) => void;
}) {
  const { ids, names, spots, onPlace } = props;
  const [told, setColumns] = useState(START_COLUMNS);
  if (ids.length < WORTH) return null;
  const columns = Math.min(told, ids.length);
  const [first, last] = [spots.get(ids[0]!), spots.get(ids.at(-1)!)];
  const end = ids[Math.min(columns, ids.length) - 1]!;
  const placed =
    first && last && gridSpots({ first, last, rowEnd: spots.get(end) ?? null }, ids.length, columns);
  const named = (id: string): string => names.get(id) ?? '';
  return (
    <div className={styles.field}>
      <span>In a grid, row by row</span>
      <div className={styles.row}>
        <NumberField
          label="Columns"
          hideLabel
          width={110}
          value={columns}
          min={1}
          max={ids.length}
          digits={0}
          suffix="across"
          onCommit={setColumns}
        />
        <Button
          disabled={!placed}
          onClick={() => {
            if (placed) onPlace(new Map(ids.map((id, i) => [id, placed[i]!])));
          }}
        >
          Place all {ids.length}
        </Button>
      </div>
      <span className="soft small">
        {placed
          ? 'The others are put between those; move what does not lie on its bar.'
          : first && last
            ? `The last row holds one bar: tap ${named(end)} too, the end of the first row.`
            : `Tap ${named(ids[0]!)} and ${named(ids.at(-1)!)}; in a slanted picture ${named(end)} too.`}
      </span>
    </div>
  );
}
