import { fillOf, flowOf, potComposition } from '../balance/index.ts';
import { checkPlan } from '../checks/index.ts';
import { type Plan } from '../plan/index.ts';
import { shelfItem, tenthGramScale } from '../testing/plans.ts';
import { startingShelf } from '../material/catalogue/index.ts';
import { prepSheet } from '../work/index.ts';
import { recipeOf, STARTING_BASES } from './bases.ts';
import { cupName, startTrial, type TrialCup } from './startTrial.ts';

const shelf = new Map(startingShelf().map((m) => [m.id, m]));
const [red, white] = [shelfItem('red-iron-oxide'), shelfItem('titanium-dioxide-oil')];
const cup = (gelled: boolean, ...doses: readonly (readonly [typeof red, number])[]): TrialCup => ({
  doses: doses.map(([material, dose]) => ({ material, dose })),
  gelled,
});
const cups = [cup(true, [red, 2]), cup(false, [red, 2]), cup(false, [red, 1], [white, 4]), cup(true)];
function trial(grams = 40): Plan {
  let n = 0;
  return startTrial(
    { recipe: recipeOf(STARTING_BASES[0]!, shelf)!, cups, cup: grams, learnt: null },
    () => `id-${n++}`,
  );
}
const potOf = (plan: Plan, name: string) => {
  const pot = plan.pots.find((p) => p.name === name)!;
  return { pot, composition: potComposition(plan, pot) };
};

it('has a pot for every cup, with its doses and the gel that it gets', () => {
  const plan = trial();
  expect(plan.pots.map((p) => p.name).sort()).toEqual(cups.map(cupName).sort());
  const oven = potOf(plan, `${red.name} 2, oven`).composition;
  expect(oven.gel).toBe(1);
  expect(oven.parts.map((p) => p.dose)).toEqual([expect.closeTo(2, 6)]);
  const mixed = potOf(plan, `${red.name} 1 + ${white.name} 4`).composition;
  expect(mixed.gel).toBe(0);
  expect(mixed.parts.map((p) => p.dose)).toEqual([expect.closeTo(1, 6), expect.closeTo(4, 6)]);
  expect(potOf(plan, 'Bare, oven').composition.parts).toEqual([]);
});

it('colours what goes into two cups once, and fills every cup', () => {
  const plan = trial();
  const cool = potOf(plan, `${red.name} 2`).pot;
  const oven = potOf(plan, `${red.name} 2, oven`).pot;
  expect(oven.doses).toEqual([]);
  expect(oven.draws.map((d) => d.from)).toEqual([cool.id]);
  const left = flowOf(plan).pots.map((p) => p.toMould);
  for (const mass of left) expect(mass / left[0]!).toBeCloseTo(1, 1);
  expect(fillOf(plan).ratio!).toBeCloseTo(1, 1);
});

it('measures what no scale could tell by drops', () => {
  const { pots } = prepSheet(trial(), tenthGramScale);
  const rows = pots.flatMap((p) => p.rows);
  expect(rows.length).toBe(3);
  for (const row of rows) {
    expect(row.drops).toBeGreaterThanOrEqual(3);
    // A drop too many or too few is a sixth of the dose at most.
    expect(1 / row.drops!).toBeLessThan(0.34);
  }
});

it('stops at nothing', () => {
  const stops = checkPlan(trial(60), { measuring: tenthGramScale }).filter((c) => c.level === 'stop');
  expect(stops.map((c) => c.sentence)).toEqual([]);
});
