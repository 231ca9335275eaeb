import { dayFromWords } from './dayWords.ts';

// 27 November 2026 is a Friday.
it.each([
  ['tonight', '2026-11-27'],
  ['Today', '2026-11-27'],
  [' tomorrow ', '2026-11-28'],
  ['Saturday', '2026-11-28'],
  ['sat', '2026-11-28'],
  ['thursday', '2026-12-03'],
  ['Friday', '2026-12-04'],
  ['su', '2026-11-29'],
  ['s', null],
  ['someday', null],
  ['', null],
  ['28/11/2026', null],
])('%s', (text, day) => {
  expect(dayFromWords(text, '2026-11-27')).toBe(day);
});
