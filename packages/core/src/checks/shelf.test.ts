import { flowOf } from '../balance/balance.ts';
import { type Material } from '../material/material.ts';
import { type Plan } from '../plan/plan.ts';
import { dose, planWith, pot, scentOf, shelfItem, tenthGramScale } from '../testing/plans.ts';
import { gramsPerKg } from '../units/quantity.ts';
import { type Check } from './check.ts';
import { checkPlan } from './index.ts';

const plan = planWith([pot('A', 1, dose('ultramarine-blue', 3))], {
  scent: scentOf('scent-limewash', 20),
  additives: [{ id: 'a', materialId: 'citric-acid', dose: gramsPerKg(5), perBar: null, moment: 'lye-water' }],
});
const withShelf = (p: Plan, changed: Material, made = false): Check[] => {
  const shelf = new Map(p.materials.map((m) => [m.id, m.id === changed.id ? changed : m]));
  return checkPlan(p, { measuring: tenthGramScale, shelf, made }).filter((c) => c.id.startsWith('shelf-'));
};
const olive = shelfItem('oil-olive');
const corrected: Material = { ...olive, oil: { ...olive.oil!, sapKoh: 194 } };

it('a corrected saponification value reaches the plan by one tap, and with it the lye', () => {
  const [found, ...others] = withShelf(plan, corrected);
  expect(others).toEqual([]);
  expect(found).toMatchObject({
    level: 'warn',
    place: { at: 'oils' },
    sentence: 'The shelf has another value for Olive than this plan: saponification value.',
    arithmetic: 'saponification value: 190 mg KOH/g here, 194 mg KOH/g on the shelf',
  });
  const repaired = found!.repairs![0]!.apply(plan);
  expect(withShelf(repaired, corrected)).toEqual([]);
  // 400 g of olive × 4 mg/g more × 39.997/56.105 × 0.95
  const naoh = (p: Plan): number => flowOf(p).lyes[0]!.naoh;
  expect(naoh(repaired) - naoh(plan)).toBeCloseTo(((400 * 0.004 * 39.997) / 56.105) * 0.95, 6);
});

it.each<[string, Check['level'], Check['place']['at'], string, (m: Material) => Material]>([
  ['a lye demand', 'warn', 'additives', 'citric-acid', (m) => ({ ...m, lyeDemand: 0.571 })],
  ['a scent limit', 'warn', 'scent', 'scent-limewash', (m) => ({ ...m, scent: { ...m.scent!, limit: 12 } })],
  [
    'the basis of a limit',
    'warn',
    'scent',
    'scent-limewash',
    (m) => ({ ...m, scent: { ...m.scent!, limitBasis: 'product' } }),
  ],
  ['a caution', 'warn', 'dose', 'ultramarine-blue', (m) => ({ ...m, cautions: [...m.cautions, 'stains'] })],
  ['a colour', 'tip', 'dose', 'ultramarine-blue', (m) => ({ ...m, colour: '#4a63b1' })],
  ['a density', 'tip', 'dose', 'ultramarine-blue', (m) => ({ ...m, bulkDensity: 0.75 })],
  ['a price', 'tip', 'dose', 'ultramarine-blue', (m) => ({ ...m, pricePerGram: 0.9 })],
])('%s that differs is a %s', (_, level, at, id, change) => {
  const found = withShelf(plan, change(shelfItem(id)));
  expect(found.map((c) => [c.level, c.place.at])).toEqual([[level, at]]);
});

it('says nothing of a name, of what is in stock, of a batch that is made, or of what has left the shelf', () => {
  expect(withShelf(plan, { ...olive, name: 'Olive, late', stock: 3, inStock: true, lots: [] })).toEqual([]);
  expect(withShelf(plan, corrected, true)).toEqual([]);
  expect(checkPlan(plan, { measuring: tenthGramScale, shelf: new Map() }).map((c) => c.id)).not.toContain(
    'shelf-differs',
  );
});

it('newer default curves are one tip and one tap, however many they are', () => {
  const curves = planWith([pot('A', 1, dose('ultramarine-blue', 3), dose('red-iron-oxide', 1))]);
  const shelf = new Map(
    curves.materials.map((m) => [
      m.id,
      m.optics ? { ...m, optics: { ...m.optics, k: m.optics.k.map((k) => k * 1.1) } } : m,
    ]),
  );
  const tips = (p: Plan) =>
    checkPlan(p, { measuring: tenthGramScale, shelf }).filter((c) => c.id.startsWith('shelf-'));
  const [found, ...others] = tips(curves);
  expect(others).toEqual([]);
  expect(found).toMatchObject({
    id: 'shelf-newer',
    level: 'tip',
    sentence:
      'The shelf has other values than this plan for Ultramarine blue (colour curve); Red iron oxide (colour curve).',
  });
  expect(tips(found!.repairs![0]!.apply(curves))).toEqual([]);
});

it('tells one fault once, the graver level first', () => {
  const found = withShelf(plan, { ...corrected, pricePerGram: 1 });
  expect(found).toHaveLength(1);
  expect(found[0]!.level).toBe('warn');
  expect(found[0]!.arithmetic).toContain('price');
});
