import { bareComposition, fillOf, flowOf, gelOf, planCanvas, settle } from '../balance/index.ts';
import { checkPlan } from '../checks/index.ts';
import { colourFromWords, labD65FromHex } from '../colour/index.ts';
import { candidatesOf, matchColour, POT_LIMITS } from '../match/index.ts';
import { startingShelf } from '../material/catalogue/index.ts';
import { cured, CURED_HOURS, predictLab } from '../pigment/index.ts';
import {
  emptyPlan,
  isBaseTold,
  type LearntBase,
  type Plan,
  potsFromPalette,
  setLearntBase,
} from '../plan/index.ts';
import { tenthGramScale, shelfItem } from '../testing/plans.ts';
import { grams } from '../units/index.ts';
import { recipeOf, STARTING_BASES } from './bases.ts';
import { STARTING_MOULDS } from './moulds.ts';
import { STARTING_COLOURS, startingFilter, startPlan } from './startPlan.ts';

const shelf = new Map(startingShelf().map((m) => [m.id, m]));
const named = (hex: string, i: number) => ({ name: `Colour ${i + 1}`, lab: labD65FromHex(hex) });
const picked = ['#2f5d8a', '#e9e2d2', '#c9743b', '#4f7f6a'].map(named);
const offered = STARTING_COLOURS.map((words, i) => ({
  name: `Colour ${i + 1}`,
  lab: colourFromWords(words)!,
}));

function ids(): () => string {
  let n = 0;
  return () => `id-${n++}`;
}

/** The formulas as the application finds them: the first recipe for each pot. */
function coloured(plan: Plan, newId: () => string): Plan {
  const potOils = new Map(flowOf(plan).pots.map((p) => [p.pot.id, p.oils]));
  const stage = { hours: CURED_HOURS, gel: gelOf(plan).gel };
  return settle(
    potsFromPalette(
      plan,
      plan.pots.map((pot) => {
        const colour = plan.idea.colours.find((c) => c.id === pot.follows)!;
        const { recipes } = matchColour({
          target: colour.lab,
          stage,
          canvas: planCanvas(plan, pot.scented),
          candidates: candidatesOf([...shelf.values()], startingFilter([...shelf.values()])),
          most: 3,
          ...POT_LIMITS,
          resolution: { potOils: grams(potOils.get(pot.id)!), measuring: tenthGramScale },
        });
        return {
          colourId: colour.id,
          potId: pot.id,
          parts: recipes[0]!.parts.map((p) => ({ rowId: newId(), material: shelf.get(p.id)!, dose: p.dose })),
        };
      }),
    ),
  );
}
const whole = (
  base: (typeof STARTING_BASES)[number],
  mould: (typeof STARTING_MOULDS)[number],
  colours: typeof picked,
): Plan => {
  const newId = ids();
  const start = startPlan(
    {
      recipe: recipeOf(base, shelf),
      additives: base.additives.map(([id, dose]) => ({ material: shelf.get(id)!, dose })),
      mould,
      colours,
      scent: shelfItem('scent-limewash'),
      learnt: null,
    },
    newId,
  );
  return coloured(start, newId);
};
const complaints = (plan: Plan): string[] =>
  checkPlan(plan, { measuring: tenthGramScale })
    .filter((c) => c.level !== 'tip')
    .map((c) => `${c.id}: ${c.sentence} ${c.arithmetic}`);

// Every base and every mould: each base in one mould, each mould with the first base.
const cases = STARTING_BASES.flatMap((base, b) =>
  STARTING_MOULDS.flatMap((mould, m) =>
    b % STARTING_MOULDS.length === m || b === 0 ? [[base.name, mould.name, base, mould] as const] : [],
  ),
);

it.each(cases)('%s in a %s: full, with no stop and no warning', (_base, _mould, base, mould) => {
  const plan = whole(base, mould, picked);
  expect(complaints(plan)).toEqual([]);
  expect(Math.abs(fillOf(plan).ratio! - 1)).toBeLessThan(0.01);
});

it.each([2, 5, 8])('%p pots in the colours that are offered, without a warning', (count) => {
  const plan = whole(STARTING_BASES[0]!, STARTING_MOULDS[0]!, offered.slice(0, count));
  expect(plan.pots).toHaveLength(count);
  expect(complaints(plan)).toEqual([]);
});

it('a scent that browns stays out of the pot that is meant white', () => {
  const scents = (id: string) =>
    startPlan(
      { recipe: null, additives: [], mould: null, colours: picked, scent: shelfItem(id), learnt: null },
      ids(),
    ).pots.map((p) => p.scented);
  expect(scents('scent-oat-biscuit')).toEqual([true, false, true, true]);
  expect(scents('scent-limewash')).toEqual([true, true, true, true]);
});

it('counts on the base as bars told it', () => {
  const learnt: LearntBase = {
    version: 3,
    readings: 4,
    base: {
      kUngelled: Array<number>(36).fill(0.05),
      kGelled: Array<number>(36).fill(0.08),
      gelScatter: Array<number>(36).fill(0.6),
      inner: 0.55,
      load: 0,
      young: { absorbs: 0, scatters: 0 },
      browns: 1,
      gloss: [0, 0],
    },
  };
  const nothing = { recipe: null, additives: [], mould: null, colours: [], scent: null };
  const look = (plan: Plan) => predictLab(bareComposition(plan).canvas, [], cured(1));
  const [told, untold] = [
    startPlan({ ...nothing, learnt }, ids()),
    startPlan({ ...nothing, learnt: null }, ids()),
  ];
  expect(told.base.learnt).toBe(learnt);
  // A flat absorption of 0.08 is greyer than the reference base.
  expect(look(told)[0]).toBeLessThan(look(untold)[0] - 5);
  expect(setLearntBase(told, null).base).toEqual(untold.base);
  // Told again by later bars, or forgotten since: the plan says so, and takes it over.
  const tips = (now: LearntBase | null) =>
    checkPlan(told, { measuring: tenthGramScale, learnt: now }).filter((c) => c.id === 'shelf-newer');
  expect(tips(learnt)).toEqual([]);
  const [tip] = tips({ ...learnt, version: 4, readings: 6 });
  expect(tip!.sentence).toContain('the bare base (now from 6 of your bars)');
  expect(tip!.repairs![0]!.apply(told).base.learnt!.version).toBe(4);
  expect(tips({ ...learnt, version: 5, readings: 0 })[0]!.sentence).toContain('how it gels, ages and browns');
  expect([undefined, null, { ...learnt, readings: 0 }, { ...learnt, readings: 1 }].map(isBaseTold)).toEqual([
    false,
    false,
    false,
    true,
  ]);
  expect(tips(null)[0]!.repairs![0]!.apply(told).base.learnt).toBeUndefined();
});

it('what is left open stays empty', () => {
  const plan = startPlan(
    { recipe: null, additives: [], mould: null, colours: [], scent: null, learnt: null },
    ids(),
  );
  expect(plan.pots).toEqual([]);
  expect(plan.base).toEqual({ ...emptyPlan().base, oils: [], scent: null });
  expect(plan.moulding).toMatchObject({ moulds: [], leads: true });
});

it('first recipes come from what is in stock, where any colour is', () => {
  const all = [...shelf.values()];
  expect(startingFilter(all).inStock).toBe(false);
  expect(startingFilter(all.map((m) => ({ ...m, inStock: m.id === 'ultramarine-blue' }))).inStock).toBe(true);
  // An oil is no colour.
  expect(startingFilter(all.map((m) => ({ ...m, inStock: m.id === 'oil-olive' }))).inStock).toBe(false);
});
