import { type Canvas, type FittedBase, referenceCanvas } from '../pigment/canvas.ts';
import { createMixer } from '../pigment/mixer.ts';
import { type Stage } from '../pigment/stage.ts';
import { fitReadings, type FitReading } from './index.ts';
import { layoutOf } from './layout.ts';
import { baseAt } from './result.ts';

/** The base as it is known, in a soap whose scents brown otherwise. */
const known = ((): FittedBase => {
  const layout = layoutOf({ materials: [], readings: [] });
  return baseAt(layout, new Float64Array(layout.size));
})();
const soap = (browns: number, brownsPace: number): FittedBase => ({ ...known, browns, brownsPace });

function bars(base: FittedBase, hours: readonly number[], stabilised = 0): FitReading[] {
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
          parts: [],
          canvas,
          stage,
          instrument: 'reader',
          seen: { spectrum: Float64Array.from(createMixer({ ...canvas, base }, [], stage).reflectance([])) },
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
