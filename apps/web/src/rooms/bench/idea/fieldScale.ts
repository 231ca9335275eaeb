import { scaleLinear } from 'd3-scale';

/** Side of the field, px, and how far from neutral it shows, in a* and b*. */
export const FIELD = 420;
export const EXTENT = 80;

const across = scaleLinear().domain([-EXTENT, EXTENT]).range([0, FIELD]);

/** a* and b* → a place on the field, a* to the right and b* upwards; and back. */
export const placeOf = (a: number, b: number): readonly [x: number, y: number] => [
  across(a),
  FIELD - across(b),
];
export const colourAt = (x: number, y: number): readonly [a: number, b: number] => [
  across.invert(x),
  across.invert(FIELD - y),
];
