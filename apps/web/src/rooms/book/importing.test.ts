import { type BookEntry, type MaterialWire } from '@kleur/contract';
import { type FileBar } from '@kleur/core/formats';
import { startingShelf } from '@kleur/core/material/catalogue';
import { type FileWish, importedBars, sameNames } from './importing.ts';

const shelf: MaterialWire[] = startingShelf().map((m) => ({ ...m, builtIn: true, version: 1 }));
const RED = 'red-iron-oxide';
const redName = shelf.find((m) => m.id === RED)!.name;

const bar = (change: Partial<FileBar> = {}): FileBar => ({
  line: 2,
  name: 'One',
  spectrum: null,
  lab: [45, 30, 25],
  doses: [{ key: redName, dose: 2 }],
  hours: null,
  gel: null,
  vanillin: 0,
  lot: '',
  instrument: '',
  on: null,
  ...change,
});
const wish: FileWish = {
  how: 'lab',
  instrument: 'Lens',
  hasGloss: false,
  hours: 500,
  gelled: false,
  oils: [],
  uncoloured: false,
  uncolouredLines: new Set(),
};
const known = new Map([[redName, RED]]);
const imported = (
  b: FileBar,
  names: ReadonlyMap<string, string | null> = known,
  book: BookEntry[] = [],
  change: Partial<FileWish> = {},
) => importedBars([b], names, { ...wish, ...change }, book, '2026-03-09', () => 'id', shelf)[0]!;

it('takes names that are exactly those of the shelf, and guesses no other', () => {
  const names = sameNames(
    [
      bar(),
      bar({ doses: [{ key: redName.toUpperCase(), dose: 1 }] }),
      bar({ doses: [{ key: 'Reddish', dose: 1 }] }),
    ],
    shelf,
  );
  expect([...names]).toEqual([
    [redName, RED],
    [redName.toUpperCase(), RED],
    ['Reddish', null],
  ]);
  expect(sameNames([bar({ doses: [{ key: RED, dose: 1 }] })], shelf).get(RED)).toBe(RED);
});

it('keeps what the file says, and what it does not say as the maker says it', () => {
  expect(imported(bar()).write).toEqual({
    id: 'id',
    name: 'One',
    on: '2026-03-09',
    hours: 500,
    gel: 0,
    lab: [45, 30, 25],
    how: 'lab',
    doubt: 1,
    note: '',
    doses: [{ materialId: RED, dose: 2 }],
    oils: [],
    vanillin: 0,
    instrument: 'Lens',
  });
  const said = imported(bar({ hours: 24, gel: 1, on: '2026-01-01', instrument: 'Eye', lot: '7' })).write;
  expect(said).toMatchObject({ hours: 24, gel: 1, on: '2026-01-01', instrument: 'Eye', lot: '7' });
});

it('leaves out what holds something unknown, and what stands in the book already', () => {
  const unknown = imported(bar(), new Map([[redName, null]]));
  expect([unknown.write, unknown.leftOut]).toEqual([null, `holds “${redName}”, which is no colourant yet`]);
  const { write } = imported(bar());
  const entry: BookEntry = {
    id: 'x',
    batchId: null,
    batchName: '',
    potName: 'One',
    on: write!.on,
    hours: 500,
    face: null,
    gel: 0,
    how: 'lab',
    doubt: 1,
    lab: [45, 30, 25],
    doses: write!.doses,
  };
  expect(imported(bar(), known, [entry]).leftOut).toMatch(/already/);
  expect(imported(bar({ lab: [46, 30, 25] }), known, [entry]).leftOut).toBe('');
  expect(imported(bar({ name: 'Two' }), known, [entry]).leftOut).toBe('');
});

it('keeps nothing as uncoloured that nobody said is, and asks about what does not look like soap', () => {
  const soap = bar({ doses: [], lab: [88, -0.5, 10] });
  const red = bar({ doses: [], lab: [45, 30, 25] });
  const black = bar({ doses: [], lab: [25, 0, 0] });
  for (const b of [soap, red, black])
    expect(imported(b)).toMatchObject({
      write: null,
      asksUncoloured: true,
      leftOut: 'the file does not say what this bar holds',
    });
  const all = { uncoloured: true };
  expect(imported(soap, known, [], all).write).toMatchObject({ doses: [] });
  for (const b of [red, black]) {
    expect(imported(b, known, [], all)).toMatchObject({ write: null, asksUncoloured: true });
    expect(imported(b, known, [], all).leftOut).toMatch(/from any uncoloured soap/);
  }
  const said = { uncolouredLines: new Set([2]) };
  for (const b of [soap, red]) expect(imported(b, known, [], said).write).toMatchObject({ doses: [] });
  expect(imported({ ...soap, line: 3 }, known, [], said).write).toBeNull();
});

it('adds up two names that are one colourant', () => {
  const doses = [
    { key: 'a', dose: 1 },
    { key: 'b', dose: 0.5 },
  ];
  const names = new Map([
    ['a', RED],
    ['b', RED],
  ]);
  expect(imported(bar({ doses }), names).write!.doses).toEqual([{ materialId: RED, dose: 1.5 }]);
});
