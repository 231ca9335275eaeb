import { bead, dose, planWith, pot } from '../testing/plans.ts';
import { emptyMoulding, type Moulding, plainMould } from '../plan/moulding.ts';
import { setAdditive, setBase, setDose, setMoulding } from '../plan/edit/index.ts';
import { type AdditiveRow, type Plan } from '../plan/plan.ts';
import { grams, gramsPerKg } from '../units/quantity.ts';
import { flowOf } from './balance.ts';
import { barWeights, fillOf, solveOils } from './fill.ts';
import { barsOfMould } from './mould.ts';
import { barShare, massPerBar, settleWishes } from './perBar.ts';

const loaf: Moulding = {
  ...emptyMoulding,
  moulds: [
    { id: 'm', count: 1, mould: { ...plainMould('Loaf', 'box'), length: 260, width: 80, height: 65 } },
  ],
  bars: { by: 'count', thickness: 25, count: 10, kerf: 0, end: 0, columns: 1 },
};
const seeds = (change: Partial<AdditiveRow> = {}): AdditiveRow => ({
  id: 's',
  materialId: 'poppy-seed',
  dose: gramsPerKg(8),
  perBar: null,
  moment: 'trace',
  ...change,
});
const plan = (additives: AdditiveRow[] = [seeds()], rest: Partial<Plan> = {}): Plan =>
  planWith([pot('A', 2), pot('B', 1)], { additives }, { moulding: loaf, ...rest });

describe('bars weigh with their tops', () => {
  it('what is kept for the top and what is laid on it are shared out over the block', () => {
    const bare = plan();
    const topped = plan([seeds()], { embeds: [bead({ onTop: true, gramsEach: grams(5) })] });
    // Ten beads of 5 g on ten bars of the whole block: 5 g each.
    expect(barWeights(topped).atCut - barWeights(bare).atCut).toBeCloseTo(5, 6);
    const kept: Plan = { ...bare, pots: bare.pots.map((p, i) => (i ? p : { ...p, reserve: grams(80) })) };
    expect(fillOf(kept).massOnTop).toBeCloseTo(80, 6);
    // It only moved from the mould to the top.
    expect(barWeights(kept).atCut).toBeCloseTo(barWeights(bare).atCut, 6);
  });

  it('oils for bars of a weight count the top too', () => {
    const topped = plan([], { embeds: [bead({ onTop: true, gramsEach: grams(5) })] });
    const oils = solveOils(topped, { from: 'bars', count: 10, weight: 110, at: 'cut' })!;
    expect(barWeights(setBase(topped, { totalOils: grams(oils) })).atCut).toBeCloseTo(110, 1);
  });

  it('bars across divide a slab, never a box', () => {
    const cut = { ...loaf.bars, columns: 3 };
    expect(barsOfMould(loaf.moulds[0]!.mould, cut)).toMatchObject({ count: 10, thickness: 26 });
    const slab = { ...plainMould('Slab', 'slab'), length: 260, width: 240, height: 30 };
    expect(barsOfMould(slab, { ...cut, count: 12 })).toMatchObject({ count: 12, thickness: 65 });
  });
});

describe('grams per bar', () => {
  it('are the bar’s share of all soap', () => {
    const p = plan();
    const soap = flowOf(p).mass;
    expect(massPerBar(p, 8)).toBeCloseTo((8 * barWeights(p).atCut) / soap, 9);
    expect(barShare(planWith([pot('A', 1)]))).toBeNull();
  });

  it('a wish is met, and stays met when oils and bars change', () => {
    const wished = settleWishes(plan([seeds({ perBar: grams(1.5) })]));
    const each = (p: Plan): number => massPerBar(p, (p.base.additives[0]!.dose * p.base.totalOils) / 1000)!;
    expect(each(wished)).toBeCloseTo(1.5, 6);
    const larger = settleWishes(setBase(wished, { totalOils: grams(1600) }));
    expect(each(larger)).toBeCloseTo(1.5, 6);
    const fewer = settleWishes(setMoulding(wished, { bars: { ...loaf.bars, count: 6 } }));
    expect(each(fewer)).toBeCloseTo(1.5, 6);
    expect(fewer.base.additives[0]!.dose).toBeLessThan(wished.base.additives[0]!.dose);
    // A dose set by hand ends the wish.
    const byHand = setAdditive(wished, 's', { dose: gramsPerKg(5) });
    expect(byHand.base.additives[0]).toMatchObject({ dose: 5, perBar: null });
    expect(settleWishes(byHand)).toBe(byHand);
  });

  it('in one pot counts the whole bar, which holds a part of each pot', () => {
    const p = planWith(
      [pot('A', 1, { ...dose('poppy-seed', 8), perBar: grams(1) }), pot('B', 2)],
      {},
      { moulding: loaf },
    );
    const settled = settleWishes(p);
    const oils = flowOf(settled).pots[0]!.oils;
    expect(massPerBar(settled, (settled.pots[0]!.doses[0]!.dose * oils) / 1000)).toBeCloseTo(1, 6);
    expect(setDose(settled, 'A', 'poppy-seed', { dose: gramsPerKg(3) }).pots[0]!.doses[0]!.perBar).toBeNull();
  });

  it('without bars a wish waits', () => {
    const waiting = planWith([pot('A', 1)], { additives: [seeds({ perBar: grams(2) })] });
    expect(settleWishes(waiting)).toBe(waiting);
  });
});
