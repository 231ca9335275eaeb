import { type Design } from '../plan/design.ts';
import { type PourStage, pourStages } from './design.ts';
import { consistencyWanted, type Hand, HANDWORK, type Handwork, wantedOnTop } from './handwork.ts';
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
  /** What it does on the top besides: the part kept for it, or the surface that is shaped. */
  readonly top: TopStep | null;
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
  /** Another design than the plan's: its fallback, say. */
  readonly design?: Design;
  /** All times of the batter times this: what if it comes sooner? */
  readonly hurry?: number;
}

/** What is done with a pot on the top, after the mould is filled. */
export interface TopStep {
  /** Minutes from emulsion. */
  readonly from: number;
  readonly to: number;
  /** How long it waits for its turn, from its own pour on, minutes. */
  readonly waits: number;
  readonly wants: Consistency;
  readonly window: readonly [number, number];
  readonly verdict: Verdict;
}

/**
 * The steps of the plan against each pot's window, minutes from emulsion.
 *
 * Pots from the batter are split off; then each is coloured and scented in order. All are poured together, one after
 * another, with what the techniques do between them and after. A stage of the pour (the body, or a layer of its own)
 * begins as soon as all is ready and its slowest pot is thick enough, but not later than its fastest allows. Where the
 * pots need not lie in the order of the plan, the one that closes first is poured first. What goes on top, or was kept
 * for it, waits until it is stiff enough; a mini-batch has a clock of its own.
 */
export function timelineOf(plan: Plan, choice: TimelineChoice = {}): Timeline {
  const { design = plan.idea.design, order = plan.pots.map((p) => p.id), hurry = 1 } = choice;
  const paces = new Map(potPaces(plan).map((p) => [p.potId, hurried(p, hurry)]));
  const { minutes } = plan.work;
  const windows = new Map(
    plan.pots.map((pot) => {
      const wants = consistencyWanted(design, pot);
      return [pot.id, wants && windowFor(paces.get(pot.id)!, wants)];
    }),
  );
  // What is held at emulsion thickens only once it is blended, at its turn.
  const isHeld = (pot: Pot): boolean =>
    plan.work.day.held.includes(pot.id) && !pot.ownLye && pot.place !== 'top';
  const opens = (pot: Pot): number => (isHeld(pot) ? 0 : (windows.get(pot.id)?.[0] ?? 0));
  const closes = (pot: Pot): number => (isHeld(pot) ? Infinity : (windows.get(pot.id)?.[1] ?? Infinity));
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
  for (const pot of common) {
    const off = fromBatter.includes(pot) ? clock : add(pot, 'split', clock);
    clock = isHeld(pot) ? off : prepare(pot, off);
  }
  for (const pot of plan.pots) if (pot.ownLye) prepare(pot, 0);
  const readyAt = new Map([...tasks].map(([id, list]) => [id, list.at(-1)?.to ?? 0]));

  const inPlace = plan.pots.filter((p) => !p.ownLye && p.place !== 'top');
  const stages = pourStages(design, inPlace).map((stage) => workOf(stage, closes));
  const bodyEnds = stages.length > 0 ? inMould(plan, design) : [];
  const mould: MouldTask[] = [];
  const hand = (task: Hand, from: number): number => {
    mould.push({ name: task.name, from, to: from + task.minutes });
    return from + task.minutes;
  };
  const lastsOf = ({ pots, between, after }: StageWork): number =>
    minutes.pour * pots.length + (between?.minutes ?? 0) * (pots.length - 1) + minutesOf(after);
  const boundary = boundaryHand(design);
  const workedUntil = new Map<string, number>();
  stages.forEach((stage, i) => {
    // A move through the whole body waits for all that is poured before it.
    const rest =
      stage.layer === null && bodyEnds.length > 0
        ? minutesOf(bodyEnds) +
          stages.slice(i + 1).reduce((sum, s) => sum + lastsOf(s) + (boundary?.minutes ?? 0), 0)
        : 0;
    const starts = Math.max(0, ...stage.pots.map(opens));
    const mustStart = Math.min(Infinity, ...stage.pots.map(closes)) - lastsOf(stage) - rest;
    clock = Math.max(clock, Math.min(starts, mustStart));
    stage.pots.forEach((pot, n) => {
      if (isHeld(pot)) {
        windows.set(pot.id, later(windows.get(pot.id) ?? null, clock));
        clock = prepare(pot, clock);
      }
      clock = add(pot, 'pour', clock);
      if (n < stage.pots.length - 1 && stage.between) clock = hand(stage.between, clock);
    });
    for (const task of stage.after) clock = hand(task, clock);
    if (stage.after.length > 0) for (const pot of stage.pots) workedUntil.set(pot.id, clock);
    if (i < stages.length - 1 && boundary) clock = hand(boundary, clock);
  });
  for (const task of bodyEnds) clock = hand(task, clock);
  if (bodyEnds.length > 0)
    for (const stage of stages)
      if (stage.layer === null) for (const pot of stage.pots) workedUntil.set(pot.id, clock);

  const filled = clock;
  const wantsOnTop = wantedOnTop(design);
  const tops = new Map<string, TopStep>();
  /** A pot's turn on the top, as soon as it is wanted; it waits from `ready` on. */
  const onItsTop = (pot: Pot, ready: number, lasts: number): TopStep => {
    const window = windowFor(paces.get(pot.id)!, wantsOnTop);
    const from = Math.max(clock, window[0]);
    const to = from + lasts;
    const step = {
      from,
      to,
      waits: from - ready,
      wants: wantsOnTop,
      window,
      verdict: verdictOf(window, from, to),
    };
    tops.set(pot.id, step);
    return step;
  };
  const top = plan.pots.filter((p) => !p.ownLye && p.place === 'top');
  for (const pot of top) clock = add(pot, 'top', Math.max(clock, opens(pot)));
  for (const pot of inPlace)
    if (pot.place === 'mould' && pot.reserve > 0)
      clock = onItsTop(pot, tasks.get(pot.id)!.at(-1)!.to, minutes.top).to;
  const shaped = design.top === null ? undefined : HANDWORK[design.top]?.after;
  if (shaped) {
    // Where nothing was kept for it, the last that was poured is shaped, as soon as it holds.
    const upper = top.length + tops.size === 0 ? stages.at(-1)?.pots.at(-1) : undefined;
    if (upper) clock = onItsTop(upper, filled, shaped.minutes).from;
    clock = hand(shaped, clock);
  }
  for (const pot of plan.pots) if (pot.ownLye) add(pot, 'pour', Math.max(readyAt.get(pot.id)!, opens(pot)));
  const laid = onTop(plan);
  if (laid) hand(laid, clock);

  const step = (pot: Pot): PotStep => {
    const list = tasks.get(pot.id)!;
    const { from: pourAt, to: pouredAt } = list.at(-1)!;
    const until = Math.max(pouredAt, workedUntil.get(pot.id) ?? pouredAt);
    const window = windows.get(pot.id) ?? null;
    return {
      pot,
      wants: consistencyWanted(design, pot),
      tasks: list,
      readyAt: readyAt.get(pot.id)!,
      pourAt,
      pouredAt,
      workedUntil: until,
      window,
      verdict: verdictOf(window, pourAt, until),
      top: tops.get(pot.id) ?? null,
      pace: paces.get(pot.id)!,
    };
  };
  const body = stages.flatMap((s) => s.pots);
  return {
    pots: plan.pots.map(step),
    pours: [...body, ...top].map((p) => p.id),
    broughtForward: stages.flatMap(({ pots, planned }) =>
      pots.filter((p, i) => planned.indexOf(p) > i && closes(p) < closes(planned[i]!)),
    ),
    mould,
  };
}

/** A window that begins to run later. */
const later = (window: PotStep['window'], by: number): PotStep['window'] =>
  window && [window[0] + by, window[1] + by];

/** A stage in the order in which its pots are poured, with what is done between them and after. */
interface StageWork {
  readonly layer: PourStage['layer'];
  readonly pots: readonly Pot[];
  /** The same in the order of the plan. */
  readonly planned: readonly Pot[];
  readonly between: Hand | undefined;
  readonly after: readonly Hand[];
}

function workOf({ pots, techniques, technique, layer }: PourStage, closes: (pot: Pot) => number): StageWork {
  const works = handworkOf(techniques);
  return {
    layer,
    planned: pots,
    pots:
      technique?.touching === 'all'
        ? // Whole minutes: pots as good as alike keep the order of the plan.
          [...pots].sort((a, b) => Math.round(closes(a)) - Math.round(closes(b)))
        : pots,
    between: works.find((w) => w.between)?.between,
    // What is done through the whole body waits until all of it is poured.
    after: layer ? works.flatMap((w) => w.after ?? []) : [],
  };
}

const handworkOf = (techniques: readonly string[]): readonly Handwork[] =>
  techniques.flatMap((id) => HANDWORK[id] ?? []);

const minutesOf = (hands: readonly Hand[]): number => hands.reduce((sum, h) => sum + h.minutes, 0);

/** What is done before something is poured onto a layer of its own, or such a layer onto something. */
const boundaryHand = ({ body, layers }: Design): Hand | undefined =>
  layers.length === 0
    ? undefined
    : (handworkOf(body).find((w) => w.between)?.between ?? HANDWORK.layers!.between);

/** What is done once all of the body is in the mould, embeds that the plan sets into it too. */
function inMould(plan: Plan, { body }: Design): readonly Hand[] {
  const after = handworkOf(body).flatMap((w) => w.after ?? []);
  const inside = plan.embeds.some((e) => !e.onTop && (e.pieces ?? e.perBar) > 0);
  const sets = HANDWORK.embeds!.after!;
  return inside && !after.includes(sets) ? [...after, sets] : after;
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

/** What is laid or sieved on the top at the end, where it harms nothing that it sets. */
function onTop(plan: Plan): Hand | undefined {
  const embeds = plan.embeds.some((e) => e.onTop && (e.pieces ?? e.perBar) > 0);
  return embeds ? { name: 'place the embeds on top', minutes: 3 } : undefined;
}
