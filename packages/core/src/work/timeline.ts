import { techniqueById } from '../palette/technique.ts';
import { consistencyWanted, type Hand, HANDWORK, type Handwork } from './handwork.ts';
import { type Consistency, type PotPace, potPaces, windowFor } from './pace.ts';
import { type Minutes, type Plan, type Pot } from '../plan/plan.ts';

export type TaskKind = keyof Minutes;

/** A stretch of one pot's work, minutes from its own emulsion. */
export interface Task {
  readonly kind: TaskKind;
  readonly from: number;
  readonly to: number;
}

/** A stretch of work on what is in the mould, minutes from emulsion. */
export interface MouldTask {
  readonly name: string;
  readonly from: number;
  readonly to: number;
}

export type Verdict = 'fits' | 'sets-too-soon' | 'too-thin' | 'open';

export interface PotStep {
  readonly pot: Pot;
  readonly wants: Consistency | null;
  /** In the order of the work; the last is the pour. */
  readonly tasks: readonly Task[];
  /** Minutes from its own emulsion. */
  readonly readyAt: number;
  readonly pourAt: number;
  readonly pouredAt: number;
  /** Until then it must stay workable: the pour, or the technique's last move through it. */
  readonly workedUntil: number;
  readonly window: readonly [number, number] | null;
  readonly verdict: Verdict;
  readonly pace: PotPace;
}

export interface Timeline {
  /** In the order of the plan. */
  readonly pots: readonly PotStep[];
  /** Pot ids in the order in which they are poured; those with a clock of their own are not among them. */
  readonly pours: readonly string[];
  /** Pots poured before their turn in the plan, since they set sooner. */
  readonly broughtForward: readonly Pot[];
  readonly mould: readonly MouldTask[];
}

/** Longest that anyone stands and waits for a pot to thicken, minutes. */
const PATIENCE = 10;

/** The minutes of the work are whole ones: less than this over the window is not told. */
const SLACK = 1;

export interface TimelineChoice {
  /** Pot ids in the order of colouring; that of the plan unless given. */
  readonly order?: readonly string[];
  /** Another technique than the plan's: its fallback, say. */
  readonly technique?: string | null;
  /** All times of the batter times this: what if it comes sooner? */
  readonly hurry?: number;
}

/**
 * The steps of the plan against each pot's window, minutes from emulsion.
 *
 * Pots from the batter are split off; then each is coloured and scented in order. All are poured together, one after
 * another, with what the technique does between them and after, as soon as all are ready and the slowest is thick
 * enough, but not later than the fastest allows. Where the pots need not lie in the order of the plan, the one that
 * closes first is poured first. What goes on top waits until it is stiff; a mini-batch has a clock of its own.
 */
export function timelineOf(plan: Plan, choice: TimelineChoice = {}): Timeline {
  const { technique = plan.idea.technique, order = plan.pots.map((p) => p.id), hurry = 1 } = choice;
  const paces = new Map(potPaces(plan).map((p) => [p.potId, hurried(p, hurry)]));
  const { minutes } = plan.work;
  const work = handworkOf(plan, technique);
  const window = (pot: Pot): PotStep['window'] => {
    const wants = consistencyWanted(technique, pot);
    return wants && windowFor(paces.get(pot.id)!, wants);
  };
  const tasks = new Map<string, Task[]>(plan.pots.map((p) => [p.id, []]));
  const add = (pot: Pot, kind: TaskKind, from: number): number => {
    const to = from + minutes[kind];
    tasks.get(pot.id)!.push({ kind, from, to });
    return to;
  };
  const prepare = (pot: Pot, from: number): number => {
    const coloured = pot.doses.length > 0 ? add(pot, 'colour', from) : from;
    const scents = pot.scented && plan.base.scent?.when === 'pot';
    return scents ? add(pot, 'scent', coloured) : coloured;
  };

  const common = order.flatMap((id) => plan.pots.find((p) => p.id === id && !p.ownLye) ?? []);
  const fromBatter = common.filter((p) => p.draws.some((d) => d.from === null));
  let clock = plan.base.scent?.when === 'batter' ? minutes.scent : 0;
  for (const pot of fromBatter) clock = add(pot, 'split', clock);
  for (const pot of common) clock = prepare(pot, fromBatter.includes(pot) ? clock : add(pot, 'split', clock));
  for (const pot of plan.pots) if (pot.ownLye) prepare(pot, 0);
  const readyAt = new Map([...tasks].map(([id, list]) => [id, list.at(-1)?.to ?? 0]));

  const inPlace = plan.pots.filter((p) => !p.ownLye && p.place !== 'top');
  const closes = (pot: Pot): number => window(pot)?.[1] ?? Infinity;
  const body =
    techniqueById(technique)?.touching === 'all'
      ? // Whole minutes: pots as good as alike keep the order of the plan.
        [...inPlace].sort((a, b) => Math.round(closes(a)) - Math.round(closes(b)))
      : inPlace;
  const between = work.between?.minutes ?? 0;
  const lasts =
    minutes.pour * body.length + between * Math.max(0, body.length - 1) + (work.after?.minutes ?? 0);
  const opens = Math.max(0, ...body.map((p) => window(p)?.[0] ?? 0));
  const mould: MouldTask[] = [];
  const hand = (task: Hand | undefined, from: number): number => {
    if (!task) return from;
    mould.push({ name: task.name, from, to: from + task.minutes });
    return from + task.minutes;
  };
  clock = Math.max(clock, Math.min(opens, Math.min(Infinity, ...body.map(closes)) - lasts));
  body.forEach((pot, i) => {
    clock = add(pot, 'pour', clock);
    if (i < body.length - 1) clock = hand(work.between, clock);
  });
  const worked = hand(body.length > 0 ? work.after : undefined, clock);
  clock = worked;
  const top = plan.pots.filter((p) => !p.ownLye && p.place === 'top');
  for (const pot of top) clock = add(pot, 'top', Math.max(clock, window(pot)?.[0] ?? 0));
  for (const pot of plan.pots)
    if (pot.ownLye) add(pot, 'pour', Math.max(readyAt.get(pot.id)!, window(pot)?.[0] ?? 0));
  hand(onTop(plan), clock);

  const step = (pot: Pot): PotStep => {
    const list = tasks.get(pot.id)!;
    const { from: pourAt, to: pouredAt } = list.at(-1)!;
    const workedUntil = work.after && body.includes(pot) ? worked : pouredAt;
    const w = window(pot);
    return {
      pot,
      wants: consistencyWanted(technique, pot),
      tasks: list,
      readyAt: readyAt.get(pot.id)!,
      pourAt,
      pouredAt,
      workedUntil,
      window: w,
      verdict: verdictOf(w, pourAt, workedUntil),
      pace: paces.get(pot.id)!,
    };
  };
  return {
    pots: plan.pots.map(step),
    pours: [...body, ...top].map((p) => p.id),
    broughtForward: body.filter((p, i) => inPlace.indexOf(p) > i && closes(p) < closes(inPlace[i]!)),
    mould,
  };
}

function verdictOf(window: PotStep['window'], from: number, until: number): Verdict {
  if (window === null) return 'open';
  if (until > window[1] + SLACK) return 'sets-too-soon';
  return from < window[0] - PATIENCE ? 'too-thin' : 'fits';
}

const hurried = (pace: PotPace, by: number): PotPace => ({
  ...pace,
  factor: pace.factor * by,
  light: pace.light * by,
  medium: pace.medium * by,
  thick: pace.thick * by,
  stiff: pace.stiff * by,
});

/** What the technique does, and what the plan puts into the mould besides. */
function handworkOf(plan: Plan, technique: string | null): Partial<Handwork> {
  const own: Partial<Handwork> = (technique === null ? null : HANDWORK[technique]) ?? {};
  const inside = plan.embeds.some((e) => !e.onTop && e.perBar > 0);
  return inside && !own.after ? { ...own, after: HANDWORK.embeds!.after! } : own;
}

/** What is laid or sieved on the top at the end, where it harms nothing that it sets. */
function onTop(plan: Plan): Hand | undefined {
  const embeds = plan.embeds.some((e) => e.onTop && e.perBar > 0);
  return embeds ? { name: 'place the embeds on top', minutes: 3 } : undefined;
}
