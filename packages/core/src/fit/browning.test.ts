import { buildOptics } from '../pigment/buildOptics.ts';
import { type Canvas, type FittedBase, referenceCanvas } from '../pigment/canvas.ts';
import { createMixer } from '../pigment/mixer.ts';
import { type Stage } from '../pigment/stage.ts';
import { type FitMaterial, fitReadings, type FitReading } from './index.ts';
import { layoutOf } from './layout.ts';
import { baseAt } from './result.ts';

/** The base as it is known, in a soap whose scents brown otherwise. */
const known = ((): FittedBase => {
  const layout = layoutOf({ materials: [], readings: [] });
  return baseAt(layout, new Float64Array(layout.size));
})();
const soap = (browns: number, brownsPace: number): FittedBase => ({ ...known, browns, brownsPace });

const blue: FitMaterial = {
  id: 'blue',
  typical: 4,
  spread: 0.35,
  mirrors: false,
  turns: false,
  optics: buildOptics({ dose: 4, colour: '#5f78b4', scatter: 0.1, emission: null }),
};

function bars(base: FittedBase, hours: readonly number[], stabilised = 0, dose = 0): FitReading[] {
  return [0, 1].flatMap((gel) =>
    [0, 1.2, 3].flatMap((vanillin) =>
      hours.map((h): FitReading => {
        const canvas: Canvas = {
          ...referenceCanvas,
          scent: vanillin === 0 ? null : { vanillin, tan: 0.4, stabilised },
        };
        const stage: Stage = { hours: h, gel };
        return {
          id: `${gel} ${vanillin} ${h}`,
          parts: dose > 0 ? [{ id: blue.id, dose }] : [],
          canvas,
          stage,
          instrument: 'reader',
          seen: {
            spectrum: Float64Array.from(
              createMixer({ ...canvas, base }, [blue.optics], stage).reflectance([dose]),
            ),
          },
        };
      }),
    ),
  );
}
const WEEKS = [48, 120, 336, 700, 1500];

it.each([
  [1.4, 1.6, 0],
  [0.7, 0.6, 0],
  [1.2, 1.5, 1],
])(
  'finds that scents brown × %s as much in × %s the time, from bars over weeks',
  (browns, pace, stabilised) => {
    const { base } = fitReadings({ materials: [], readings: bars(soap(browns, pace), WEEKS, stabilised) });
    expect(base.browns / browns).toBeGreaterThan(0.95);
    expect(base.browns / browns).toBeLessThan(1.05);
    expect(base.brownsPace! / pace).toBeGreaterThan(0.9);
    expect(base.brownsPace! / pace).toBeLessThan(1.1);
  },
);

it('leaves both as they were where no bar is scented', () => {
  const plain = bars(soap(1.4, 1.6), WEEKS).filter((r) => r.canvas.scent === null);
  const { base } = fitReadings({ materials: [], readings: plain });
  expect(base.browns).toBe(1);
  expect(base.brownsPace).toBe(1);
});

it('leaves the time as it was where all bars are old: they do not tell it', () => {
  const { base } = fitReadings({ materials: [], readings: bars(soap(1.3, 1.6), [2500, 4000]) });
  expect(base.browns / 1.3).toBeGreaterThan(0.93);
  expect(base.browns / 1.3).toBeLessThan(1.07);
  expect(Math.abs(Math.log(base.brownsPace!))).toBeLessThan(0.1);
});

it('learns how scents brown and how young bars differ from coloured pots too, and leaves the cured base to bare ones', () => {
  const other: FittedBase = { ...soap(1.4, 1.6), young: { absorbs: 0.15, scatters: -0.1 } };
  const readings = [0.5, 2].flatMap((dose) =>
    bars(other, [2, ...WEEKS], 0, dose).map((r) => ({ ...r, id: `${r.id} ${dose}` })),
  );
  const { base } = fitReadings({ materials: [blue], readings, holdsBase: true });
  expect(base.isGuessed).toBe(true);
  expect(base.browns / 1.4).toBeGreaterThan(0.93);
  expect(base.browns / 1.4).toBeLessThan(1.07);
  expect(base.brownsPace).toBeGreaterThan(1.4);
  expect(base.young.scatters).toBeLessThan(-0.05);
  base.kUngelled.forEach((k, b) => expect(k / known.kUngelled[b]!).toBeCloseTo(1, 3));
  base.gelScatter.forEach((s, b) => expect(s / known.gelScatter[b]!).toBeCloseTo(1, 3));
});
