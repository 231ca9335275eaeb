import { type Material } from '../material/material.ts';
import { type DoseRow } from '../plan/plan.ts';
import { type PrepSheet } from '../work/prep.ts';
import { type LogEntry } from './entry.ts';

/** A prepared cup: the powder of one dose of a pot, with the liquid that it was dispersed in. */
export interface Cup {
  readonly id: string;
  readonly potId: string;
  readonly row: DoseRow;
  readonly material: Material;
  /** As measured out, g. */
  readonly powder: number;
  readonly liquid: number;
  /** Of its dispersion, g a drop. */
  readonly dropMass: number;
}

/** What is left of a cup, as a fraction of what was in it; below 0 when more was taken than it held. */
export type CupsLeft = ReadonlyMap<string, number>;

/** A drop of a dispersion where no bottle says otherwise, g. */
export const USUAL_DROP = 0.04;

export const cupIdOf = (potId: string, rowId: string): string => `${potId}:${rowId}`;

/** The cups of a plan as they stand ready, in the order of the pots. */
export const cupsOf = ({ pots }: PrepSheet): Cup[] =>
  pots.flatMap(({ pot, rows }) =>
    rows.map((r): Cup => ({
      id: cupIdOf(pot.id, r.row.id),
      potId: pot.id,
      row: r.row,
      material: r.material,
      powder: r.measured.mass,
      liquid: r.drops === null ? r.carrierMass : Math.max(0, r.drops * (r.stockDrop ?? 0) - r.measured.mass),
      dropMass: r.stockDrop ?? USUAL_DROP,
    })),
  );

/**
 * How much of a full cup an entry of kind `added` takes, as a fraction. More than is left is told as it was said; what
 * the cup still weighs cannot give more than was in it.
 * @param left fraction of the cup that is left before it
 */
export function takenOfCup(cup: Cup, { by, value }: LogEntry, left: number): number {
  const full = cup.powder + cup.liquid;
  if (full <= 0) return 0;
  switch (by) {
    case 'part':
      return value;
    case 'rest':
      return Math.max(0, left);
    case 'drops':
      return (value * cup.dropMass) / full;
    case 'grams':
      return value / full;
    case 'left':
      return Math.max(0, left - value / full);
    default:
      return 0;
  }
}
