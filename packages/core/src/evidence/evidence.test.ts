import fc from 'fast-check';
import { deltaE00 } from '../colour/deltaE00.ts';
import { type LabD65 } from '../colour/lab.ts';
import { labD65FromHex } from '../colour/srgb.ts';
import { actualsOf } from '../day/actuals.ts';
import { logEntry } from '../day/entry.ts';
import { cupIdOf } from '../day/cups.ts';
import { potComposition } from '../balance/potComposition.ts';
import { labOf } from '../pigment/composition.ts';
import { type Plan } from '../plan/plan.ts';
import { dose, planWith, pot, tenthGramScale } from '../testing/plans.ts';
import { comparePots, seenAt } from './compare.ts';
import { differenceWords } from './differenceWords.ts';
import { atHours, foretold, PREDICTED_HOURS, predictedOf } from './predicted.ts';
import {
  facesOf,
  gelAt,
  hoursBetween,
  readAt,
  type Reading,
  readingProblem,
  stageOfFace,
} from './reading.ts';
import { colourFromText } from './typedColour.ts';

const plan: Plan = planWith([
  pot('Red', 2, dose('red-iron-oxide', 1.6)),
  pot('Blue', 1, dose('ultramarine-blue', 4)),
  { ...pot('Ridge', 1), place: 'top' },
]);
const predicted = predictedOf(plan);
const seenRed = (change: Partial<Reading> = {}): Reading => ({
  id: 'r',
  potId: 'Red',
  face: 'cut',
  on: '2026-03-10',
  hours: 48,
  lab: [45, 30, 25],
  how: 'lab',
  doubt: 1,
  file: '',
  note: '',
  ...change,
});

describe('a prediction that is kept', () => {
  it('is the model’s own colour at its hours, inside and outside, and close to it between them', () => {
    for (const [g, gel] of [
      [0, 0],
      [1, 1],
    ] as const) {
      const red = predicted.pots[0]!;
      const composition = potComposition(plan, plan.pots[0]!);
      PREDICTED_HOURS.forEach((hours, i) => {
        expect(deltaE00(red.inside[g][i]!, labOf(composition, { hours, gel }))).toBeLessThan(0.01);
      });
      for (const hours of [3, 20, 90, 250, 500, 2000])
        expect(deltaE00(atHours(red.inside[g], hours), labOf(composition, { hours, gel }))).toBeLessThan(1);
    }
  });

  it('goes by the gel that was seen, and by the face', () => {
    const red = predicted.pots[0]!;
    const ring = { how: 'ring', rim: 10 } as const;
    const at = (seen: Parameters<typeof foretold>[2], face: Parameters<typeof foretold>[3]): LabD65 =>
      foretold(predicted, red, seen, face, 1008);
    const close = (a: LabD65, b: LabD65): void => {
      expect(deltaE00(a, b)).toBeLessThan(0.02);
    };
    close(at({ how: 'none', rim: 0 }, 'cut'), red.inside[0][6]!);
    close(at({ how: 'full', rim: 0 }, 'cut'), red.inside[1][6]!);
    close(at(ring, 'cut'), red.inside[1][6]!);
    close(at(ring, 'side'), red.outside[0][6]!);
    close(at(null, 'scrape'), red.inside[0][6]!);
    close(at(null, 'cut'), red.inside[predicted.gel][6]!);
  });
});

it('reads a scrape as ungelled, and everything else at the gel that was seen', () => {
  expect(gelAt({ how: 'full', rim: 0 }, 'scrape', 1)).toBe(0);
  expect(gelAt({ how: 'unsure', rim: 0 }, 'cut', 1)).toBe(1);
  expect(stageOfFace(plan, { how: 'full', rim: 0 }, 0, { face: 'side', hours: 48 })).toMatchObject({
    skin: true,
    gel: 0,
  });
});

describe('planned, made and seen', () => {
  const log = [
    logEntry({
      id: 'a',
      at: 1,
      kind: 'added',
      potId: 'Red',
      target: cupIdOf('Red', 'red-iron-oxide'),
      by: 'part',
      value: 0.5,
    }),
  ];
  const made = actualsOf(plan, tenthGramScale, log);

  it('sets what was read beside both, with the ways between them', () => {
    const [red, blue] = comparePots(predicted, made, null, [seenRed()], 'cut', 'cut');
    expect(red).toMatchObject({ potId: 'Red', hours: 48, seen: [45, 30, 25] });
    // Half a cup of red makes a paler pot.
    expect(red!.made[0]).toBeGreaterThan(red!.planned![0] + 2);
    expect(red!.plannedToMade).toBeCloseTo(deltaE00(red!.planned!, red!.made), 5);
    expect(red!.plannedToSeen).toBeCloseTo(deltaE00(red!.planned!, [45, 30, 25]), 5);
    expect(blue).toMatchObject({ seen: null, words: null, within: null, plannedToSeen: null });
    expect(blue!.plannedToMade).toBeLessThan(0.05);
  });

  it('takes the readings of the last day of a moment, averaged, and of that face alone', () => {
    const readings = [
      seenRed({ id: '1', on: '2026-03-10', lab: [10, 0, 0] }),
      seenRed({ id: '2', on: '2026-03-11', hours: 72, lab: [40, 30, 20] }),
      seenRed({ id: '3', on: '2026-03-11', hours: 72, lab: [44, 30, 20] }),
      seenRed({ id: '4', on: '2026-03-12', hours: 96, face: 'side' }),
      seenRed({ id: '5', on: '2026-05-12', hours: 1500, lab: [1, 1, 1] }),
    ];
    const [red] = comparePots(predicted, made, null, readings, 'cut', 'cut');
    expect(red).toMatchObject({ seen: [42, 30, 20], hours: 72 });
    expect(red!.seenDoubt).toBeCloseTo(1 / Math.SQRT2, 6);
    expect(seenAt(readings)).toEqual([
      { at: 'cure', face: 'cut' },
      { at: 'cut', face: 'side' },
      { at: 'cut', face: 'cut' },
    ]);
  });

  it('says whether a miss lies within what model and reading gave themselves', () => {
    const [red] = comparePots(predicted, made, null, [], 'cut', 'cut');
    const off = (by: number): boolean | null => {
      const lab: LabD65 = [red!.made[0] + by, red!.made[1], red!.made[2]];
      return comparePots(predicted, made, null, [seenRed({ lab, doubt: 1 })], 'cut', 'cut')[0]!.within;
    };
    const room = Math.hypot(red!.doubt, 1);
    expect(off(room * 0.7)).toBe(true);
    expect(off(room * 2)).toBe(false);
  });

  it('has no plan for a pot that came up at the bench', () => {
    const born = actualsOf(plan, tenthGramScale, [
      logEntry({
        id: 'b',
        at: 1,
        kind: 'took',
        potId: 'Red',
        target: 'new',
        by: 'fraction',
        value: 0.3,
        text: 'Pink',
      }),
    ]);
    const pots = comparePots(predicted, born, null, [seenRed({ potId: 'new' })], 'cut', 'cut');
    expect(pots.map((p) => p.name)).toEqual(['Red', 'Blue', 'Ridge', 'Pink']);
    expect(pots[3]).toMatchObject({ planned: null, plannedToSeen: null });
    expect(pots[3]!.madeToSeen).toBeGreaterThan(0);
  });
});

it.each([
  ['#c08060', '#c08060', 'the same'],
  ['#808080', '#9a9a9a', 'lighter'],
  ['#f0e8d8', '#e0ccaa', 'much browner'],
  ['#4060c0', '#6070a8', 'less vivid'],
  ['#d8b080', '#d0a878', 'a little darker'],
  ['#b03030', '#b05030', 'much more orange and less vivid'],
  ['#a8989c', '#a09ea0', 'greyer'],
])('calls %s beside %s: %s', (from, to, words) => {
  expect(differenceWords(labD65FromHex(from), labD65FromHex(to))).toBe(words);
});

it.each([
  // Violet over green, as it was found; and the other way round.
  [[55, -30, 25], [45, 30, -35], 'more violet', 'green'],
  [[45, 30, -35], [55, -30, 25], 'greener', 'violet'],
  [[60, 40, 5], [60, 0, 42], 'yellower', 'red'],
  // Chroma 17 to 14, hardly lighter.
  [[70, 8, 15], [71, 6.5, 12.4], 'greyer', 'blu'],
  [[40, 30, -20], [60, 28, -19], 'lighter', 'vivid'],
] as const)('describes the seen colour: %p seen as %p is %s', (planned, seen, word, never) => {
  const words = differenceWords(planned, seen);
  expect(words).toContain(word);
  expect(words).not.toContain(never);
});

it('is true of every pair that it describes, the largest difference first', () => {
  const hues = {
    redder: [0],
    orange: [45],
    yellower: [90],
    greener: [135, 180],
    bluer: [225, 270],
    violet: [315],
  };
  const hueOf = ([, a, b]: readonly number[]): number => (Math.atan2(b!, a!) * 180) / Math.PI;
  const apart = (a: number, b: number): number => Math.abs(((a - b + 540) % 360) - 180);
  const colour = fc.tuple(
    fc.double({ min: 20, max: 90, noNaN: true }),
    fc.double({ min: 8, max: 60, noNaN: true }),
    fc.double({ min: 0, max: 360, noNaN: true }),
  );
  const labOf = ([L, c, h]: readonly [number, number, number]): [number, number, number] => [
    L,
    c * Math.cos((h * Math.PI) / 180),
    c * Math.sin((h * Math.PI) / 180),
  ];
  fc.assert(
    fc.property(colour, colour, (a, b) => {
      const [from, to] = [labOf(a), labOf(b)];
      const words = differenceWords(from, to);
      const [dL, dC] = [b[0] - a[0], b[1] - a[1]];
      const dH = 2 * Math.sqrt(a[1] * b[1]) * Math.sin((apart(a[2], b[2]) * Math.PI) / 360);
      const largest = Math.max(Math.abs(dL), Math.abs(dC), dH);
      const firstWord = words.replace(/^(a little|much) /, '').split(' and ')[0]!;
      if (/lighter|darker/.test(words)) expect(dL > 0).toBe(words.includes('lighter'));
      if (/vivid|greyer/.test(words)) expect(dC > 0).toBe(words.includes('more vivid'));
      for (const [hue, angles] of Object.entries(hues))
        if (words.includes(hue)) {
          const near = (lab: readonly number[]): number =>
            Math.min(...angles.map((x) => apart(x, hueOf(lab))));
          expect(near(to) - near(from)).toBeLessThan(45);
        }
      if (words !== 'the same' && !words.includes('browner')) {
        const size = /lighter|darker/.test(firstWord)
          ? Math.abs(dL)
          : /vivid|greyer/.test(firstWord)
            ? Math.abs(dC)
            : dH;
        expect(size).toBeCloseTo(largest, 6);
      }
    }),
    { numRuns: 300 },
  );
});

it('always has words for a difference, and none for none', () => {
  const lab = fc.tuple(
    fc.double({ min: 5, max: 98, noNaN: true }),
    fc.double({ min: -60, max: 60, noNaN: true }),
    fc.double({ min: -60, max: 60, noNaN: true }),
  );
  fc.assert(
    fc.property(lab, lab, (a, b) => {
      const words = differenceWords(a, b);
      expect(words === 'the same').toBe(deltaE00(a, b) < 2);
      expect(words).toMatch(/^(a little |much )?[a-z ]+$/);
    }),
    { numRuns: 200 },
  );
});

describe('a reading', () => {
  const batch = { plan, madeOn: '2026-03-08', readings: [seenRed()] };
  it.each([
    ['before-the-pour', { on: '2026-03-07' }],
    ['no-such-pot', { potId: 'Green' }],
    ['no-such-face', { potId: 'Ridge', face: 'inside' }],
    ['same-again', { id: 'other' }],
  ] as const)('is refused: %s', (problem, change) => {
    expect(readingProblem(batch, seenRed({ id: 'n', lab: [45, 30, 25], ...change }))).toBe(problem);
  });
  it.each([
    [{ on: '2026-03-08' }],
    [{ lab: [45.2, 30, 25] }],
    [{ face: 'side' }],
    [{ potId: 'Ridge', face: 'top' }],
  ] as const)('is taken: %j', (change) => {
    expect(readingProblem(batch, seenRed({ id: 'n', on: '2026-03-10', ...change }))).toBeNull();
  });
  it('needs a pour, and room', () => {
    expect(readingProblem({ ...batch, madeOn: null }, seenRed())).toBe('not-poured');
    const full = Array.from({ length: 500 }, (_, i) => seenRed({ id: String(i) }));
    expect(readingProblem({ ...batch, readings: full }, seenRed({ id: 'n' }))).toBe('too-many');
  });
  it('is of the pour, the cut or the cure by its hours', () => {
    expect([0, 8, 9, 120, 121].map((hours) => readAt({ hours }))).toEqual([
      'pour',
      'pour',
      'cut',
      'cut',
      'cure',
    ]);
    expect(hoursBetween('2026-03-08', '2026-03-10')).toBe(48);
    // Across the change of the clocks too.
    expect(hoursBetween('2026-03-28', '2026-03-30')).toBe(48);
    expect(facesOf(plan, 'Ridge')).toEqual(['top', 'cut', 'scrape']);
  });
});

it.each([
  ['#b06a49', 'hex'],
  ['B06A49', 'hex'],
  ['52.1 24 31', 'lab'],
  ['52,1 24 31', 'lab'],
  ['52.1, -24, 31', 'lab'],
  ['L* 52.1 a* 24 b* 31', 'lab'],
  ['52,1; 24; -31', 'lab'],
])('reads “%s” as %s', (text, how) => {
  expect(colourFromText(text)?.how).toBe(how);
});
it.each(['', 'red', '52 24', '152 24 31', '52 240 31', '1 2 3 4', '#12345'])('does not read “%s”', (text) => {
  expect(colourFromText(text)).toBeNull();
});
