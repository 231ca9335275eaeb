import { fourPotLoaf } from '../testing/plans.ts';
import { type Plan, type Pot, soundRows } from './index.ts';

it('leaves a sound plan as it is', () => {
  const plan = fourPotLoaf();
  expect(soundRows(plan)).toEqual({ plan, leftOut: 0 });
  expect(soundRows(plan).plan).toBe(plan);
});

it('leaves out lists where rows belong, at any depth, and counts them', () => {
  const plan = fourPotLoaf();
  const [first, ...others] = plan.pots;
  const broken = { ...first!, doses: [...first!.doses, [] as unknown as Pot['doses'][number]] };
  const stored: Plan = { ...plan, pots: [[] as unknown as Pot, broken, ...others] };
  expect(soundRows(stored)).toEqual({ plan, leftOut: 2 });
});
