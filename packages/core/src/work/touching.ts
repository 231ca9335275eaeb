import { type Flow } from '../balance/flow.ts';
import { techniqueById } from '../palette/technique.ts';
import { type Plan, type Pot } from '../plan/plan.ts';
import { BOND_HOURS } from './finish.ts';

/** Two pots that meet in the bar. */
export interface Touching {
  readonly a: Pot;
  readonly b: Pot;
  /** Whether the technique drags them into each other. */
  readonly mixed: boolean;
}

const pairsInRow = (pots: readonly Pot[], mixed: boolean): Touching[] =>
  pots.slice(1).map((b, i) => ({ a: pots[i]!, b, mixed }));

const pairsOfAll = (pots: readonly Pot[], mixed: boolean): Touching[] =>
  pots.flatMap((a, i) => pots.slice(i + 1).map((b) => ({ a, b, mixed })));

/** The section of a divided mould that a pot is poured into; null for none. */
export const sectionOf = (pot: Pot): number | null =>
  pot.place === 'mould' ? (pot.draws.find((d) => d.by === 'section')?.value ?? null) : null;

/**
 * Which pots meet in the bar: sections side by side, layers that are poured onto each other, everything that a swirl
 * brings together, and what lies on top of them. A pot that is poured later onto set ones, or lies on top, is dragged into nothing.
 */
export function touchingPots(plan: Plan, flow: Pick<Flow, 'pots'>): Touching[] {
  const technique = techniqueById(plan.idea.technique);
  const mixes = technique?.mixes ?? false;
  const there = plan.pots.filter((p) => flow.pots.some((f) => f.pot.id === p.id && f.left > 0));
  const top = there.filter((p) => p.place === 'top');
  const body = there.filter((p) => p.place === 'mould');
  const sections = body.filter((p) => sectionOf(p) !== null);
  const poured = body.filter((p) => sectionOf(p) === null);
  const beside = [...sections].sort((a, b) => sectionOf(a)! - sectionOf(b)!);
  const pours = poursOf(poured);
  const inPour = (pots: readonly Pot[]): Touching[] =>
    technique?.touching === 'all' ? pairsOfAll(pots, mixes) : pairsInRow(pots, mixes);
  const between = pours.slice(1).flatMap((later, i): Touching[] => {
    const below = pours[i]!;
    // A swirl shows all its colours to the layer above; layers only their last.
    const shown = technique?.touching === 'all' ? below : below.slice(-1);
    return shown.map((a) => ({ a, b: later[0]!, mixed: false }));
  });
  const last = pours.at(-1) ?? [];
  const under =
    sections.length > 0 || technique?.touching === 'all' ? [...sections, ...last] : last.slice(-1);
  return [
    ...pairsInRow(beside, mixes),
    // What is poured over sections lies on all of them.
    ...sections.flatMap((a) => (pours[0] ?? []).slice(0, 1).map((b) => ({ a, b, mixed: false }))),
    ...pours.flatMap(inPour),
    ...between,
    ...top.flatMap((b) => under.map((a) => ({ a, b, mixed: false }))),
    ...pairsInRow(top, technique?.id === 'textured-top'),
  ];
}

/** Pots that are poured together, the earliest first: those further apart lie on set ones. */
function poursOf(pots: readonly Pot[]): Pot[][] {
  const sorted = pots
    .map((p, i) => ({ p, i }))
    .sort((x, y) => y.p.hoursBefore - x.p.hoursBefore || x.i - y.i);
  const pours: Pot[][] = [];
  let since = Infinity;
  for (const { p } of sorted) {
    if (since - p.hoursBefore > BOND_HOURS || pours.length === 0) pours.push([p]);
    else pours.at(-1)!.push(p);
    since = p.hoursBefore;
  }
  return pours;
}
