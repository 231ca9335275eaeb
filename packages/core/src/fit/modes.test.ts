import { deltaE00 } from '../colour/deltaE00.ts';
import { labD65FromReflectance } from '../colour/lab.ts';
import { localMetric } from '../colour/metric.ts';
import { referenceCanvas } from '../pigment/canvas.ts';
import { predictLab } from '../pigment/mixer.ts';
import { createSpread } from '../pigment/spread.ts';
import { cured } from '../pigment/stage.ts';
import { FIRST_SOAP, type Scheme, SECOND_SOAP, SoapTrial } from '../testing/soap/index.ts';
import { fitReadings, type FitResult } from './index.ts';
import { cases } from '../../test/cases.ts';

const SHELF = ['white', 'yellow-oxide', 'ultramarine', 'mica-red', 'neon-pink', 'neon-yellow', 'rose-clay'];
const trialOf = (soap: typeof FIRST_SOAP): SoapTrial => new SoapTrial(soap, SHELF);

/** ± ΔE00 that is said of some doses. */
function said(result: FitResult, doses: Readonly<Record<string, number>>, gel = 1): number {
  const parts = Object.keys(doses).map((id) => result.materials.find((m) => m.id === id)!);
  const canvas = { ...referenceCanvas, base: result.base };
  return createSpread(canvas, parts, cured(gel)).of(Object.values(doses)).deltaE;
}

it('a bar with white makes mixtures with white surer, and a ladder other doses', () => {
  const trial = trialOf(FIRST_SOAP);
  const of = (...doses: (readonly [blue: number, white: number])[]): FitResult =>
    fitReadings({
      materials: trial.materials,
      readings: doses.flatMap(([blue, white]) =>
        [0, 1].map((gel) =>
          trial.read({
            parts: [
              { material: trial.shelf.find((m) => m.id === 'ultramarine')!, dose: blue },
              { material: trial.shelf.find((m) => m.id === 'white')!, dose: white },
            ].filter((p) => p.dose > 0),
            gel: gel as 0 | 1,
          }),
        ),
      ),
    });
  const whites = [
    [0, 3],
    [0, 10],
  ] as const;
  const alone = of([5, 0], ...whites);
  const withWhite = of([5, 0], [4, 5], ...whites);
  const ladder = of([5, 0], [1.5, 0], [11, 0], ...whites);
  const pastel = { ultramarine: 2, white: 6 };
  expect(said(withWhite, pastel)).toBeLessThan(0.8 * said(alone, pastel));
  const faint = { ultramarine: 1.2 };
  expect(said(ladder, faint)).toBeLessThan(0.8 * said(alone, faint));
});

/** Of mixtures never seen, the share that lies within what is said of nine in ten, reading counted in. */
function within(soap: typeof FIRST_SOAP, scheme: Scheme, as: 'spectrum' | 'lab'): number {
  const trial = trialOf(soap);
  const result = fitReadings({ materials: trial.materials, readings: trial.bars(scheme, as) });
  const canvas = { ...referenceCanvas, base: result.base };
  const inside = trial.mixtures(60, soap.seed + 5).filter((mixture) => {
    const { seen } = trial.read(mixture);
    const parts = mixture.parts.map((p) => ({
      ...result.materials.find((m) => m.id === p.material.id)!,
      dose: p.dose,
    }));
    const stage = cured(mixture.gel);
    const lab = predictLab(canvas, parts, stage);
    const { covariance: c } = createSpread(canvas, parts, stage).of(parts.map((p) => p.dose));
    const other = labD65FromReflectance((seen as { spectrum: Float64Array }).spectrum);
    // In one number: the miss beside the root of the trace, both in ΔE00 about the prediction.
    const M = localMetric(lab);
    const square = [0, 3, 6].reduce(
      (sum, r) =>
        sum +
        M[r]! ** 2 * c[0] +
        M[r + 1]! ** 2 * c[3] +
        M[r + 2]! ** 2 * c[5] +
        2 * (M[r]! * M[r + 1]! * c[1] + M[r]! * M[r + 2]! * c[2] + M[r + 1]! * M[r + 2]! * c[4]),
      0,
    );
    return deltaE00(lab, other) <= 1.6 * Math.hypot(Math.sqrt(square), 0.5);
  });
  return inside.length / 60;
}

it.each(
  (
    [
      ['one bar of each', FIRST_SOAP, 'one', 'spectrum'],
      ['four bars, read as Lab', SECOND_SOAP, 'four', 'lab'],
    ] as const
  ).slice(0, cases(1, 2)),
)('what is said of a miss holds, %s', (_, soap, scheme, as) => {
  expect(within(soap, scheme, as)).toBeGreaterThan(0.82);
});

/** The same soap, a third clearer: every powder does more beside it than labels say. */
const CLEARER = { ...FIRST_SOAP, base: { ...FIRST_SOAP.base, scatters: 0.67 * FIRST_SOAP.base.scatters } };

it('doubts more where the base is not as labels take it to be', () => {
  expect(within(CLEARER, 'one', 'lab')).toBeGreaterThan(0.82);
});

it('tells a doubt in as many ways as can be seen of it', () => {
  const trial = trialOf(FIRST_SOAP);
  const of = (scheme: Scheme): readonly number[] =>
    fitReadings({ materials: trial.materials, readings: trial.bars(scheme) }).materials.map(
      (m) => m.modes.length,
    );
  const [one, four] = [of('one'), of('four')];
  expect(Math.max(...one)).toBe(6);
  expect(Math.min(...four)).toBeGreaterThan(1);
  expect(four[SHELF.indexOf('white')]).toBeLessThan(one[SHELF.indexOf('white')]!);
});

it('believes one Lab bar of a colour that glows, whose label could not be right', () => {
  const trial = trialOf(FIRST_SOAP);
  const bars = trial.bars('one', 'lab');
  const { readings } = fitReadings({ materials: trial.materials, readings: bars });
  const neon = readings.filter((_, i) => bars[i]!.parts[0]?.id.startsWith('neon'));
  expect(neon).toHaveLength(4);
  for (const r of neon) {
    expect(r.isOdd).toBe(false);
    expect(r.missAfter).toBeLessThan(0.7 * Math.max(3, r.missBefore));
  }
});
