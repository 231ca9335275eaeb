import { barWeights } from '../balance/fill.ts';
import { plainMould } from '../plan/moulding.ts';
import { type Plan } from '../plan/plan.ts';
import { fourPotLoaf } from '../testing/plans.ts';
import { cutPlan, regionsOf } from './cutPlan.ts';
import { cureLossOf, learnLoss } from './loss.ts';
import { type CutRegion, emptyRecord, isOnHold, lyeState, setVerdict, verdictOn } from './record.ts';

const mould = { ...plainMould('Loaf', 'box'), length: 250, width: 80, height: 65 };
const cut = { by: 'thickness', thickness: 25, count: 0, kerf: 1, end: 5, columns: 1 } as const;
const region = (change: Partial<CutRegion>): CutRegion => ({
  id: 'r',
  use: 'bars',
  length: 100,
  direction: 'across',
  thickness: 24,
  columns: 1,
  ...change,
});

describe('a cut that is decided at the block', () => {
  it('starts as the plan has it, bar for bar and gram for gram', () => {
    const plan: Plan = {
      ...fourPotLoaf(),
      moulding: { ...fourPotLoaf().moulding, moulds: [{ id: 'm', count: 1, mould }], bars: cut },
    };
    const usual = barWeights(plan);
    const block = 1500;
    const is = cutPlan(mould, regionsOf(mould, cut), cut.kerf, block);
    expect(is.bars).toBe(usual.count);
    expect(is.left).toBeCloseTo(0, 6);
    // 25 of 250 mm.
    expect(is.pieces[1]!.mass).toBeCloseTo(150, 6);
    const byCount = { ...cut, by: 'count', count: 8 } as const;
    expect(cutPlan(mould, regionsOf(mould, byCount), 1, block).bars).toBe(8);
  });

  it('has regions of their own thickness and direction, samples and ends', () => {
    const is = cutPlan(
      mould,
      [
        region({ id: 'end', use: 'end', length: 10, thickness: 10 }),
        region({ id: 'thick', length: 93, thickness: 30 }),
        region({ id: 'flat', length: 100, direction: 'flat', thickness: 21, columns: 2 }),
        region({ id: 'tall', length: 47, direction: 'along', thickness: 26, use: 'samples' }),
      ],
      1,
      1300,
    );
    expect(is.pieces.map((p) => p.count)).toEqual([1, 3, 6, 3]);
    expect(is.left).toBe(0);
    expect(is.bars).toBe(9);
    expect(is.pieces[1]!.mass).toBeCloseTo(156, 6);
    expect(is.pieces[2]!.size).toEqual([100, 39.5, 21]);
    expect(is.cuts.cuts).toEqual([10, 40.5, 71.5, 103, 203]);
    // No more soap than there is.
    expect(is.pieces.reduce((sum, p) => sum + p.count * p.mass, 0)).toBeLessThan(1300);
  });

  it('says what no region takes, and what is too thin', () => {
    expect(cutPlan(mould, [region({ length: 300 })], 1, 1000).left).toBe(-50);
    expect(cutPlan(mould, [region({ thickness: 3 })], 1, 1000).pieces[0]!.problem).toBe('too-thin');
    expect(cutPlan(mould, [region({ thickness: 120 })], 1, 1000).pieces[0]!.problem).toBe('too-thin');
  });
});

describe('what is lost in cure', () => {
  const plan = fourPotLoaf();
  it('stands beside what was foretold, once both weights are known', () => {
    expect(cureLossOf(plan, { atCut: 1000, cured: null })).toBeNull();
    expect(cureLossOf(plan, { atCut: 1000, cured: 1010 })).toBeNull();
    const loss = cureLossOf(plan, { atCut: 1000, cured: 880 })!;
    expect(loss.measured).toBeCloseTo(0.12, 9);
    expect(loss.foretold).toBeGreaterThan(0.08);
  });

  it('is learned from recipes alike, drawn towards the usual', () => {
    const { foretold } = cureLossOf(plan, { atCut: 1000, cured: 900 })!;
    const half = { plan, cut: { atCut: 1000, cured: 1000 * (1 - 1.5 * foretold) } };
    expect(learnLoss([half], plan)).toEqual({ factor: expect.closeTo((1.5 + 2) / 3, 6), batches: 1 });
    expect(
      learnLoss(
        Array.from({ length: 30 }, () => half),
        plan,
      )!.factor,
    ).toBeGreaterThan(1.45);
    const other: Plan = {
      ...plan,
      base: { ...plan.base, oils: plan.base.oils.map((o, i) => ({ ...o, percent: i === 0 ? 100 : 0 })) },
    };
    expect(learnLoss([{ ...half, plan: other }], plan)).toBeNull();
  });
});

it('keeps one verdict on each thing', () => {
  const once = setVerdict(emptyRecord, 'scent', 's', { says: 'again', text: '' });
  const twice = setVerdict(once, 'scent', 's', { says: 'never', text: 'riced' });
  expect(twice.verdicts).toEqual([{ of: 'scent', ref: 's', says: 'never', text: 'riced' }]);
  expect(verdictOn(twice, 'scent', 's')!.says).toBe('never');
  expect(setVerdict(twice, 'scent', 's', null).verdicts).toEqual([]);
});

it('asks for the test of lye, and goes by its pH', () => {
  const riced = { ...emptyRecord, faults: [{ id: 'f', fault: 'riced', potIds: [], text: '' }] } as const;
  expect(lyeState(emptyRecord, false)).toBe('none-needed');
  expect(lyeState(emptyRecord, true)).toBe('wanted');
  expect(lyeState(riced, false)).toBe('wanted');
  const tested = (ph: number, canBeLifted = true) =>
    lyeState({ ...riced, lyeTest: { ph, on: '2026-03-10' } }, false, canBeLifted);
  expect([9, 10.5, 10.6, 11, 11.1].map((ph) => tested(ph))).toEqual([
    'passed',
    'passed',
    'doubtful',
    'doubtful',
    'failed',
  ]);
  // Soap that came below −3 % or separated stays on hold whatever a test says.
  expect(tested(9, false)).toBe('held');
  expect(lyeState(emptyRecord, true, false)).toBe('held');
  expect(lyeState(emptyRecord, false, false)).toBe('none-needed');
  expect((['none-needed', 'passed', 'wanted', 'doubtful', 'failed', 'held'] as const).map(isOnHold)).toEqual([
    false,
    false,
    true,
    true,
    true,
    true,
  ]);
});
