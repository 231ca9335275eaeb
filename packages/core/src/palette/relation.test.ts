import { type LabD65 } from '../colour/lab.ts';
import { hueBetween, relationOf, turnBetween, turned } from './relation.ts';

const at = (L: number, C: number, hue: number): LabD65 => turned([L, C, 0], hue);

it.each([
  [at(50, 40, 30), at(50, 40, 210), 'brighter'],
  [at(50, 40, 30), at(50, 40, 171), 'brighter'],
  [at(50, 40, 30), at(50, 40, 168), 'grey'],
  [at(50, 40, 30), at(50, 40, 116), 'grey'],
  [at(50, 40, 30), at(50, 40, 112), 'apart'],
  [at(50, 40, 30), at(50, 40, 66), 'apart'],
  [at(50, 40, 30), at(60, 40, 64), 'melt'],
  [at(50, 40, 30), at(66, 40, 64), 'family'],
  [at(92, 5, 90), at(50, 40, 30), 'apart'],
  [at(92, 5, 90), at(80, 40, 80), 'melt'],
] as const)('%p beside %p: %s', (one, two, relation) => {
  expect(relationOf(one, two)).toBe(relation);
  expect(relationOf(two, one)).toBe(relation);
});

it('a turn keeps lightness and chroma, and is told again', () => {
  const one = at(40, 33, 350);
  const two = turned(one, 25);
  expect(Math.hypot(two[1], two[2])).toBeCloseTo(33, 9);
  expect(two[0]).toBe(40);
  expect(turnBetween(one, two)).toBeCloseTo(25, 9);
  expect(turnBetween(two, one)).toBeCloseTo(-25, 9);
  expect(hueBetween(one, turned(one, 190))).toBeCloseTo(170, 9);
});
