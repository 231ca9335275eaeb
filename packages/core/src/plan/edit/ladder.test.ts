import { dose, planWith, pot, shelfItem } from '../../testing/plans.ts';
import { type OilRow, type Pot } from '../plan.ts';
import { writeLadder } from './ladder.ts';

const rung = (id: string, value: number) => ({
  id,
  parts: [{ rowId: `${id}-d`, material: shelfItem('ultramarine-blue'), dose: value }],
});
const blue = (name: string, value: number, change: Partial<Pot> = {}): Pot => ({
  ...pot(name, 1, dose('ultramarine-blue', value)),
  ...change,
});
const own = (percents: Readonly<Record<string, number>>): OilRow[] =>
  Object.entries(percents).map(([id, percent]) => ({ id, materialId: `oil-${id}`, percent }));

describe('a ladder', () => {
  it('is written between its ends, in order, as the first end is drawn', () => {
    const plan = planWith([blue('A', 2, { taken: 'emulsion' }), pot('Other', 1), blue('B', 8)]);
    const next = writeLadder(plan, 'A', 'B', [rung('r1', 4), rung('r2', 6)]);
    expect(next.pots.map((p) => p.name)).toEqual(['A', 'A → B 1', 'A → B 2', 'B', 'Other']);
    expect(next.pots[1]).toMatchObject({ taken: 'emulsion', ownLye: false, hoursBefore: 0 });
    expect(writeLadder(plan, 'A', 'nobody', [rung('r', 4)])).toBe(plan);
  });

  it('has as much carrier in each rung as in the fullest', () => {
    const next = writeLadder(planWith([blue('A', 2), blue('B', 8)]), 'A', 'B', [rung('r1', 5)]);
    // 8 g/kg in 2 parts of oil are 16 g: 2 × 8, 5 × 3.2
    expect(next.pots.map((p) => p.doses[0]!.carrier!.ratio)).toEqual([8, 3.2, 2]);
  });

  it('between mini-batches it is one of mini-batches, with oils and hours between', () => {
    const ends = planWith([
      blue('A', 2, { ownLye: true, hoursBefore: 6, ownOils: own({ lard: 60, olive: 40 }) }),
      blue('B', 8, { ownLye: true, hoursBefore: 0, ownOils: own({ olive: 100 }) }),
    ]);
    const [, r1, r2] = writeLadder(ends, 'A', 'B', [rung('r1', 4), rung('r2', 6)]).pots;
    expect([r1!.hoursBefore, r2!.hoursBefore]).toEqual([4, expect.closeTo(2, 9)]);
    const oils = (p: Pot) => p.ownOils.map((o) => [o.materialId, Math.round(o.percent * 10) / 10]);
    expect(oils(r1!)).toEqual([
      ['oil-lard', 40],
      ['oil-olive', 60],
    ]);
    expect(oils(r2!)).toEqual([
      ['oil-lard', 20],
      ['oil-olive', 80],
    ]);
    expect(r1!.ownLye && r2!.ownLye).toBe(true);
    // With the recipe's oils at both ends they have none of their own.
    const plain = planWith([blue('A', 2, { ownLye: true }), blue('B', 8, { ownLye: true })]);
    expect(writeLadder(plain, 'A', 'B', [rung('r', 4)]).pots[1]).toMatchObject({ ownLye: true, ownOils: [] });
    // A mini-batch and a part of the common batter: the rungs are drawn from the common one.
    const mixed = planWith([blue('A', 2, { ownLye: true, hoursBefore: 2 }), blue('B', 8)]);
    expect(writeLadder(mixed, 'A', 'B', [rung('r', 4)]).pots[1]).toMatchObject({ ownLye: false });
  });
});
