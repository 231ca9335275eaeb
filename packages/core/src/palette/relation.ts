import { type LabD65 } from '../colour/lab.ts';

/** What two colours of a bar do to each other in soap. */
export const RELATIONS = ['brighter', 'melt', 'family', 'grey', 'apart'] as const;
export type Relation = (typeof RELATIONS)[number];

/** Chroma below which a colour has no hue to speak of. */
const NEUTRAL = 8;
/** Hue angles between two colours, degrees, and difference in lightness, L*. */
const NEAR = 35;
const OPPOSITE = 140;
const AS_LIGHT = 14;
/** Colours this far apart in hue, and not opposite, lose most of their chroma where they mix. */
const CLASH = 85;

const hueOf = ([, a, b]: LabD65): number => (Math.atan2(b, a) * 180) / Math.PI;

/** Angle between two hues, 0–180°. */
export const hueBetween = (one: LabD65, two: LabD65): number => {
  const turn = Math.abs(hueOf(one) - hueOf(two)) % 360;
  return Math.min(turn, 360 - turn);
};

/**
 * Opposites make each other brighter; neighbours that are as light melt together, others are a family; a quarter to a
 * third of the circle apart they grey each other where they mix. A colour without hue keeps the others apart.
 */
export function relationOf(one: LabD65, two: LabD65): Relation {
  const neutral = (lab: LabD65): boolean => Math.hypot(lab[1], lab[2]) < NEUTRAL;
  const asLight = Math.abs(one[0] - two[0]) < AS_LIGHT;
  if (neutral(one) || neutral(two)) return asLight ? 'melt' : 'apart';
  const turn = hueBetween(one, two);
  if (turn <= NEAR) return asLight ? 'melt' : 'family';
  if (turn >= OPPOSITE) return 'brighter';
  return turn >= CLASH ? 'grey' : 'apart';
}

/** A colour turned by degrees about the neutral axis; lightness and chroma stay. */
export function turned([L, a, b]: LabD65, degrees: number): LabD65 {
  const t = (degrees * Math.PI) / 180;
  return [L, a * Math.cos(t) - b * Math.sin(t), a * Math.sin(t) + b * Math.cos(t)];
}

/** How far a move turned a colour, degrees, −180 to 180. */
export const turnBetween = (from: LabD65, to: LabD65): number =>
  ((((hueOf(to) - hueOf(from) + 180) % 360) + 360) % 360) - 180;
