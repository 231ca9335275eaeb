import { deltaE00 } from '../colour/deltaE00.ts';
import { type LabD65 } from '../colour/lab.ts';
import { labD65FromHex } from '../colour/srgb.ts';
import { doubtOf } from '../material/doubt.ts';
import { referenceCanvas } from '../pigment/canvas.ts';
import { cured } from '../pigment/stage.ts';
import { shelfItem } from '../testing/plans.ts';
import { anything, type Candidate, candidatesOf, givenFrom } from './candidates.ts';
import { matchColour } from './match.ts';
import { type MatchProblem, POT_LIMITS } from './problem.ts';

/** The micas as four bars each told them: sharp; everything else stands on its label. */
const tested = (c: Candidate): Candidate => ({
  ...c,
  curve: {
    origin: { kind: 'fitted', version: 1, readings: 4 },
    spread: 0.03,
    modes: [{ k: new Array<number>(36).fill(0.03), s: 0.02 }],
    typicalMiss: 0.8,
  },
});
const ids = [
  'titanium-dioxide-oil',
  'red-iron-oxide',
  'yellow-iron-oxide',
  'black-iron-oxide',
  'chromium-oxide-green',
  'ultramarine-blue',
  'ultramarine-violet',
  'mica-ribbon',
  'mica-dome',
  'mica-lantern',
  'rose-clay',
];
const shelf = candidatesOf(ids.map(shelfItem), anything).map((c) =>
  c.id.startsWith('mica') ? tested(c) : c,
);
const problem = (target: LabD65, more: Partial<MatchProblem> = {}): MatchProblem => ({
  target,
  stage: cured(1),
  canvas: referenceCanvas,
  candidates: shelf,
  most: 3,
  ...POT_LIMITS,
  resolution: null,
  ...more,
});
const COLOURS = ['#7d8fa8', '#a9747c', '#8f9a72', '#b59a63', '#6f7f9c'];

it('tells of each recipe what it stands on and how it looks if it misses, what is in the pot counted in', () => {
  const given = givenFrom([{ material: shelfItem('ultramarine-blue'), dose: 1 }]);
  const { recipes } = matchColour(problem(labD65FromHex('#7d8fa8'), { given }));
  expect(recipes.length).toBeGreaterThan(2);
  for (const r of recipes) {
    const all = new Map([['ultramarine-blue', 1]]);
    for (const p of r.parts) all.set(p.id, p.dose + (all.get(p.id) ?? 0));
    const own = doubtOf(
      referenceCanvas,
      [...all].map(([id, dose]) => ({ ...shelf.find((c) => c.id === id)!, dose })),
      cured(1),
    );
    expect(r.doubt).toBeCloseTo(own.deltaE, 9);
    expect(r.range[0][0]).toBeLessThan(r.range[1][0]);
    expect(deltaE00(r.range[0], r.range[1])).toBeGreaterThan(r.doubt);
    const ofBars = [...all.keys()].filter((id) => id.startsWith('mica')).length;
    expect(r.evidence).toMatchObject({ colourants: all.size, tested: ofBars, readings: 0 });
  }
});

it('names the surest by what the whole recipe may miss, not by its worst colourant', () => {
  for (const hex of COLOURS) {
    const { recipes } = matchColour(problem(labD65FromHex(hex)));
    const closest = Math.min(...recipes.map((r) => r.deltaE));
    const surest = recipes.find((r) => r.virtues.includes('surest'))!;
    const score = (r: (typeof recipes)[number]): number => r.doubt + 0.1 * r.parts.length;
    for (const r of recipes)
      if (r.deltaE <= closest + 1.5) expect(score(surest)).toBeLessThanOrEqual(score(r) + 1e-9);
  }
});

it('puts sure recipes first where that is asked for', () => {
  const expected = (r: { deltaE: number; doubt: number }): number => Math.hypot(r.deltaE, r.doubt);
  let surer = 0;
  for (const hex of COLOURS) {
    const [near] = matchColour(problem(labD65FromHex(hex))).recipes;
    const [sure] = matchColour(problem(labD65FromHex(hex), { prefersSure: true })).recipes;
    // A colourant that hardly shows, and what nobody sees, may stand between.
    expect(expected(sure!)).toBeLessThanOrEqual(expected(near!) + 0.7);
    if (sure!.doubt < near!.doubt - 1) surer++;
  }
  expect(surer).toBeGreaterThanOrEqual(2);
});

it('says of a bare pot that it holds no colourant', () => {
  expect(doubtOf(referenceCanvas, [], cured(1))).toMatchObject({
    colourants: 0,
    tested: 0,
    readings: 0,
    typicalMiss: null,
  });
});
