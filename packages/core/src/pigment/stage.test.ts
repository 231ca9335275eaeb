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

  it('vanillin browns with 8 days, 4 with gel; its stabiliser makes that four times as long and leaves three tenths', () => {
    const all = added(scent(0), FOREVER);
    expect(added(scent(0), 8) / all).toBeCloseTo(0.632121, 5);
    expect(added(scent(1), 8) / all).toBeCloseTo(0.06636, 5); // 0.3 · (1 − 0.778801)
    expect(added(scent(1), 32) / all).toBeCloseTo(0.189636, 5); // 0.3 · 0.632121
    expect(added(scent(0.5), 8) / all).toBeCloseTo(0.349241, 5); // between the two above
    expect(added(scent(1), FOREVER) / all).toBeCloseTo(0.3, 9);
    const gelled = (days: number) => {
      const at = (canvas: Canvas) =>
        canvasAbsorption(canvas, { hours: days * DAY, gel: 1 }, new Float64Array(BAND_COUNT))[at450]!;
      return at({ ...referenceCanvas, ...scent(0) }) - at(referenceCanvas);
    };
    expect(gelled(4) / gelled(FOREVER)).toBeCloseTo(0.632121, 5);
    expect(gelled(FOREVER)).toBeCloseTo(all, 9);
  });

  it('twice the vanillin browns 3.48 times as much; a tan goes with its dose', () => {
    const of = (vanillin: number, tan: number) => added({ scent: { vanillin, tan, stabilised: 0 } }, FOREVER);
    expect(of(2, 0) / of(1, 0)).toBeCloseTo(2 ** 1.8, 9);
    expect(of(0, 2) / of(0, 1)).toBeCloseTo(2, 9);
    expect(of(1, 1)).toBeCloseTo(of(1, 0) + of(0, 1), 9);
  });

  it('a young bar is a little darker than a cured one', () => {
    const k = (days: number) =>
      canvasAbsorption(referenceCanvas, { hours: days * DAY, gel: 0 }, new Float64Array(BAND_COUNT))[at450]!;
    expect(k(0) / k(42)).toBeCloseTo(1.15 / (1 + 0.15 * Math.exp(-3)), 9);
    expect(k(365)).toBeLessThan(k(42));
  });

  it('gel makes the base absorb 1.6 to 1.9 times as much, in every band', () => {
    const k = (gel: number) =>
      canvasAbsorption(referenceCanvas, { hours: 1008, gel }, new Float64Array(BAND_COUNT));
    const plain = k(0);
    k(1).forEach((v, i) => {
      expect(v / plain[i]!).toBeGreaterThan(1.6);
      expect(v / plain[i]!).toBeLessThan(1.9);
    });
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
    const fading = { remains: 0.4, darkDays: 30, lightDays: 10, darkEnd: null, lightEnd: null };
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
