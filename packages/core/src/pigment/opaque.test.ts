import { BAND_COUNT } from '../colour/bands.ts';
import { labF, labFSlope } from '../colour/lab.ts';
import { internalReflectance } from './kubelkaMunk.ts';
import { opaqueBands, opaqueReflectance, opaqueSlopes } from './opaque.ts';
import { measuredFromInternal, SURFACE_MAX } from './surface.ts';

const bodies = [0, 1e-6, 0.02, 0.5, 3, 40].flatMap((K) => [0.05, 1, 7].map((S) => [K, S] as const));

describe('an opaque body under its surface', () => {
  it.each(bodies)('K %p over S %p is the textbook formula behind the surface', (K, S) => {
    expect(opaqueReflectance(K, S)).toBeCloseTo(measuredFromInternal(internalReflectance(K / S)), 12);
  });

  it('gives back the most when it absorbs nothing', () => {
    expect(opaqueReflectance(0, 2)).toBeCloseTo(SURFACE_MAX, 12);
  });

  it('has the slopes that differences show', () => {
    const K = new Float64Array(BAND_COUNT).map((_, b) => 0.01 * 1.25 ** b);
    const S = new Float64Array(BAND_COUNT).map((_, b) => 0.3 + b / 10);
    const bands = {
      R: new Float64Array(BAND_COUNT),
      root: new Float64Array(BAND_COUNT),
      inverse: new Float64Array(BAND_COUNT),
    };
    opaqueBands(K, S, bands);
    bands.R.forEach((r, b) => expect(r).toBeCloseTo(opaqueReflectance(K[b]!, S[b]!), 14));
    const dK = new Float64Array(BAND_COUNT);
    const dS = new Float64Array(BAND_COUNT);
    opaqueSlopes(K, S, bands, dK, dS);
    const h = 1e-6;
    K.forEach((k, b) => {
      const s = S[b]!;
      expect(dK[b]).toBeCloseTo((opaqueReflectance(k + h, s) - opaqueReflectance(k - h, s)) / (2 * h), 6);
      expect(dS[b]).toBeCloseTo((opaqueReflectance(k, s + h) - opaqueReflectance(k, s - h)) / (2 * h), 6);
    });
  });
});

describe('the slope of the CIELAB compression', () => {
  it.each([0.001, 0.0088, 0.0089, 0.2, 1])('at a ratio of %p', (t) => {
    const h = 1e-7;
    expect(labFSlope(labF(t))).toBeCloseTo((labF(t + h) - labF(t - h)) / (2 * h), 4);
  });
});
