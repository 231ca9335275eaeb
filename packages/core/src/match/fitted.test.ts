import { deltaE00 } from '../colour/deltaE00.ts';
import { type LabD65 } from '../colour/lab.ts';
import { localMetric } from '../colour/metric.ts';
import { type Canvas, type FittedBase, referenceCanvas } from '../pigment/canvas.ts';
import { createMixer, predictLab } from '../pigment/mixer.ts';
import { type FittedTerms, type Optics } from '../pigment/optics.ts';
import { cured } from '../pigment/stage.ts';
import { seededRandom } from '../numerics/random.ts';
import { shelfItem } from '../testing/plans.ts';
import { type Candidate } from './candidates.ts';
import { createSolver } from './solver.ts';

/** A base and colourants as bars might have told them. */
const base: FittedBase = {
  kUngelled: Array.from({ length: 36 }, (_, b) => 0.05 * Math.exp(-b / 6) + 0.003),
  kGelled: Array.from({ length: 36 }, (_, b) => 0.08 * Math.exp(-b / 6) + 0.005),
  gelScatter: Array.from({ length: 36 }, (_, b) => 0.6 - b * 0.002),
  inner: 0.5,
  load: 0.006,
  young: { absorbs: 0.1, scatters: 0.05 },
  browns: 1.1,
  gloss: [0.006, 0.012],
};
const canvas: Canvas = { ...referenceCanvas, base };
const told = (id: string, saturation: number | null, terms: Partial<FittedTerms>): Candidate => {
  const m = shelfItem(id);
  const optics: Optics = {
    ...m.optics!,
    saturation,
    terms: { scatterSaturation: null, quench: null, sheen: null, ...terms },
  };
  return { ...candidate(id), optics };
};
const candidate = (id: string): Candidate => {
  const m = shelfItem(id);
  return {
    id,
    optics: m.optics!,
    ceiling: m.window!.ceiling,
  } as unknown as Candidate;
};
const shelf = [
  told('ultramarine-blue', 40, { scatterSaturation: 15 }),
  told('red-iron-oxide', null, { scatterSaturation: 25 }),
  told('titanium-dioxide-oil', 60, { scatterSaturation: 20 }),
  told('mica-dome', 50, { sheen: { share: 0.06, dose: 8 } }),
  told('neon-pink', null, { quench: 12 }),
];

it.each([
  ['plain colourants', [0, 1, 2]],
  ['plates that mirror', [0, 2, 3]],
  ['a colour that glows under the surface', [1, 2, 4]],
])('finds the doses that made a colour, with %s', (_, ids) => {
  const random = seededRandom(3);
  for (let n = 0; n < 6; n++) {
    const doses = ids.map((i) => shelf[i]!.ceiling * (0.1 + 0.5 * random()));
    const mixer = createMixer(
      canvas,
      ids.map((i) => shelf[i]!.optics),
      cured(1),
    );
    const labOf = (d: readonly number[]): LabD65 => Array.from(mixer.lab(d)) as unknown as LabD65;
    const target = labOf(doses);
    const solver = createSolver(canvas, shelf, cured(1), target);
    const starts = [0.3, 0.5, 0.7].map((v) => solver.solve(ids, [v, v, v], 40));
    const best = starts.sort((a, b) => a.cost - b.cost)[0]!;
    // Three numbers, three doses: what it found must look the same through the mixer, not only through its own tables.
    expect(deltaE00(labOf(solver.dosesOf(best)), target)).toBeLessThan(0.15);
  }
});

it('looks at a recipe as a prediction does, whatever glows, mirrors or lies in specks', () => {
  const random = seededRandom(8);
  const given = [
    { id: 'poppy-seed', optics: shelfItem('poppy-seed').optics!, dose: 6 },
    { id: 'mica-dome', optics: shelf[3]!.optics, dose: 4 },
    { id: 'mica-dome', optics: shelf[3]!.optics, dose: 1 },
  ];
  const all = [...shelf, candidate('neon-yellow')];
  const target: LabD65 = [60, 20, 10];
  const solver = createSolver(canvas, all, cured(0.4), target, given);
  const M = localMetric(target);
  for (const ids of [
    [0, 4],
    [3, 5],
    [1, 3, 4],
    [2, 4, 5],
    [0, 1, 2],
  ]) {
    const v = ids.map(() => 0.1 + 0.8 * random());
    const added = solver.dosesOf({ ids, v });
    const parts = [
      ...ids.map((i, n) => ({
        optics: all[i]!.optics,
        dose: added[n]! + (all[i]!.id === 'mica-dome' ? 5 : 0),
      })),
      ...(ids.includes(3) ? given.slice(0, 1) : [given[0]!, { ...given[1]!, dose: 5 }]),
    ];
    const [L, a, b] = predictLab(canvas, parts, cured(0.4));
    const off = [L - target[0], a - target[1], b - target[2]];
    const cost = [0, 3, 6].reduce(
      (sum, row) => sum + off.reduce((along, d, i) => along + M[row + i]! * d, 0) ** 2,
      0,
    );
    expect(solver.cost(ids, v)).toBeCloseTo(cost, 6);
  }
});

it('counts what is in the pot already with what is added', () => {
  const ids = [0, 1, 2];
  const mixer = createMixer(
    canvas,
    ids.map((i) => shelf[i]!.optics),
    cured(0),
  );
  const whole = [6, 2, 5];
  const target = Array.from(mixer.lab(whole)) as unknown as LabD65;
  const given = [{ id: 'titanium-dioxide-oil', optics: shelf[2]!.optics, dose: 3 }];
  const solver = createSolver(canvas, shelf, cured(0), target, given);
  const best = solver.solve(ids, [0.4, 0.4, 0.4], 40);
  const [blue, red, white] = solver.dosesOf(best);
  const found = Array.from(mixer.lab([blue!, red!, white! + 3])) as unknown as LabD65;
  expect(deltaE00(found, target)).toBeLessThan(0.15);
});
