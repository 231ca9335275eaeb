import { type AdditiveMoment, type Plan, type Pot, TAKEN, type Taken } from './plan.ts';

/** Whether an additive goes into the batter after the emulsion, so that a pot may be taken off before it. */
export const isMomentLate = (moment: AdditiveMoment): boolean => moment === 'water' || moment === 'trace';

/** Whether a pot is taken off late enough to have what goes in at a stage. */
export const takesLate = (pot: Pick<Pot, 'taken'>, after: Taken): boolean =>
  TAKEN.indexOf(pot.taken) >= TAKEN.indexOf(after);

/** Whether anything at all goes into the batter late, so that it matters when a pot is taken off. */
export const hasLate = ({ base }: Plan): boolean =>
  base.liquid.heldBack > 0 || base.additives.some((a) => isMomentLate(a.moment));
