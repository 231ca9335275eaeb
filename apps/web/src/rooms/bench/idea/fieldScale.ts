/** Side of the field, px, and how far from neutral it shows, in a* and b*. */
export const FIELD = 420;
export const EXTENT = 80;

/** Neutral lies in the middle, and both ways are to one scale. */
const MIDDLE = FIELD / 2;
const PER_UNIT = MIDDLE / EXTENT;

/** a* and b* → a place on the field, a* to the right and b* upwards; and back. */
export const placeOf = (a: number, b: number): readonly [x: number, y: number] => [
  MIDDLE + a * PER_UNIT,
  MIDDLE - b * PER_UNIT,
];
export const colourAt = (x: number, y: number): readonly [a: number, b: number] => [
  (x - MIDDLE) / PER_UNIT,
  (MIDDLE - y) / PER_UNIT,
];
