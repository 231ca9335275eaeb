import { barWeights, fillOf, flowOf } from '@kleur/core/balance';
import { checkPlan } from '@kleur/core/checks';
import { type Plan } from '@kleur/core/plan';
import { levelSpoons, SPOONS } from '@kleur/core/units';
import { prepSheet } from '@kleur/core/work';
import { demoBatches } from './demo-batches.ts';

/*
 * Three batches of the demo worked by hand. Saponification values in mg KOH per g; sodium hydroxide by
 * 39.997 / 56.105. The arithmetic stands beside each figure, and uses nothing of the application.
 */
const SAP = { olive: 190, coconut: 257, palm: 200, castor: 180, shea: 180, sunflower: 189, lard: 198 };
const naohFor = (oils: Partial<Record<keyof typeof SAP, number>>): number =>
  Object.entries(oils).reduce((sum, [oil, mass]) => sum + (mass * SAP[oil as keyof typeof SAP]) / 1000, 0) *
  (39.997 / 56.105);
const SCALE = { by: 'scale', scaleDivision: 0.1, spoons: 'us', ownedSpoons: SPOONS, ...levelSpoons } as const;

const planOf = (name: string): Plan => demoBatches().find((b) => b.name === name)!.plan;
const massOf = (plan: Plan, pot: string): number => flowOf(plan).pots.find((p) => p.pot.name === pot)!.mass;

describe('Verdigris roofs: a pot made from part of another, a piped ridge, whites without scent', () => {
  const plan = planOf('Verdigris roofs');
  const flow = flowOf(plan);
  const pot = (name: string) => flow.pots.find((p) => p.pot.name === name)!;
  // 1,080 g: 378 + 324 + 270 + 108
  const all = naohFor({ olive: 378, coconut: 324, palm: 270, castor: 108 });
  const naoh = all * 0.95;
  const liquid = naoh * (100 / 33 - 1);
  const batter = 1080 + naoh + liquid;

  it('lye and liquid', () => {
    expect(all).toBeCloseTo(162.917, 2);
    expect(flow.lyes).toHaveLength(1);
    expect(flow.lyes[0]!.naoh).toBeCloseTo(naoh, 6);
    expect(flow.lyes[0]!.naoh).toBeCloseTo(154.77, 2);
    expect(flow.lyes[0]!.liquid).toBeCloseTo(314.23, 2);
    expect(batter).toBeCloseTo(1549, 1);
  });

  it('three to one to two of plain batter', () => {
    const weighed = Object.fromEntries(
      prepSheet(plan, SCALE).pots.map((p) => [p.pot.name, Number(p.batter)]),
    );
    expect(weighed.Patina).toBeCloseTo(batter / 2, 6);
    expect(weighed.Chalk).toBeCloseTo(batter / 6, 6);
    expect(weighed.Copper).toBeCloseTo(batter / 3, 6);
  });

  it('what powders, carriers and scent add, and 30 % of the scented teal', () => {
    // 540 g of oils: 7 g/kg mica, three times as much oil, 28 g/kg scent
    const patina = batter / 2 + 540 * (0.007 + 0.021 + 0.028);
    expect(patina).toBeCloseTo(804.74, 2);
    expect(pot('Patina').mass).toBeCloseTo(patina, 6);
    expect(pot('Pale patina').draws[0]!.mass).toBeCloseTo(0.3 * patina, 6);
    // 162 g of oils: 3 g/kg titanium dioxide in twice its weight
    expect(pot('Pale patina').mass).toBeCloseTo(0.3 * patina + 162 * 0.009, 6);
    // Its colour: 7 g/kg of teal still, on its own oils, and 3 of white
    expect(pot('Pale patina').oils).toBeCloseTo(162, 6);
    expect(pot('Pale patina').tint[flow.ledger.tint('mica-dome')]! / 0.162).toBeCloseTo(7, 6);
    // 360 g: 6 + 0.5 g/kg, in 3 and in 2 times as much, and 28 of scent
    expect(pot('Copper').mass).toBeCloseTo(batter / 3 + 360 * (0.006 * 4 + 0.0005 * 3 + 0.028), 6);
    // 180 g: 6 g/kg in twice as much; 120 g of it for the ridge
    const chalk = batter / 6 + 180 * 0.018;
    expect(pot('Chalk').mass).toBeCloseTo(chalk, 6);
    expect(pot('Chalk').mass - 120).toBeCloseTo(141.41, 2);
    expect(pot('Ridge, piped').mass).toBeCloseTo(120, 6);
    expect(flow.mass).toBeCloseTo(1603.2, 1);
  });

  it('scent where it is wanted', () => {
    expect(flow.pots.map((p) => Math.round(p.scent * 100) / 100)).toEqual([15.12, 0, 10.08, 0, 0]);
    const within = (name: string): number => pot(name).contents[flow.ledger.at('scent')]!;
    // Pale patina has the scent of what it was made from: 30 % of 15.12
    expect(within('Pale patina')).toBeCloseTo(4.536, 6);
    expect(within('Chalk')).toBe(0);
  });

  it('superfat of each pot, with the oil of its carriers (olive)', () => {
    const share = (oils: number): number => (all * oils) / 1080;
    const olive = (mass: number): number => naohFor({ olive: mass });
    // Half of the lye against half of the oils and 11.34 g of olive
    expect(pot('Patina').superfat).toBeCloseTo(1 - naoh / 2 / (share(540) + olive(540 * 0.021)), 6);
    expect(pot('Patina').superfat! * 100).toBeCloseTo(6.76, 2);
    expect(pot('Copper').superfat! * 100).toBeCloseTo(6.59, 2);
    expect(pot('Chalk').superfat! * 100).toBeCloseTo(6.01, 2);
  });

  it('the loaf is full', () => {
    const fill = fillOf(plan);
    expect(fill.wanted).toBeCloseTo((260 * 85 * 64) / 1000, 6);
    // five jugs of 12 g; 120 g of ridge, of which the jug keeps its 12
    expect(fill.losses).toBeCloseTo(60, 6);
    expect(fill.top).toBe(110);
    expect(fill.have).toBeCloseTo((1603.2 - 60 - 110) / fill.density, 0);
    expect(fill.ratio! * 100).toBeCloseTo(99.7, 1);
    // ⌊(260 − 2 × 3 + 1) / 26⌋ with a cut after each but the last
    expect(barWeights(plan).count).toBe(9);
  });
});

describe('Tiled courtyard: a divided slab with uneven sections', () => {
  const plan = planOf('Tiled courtyard');
  const naoh = naohFor({ olive: 960, coconut: 672, shea: 240, sunflower: 360, castor: 168 }) * 0.95;

  it('lye and batter', () => {
    const [lye] = flowOf(plan).lyes;
    expect(lye!.naoh).toBeCloseTo(naoh, 6);
    expect(lye!.naoh).toBeCloseTo(336.31, 2);
    expect(lye!.liquid).toBeCloseTo((naoh * 67) / 33, 6);
    expect(2400 + naoh + (naoh * 67) / 33).toBeCloseTo(3419.13, 1);
  });

  it('each pot fills its section, and weighs for it before its colour', () => {
    const flow = flowOf(plan);
    const slab = (400 * 280 * 30) / 1000;
    // While they stand, three dividers of 3 mm leave 391 of 400 mm: the sections share all of the slab's room.
    for (const [name, width] of [
      ['Glaze blue', 115],
      ['Grout', 82],
      ['Terracotta', 82],
      ['Shade', 112],
    ] as const) {
      const p = flow.pots.find((x) => x.pot.name === name)!;
      expect((p.left * p.volume) / p.mass).toBeCloseTo((slab * width) / 391, 1);
      expect(p.mass - p.left).toBeCloseTo(12, 6);
    }
    const weighed = prepSheet(plan, SCALE).pots.map((p) => Number(p.batter));
    for (const [i, byHand] of [1002.05, 719.65, 722.9, 980.25].entries())
      expect(weighed[i]).toBeCloseTo(byHand, 1);
  });

  it('six rows of four bars', () => {
    // ⌊(400 + 1) / 66⌋ = 6, four across
    expect(barWeights(plan).count).toBe(24);
  });
});

describe('Harbour at dusk: three layers, each with its own lye', () => {
  const plan = planOf('Harbour at dusk');
  const naoh = naohFor({ sunflower: 360, coconut: 252, lard: 225, castor: 63 }) * 0.95;

  it('a third of everything, three times', () => {
    const { lyes } = flowOf(plan);
    expect(naoh).toBeCloseTo(127.793, 2);
    expect(lyes.map((l) => l.potId)).toEqual(['pot-1', 'pot-2', 'pot-3']);
    for (const l of lyes) {
      expect(l.oils).toBeCloseTo(300, 9);
      expect(l.naoh).toBeCloseTo(naoh / 3, 6);
      expect(l.liquid).toBeCloseTo((naoh * 67) / 33 / 3, 6);
    }
  });

  it('what each layer weighs', () => {
    const third = (900 + naoh * (100 / 33)) / 3;
    expect(third).toBeCloseTo(429.08, 2);
    // 300 g of oils; mica in three times its weight of oil, ultramarine and oxides in two, charcoal in four; 30 g/kg scent
    expect(massOf(plan, 'Keel')).toBeCloseTo(third + 0.3 * (5 * 4 + 30), 6);
    expect(massOf(plan, 'Water')).toBeCloseTo(441.83, 2);
    expect(massOf(plan, 'Last light')).toBeCloseTo(440.96, 2);
  });

  it('the line and the bars', () => {
    // 230 mm × 70 mm = 1.61 dm²
    expect(prepSheet(plan, SCALE).lines[0]!.mass).toBeCloseTo(0.5 * 1.61, 6);
    // 230 − 2 × 4 − 8 cuts of 1 mm, by nine
    expect(barWeights(plan).count).toBe(9);
  });
});

it('no batch of the demo has a stop, and every pot holds something', () => {
  for (const { plan } of demoBatches()) {
    expect(checkPlan(plan, { measuring: SCALE }).filter((c) => c.level === 'stop')).toEqual([]);
    for (const p of flowOf(plan).pots) expect(p.mass).toBeGreaterThan(0);
  }
});
