import { type LabD65 } from '@kleur/core/colour';
import {
  anything,
  type Candidate,
  candidatesOf,
  matchColour,
  type MatchProblem,
  POT_LIMITS,
} from '@kleur/core/match';
import { startingShelf } from '@kleur/core/material/catalogue';
import { createMixer, cured, referenceCanvas } from '@kleur/core/pigment';
import { grams } from '@kleur/core/units';
import { exhaustiveBest, exhaustiveMeasurable } from '../packages/core/dist/testing/exhaustiveMatch.js';
import { tenthGramScale } from '../packages/core/dist/testing/plans.js';
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

/** Oils of the pots that are matched for, g, on a 0.1 g scale. */
const POT_OILS = 150;

const problem = (
  target: LabD65,
  candidates: readonly Candidate[],
  potOils: number | null = POT_OILS,
): MatchProblem => ({
  target,
  stage,
  canvas: referenceCanvas,
  candidates,
  most: 3,
  ...POT_LIMITS,
  resolution: potOils === null ? null : { potOils: grams(potOils), measuring: tenthGramScale },
});

/** ΔE00 of the nearest recipe. */
const nearest = (p: MatchProblem): number => Math.min(...matchColour(p).recipes.map((r) => r.deltaE));

const at = (sorted: readonly number[], share: number): number =>
  sorted[Math.min(sorted.length - 1, Math.floor(sorted.length * share))]!;

function time(shelf: readonly Candidate[], wanted: readonly LabD65[]): { median: number; p95: number } {
  for (const t of wanted.slice(0, 10)) matchColour(problem(t, shelf));
  const times = wanted
    .map((t) => {
      const from = performance.now();
      matchColour(problem(t, shelf));
      return performance.now() - from;
    })
    .toSorted((a, b) => a - b);
  return { median: at(times, 0.5), p95: at(times, 0.95) };
}

/** How far the unrounded search is from trying every subset, ΔE00, ascending. */
const regrets = (shelf: readonly Candidate[], wanted: readonly LabD65[]): number[] =>
  wanted
    // The twin knows of no limits but the ceilings.
    .map((t) => {
      const unlimited = { ...problem(t, shelf, null), totalCeiling: Infinity, carrierCeiling: Infinity };
      return nearest(unlimited) - exhaustiveBest(referenceCanvas, shelf, stage, t, 3);
    })
    .toSorted((a, b) => a - b);

/** How far the measurable recipe is from every measurable one, for pale targets in small pots, ΔE00, ascending. */
function roundingRegrets(shelf: readonly Candidate[], count: number): number[] {
  return Array.from({ length: count }, () => {
    const potOils = 60 + random() * 190;
    const hue = random() * 2 * Math.PI;
    const chroma = 4 + random() * 20;
    const target: LabD65 = [76 + random() * 16, chroma * Math.cos(hue), chroma * Math.sin(hue)];
    const best = exhaustiveMeasurable(referenceCanvas, shelf, stage, target, 3, { potOils, division: 0.1 });
    return nearest(problem(target, shelf, potOils)) - best;
  }).toSorted((a, b) => a - b);
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
const regretSmall = regrets(small, wantedSmall);
const regretLarge = regrets(large, wantedLarge.slice(0, 10));
const within = (list: readonly number[], most: number): number =>
  (100 * list.filter((r) => r <= most).length) / list.length;
const rounding = roundingRegrets(
  [
    'titanium-dioxide-oil',
    'red-iron-oxide',
    'yellow-iron-oxide',
    'brown-iron-oxide',
    'chromium-oxide-green',
    'ultramarine-blue',
    'ultramarine-violet',
    'mica-ribbon',
    'mica-dome',
    'mica-lido',
    'rose-clay',
    'activated-charcoal',
  ].map((id) => all.find((c) => c.id === id)!),
  100,
);

const spread = ({ median, p95 }: { readonly median: number; readonly p95: number }): string =>
  `${median.toFixed(1)} ms, p95 ${p95.toFixed(1)} ms`;

report([
  {
    what: `Palette of six matched pots from ${large.length}, median of 6`,
    measured: `${sixPots.toFixed(0)} ms`,
    goal: '≤ 500 ms',
    met: sixPots <= 500,
  },
  {
    what: 'Match with rounding, ≤ 3 colourants from 15, median of 200',
    measured: spread(fast),
    goal: '≤ 10 ms',
    met: fast.median <= 10,
  },
  {
    what: `Match with rounding, ≤ 3 colourants from ${large.length}, median of 60`,
    measured: spread(wide),
    goal: '≤ 60 ms',
    met: wide.median <= 60,
  },
  ...(
    [
      ['200 targets, from 15', regretSmall],
      [`10 targets, from ${large.length}`, regretLarge],
    ] as const
  ).map(([of, list]) => ({
    what: `Unrounded regret against exhaustive, p95, ${of}`,
    measured: at(list, 0.95).toFixed(3),
    goal: '≤ 0.02',
    met: at(list, 0.95) <= 0.02,
  })),
  {
    what: 'Rounding: within ΔE00 0.5 of every measurable recipe, 100 pale targets, 60–250 g of oils',
    measured: `${within(rounding, 0.5).toFixed(0)} %`,
    goal: '≥ 95 %',
    met: within(rounding, 0.5) >= 95,
  },
  ...([0.5, 0.9, 0.95, 1] as const).map((share) => ({
    what: `Rounding regret, ${share === 1 ? 'worst' : `${share * 100} %`}`,
    measured: at(rounding, share).toFixed(2),
    goal: share === 0.95 ? '≤ 0.5' : '–',
    met: share !== 0.95 || at(rounding, share) <= 0.5,
  })),
]);
