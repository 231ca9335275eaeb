import fc from 'fast-check';
import { embedFacts, lineMass } from '../balance/embedFacts.ts';
import { barsOf } from '../balance/mould.ts';
import { EMBED_BASE_NAMES, EMBED_BASES, EMBED_SHAPES, type Embed, type PowderLine } from '../plan/embed.ts';
import { emptyMoulding, plainMould } from '../plan/moulding.ts';
import { type Plan } from '../plan/plan.ts';
import { bead, dose, planWith, pot, shelfItem, tenthGramScale } from '../testing/plans.ts';
import { type Contents, readBesides } from '../testing/readSheet.ts';
import { printerFor } from '../units/printer.ts';
import { grams, gramsPerKg } from '../units/quantity.ts';
import { metricUnits } from '../units/view.ts';
import { sheetText } from './sheet.ts';
import { sheetOf } from './sheetOf.ts';

const POWDERS = ['mica-dome', 'ultramarine-blue', 'kaolin'] as const;

const anyEmbed = (i: number): fc.Arbitrary<Embed> =>
  fc
    .record({
      base: fc.constantFrom(...EMBED_BASES),
      shape: fc.constantFrom(...EMBED_SHAPES),
      width: fc.integer({ min: 8, max: 24 }),
      perBar: fc.integer({ min: 1, max: 3 }),
      pieces: fc.option(fc.integer({ min: 1, max: 40 })),
      gramsEach: fc.option(fc.integer({ min: 1, max: 60 })),
      onTop: fc.boolean(),
      colours: fc.array(fc.tuple(fc.integer({ min: 1, max: 4 }), fc.integer({ min: 0, max: 14 })), {
        minLength: 1,
        maxLength: 3,
      }),
      dusted: fc.option(fc.double({ min: 0.05, max: 1, noNaN: true })),
    })
    .map((r) =>
      bead({
        ...r,
        id: `e${i}`,
        name: `Embed ${i}`,
        height: r.width,
        length: r.width,
        gramsEach: r.gramsEach === null ? null : grams(r.gramsEach),
        parts: r.colours.map(([parts, value], n) => ({
          id: `p${n}`,
          parts,
          doses: value > 0 ? [{ id: 'd', materialId: POWDERS[n]!, dose: gramsPerKg(value) }] : [],
        })),
        dusting: r.dusted === null ? null : { materialId: 'mica-anvil', gramsPerDm2: r.dusted },
      }),
    );

const anyPlan: fc.Arbitrary<Plan> = fc
  .record({
    pots: fc.integer({ min: 1, max: 4 }),
    embeds: fc.tuple(anyEmbed(0), anyEmbed(1)),
    count: fc.integer({ min: 1, max: 5 }),
    perDm2: fc.double({ min: 0.05, max: 1, noNaN: true }),
    wet: fc.boolean(),
    petals: fc.integer({ min: 1, max: 6 }),
    bars: fc.integer({ min: 4, max: 10 }),
  })
  .map((r) => {
    const line: PowderLine = {
      id: 'l',
      materialId: 'top-glitter',
      gramsPerDm2: r.perDm2,
      count: r.count,
      carrier: r.wet ? { medium: 'oil', ratio: 2 } : null,
    };
    return planWith(
      Array.from({ length: r.pots }, (_, i) => pot(`P${i}`, 1, dose('kaolin', 5))),
      {
        additives: [
          {
            id: 'a',
            materialId: 'calendula',
            dose: gramsPerKg(r.petals),
            perBar: null,
            moment: 'top',
          },
        ],
      },
      {
        embeds: r.embeds,
        lines: [line],
        moulding: {
          ...emptyMoulding,
          moulds: [{ id: 'm', count: 1, mould: plainMould('Loaf', 'box') }],
          bars: { ...emptyMoulding.bars, by: 'count', count: r.bars },
        },
      },
    );
  });

/** What was read of a thing against what it should be, within what was printed. */
const near = (read: Contents, what: string, wanted: number): void => {
  const { v, e } = read.get(what) ?? { v: 0, e: 0 };
  expect(Math.abs(v - wanted)).toBeLessThanOrEqual(e + 0.006);
};

it('embeds, lines and dressings are on the sheet as the plan has them, for 300 plans', () => {
  const print = printerFor(metricUnits);
  fc.assert(
    fc.property(anyPlan, (plan) => {
      const read = readBesides(sheetText(sheetOf(plan, tenthGramScale, print)));
      for (const e of plan.embeds) {
        const facts = embedFacts(plan.moulding, e);
        const { contents, set } = read.embeds.get(e.name)!;
        // By hand: pieces in all, or per bar; a rod serves every bar along the loaf.
        const rod = e.shape === 'rod' || e.shape === 'round-rod';
        const count = e.pieces ?? e.perBar * (rod ? 1 : barsOf(plan.moulding).count);
        expect([set, facts.count]).toEqual([count, count]);
        near(contents, EMBED_BASE_NAMES[e.base], e.gramsEach === null ? facts.mass : e.gramsEach * count);
        const parts = e.parts.reduce((sum, p) => sum + p.parts, 0);
        for (const id of POWDERS) {
          const wanted = e.parts.reduce(
            (sum, p) =>
              sum +
              p.doses.reduce(
                (s, d) => s + (d.materialId === id ? (d.dose * facts.mass * p.parts) / parts / 1000 : 0),
                0,
              ),
            0,
          );
          near(contents, shelfItem(id).name, wanted);
        }
        if (e.dusting) near(contents, shelfItem('mica-anvil').name, facts.dusting!.mass);
      }
      const glitter = lineMass(plan.moulding, plan.lines[0]!);
      near(read.powders, shelfItem('top-glitter').name, glitter);
      near(read.powders, shelfItem('calendula').name, plan.base.additives[0]!.dose);
      near(read.carriers, 'light oil', plan.lines[0]!.carrier ? 2 * glitter : 0);
    }),
    { numRuns: 300, endOnFailure: true },
  );
});
