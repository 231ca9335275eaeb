import { type Plan, type Pot } from './plan.ts';

/** A pot as far as it draws from others. */
type Drawing = Pick<Pot, 'id' | 'draws'>;

/** The pots that a pot draws from directly. */
const donors = (pot: Drawing): string[] => pot.draws.flatMap((d) => (d.from === null ? [] : [d.from]));

export interface PotOrder {
  /** Positions in `plan.pots`, donors before those who draw from them; pots of a cycle last, in plan order. */
  readonly order: readonly number[];
  /** Ids of pots that draw from themselves, directly or through others. */
  readonly cyclic: ReadonlySet<string>;
}

/** Puts the pots in an order in which each comes after those it draws from. */
export function potOrder({ pots }: Pick<Plan, 'pots'>): PotOrder {
  const straight = ordered(pots, new Set());
  if (straight.length === pots.length) return { order: straight, cyclic: new Set() };
  const cyclic = new Set(pots.filter((p) => reaches(pots, p.id, p.id)).map((p) => p.id));
  const order = ordered(pots, cyclic);
  pots.forEach((pot, i) => {
    if (cyclic.has(pot.id)) order.push(i);
  });
  return { order, cyclic };
}

/** Donors first, as far as that goes, leaving out pots of a cycle. */
function ordered(pots: readonly Pot[], cyclic: ReadonlySet<string>): number[] {
  const known = new Set(pots.map((p) => p.id));
  const done = new Set<string>();
  const order: number[] = [];
  // A few pots: passing over them until nothing moves is quick enough and keeps the maker's order.
  for (let moved = true; moved;) {
    moved = false;
    pots.forEach((pot, i) => {
      if (done.has(pot.id) || cyclic.has(pot.id)) return;
      if (donors(pot).some((d) => !done.has(d) && !cyclic.has(d) && known.has(d))) return;
      done.add(pot.id);
      order.push(i);
      moved = true;
    });
  }
  return order;
}

/** Whether batter of `from` can end up in `to` through one or more draws. */
export function reaches(pots: readonly Drawing[], from: string, to: string): boolean {
  const seen = new Set<string>();
  const open = pots.filter((p) => donors(p).includes(from)).map((p) => p.id);
  while (open.length > 0) {
    const id = open.pop()!;
    if (id === to) return true;
    if (seen.has(id)) continue;
    seen.add(id);
    for (const p of pots) if (donors(p).includes(id)) open.push(p.id);
  }
  return false;
}

/** Whether letting `potId` draw from `donorId` would make it draw from itself. */
export const wouldCycle = (
  { pots }: { readonly pots: readonly Drawing[] },
  potId: string,
  donorId: string,
): boolean => potId === donorId || reaches(pots, potId, donorId);
