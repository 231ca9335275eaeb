import { MATERIAL_KINDS } from '@kleur/core/material';
import { startingShelf } from '@kleur/core/material/catalogue';
import { entryOf, writeFrom, writeOf } from './materialWrite.ts';
import { blankMaterial } from '../../shared/blankMaterial.ts';

it('a form changes nothing of an item that is not edited', () => {
  for (const material of startingShelf()) {
    const write = writeOf({ ...material, builtIn: true, version: 1 });
    expect(writeFrom(entryOf(write))).toEqual(write);
  }
});

it.each(MATERIAL_KINDS)('a new item of kind %s comes out of its form as it went in', (kind) => {
  const blank = blankMaterial(kind);
  expect(writeFrom(entryOf(blank))).toEqual(blank);
});

it('what is left empty is none, and no medium is listed twice', () => {
  const entry = entryOf(blankMaterial('mica'));
  expect(entry.lots).toHaveLength(1);
  expect(writeFrom(entry).lots).toEqual([]);
  const carriers = [
    { medium: 'water', ratio: 2 },
    { medium: 'oil', ratio: 3 },
    { medium: 'water', ratio: 1 },
  ] as const;
  expect(writeFrom({ ...entry, carriers }).carriers).toEqual(carriers.slice(0, 2));
  const oil = entryOf(blankMaterial('oil'));
  const fatty = oil.oil!.fatty.map((_, i) => (i === 5 ? 70 : null));
  expect(writeFrom({ ...oil, oil: { ...oil.oil!, fatty } }).oil!.fatty).toEqual([0, 0, 0, 0, 0, 70, 0, 0]);
});

it('stores a saponification value in one unit, whichever it was typed in', () => {
  const { oil, ...rest } = entryOf(blankMaterial('oil'));
  const stored = (sapKoh: number | null): number | null =>
    writeFrom({ ...rest, oil: { ...oil!, sapKoh } }).oil!.sapKoh;
  expect(stored(0.1354)).toBeCloseTo(189.93, 2);
  expect(stored(190)).toBe(190);
  expect(stored(null)).toBeNull();
});
