import { startingShelf } from '@kleur/core/material/catalogue';
import { barWrite, doseProblem, emptyRow, newBarId, type ToldBar } from './barForm.ts';

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

it('leaves out rows of no colourant: without any it is the bare base', () => {
  expect(doseProblem([row(null, null), row(null, 3)])).toBe('');
  expect(barWrite(told({ rows: [row(null, 3)] }), rest, shelf)).toMatchObject({
    name: 'Bare bar',
    doses: [],
  });
});

it.each([null, 0, -1])('a colourant at a dose of %s is a problem', (dose) => {
  expect(doseProblem([row('red-iron-oxide', 1), row('rose-clay', dose)])).toContain('more than 0 g/kg');
  expect(doseProblem([row('red-iron-oxide', 1), row('rose-clay', 0.01)])).toBe('');
});

it('every bar has an id of its own', () => {
  expect(new Set(Array.from({ length: 50 }, newBarId)).size).toBe(50);
});
