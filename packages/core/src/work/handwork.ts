import { type Consistency } from './pace.ts';
import { type Pot } from '../plan/plan.ts';

/** Something done with the hands that takes its time. */
export interface Hand {
  readonly name: string;
  readonly minutes: number;
}

export interface Handwork {
  /** What the technique wants of the batter in the mould. */
  readonly wants: Consistency;
  /** After each pot but the last. */
  readonly between?: Hand;
  /** After the last pot, while all the batter is still in its window. */
  readonly after?: Hand;
}

/** What each technique does with the batter, by its id. Starting values. */
export const HANDWORK: Readonly<Record<string, Handwork>> = {
  layers: { wants: 'medium', between: { name: 'level', minutes: 1 } },
  'slanted-layers': { wants: 'medium', between: { name: 'let the slant hold', minutes: 2 } },
  ombre: { wants: 'medium', between: { name: 'level', minutes: 1 } },
  drops: { wants: 'light' },
  'in-the-pot': { wants: 'light', after: { name: 'turn once or twice, pour', minutes: 2 } },
  funnel: { wants: 'fluid' },
  'wall-pour': { wants: 'fluid' },
  hanger: { wants: 'fluid', after: { name: 'draw the hanger through', minutes: 2 } },
  'divided-comb': { wants: 'fluid', after: { name: 'pull the dividers, comb', minutes: 3 } },
  serpentine: { wants: 'fluid' },
  blobs: { wants: 'thick' },
  'powder-line': { wants: 'medium', between: { name: 'sieve the line', minutes: 2 } },
  embeds: { wants: 'thick', after: { name: 'set the embeds', minutes: 4 } },
  'piped-top': { wants: 'medium' },
  'textured-top': { wants: 'medium', after: { name: 'shape the top', minutes: 5 } },
  stamped: { wants: 'light' },
};

/** The consistency that a pot is wanted at. What goes on top is spooned or piped. */
export function consistencyWanted(technique: string | null, pot: Pot): Consistency | null {
  if (pot.place === 'top') return technique === 'textured-top' ? 'thick' : 'stiff';
  return technique === null ? null : (HANDWORK[technique]?.wants ?? null);
}
