import { type Flow } from '../balance/flow.ts';
import { type Mould } from '../plan/moulding.ts';
import { type Move, newMove } from '../plan/day.ts';
import { type Plan, type Pot } from '../plan/plan.ts';
import { type PourStage, pourStages } from './design.ts';
import { type Sitting, sittingsOf } from './sittings.ts';

/** The moves of one sitting, in their order. */
export interface SittingMoves extends Sitting {
  readonly moves: readonly Move[];
}

/** Above what lies there, mm: so low that it stays on top, and so high that it sinks. */
export const POUR_HEIGHT = { low: 20, high: 250 } as const;

/** How many times swirled pots come in turn. */
const ROUNDS = 3;

/** Less than this part of a pot is not worth a pour. */
const NO_PART = 0.004;

interface Writing {
  readonly plan: Plan;
  readonly flow: Flow;
  /** Names a further move of a stage. */
  readonly next: (kind: Move['kind'], rest: Partial<Move>) => Move;
}

type Writer = (writing: Writing, pots: readonly Pot[]) => Move[];

/** Each pot once, all of it. */
const eachWhole =
  (how: Partial<Move>): Writer =>
  ({ next }, pots) =>
    pots.map((p) => next('pour', { potId: p.id, part: 1, ...how }));

/** Each pot in turn, a part of it at a time. */
const inRounds =
  (how: Partial<Move>, rounds = ROUNDS): Writer =>
  ({ next }, pots) =>
    Array.from({ length: rounds }).flatMap(() =>
      pots.map((p) => next('pour', { potId: p.id, part: 1 / rounds, ...how })),
    );

const ALONG = { tool: 'jug', place: 'length', height: POUR_HEIGHT.low } as const;
const OFF_SPATULA = { ...ALONG, tool: 'spatula' } as const;

const layers: Writer = ({ next }, pots) =>
  pots.flatMap((p, i) => [
    ...(i > 0 ? [next('wait', { text: 'the layer below carries: a spoon laid on it does not sink' })] : []),
    next('pour', { potId: p.id, part: 1, ...OFF_SPATULA }),
  ]);

const massOf = (flow: Flow, pots: readonly Pot[]): number =>
  flow.pots.filter((p) => pots.some((q) => q.id === p.pot.id)).reduce((sum, p) => sum + p.toMould, 0);

/** The pot that brings most; the first of those that bring as much. */
const largestOf = (flow: Flow, pots: readonly Pot[]): Pot =>
  pots.reduce((most, p) => (massOf(flow, [p]) > massOf(flow, [most]) + 1e-9 ? p : most));

/** Slanted on a raised side; the last pot fills up to level. */
const slanted: Writer = ({ plan, flow, next }, pots) => {
  const sloped = pots.slice(0, -1);
  const mould = plan.moulding.moulds.find(({ mould: m }) => m.shape === 'box' || m.shape === 'slab')?.mould;
  const boxes = plan.moulding.moulds.reduce((sum, m) => sum + m.count, 0);
  const raised =
    mould && sloped.length > 0 && flow.density > 0
      ? raiseFor(mould, massOf(flow, sloped) / flow.density / boxes)
      : 0;
  if (sloped.length === 0) return eachWhole(OFF_SPATULA)({ plan, flow, next }, pots);
  return [
    next('prop', { side: 'long', height: raised }),
    ...sloped.map((p) => next('pour', { potId: p.id, part: 1, tool: 'jug', place: 'wall', height: 20 })),
    next('wait', { text: 'the slant holds: tilted a little, nothing moves' }),
    next('prop', { side: 'flat' }),
    ...pots.slice(-1).map((p) => next('pour', { potId: p.id, part: 1, ...OFF_SPATULA })),
  ];
};

/**
 * How far the long side of a mould is raised for a volume to lie in it as a wedge: as steep as it gets without
 * flowing over the low side’s filling line.
 * @param volume in ml, of one mould
 * @returns mm, 0 where there is nothing to lie there
 */
export function raiseFor({ length, width, height }: Mould, volume: number): number {
  if (!(length > 0 && width > 0 && height > 0 && volume > 0)) return 0;
  // Cross-section of the batter, as a triangle on the ground and the low wall, or one that is cut off at the high wall.
  const section = (volume * 1000) / length;
  const deep = Math.min(height, (2 * section) / width);
  const shallow = Math.max(0, (2 * section) / width - height);
  const slope = Math.atan((deep - shallow) / width);
  return width * Math.sin(slope);
}

const WRITERS: Readonly<Record<string, Writer>> = {
  layers,
  ombre: layers,
  'powder-line': layers,
  'slanted-layers': slanted,
  stamped: eachWhole(ALONG),
  embeds: eachWhole(ALONG),
  hanger: eachWhole(ALONG),
  drops: (writing, pots) => {
    const { next, flow } = writing;
    const ground = largestOf(flow, pots);
    const others = pots.filter((p) => p !== ground);
    const half = (): Move => next('pour', { potId: ground.id, part: 0.5, ...ALONG });
    const drops = { tool: 'jug', place: 'spots', at: 5, height: POUR_HEIGHT.high } as const;
    return others.length === 0
      ? eachWhole(ALONG)(writing, pots)
      : [half(), ...inRounds(drops, 1)(writing, others), half()];
  },
  'in-the-pot': (writing, pots) => {
    const { next, flow } = writing;
    const ground = largestOf(flow, pots);
    const others = pots.filter((p) => p !== ground);
    return [
      ...others.map((p) =>
        next('pour', {
          potId: p.id,
          part: 1,
          tool: 'jug',
          place: 'jug',
          into: ground.id,
          at: 3,
          height: POUR_HEIGHT.high,
        }),
      ),
      ...(others.length > 0
        ? [next('stroke', { tool: 'stick', text: 'once or twice round the jug, no more', passes: 1 })]
        : []),
      next('pour', { potId: ground.id, part: 1, ...ALONG }),
    ];
  },
  funnel: inRounds({ tool: 'funnel', place: 'middle', height: POUR_HEIGHT.high }),
  'wall-pour': inRounds({ tool: 'jug', place: 'wall', height: 100 }),
  'divided-comb': ({ next }, pots) =>
    pots.map((p, i) => {
      const section = p.draws.find((d) => d.by === 'section')?.value ?? i + 1;
      return next('pour', {
        potId: p.id,
        part: 1,
        tool: 'jug',
        place: 'section',
        at: Math.round(section),
        height: POUR_HEIGHT.low,
      });
    }),
  serpentine: inRounds({ ...ALONG, text: 'in stripes beside each other, back and forth' }),
  blobs: inRounds({ tool: 'spoon', place: 'spots', at: 6, height: POUR_HEIGHT.low }),
};

/** What is drawn through all that a technique has brought into the mould. */
const STROKES: Readonly<Record<string, readonly Partial<Move>[]>> = {
  hanger: [
    {
      tool: 'hanger',
      text: 'down one wall, across the bottom, up the other; a finger’s width further each time',
      passes: 3,
    },
  ],
  'divided-comb': [
    { tool: '', text: 'pull the dividers straight up and scrape them off' },
    { tool: 'comb', text: 'along the slab, then across it', passes: 2 },
  ],
  serpentine: [{ tool: 'stick', text: 'across the stripes, back and forth', passes: 1 }],
};

/** A stage as its first technique pours it, then what is drawn through it by all of them. */
function stageMoves(stage: PourStage, at: number, plan: Plan, flow: Flow): Move[] {
  let n = 0;
  const next: Writing['next'] = (kind, rest) => newMove({ id: `w${at}-${n++}`, kind, ...rest });
  const write = stage.techniques.map((id) => WRITERS[id]).find((w) => w !== undefined) ?? eachWhole(ALONG);
  return [
    ...write({ plan, flow, next }, stage.pots),
    ...stage.techniques.flatMap((id) => (STROKES[id] ?? []).map((s) => next('stroke', s))),
  ];
}

/**
 * The pour as moves, sitting by sitting: written by hand, or by the techniques of the design. What moves written by hand
 * leave in a jug is poured at the end.
 * @param pours ids of the pots in the order in which they are poured
 */
export function pourScript(plan: Plan, flow: Flow, pours: readonly string[]): SittingMoves[] {
  const place = (pot: Pot): number => (pours.includes(pot.id) ? pours.indexOf(pot.id) : pours.length);
  const brought = (pot: Pot): boolean =>
    pot.place === 'mould' && (flow.pots.find((p) => p.pot.id === pot.id)?.toMould ?? 0) > 0;
  const { moves, free } = plan.work.pour;
  return sittingsOf(plan).map((sitting, at) => {
    const pots = sitting.pots.filter(brought).toSorted((a, b) => place(a) - place(b));
    if (free) return { ...sitting, moves: pots.map((p) => whole(p, `f-${p.id}`)) };
    if (moves) return { ...sitting, moves: ownMoves(moves, pots, at === 0) };
    const stages = pourStages(plan.idea.design, pots);
    return {
      ...sitting,
      moves: stages.flatMap((s, i) => stageMoves(s, 100 * at + i, plan, flow)),
    };
  });
}

const whole = (pot: Pot, id: string, part = 1): Move => newMove({ id, kind: 'pour', potId: pot.id, part });

/** Those of the moves by hand that belong to these pots; what comes before any pour belongs to the first sitting. */
function ownMoves(moves: readonly Move[], pots: readonly Pot[], isFirst: boolean): Move[] {
  const mine: Move[] = [];
  let here = isFirst;
  for (const m of moves) {
    if (m.kind === 'pour') here = pots.some((p) => p.id === m.potId);
    if (here) mine.push(m);
  }
  const rests = pots.flatMap((p) => {
    const left = 1 - partsOf(moves, p.id);
    return left > NO_PART ? [whole(p, `rest-${p.id}`, left)] : [];
  });
  return [...mine, ...rests];
}

/** How much of a pot the moves pour, as a part of what it brings. */
export const partsOf = (moves: readonly Move[], potId: string): number =>
  moves.filter((m) => m.kind === 'pour' && m.potId === potId).reduce((sum, m) => sum + m.part, 0);

/** One move with what it weighs. */
export interface Poured {
  readonly move: Move;
  /** g; 0 for what pours nothing. */
  readonly mass: number;
  /** In the moulds after it, g, the embeds not counted. */
  readonly inMould: number;
  /** In the jug before it, what was poured into it included, g. */
  readonly inJug: number;
}

/** Moves with their weights: a jug into which others were poured brings their batter too. */
export function weighMoves(moves: readonly Move[], flow: Flow): Poured[] {
  const brings = new Map(flow.pots.map((p) => [p.pot.id, p.toMould]));
  const left = new Map(brings);
  let inMould = 0;
  return moves.map((move): Poured => {
    if (move.kind !== 'pour' || move.potId === null) return { move, mass: 0, inMould, inJug: 0 };
    const inJug = left.get(move.potId) ?? 0;
    const mass = Math.min(inJug, move.part * (brings.get(move.potId) ?? 0));
    left.set(move.potId, inJug - mass);
    if (move.place === 'jug' && move.into !== null) {
      left.set(move.into, (left.get(move.into) ?? 0) + mass);
      brings.set(move.into, (brings.get(move.into) ?? 0) + mass);
    } else inMould += mass;
    return { move, mass, inMould, inJug };
  });
}
