import { stacked } from './timeRow.ts';

it('stacks spans so that none in a row overlap', () => {
  const rows = stacked(
    [
      { from: 0, to: 5 },
      { from: 3, to: 6 },
      { from: 5, to: 9 },
      { from: 6, to: 7 },
    ],
    (s) => s.from,
    (s) => s.to,
  );
  expect(rows.map((r) => r.map((s) => s.from))).toEqual([
    [0, 5],
    [3, 6],
  ]);
});
