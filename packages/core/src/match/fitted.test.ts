import { deltaE00 } from '../colour/deltaE00.ts';
import { type LabD65 } from '../colour/lab.ts';
import { type Canvas, type FittedBase, referenceCanvas } from '../pigment/canvas.ts';
import { createMixer } from '../pigment/mixer.ts';
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
