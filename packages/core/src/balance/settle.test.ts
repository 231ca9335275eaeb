import { setMoulding, setTotalOils } from '../plan/index.ts';
import { plainMould } from '../plan/moulding.ts';
import { type Plan } from '../plan/plan.ts';
import { fourPotLoaf } from '../testing/plans.ts';
import { grams } from '../units/quantity.ts';
import { fillOf } from './fill.ts';
import { settle } from './settle.ts';

const loaf = plainMould('Loaf', 'box');
const led: Plan = setMoulding(fourPotLoaf(), { leads: true, moulds: [{ id: 'm', count: 1, mould: loaf }] });

it('the oils follow a mould that leads, in whole grams', () => {
  const plan = settle(led);
  expect(plan.base.totalOils).not.toBe(led.base.totalOils);
  expect(plan.base.totalOils % 1).toBe(0);
  expect(fillOf(plan).ratio).toBeCloseTo(1, 2);
  const two = settle(setMoulding(plan, { moulds: [{ id: 'm', count: 2, mould: loaf }] }));
  expect(two.base.totalOils / plan.base.totalOils).toBeGreaterThan(1.9);
  // What is full enough stays as it is.
  expect(settle(two)).toBe(two);
});

it('an amount set by hand stays, whatever the mould', () => {
  const pinned = setTotalOils(settle(led), grams(500));
  expect(pinned.moulding.leads).toBe(false);
  expect(settle(pinned)).toBe(pinned);
});

it('nothing moves without a mould or oils', () => {
  const noMould = setMoulding(led, { moulds: [] });
  expect(settle(noMould)).toBe(noMould);
  const noOils = { ...led, base: { ...led.base, oils: [] } };
  expect(settle(noOils)).toBe(noOils);
});
