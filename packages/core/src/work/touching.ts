import { type Flow } from '../balance/flow.ts';
import { PLAIN_BOUNDARY, type Technique, techniqueById, together } from '../palette/technique.ts';
import { type Design } from '../plan/design.ts';
import { type Plan, type Pot } from '../plan/plan.ts';
import { type PourStage, pourStages } from './design.ts';
import { BOND_HOURS } from './finish.ts';

/** Two pots that meet in the bar. */
export interface Touching {
  readonly a: Pot;
  readonly b: Pot;
  /** What brings them together, and so says how far apart they must be; null while the design is open. */
  readonly technique: Technique | null;
  /** Whether it drags them into each other. */
  readonly mixed: boolean;
}

const pair = (a: Pot, b: Pot, technique: Technique | null): Touching => ({
  a,
  b,
  technique,
  mixed: technique?.mixes ?? false,
});

const pairsWithin = (pots: readonly Pot[], technique: Technique | null): Touching[] =>
  technique?.touching === 'all'
    ? pots.flatMap((a, i) => pots.slice(i + 1).map((b) => pair(a, b, technique)))
    : pots.slice(1).map((b, i) => pair(pots[i]!, b, technique));

/** The section of a divided mould that a pot is poured into; null for none. */
export const sectionOf = (pot: Pot): number | null =>
  pot.place === 'mould' ? (pot.draws.find((d) => d.by === 'section')?.value ?? null) : null;

/** What an undisturbed boundary in the mould needs: that of the body's own layers, or that of plain ones. */
function boundaryOf({ body, layers, top }: Design): Technique | null {
  if (body.length + layers.length === 0 && top === null) return null;
  const row = together(body);
  return row?.touching === 'row' ? { ...row, mixes: false } : PLAIN_BOUNDARY;
}

/** Pots that a stage shows to what is poured onto it, and to what it is poured onto: a swirl all, layers one. */
const shows = ({ pots, technique }: PourStage, face: 'up' | 'down'): readonly Pot[] =>
  technique?.touching === 'all' ? pots : face === 'up' ? pots.slice(-1) : pots.slice(0, 1);

/**
 * Which pots meet in the bar, each pair once: sections side by side, layers that are poured onto each other, everything
 * that a swirl brings together, and what lies on top of them. A pot that is poured later onto set ones, or that another
 * stage or the top is laid on, is dragged into nothing.
 */
export function touchingPots(plan: Plan, flow: Pick<Flow, 'pots'>): Touching[] {
  const { design } = plan.idea;
  const there = flow.pots.filter((f) => f.left > 0).map((f) => f.pot);
  const pots = plan.pots.filter((p) => there.some((t) => t.id === p.id));
  const body = pots.filter((p) => p.place === 'mould');
  const top = pots.filter((p) => p.place === 'top' || (p.place === 'mould' && p.reserve > 0));
  const sections = body.filter((p) => sectionOf(p) !== null);
  const poured = body.filter((p) => sectionOf(p) === null);
  const beside = [...sections].sort((a, b) => sectionOf(a)! - sectionOf(b)!);
  const stages = poursOf(poured).flatMap((pour) => pourStages(design, pour));
  const boundary = boundaryOf(design);
  const meet = (below: readonly Pot[], above: readonly Pot[], technique: Technique | null): Touching[] =>
    below.flatMap((a) => above.filter((b) => b.id !== a.id).map((b) => pair(a, b, technique)));
  const [first] = stages;
  const last = stages.at(-1);
  const ofTop = techniqueById(design.top);
  const laid = ofTop ? { ...ofTop, mixes: false } : boundary;
  return eachOnce([
    ...pairsWithin(beside, together(design.body)),
    // What is poured over sections lies on all of them.
    ...(first ? meet(sections, shows(first, 'down'), boundary) : []),
    ...stages.flatMap((s) => pairsWithin(s.pots, s.technique)),
    ...stages.slice(1).flatMap((later, i) => meet(shows(stages[i]!, 'up'), shows(later, 'down'), boundary)),
    ...meet([...sections, ...(last ? shows(last, 'up') : [])], top, laid),
    ...pairsWithin(top, ofTop ?? boundary),
  ]);
}

/** Pots that meet in several places are told once, where most is asked of them. */
function eachOnce(pairs: readonly Touching[]): Touching[] {
  const told = new Map<string, Touching>();
  const asks = ({ technique }: Touching): number => technique?.apart ?? -1;
  for (const t of pairs) {
    const key = [t.a.id, t.b.id].sort().join('\n');
    const before = told.get(key);
    const most = before && asks(before) >= asks(t) ? before : t;
    told.set(key, { ...most, mixed: t.mixed || (before?.mixed ?? false) });
  }
  return [...told.values()];
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
