import { deltaE00, labD65FromReflectance } from '@kleur/core/colour';
import { type FitProblem, type FitReading, fitReadings, type FitResult } from '@kleur/core/fit';
import {
  FIRST_SOAP,
  type Mixture,
  SECOND_SOAP,
  type Scheme,
  SoapTrial,
} from '../packages/core/dist/testing/soap/index.js';
import { report, type Row } from './report.ts';

/** How near a fit comes to mixtures it never saw, on two simulated soaps, and how long it takes. */
const HELD_OUT = 300;
const at = (values: readonly number[], q: number): number =>
  values.toSorted((a, b) => a - b)[Math.floor(q * values.length)]!;
const spread = (values: readonly number[]): string =>
  `${at(values, 0.5).toFixed(2)} / ${at(values, 0.95).toFixed(2)}`;

/** A bar that is looked at and moves nothing: read as well as the others, believed not at all. */
const watched = (trial: SoapTrial, mixture: Mixture): FitReading => {
  const read = trial.read(mixture);
  const lab = 'spectrum' in read.seen ? labD65FromReflectance(read.seen.spectrum) : read.seen.lab;
  return { ...read, seen: { lab, doubt: 1e5 } };
};
const missesOf = (result: FitResult, from: number) => result.readings.slice(from);

function accuracy(soap: typeof FIRST_SOAP, scheme: Scheme, as: 'spectrum' | 'lab', aged = false) {
  const trial = new SoapTrial(soap);
  const bars = trial.bars(scheme, as);
  const mixtures = trial.mixtures(HELD_OUT, soap.seed + 17);
  if (aged) {
    // The same tints at other ages, and bare bars with scent over time.
    for (const gel of [0, 1] as const)
      for (const hours of [48, 336, 1008, 4000])
        for (const vanillin of [0, 1.5, 4]) bars.push(trial.read({ parts: [], gel, hours, vanillin }, as));
    for (const material of trial.shelf)
      for (const hours of [48, 2500])
        bars.push(trial.read({ parts: [{ material, dose: material.typical }], gel: 1, hours }, as));
  }
  const old = (m: Mixture, i: number): Mixture =>
    aged ? { ...m, hours: [48, 336, 1008, 3000][i % 4]!, vanillin: [0, 0, 1, 3][(i >> 2) % 4]! } : m;
  const held = mixtures.map((m, i) => watched(trial, old(m, i)));
  const result = fitReadings({ materials: trial.materials, readings: [...bars, ...held] });
  const seen = missesOf(result, bars.length);
  const noise = seen.map((r, i) =>
    deltaE00(r.seen, labD65FromReflectance(trial.truth(old(mixtures[i]!, i)))),
  );
  return {
    after: seen.map((r) => r.missAfter),
    before: seen.map((r) => r.missBefore),
    noise,
  };
}

const GOALS: readonly (readonly [
  what: string,
  scheme: Scheme,
  as: 'spectrum' | 'lab',
  aged: boolean,
  median: number,
  p95: number,
])[] = [
  ['four bars, spectra', 'four', 'spectrum', false, 0.7, 2.2],
  ['two bars, spectra', 'two', 'spectrum', false, 1.2, 3.5],
  ['one bar, spectra', 'one', 'spectrum', false, 2, 6],
  ['four bars, Lab only', 'four', 'lab', false, 1.5, 4],
  ['four bars, spectra, of any age and scented', 'four', 'spectrum', true, 1.2, 4],
];
const rows: Row[] = [];
for (const [what, scheme, as, aged, median, p95] of GOALS) {
  const found = [FIRST_SOAP, SECOND_SOAP].map((soap) => accuracy(soap, scheme, as, aged));
  rows.push({
    what: `Mixtures unseen, ΔE00 median / p95, ${what}: first soap · second soap`,
    measured: `${found.map((f) => spread(f.after)).join(' · ')} (labels ${spread(found[0]!.before)}, noise ${spread(found[0]!.noise)})`,
    goal: `≤ ${median} / ${p95}`,
    met: found.every((f) => at(f.after, 0.5) <= median && at(f.after, 0.95) <= p95),
  });
}

/** Forty colourants of three shelves, each with its bars. */
function large(as: 'spectrum' | 'lab', count: number): FitProblem {
  const shelves = [1, 2, 3].map((n) => new SoapTrial({ ...FIRST_SOAP, seed: FIRST_SOAP.seed + n }));
  const named = <T extends { readonly id: string }>(x: T, n: number): T => ({ ...x, id: `${n}-${x.id}` });
  const materials = shelves.flatMap((t, n) => t.materials.map((m) => named(m, n))).slice(0, 40);
  const known = new Set(materials.map((m) => m.id));
  const readings = shelves
    .flatMap((t, n) =>
      t.bars('four', as).map((r) => ({ ...named(r, n), parts: r.parts.map((p) => named(p, n)) })),
    )
    .filter((r) => r.parts.every((p) => known.has(p.id)));
  const more = Array.from({ length: Math.max(0, count - readings.length) }, (_, i) => ({
    ...readings[i]!,
    id: `more-${i}`,
  }));
  return { materials, readings: [...readings, ...more].slice(0, count) };
}
function seconds(problem: FitProblem): number {
  const from = performance.now();
  fitReadings(problem);
  return (performance.now() - from) / 1000;
}
for (const [as, count, goal] of [
  ['spectrum', 400, 4],
  ['lab', 100, 2],
] as const) {
  const problem = large(as, count);
  const best = Math.min(...[1, 2, 3].map(() => seconds(problem)));
  rows.push({
    what: `Fit of ${problem.materials.length} colourants from ${count} ${as === 'lab' ? 'Lab readings' : 'spectra'}, best of 3`,
    measured: `${best.toFixed(2)} s`,
    goal: `≤ ${goal} s`,
    met: best <= goal,
  });
}
report(rows);
