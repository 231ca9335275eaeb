import fc from 'fast-check';
import { dose, planWith, pot, scentOf } from '../src/testing/plans.ts';
import {
  ADDITIVE_MOMENTS,
  type Draw,
  emptyWork,
  LIQUID_KINDS,
  type Plan,
  type Pot,
  SCENT_MOMENTS,
} from '../src/plan/plan.ts';
import { grams, gramsPerKg } from '../src/units/quantity.ts';

const draw = (id: string, by: Draw['by'], value: number, from: string | null = null): Draw => ({
  id,
  from,
  by,
  value,
  second: 0,
});
const some = (max: number): fc.Arbitrary<number> =>
  fc.oneof(fc.constant(0), fc.double({ min: max / 50, max, noNaN: true }));

const LIQUIDS = ['oil', 'water', 'glycerin', 'infusion'] as const;

const anyPot = (i: number): fc.Arbitrary<Pot> =>
  fc
    .record({
      base: fc.tuple(
        fc.constantFrom('parts', 'parts', 'percent', 'grams', 'rest'),
        fc.double({ min: 1, max: 5, noNaN: true }),
      ),
      from: fc.option(fc.tuple(fc.nat(Math.max(0, i - 1)), fc.double({ min: 2, max: 25, noNaN: true }))),
      taken: fc.constantFrom('emulsion', 'liquid', 'additives', 'additives'),
      scented: fc.boolean(),
      own: fc.option(some(45)),
      ownLye: fc.nat(5).map((n) => n === 0),
      ownOils: fc.boolean(),
      source: fc.constantFrom('batch', 'extra'),
      mica: some(14),
      clay: some(20),
      blue: some(8),
      blueIn: fc.constantFrom(...LIQUIDS.slice(0, 3)),
      madder: some(10),
      pumice: some(30),
      acid: fc.nat(6).map((n) => (n === 0 ? 5 : 0)),
    })
    .map((r): Pot => {
      const { base } = r;
      const value = { parts: base[1], percent: base[1] * 2, grams: base[1] * 20, rest: 0 }[
        base[0] as 'parts'
      ];
      const rows = [
        { ...dose('mica-dome', r.mica), source: r.source },
        { ...dose('kaolin', r.clay), source: r.source },
        { ...dose('ultramarine-blue', r.blue), carrier: { medium: r.blueIn, ratio: 2 }, source: r.source },
        { ...dose('madder', r.madder), carrier: { medium: 'infusion', ratio: 4 }, source: 'batch' },
        { ...dose('pumice-fine', r.pumice), carrier: { medium: 'trace', ratio: 0 } },
        { ...dose('citric-acid', r.acid), carrier: null },
      ] as Pot['doses'];
      return {
        ...pot(`p${i}`, 1),
        draws: [
          draw('b', base[0], value),
          ...(r.from && i > 0 ? [draw('d', 'percent', r.from[1], `p${r.from[0]}`)] : []),
        ],
        taken: r.taken,
        scented: r.scented,
        scentDose: r.own === null ? null : gramsPerKg(r.own),
        ownLye: r.ownLye,
        ownOils: r.ownOils
          ? [
              { id: 'l', materialId: 'oil-lard', percent: 55 },
              { id: 's', materialId: 'oil-sunflower-ho', percent: 45 },
            ]
          : [],
        doses: rows.filter((d) => d.dose > 0),
      };
    });

/** Plans of up to six pots with everything that a balance has to carry. */
export const randomPlan: fc.Arbitrary<Plan> = fc
  .record({
    pots: fc
      .integer({ min: 1, max: 6 })
      .chain((n) => fc.tuple(...Array.from({ length: n }, (_, i) => anyPot(i)))),
    liquid: fc.constantFrom(...LIQUID_KINDS),
    share: some(100),
    heldBack: some(40),
    koh: some(10),
    when: fc.constantFrom(...SCENT_MOMENTS),
    scent: fc.option(fc.double({ min: 1, max: 50, noNaN: true })),
    stabiliser: some(1),
    moments: fc.array(fc.constantFrom(...ADDITIVE_MOMENTS), { minLength: 5, maxLength: 5 }),
    doses: fc.array(some(20), { minLength: 5, maxLength: 5 }),
    equalise: fc.boolean(),
    jar: fc.boolean(),
    bottle: fc.boolean(),
    carrierOil: fc.constantFrom(null, 'oil-olive'),
  })
  .map((r) => {
    const ids = ['oat-colloidal', 'poppy-seed', 'sodium-lactate', 'citric-acid', 'carrot-puree'];
    return planWith(
      r.pots,
      {
        liquid: {
          by: 'concentration',
          value: 30,
          heldBack: grams(r.heldBack),
          parts: r.share > 0 ? [{ id: 'm', name: 'Other liquid', kind: r.liquid, percent: r.share }] : [],
        },
        lye: { kohShare: r.koh, naohPurity: 100, kohPurity: 90 },
        scent:
          r.scent === null
            ? null
            : scentOf('scent-limewash', r.scent, { stabiliser: r.stabiliser, when: r.when }),
        additives: ids.flatMap((materialId, i) =>
          r.doses[i]! > 0
            ? [
                {
                  id: `a${i}`,
                  materialId,
                  dose: gramsPerKg(r.doses[i]!),
                  perBar: null,
                  moment: r.moments[i]!,
                },
              ]
            : [],
        ),
      },
      {
        work: {
          ...emptyWork,
          equalise: r.equalise,
          carrierOil: r.carrierOil,
          dispersions: [
            ...(r.jar ? [{ materialId: 'mica-dome', stock: null }] : []),
            ...(r.bottle
              ? [{ materialId: 'ultramarine-blue', stock: { powderPercent: 12, gramsPerDrop: 0.04 } }]
              : []),
          ],
        },
      },
    );
  });
