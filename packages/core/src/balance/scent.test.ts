import { cured } from '../pigment/stage.ts';
import { planWith, pot, scentOf, shelfItem } from '../testing/plans.ts';
import { flowOf } from './balance.ts';
import { labOf } from '../pigment/composition.ts';
import { potComposition } from './potComposition.ts';
import { addScentPart, changeScent, removeScentPart, setScent } from '../plan/edit/index.ts';
import { cureLoss } from './fill.ts';
import { type Plan, type ScentChoice } from '../plan/plan.ts';
import { productPerOil } from './product.ts';
import { limitOnOils, scentBlend } from './scent.ts';
import { stabiliserFor } from '../material/browning.ts';

/** Three parts of biscuit (limit 40, vanillin 11 %, slight), one of red gate (limit 20, 1 %, strong). */
const blendOf: ScentChoice = scentOf('scent-oat-biscuit', 24, {
  parts: [
    { id: 'a', materialId: 'scent-oat-biscuit', parts: 3 },
    { id: 'b', materialId: 'scent-red-gate', parts: 1 },
  ],
});
const scented = (scent: ScentChoice): Plan =>
  planWith([{ ...pot('A', 1), scented: true }, pot('B', 1)], { scent });

describe('blends', () => {
  it('limit is the least of limit over share, vanillin is weighed, the fastest sets the pace', () => {
    const blend = scentBlend(scented(blendOf), blendOf, 1);
    // 40 / 0.75 = 53.3 against 20 / 0.25 = 80
    expect(blend.limit).toBeCloseTo(40 / 0.75, 9);
    expect(blend.limitedBy!.id).toBe('scent-oat-biscuit');
    // 0.75 × 0.11 + 0.25 × 0.01
    expect(blend.vanillin).toBeCloseTo(0.085, 9);
    expect(blend.pace).toBe('strong');
    // 0.75 × 0.13 + 0.25 × 0.16
    expect(blend.pricePerGram).toBeCloseTo(0.1375, 9);
  });

  it('a part of nothing counts for nothing', () => {
    const none = { ...blendOf, parts: blendOf.parts.map((p) => (p.id === 'b' ? { ...p, parts: 0 } : p)) };
    expect(scentBlend(scented(none), none, 1)).toMatchObject({ pace: 'slight', limit: 40 });
    const empty = { ...blendOf, parts: blendOf.parts.map((p) => ({ ...p, parts: 0 })) };
    expect(scentBlend(scented(empty), empty, 1)).toMatchObject({ limit: Infinity, limitedBy: null });
  });

  it('a limit on the finished product is turned into one on oils, never mixed', () => {
    const plan = scented(scentOf('scent-tin-roof', 30));
    // 1,434.3 g batter + 15 g scent from 1,000 g oils, less what dries off
    const per = ((1434.261 + 15) / 1000) * (1 - cureLoss(plan));
    expect(productPerOil(plan)).toBeCloseTo(per, 3);
    expect(limitOnOils(shelfItem('scent-tin-roof'), productPerOil(plan))).toBeCloseTo(28 * per, 1);
    expect(limitOnOils(shelfItem('scent-limewash'), productPerOil(plan))).toBe(50);
  });
});

describe('which pots get it', () => {
  it('into the oils it reaches every pot', () => {
    const plan = scented({ ...blendOf, when: 'oils' });
    const { pots, ledger } = flowOf(plan);
    for (const p of pots) expect(p.contents[ledger.at('scent')]).toBeCloseTo(12, 6);
    expect(potComposition(plan, plan.pots[1]!).canvas.scent).not.toBeNull();
  });
});

describe('browning', () => {
  const yellowness = (scent: ScentChoice): number => {
    const plan = scented(scent);
    return labOf(potComposition(plan, plan.pots[0]!), cured())[2];
  };
  const biscuit = scentOf('scent-oat-biscuit', 30);

  it('grows with vanillin and is held back by stabiliser', () => {
    const bare = yellowness(scentOf('scent-limewash', 30));
    const brown = yellowness(biscuit);
    const held = yellowness({ ...biscuit, stabiliser: stabiliserFor(0.11) });
    expect(brown - bare).toBeGreaterThan(8);
    // It slows browning and lets seven tenths of it come; it rarely stops it.
    expect(held).toBeLessThan(brown - 1);
    expect(held).toBeGreaterThan(bare);
    // More than enough holds back no more than enough.
    expect(yellowness({ ...biscuit, stabiliser: 3 })).toBeCloseTo(held, 9);
  });

  it.each([
    [0, 0],
    [0.1, 0.5],
    [0.101, 1],
    [0.2, 1],
    [0.201, 1.5],
  ])('vanillin %d wants %d g of stabiliser a gram', (vanillin, ratio) => {
    expect(stabiliserFor(vanillin)).toBe(ratio);
  });
});

it('edits keep the copies that are used and drop the rest', () => {
  let plan = setScent(planWith([pot('A', 1)]), { material: shelfItem('scent-limewash'), dose: 30 });
  plan = addScentPart(plan, 'second', shelfItem('scent-red-gate'), 20);
  expect(plan.base.scent!.parts).toHaveLength(2);
  expect(plan.base.scent!.dose).toBe(30);
  plan = changeScent(plan, { stabiliser: 0.5, when: 'batter' });
  expect(plan.base.scent).toMatchObject({ stabiliser: 0.5, when: 'batter' });
  plan = removeScentPart(plan, 'second');
  expect(plan.materials.some((m) => m.id === 'scent-red-gate')).toBe(false);
  plan = removeScentPart(plan, plan.base.scent!.parts[0]!.id);
  expect(plan.base.scent).toBeNull();
});
