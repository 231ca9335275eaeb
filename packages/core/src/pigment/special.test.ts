import { BAND_COUNT, type Spectrum } from '../colour/bands.ts';
import { type BodySlope } from './glow.ts';
import { opaqueBands, opaqueSlopes } from './opaque.ts';
import { type Optics } from './optics.ts';
import { addSpecials, isSpecial, MAX_REFLECTANCE, specialPart } from './special.ts';

const bands = (of: (b: number) => number): Spectrum =>
  Float64Array.from({ length: BAND_COUNT }, (_, b) => of(b));
const pink = bands((b) => 0.4 * Math.exp(-(((b - 16) / 4) ** 2)) + 0.004);
const gold = bands((b) => 0.3 / (1 + Math.exp((b - 14) / 2)) + 0.002);
const inner = 0.52;
type Kind = Pick<Optics, 'emission' | 'specks' | 'terms'>;
const glows = { peak: 600, width: 28, efficiency: 0.5 };
const terms = { scatterSaturation: null, quench: null, sheen: null };
const plain = { emission: null, specks: null };

/** Doses at which a gram more does less. */
const LIMIT = 30;
const doseOf = (e: number): number => e / (1 - e / LIMIT);

/** Two colourants at effective doses, and everything that a prediction writes of them. */
function mixture(kinds: readonly Kind[], e: readonly number[]) {
  const curves = [pink, gold];
  const K = bands((b) => 0.05 + e[0]! * pink[b]! + e[1]! * gold[b]!);
  const S = bands(() => 1 + 0.02 * e[0]! + 0.05 * e[1]!);
  const R = new Float64Array(BAND_COUNT);
  const made = { R, root: new Float64Array(BAND_COUNT), inverse: new Float64Array(BAND_COUNT) };
  opaqueBands(K, S, made, inner);
  const dK = new Float64Array(BAND_COUNT);
  const dS = new Float64Array(BAND_COUNT);
  opaqueSlopes(K, S, made, dK, dS, inner);
  const slopes: BodySlope[] = curves.map((k, j) => {
    const s = [0.02, 0.05][j]!;
    return { K: k.slice(), S: bands(() => s), R: bands((b) => dK[b]! * k[b]! + dS[b]! * s) };
  });
  const parts = kinds.map((optics, j) => {
    const part = specialPart(optics, curves[j]!);
    const dose = doseOf(e[j]!);
    // What shows as specks is in the pot already: no slope moves it.
    return optics.specks
      ? { ...part, e: 10, dose: 10 }
      : { ...part, slope: j, e: e[j]!, dose, doseSlope: (dose / e[j]!) ** 2 };
  });
  const unlit = R.slice();
  addSpecials(parts, { K, S, R, inner }, slopes);
  return { R, slopes, unlit };
}

it.each([
  ['a fluorescent that lights its own band', [{ ...plain, emission: glows }, plain]],
  ['a glow under the surface', [{ ...plain, emission: glows, terms }, plain]],
  ['a glow that crowding quenches', [{ ...plain, emission: glows, terms: { ...terms, quench: 9 } }, plain]],
  [
    'two glows and plates',
    [
      { ...plain, emission: glows, terms: { ...terms, quench: 9, sheen: { share: 0.1, dose: 4 } } },
      { ...plain, emission: { ...glows, peak: 520 }, terms: { ...terms, sheen: { share: 0.05, dose: 8 } } },
    ],
  ],
  [
    'specks over a fluorescent',
    [
      { ...plain, emission: glows },
      { ...plain, specks: { areaPerDose: 0.02, reflectance: Array<number>(BAND_COUNT).fill(0.2) } },
    ],
  ],
])('has exact derivatives with %s', (_, kinds: readonly Kind[]) => {
  for (const e of [
    [2, 3],
    [9, 0.4],
    [0.3, 12],
  ]) {
    const { slopes, R, unlit } = mixture(kinds, e);
    expect(Math.max(...R.map((v, b) => Math.abs(v - unlit[b]!)))).toBeGreaterThan(0.001);
    slopes.forEach((by, j) => {
      const h = 1e-5;
      const at = (step: number): Spectrum =>
        mixture(
          kinds,
          e.map((v, i) => (i === j ? v + step : v)),
        ).R;
      const [after, before] = [at(h), at(-h)];
      by.R.forEach((slope, b) => {
        expect(slope).toBeCloseTo((after[b]! - before[b]!) / (2 * h), 7);
      });
    });
  }
});

it('no longer follows a band that is as bright as can be, nor plates that mirror all they may', () => {
  const bright = { ...plain, emission: { peak: 600, width: 8, efficiency: 40 } };
  const lit = mixture([bright, plain], [8, 1]);
  const band = lit.R.indexOf(MAX_REFLECTANCE);
  expect(band).toBeGreaterThan(0);
  expect(lit.slopes[0]!.R[band]).toBe(0);
  const plates = { ...plain, terms: { ...terms, sheen: { share: 0.9, dose: 1 } } };
  const { R, slopes, unlit } = mixture([plates, plain], [8, 1]);
  expect(R[5]).toBeCloseTo(0.3 + 0.49 * unlit[5]!, 12);
  const bare = mixture([plain, plain], [8, 1]);
  expect(slopes[0]!.R[5]).toBeCloseTo(0.49 * bare.slopes[0]!.R[5]!, 12);
});

it('knows what needs more than absorption and scattering', () => {
  expect(isSpecial(plain)).toBe(false);
  expect(isSpecial({ ...plain, terms })).toBe(false);
  expect(isSpecial({ ...plain, emission: glows })).toBe(true);
  expect(isSpecial({ ...plain, terms: { ...terms, sheen: { share: 0.1, dose: 3 } } })).toBe(true);
});
