import { FELT } from '../balance/blend.ts';
import { dose, planWith, pot, scentOf, tenthGramScale, bead } from '../testing/plans.ts';
import { grams, gramsPerKg } from '../units/quantity.ts';
import { printerFor } from '../units/printer.ts';
import { metricUnits } from '../units/view.ts';
import { flowOf } from '../balance/balance.ts';
import { checkPlan } from '../checks/index.ts';
import { embedFacts } from '../balance/embedFacts.ts';
import { fillOf } from '../balance/fill.ts';
import { emptyMoulding, plainMould } from '../plan/moulding.ts';
import { timelineOf } from '../work/timeline.ts';
import { type Draw, emptyPlan, emptyWork, plainLye, type Plan, type Pot } from '../plan/plan.ts';
import { prepSheet } from '../work/prep.ts';
import * as why from './index.ts';

const print = printerFor(metricUnits);
const draw = (by: Draw['by'], value: number, from: string | null = null): Draw => ({
  id: 'd',
  from,
  by,
  value,
  second: 0,
});
const ball = bead({ width: 12, onTop: true }, [{ id: 'd', materialId: 'kaolin', dose: gramsPerKg(10) }]);
const loaf = planWith(
  [
    { ...pot('Blue', 2, { ...dose('mica-dome', 6), source: 'batch' }), scented: true },
    { ...pot('Sky', 1, dose('kaolin', 5)), draws: [draw('percent', 30, 'Blue')] },
    { ...pot('White', 1), reserve: grams(40) },
  ],
  {
    scent: scentOf('scent-oat-biscuit', 30, { stabiliser: 1 }),
    lye: { ...plainLye, kohShare: 10, naohPurity: 98 },
    additives: [
      { id: 'c', materialId: 'citric-acid', dose: gramsPerKg(5), perBar: null, moment: 'lye-water' },
      { id: 'o', materialId: 'oats-ground', dose: gramsPerKg(10), perBar: null, moment: 'trace' },
    ],
  },
  {
    moulding: { ...emptyMoulding, moulds: [{ id: 'm', count: 1, mould: plainMould('Box', 'box') }] },
    embeds: [ball],
    lines: [{ id: 'l', materialId: 'kaolin', gramsPerDm2: 0.4, count: 2, carrier: null }],
    work: emptyWork,
  },
);

/** Every explanation that a plan has. */
function everyWhy(plan: Plan, print = printerFor(metricUnits)): string[] {
  const sheet = prepSheet(plan, tenthGramScale);
  const { moulding } = plan;
  return [
    ...sheet.lyes.flatMap((l) => [...why.lye(plan, print, l), ...why.liquid(plan, print, l)]),
    ...why.batter(plan, print),
    ...sheet.pots.flatMap((p) => [
      ...why.weighed(plan, print, p.flow),
      ...why.left(print, p.flow),
      ...why.superfat(plan, print, p.flow),
      ...p.rows.flatMap((r) => why.dose(print, p.flow, r)),
    ]),
    ...why.scent(plan, print),
    ...[null, ...plan.pots].flatMap((p) => why.colour(plan, print, p, { hours: 1008, gel: 1 })),
    ...why.stabiliser(plan, print),
    ...sheet.additives.flatMap((a) => why.additive(plan, print, a.row, a.mass)),
    ...why.oils(plan, print),
    ...why.density(plan, print),
    ...why.concentration(plan, print),
    ...FELT.flatMap((group) => why.felt(plan, print, group)),
    ...plan.materials.flatMap((m) =>
      why.solved(plan, print, { from: 'material', materialId: m.id, mass: 300 }, 750),
    ),
    ...(sheet.scent ? why.scentCost(print, sheet.scent) : []),
    ...sheet.dispersions.flatMap((d) => why.dispersion(print, d)),
    ...sheet.pots.flatMap((p) => why.carryOver(print, 'the one before', p.flow, 0.5)),
    ...(
      [
        { from: 'mould' },
        { from: 'lye', mass: 100 },
        { from: 'bars', count: 8, weight: 110, at: 'cured' },
      ] as const
    ).flatMap((goal) => why.solved(plan, print, goal, 900)),
    ...why.fill(plan, print),
    ...moulding.moulds.flatMap((m) => why.mould(print, m)),
    ...why.bars(plan, print),
    ...plan.embeds.flatMap((e) => why.embed(print, embedFacts(moulding, e))),
    ...sheet.lines.flatMap((l) => why.line(plan, print, l.line.gramsPerDm2, l.line.count, l.mass)),
    ...timelineOf(plan).pots.flatMap((s) => why.pace(print, s.pace)),
  ];
}

it('every line keeps to the decimal mark of the maker', () => {
  const comma = printerFor({ ...metricUnits, decimalMark: 'comma' });
  const lines = everyWhy(loaf, comma);
  expect(lines.filter((l) => /\d,\d/.test(l)).length).toBeGreaterThan(20);
  expect(lines.filter((l) => /\d\.\d/.test(l))).toEqual([]);
});

it('the lye, step by step', () => {
  const plain = planWith([], { oils: [{ id: 'o', materialId: 'oil-olive', percent: 100 }] });
  expect(why.lye(plain, print, flowOf(plain).lyes[0]!)).toEqual([
    'Olive: 1000.0 g × 0.1355 = 135.5 g NaOH',
    'all of it saponified: 135.5 g',
    'less 5 % superfat: × 0.95 = 128.7 g',
    '= 128.7 g sodium hydroxide',
    'Sources differ on the values: the true superfat lies between 2.1 % and 7.8 %.',
  ]);
});

it('the last line of a sum is the figure on the screen', () => {
  const sheet = prepSheet(loaf, tenthGramScale);
  const blue = sheet.pots[0]!;
  expect(why.weighed(loaf, print, blue.flow).join()).toContain(print.mass(blue.batter!));
  expect(why.batter(loaf, print).join()).toContain(`= ${print.mass(sheet.flow.mass)}`);
  expect(why.superfat(loaf, print, blue.flow).join()).toContain(print.percent(blue.flow.superfat! * 100, 2));
  expect(why.fill(loaf, print).at(-1)).toContain(print.volume(fillOf(loaf).have));
});

describe('nothing is ever NaN, whatever was typed', () => {
  const base = (change: Partial<Plan['base']>): Plan => ({ ...loaf, base: { ...loaf.base, ...change } });
  const pots = (...change: Pot[]): Plan => ({ ...loaf, pots: change });
  const bad: readonly (readonly [string, Plan])[] = [
    ['the loaf', loaf],
    ['nothing at all', emptyPlan()],
    ['oils at 99.7 %', base({ oils: loaf.base.oils.map((o, i) => (i === 0 ? { ...o, percent: 39.7 } : o)) })],
    ['oils at 0 %', base({ oils: loaf.base.oils.map((o) => ({ ...o, percent: 0 })) })],
    ['superfat −2 %', base({ superfat: -2 })],
    ['concentration 60 %', base({ liquid: { ...loaf.base.liquid, value: 60 } })],
    ['all the liquid held back', base({ liquid: { ...loaf.base.liquid, heldBack: grams(5000) } })],
    ['a pot of 0 g', pots({ ...pot('A', 0) }, pot('B', 1))],
    ['no share at all', pots({ ...pot('A', 1), draws: [] })],
    [
      'a ring',
      pots(
        { ...pot('A', 1), draws: [draw('percent', 50, 'C')] },
        { ...pot('B', 1), draws: [draw('rest', 1, 'A')] },
        { ...pot('C', 1), draws: [draw('grams', 50, 'B')] },
      ),
    ],
    ['a pot from itself', pots({ ...pot('A', 1), draws: [draw('parts', 1, 'A')] })],
    [
      'scent by no parts',
      base({
        scent: { ...loaf.base.scent!, parts: [{ id: 'x', materialId: 'scent-oat-biscuit', parts: 0 }] },
      }),
    ],
    [
      'a mould of 0 mm',
      {
        ...loaf,
        moulding: {
          ...loaf.moulding,
          moulds: [{ id: 'm', count: 1, mould: { ...plainMould('Box', 'box'), height: 0 } }],
        },
      },
    ],
    [
      'bars that cannot fit',
      { ...loaf, moulding: { ...loaf.moulding, bars: { ...loaf.moulding.bars, by: 'count', count: 500 } } },
    ],
    [
      'a section that is not there',
      pots({ ...pot('A', 1), draws: [draw('section', 9)] }, { ...pot('B', 1), draws: [draw('layer', 0)] }),
    ],
    [
      'an oil without a value',
      { ...loaf, materials: loaf.materials.map((m) => ({ ...m, oil: m.oil && { ...m.oil, sapKoh: null } })) },
    ],
    [
      'powders of unknown density',
      { ...loaf, materials: loaf.materials.map((m) => ({ ...m, bulkDensity: null })) },
    ],
    ['an embed of no size', { ...loaf, embeds: [{ ...ball, width: 0 }] }],
  ];

  it.each(bad)('%s', (_, plan) => {
    for (const by of ['scale', 'spoons'] as const) {
      const measuring = { ...tenthGramScale, by };
      const said = [
        ...everyWhy(plan),
        ...checkPlan(plan, { measuring }).flatMap((c) => [c.sentence, c.arithmetic, c.remedy]),
      ];
      for (const line of said) expect(line).not.toMatch(/NaN|Infinity|undefined|null|–+ g\b/);
      const { flow } = prepSheet(plan, measuring);
      for (const p of flow.pots)
        for (const value of [p.mass, p.volume, p.oils, p.left, p.toMould, p.toTop, p.superfat ?? 0])
          expect(Number.isFinite(value)).toBe(true);
      for (const value of Object.values(fillOf(plan))) expect(Number.isFinite(value ?? 0)).toBe(true);
    }
  });
});
