import { dose, fourPotLoaf, planWith, pot, scentOf, shelfItem, tenthGramScale } from '../testing/plans.ts';
import { grams, gramsPerKg } from '../units/quantity.ts';
import { batterOf } from '../balance/lye.ts';
import { emptyMoulding, plainMould } from '../plan/moulding.ts';
import { type Draw, emptyWork, newPot, type Plan, type Pot } from '../plan/plan.ts';
import { dispersionHint } from './dispersion.ts';
import { prepSheet, type Weighing } from './prep.ts';

const weighings = (plan: Plan): Weighing[] => [...prepSheet(plan, tenthGramScale).weighings];
const told = (plan: Plan): [string, string][] => weighings(plan).map((w) => [w.pot.name, w.stage]);
const from = (id: string, value: number): Draw => ({
  id: `d-${id}`,
  from: id,
  by: 'percent',
  value,
  second: 0,
});

describe('weighing the batter, in the order of the work', () => {
  it('the bowl goes down by what each pot takes, to nothing', () => {
    const plan = planWith([pot('A', 3), pot('B', 2), pot('C', 1)]);
    const total = batterOf(plan).total!;
    const list = weighings(plan);
    expect(list.map((w) => w.mass)).toEqual([3, 2, 1].map((p) => expect.closeTo((total * p) / 6, 6)));
    expect(list.map((w) => w.remains)).toEqual([3, 1, 0].map((p) => expect.closeTo((total * p) / 6, 6)));
    expect(list.map((w) => w.stage)).toEqual(['additives', 'additives', 'additives']);
  });

  it('what no pot takes stays in the bowl', () => {
    const half: Pot = {
      ...newPot('A', 'A'),
      draws: [{ id: 'd', from: null, by: 'percent', value: 60, second: 0 }],
    };
    const plan = planWith([half]);
    expect(weighings(plan)[0]!.remains).toBeCloseTo(0.4 * batterOf(plan).total!, 6);
  });

  it('plain pots first, then those after the late liquid, then those after the additives', () => {
    const { liquid } = planWith([]).base;
    const plan = planWith(
      [
        { ...pot('Late', 1), taken: 'additives' as const },
        { ...pot('First', 1), taken: 'emulsion' as const },
        { ...pot('Second', 1), taken: 'liquid' as const },
      ],
      {
        liquid: { ...liquid, heldBack: grams(30) },
        additives: [
          { id: 'o', materialId: 'oats-ground', dose: gramsPerKg(20), perBar: null, moment: 'trace' },
        ],
      },
    );
    expect(told(plan)).toEqual([
      ['First', 'emulsion'],
      ['Second', 'liquid'],
      ['Late', 'additives'],
    ]);
    // 20 g/kg of the oils that are still in the bowl: those of the last pot
    expect(prepSheet(plan, tenthGramScale).additives[0]!.mass).toBeCloseTo((20 * 1000) / 3 / 1000, 6);
    // The pot that is taken last weighs more by the oats and its half of the liquid.
    const [first, second, late] = weighings(plan).map((w) => w.mass);
    expect(second! - first!).toBeCloseTo(15, 6);
    expect(late! - second!).toBeCloseTo(20 / 3, 6);
  });

  it('scented pots after the whole batter is scented, whites before', () => {
    const plan = planWith([{ ...pot('Red', 1), scented: true }, pot('White', 1)], {
      scent: scentOf('scent-limewash', 30, { when: 'batter' }),
    });
    expect(told(plan)).toEqual([
      ['White', 'additives'],
      ['Red', 'scent'],
    ]);
    const [white, red] = weighings(plan);
    // 30 g/kg of 500 g
    expect(red!.mass - white!.mass).toBeCloseTo(15, 6);
  });

  it('from other pots once they are coloured, each draw by itself', () => {
    const plan = planWith([
      pot('A', 1, dose('ultramarine-blue', 10)),
      { ...newPot('B', 'B'), draws: [from('A', 30)] },
      { ...newPot('C', 'C'), draws: [from('A', 20)] },
    ]);
    const [, b, c] = weighings(plan);
    // 1,000 g of oils: batter, 10 g of powder and twice as much oil
    const whole = batterOf(plan).total! + 30;
    expect(b).toMatchObject({ mass: expect.closeTo(0.3 * whole, 6), stage: 'coloured' });
    expect(c!.from!.name).toBe('A');
  });

  it('a mini-batch is one weighing of its own', () => {
    const plan = planWith([{ ...pot('Own', 1), ownLye: true }, pot('Shared', 1)]);
    expect(told(plan)).toEqual([
      ['Shared', 'additives'],
      ['Own', 'own'],
    ]);
    expect(weighings(plan)[0]!.remains).toBeCloseTo(0, 6);
  });
});

describe('what stands ready beside it', () => {
  it('parts of a scent blend, with its stabiliser and cost', () => {
    const scent = {
      ...scentOf('scent-limewash', 30),
      parts: [
        { id: 'a', materialId: 'scent-limewash', parts: 3 },
        { id: 'b', materialId: 'scent-oat-biscuit', parts: 1 },
      ],
      stabiliser: 0.5,
    };
    const plan = planWith([{ ...pot('A', 1), scented: true }, pot('B', 1)], { scent });
    const { scent: made } = prepSheet(plan, tenthGramScale);
    // 30 g/kg of 500 g: 15 g, in quarters; half as much stabiliser
    expect(made!.mass).toBeCloseTo(15, 6);
    expect(made!.parts.map((p) => p.mass)).toEqual([expect.closeTo(11.25, 6), expect.closeTo(3.75, 6)]);
    expect(made!.stabiliser).toBeCloseTo(7.5, 6);
    const price = (id: string): number => plan.materials.find((m) => m.id === id)!.pricePerGram!;
    expect(made!.cost).toBeCloseTo(11.25 * price('scent-limewash') + 3.75 * price('scent-oat-biscuit'), 6);
    const unpriced = { ...plan, materials: plan.materials.map((m) => ({ ...m, pricePerGram: null })) };
    expect(prepSheet(unpriced, tenthGramScale).scent!.cost).toBeNull();
  });

  it('equal carriers: what the leaner pots get besides, in the total too', () => {
    const plan = planWith(
      [pot('A', 1, dose('ultramarine-blue', 10)), pot('B', 1)],
      {},
      { work: { ...emptyWork, equalise: true } },
    );
    const { pots, carriers } = prepSheet(plan, tenthGramScale);
    // 5 g of powder in 10 g of oil for A; as much plain oil for B
    expect(pots.map((p) => p.flow.evenedOil)).toEqual([expect.closeTo(0, 6), expect.closeTo(10, 6)]);
    expect(carriers).toEqual([{ medium: 'oil', fromBatch: false, mass: expect.closeTo(20, 6) }]);
  });

  it('water carriers out of the liquid are told apart from water beside it', () => {
    const clay = { ...dose('kaolin', 20), carrier: { medium: 'water' as const, ratio: 2 } };
    const plan = planWith([
      pot('A', 1, { ...clay, source: 'batch' as const }),
      pot('B', 1, { ...clay, id: 'other', source: 'extra' as const }),
    ]);
    // 10 g of clay in each, in 20 g of water
    expect(prepSheet(plan, tenthGramScale).carriers).toEqual([
      { medium: 'water', fromBatch: true, mass: expect.closeTo(20, 6) },
      { medium: 'water', fromBatch: false, mass: expect.closeTo(20, 6) },
    ]);
  });

  it('powder lines over all moulds, and what goes on the top', () => {
    const plan = planWith(
      [pot('A', 1)],
      {
        additives: [{ id: 'p', materialId: 'poppy-seed', dose: gramsPerKg(4), perBar: null, moment: 'top' }],
      },
      {
        moulding: {
          ...emptyMoulding,
          moulds: [
            { id: 'm', count: 2, mould: { ...plainMould('Box', 'box'), length: 200, width: 80, height: 60 } },
          ],
        },
        lines: [{ id: 'l', materialId: 'cocoa', gramsPerDm2: 0.5, count: 3, carrier: null }],
      },
    );
    const sheet = prepSheet(plan, tenthGramScale);
    // 2 × 2 dm × 0.8 dm × 0.5 g × 3 lines; 4 g/kg of 1,000 g
    expect(sheet.lines[0]!.mass).toBeCloseTo(4.8, 9);
    expect(sheet.additives[0]!.mass).toBeCloseTo(4, 9);
  });
});

describe('prep sheet', () => {
  const sheet = prepSheet(fourPotLoaf(), tenthGramScale);

  it('weighs each powder for its pot', () => {
    // Blue 375 g × 5 g/kg = 1.875 → 1.9; ochre 250 × 3 = 0.75 → 0.8; green 0.75 → 0.8 and 0.375 → 0.4; white 0.75 → 0.8
    expect(sheet.pots.map((p) => p.rows.map((r) => r.measured.mass))).toEqual([
      [1.9],
      [0.8],
      [0.8, 0.4],
      [0.8],
    ]);
  });

  it('gives carriers by the ratio of the measured powder and totals them', () => {
    expect(sheet.pots[0]!.rows[0]!.carrierMass).toBeCloseTo(3.8, 9);
    // 2 × (1.9 + 0.8 + 0.8 + 0.4 + 0.8) = 9.4 g of oil
    expect(sheet.carriers).toEqual([{ medium: 'oil', mass: expect.closeTo(9.4, 9), fromBatch: false }]);
  });

  it('totals each material over its pots', () => {
    const blue = sheet.totals.find((t) => t.material.id === 'ultramarine-blue')!;
    expect(blue.mass).toBeCloseTo(2.7, 9);
    expect(blue.pots).toBe(2);
  });

  it('gives scent only to the pots that get it', () => {
    const plan = planWith([{ ...pot('A', 1), scented: true }, pot('B', 3)], {
      scent: scentOf('scent-limewash', 30),
    });
    const { scent, pots } = prepSheet(plan, tenthGramScale);
    expect(pots.map((p) => p.scent)).toEqual([7.5, 0]);
    expect(scent?.mass).toBe(7.5);
  });

  it('says how to disperse', () => {
    expect(dispersionHint(shelfItem('rose-clay'), 'water')).toMatch('let it drink');
    expect(dispersionHint(shelfItem('red-iron-oxide'), 'oil')).toMatch('frother');
    expect(dispersionHint(shelfItem('titanium-dioxide-water'), 'lye-water')).toMatch('lye water');
  });

  it('scent by part, and in all', () => {
    const blend = scentOf('scent-oat-biscuit', 24, {
      parts: [
        { id: 'a', materialId: 'scent-oat-biscuit', parts: 3 },
        { id: 'b', materialId: 'scent-red-gate', parts: 1 },
      ],
    });
    const plan = planWith([{ ...pot('A', 1), scented: true }, pot('B', 1)], { scent: blend });
    const { scent, pots } = prepSheet(plan, tenthGramScale);
    // 24 g/kg of the 500 g of oils in A: 12 g, 9 of one and 3 of the other
    expect(pots.map((p) => p.scent)).toEqual([expect.closeTo(12, 6), 0]);
    expect(scent!.parts.map((p) => p.mass)).toEqual([expect.closeTo(9, 6), expect.closeTo(3, 6)]);
  });
});
