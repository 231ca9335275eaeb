import { type CopyReason } from '@kleur/contract';
import { type DatedCopy, keptCopies } from './kept-copies.ts';

const DAY = 86_400_000;
/** A Monday at noon. */
const START = Date.UTC(2030, 0, 7, 12);
const now = START + 100 * DAY;
const copy = (reason: CopyReason | undefined, daysAgo: number): DatedCopy => ({
  name: `${reason} ${daysAgo}`,
  at: now - daysAgo * DAY,
  reason,
});
const kept = (copies: readonly DatedCopy[]): string[] => [...keptCopies(copies, now)].sort();
const range = (from: number, to: number): number[] =>
  Array.from({ length: to - from + 1 }, (_, i) => from + i);

it('keeps seven days and, of what is older, four weeks', () => {
  const all = range(0, 60).map((n) => copy('daily', n));
  const names = kept(all);
  expect(names).toHaveLength(11);
  for (const n of range(0, 6)) expect(names).toContain(`daily ${n}`);
  // Day 100 is a Wednesday: the Sundays before are 3, 10, 17, 24 and 31 days ago; of the week of 7 to 9 the newest stays.
  for (const n of [7, 10, 17, 24]) expect(names).toContain(`daily ${n}`);
});

it('keeps one of a day that was copied twice', () => {
  expect(kept([copy('daily', 0.1), copy('daily', 0), copy('daily', 1)])).toEqual(['daily 0', 'daily 1']);
});

it('comes to the same when it is asked every day', () => {
  let copies: DatedCopy[] = [];
  for (let d = 0; d <= 60; d++) {
    copies.push({ name: `${d}`, at: START + d * DAY, reason: 'daily' });
    const names = keptCopies(copies, START + d * DAY);
    copies = copies.filter((c) => names.has(c.name));
    expect(copies).toHaveLength(Math.min(copies.length, 11));
    if (d >= 40) expect(copies).toHaveLength(11);
  }
});

it('keeps the newest three of each reason, and all of the last 30 days', () => {
  const old = [40, 50, 60, 70].map((n) => copy('before-reset', n));
  expect(kept(old)).toEqual(['before-reset 40', 'before-reset 50', 'before-reset 60']);
  const many = [
    ...range(1, 5).map((n) => copy('before-reset', n)),
    copy('before-reset', 30),
    copy('before-reset', 31),
  ];
  expect(kept(many)).toHaveLength(6);
  expect(kept([...old, copy('before-migration', 90), copy('before-restore', 90)])).toHaveLength(5);
});

it('keeps what was made by hand, what it does not know, and what a wrong clock dated ahead', () => {
  const all = [
    ...range(1, 20).map((n) => copy('by-hand', n * 10)),
    copy(undefined, 300),
    copy('daily', -5),
    ...range(0, 6).map((n) => copy('daily', n)),
  ];
  expect(kept(all)).toHaveLength(all.length);
});
