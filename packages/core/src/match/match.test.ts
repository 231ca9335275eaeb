import fc from 'fast-check';
import { deltaE00 } from '../colour/deltaE00.ts';
import { type LabD65 } from '../colour/lab.ts';
import { labD65FromHex } from '../colour/srgb.ts';
import { startingShelf } from '../material/catalogue/index.ts';
import { referenceCanvas } from '../pigment/canvas.ts';
import { predictLab } from '../pigment/mixer.ts';
import { cured } from '../pigment/stage.ts';
import { exhaustiveBest } from '../testing/exhaustiveMatch.ts';
import { shelfItem, tenthGramScale } from '../testing/plans.ts';
import { grams } from '../units/quantity.ts';
import { adjustColour, DIRECTIONS, moveColour } from './adjust.ts';
import { anything, candidatesOf, givenFrom } from './candidates.ts';
import { solveLadders } from './ladder.ts';
import { matchColour } from './match.ts';
import { localMetric } from '../colour/metric.ts';
import { type MatchProblem, POT_LIMITS } from './problem.ts';
import { cases } from '../../test/cases.ts';

const ids = [
  'titanium-dioxide-oil',
  'red-iron-oxide',
  'yellow-iron-oxide',
  'brown-iron-oxide',
  'black-iron-oxide',
  'chromium-oxide-green',
  'ultramarine-blue',
  'ultramarine-violet',
  'mica-ribbon',
  'mica-dome',
  'neon-yellow',
  'rose-clay',
];
const candidates = candidatesOf(ids.map(shelfItem), anything);
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
const anyLab = fc.tuple(
  fc.double({ min: 20, max: 95, noNaN: true }),
  fc.double({ min: -50, max: 60, noNaN: true }),
  fc.double({ min: -50, max: 70, noNaN: true }),
);

describe('match', () => {
  it('finds the recipe that made the target, within ΔE00 0.5', () => {
    fc.assert(
      fc.property(
        fc.uniqueArray(fc.nat(candidates.length - 1), { minLength: 1, maxLength: 3 }),
        fc.array(fc.double({ min: 0.05, max: 1, noNaN: true }), { minLength: 3, maxLength: 3 }),
        (which, shares) => {
          const made = Object.fromEntries(
            which.map((i, n) => [candidates[i]!.id, candidates[i]!.ceiling * shares[n]! ** 2]),
          );
          fc.pre(Object.values(made).reduce((a, b) => a + b, 0) <= POT_LIMITS.totalCeiling);
          expect(matchColour(problem(lab(made))).recipes[0]!.deltaE).toBeLessThan(0.5);
        },
      ),
      { numRuns: 25, seed: 5 },
    );
  });

  it('says what it will look like, truthfully', () => {
    const { recipes } = matchColour(problem(labD65FromHex('#6f8f7a')));
    for (const r of recipes) {
      const again = lab(Object.fromEntries(r.parts.map((p) => [p.id, p.dose])));
      expect(deltaE00(again, r.lab)).toBeLessThan(1e-9);
      expect(deltaE00(again, labD65FromHex('#6f8f7a'))).toBeCloseTo(r.deltaE, 9);
    }
  });

  it('never breaks a ceiling, the total, the number or the shelf, and rounds to what can be weighed', () => {
    fc.assert(
      fc.property(anyLab, fc.integer({ min: 1, max: 4 }), fc.boolean(), (target, most, rounded) => {
        const resolution = rounded ? { potOils: grams(250), measuring: tenthGramScale } : null;
        const { recipes } = matchColour(problem(target, { most, resolution, totalCeiling: 15 }));
        expect(recipes.length).toBeLessThanOrEqual(6);
        const sets = recipes.map((r) =>
          r.parts
            .map((p) => p.id)
            .sort()
            .join(),
        );
        expect(new Set(sets).size).toBe(sets.length);
        for (const { parts } of recipes) {
          expect(parts.length).toBeLessThanOrEqual(most);
          expect(parts.reduce((sum, p) => sum + p.dose, 0)).toBeLessThanOrEqual(15 + 1e-6);
          for (const p of parts) {
            const c = candidates.find((x) => x.id === p.id)!;
            expect(p.dose).toBeLessThanOrEqual(c.ceiling + 1e-9);
            if (!rounded) continue;
            const mass = (p.dose * 250) / 1000;
            expect(mass).toBeGreaterThanOrEqual(0.2 - 1e-9);
            expect(Math.abs(mass * 10 - Math.round(mass * 10))).toBeLessThan(1e-6);
          }
        }
      }),
      { numRuns: 25, seed: 3 },
    );
  });

  it('is deterministic', () => {
    const ask = () => matchColour(problem([55, 10, -20]));
    expect(ask()).toEqual(ask());
  });

  it('is within ΔE00 0.5 of trying every subset', () => {
    const few = candidates.filter((c) => c.optics.emission === null).slice(0, 8);
    for (const target of [
      [60, 20, 10],
      [45, -20, 5],
      [75, -5, 40],
      [35, 5, -25],
      [88, 2, 4],
    ] as LabD65[]) {
      const best = exhaustiveBest(referenceCanvas, few, stage, target, 3);
      expect(matchColour(problem(target, { candidates: few })).recipes[0]!.deltaE).toBeLessThan(best + 0.5);
    }
  });

  it('another material on the shelf never makes the best match worse', () => {
    fc.assert(
      fc.property(anyLab, fc.nat(candidates.length - 1), (target, out) => {
        const fewer = candidates.filter((_, i) => i !== out);
        const less = matchColour(problem(target, { candidates: fewer })).recipes[0]!.deltaE;
        const more = matchColour(problem(target)).recipes[0]!.deltaE;
        expect(more).toBeLessThan(less + 0.5);
      }),
      { numRuns: cases(8, 25), seed: 9 },
    );
  });

  it('has honest alternatives: the fewest is no larger, the cheapest no dearer', () => {
    const { recipes } = matchColour(problem(labD65FromHex('#8a6a7c')));
    const of = (virtue: string) => recipes.find((r) => r.virtues.includes(virtue as never))!;
    const closest = of('closest');
    expect(closest.deltaE).toBe(Math.min(...recipes.map((r) => r.deltaE)));
    expect(of('fewest').parts.length).toBe(
      Math.min(...recipes.filter((r) => r.deltaE <= closest.deltaE + 1.5).map((r) => r.parts.length)),
    );
    expect(of('cheapest').cost!).toBeLessThanOrEqual(closest.cost! + 1e-9);
    expect(recipes.every((r) => r.doubt > 0)).toBe(true);
  });

  it('puts fewer colourants first among what nobody can tell apart', () => {
    fc.assert(
      fc.property(anyLab, (target) => {
        const { recipes } = matchColour(problem(target));
        const least = Math.min(...recipes.map((r) => r.deltaE));
        const asNear = recipes.filter((r) => r.deltaE <= least + 0.3);
        expect(recipes[0]!.deltaE).toBeLessThan(least + 0.3 + 0.4 * recipes[0]!.parts.length + 1e-9);
        if (recipes[0]!.deltaE <= least + 0.3)
          expect(recipes[0]!.parts.length).toBe(Math.min(...asNear.map((r) => r.parts.length)));
      }),
      { numRuns: 30, seed: 4 },
    );
  });

  it('says why when out of reach', () => {
    const vivid = matchColour(problem([60, 80, 60]));
    expect(vivid.reasons.join(' ')).toMatch(/Nothing allowed is that vivid in this hue/);
    const yellow = { ...referenceCanvas, carotenoid: 10 };
    const noWhite = candidates.filter((c) => !c.id.startsWith('titanium'));
    expect(
      matchColour(problem([93, 0, 1], { canvas: yellow, candidates: noWhite })).reasons.join(' '),
    ).toMatch(/The base is too yellow for that white/);
    const red = candidates.filter((c) => c.id === 'rose-clay');
    expect(matchColour(problem([40, 20, 20], { candidates: red })).reasons.join(' ')).toMatch(
      /The ceiling of \{rose-clay\} is reached/,
    );
    expect(matchColour(problem([60, 0, 0])).reasons).toEqual([]);
  });

  it('answers for an empty shelf', () => {
    expect(matchColour(problem([50, 0, 0], { candidates: [] }))).toEqual({
      recipes: [],
      reasons: ['Nothing on the shelf is allowed: loosen the limits or mark what is in stock.'],
    });
  });
});

describe('rescue', () => {
  it('only adds, and counts what is there against the ceilings', () => {
    const given = givenFrom([{ material: shelfItem('ultramarine-blue'), dose: 11 }]);
    const target = lab({ 'ultramarine-blue': 5 });
    const { recipes } = matchColour(problem(target, { given }));
    const before = deltaE00(lab({ 'ultramarine-blue': 11 }), target);
    expect(recipes[0]!.deltaE).toBeLessThan(before);
    for (const r of recipes) {
      for (const p of r.parts) {
        expect(p.dose).toBeGreaterThan(0);
        if (p.id === 'ultramarine-blue') expect(p.dose).toBeLessThanOrEqual(1 + 1e-9);
      }
    }
  });
});

describe('the most powder that a pot carries', () => {
  const room = (id: string, dose: number): number => {
    const given = givenFrom([{ material: shelfItem(id), dose }]);
    const { recipes } = matchColour(problem(lab({ 'titanium-dioxide-oil': 12 }), { given }));
    return Math.max(...recipes.map((r) => r.parts.reduce((sum, p) => sum + p.dose, 0)));
  };

  it('counts clay that is there, but neither grains that are felt nor purée', () => {
    // 38 of 40 g/kg are clay: 2 are left. As many grams of poppy seed or purée take none of it.
    expect(room('kaolin', 38)).toBeLessThanOrEqual(2 + 1e-9);
    expect(room('poppy-seed', 38)).toBeGreaterThan(2);
    expect(room('carrot-puree', 38)).toBeGreaterThan(2);
  });

  it('does not count what is infused and strained off', () => {
    const solid = (id: string) => candidatesOf([shelfItem(id)], anything)[0]!.solid;
    expect([solid('annatto'), solid('kaolin'), solid('mica-dome')]).toEqual([false, true, true]);
  });
});

describe('candidates', () => {
  it('leave out what does not survive lye, specks, and what the filter forbids', () => {
    const all = candidatesOf(startingShelf(), anything).map((c) => c.id);
    expect(all).not.toContain('iron-blue');
    expect(all).not.toContain('poppy-seed');
    expect(all).not.toContain('sugar');
    const natural = candidatesOf(startingShelf(), { ...anything, natural: true, vegan: true }).map(
      (c) => c.id,
    );
    expect(natural).toContain('madder');
    expect(natural).not.toContain('carmine');
    expect(natural).not.toContain('red-iron-oxide');
    expect(candidatesOf(startingShelf(), { ...anything, noBleed: true }).map((c) => c.id)).not.toContain(
      'lake-harbour-blue',
    );
    expect(candidatesOf(startingShelf(), { ...anything, noFade: true }).map((c) => c.id)).not.toContain(
      'spirulina',
    );
    // Nothing marked in stock means that everything is offered; one colourant in stock, that one alone.
    const inStock = { ...anything, inStock: true };
    expect(candidatesOf(startingShelf(), inStock)).toEqual(candidatesOf(startingShelf(), anything));
    const owned = startingShelf().map((m) => ({ ...m, inStock: m.id === 'red-iron-oxide' }));
    expect(candidatesOf(owned, inStock).map((c) => c.id)).toEqual(['red-iron-oxide']);
    expect(
      candidatesOf(startingShelf(), { ...anything, exclude: ['madder'] }).map((c) => c.id),
    ).not.toContain('madder');
  });
});

describe('the local metric', () => {
  it('is ΔE00 for small differences', () => {
    for (const at of [
      [50, 20, 30],
      [80, -40, 10],
      [30, 5, 2],
      [60, 0, 0],
    ] as LabD65[]) {
      const M = localMetric(at);
      for (const d of [
        [0.5, 0, 0],
        [0, 0.4, 0.1],
        [0.2, -0.2, 0.4],
      ]) {
        const to: LabD65 = [at[0] + d[0]!, at[1] + d[1]!, at[2] + d[2]!];
        const length = Math.hypot(
          M[0]! * d[0]!,
          M[4]! * d[1]! + M[5]! * d[2]!,
          M[7]! * d[1]! + M[8]! * d[2]!,
        );
        expect(length / deltaE00(at, to)).toBeGreaterThan(0.85);
        expect(length / deltaE00(at, to)).toBeLessThan(1.15);
      }
    }
  });
});

describe('adjustments', () => {
  it.each(DIRECTIONS)('%s moves that way', (direction) => {
    const from: LabD65 = [55, 12, 18];
    const to = moveColour(from, direction, 6);
    const chroma = (c: LabD65) => Math.hypot(c[1], c[2]);
    const warmth = (c: LabD65) => c[1] * 0.5 + c[2] * 0.866;
    const holds = {
      lighter: to[0] > from[0],
      darker: to[0] < from[0],
      warmer: warmth(to) > warmth(from),
      cooler: warmth(to) < warmth(from),
      softer: chroma(to) < chroma(from),
      brighter: chroma(to) > chroma(from),
    };
    expect(holds[direction]).toBe(true);
    expect(moveColour([99, 0, 0], 'lighter', 50)[0]).toBe(100);
    expect(moveColour([50, 1, 0], 'softer', 50)).toEqual([50, 0, 0]);
  });

  it('keeps the colourants when they can do it, else takes others', () => {
    const own = { 'red-iron-oxide': 2, 'titanium-dioxide-oil': 3 };
    const lighter = adjustColour(problem(lab(own)), Object.keys(own), 'lighter', 6);
    expect(lighter.kept).toBe(true);
    expect(lighter.result.recipes[0]!.parts.every((p) => p.id in own)).toBe(true);
    const cooler = adjustColour(problem(lab({ 'red-iron-oxide': 2 })), ['red-iron-oxide'], 'cooler', 20);
    expect(cooler.kept).toBe(false);
  });
});

describe('ladder', () => {
  const ladder = (from: number[], to: number[], pots: number) =>
    solveLadders({
      canvas: referenceCanvas,
      stage,
      colourants: ['ultramarine-blue', 'titanium-dioxide-oil'].map((id) => shelfItem(id).optics!),
      from,
      to,
      pots,
    });

  it('is even to the eye where equal spoons are not', () => {
    const { even, equal, doubling } = ladder([0.5, 4], [10, 0], 5);
    const spread = (steps: readonly number[]) => Math.max(...steps) / Math.min(...steps);
    expect(spread(even.steps)).toBeLessThan(1.02);
    expect(spread(equal.steps)).toBeGreaterThan(1.5);
    expect(doubling.doses[1]![0]! / doubling.doses[0]![0]!).toBeCloseTo(
      doubling.doses[2]![0]! / doubling.doses[1]![0]!,
      9,
    );
    for (const l of [even, equal, doubling]) {
      expect(l.doses[0]).toEqual([0.5, 4]);
      expect(l.doses[4]!.map((d) => Number(d.toFixed(9)))).toEqual([10, 0]);
    }
  });

  it('refuses what is no ladder, and stands still between equal ends', () => {
    expect(() => ladder([1], [2, 1], 4)).toThrow('A ladder needs a dose of every colourant at both ends');
    expect(() => ladder([1, 0], [2, 0], 1)).toThrow('A ladder has 2 to 12 pots');
    expect(Math.max(...ladder([1, 0], [1, 0], 4).even.steps)).toBeLessThan(1e-6);
  });
});

describe('what is in the pot already', () => {
  const rich = labD65FromHex('#8a3a2a');
  const red = candidates.find((c) => c.id === 'red-iron-oxide')!;
  const only = (doseThere: number, change: object = {}) =>
    matchColour(
      problem(rich, {
        candidates: [red],
        most: 1,
        given: givenFrom([{ material: shelfItem(red.id), dose: doseThere }]),
        resolution: null,
        ...change,
      }),
    ).recipes.flatMap((r) => r.parts.map((p) => p.dose));

  it('counts against a ceiling: only what is left of it may be added', () => {
    const [added] = only(red.ceiling - 0.5);
    expect(added).toBeGreaterThan(0);
    expect(added).toBeLessThanOrEqual(0.5 + 1e-9);
    expect(only(red.ceiling + 1).every((d) => d === 0)).toBe(true);
  });

  it('counts against the total', () => {
    const [added] = only(1, { totalCeiling: 1.25 });
    expect(added).toBeGreaterThan(0);
    expect(added).toBeLessThanOrEqual(0.25 + 1e-9);
  });
});

it('a price that is unknown leaves the cost unknown, and is not the cheapest', () => {
  const priced = candidates.map((c) => ({ ...c, pricePerGram: c.id === 'red-iron-oxide' ? null : 0.1 }));
  const { recipes } = matchColour(problem(labD65FromHex('#8a4a3a'), { candidates: priced, most: 2 }));
  const withRed = recipes.filter((r) => r.parts.some((p) => p.id === 'red-iron-oxide'));
  expect(withRed.length).toBeGreaterThan(0);
  expect(withRed.map((r) => r.cost)).toEqual(withRed.map(() => null));
  expect(withRed.every((r) => !r.virtues.includes('cheapest'))).toBe(true);
  const known = candidates.map((c) => ({ ...c, pricePerGram: 0.1 }));
  const all = matchColour(problem(labD65FromHex('#8a4a3a'), { candidates: known, most: 2 })).recipes;
  for (const r of all)
    expect(r.cost).toBeCloseTo(
      r.parts.reduce((sum, p) => sum + p.dose * 0.1, 0),
      9,
    );
  expect(all.filter((r) => r.virtues.includes('cheapest'))).toHaveLength(1);
});
