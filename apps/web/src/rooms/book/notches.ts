import { type ReadHow } from '@kleur/core/evidence';
import styles from './book.module.css';

/** Where a square is notched, by how its bar was read, and how that is said. */
export const NOTCHES: Readonly<Record<ReadHow, { readonly side: string; readonly text: string }>> = {
  reader: { side: styles.notchAbove!, text: 'colour reader' },
  photo: { side: styles.notchBelow!, text: 'photo with a card' },
  lab: { side: styles.notchLeft!, text: 'Lab, typed' },
  hex: { side: styles.notchRight!, text: 'hex, picked' },
};
