import fc from 'fast-check';
import { dose, planWith, pot, scentOf, bead } from '../testing/plans.ts';
import { grams, gramsPerKg } from '../units/quantity.ts';
import { flowOf } from './balance.ts';
import { type Embed, type PowderLine } from '../plan/embed.ts';
import { embedFacts, lineMass } from './embedFacts.ts';
import { barWeights, cureLoss, fillOf, solveOils } from './fill.ts';
import { barsOfMould, dividedFill, layerVolume, mouldProblem, mouldVolume, sectionVolume } from './mould.ts';
import { emptyMoulding, type Mould, type Moulding, plainMould } from '../plan/moulding.ts';
import { type Plan } from '../plan/plan.ts';

const box = (change: Partial<Mould> = {}): Mould => ({
  ...plainMould('Box', 'box'),
  length: 250,
  width: 80,
  height: 65,
  ...change,
});
const slab: Mould = {
  ...plainMould('Slab', 'slab'),
  length: 400,
  width: 300,
  height: 30,
  sections: [120, 80, 100, 91],
  dividerThickness: 3,
};
const mouldingOf = (mould: Mould, change: Partial<Moulding> = {}): Moulding => ({
  ...emptyMoulding,
  lossPerJug: grams(0),
  moulds: [{ id: 'm', count: 1, mould }],
  ...change,
});
const cut = { ...emptyMoulding.bars, thickness: 24, kerf: 1, end: 0 };
const withOils = (plan: Plan, total: number): Plan => ({
  ...plan,
  base: { ...plan.base, totalOils: grams(total) },
});

describe('moulds', () => {
  it('volume of each shape', () => {
    // 250 × 80 × 65 mm = 1,300 ml; 6 × 110 ml; π × 37.5² × 200 mm = 883.6 ml
    expect(mouldVolume(box())).toBeCloseTo(1300, 9);
    expect(mouldVolume({ ...plainMould('', 'cavities'), cavities: 6, cavityVolume: 110 })).toBe(660);
    expect(mouldVolume({ ...plainMould('', 'cylinder'), diameter: 75, length: 200 })).toBeCloseTo(883.57, 1);
    expect(mouldVolume(slab)).toBeCloseTo(3600, 9);
  });

  it('layers, slanted layers and sections', () => {
    // 250 × 80 × 20 mm = 400 ml; from 10 to 30 mm as much
    const m = mouldingOf(box());
    expect(layerVolume(m, 20)).toBeCloseTo(400, 9);
    expect(layerVolume(m, 10, 30)).toBeCloseTo(400, 9);
    // Dividers take 9 mm of 400; what they leave is shared by length: 3,600 ml × 120 / 391
    expect(sectionVolume(mouldingOf(slab), 1)).toBeCloseTo((3600 * 120) / 391, 9);
    const all = [1, 2, 3, 4].reduce((sum, i) => sum + sectionVolume(mouldingOf(slab), i), 0);
    expect(all).toBeCloseTo(3600, 9);
    // …so the channels stand 400 / 391 of the height while the dividers are in
    expect(dividedFill(slab)).toBeCloseTo((30 * 400) / 391, 9);
    expect(sectionVolume(mouldingOf(slab), 5)).toBe(0);
  });

  it.each([
    [box({ height: 0 }), 'no-size'],
    [box(), null],
    [slab, null],
    [{ ...slab, sections: [120, 80, 100, 92] }, 'sections-too-long'],
    [{ ...slab, sections: [120, 80, 100, 90] }, 'sections-short'],
    // Half a millimetre is no quarrel.
    [{ ...slab, sections: [120, 80, 100, 91.5] }, null],
    [{ ...slab, sections: [120, 80, 100, 90.5] }, null],
  ])('problems of a mould', (mould, problem) => {
    expect(mouldProblem(mould)).toBe(problem);
  });
});

describe('bars', () => {
  it('by thickness: what fits with its cuts', () => {
    // n × 24 + (n − 1) × 1 ≤ 250 → n = 10 exactly; each 24 × 80 × 65 mm = 124.8 ml; 9 cuts × 5.2 ml
    expect(barsOfMould(box(), cut)).toMatchObject({ count: 10, thickness: 24 });
    expect(barsOfMould(box(), cut).volume).toBeCloseTo(124.8, 9);
    expect(barsOfMould(box(), cut).kerf).toBeCloseTo(46.8, 9);
    expect(barsOfMould(box(), cut).ends).toBeCloseTo(1300 - 1248 - 46.8, 9);
    expect(barsOfMould(box({ length: 248.9 }), cut).count).toBe(9);
  });

  it('by count: the rest of the length after cuts and end slices', () => {
    // (250 − 2 × 5 − 9 × 1) / 10 = 23.1 mm
    const bars = barsOfMould(box(), { ...cut, by: 'count', count: 10, end: 5 });
    expect(bars).toMatchObject({ count: 10, problem: null });
    expect(bars.thickness).toBeCloseTo(23.1, 9);
  });

  it.each([
    // 250 mm of 28 bars at 8 mm and 27 mm of cuts: 251 mm
    [27, 27],
    [28, 0],
  ])('%d bars asked of 250 mm give %d', (count, given) => {
    const bars = barsOfMould(box(), { ...cut, by: 'count', count });
    expect(bars.count).toBe(given);
    expect(bars.problem).toBe(given === 0 ? 'bars-do-not-fit' : null);
  });

  it('a slab has columns, and every block is bars, ends and cuts', () => {
    const bars = barsOfMould(slab, { ...cut, thickness: 65, columns: 4 });
    // 400 / 66 = 6 rows; 4 columns; each row loses three cuts of 1 mm in 300
    expect(bars.count).toBe(24);
    expect(bars.volume).toBeCloseTo((65 * 300 * 30 * (1 - 3 / 300)) / 4 / 1000, 9);
    expect(bars.count * bars.volume + bars.kerf + bars.ends).toBeCloseTo(3600, 6);
  });

  it('weight at the cut and after cure', () => {
    const plan = withOils(planWith([], {}, { moulding: mouldingOf(box(), { bars: cut }) }), 920);
    const full = withOils(plan, solveOils(plan, { from: 'mould' })!);
    const weights = barWeights(full);
    const { density } = fillOf(full);
    // The mould is full: a bar of 124.8 ml weighs that times the density of the batter.
    expect(weights.count).toBe(10);
    expect(weights.atCut).toBeCloseTo(124.8 * density, 1);
    // 33 % lye: 290.96 g water in 1,434.26 g batter is 20.29 %; 0.55 of that leaves
    expect(cureLoss(full)).toBeCloseTo(0.55 * (290.955 / 1434.261), 4);
    expect(weights.cured).toBeCloseTo(weights.atCut * (1 - cureLoss(full)), 9);
  });
});

describe('fill and solving', () => {
  it('losses, reserve and embeds are counted once', () => {
    const embeds: Embed[] = [bead({ base: 'melt-white', shape: 'rod', width: 20, height: 20, length: 0 })];
    const moulding = mouldingOf(box(), { reserve: grams(100), lossPerJug: grams(12) });
    const plan = planWith([pot('A', 1), pot('B', 1)], {}, { moulding, embeds });
    const fill = fillOf(plan);
    const { mass, density } = flowOf(plan);
    expect(fill.losses).toBeCloseTo(24, 9);
    expect(fill.top).toBe(100);
    // 20 × 20 × 250 mm of rod
    expect(fill.embeds).toBeCloseTo(100, 9);
    expect(fill.have).toBeCloseTo((mass - 124) / density + 100, 6);
    expect(fill.ratio).toBeCloseTo(fill.have / 1300, 9);
  });

  it('says so when nothing can be solved', () => {
    expect(solveOils(planWith([]), { from: 'mould' })).toBeNull();
    const full = mouldingOf(box({ height: 0 }));
    expect(solveOils(planWith([], {}, { moulding: full }), { from: 'mould' })).toBeNull();
    expect(solveOils(planWith([]), { from: 'bars', count: 0, weight: 100, at: 'cut' })).toBeNull();
    expect(solveOils(planWith([], { oils: [] }), { from: 'lye', mass: 100 })).toBeNull();
  });

  it('from the lye at hand', () => {
    // 143.306 g for 1,000 g of oils: 100 g is for 697.8 g
    expect(solveOils(planWith([]), { from: 'lye', mass: 100 })).toBeCloseTo(697.8, 1);
  });

  const anyPlan = fc
    .record({
      length: fc.double({ min: 150, max: 500, noNaN: true }),
      height: fc.double({ min: 30, max: 120, noNaN: true }),
      count: fc.integer({ min: 1, max: 3 }),
      reserve: fc.double({ min: 0, max: 150, noNaN: true }),
      loss: fc.double({ min: 0, max: 20, noNaN: true }),
      mica: fc.double({ min: 0, max: 12, noNaN: true }),
      fixed: fc.double({ min: 0, max: 300, noNaN: true }),
      milk: fc.boolean(),
    })
    .map((r) =>
      planWith(
        [
          { ...pot('A', 2, { ...dose('mica-dome', r.mica), source: 'batch' }), scented: true },
          { ...pot('B', 1), draws: [{ id: 'b', from: null, by: 'grams', value: r.fixed, second: 0 }] },
          { ...pot('C', 1, dose('kaolin', 10)), reserve: grams(r.reserve / 2) },
        ],
        { scent: scentOf('scent-limewash', 30) },
        {
          moulding: mouldingOf(box({ length: r.length, height: r.height }), {
            moulds: [{ id: 'm', count: r.count, mould: box({ length: r.length, height: r.height }) }],
            reserve: grams(r.reserve),
            lossPerJug: grams(r.loss),
          }),
        },
      ),
    );

  it('from the mould to oils and back to a full mould', () => {
    fc.assert(
      fc.property(anyPlan, (plan) => {
        const oils = solveOils(plan, { from: 'mould' })!;
        const fill = fillOf(withOils(plan, oils));
        // Oils to a tenth of a gram are batter to less than a fifth of a ml.
        expect(Math.abs(fill.have - fill.wanted)).toBeLessThan(0.2);
      }),
      { numRuns: 60 },
    );
  });

  it('from bars × weight to oils and back to the bars', () => {
    fc.assert(
      fc.property(
        anyPlan,
        fc.integer({ min: 4, max: 40 }),
        fc.double({ min: 60, max: 180, noNaN: true }),
        fc.constantFrom('cut' as const, 'cured' as const),
        (plan, count, weight, at) => {
          const alone = { ...plan, moulding: { ...plan.moulding, moulds: [] } };
          const oils = solveOils(alone, { from: 'bars', count, weight, at })!;
          const next = withOils(alone, oils);
          const { massInMoulds, massOnTop } = fillOf(next);
          const each = (massInMoulds + massOnTop) / count;
          expect(at === 'cut' ? each : each * (1 - cureLoss(next))).toBeCloseTo(weight, 0);
        },
      ),
      { numRuns: 40 },
    );
  });
});

describe('embeds and powder lines', () => {
  const ball = bead({ width: 12, perBar: 2, onTop: true }, [
    { id: 'd', materialId: 'kaolin', dose: gramsPerKg(10) },
  ]);
  const moulding = mouldingOf(box(), { bars: cut });

  it('count, mass, powder and room, by hand', () => {
    // Two in each of 10 bars; π × 12³ / 6 = 904.8 mm³ each: 18.10 ml × 1.04 = 18.82 g, 0.188 g kaolin
    const facts = embedFacts(moulding, ball);
    expect(facts).toMatchObject({ count: 20, length: 12, room: 0, problem: null });
    expect(facts.mass).toBeCloseTo(18.82, 2);
    expect(facts.powders[0]!.mass).toBeCloseTo(0.1882, 4);
    expect(embedFacts(moulding, { ...ball, onTop: false }).room).toBeCloseTo(18.1, 1);
  });

  it.each([
    [{ width: 0 }, 'no-size'],
    [{ shape: 'round-rod', width: 65, perBar: 1 }, null],
    [{ shape: 'round-rod', width: 65.1, perBar: 1 }, 'too-tall'],
    [{ shape: 'round-rod', width: 40, perBar: 2 }, null],
    [{ width: 40.1, perBar: 2 }, 'too-wide'],
    [{ shape: 'block', width: 20, height: 20, length: 24 }, null],
    [{ shape: 'block', width: 20, height: 20, length: 24.1 }, 'longer-than-bar'],
    [{ width: 24, rests: 41 }, null],
    [{ width: 24, rests: 41.1 }, 'rests-too-high'],
    [{ width: 24.1, perBar: 1 }, 'longer-than-bar'],
  ] as const)('fit to the mould: %j', (change, problem) => {
    expect(embedFacts(moulding, { ...ball, onTop: false, ...change }).problem).toBe(problem);
  });

  it('grams of a line per area', () => {
    // 250 × 80 mm = 2 dm²; 0.4 g/dm², three lines
    const line: PowderLine = { id: 'l', materialId: 'kaolin', gramsPerDm2: 0.4, count: 3, carrier: null };
    expect(lineMass(moulding, line)).toBeCloseTo(2.4, 9);
  });
});
