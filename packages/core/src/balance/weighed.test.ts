import { cured } from '../pigment/stage.ts';
import { labOf } from '../pigment/composition.ts';
import { dose, fourPotLoaf, planWith, pot, scentOf } from '../testing/plans.ts';
import { flowOf } from './balance.ts';
import { fillOf } from './fill.ts';
import { totalOf } from './flow.ts';
import { potComposition } from './potComposition.ts';
import { COMMON_LYE, NOTHING_WEIGHED } from './weighed.ts';

/** 1,000 g of oils in two pots of one part each, the first with 5 g/kg of ultramarine in three parts of batch oil. */
const plan = planWith(
  [
    {
      ...pot('Blue', 1, {
        ...dose('ultramarine-blue', 5),
        carrier: { medium: 'oil', ratio: 3 },
        source: 'batch',
      }),
      scented: true,
    },
    pot('White', 1),
  ],
  { scent: scentOf('scent-limewash', 30) },
);
const blue = (weighed = NOTHING_WEIGHED) => flowOf(plan, weighed).pots[0]!;

it('nothing weighed is the plan itself', () => {
  const { convergence, ...planned } = flowOf(plan);
  const { convergence: again, ...same } = flowOf(plan, { pots: {} });
  expect(same.pots.map((p) => [...p.contents])).toEqual(planned.pots.map((p) => [...p.contents]));
  expect(same.mass).toBe(planned.mass);
  expect([convergence.converged, again.converged]).toEqual([true, true]);
});

it('a pot that was drawn heavier holds more oils, and less of each powder per kilogram', () => {
  const planned = blue();
  const drawn = planned.draws[0]!.mass;
  const flow = flowOf(plan, {
    pots: { Blue: { draws: { base: drawn * 1.1 }, doses: { 'ultramarine-blue': { powder: 2.5 } } } },
  });
  const [made, white] = flow.pots;
  expect(made!.draws[0]!.mass).toBeCloseTo(drawn * 1.1, 6);
  expect(made!.oils).toBeCloseTo(planned.oils * 1.1, 1);
  // 2.5 g over 550 g of oils instead of 500
  expect((made!.doses[0]!.powder * 1000) / made!.oils).toBeCloseTo(5 / 1.1, 2);
  // What the one got more the other got less.
  expect(made!.oils + white!.oils).toBeCloseTo(1000, 6);
});

it('powder, its liquid and scent count as they were weighed', () => {
  const made = blue({
    pots: { Blue: { doses: { 'ultramarine-blue': { powder: 3, liquid: 12 } }, scent: 10 } },
  });
  expect(made.doses[0]).toMatchObject({ powder: 3, liquid: 12, fromBatch: true });
  expect(made.scent).toBe(10);
  // 12 g of batch oil lie in this pot alone: the lye kept them back.
  const flow = flowOf(plan, { pots: { Blue: { doses: { 'ultramarine-blue': { powder: 3, liquid: 12 } } } } });
  expect(flow.lyes[0]!.heldOil).toBeCloseTo(12, 9);
});

it('the superfat follows from the lye that was weighed', () => {
  const planned = flowOf(plan);
  const lye = planned.lyes[0]!;
  expect(planned.pots[1]!.superfat! * 100).toBeLessThan(5);
  // Oils take lye / 0.95; with 3 % more lye 1 − 0.95 × 1.03 = 2.15 % of them are left.
  const plain = fourPotLoaf();
  const { naoh } = flowOf(plain).lyes[0]!;
  const made = flowOf(plain, { lyes: { [COMMON_LYE]: { naoh: naoh * 1.03 } } });
  // Extra carrier oil adds a little to the first pots; the leanest tells.
  const leanest = Math.min(...made.pots.map((p) => (p.superfat! - 0.0215) * 100));
  expect(leanest).toBeGreaterThan(0);
  expect(leanest).toBeLessThan(2);
  expect(made.lyes[0]!.naoh).toBeCloseTo(naoh * 1.03, 9);
  expect(totalOf(made, made.ledger.at('naoh'))).toBeCloseTo(naoh * 1.03, 6);
  expect(lye.naoh).toBeCloseTo(naoh, 0);
});

it('oils weighed short make a smaller batch, and what goes in comes out', () => {
  const flow = flowOf(plan, { lyes: { [COMMON_LYE]: { oils: { 'oil-olive': 380 }, liquid: 270 } } });
  expect(flow.lyes[0]!.oils).toBeCloseTo(980, 9);
  expect(flow.pots.reduce((s, p) => s + p.oils, 0)).toBeCloseTo(980, 6);
  expect(totalOf(flow, flow.ledger.oils.indexOf('oil-olive'))).toBeCloseTo(380, 6);
  expect(totalOf(flow, flow.ledger.at('liquid'))).toBeCloseTo(270, 6);
  expect(fillOf(plan, flow).batter).toBeCloseTo(flow.mass, 9);
});

it('the colour of a pot follows from what went into it', () => {
  const colour = (powder: number) => {
    const flow = flowOf(plan, { pots: { Blue: { doses: { 'ultramarine-blue': { powder } } } } });
    return labOf(potComposition(plan, plan.pots[0]!, undefined, flow), cured());
  };
  const planned = labOf(potComposition(plan, plan.pots[0]!), cured());
  colour(2.5).forEach((v, i) => expect(v).toBeCloseTo(planned[i]!, 6));
  // Twice the blue: darker and bluer.
  expect(colour(5)[0]).toBeLessThan(planned[0] - 3);
  expect(colour(5)[2]).toBeLessThan(planned[2] - 3);
});
