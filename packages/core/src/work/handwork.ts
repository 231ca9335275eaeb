import { type Design } from '../plan/design.ts';
import { type Pot } from '../plan/plan.ts';
import { techniquesOf } from './design.ts';
import { type Consistency } from './pace.ts';

/** Something done with the hands that takes its time. */
export interface Hand {
  readonly name: string;
  readonly minutes: number;
}

export interface Handwork {
  /** What the technique wants of its batter. */
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
  stamped: { wants: 'light' },
  'piped-top': { wants: 'stiff' },
  'textured-top': { wants: 'thick', after: { name: 'shape the top', minutes: 5 } },
};

const FROM_FLUID: readonly Consistency[] = ['fluid', 'light', 'medium', 'thick', 'stiff'];

/** What lies on top is piped unless the design says otherwise. */
export const wantedOnTop = ({ top }: Design): Consistency =>
  (top === null ? null : HANDWORK[top]?.wants) ?? 'stiff';

/**
 * The consistency that a pot is wanted at: the most fluid of what its techniques want, since what has thickened does
 * not thin again. Null while the design is open.
 */
export function consistencyWanted(design: Design, pot: Pot): Consistency | null {
  if (pot.place === 'top') return wantedOnTop(design);
  const wants = techniquesOf(design, pot).flatMap((id) => HANDWORK[id]?.wants ?? []);
  return FROM_FLUID.find((c) => wants.includes(c)) ?? null;
}
