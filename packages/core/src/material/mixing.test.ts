import fc from 'fast-check';
import { deltaE00 } from '../colour/deltaE00.ts';
import { type LabD65, labD65FromReflectance } from '../colour/lab.ts';
import { startingShelf } from './catalogue/index.ts';
import { labD65FromHex } from '../colour/srgb.ts';
import { TAN } from './browning.ts';
import { shelfItem } from '../testing/plans.ts';
import { slowLab } from '../testing/slowMixer.ts';
import { type Canvas, referenceCanvas } from '../pigment/canvas.ts';
import { absorptionRatio, internalReflectance } from '../pigment/kubelkaMunk.ts';
import { createMixer, predictLab } from '../pigment/mixer.ts';
import { MAX_REFLECTANCE } from '../pigment/special.ts';
import { effectiveDose } from '../pigment/optics.ts';
import { atCut, baseScatter, cured, CURED_HOURS, fresh, type Stage } from '../pigment/stage.ts';
import { internalFromMeasured, measuredFromInternal, SURFACE_MAX } from '../pigment/surface.ts';

const colourants = startingShelf().filter((m) => m.optics);
const plain = colourants.filter((m) => !m.optics!.emission && !m.optics!.specks);
const part = (id: string, dose: number) => ({ optics: shelfItem(id).optics!, dose });
const at = (id: string, dose: number, stage = cured(1)): LabD65 =>
  predictLab(referenceCanvas, [part(id, dose)], stage);

const anyStage = fc.record({
  hours: fc.double({ min: 0, max: 2 * CURED_HOURS, noNaN: true }),
  gel: fc.double({ min: 0, max: 1, noNaN: true }),
});
const anyParts = (from: readonly (typeof colourants)[number][]) =>
  fc.array(
    fc.record({
      optics: fc.constantFrom(...from.map((m) => m.optics!)),
      dose: fc.double({ min: 0, max: 60, noNaN: true }),
    }),
    { maxLength: 5 },
  );

describe('Kubelka–Munk and surface', () => {
  it('invert', () => {
    for (const r of [0.01, 0.2, 0.5, 0.9, 0.999]) {
      expect(internalReflectance(absorptionRatio(r))).toBeCloseTo(r, 10);
      expect(internalFromMeasured(measuredFromInternal(r))).toBeCloseTo(r, 10);
    }
  });

  it('equal the textbook form and stay exact for a very strong absorber', () => {
    const q = 0.3;
    expect(internalReflectance(q)).toBeCloseTo(1 + q - Math.sqrt(q * q + 2 * q), 12);
    expect(internalReflectance(1e9)).toBeCloseTo(1 / 2e9, 15);
  });

  it('lose the gloss, so that nothing reads above 0.965', () => {
    expect(measuredFromInternal(1)).toBeCloseTo(SURFACE_MAX, 12);
    expect(SURFACE_MAX).toBeCloseTo(0.965, 12);
  });
});

describe('the reference base', () => {
  it('reads (91, −0.5, 7) ungelled and (86, −0.5, 10) gelled, cured', () => {
    expect(deltaE00(predictLab(referenceCanvas, [], cured(0)), [91, -0.5, 7])).toBeLessThan(0.3);
    expect(deltaE00(predictLab(referenceCanvas, [], cured(1)), [86, -0.5, 10])).toBeLessThan(0.3);
  });

  it('scatters 1.25 fresh, 1 cured, 0.55 gelled', () => {
    expect(baseScatter(fresh())).toBeCloseTo(1.25, 9);
    expect(baseScatter(cured(0))).toBeCloseTo(1, 6);
    expect(baseScatter(cured(1))).toBeCloseTo(0.55, 6);
  });

  it('greens with olive, goes orange with unrefined palm, browns with vanillin over weeks', () => {
    const tint = (c: Partial<Canvas>, stage: Stage = cured()) =>
      predictLab({ ...referenceCanvas, ...c }, [], stage);
    const bare = tint({});
    expect(tint({ carotenoid: 2, chlorophyll: 5, brown: 1 })[1]).toBeLessThan(bare[1] - 2);
    expect(tint({ carotenoid: 10, brown: 1 })[2]).toBeGreaterThan(bare[2] + 20);
    // Nothing at the pour.
    const five: Partial<Canvas> = { scent: { vanillin: 0.05 * 30, tan: 0, stabilised: 0 } };
    expect(deltaE00(tint(five, fresh()), tint({}, fresh()))).toBeLessThan(0.1);
  });

  // Near-white base, 30 g/kg oils of scent, week six: vanillin, then gelled, with white 6, ungelled, with white 6.
  it.each([
    [0.05, '#b18b69', '#d8bfa5', '#c19e7e', '#dbc2a9'],
    [0.11, '#875d3d', '#be9a79', '#9b714f', '#c19e7d'],
    [0.2, '#633d23', '#a17855', '#774e31', '#a57c59'],
  ])('browns with %p vanillin as test bars do', (vanillin, gelled, paleGelled, ungelled, pale) => {
    const scent = { vanillin: vanillin * 30, tan: 0, stabilised: 0 };
    const miss = (gel: number, white: number, hex: string) =>
      deltaE00(
        predictLab({ ...referenceCanvas, scent }, [part('titanium-dioxide-oil', white)], cured(gel)),
        labD65FromHex(hex),
      );
    expect(miss(1, 0, gelled)).toBeLessThan(3);
    expect(miss(0, 0, ungelled)).toBeLessThan(3);
    expect(miss(1, 6, paleGelled)).toBeLessThan(4);
    expect(miss(0, 6, pale)).toBeLessThan(4);
  });

  it('tans slightly without vanillin: darker and yellower by about as much', () => {
    for (const gel of [0, 1]) {
      const tanned = { vanillin: 0, tan: TAN.slight * 50, stabilised: 0 };
      const bare = predictLab(referenceCanvas, [], cured(gel));
      const got = predictLab({ ...referenceCanvas, scent: tanned }, [], cured(gel));
      expect(bare[0] - got[0]).toBeGreaterThan(3);
      expect(bare[0] - got[0]).toBeLessThan(5);
      expect(got[2] - bare[2]).toBeGreaterThan(3.5);
      expect(got[2] - bare[2]).toBeLessThan(5);
    }
  });
});

describe('mixing', () => {
  it('dose 0 is the base', () => {
    for (const m of colourants) {
      const got = predictLab(referenceCanvas, [{ optics: m.optics!, dose: 0 }], cured(1));
      expect(deltaE00(got, predictLab(referenceCanvas, [], cured(1)))).toBeLessThan(1e-9);
    }
  });

  it('yellow and blue make green', () => {
    const [L, a, b] = predictLab(
      referenceCanvas,
      [part('ultramarine-blue', 3), part('yellow-iron-oxide', 1.5)],
      cured(1),
    );
    expect(a).toBeLessThan(-3);
    expect(b).toBeGreaterThan(-5);
    expect(L).toBeLessThan(70);
  });

  it('more white never darkens', () => {
    for (const id of ['red-iron-oxide', 'activated-charcoal', 'ultramarine-blue', 'cocoa']) {
      let last = -1;
      for (let white = 0; white <= 15; white += 0.5) {
        const [L] = predictLab(referenceCanvas, [part(id, 4), part('titanium-dioxide-oil', white)], cured(1));
        expect(L).toBeGreaterThanOrEqual(last);
        last = L;
      }
    }
  });

  it('does not care about the order of addition', () => {
    fc.assert(
      fc.property(anyParts(plain), anyStage, (parts, stage) => {
        const one = predictLab(referenceCanvas, parts, stage);
        const two = predictLab(referenceCanvas, [...parts].reverse(), stage);
        expect(deltaE00(one, two)).toBeLessThan(1e-6);
      }),
    );
  });

  it('specks do not care about their order, and never cover more than their most', () => {
    const specks = ['coffee-ground', 'poppy-seed', 'oats-ground', 'pumice-coarse'];
    const amounts = fc.array(fc.double({ min: 0, max: 200, noNaN: true }), { minLength: 4, maxLength: 4 });
    fc.assert(
      fc.property(amounts, anyStage, (doses, stage) => {
        const parts = specks.map((id, i) => part(id, doses[i]!));
        const one = predictLab(referenceCanvas, parts, stage);
        expect(deltaE00(one, predictLab(referenceCanvas, [...parts].reverse(), stage))).toBeLessThan(1e-6);
      }),
    );
    // Twice as much of what covers all it may changes nothing.
    const full = (d: number) =>
      predictLab(referenceCanvas, [part('poppy-seed', d), part('coffee-ground', d)], cured());
    expect(deltaE00(full(500), full(1000))).toBeLessThan(1e-9);
  });

  it('agrees with the slow twin', () => {
    fc.assert(
      fc.property(anyParts(plain), anyStage, (parts, stage) => {
        const slow = slowLab(referenceCanvas, parts, stage);
        const fast = predictLab(referenceCanvas, parts, stage);
        fast.forEach((v, i) => {
          expect(v).toBeCloseTo(slow[i]!, 8);
        });
      }),
      { numRuns: 60 },
    );
  });

  it('keeps reflectance in (0, 1) without fluorescents and bounded with them', () => {
    fc.assert(
      fc.property(anyParts(plain), anyStage, (parts, stage) => {
        const r = createMixer(
          referenceCanvas,
          parts.map((p) => p.optics),
          stage,
        ).reflectance(parts.map((p) => p.dose));
        expect(Math.min(...r)).toBeGreaterThan(0);
        expect(Math.max(...r)).toBeLessThan(1);
      }),
    );
    fc.assert(
      fc.property(anyParts(colourants), anyStage, (parts, stage) => {
        const r = createMixer(
          referenceCanvas,
          parts.map((p) => p.optics),
          stage,
        ).reflectance(parts.map((p) => p.dose));
        expect(Math.min(...r)).toBeGreaterThan(0);
        expect(Math.max(...r)).toBeLessThanOrEqual(MAX_REFLECTANCE);
      }),
    );
  });

  it('is continuous in every dose and in time', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...colourants.filter((m) => m.window)),
        fc.double({ min: 0, max: 1, noNaN: true }),
        anyStage,
        (m, share, stage) => {
          const dose = share * m.window!.ceiling;
          const here = predictLab(referenceCanvas, [{ optics: m.optics!, dose }], stage);
          const more = predictLab(referenceCanvas, [{ optics: m.optics!, dose: dose + 1e-6 }], stage);
          const later = predictLab(referenceCanvas, [{ optics: m.optics!, dose }], {
            ...stage,
            hours: stage.hours + 1e-4,
          });
          expect(deltaE00(here, more)).toBeLessThan(0.05);
          expect(deltaE00(here, later)).toBeLessThan(0.05);
        },
      ),
    );
  });

  it('saturates: the second half of a flocculating dose does less', () => {
    expect(effectiveDose(10, 10)).toBe(5);
    expect(effectiveDose(10, null)).toBe(10);
  });
});

describe('stages', () => {
  it('turmeric is red-orange in the pot and gold at cure', () => {
    const [, a0] = at('turmeric', 4, fresh());
    const [, a1] = at('turmeric', 4, cured(1));
    expect(a0).toBeGreaterThan(a1 + 15);
  });

  it('iron blue is blue in the pot and beige by the cut', () => {
    expect(at('iron-blue', 2, fresh())[2]).toBeLessThan(-15);
    expect(at('iron-blue', 2, atCut())[2]).toBeGreaterThan(10);
  });

  it('indigo gels bluer, spirulina greyer', () => {
    expect(at('indigo', 2, cured(1))[2]).toBeLessThan(at('indigo', 2, cured(0))[2] - 5);
    const chroma = (lab: LabD65) => Math.hypot(lab[1], lab[2]);
    expect(chroma(at('spirulina', 5, cured(1)))).toBeLessThan(chroma(at('spirulina', 5, cured(0))));
  });

  it('botanicals pale faster in light than in the dark', () => {
    const half = { hours: CURED_HOURS * 4, gel: 1 };
    const dark = at('chlorella', 5, half);
    const light = at('chlorella', 5, { ...half, light: true });
    expect(light[0]).toBeGreaterThan(dark[0] + 1);
  });

  it('gel deepens every colour and greys white', () => {
    for (const id of ['red-iron-oxide', 'ultramarine-blue', 'mica-dome']) {
      expect(at(id, 3, cured(1))[0]).toBeLessThan(at(id, 3, cured(0))[0]);
    }
    expect(at('titanium-dioxide-oil', 2, cured(1))[0]).toBeLessThan(
      at('titanium-dioxide-oil', 2, cured(0))[0],
    );
  });
});

describe('fluorescence and specks', () => {
  it('a fluorescent lifts its band above what it would reflect alone', () => {
    const optics = shelfItem('neon-pink').optics!;
    const mute = { ...optics, emission: null };
    const lit = createMixer(referenceCanvas, [optics], cured(1)).reflectance([4]);
    const dull = createMixer(referenceCanvas, [mute], cured(1)).reflectance([4]);
    expect(lit[22]! - dull[22]!).toBeGreaterThan(0.02);
    expect(lit[2]).toBeCloseTo(dull[2]!, 3);
  });

  it('specks cover a share of the face and never all of it', () => {
    const optics = shelfItem('poppy-seed').optics!;
    const mixer = createMixer(referenceCanvas, [optics], cured());
    const bare = labD65FromReflectance(mixer.reflectance([0]))[0];
    const some = labD65FromReflectance(mixer.reflectance([8]))[0];
    expect(some).toBeLessThan(bare);
    expect(mixer.lab([1e6])[0]).toBeCloseTo(mixer.lab([1e5])[0]!, 9);
  });
});
