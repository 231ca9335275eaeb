import { type Plan, type Pot } from '../plan/plan.ts';
import { BOND_HOURS } from './finish.ts';

/** Pots that are poured in one go; their lye is made for that hour. */
export interface Sitting {
  /** Before the last pour, h. */
  readonly hoursBefore: number;
  readonly pots: readonly Pot[];
}

/** The pours of a plan that lie further apart than layers knit by themselves, the earliest first. */
export function sittingsOf({ pots }: Plan): Sitting[] {
  const sittings: { hoursBefore: number; last: number; pots: Pot[] }[] = [];
  for (const pot of pots.toSorted((a, b) => b.hoursBefore - a.hoursBefore)) {
    const open = sittings.at(-1);
    if (open && open.last - pot.hoursBefore <= BOND_HOURS) {
      open.pots.push(pot);
      open.last = pot.hoursBefore;
    } else sittings.push({ hoursBefore: pot.hoursBefore, last: pot.hoursBefore, pots: [pot] });
  }
  return sittings;
}

/** Place of a batter’s sitting: of a mini-batch by its pot, of the common batter (null) by the first pot off it. */
export function sittingAt(sittings: readonly Sitting[], potId: string | null): number {
  const at = sittings.findIndex((s) =>
    s.pots.some((p) => (potId === null ? !p.ownLye && p.draws.some((d) => d.from === null) : p.id === potId)),
  );
  return Math.max(0, at);
}
