import { dose, fourPotLoaf, planWith, pot, scentOf, shelfItem, tenthGramScale } from '../testing/plans.ts';
import { type Plan } from '../plan/plan.ts';
import { checkPlan } from './index.ts';

const ids = (plan: Plan, measuring = tenthGramScale): string[] =>
  checkPlan(plan, { measuring }).map((c) => c.id);
const find = (plan: Plan, id: string) =>
  checkPlan(plan, { measuring: tenthGramScale }).find((c) => c.id === id);
const withOlive = (percent: number): Plan => {
  const plan = planWith([pot('A', 1)]);
  const oils = plan.base.oils.map((o) => (o.materialId === 'oil-olive' ? { ...o, percent } : o));
  return { ...plan, base: { ...plan.base, oils } };
};

it('the reference loaf has nothing that stops it', () => {
  expect(checkPlan(fourPotLoaf(), { measuring: tenthGramScale }).filter((c) => c.level === 'stop')).toEqual(
    [],
  );
});

it('puts the gravest first', () => {
  const levels = checkPlan(planWith([pot('A', 1, dose('iron-blue', 9))], { superfat: -1 }), {
    measuring: tenthGramScale,
  }).map((c) => c.level);
  expect(levels[0]).toBe('stop');
  expect([...levels].sort((a, b) => 'swt'.indexOf(a[0]!) - 'swt'.indexOf(b[0]!))).toEqual(levels);
});

describe('both sides of each threshold', () => {
  it('oils-sum', () => {
    expect(find(withOlive(39.7), 'oils-sum')).toMatchObject({
      level: 'stop',
      sentence: 'The oils make 99.7 %, 0.3 % short.',
    });
    expect(find(withOlive(40.04), 'oils-sum')).toBeUndefined();
    expect(find(withOlive(41), 'oils-sum')?.sentence).toBe('The oils make 101 %, 1 % too much.');
  });

  it('oils-sum of a mini-batch with its own oils, at its pot', () => {
    const plan = (percent: number, ownLye = true): Plan =>
      planWith([
        pot('A', 1),
        { ...pot('B', 1), ownLye, ownOils: [{ id: 'l', materialId: 'oil-lard', percent }] },
      ]);
    const off = find(plan(99), 'oils-sum')!;
    expect(off).toMatchObject({
      level: 'stop',
      place: { at: 'pot', potId: 'B' },
      sentence: 'The oils of B make 99 %, 1 % short.',
    });
    expect(find(off.repairs![0]!.apply(plan(99)), 'oils-sum')).toBeUndefined();
    expect(find(plan(100), 'oils-sum')).toBeUndefined();
    expect(find(plan(99, false), 'oils-sum')).toBeUndefined();
  });

  it.each([
    [-0.1, 'stop'],
    [0, 'warn'],
    [2.9, 'warn'],
    [3, undefined],
    [12, undefined],
    [12.1, 'warn'],
  ])('superfat-range at %d %%', (superfat, level) => {
    expect(find(planWith([], { superfat }), 'superfat-range')?.level).toBe(level);
  });

  it.each([
    [24.9, true],
    [25, false],
    [40, false],
    [40.1, true],
  ])('lye-concentration at %d %%', (value, warns) => {
    const liquid = { by: 'concentration', value, parts: [], heldBack: 0 as never } as const;
    expect(ids(planWith([], { liquid })).includes('lye-concentration')).toBe(warns);
  });

  it('lye-missing-value', () => {
    const plan = planWith([]);
    const materials = plan.materials.map((m) =>
      m.id === 'oil-castor' ? { ...m, oil: { ...m.oil!, sapKoh: null } } : m,
    );
    expect(find({ ...plan, materials }, 'lye-missing-value')?.sentence).toMatch(
      'Castor has no saponification value',
    );
    expect(find(plan, 'lye-missing-value')).toBeUndefined();
  });

  it('dose-over says what happens', () => {
    const at = (d: number) => find(planWith([pot('A', 1, dose('red-iron-oxide', d))]), 'dose-over');
    expect(at(6)).toBeUndefined();
    expect(at(6.01)?.sentence).toMatch('Colours the lather');
  });

  it('dose-faint', () => {
    const at = (d: number) => ids(planWith([pot('A', 1, dose('red-iron-oxide', d))]));
    expect(at(0.001)).toContain('dose-faint');
    expect(at(0.3)).not.toContain('dose-faint');
    expect(at(0)).not.toContain('dose-faint');
  });

  it('too-small-to-weigh', () => {
    const at = (d: number) => ids(planWith([pot('A', 1, dose('ultramarine-blue', d))]));
    expect(at(0.19)).toContain('too-small-to-weigh');
    expect(at(0.2)).not.toContain('too-small-to-weigh');
  });

  it('rounding-shifts-colour', () => {
    const plan = planWith([pot('A', 1, dose('red-iron-oxide', 0.4)), pot('B', 9)]);
    expect(ids(plan, { ...tenthGramScale, scaleDivision: 1 })).toContain('rounding-shifts-colour');
    expect(ids(plan, { ...tenthGramScale, scaleDivision: 0.01 })).not.toContain('rounding-shifts-colour');
  });

  it('alkali-unstable and fades', () => {
    expect(ids(planWith([pot('A', 1, dose('iron-blue', 2))]))).toContain('alkali-unstable');
    expect(ids(planWith([pot('A', 1, dose('ultramarine-blue', 2))]))).not.toContain('alkali-unstable');
    expect(ids(planWith([pot('A', 1, dose('nettle', 8))]))).toContain('fades');
    expect(ids(planWith([pot('A', 1, dose('alkanet', 8))]))).not.toContain('fades');
  });

  it('fresh-misleads', () => {
    expect(ids(planWith([pot('A', 1, dose('turmeric', 4))]))).toContain('fresh-misleads');
    expect(ids(planWith([pot('A', 1, dose('ultramarine-blue', 5))]))).not.toContain('fresh-misleads');
  });

  it('total-solids', () => {
    const at = (d: number) => ids(planWith([pot('A', 1, dose('kaolin', d))]));
    expect(at(40)).not.toContain('total-solids');
    expect(at(40.1)).toContain('total-solids');
    expect(ids(planWith([pot('A', 1, dose('pumice-fine', 60))]))).not.toContain('total-solids');
  });

  it('carrier-heavy', () => {
    // Mica takes 3 parts of oil: 16 g/kg × 3 = 48 g/kg, 17 × 3 = 51 g/kg of a pot's oils.
    const at = (d: number) => ids(planWith([pot('A', 1, dose('mica-dome', d))]));
    expect(at(16)).not.toContain('carrier-heavy');
    expect(at(17)).toContain('carrier-heavy');
  });

  it('pots-unbalanced', () => {
    expect(find(planWith([pot('A', 0), pot('B', 0)]), 'pots-unbalanced')?.place).toEqual({ at: 'pots' });
    expect(find(planWith([pot('A', 1), pot('B', 0)]), 'pots-unbalanced')?.place).toEqual({
      at: 'pot',
      potId: 'B',
    });
    expect(find(planWith([pot('A', 1), pot('B', 0.01)]), 'pots-unbalanced')).toBeUndefined();
  });

  it('scent-over counts only the scented pots', () => {
    const limit = shelfItem('scent-red-gate').scent!.limit;
    const plan = (d: number, scented: boolean) =>
      planWith([{ ...pot('A', 1), scented }], { scent: scentOf('scent-red-gate', d) });
    expect(ids(plan(limit, true))).not.toContain('scent-over');
    expect(ids(plan(limit + 0.1, true))).toContain('scent-over');
    expect(ids(plan(limit + 0.1, false))).not.toContain('scent-over');
  });
});
