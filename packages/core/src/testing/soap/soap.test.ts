import { deltaE00 } from '../../colour/deltaE00.ts';
import { type LabD65, labD65FromReflectance } from '../../colour/lab.ts';
import { seededRandom } from '../../numerics/random.ts';
import {
  FIRST_SOAP,
  Reader,
  reflected,
  SECOND_SOAP,
  shelfOf,
  type TrueBar,
  type TrueMaterial,
  trueReflectance,
} from './index.ts';
import { cases } from '../../../test/cases.ts';

/** Chandrasekhar (1950): H of isotropic scattering by its own integral equation, on 200 strips. */
function hFunction(albedo: number): (mu: number) => number {
  const mus = Array.from({ length: 200 }, (_, i) => (i + 0.5) / 200);
  const next = (h: readonly number[], mu: number): number =>
    1 / (Math.sqrt(1 - albedo) + (albedo / 2) * mus.reduce((s, m, j) => s + (m * h[j]!) / (mu + m) / 200, 0));
  let h = mus.map(() => 1);
  for (let n = 0; n < 200; n++) h = mus.map((mu) => next(h, mu));
  return (mu) => next(h, mu);
}

describe('transfer of light', () => {
  it.each([0.3, 0.6, 0.9, 0.99])('gives back what the exact solution does at albedo %s', (albedo) => {
    const exact = 1 - hFunction(albedo)(0.9801449282487681) * Math.sqrt(1 - albedo);
    expect(reflected(albedo, 0, 1).body).toBeCloseTo(exact, 3);
  });

  it('loses nothing without absorption but the gloss', () => {
    // ((1.46 − 1) / (1.46 + 1))² = 0.03497; near the vertical hardly more.
    expect(reflected(1, 0.7, 1.46).body).toBeCloseTo(1 - 0.035, 2);
    expect(reflected(1, 0.7, 1.46).escape).toBeCloseTo(1, 2);
  });

  it('goes by the reduced albedo, nearly', () => {
    // 0.98 at g 0.5 and 0.9609 at g 0 are as far from white.
    const forward = reflected(0.98, 0.5, 1.46).body;
    const even = reflected((0.98 * 0.5) / (1 - 0.98 * 0.5), 0, 1.46).body;
    expect(Math.abs(forward - even)).toBeLessThan(0.02);
    expect(forward).not.toBeCloseTo(even, 6);
  });
});

describe.each([
  ['first', FIRST_SOAP],
  ['second', SECOND_SOAP],
])('the %s soap', (_, soap) => {
  const shelf = shelfOf(soap.seed);
  const item = (id: string) => shelf.find((m) => m.id === id)!;
  const bar = (doses: Readonly<Record<string, number>>, change: Partial<TrueBar> = {}): TrueBar => ({
    parts: Object.entries(doses).map(([id, dose]) => ({ material: item(id), dose })),
    gel: 1,
    hours: 1008,
    vanillin: 0,
    ...change,
  });
  const lab = (b: TrueBar): LabD65 => labD65FromReflectance(trueReflectance(soap, b));

  it('is a near-white that gel makes darker and yellower', () => {
    const [open, gelled] = [lab(bar({}, { gel: 0 })), lab(bar({}))];
    expect(open[0]).toBeGreaterThan(85);
    expect(gelled[0]).toBeLessThan(open[0] - 1);
    expect(gelled[2]).toBeGreaterThan(open[2]);
  });

  it('mixes blue and yellow to green, and pales with white', () => {
    expect(lab(bar({ 'yellow-oxide': 2, ultramarine: 3 }))[1]).toBeLessThan(-4);
    expect(lab(bar({ 'red-oxide': 2, white: 6 }))[0]).toBeGreaterThan(lab(bar({ 'red-oxide': 2 }))[0] + 3);
  });

  it('browns with the scent, and loses what fades', () => {
    expect(lab(bar({}, { vanillin: 3 }))[0]).toBeLessThan(lab(bar({}))[0] - 15);
    const alga = (hours: number): LabD65 => lab(bar({ alga: 6 }, { hours }));
    expect(alga(24 * 365)[1]).toBeGreaterThan(alga(48)[1] + 3);
  });

  it('glows above what it reflects, less so when crowded', () => {
    const dull: TrueMaterial = { ...item('neon-yellow'), glows: null };
    const gain = (dose: number): number => {
      const of = (material: TrueMaterial): number =>
        trueReflectance(soap, { ...bar({}), parts: [{ material, dose }] })[14]!;
      return of(item('neon-yellow')) - of(dull);
    };
    expect(gain(4)).toBeGreaterThan(0.05);
    expect(gain(40) / 40).toBeLessThan(gain(4) / 4);
  });

  it('is read with a noise of a few tenths of ΔE00', () => {
    const reader = new Reader(soap, seededRandom(11));
    const b = bar({ 'red-oxide': 1, white: 3 });
    const off = Array.from({ length: cases(8, 20) }, () =>
      deltaE00(lab(b), labD65FromReflectance(reader.read(b))),
    );
    off.sort((x, y) => x - y);
    const median = off[off.length >> 1];
    expect(median).toBeGreaterThan(0.08);
    expect(median).toBeLessThan(0.6);
  });
});
