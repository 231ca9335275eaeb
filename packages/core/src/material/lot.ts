import { type Material } from './material.ts';

/** One purchase of a material, as its label says. */
export interface Lot {
  readonly id: string;
  /** Number or name on the label; empty where there is none. */
  readonly label: string;
  /** Whether a bar of it has been read. */
  readonly tested: boolean;
}

export const LOT_LIMITS = { lots: 50, label: 60 } as const;

/** The lot at hand; null where none was noted. */
export const lotAtHand = ({ lots }: Pick<Material, 'lots'>): Lot | null => lots[0] ?? null;
