import { Select } from 'antd';
import { type Face } from '@kleur/core/evidence';
import { DayField } from '../../../shared/ui/DayField.tsx';
import styles from './result.module.css';
import { faceName } from './words.ts';

/** What a reading is of: the face of the bar, and the day it was seen. */
export function FaceAndDay(props: {
  readonly faces: readonly Face[];
  readonly face: Face;
  readonly onFace: (face: Face) => void;
  readonly dayLabel: string;
  readonly day: string;
  readonly onDay: (day: string) => void;
}) {
  const { faces, face, onFace, dayLabel, day, onDay } = props;
  return (
    <>
      <span className={styles.field}>
        <span>Face</span>
        <Select
          aria-label="Face"
          value={face}
          onChange={onFace}
          options={faces.map((f) => ({ value: f, label: faceName[f] }))}
        />
      </span>
      <span className={styles.field}>
        <span>{dayLabel}</span>
        <DayField
          label={dayLabel}
          value={day}
          onPick={(picked) => {
            if (picked) onDay(picked);
          }}
        />
      </span>
    </>
  );
}
