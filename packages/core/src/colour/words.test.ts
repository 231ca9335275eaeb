import fc from 'fast-check';
import { colourFromWords, colourWords } from './words.ts';

const lab = (L: number, C: number, hue: number): [number, number, number] => [
  L,
  C * Math.cos((hue * Math.PI) / 180),
  C * Math.sin((hue * Math.PI) / 180),
];

it.each([
  [lab(50, 12, 195), 'medium greyish teal'],
  [lab(95, 2, 90), 'white'],
  [lab(12, 1, 0), 'black'],
  [lab(60, 2, 200), 'medium grey'],
  [lab(38, 30, 62), 'dark soft brown'],
  [lab(88, 18, 85), 'cream'],
  [lab(74, 30, 8), 'light pink'],
  [lab(45, 70, 300), 'medium vivid violet'],
  [lab(83, 62, 92), 'pale vivid yellow'],
  [lab(25, 38, 265), 'very dark blue'],
] as const)('%p is %s', (colour, words) => {
  expect(colourWords(colour)).toBe(words);
});

it('has words for every colour, and knows its own words again', () => {
  fc.assert(
    fc.property(
      fc.double({ min: 0, max: 100, noNaN: true }),
      fc.double({ min: 0, max: 110, noNaN: true }),
      fc.double({ min: 0, max: 359.99, noNaN: true }),
      (L, C, hue) => {
        const words = colourWords(lab(L, C, hue));
        expect(words).toMatch(/^[a-z -]+$/);
        expect(colourFromWords(words)).not.toBeNull();
      },
    ),
  );
});

it('reads depth and strength before a hue, and nothing else', () => {
  const [L, a, b] = colourFromWords('dark greyish teal')!;
  expect(L).toBe(35);
  expect(Math.hypot(a, b)).toBeCloseTo(11, 9);
  expect(colourFromWords('Light gray')![0]).toBe(70);
  expect(colourFromWords('very dark blue')![0]).toBe(20);
  for (const text of ['', 'dark', 'bluish', 'blue cheese', 'my blue'])
    expect(colourFromWords(text)).toBeNull();
});
