import { newPot } from '@kleur/core/plan';
import { nextPotName } from './potNames.ts';

const pots = (...names: string[]) => names.map((name, i) => newPot(String(i), name));

it('counts on, past names that are taken', () => {
  expect(nextPotName([])).toBe('Pot 1');
  expect(nextPotName(pots('Pot 1', 'Blue'))).toBe('Pot 3');
  expect(nextPotName(pots('Pot 2'))).toBe('Pot 3');
});
