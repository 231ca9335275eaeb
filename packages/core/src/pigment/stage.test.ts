import { BAND_COUNT } from '../colour/bands.ts';
import { type Canvas, canvasAbsorption, referenceCanvas } from './canvas.ts';
import { absorptionAt, type Optics } from './optics.ts';
import { baseScatter, faded, gelReached, halved } from './stage.ts';

/*
 * Hand-worked values between the ends, where a wrong time constant shows: e⁻¹ = 0.367879, e^(−1/4) = 0.778801.
 */
const DAY = 24;
const at450 = 7;

describe('gel and emulsion', () => {
  it.each([
    [0, 1, 0],
    [6, 1, 0.632121],
    [12, 1, 0.864665],
    [6, 0.5, 0.316061],
  ])('at %p h with gel %p, %p of the look of gel has come', (hours, gel, expected) => {
    expect(gelReached({ hours, gel })).toBeCloseTo(expected, 5);
  });

  it.each([
    [8, 0, 1.09197], // 1 + 0.25 · 0.367879
    [16, 0, 1.033834], // 1 + 0.25 · 0.135335
    [8, 1, 0.807516], // 0.55 + 0.70 · 0.367879
    [8, 0.5, 0.949743], // 0.775 + 0.475 · 0.367879
  ])('at %p h with gel %p the base scatters %p', (hours, gel, expected) => {
    expect(baseScatter({ hours, gel })).toBeCloseTo(expected, 5);
  });

  it('halves by half-lives and falls by time constants', () => {
    expect(halved(3, 6)).toBeCloseTo(0.707107, 5);
    expect(halved(12, 6)).toBeCloseTo(0.25, 9);
    expect(faded(14 * DAY, 0.85, 14)).toBeCloseTo(0.905182, 5); // 0.85 + 0.15 · 0.367879
  });
});

describe('the tints of the base', () => {
  /** What a canvas adds to the plain base at 450 nm, ungelled. */
  const added = (change: Partial<Canvas>, days: number): number => {
    const stage = { hours: days * DAY, gel: 0 };
    const k = (canvas: Canvas) => canvasAbsorption(canvas, stage, new Float64Array(BAND_COUNT))[at450]!;
    return k({ ...referenceCanvas, ...change }) - k(referenceCanvas);
  };
  const scent = (stabilised: number) => ({ scent: { vanillin: 1, tan: 0, stabilised } });
  const FOREVER = 10_000;

  it('carotene bleaches by 15 % with 14 days, chlorophyll by 30 % with 10', () => {
    expect(added({ carotenoid: 2 }, 14) / added({ carotenoid: 2 }, 0)).toBeCloseTo(0.905182, 5);
    expect(added({ carotenoid: 2 }, FOREVER) / added({ carotenoid: 2 }, 0)).toBeCloseTo(0.85, 9);
    expect(added({ chlorophyll: 2 }, 10) / added({ chlorophyll: 2 }, 0)).toBeCloseTo(0.810364, 5);
    expect(added({ chlorophyll: 2 }, FOREVER) / added({ chlorophyll: 2 }, 0)).toBeCloseTo(0.7, 9);
  });

  it('vanillin browns with 6 days; its stabiliser makes that 24 and holds back three tenths', () => {
    const all = added(scent(0), FOREVER);
    expect(added(scent(0), 6) / all).toBeCloseTo(0.632121, 5);
    expect(added(scent(1), 6) / all).toBeCloseTo(0.15484, 5); // 0.7 · (1 − 0.778801)
    expect(added(scent(1), 24) / all).toBeCloseTo(0.442485, 5); // 0.7 · 0.632121
    expect(added(scent(0.5), 6) / all).toBeCloseTo(0.39348, 5); // between the two above
    expect(added(scent(1), FOREVER) / all).toBeCloseTo(0.7, 9);
  });
});

describe('a colourant', () => {
  const flat = (value: number): number[] => Array.from({ length: BAND_COUNT }, () => value);
  const plain: Optics = {
    k: flat(1),
    kUngelled: null,
    s: flat(0),
    saturation: null,
    fresh: null,
    becomes: null,
    fading: null,
    emission: null,
    specks: null,
    shimmer: 'none',
  };
  const k = (change: Partial<Optics>, hours: number, gel = 0, light = false): number =>
    absorptionAt({ ...plain, ...change }, { hours, gel, light }, new Float64Array(BAND_COUNT))[0]!;

  it('fades in the dark by one time constant and in light by another', () => {
    const fading = { remains: 0.4, darkDays: 30, lightDays: 10 };
    expect(k({ fading }, 30 * DAY)).toBeCloseTo(0.620728, 5); // 0.4 + 0.6 · 0.367879
    expect(k({ fading }, 10 * DAY, 0, true)).toBeCloseTo(0.620728, 5);
    expect(k({ fading }, 30 * DAY, 0, true)).toBeCloseTo(0.429872, 5); // 0.4 + 0.6 · 0.049787
  });

  it('leaves its fresh look, and becomes what lye makes of it, by half-lives', () => {
    expect(k({ fresh: { k: flat(3), halfLife: 4 } }, 8)).toBeCloseTo(1.5, 9); // 1 + 2/4
    expect(k({ becomes: { k: flat(0.2), halfLife: 2 } }, 4)).toBeCloseTo(0.4, 9); // 0.2 + 0.8/4
  });

  it('takes its gelled look as gel shows', () => {
    expect(k({ kUngelled: flat(2) }, 6, 1)).toBeCloseTo(1.367879, 5);
  });
});
