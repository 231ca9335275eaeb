import { emptyPlan, newPot, type Plan, setPot } from '@kleur/core/plan';
import { type GramsPerKg } from '@kleur/core/units';
import { CHECKS_AFTER_MS, LiveChecks } from './liveChecks.ts';
import { planFrames } from './planFrame.ts';

const plan: Plan = { ...emptyPlan(), pots: [newPot('a', 'A'), newPot('b', 'B')] };
const dosed = (value: number): Plan => ({
  ...plan,
  pots: plan.pots.map((p) => ({
    ...p,
    doses: [
      {
        id: 'd',
        materialId: 'm',
        dose: value as GramsPerKg,
        perBar: null,
        carrier: null,
        source: 'extra' as const,
      },
    ],
  })),
});

it('plans that differ in doses alone have the same frame; any other change makes another', () => {
  const frame = planFrames();
  const first = frame(dosed(1));
  expect(frame(dosed(2))).toBe(first);
  expect(first.pots[0]).not.toHaveProperty('doses');
  const named = frame(setPot(dosed(2), 'a', { name: 'Other' }));
  expect(named).not.toBe(first);
  expect(named.pots.map((p) => p.name)).toEqual(['Other', 'B']);
  // The pot that stayed is the same object.
  expect(named.pots[1]).toBe(first.pots[1]);
  expect(frame({ ...dosed(2), base: { ...plan.base, superfat: 9 } }).base.superfat).toBe(9);
  expect(frame({ ...plan, pots: plan.pots.slice(1) }).pots).toHaveLength(1);
});

it('checks follow once a drag rests, and tell the last plan alone', () => {
  jest.useFakeTimers();
  const measuring = { by: 'scale', scaleDivision: 0.1 } as never;
  const checks = new LiveChecks({ plan, measuring });
  const heard: string[][] = [];
  const stop = checks.subscribe(() => heard.push(checks.getSnapshot().map((c) => c.id)));
  expect(checks.getSnapshot().map((c) => c.id)).toContain('oils-sum');
  for (const superfat of [14, 15, -1]) {
    checks.ask({ plan: { ...plan, base: { ...plan.base, superfat } }, measuring });
    jest.advanceTimersByTime(CHECKS_AFTER_MS - 1);
  }
  expect(heard).toEqual([]);
  jest.advanceTimersByTime(1);
  expect(heard).toHaveLength(1);
  expect(checks.getSnapshot().find((c) => c.id === 'superfat-range')!.level).toBe('stop');
  expect(CHECKS_AFTER_MS).toBeLessThan(150);
  checks.ask({ plan, measuring });
  checks.stop();
  jest.advanceTimersByTime(1000);
  expect(heard).toHaveLength(1);
  stop();
  jest.useRealTimers();
});
