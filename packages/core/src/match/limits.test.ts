import { deltaE00 } from '../colour/deltaE00.ts';
import { type LabD65 } from '../colour/lab.ts';
import { shelfItem, tenthGramScale } from '../testing/plans.ts';
import { referenceCanvas } from '../pigment/canvas.ts';
import { predictLab } from '../pigment/mixer.ts';
import { effectiveDose } from '../pigment/optics.ts';
import { cured } from '../pigment/stage.ts';
import { exhaustiveMeasurable } from '../testing/exhaustiveMatch.ts';
import { grams } from '../units/quantity.ts';
import { metricUnits, type Units } from '../units/view.ts';
import { adjustColour, keepingOwn } from './adjust.ts';
import { anything, candidatesOf, givenFrom } from './candidates.ts';
import { createLimits } from './limits.ts';
import { matchColour } from './match.ts';
import { type MatchProblem, POT_LIMITS } from './problem.ts';
import { cases } from '../../test/cases.ts';

const ids = [
  'titanium-dioxide-oil',
  'red-iron-oxide',
  'maroon-iron-oxide',
  'yellow-iron-oxide',
  'ultramarine-blue',
  'chromium-oxide-green',
  'activated-charcoal',
  'mica-ribbon',
  'mica-lido',
];
const candidates = candidatesOf(ids.map(shelfItem), anything);
const at = (id: string): number => candidates.findIndex((c) => c.id === id);
const stage = cured(0);
const lab = (parts: Readonly<Record<string, number>>): LabD65 =>
  predictLab(
    referenceCanvas,
    Object.entries(parts).map(([id, dose]) => ({ optics: shelfItem(id).optics!, dose })),
    stage,
  );
const problem = (target: LabD65, change: Partial<MatchProblem> = {}): MatchProblem => ({
  target,
  stage,
  canvas: referenceCanvas,
  candidates,
  most: 3,
  ...POT_LIMITS,
  resolution: null,
  ...change,
});
const given = (parts: Readonly<Record<string, number>>) =>
  givenFrom(Object.entries(parts).map(([id, dose]) => ({ material: shelfItem(id), dose })));

describe('limits', () => {
  it('grades of one colour index share one ceiling, with what is in the pot', () => {
    const limits = createLimits(problem([50, 0, 0], { given: given({ 'red-iron-oxide': 3 }) }), candidates);
    // Half of the ceiling of CI 77491 is taken: half of each grade's own is left.
    expect(limits.room(candidates[at('maroon-iron-oxide')]!)).toBeCloseTo(3, 9);
    const both = [at('red-iron-oxide'), at('maroon-iron-oxide')];
    expect(limits.fits(both, [1.5, 1.5])).toBe(true);
    expect(limits.fits(both, [1.5, 1.51])).toBe(false);
    expect(limits.room(candidates[at('ultramarine-blue')]!)).toBe(12);
  });

  it('keeps carriers below a twentieth of the oils, on both sides of it', () => {
    // Micas take three times their weight of oil: 50 g/kg are 16.67 of mica.
    const { fits } = createLimits(problem([50, 0, 0]), candidates);
    expect(fits([at('mica-ribbon'), at('mica-lido')], [8, 8.66])).toBe(true);
    expect(fits([at('mica-ribbon'), at('mica-lido')], [8, 8.68])).toBe(false);
  });

  it('what is over a limit already forbids only what adds to it', () => {
    const full = [{ ...given({ kaolin: 45 })[0]!, ceiling: 100 }];
    const { fits } = createLimits(problem([50, 0, 0], { given: full }), candidates);
    expect(fits([at('red-iron-oxide')], [0.5])).toBe(false);
    expect(fits([], [])).toBe(true);
  });

  it('a pot full of what is felt, eaten or drunk still gets recipes', () => {
    for (const id of ['carrot-puree', 'goat-milk-powder', 'oats-ground', 'pumice-fine']) {
      const { recipes } = matchColour(
        problem(lab({ 'ultramarine-blue': 5 }), { given: given({ [id]: 40 }) }),
      );
      expect(recipes[0]!.parts.length).toBeGreaterThan(0);
    }
  });

  it('what is given and what is added of one material saturate together', () => {
    const there = 8;
    const [recipe] = matchColour(
      problem(lab({ 'ultramarine-blue': 11 }), {
        candidates: [candidates[at('ultramarine-blue')]!],
        given: given({ 'ultramarine-blue': there }),
      }),
    ).recipes;
    expect(recipe!.parts[0]!.dose).toBeCloseTo(3, 1);
    expect(recipe!.deltaE).toBeLessThan(0.05);
    // Apart they would seem to do more.
    const sat = shelfItem('ultramarine-blue').optics!.saturation;
    expect(effectiveDose(8, sat) + effectiveDose(3, sat)).toBeGreaterThan(effectiveDose(11, sat));
  });
});

describe('what is asked of a recipe', () => {
  it('nothing to add is an answer, and the first one', () => {
    const there = { 'ultramarine-blue': 4, 'titanium-dioxide-oil': 2 };
    const { recipes, reasons } = matchColour(problem(lab(there), { given: given(there) }));
    expect(recipes[0]).toMatchObject({ parts: [], deltaE: 0 });
    expect(recipes[0]!.doubt).toBeGreaterThan(1);
    expect(reasons).toEqual([]);
    expect(matchColour(problem(lab({}))).recipes[0]!.parts).toEqual([]);
  });

  it('what must be in is in every recipe, and says so when it cannot be', () => {
    const target: LabD65 = [60, 5, -20];
    const { recipes } = matchColour(problem(target, { must: ['chromium-oxide-green'] }));
    expect(recipes.length).toBeGreaterThan(1);
    for (const r of recipes) expect(r.parts.map((p) => p.id)).toContain('chromium-oxide-green');
    expect(
      matchColour(problem(target, { must: ['chromium-oxide-green', 'mica-ribbon'] })).recipes[0]!.parts
        .length,
    ).toBe(3);
    const none = matchColour(
      problem(target, { must: ['red-iron-oxide'], given: given({ 'red-iron-oxide': 6 }) }),
    );
    expect(none.recipes).toEqual([]);
    expect(none.reasons[0]).toMatch(/What every recipe must hold leaves no recipe/);
  });

  it.each([null, { potOils: grams(150), measuring: tenthGramScale }])(
    'what must be in stays in where the target would rather do without (%j)',
    (resolution) => {
      const white = lab({ 'titanium-dioxide-oil': 8 });
      const { recipes, reasons } = matchColour(problem(white, { must: ['activated-charcoal'], resolution }));
      expect(recipes.length).toBeGreaterThan(0);
      for (const r of recipes) expect(r.parts.map((p) => p.id)).toContain('activated-charcoal');
      expect(reasons.length).toBeGreaterThan(0);
    },
  );

  it('keeps to these by name', () => {
    const only = candidatesOf(ids.map(shelfItem), { ...anything, only: ['mica-lido', 'activated-charcoal'] });
    expect(only.map((c) => c.id)).toEqual(['activated-charcoal', 'mica-lido']);
  });

  it('a colourant that would hardly show by itself is avoided', () => {
    const { recipes } = matchColour(problem(lab({ 'ultramarine-blue': 5, 'mica-ribbon': 0.02 })));
    expect(recipes[0]!.parts.map((p) => p.id)).toEqual(['ultramarine-blue']);
  });
});

describe('adjusting', () => {
  it('only adding stays adding', () => {
    const there = { 'ultramarine-blue': 6 };
    const adding = problem(lab(there), { given: given(there) });
    const { result, kept, joined } = adjustColour(adding, Object.keys(there), 'darker', 8);
    const [first] = result.recipes;
    // More of the same: the amount is what is added, on top of the six.
    expect([kept, joined]).toEqual([true, []]);
    expect(first!.parts.map((p) => p.id)).toEqual(['ultramarine-blue']);
    expect(first!.lab[0]).toBeLessThan(lab(there)[0] - 4);
    expect(deltaE00(lab({ 'ultramarine-blue': 6 + first!.parts[0]!.dose }), first!.lab)).toBeLessThan(1e-9);
  });

  it('takes a whitener before another colour, and names what joins', () => {
    const own = ['ultramarine-blue'];
    const lighter = adjustColour(problem(lab({ 'ultramarine-blue': 12 })), own, 'lighter', 20);
    expect(lighter.kept).toBe(true);
    expect(lighter.joined.every((id) => id === 'titanium-dioxide-oil')).toBe(true);
    const warmer = keepingOwn(problem([55, 30, 20]), own, 2);
    expect(warmer.joined.length).toBeGreaterThan(0);
    expect(warmer.joined).not.toContain('ultramarine-blue');
  });
});

describe('rounding as part of the solving', () => {
  const few = candidates.filter((c) =>
    [
      'titanium-dioxide-oil',
      'red-iron-oxide',
      'yellow-iron-oxide',
      'ultramarine-blue',
      'mica-ribbon',
    ].includes(c.id),
  );
  const pale: readonly LabD65[] = [
    [86, 6, 4],
    [84, -2, -6],
    [88, 2, 14],
    [80, 12, 2],
    [78, 4, -12],
    [90, 1, 5],
  ];
  it.each([70, 120, 150].slice(0, cases(1, 3)))(
    'in a pot of %p g of oils comes within ΔE00 0.5 of every measurable recipe',
    (potOils) => {
      for (const target of pale.slice(0, cases(4, 6))) {
        const best = exhaustiveMeasurable(referenceCanvas, few, stage, target, 3, { potOils, division: 0.1 });
        const { recipes } = matchColour(
          problem(target, {
            candidates: few,
            resolution: { potOils: grams(potOils), measuring: tenthGramScale },
          }),
        );
        expect(Math.min(...recipes.map((r) => r.deltaE))).toBeLessThan(best + 0.5);
      }
    },
  );

  it('says when the scale is too coarse for the pot, and what would help', () => {
    const strong = candidates.filter((c) => c.id === 'red-iron-oxide' || c.id === 'activated-charcoal');
    const ask = (potOils: number, scaleDivision: 0.1 | 0.01, units?: Units) =>
      matchColour(
        problem(lab({ 'red-iron-oxide': 0.3, 'activated-charcoal': 0.1 }), {
          candidates: strong,
          resolution: { potOils: grams(potOils), measuring: { ...tenthGramScale, scaleDivision } },
          ...(units && { units }),
        }),
      ).reasons.join(' ');
    expect(ask(60, 0.1)).toMatch(
      /0\.1 g is too coarse for this pot: unrounded it would be within ΔE 0(\.\d)?\. A larger pot, a 0\.01 g scale, or a stock dispersion 1:10 would help/,
    );
    expect(ask(60, 0.01)).not.toMatch(/0\.01 g scale/);
    expect(ask(60, 0.1, { ...metricUnits, decimalMark: 'comma' })).toMatch(
      /^.*0,1 g is too coarse.*a 0,01 g scale/,
    );
    expect(ask(4000, 0.01)).toBe('');
  });
});

describe('reasons are true', () => {
  const reasons = (target: LabD65, change: Partial<MatchProblem> = {}) =>
    matchColour(problem(target, change)).reasons.join(' ');

  it('never says darker than can be made when black is on the shelf', () => {
    const deep = reasons([30, 45, -45]);
    expect(deep).not.toMatch(/darker than can be made/);
    expect(deep).toMatch(/As dark as that, nothing allowed keeps this hue|that vivid in this hue/);
    const clay = candidatesOf([shelfItem('rose-clay')], anything);
    expect(reasons([20, 5, 5], { candidates: clay })).toMatch(/darker than can be made here/);
  });

  it('names the powder limit and the carriers only where more would help', () => {
    expect(reasons(lab({ 'ultramarine-blue': 12 }), { totalCeiling: 3 })).toMatch(
      /most powder a pot should carry/,
    );
    expect(
      reasons(lab({ 'mica-lido': 14 }), { carrierCeiling: 6, candidates: [candidates[at('mica-lido')]!] }),
    ).toMatch(/oil that disperses it/);
    expect(reasons(lab({ 'ultramarine-blue': 5 }))).toBe('');
  });

  it('names a ceiling that what is in the pot has reached', () => {
    expect(
      reasons(lab({ 'red-iron-oxide': 8, 'maroon-iron-oxide': 5 }), {
        candidates: candidates.filter((c) => c.group === 'CI 77491'),
        given: given({ 'maroon-iron-oxide': 6 }),
      }),
    ).toMatch(/The ceiling of \{red-iron-oxide\} is reached by what is in the pot already/);
  });

  it('tells when another colourant or gel would do it', () => {
    const made = { 'ultramarine-blue': 3, 'yellow-iron-oxide': 2, 'red-iron-oxide': 0.5 };
    expect(reasons(lab(made), { most: 1 })).toMatch(/With 2 colourants it would come within about ΔE/);
    const gelled = predictLab(
      referenceCanvas,
      [{ optics: shelfItem('ultramarine-blue').optics!, dose: 12 }],
      cured(1),
    );
    expect(reasons(gelled, { candidates: [candidates[at('ultramarine-blue')]!] })).toMatch(
      /With full gel it would come within ΔE/,
    );
  });
});
