import { screen, within } from '@testing-library/react';
import { type BookEntry, type MaterialWire } from '@kleur/contract';
import { curveModes } from '@kleur/core/material';
import { startingShelf } from '@kleur/core/material/catalogue';
import { type FittedBase } from '@kleur/core/pigment';
import { plainPrinter } from '@kleur/core/units';
import { renderIn, testStore } from '../../../test/render.tsx';
import { baseEvidence, bookOf, evidenceOf, habitLines, lotsOf } from './bookOf.ts';
import { ladderOf } from './ladder.ts';
import { LadderStrip } from './LadderStrip.tsx';

const shelf: MaterialWire[] = startingShelf().map((m) => ({
  ...m,
  builtIn: true,
  version: 1,
  inStock: false,
}));
const item = (id: string): MaterialWire => shelf.find((m) => m.id === id)!;
const reading = (
  id: string,
  doses: Readonly<Record<string, number>>,
  change: Partial<BookEntry> = {},
): BookEntry => ({
  id,
  batchId: 'b',
  batchName: 'Terrazzo',
  potName: 'Chips',
  on: '2026-03-01',
  hours: 1008,
  face: 'cut',
  gel: 1,
  how: 'photo',
  doubt: 3,
  lab: [45, 30, 25],
  doses: Object.entries(doses).map(([materialId, dose]) => ({ materialId, dose })),
  ...change,
});

describe('the book', () => {
  it('has a page for what was read, the most of it first, and for what is in stock', () => {
    const owned = shelf.map((m) => (m.id === 'mica-dome' ? { ...m, inStock: true } : m));
    const pages = bookOf(owned, [
      reading('1', { 'red-iron-oxide': 2 }),
      reading('2', { 'ultramarine-blue': 4, 'red-iron-oxide': 0.5 }),
    ]);
    expect(pages.map((p) => [p.material.id, p.bars.length])).toEqual([
      ['red-iron-oxide', 2],
      ['ultramarine-blue', 1],
      ['mica-dome', 0],
    ]);
    // In order of dose, and whether it was alone in the pot.
    expect(pages[0]!.bars.map((b) => [b.dose, b.isAlone])).toEqual([
      [0.5, false],
      [2, true],
    ]);
  });

  it('leaves out what has no curve of its own to learn', () => {
    const owned = shelf.map((m) => ({ ...m, inStock: true }));
    const ids = bookOf(owned, []).map((p) => p.material.id);
    expect(ids).not.toContain('poppy-seed');
    expect(ids).not.toContain('oil-olive');
    expect(ids).toContain('red-iron-oxide');
  });

  it('says what a curve stands on', () => {
    const red = item('red-iron-oxide');
    expect(evidenceOf(red, 0)).toBe('Shelf default, a guess: strength ±\u00a035\u00a0%');
    expect(evidenceOf(red, 1)).toMatch(/One bar was read$/);
    const fitted = { origin: { kind: 'fitted' as const, version: 2, readings: 5 }, spread: 0.083 };
    expect(evidenceOf({ ...red, curve: fitted }, 5)).toBe(
      'Fitted to 5 of your bars; strength ±\u00a08\u00a0%',
    );
  });
});

it('sets each bar at its dose, gelled and not', async () => {
  const red = item('red-iron-oxide');
  const [page] = bookOf(shelf, [
    reading('1', { 'red-iron-oxide': red.window!.faint! }),
    reading('2', { 'red-iron-oxide': red.window!.ceiling, kaolin: 3 }),
    reading('3', { 'red-iron-oxide': 2 }, { gel: 0 }),
  ]);
  renderIn(
    await testStore(),
    <LadderStrip
      name="Gate red"
      optics={red.optics!}
      modes={curveModes(red.curve)}
      window={red.window!}
      bars={page!.bars}
    />,
  );
  const gelled = screen.getByRole('img', { name: /^Gate red, gelled, .*: 2 bars read$/ });
  const places = within(gelled)
    .getAllByTitle(/g\/kg, Terrazzo, Chips/)
    .map((el) => el.style.left);
  expect(places).toEqual(['0%', '100%']);
  expect(within(gelled).getAllByTitle(/with others/)).toHaveLength(1);
  expect(screen.getByRole('img', { name: /not gelled.*one bar read$/ })).toBeVisible();
});

describe('a strip', () => {
  const red = item('red-iron-oxide');
  const curve = { optics: red.optics!, modes: curveModes(red.curve) };
  const [page] = bookOf(
    shelf,
    [0.5, 8].map((dose) => reading(String(dose), { 'red-iron-oxide': dose }, { doubt: 0.5, how: 'reader' })),
  );
  /** How far the teeth above reach, %. */
  const tips = (above: string): number[] =>
    [...above.matchAll(/% ([\d.]+)%/g)].map((m) => Number(m[1])).filter((_, i) => i % 2 === 1);

  it('is frayed by how far its curve may be off, and sharp where a bar stands', () => {
    const guess = tips(ladderOf(curve, 1, [0.1, 20], []).above);
    const read = tips(ladderOf(curve, 1, [0.1, 20], page!.bars).above);
    const at = (dose: number): number =>
      Math.min(47, Math.floor((48 * Math.log(dose / 0.1)) / Math.log(200)));
    expect(read[at(0.5)]).toBeLessThan(guess[at(0.5)]! / 2);
    expect(read[at(8)]).toBeLessThan(guess[at(8)]! / 2);
    // Between them it is as unsure as before.
    expect(read[at(2)]).toBe(guess[at(2)]);
    const sure = tips(ladderOf({ ...curve, modes: [] }, 1, [0.1, 20], []).above);
    expect(Math.max(...sure)).toBeLessThan(Math.max(...guess));
  });
});

describe('lots', () => {
  const bars = (lots: readonly string[]) =>
    bookOf(
      shelf,
      lots.map((lot, i) => reading(String(i), { 'red-iron-oxide': 1 + i }, lot === '' ? {} : { lot })),
    )[0]!.bars;

  it('stand by themselves as soon as two of them were read', () => {
    expect(lotsOf(bars(['A', 'A', ''])).map((g) => [g.lot, g.bars.length])).toEqual([['', 3]]);
    expect(lotsOf(bars(['B', 'A', '', 'B'])).map((g) => [g.lot, g.bars.length])).toEqual([
      ['', 1],
      ['A', 1],
      ['B', 2],
    ]);
  });
});

describe('what was learnt of the maker’s soap', () => {
  const base = (change: Partial<FittedBase>): FittedBase => ({
    kUngelled: [],
    kGelled: [],
    gelScatter: [],
    inner: 0.55,
    load: 0,
    young: { absorbs: 0, scatters: 0 },
    browns: 1,
    gloss: [0, 0],
    ...change,
  });
  const lines = (change: Partial<FittedBase>, gel?: { shift: number; batches: number }): string[] =>
    habitLines({ base: base(change), gel }, plainPrinter);

  it('calls a base by its bare bars, and a guess where only its habits were told', () => {
    const learnt = (readings: number) => ({ version: 1, readings, base: base({}) });
    expect(baseEvidence(learnt(1), 1)).toBe('From one bare bar of yours');
    expect(baseEvidence(learnt(0), 0)).toMatch(/^The reference base, a guess\. Read a bar/);
    expect(baseEvidence(null, 2)).toBe('The reference base, a guess. 2 bare bars were read.');
  });

  it('says when it gels, how scents brown in it and how it ages, and nothing of what is as known', () => {
    expect(lines({})).toEqual([]);
    expect(lines({}, { shift: 0.3, batches: 1 })).toEqual([
      'Left to itself your soap gels as by the table, from one batch.',
    ]);
    expect(lines({}, { shift: -3.6, batches: 5 })).toEqual([
      'Left to itself your soap gels about 4 °C earlier than by the table, from 5 batches.',
    ]);
    expect(lines({ browns: 1.28, brownsPace: 1.5 })).toEqual([
      'Your scents brown × 1.28 as much as their sheets say, in × 1.5 the time.',
    ]);
    const [young] = lines({ young: { absorbs: 0.1, scatters: -0.05 } });
    expect(young).toContain('takes in × 1.11 and scatters × 0.95');
  });
});
