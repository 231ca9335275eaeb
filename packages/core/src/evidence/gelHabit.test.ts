import { GEL_SPREAD, gelOf } from '../balance/gel.ts';
import { seededRandom } from '../numerics/random.ts';
import { type GelHabit } from '../plan/learntBase.ts';
import { type Plan } from '../plan/plan.ts';
import { planWith, pot } from '../testing/plans.ts';
import { type CutBatch, gelHabit } from './gelHabit.ts';
import { type GelSeen } from './reading.ts';

const warm = (temperature: number, change: Partial<Plan['work']> = {}): Plan => {
  const plan = planWith([pot('A', 1)], { temperature });
  return { ...plan, work: { ...plan.work, ...change } };
};
const cut = (plan: Plan, how: GelSeen['how']): CutBatch => ({ plan, seen: { how, rim: 0 } });
const marginOf = (plan: Plan): number => {
  const { reaches, begins } = gelOf(plan);
  return reaches - begins;
};
/** As warm as gel begins by the table. */
const even = ((): number => {
  const at = 40 - marginOf(warm(40));
  expect(marginOf(warm(at))).toBeCloseTo(0, 6);
  return at;
})();

/** Batches of a soap that gels so many °C later than by the table. */
function batches(later: number, count: number): CutBatch[] {
  const random = seededRandom(7);
  return Array.from({ length: count }, () => {
    const plan = warm(even + later + 30 * (random() - 0.5));
    const p = 1 / (1 + Math.exp((later - marginOf(plan)) / GEL_SPREAD));
    return cut(plan, random() < p ? (random() < 0.3 ? 'ring' : 'full') : 'none');
  });
}

it.each([-6, 0, 7])('finds that a maker’s soap gels %s °C later, from many cuts', (later) => {
  const { shift, batches: count } = gelHabit(batches(later, 300))!;
  expect(shift).toBeGreaterThan(later - 1.6);
  expect(shift).toBeLessThan(later + 1.6);
  expect(count).toBe(300);
});

it('believes a few cuts a little', () => {
  const one = gelHabit([cut(warm(even + 6), 'none')])!;
  expect(one.batches).toBe(1);
  expect(one.shift).toBeGreaterThan(0.5);
  expect(one.shift).toBeLessThan(6);
  const three = gelHabit(Array.from({ length: 3 }, () => cut(warm(even + 6), 'none')))!;
  expect(three.shift).toBeGreaterThan(one.shift);
  const sooner = gelHabit([cut(warm(even - 6), 'full')])!;
  expect(sooner.shift).toBeCloseTo(-one.shift, 1);
});

it('learns nothing from what was decided, was not looked at, or could not be told', () => {
  expect(gelHabit([])).toBeNull();
  expect(
    gelHabit([
      cut(warm(even, { heat: 'force' }), 'full'),
      cut(warm(even, { heat: 'prevent' }), 'none'),
      cut(warm(even, { finish: ['fridge'] }), 'none'),
      cut(warm(even), 'unsure'),
      { plan: warm(even), seen: null },
    ]),
  ).toBeNull();
});

const knowing = (plan: Plan, gel: GelHabit): Plan => ({
  ...plan,
  base: {
    ...plan.base,
    learnt: { version: 1, readings: 1, base: {} as never, gel },
  },
});

it('moves where a plan that knows it begins to gel, and is not learnt twice', () => {
  const plan = warm(even + 3);
  const late = knowing(plan, { shift: 8, batches: 4 });
  expect(gelOf(late).begins).toBeCloseTo(gelOf(plan).begins + 8, 9);
  expect(gelOf(plan).gel).toBe(1);
  expect(gelOf(late).gel).toBe(0);
  const seen = batches(7, 60);
  expect(gelHabit(seen.map((b) => ({ ...b, plan: knowing(b.plan, { shift: 7, batches: 60 }) })))).toEqual(
    gelHabit(seen),
  );
});
