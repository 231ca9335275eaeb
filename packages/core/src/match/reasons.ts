import { deltaE00 } from '../colour/deltaE00.ts';
import { type LabD65 } from '../colour/lab.ts';
import { plainPrinter, type Printer, printerFor } from '../units/printer.ts';
import { type Candidate } from './candidates.ts';
import { createPotMixer, type Judged, polishDoses } from './judge.ts';
import { createLimits, type Limits } from './limits.ts';
import { GOOD_MATCH, type MatchProblem, ROUNDING_TOLD } from './problem.ts';
import { type Solver } from './solver.ts';

export const NOTHING_ALLOWED = 'Nothing on the shelf is allowed: loosen the limits or mark what is in stock.';

/** No recipe holds what every recipe must. */
export const CANNOT_HOLD =
  'What every recipe must hold leaves no recipe: it is over a limit, or too little of it can be measured.';

/** Lab units by which a target must be beyond the nearest before a reason names that direction. */
const BEYOND = 2;
/** What brings the recipe nearer by less than this is no remedy. */
const HELPS = 0.5;
/** A limit counts as reached from this share of it on, and is tried beyond by this much. */
const REACHED = 0.95;
const MORE = 1.15;

/** What the reasons look at. */
export interface Miss {
  readonly problem: MatchProblem;
  readonly open: readonly Candidate[];
  readonly limits: Limits;
  readonly solver: Solver;
  /** ΔE00 of the nearest recipe that can be measured. */
  readonly measured: number;
  /** The nearest without rounding. */
  readonly reach: Judged;
}

/**
 * Why the closest recipe is no match, in plain sentences with what would help; empty when it is one. Ids of materials
 * stand in braces: they are put into words by whoever knows the names.
 */
export function explainMiss(miss: Miss): string[] {
  const { problem, measured, reach } = miss;
  const print = problem.units ? printerFor(problem.units) : plainPrinter;
  const number = (v: number): string => print.number(v, 1);
  const out: string[] = [];
  if (measured > GOOD_MATCH) out.push(`The nearest within reach is ΔE ${number(measured)} away.`);
  if (problem.resolution && measured - reach.deltaE >= ROUNDING_TOLD)
    out.push(tooCoarse(problem.resolution, reach.deltaE, print));
  if (reach.deltaE <= GOOD_MATCH) return out;
  return [...out, ...directions(miss, print), ...reachedLimits(miss, print), ...remedies(miss, number)];
}

function tooCoarse(
  { measuring }: NonNullable<MatchProblem['resolution']>,
  unrounded: number,
  print: Printer,
): string {
  const grams = (v: number): string => `${print.number(v, 2)} g`;
  const spoons = measuring.by === 'spoons';
  const what = spoons ? 'The spoons are' : `${grams(measuring.scaleDivision)} is`;
  const finer = spoons
    ? 'a scale, '
    : measuring.scaleDivision > 0.01
      ? `a ${grams(measuring.scaleDivision > 0.1 ? 0.1 : 0.01)} scale, `
      : '';
  return `${what} too coarse for this pot: unrounded it would be within ΔE ${print.number(Math.max(0.1, unrounded), 1)}. A larger pot, ${finer}or a stock dispersion 1:10 would help.`;
}

const chroma = ([, a, b]: LabD65): number => Math.hypot(a, b);

/** In which direction the target lies beyond what can be had. */
function directions({ problem, open, limits, reach }: Miss, print: Printer): string[] {
  const { target, canvas, stage } = problem;
  const mixer = createPotMixer(problem, open, stage);
  const bare = createPotMixer({ canvas }, open, stage).lab([], []);
  const out: string[] = [];
  if (chroma(target) < 12 && target[0] > 80 && reach.lab[2] > target[2] + BEYOND) {
    out.push(
      bare[2] > target[2] + BEYOND
        ? `The base is too yellow for that white: bare it reads b* ${print.number(bare[2], 1)}, wanted is ${print.number(target[2], 1)}. Paler oils${stage.gel > 0.5 ? ', or no gel,' : ''} would help.`
        : 'The colourants allowed are too yellow for that white.',
    );
  } else if (chroma(target) > chroma(reach.lab) + BEYOND) {
    out.push(
      `Nothing allowed is that vivid in this hue: chroma ${print.number(chroma(reach.lab), 0)} against ${print.number(chroma(target), 0)}.`,
    );
  }
  const singles = open.map((_, i) => {
    const dose = limits.room(open[i]!);
    return mixer.lab([i], [dose * limits.share([i], [dose])])[0];
  });
  const wanted = print.number(target[0], 0);
  if (target[0] > reach.lab[0] + BEYOND) {
    const lightest = Math.max(mixer.lab([], [])[0], reach.lab[0], ...singles);
    out.push(
      target[0] > lightest + BEYOND
        ? `It is lighter than can be made here: L* ${print.number(lightest, 0)} against ${wanted}.`
        : `As light as that, nothing allowed keeps this hue: L* ${print.number(reach.lab[0], 0)} against ${wanted}.`,
    );
  }
  if (target[0] < reach.lab[0] - BEYOND) {
    const darkest = Math.min(reach.lab[0], ...singles);
    out.push(
      target[0] < darkest - BEYOND
        ? `It is darker than can be made here: L* ${print.number(darkest, 0)} against ${wanted}.`
        : `As dark as that, nothing allowed keeps this hue: L* ${print.number(reach.lab[0], 0)} against ${wanted}.`,
    );
  }
  return out;
}

/** Limits that hold the nearest recipe back: reached, and a little beyond them it would be nearer. */
function reachedLimits({ problem, open, limits, reach }: Miss, print: Printer): string[] {
  const { target, given = [], totalCeiling, carrierCeiling } = problem;
  const mixer = createPotMixer(problem, open, problem.stage);
  const ids = reach.parts.map((p) => p.index);
  const doses = reach.parts.map((p) => p.dose);
  const helps = (more: readonly number[]): boolean =>
    deltaE00(mixer.lab(ids, more), target) < reach.deltaE - 0.02;
  const out: string[] = [];
  ids.forEach((i, n) => {
    const c = open[i]!;
    if (doses[n]! < REACHED * limits.room(c) || !helps(doses.with(n, doses[n]! * MORE))) return;
    const there = given.some((g) => g.group === c.group) ? ', with what is in the pot already' : '';
    out.push(`The ceiling of {${c.id}} is reached${there}: a stronger colourant of its hue would help.`);
  });
  const stuck = problem.candidates.filter((c) => !open.some((o) => o.id === c.id));
  const all = [...open, ...stuck];
  const wider = createPotMixer(problem, all, problem.stage);
  for (const c of stuck) {
    const lab = wider.lab([...ids, all.indexOf(c)], [...doses, c.ceiling * (MORE - 1)]);
    if (deltaE00(lab, target) < reach.deltaE - HELPS)
      out.push(`The ceiling of {${c.id}} is reached by what is in the pot already.`);
  }
  if (limits.solids(ids, doses) >= REACHED * totalCeiling && helps(doses.map((d) => d * MORE)))
    out.push(
      `The most powder a pot should carry is reached: ${print.number(totalCeiling, 0)} g/kg oils. Stronger colourants would help.`,
    );
  if (limits.carrier(ids, doses) >= REACHED * carrierCeiling && helps(doses.map((d) => d * MORE)))
    out.push(
      `The oil that disperses it is at ${print.number(carrierCeiling / 10, 0)} % of the pot’s oils: what disperses in water would help.`,
    );
  return out;
}

/** What else would bring it nearer: another colourant, gel or none. */
function remedies({ problem, open, solver, reach }: Miss, number: (v: number) => string): string[] {
  const out: string[] = [];
  const ids = reach.parts.map((p) => p.index);
  if (ids.length >= problem.most && problem.most < 4 && ids.length > 0) {
    let best = reach.deltaE;
    for (let i = 0; i < open.length; i++) {
      if (ids.includes(i)) continue;
      const { cost } = solver.solve([...ids, i], [...ids.map(() => 0.4), 0.2]);
      best = Math.min(best, Math.sqrt(cost));
    }
    if (best < reach.deltaE - HELPS)
      out.push(
        `With ${problem.most + 1} colourants it would come within about ΔE ${number(Math.max(best, 0.1))}.`,
      );
  }
  const { stage } = problem;
  const other = { ...problem, stage: { ...stage, gel: stage.gel > 0.5 ? 0 : 1 } };
  const otherwise = polishDoses(
    other,
    open,
    createLimits(other, open),
    ids,
    reach.parts.map((p) => p.dose),
  );
  if (otherwise.deltaE < reach.deltaE - HELPS)
    out.push(
      `${stage.gel > 0.5 ? 'Without gel' : 'With full gel'} it would come within ΔE ${number(otherwise.deltaE)}.`,
    );
  return out;
}
