import { CURED_HOURS, YEAR_HOURS } from '@kleur/core/pigment';
import { hoursOfPosition, neighbourTick, positionOfHours, sayHours, ticks } from './timeScale.ts';

it('runs from fresh to a year and back', () => {
  expect(positionOfHours(0)).toBe(0);
  expect(positionOfHours(YEAR_HOURS)).toBeCloseTo(1, 12);
  for (const p of [0, 0.1, 0.5, 0.99]) expect(positionOfHours(hoursOfPosition(p))).toBeCloseTo(p, 9);
  expect(hoursOfPosition(-1)).toBeCloseTo(0, 12);
});

it('gives the first day and the last weeks room of their own', () => {
  expect(positionOfHours(24)).toBeGreaterThan(0.2);
  expect(positionOfHours(24)).toBeLessThan(0.5);
});

it('steps from tick to tick and stops at the ends', () => {
  const stops = [0];
  ticks.forEach(() => stops.push(neighbourTick(stops.at(-1)!, 1)));
  expect(stops.slice(0, ticks.length)).toEqual(ticks.map((t) => t.hours));
  expect(stops.at(-1)).toBe(YEAR_HOURS);
  expect(neighbourTick(30, -1)).toBe(24);
  expect(neighbourTick(0, -1)).toBe(0);
});

it.each([
  [0, 'fresh'],
  [0.5, '30 min'],
  [5, '5 h'],
  [48, '2 days'],
  [CURED_HOURS, '6 weeks'],
  [24 * 91, '3 months'],
  [YEAR_HOURS, '1 year'],
])('says %d hours as %s', (hours, said) => {
  expect(sayHours(hours)).toBe(said);
});
