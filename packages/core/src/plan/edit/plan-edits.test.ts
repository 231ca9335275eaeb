import fc from 'fast-check';
import { dose, planWith, pot, scentOf, shelfItem, bead } from '../../testing/plans.ts';
import { grams, gramsPerKg } from '../../units/quantity.ts';
import { integrityProblems } from '../integrity.ts';
import { emptyMoulding, plainMould } from '../moulding.ts';
import { type Draw, newPot, type Plan } from '../plan.ts';
import * as edit from './index.ts';

const held = (plan: Plan): string[] => plan.materials.map((m) => m.id);
const from = (id: string, donor: string, by: Draw['by'] = 'percent', value = 30): Draw => ({
  id,
  from: donor,
  by,
  value,
  second: 0,
});

describe('additives', () => {
  it.each([
    ['sodium-lactate', 'lye-water'],
    ['honey', 'oils'],
    ['oat-colloidal', 'water'],
    ['poppy-seed', 'trace'],
  ])('%s starts at its typical dose, at %s', (id, moment) => {
    const plan = edit.addAdditive(planWith([]), 'a', shelfItem(id));
    expect(plan.base.additives).toEqual([
      { id: 'a', materialId: id, dose: shelfItem(id).window!.typical, perBar: null, moment },
    ]);
    expect(held(plan)).toContain(id);
  });

  it('come once, change, and leave with their copies', () => {
    let plan = edit.addAdditive(planWith([]), 'a', shelfItem('honey'));
    expect(edit.addAdditive(plan, 'again', shelfItem('honey'))).toBe(plan);
    plan = edit.setAdditive(plan, 'a', { dose: gramsPerKg(12), moment: 'trace' });
    expect(plan.base.additives[0]).toMatchObject({ dose: 12, moment: 'trace' });
    plan = edit.removeAdditive(plan, 'a');
    expect(plan.base.additives).toEqual([]);
    expect(held(plan)).not.toContain('honey');
  });
});

describe('oils of a mini-batch', () => {
  const mini: Plan = planWith([{ ...pot('A', 1), ownLye: true }, pot('B', 1)]);
  const own = (plan: Plan): [string, number][] => plan.pots[0]!.ownOils.map((o) => [o.materialId, o.percent]);

  it('start as the recipe, change alone, and bring their copies', () => {
    let plan = edit.setOils(mini, mini.base.oils, 'A');
    plan = edit.removeOil(plan, 'oil-olive', 'A');
    plan = edit.addOil(plan, 'new', shelfItem('oil-shea'), 'A');
    // Shea takes the 40 % that olive left.
    expect(own(plan)).toEqual([
      ['oil-coconut', 30],
      ['oil-lard', 25],
      ['oil-castor', 5],
      ['oil-shea', 40],
    ]);
    expect(plan.base.oils).toBe(mini.base.oils);
    expect(held(plan)).toEqual(expect.arrayContaining(['oil-olive', 'oil-shea']));
    plan = edit.setOilPercent(plan, 'new', 20, 'A');
    expect(own(edit.normaliseOils(plan, 'A')).at(-1)).toEqual(['oil-shea', 25]);
    expect(edit.addOil(plan, 'again', shelfItem('oil-shea'), 'A')).toBe(plan);
  });

  it('leave with their copies when the pot goes, or goes back to the recipe', () => {
    const plan = edit.addOil(edit.setOils(mini, [], 'A'), 'new', shelfItem('oil-shea'), 'A');
    expect(held(plan)).toContain('oil-shea');
    expect(held(edit.removePot(plan, 'A'))).not.toContain('oil-shea');
    expect(held(edit.removeOil(plan, 'new', 'A'))).not.toContain('oil-shea');
  });
});

describe('moulds, embeds and lines', () => {
  it('a mould is changed alone among its neighbours', () => {
    const moulds = ['a', 'b'].map((id) => ({ id, count: 1, mould: plainMould(id, 'box') }));
    const plan = edit.setMoulding(planWith([]), { moulds, reserve: grams(50) });
    const next = edit.setMould(plan, 'b', { count: 3 });
    expect(next.moulding.moulds.map((m) => m.count)).toEqual([1, 3]);
    expect(next.moulding.reserve).toBe(50);
    expect(next.moulding.bars).toEqual(emptyMoulding.bars);
  });

  it('embeds and lines bring their copies and take them along', () => {
    let plan = edit.addEmbed(planWith([]), bead());
    plan = edit.addEmbedDose(plan, 'e', 'part', 'd', shelfItem('mica-dome'));
    plan = edit.setEmbedDusting(plan, 'e', shelfItem('mica-anvil'));
    expect(held(plan)).toContain('mica-anvil');
    plan = edit.setEmbedDusting(plan, 'e', null);
    expect(held(plan)).not.toContain('mica-anvil');
    plan = edit.setEmbedPart(plan, 'e', 'part', { parts: 3 });
    expect(plan.embeds[0]!.parts).toMatchObject([{ parts: 3, doses: [{ materialId: 'mica-dome' }] }]);
    plan = edit.addLine(
      plan,
      { id: 'l', materialId: 'kaolin', gramsPerDm2: 0.5, count: 1, carrier: null },
      shelfItem('kaolin'),
    );
    expect(held(plan)).toEqual(expect.arrayContaining(['mica-dome', 'kaolin']));
    plan = edit.setEmbed(plan, 'e', { perBar: 2 });
    plan = edit.setLine(plan, 'l', { count: 4 });
    expect([plan.embeds[0]!.perBar, plan.lines[0]!.count]).toEqual([2, 4]);
    plan = edit.removeLine(edit.removeEmbed(plan, 'e'), 'l');
    expect([plan.embeds, plan.lines]).toEqual([[], []]);
    expect(held(plan)).not.toEqual(expect.arrayContaining(['mica-dome', 'kaolin']));
  });
});

describe('draws', () => {
  const two = planWith([pot('A', 1), pot('B', 1)]);

  it('are added, changed and removed', () => {
    let plan = edit.addDraw(two, 'B', from('d', 'A'));
    plan = edit.setDraw(plan, 'B', 'd', { value: 45 });
    expect(plan.pots[1]!.draws.find((d) => d.id === 'd')).toMatchObject({ from: 'A', value: 45 });
    plan = edit.removeDraw(plan, 'B', 'd');
    expect(plan.pots[1]!.draws).toHaveLength(1);
  });

  it('from a pot that leaves go with it, so that no reference is left hanging', () => {
    const plan = edit.removePot(edit.addDraw(two, 'B', from('d', 'A')), 'A');
    expect(plan.pots.map((p) => p.draws.map((d) => d.from))).toEqual([[null]]);
    expect(integrityProblems(plan)).toEqual([]);
  });

  it('a new pot is scented where the batch is', () => {
    const plan = planWith([], { scent: scentOf('scent-limewash', 30) });
    expect(edit.addPot(plan, 'p', 'P').pots[0]!.scented).toBe(true);
    expect(edit.addPot(two, 'p', 'P').pots[2]).toMatchObject({ ...newPot('p', 'P'), scented: false });
  });
});

describe('carriers', () => {
  it('all from the batch, and all beside it again', () => {
    const plan = planWith([pot('A', 1, dose('mica-dome', 5), dose('kaolin', 5))]);
    const batch = edit.setCarrierSource(plan, 'batch');
    expect(batch.pots[0]!.doses.map((d) => d.source)).toEqual(['batch', 'batch']);
    expect(edit.setCarrierSource(batch, 'extra')).toEqual(plan);
  });

  it('an oil chosen for carriers is held, and dropped when it is not wanted', () => {
    const plan = edit.setCarrierOil(planWith([]), shelfItem('oil-sunflower'));
    expect(held(plan)).toContain('oil-sunflower');
    expect(held(edit.setCarrierOil(plan, null))).not.toContain('oil-sunflower');
  });
});

it('a kept base takes over oils, lye and liquid, and leaves the rest', () => {
  const plan = planWith([pot('A', 1, dose('kaolin', 5))], { scent: scentOf('scent-limewash', 30) });
  const next = edit.useRecipe(
    plan,
    {
      superfat: 8,
      lye: { kohShare: 5, naohPurity: 99, kohPurity: 90 },
      liquid: { by: 'ratio', value: 2.2, parts: [], heldBack: grams(0) },
      temperature: 38,
      oils: [
        { material: shelfItem('oil-rice-bran'), percent: 60 },
        { material: shelfItem('oil-coconut'), percent: 40 },
      ],
    },
    (i) => `row-${i}`,
  );
  expect(next.base).toMatchObject({ superfat: 8, temperature: 38, totalOils: 1000 });
  expect(next.base.oils.map((o) => [o.id, o.percent])).toEqual([
    ['row-0', 60],
    ['row-1', 40],
  ]);
  expect(next.base.scent).toEqual(plan.base.scent);
  expect(next.pots).toEqual(plan.pots);
  expect(held(next)).not.toContain('oil-lard');
  expect(integrityProblems(next)).toEqual([]);
  expect(next.base.lye.kohShare).toBe(5);
  expect(next.base.liquid).toMatchObject({ by: 'ratio', value: 2.2 });
});

it('no edit of a sound plan makes an unsound one', () => {
  const ids = ['A', 'B', 'C'];
  const id = fc.constantFrom(...ids);
  const step = fc.oneof(
    fc.tuple(id, id).map(
      ([a, b]) =>
        (p: Plan, n: number) =>
          edit.addDraw(p, a, from(`x${n}`, b)),
    ),
    id.map((a) => (p: Plan) => edit.removePot(p, a)),
    id.map((a) => (p: Plan, n: number) => edit.copyPot(p, a, `copy-${n}`, (i) => `r${n}-${i}`)),
    id.map((a) => (p: Plan, n: number) => edit.addDose(p, a, `dose-${n}`, shelfItem('kaolin'))),
    fc.constant((p: Plan, n: number) => edit.addAdditive(p, `add-${n}`, shelfItem('sugar'))),
    fc.constant((p: Plan) => edit.setCarrierOil(p, shelfItem('oil-hemp'))),
    fc.constant((p: Plan) => edit.setDispersion(p, 'kaolin', { stock: null })),
  );
  fc.assert(
    fc.property(fc.array(step, { maxLength: 14 }), (steps) => {
      const start = planWith(ids.map((name) => pot(name, 1, dose('mica-dome', 4))));
      const held_ = (p: Plan, a: string): boolean => p.pots.some((x) => x.id === a);
      const end = steps.reduce((p, s, n) => {
        const next = s(p, n);
        // An interface never draws from a pot that is gone.
        return next.pots.every((x) => x.draws.every((d) => d.from === null || held_(next, d.from)))
          ? next
          : p;
      }, start);
      expect(integrityProblems(end)).toEqual([]);
    }),
    { numRuns: 150 },
  );
});
