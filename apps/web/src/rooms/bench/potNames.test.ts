import { nextPotName } from './potNames.ts';

const pots = (...names: string[]) =>
  names.map((name, i) => ({ id: String(i), name, parts: 1, scented: false, follows: null, doses: [] }));

it('counts on, past names that are taken', () => {
  expect(nextPotName([])).toBe('Pot 1');
  expect(nextPotName(pots('Pot 1', 'Blue'))).toBe('Pot 3');
  expect(nextPotName(pots('Pot 2'))).toBe('Pot 3');
});
