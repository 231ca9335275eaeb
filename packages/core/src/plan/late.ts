import { type Material } from '../material/material.ts';
import { type AdditiveMoment, type AdditiveRow, type Plan, type Pot, TAKEN, type Taken } from './plan.ts';

/** Whether an additive goes into the batter after the emulsion, so that a pot may be taken off before it. */
export const isMomentLate = (moment: AdditiveMoment): boolean => moment === 'water' || moment === 'trace';

/**
 * When a pot is taken off the batter. Where the whole batter is scented, a scented pot is taken off after the scent, and
 * so after everything else.
 */
export const takenOf = ({ base }: Pick<Plan, 'base'>, pot: Pick<Pot, 'taken' | 'scented'>): Taken =>
  base.scent?.when === 'batter' && pot.scented ? 'additives' : pot.taken;

/** Water that an additive is stirred into when it goes in with water, g per g. */
export const lateWater = (
  { moment }: Pick<AdditiveRow, 'moment'>,
  { carriers }: Pick<Material, 'carriers'>,
): number =>
  moment === 'water' ? (carriers.find((c) => c.medium === 'water')?.ratio ?? USUAL_LATE_WATER) : 0;
/** For what names no water of its own: enough to make a slurry. */
const USUAL_LATE_WATER = 2;

/** Whether a pot is taken off late enough to have what goes in at a stage. */
export const takesLate = (
  plan: Pick<Plan, 'base'>,
  pot: Pick<Pot, 'taken' | 'scented'>,
  after: Taken,
): boolean => TAKEN.indexOf(takenOf(plan, pot)) >= TAKEN.indexOf(after);

/** Whether anything at all goes into the batter late, so that it matters when a pot is taken off. */
export const hasLate = ({ base }: Pick<Plan, 'base'>): boolean =>
  base.liquid.heldBack > 0 || base.additives.some((a) => isMomentLate(a.moment));
