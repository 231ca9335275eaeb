import { type Grams, grams } from '../units/quantity.ts';
import { batterOf } from './lye.ts';
import { type Plan, type Pot } from './plan.ts';

export interface PotShare {
  readonly pot: Pot;
  /** Fraction of the batter, 0–1; all zero while the parts add up to nothing. */
  readonly fraction: number;
  /** The recipe's oils in this pot, without carriers: what its doses refer to. */
  readonly oils: Grams;
  /** Uncoloured, unscented batter; null while no lye amount may be told. */
  readonly batter: Grams | null;
}

/** How the batter divides over the pots, by parts. */
export function potShares(plan: Plan): PotShare[] {
  const sum = plan.pots.reduce((total, pot) => total + pot.parts, 0);
  const { total } = batterOf(plan);
  return plan.pots.map((pot) => {
    const fraction = sum > 0 ? pot.parts / sum : 0;
    return {
      pot,
      fraction,
      oils: grams(plan.base.totalOils * fraction),
      batter: total === null ? null : grams(total * fraction),
    };
  });
}
