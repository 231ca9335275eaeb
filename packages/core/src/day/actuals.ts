import { flowOf } from '../balance/balance.ts';
import { COMMON_LYE, type Weighed, type WeighedLye, type WeighedPot } from '../balance/weighed.ts';
import { type Plan } from '../plan/plan.ts';
import { type Measuring } from '../units/measure.ts';
import { prepSheet } from '../work/prep.ts';
import { Bench } from './bench.ts';
import { type Cup, type CupsLeft } from './cups.ts';
import { type LogEntry } from './entry.ts';
import { mergeLogs, standing } from './merge.ts';
import { weighedLyes } from './weighedLine.ts';

/** A batch as it is being made. What nobody has said anything of yet counts as planned. */
export interface Actuals {
  /** The plan with the pots and additions that came up at the bench. */
  readonly plan: Plan;
  readonly weighed: Weighed;
  readonly cups: readonly Cup[];
  readonly left: CupsLeft;
  /** Entries of which nothing could be made, by id: a pot or a cup that is not there. */
  readonly unplaced: ReadonlySet<string>;
}

/**
 * The plan and what was weighed, from a log: `flowOf(plan, weighed)` of the result is the batch as it is. The order in
 * which entries arrive does not matter, nor whether one arrives twice.
 */
export function actualsOf(plan: Plan, measuring: Measuring, log: readonly LogEntry[]): Actuals {
  const entries = standing(mergeLogs(log, []));
  const bench = new Bench(plan, prepSheet(plan, measuring), entries);
  bench.run();
  const lyes = weighedLyes(plan, entries);
  const { plan: made } = bench;
  const weighed = { pots: withScent(made, { pots: bench.weighedPots(), lyes }, bench.scented), lyes };
  return {
    plan: made,
    weighed: { ...weighed, lyes: lessWhatStaysInCups(plan, made, weighed) },
    cups: bench.cups,
    left: bench.left,
    unplaced: bench.unplaced,
  };
}

/** Scent was said as a fraction of what the pot would get. */
function withScent(
  plan: Plan,
  weighed: Required<Weighed>,
  scented: ReadonlyMap<string, number>,
): Readonly<Record<string, WeighedPot>> {
  const { pots } = weighed;
  if (scented.size === 0) return pots;
  const flow = flowOf(plan, weighed);
  const given = flow.pots.flatMap((p) => {
    const part = scented.get(p.pot.id);
    return part === undefined ? [] : [[p.pot.id, { ...pots[p.pot.id], scent: p.scent * part }] as const];
  });
  return { ...pots, ...Object.fromEntries(given) };
}

/** Below this nothing was left in cups, g. */
const NOTHING_LEFT = 1e-6;

/**
 * Oil and liquid that were kept back for cups and stay in them never meet the batter: the lye got as little of them as
 * was planned, however much of the cups was used.
 */
function lessWhatStaysInCups(
  planned: Plan,
  made: Plan,
  weighed: Required<Weighed>,
): Readonly<Record<string, WeighedLye>> {
  const before = flowOf(planned);
  const stays = flowOf(made, weighed).lyes.flatMap((l): (readonly [string, WeighedLye])[] => {
    const was = before.lyes.find((b) => b.potId === l.potId);
    if (!was) return [];
    const oil = was.heldOil - l.heldOil;
    const liquid = was.heldForDispersions - l.heldForDispersions;
    if (Math.abs(oil) < NOTHING_LEFT && Math.abs(liquid) < NOTHING_LEFT) return [];
    const { naoh, koh, rows, carrierOil } = l;
    return [
      [
        l.potId ?? COMMON_LYE,
        {
          ...(Math.abs(oil) >= NOTHING_LEFT && {
            oils: Object.fromEntries(
              rows.map((r) => [r.materialId, r.materialId === carrierOil ? r.mass - oil : r.mass]),
            ),
          }),
          naoh,
          koh,
          liquid: l.liquid - liquid,
        },
      ],
    ];
  });
  return { ...weighed.lyes, ...Object.fromEntries(stays) };
}
