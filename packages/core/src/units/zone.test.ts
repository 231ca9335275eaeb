import { dayNumber } from './day.ts';
import { isTimeZone, wallClock } from './zone.ts';

/** ms since 1970 of `YYYY-MM-DDTHH:mm:ssZ`. */
function momentOf(text: string): number {
  const [h, m, s] = text.slice(11, 19).split(':').map(Number);
  return (dayNumber(text.slice(0, 10)) * 86_400 + h! * 3600 + m! * 60 + s!) * 1000;
}

it.each([
  // Half past eight in the morning in Sydney is the evening before in Greenwich (UTC+11 in its summer).
  ['2026-11-19T21:30:00Z', 'Australia/Sydney', '2026-11-20', '08:30:00'],
  ['2026-11-19T21:30:00Z', 'UTC', '2026-11-19', '21:30:00'],
  // Summer time in Berlin began on 29 March 2026 at 01:00 UTC and ended on 25 October.
  ['2026-03-28T22:59:59Z', 'Europe/Berlin', '2026-03-28', '23:59:59'],
  ['2026-03-29T00:30:00Z', 'Europe/Berlin', '2026-03-29', '01:30:00'],
  ['2026-03-29T21:59:59Z', 'Europe/Berlin', '2026-03-29', '23:59:59'],
  ['2026-03-29T22:00:00Z', 'Europe/Berlin', '2026-03-30', '00:00:00'],
  ['2026-10-25T22:30:00Z', 'Europe/Berlin', '2026-10-25', '23:30:00'],
  ['2026-07-04T03:00:00Z', 'America/Los_Angeles', '2026-07-03', '20:00:00'],
  ['2026-01-01T00:00:00Z', 'Asia/Kathmandu', '2026-01-01', '05:45:00'],
])('%s in %s is %s %s', (at, zone, day, time) => {
  expect(wallClock(momentOf(at), zone)).toEqual({ day, time });
});

it('knows a zone from what is none', () => {
  for (const zone of ['UTC', 'Europe/Berlin', 'Asia/Tokyo']) expect(isTimeZone(zone)).toBe(true);
  for (const zone of ['', 'Mars/Base', 'Europe']) expect(isTimeZone(zone)).toBe(false);
});
