import { type Pot, type ScentChoice } from '../plan/plan.ts';

/** Scent that a pot is brought to, g/kg oils: its own rate where each pot is scented by itself, else the batch's. */
export const scentRate = (scent: Pick<ScentChoice, 'dose' | 'when'>, pot: Pick<Pot, 'scentDose'>): number =>
  scent.when === 'pot' ? (pot.scentDose ?? scent.dose) : scent.dose;
