import { upgradePlan } from '../plan/upgrade.ts';
import { emptyMoulding, plainMould } from '../plan/moulding.ts';
import { emptyWork, type Plan } from '../plan/plan.ts';
import { dose, ideaOf, planWith, pot, scentOf, tenthGramScale } from '../testing/plans.ts';
import { grams, gramsPerKg } from '../units/quantity.ts';
import { checkPlan } from './checkPlan.ts';

/** A plan as the version before designs stored it. */
function asStored({ idea, base, pots, lines, materials, ...rest }: Plan): Parameters<typeof upgradePlan>[0] {
  const stored = {
    ...rest,
    schema: 6,
    idea: { technique: idea.design.top ?? idea.design.body[0] ?? null, colours: idea.colours },
    base: { ...base, additives: base.additives.map(({ perBar: _wish, ...a }) => a) },
    pots: pots.map((p) => ({ ...p, doses: p.doses.map(({ perBar: _wish, ...d }) => d) })),
    embeds: [],
    lines: lines.map(({ carrier: _carrier, ...l }) => l),
    materials: materials.map(
      ({ density: _d, scrub: _s, fat: _f, water: _w, allergens: _a, looks: _l, ...m }) => m,
    ),
  };
  return stored as never;
}

const box = { ...emptyMoulding, moulds: [{ id: 'm', count: 1, mould: plainMould('Loaf', 'box') }] };
const placed = (by: 'section' | 'layer', moulding = box): Plan =>
  planWith([{ ...pot('A', 1), draws: [{ id: 'd', from: null, by, value: 2, second: 0 }] }], {}, { moulding });

/** What earlier versions let in without a word. */
const BAD: readonly (readonly [id: string, plan: Plan])[] = [
  ['section-empty', placed('section')],
  [
    'section-empty',
    placed('layer', { ...box, moulds: [{ id: 'm', count: 1, mould: plainMould('Tube', 'cylinder') }] }),
  ],
  [
    'carrier-reaches-others',
    planWith([
      pot('A', 1, { ...dose('pumice-fine', 20), carrier: { medium: 'batch-oils', ratio: 0 } }),
      pot('B', 1),
    ]),
  ],
  [
    'late-without-taker',
    planWith([{ ...pot('A', 1), taken: 'emulsion' }], {
      liquid: { by: 'concentration', value: 30, heldBack: grams(40), parts: [] },
    }),
  ],
  ['scent-reaches-no-pot', planWith([pot('A', 1)], { scent: scentOf('scent-limewash', 30) })],
  [
    'dose-over',
    planWith([pot('A', 1, dose('ultramarine-blue', 8))], {
      additives: [
        { id: 'a', materialId: 'ultramarine-blue', dose: gramsPerKg(8), perBar: null, moment: 'oils' },
      ],
    }),
  ],
  ['mist-before-heat', planWith([pot('A', 1)], {}, { work: { ...emptyWork, finish: ['mist', 'oven'] } })],
  [
    'too-small-to-weigh',
    planWith(
      [pot('A', 1, dose('ultramarine-blue', 0.01))],
      { totalOils: grams(100) },
      {
        work: {
          ...emptyWork,
          dispersions: [{ materialId: 'ultramarine-blue', stock: { powderPercent: 10, gramsPerDrop: 0.04 } }],
        },
      },
    ),
  ],
  [
    'reads-as-one',
    planWith(
      [pot('A', 1, dose('kaolin', 10)), pot('B', 1, dose('kaolin', 10))],
      {},
      {
        idea: ideaOf('layers'),
      },
    ),
  ],
  ['untested-lot', planWith([pot('A', 1, dose('ultramarine-blue', 5))], { totalOils: grams(3000) })],
];

/** Told without a tap: only a test bar mends them. */
const UNMENDED = ['untested-lot'];

describe('a plan of an earlier version that holds what is told now', () => {
  it.each(BAD)('%s: is opened, told, and mended in one tap', (id, plan) => {
    const opened = upgradePlan(asStored(plan));
    expect(opened.pots).toHaveLength(plan.pots.length);
    const told = checkPlan(opened, { measuring: tenthGramScale }).find((c) => c.id === id)!;
    expect(told.sentence).not.toBe('');
    const repairs = told.repairs ?? [];
    expect(repairs.length > 0).toBe(!UNMENDED.includes(id));
    for (const repair of repairs.slice(0, 1)) {
      const left = checkPlan(repair.apply(opened), { measuring: tenthGramScale });
      expect(left.filter((c) => c.id === id && c.sentence === told.sentence)).toEqual([]);
    }
  });
});
