import { startingShelf } from '@kleur/core/material/catalogue';
import { plainPrinter } from '@kleur/core/units';
import {
  barWrite,
  doseProblem,
  emptyRow,
  newBarId,
  NO_COLOUR,
  rowsOf,
  type ToldBar,
  uncolouredQuestion,
} from './barForm.ts';

const shelf = startingShelf().map((m) => ({ ...m, version: 1, updatedAt: '' })) as unknown as Parameters<
  typeof barWrite
>[2];
const told = (change: Partial<ToldBar>): ToldBar => ({
  id: newBarId(),
  name: '',
  rows: [],
  gelled: true,
  lot: '',
  ...change,
});
const rest = {
  on: '2026-03-09',
  hours: 1008,
  oils: [{ materialId: 'olive-oil', share: 100 }],
  vanillin: 0,
  lab: [52, 24, 31],
  how: 'lab',
  doubt: 0.5,
} as const;
const row = (materialId: string | null, dose: number | null) => ({ ...emptyRow(materialId), dose });

it('sends a bar with what is in it, by the name of that where it has none', () => {
  const red = told({ rows: [row('red-iron-oxide', 2), row('titanium-dioxide-oil', 5)], gelled: false });
  expect(barWrite(red, rest, shelf)).toEqual({
    ...rest,
    id: red.id,
    name: 'Red iron oxide + Titanium dioxide, oil grade',
    gel: 0,
    note: '',
    doses: [
      { materialId: 'red-iron-oxide', dose: 2 },
      { materialId: 'titanium-dioxide-oil', dose: 5 },
    ],
  });
  expect(barWrite(told({ name: ' Rust ', lot: ' A7 ' }), rest, shelf)).toMatchObject({
    name: 'Rust',
    lot: 'A7',
  });
});

it('is uncoloured only where that is said', () => {
  expect(doseProblem([row(null, null), row(null, 3)])).toContain('Choose what the bar holds');
  expect(doseProblem([])).toContain('Choose what the bar holds');
  expect(doseProblem([row(NO_COLOUR, null)])).toBe('');
  expect(barWrite(told({ rows: [row(NO_COLOUR, null)] }), rest, shelf)).toMatchObject({
    name: 'Uncoloured bar',
    doses: [],
  });
  expect(rowsOf({ doses: [] })).toMatchObject([{ materialId: NO_COLOUR, dose: null }]);
  expect(rowsOf({ doses: [{ materialId: 'kaolin', dose: 2 }] })).toMatchObject([
    { materialId: 'kaolin', dose: 2 },
  ]);
});

it('asks about an uncoloured bar that looks like no soap', () => {
  const ask = (lab: readonly [number, number, number], rows = [row(NO_COLOUR, null)]) =>
    uncolouredQuestion(rows, { lab: lab, hours: 1008 }, shelf, plainPrinter);
  expect(ask([45, 30, 25])).toContain('from any uncoloured soap');
  expect(ask([25, 0, 0])).not.toBe('');
  expect(ask([90, -0.5, 8])).toBe('');
  expect(ask([82, -1, 16])).toBe('');
  expect(ask([45, 30, 25], [row('red-iron-oxide', 2)])).toBe('');
});

it.each([null, 0, -1])('a colourant at a dose of %s is a problem', (dose) => {
  expect(doseProblem([row('red-iron-oxide', 1), row('rose-clay', dose)])).toContain('more than 0 g/kg');
  expect(doseProblem([row('red-iron-oxide', 1), row('rose-clay', 0.01)])).toBe('');
});

it('every bar has an id of its own', () => {
  expect(new Set(Array.from({ length: 50 }, newBarId)).size).toBe(50);
});
