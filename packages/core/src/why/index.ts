/** The arithmetic behind each figure, in plain words, one step a line. */
export {
  additive,
  batter,
  concentration,
  density,
  liquid,
  lye,
  oils,
  perBar,
  felt,
  scent,
  scentCost,
  stabiliser,
} from './base.ts';
export { bars, embed, fill, line, mould, solved } from './block.ts';
export { type Difference, differences } from './differences.ts';
export { carryOver, colour, dispersion, dose, left, pace, superfat, weighed } from './pots.ts';
