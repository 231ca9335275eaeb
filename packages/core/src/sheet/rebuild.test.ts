import fc from 'fast-check';
import { flowOf } from '../balance/balance.ts';
import { type Flow } from '../balance/flow.ts';
import { shelfItem, dose, planWith, pot, scentOf, tenthGramScale } from '../testing/plans.ts';
import { type Contents, readSheet } from '../testing/readSheet.ts';
import {
  ADDITIVE_MOMENTS,
  type Draw,
  emptyWork,
  LIQUID_KINDS,
  type Plan,
  type Pot,
  SCENT_MOMENTS,
} from '../plan/plan.ts';
import { grams, gramsPerKg } from '../units/quantity.ts';
import { plainPrinter } from '../units/printer.ts';
import { liquidName } from '../work/dispersion.ts';
import { workOrder } from '../work/order.ts';
import { sheetOf, sheetText } from './index.ts';

const measuring = { ...tenthGramScale, scaleDivision: 0.01 };
const fine = { ...plainPrinter, weighed: (g: number) => g.toFixed(2) };
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

const anyPlan: fc.Arbitrary<Plan> = fc
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

/** What the balance puts into a pot or the bowl, by the names that the sheet uses. */
function named(plan: Plan, { ledger }: Flow, contents: Float64Array): Map<string, number> {
  const by = new Map<string, number>();
  const add = (what: string, mass: number): void => void by.set(what, (by.get(what) ?? 0) + mass);
  const name = (id: string): string => plan.materials.find((m) => m.id === id)!.name;
  ledger.oils.forEach((id, i) => add(name(id), contents[i]!));
  add('Sodium hydroxide', contents[ledger.at('naoh')]!);
  add('Potassium hydroxide', contents[ledger.at('koh')]!);
  const share = (plan.base.liquid.parts[0]?.percent ?? 0) / 100;
  const liquid = contents[ledger.at('liquid')]!;
  add('Water', liquid * (1 - share));
  add('Other liquid', liquid * share);
  add(liquidName(plan, 'oil', false), contents[ledger.at('carrier-oil')]!);
  add('water', contents[ledger.at('carrier-water')]!);
  add('glycerin', contents[ledger.at('glycerin')]!);
  add('Vanillin stabiliser', contents[ledger.at('stabiliser')]!);
  if (plan.base.scent) add(shelfItem('scent-limewash').name, contents[ledger.at('scent')]!);
  for (const m of plan.materials)
    if (m.kind !== 'oil' && m.kind !== 'scent') add(m.name, contents[ledger.material(m.id)]!);
  return by;
}

/** Every ingredient of a vessel as it was read, against the balance, within what was printed. */
function compare(read: Contents, wanted: Map<string, number>, where: string, text: string): void {
  const off: string[] = [];
  for (const what of new Set([...read.keys(), ...wanted.keys()])) {
    const { v, e } = read.get(what) ?? { v: 0, e: 0 };
    const w = wanted.get(what) ?? 0;
    // A division of the scale for what is measured, a drop for what comes by drops; lines under 0.005 g are not printed.
    if (Math.abs(v - w) > e + 0.05)
      off.push(`${where}: ${what} ${v.toFixed(3)} ± ${e.toFixed(3)}, in the balance ${w.toFixed(3)}`);
  }
  // The sheet is shown with what is off.
  expect(off.length > 0 ? [...off, text] : []).toEqual([]);
}

describe('a maker who follows the sheet', () => {
  it('makes exactly what the balance holds, for 300 plans', () => {
    let seen = 0;
    fc.assert(
      fc.property(anyPlan, (plan) => {
        const flow = flowOf(plan);
        // More drawn than there is, late things that nobody takes, or too little water for the lye are told before the sheet.
        fc.pre(flow.unallocated > -1e-9 && flow.pots.every((p) => p.drawnOff <= 1 && p.mass > 5));
        fc.pre(!lost(plan, flow) && flow.lyes.every((l) => l.vesselWater > l.naoh + l.koh));
        seen++;
        const text = sheetText(sheetOf(plan, measuring, fine));
        const read = readSheet(text);
        const { order } = workOrder(plan);
        for (const p of flow.pots) {
          const number = order.indexOf(p.pot.id) + 1;
          const got = read.pots.get(number)!.contents;
          const left = named(plan, flow, p.contents);
          for (const [what, mass] of left) left.set(what, mass * Math.max(0, 1 - p.drawnOff));
          compare(got, left, p.pot.name, text);
        }
        // Less than that is what the jugs were rounded by.
        if (flow.leftoverMass > 0.5) compare(read.bowl, named(plan, flow, flow.leftover), 'the bowl', text);
      }),
      // A plan is shown as it was found: making it smaller takes longer than reading it.
      { numRuns: 300, endOnFailure: true },
    );
    expect(seen).toBeGreaterThanOrEqual(300);
  });
});

/** Late liquid or additives that no pot of a lye takes: a stop, not a sheet. */
const lost = (plan: Plan, flow: Flow): boolean =>
  flow.lyes.some((l) => {
    const takes = flow.pots.filter(
      (p) =>
        (p.pot.ownLye ? p.pot.id : null) === l.potId &&
        p.pot.taken !== 'emulsion' &&
        p.draws.some((d) => d.draw.from === null && d.fraction > 1e-9),
    );
    return (
      plan.base.liquid.heldBack > 0 && takes.length === 0 && (l.potId !== null || flow.leftoverMass < 0.5)
    );
  });
