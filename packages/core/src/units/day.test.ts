import fc from 'fast-check';
import { addDays, dayNumber, dayText, weekday } from './day.ts';

it.each([
  ['1970-01-01', 0],
  ['2000-02-29', 11_016],
  ['2026-11-27', 20_784],
  ['1969-12-31', -1],
])('counts %s as %d', (day, number) => {
  expect(dayNumber(day)).toBe(number);
  expect(dayText(number)).toBe(day);
});

it('agrees with the platform’s calendar on any day', () => {
  fc.assert(
    fc.property(fc.integer({ min: -100_000, max: 400_000 }), (number) => {
      // oxlint-disable-next-line no-restricted-globals -- the calendar that this one is compared with
      const utc = new Date(number * 86_400_000);
      expect(dayText(number)).toBe(utc.toISOString().slice(0, 10));
      expect(dayNumber(dayText(number))).toBe(number);
      expect(weekday(number)).toBe((utc.getUTCDay() + 6) % 7);
    }),
  );
});

it('adds days over the ends of months', () => {
  expect(addDays('2026-02-27', 2)).toBe('2026-03-01');
  expect(addDays('2026-01-01', -1)).toBe('2025-12-31');
  expect(() => dayNumber('1 May')).toThrow('No day: 1 May');
});
