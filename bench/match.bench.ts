import { type LabD65 } from '@kleur/core/colour';
import {
  anything,
  type Candidate,
  candidatesOf,
  matchColour,
  type MatchProblem,
  TOTAL_CEILING,
} from '@kleur/core/match';
import { startingShelf } from '@kleur/core/material/catalogue';
import { createMixer, cured, referenceCanvas } from '@kleur/core/pigment';
import { exhaustiveBest } from '../packages/core/dist/testing/exhaustiveMatch.js';
import { report, seeded } from './report.ts';

/** The match: time and nearness to an exhaustive search, from 15 and from 60 materials. */
const stage = cured(0);
const all = candidatesOf(startingShelf(), anything);
const random = seeded(11);
const pick = <T>(list: readonly T[]): T => list[Math.floor(random() * list.length)]!;

/** An even mix of the kinds, as a maker's shelf has it. */
const shelfOf = (size: number): Candidate[] =>
  Array.from({ length: size }, (_, i) => all[Math.floor((i * all.length) / size)]!);

/** Half the targets are colours of random recipes, half are anywhere a bar of soap might be wanted. */
function targets(count: number, shelf: readonly Candidate[]): LabD65[] {
  return Array.from({ length: count }, (_, i): LabD65 => {
    if (i % 2 === 1) return [25 + random() * 68, -45 + random() * 100, -45 + random() * 110];
    const parts = [pick(shelf), pick(shelf), pick(shelf)].slice(0, 1 + Math.floor(random() * 3));
    const mixer = createMixer(
      referenceCanvas,
      parts.map((p) => p.optics),
      stage,
    );
    const [L, a, b] = mixer.lab(parts.map((p) => p.ceiling * random() ** 2));
    return [L!, a!, b!];
  });
}

const problem = (target: LabD65, candidates: readonly Candidate[]): MatchProblem => ({
  target,
  stage,
  canvas: referenceCanvas,
  candidates,
  most: 3,
  totalCeiling: TOTAL_CEILING,
  resolution: null,
});

function time(shelf: readonly Candidate[], wanted: readonly LabD65[]): { median: number; deltas: number[] } {
  for (const t of wanted.slice(0, 10)) matchColour(problem(t, shelf));
  const deltas: number[] = [];
  const times = wanted.map((t) => {
    const from = performance.now();
    deltas.push(matchColour(problem(t, shelf)).recipes[0]!.deltaE);
    return performance.now() - from;
  });
  return { median: times.toSorted((a, b) => a - b)[Math.floor(times.length / 2)]!, deltas };
}

function nearness(shelf: readonly Candidate[], wanted: readonly LabD65[], deltas: readonly number[]): number {
  const near = wanted.filter((t, i) => {
    // What weighs more than a pot should carry is no recipe, so the twin may not win by it.
    const best = exhaustiveBest(referenceCanvas, shelf, stage, t, 3);
    return deltas[i]! <= best + 0.5;
  });
  return near.length / wanted.length;
}

const small = shelfOf(15);
const large = shelfOf(Math.min(60, all.length));
const wantedSmall = targets(200, small);
const wantedLarge = targets(60, large);
const fast = time(small, wantedSmall);
const wide = time(large, wantedLarge);
const palette = wantedLarge.slice(0, 36);
const sixPots = Array.from({ length: 6 }, (_, i) => {
  const from = performance.now();
  for (const t of palette.slice(i * 6, i * 6 + 6)) matchColour(problem(t, large));
  return performance.now() - from;
}).toSorted((a, b) => a - b)[3]!;
const nearSmall = nearness(small, wantedSmall, fast.deltas);
const nearLarge = nearness(large, wantedLarge.slice(0, 10), wide.deltas);

report([
  {
    what: `Palette of six matched pots from ${large.length}, median of 6`,
    measured: `${sixPots.toFixed(0)} ms`,
    goal: '≤ 1500 ms',
    met: sixPots <= 1500,
  },
  {
    what: 'Match, ≤ 3 colourants from 15, median of 200',
    measured: `${fast.median.toFixed(1)} ms`,
    goal: '≤ 15 ms',
    met: fast.median <= 15,
  },
  {
    what: `Match, ≤ 3 colourants from ${large.length}, median of 60`,
    measured: `${wide.median.toFixed(1)} ms`,
    goal: '≤ 80 ms',
    met: wide.median <= 80,
  },
  {
    what: 'Within ΔE00 0.5 of exhaustive, 200 targets, from 15',
    measured: `${(100 * nearSmall).toFixed(1)} %`,
    goal: '≥ 98 %',
    met: nearSmall >= 0.98,
  },
  {
    what: `Within ΔE00 0.5 of exhaustive, 10 targets, from ${large.length}`,
    measured: `${(100 * nearLarge).toFixed(1)} %`,
    goal: '≥ 98 %',
    met: nearLarge >= 0.98,
  },
]);
