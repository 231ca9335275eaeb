import { type Material } from '../../material/material.ts';
import { emptyDesign } from '../design.ts';
import { fourPotLoaf, planWith, scentOf, shelfItem } from '../../testing/plans.ts';
import { grams, gramsPerKg } from '../../units/quantity.ts';
import {
  addDose,
  addOil,
  addPot,
  copyPot,
  movePot,
  normaliseOils,
  refreshMaterial,
  removeDose,
  removeOil,
  removePot,
  setDose,
  setOilMass,
  setFormula,
  setOilPercent,
  setPalette,
  setPaletteColour,
  setPot,
  setScent,
} from './index.ts';
import { integrityProblems } from '../integrity.ts';
import { emptyPlan, type Plan } from '../plan.ts';
import { upgradePlan } from '../upgrade.ts';

const names = (plan: ReturnType<typeof fourPotLoaf>) => plan.pots.map((p) => p.name);

describe('oils', () => {
  it('a new oil takes what is missing to 100 %', () => {
    let plan = addOil(emptyPlan(), 'a', shelfItem('oil-olive'));
    expect(plan.base.oils[0]!.percent).toBe(100);
    plan = addOil(setOilPercent(plan, 'a', 70), 'b', shelfItem('oil-coconut'));
    expect(plan.base.oils.map((o) => o.percent)).toEqual([70, 30]);
    expect(addOil(plan, 'c', shelfItem('oil-olive'))).toBe(plan);
    expect(integrityProblems(plan)).toEqual([]);
  });

  it('by mass: the others keep theirs and the total follows', () => {
    // 400 + 300 + 250 + 50; olive to 600 makes 1,200 g, so coconut is 25 %.
    const plan = setOilMass(planWith([]), 'oil-olive', grams(600));
    expect(plan.base.totalOils).toBeCloseTo(1200, 9);
    expect(plan.base.oils.map((o) => o.percent)).toEqual([
      50,
      25,
      expect.closeTo(20.8333, 3),
      expect.closeTo(4.1667, 3),
    ]);
    const one = planWith([], { oils: [{ id: 'x', materialId: 'oil-olive', percent: 100 }] });
    expect(setOilMass(one, 'x', grams(0))).toBe(one);
  });

  it('stretch to 100 % in proportion, and leave with their copies', () => {
    const plan = setOilPercent(planWith([]), 'oil-olive', 20);
    expect(normaliseOils(plan).base.oils.map((o) => o.percent)).toEqual([25, 37.5, 31.25, 6.25]);
    const fewer = removeOil(plan, 'oil-lard');
    expect(fewer.materials.map((m) => m.id)).not.toContain('oil-lard');
  });

  it('choose a scent and drop it', () => {
    const plan = setScent(planWith([]), { material: shelfItem('scent-limewash'), dose: 30 });
    expect(plan.base.scent).toEqual(
      scentOf('scent-limewash', 30, { parts: [{ id: 'scent', materialId: 'scent-limewash', parts: 1 }] }),
    );
    expect(addPot(plan, 'p', 'A').pots[0]!.scented).toBe(true);
    expect(setScent(plan, null).materials.map((m) => m.id)).not.toContain('scent-limewash');
  });
});

describe('pots', () => {
  it('move within the row and stop at its ends', () => {
    expect(names(movePot(fourPotLoaf(), 'Blue', 1))).toEqual(['Ochre', 'Blue', 'Green', 'White']);
    expect(names(movePot(fourPotLoaf(), 'White', 5))).toEqual(['Blue', 'Ochre', 'Green', 'White']);
    expect(names(movePot(fourPotLoaf(), 'nobody', 1))).toEqual(['Blue', 'Ochre', 'Green', 'White']);
  });

  it('copy with ids of their own', () => {
    const plan = copyPot(fourPotLoaf(), 'Green', 'new', (i) => `row-${i}`);
    expect(names(plan)).toEqual(['Blue', 'Ochre', 'Green', 'Green (copy)', 'White']);
    expect(plan.pots[3]!.doses.map((d) => d.id)).toEqual(['row-0', 'row-1']);
    expect(integrityProblems(plan)).toEqual([]);
  });

  it('change and leave', () => {
    const plan = setPot(fourPotLoaf(), 'Blue', { place: 'top', name: 'Deep' });
    expect(plan.pots[0]).toMatchObject({ place: 'top', name: 'Deep' });
    const without = removePot(plan, 'White');
    expect(without.materials.map((m) => m.id)).not.toContain('titanium-dioxide-oil');
  });
});

describe('doses', () => {
  it('start at the typical dose in the first carrier, once', () => {
    const plan = addDose(fourPotLoaf(), 'White', 'r', shelfItem('kaolin'));
    expect(plan.pots[3]!.doses[1]).toEqual({
      id: 'r',
      materialId: 'kaolin',
      dose: 15,
      perBar: null,
      carrier: { medium: 'water', ratio: 2.5 },
      source: 'batch',
    });
    expect(addDose(plan, 'White', 's', shelfItem('kaolin'))).toBe(plan);
    expect(addDose(plan, 'nobody', 's', shelfItem('kaolin'))).toBe(plan);
  });

  it('change and leave with their copies', () => {
    const plan = setDose(fourPotLoaf(), 'Blue', 'ultramarine-blue', { dose: gramsPerKg(8) });
    expect(plan.pots[0]!.doses[0]!.dose).toBe(8);
    expect(plan.pots[2]!.doses[0]!.dose).toBe(3);
    const less = removeDose(plan, 'White', 'titanium-dioxide-oil');
    expect(less.materials.map((m) => m.id)).not.toContain('titanium-dioxide-oil');
  });

  it('the plan keeps its copy until told to refresh it', () => {
    const loaf = fourPotLoaf();
    const changed = { ...shelfItem('ultramarine-blue'), name: 'New lot' };
    expect(refreshMaterial(loaf, changed).materials.find((m) => m.id === changed.id)!.name).toBe('New lot');
  });
});

/** A material as it was stored before it had facts of its own. */
const withoutFacts = ({
  density: _density,
  scrub: _scrub,
  fat: _fat,
  water: _water,
  allergens: _allergens,
  looks: _looks,
  ...rest
}: Material): Omit<Material, 'density' | 'scrub' | 'fat' | 'water' | 'allergens' | 'looks'> => rest;

describe('idea', () => {
  const colours = [
    { id: 'c1', name: 'One', lab: [50, 0, 0] as const },
    { id: 'c2', name: 'Two', lab: [70, 0, 0] as const },
  ];

  it('a formula follows its palette colour until it is edited by hand or the colour goes', () => {
    const palette = setPalette(fourPotLoaf(), colours);
    const plan = setFormula(
      palette,
      'Blue',
      [{ rowId: 'n', material: shelfItem('mica-dome'), dose: 4 }],
      'c1',
    );
    expect(plan.pots[0]).toMatchObject({ follows: 'c1', doses: [{ materialId: 'mica-dome', dose: 4 }] });
    expect(integrityProblems(plan)).toEqual([]);
    expect(setDose(plan, 'Blue', 'n', { dose: gramsPerKg(5) }).pots[0]!.follows).toBeNull();
    expect(setPalette(plan, colours.slice(1)).pots[0]!.follows).toBeNull();
    expect(setPaletteColour(plan, 'c1', { name: 'Uno' }).idea.colours[0]!.name).toBe('Uno');
    expect(integrityProblems({ ...plan, idea: { design: emptyDesign, colours: [] } })[0]!.path).toBe(
      'pots.0.follows',
    );
  });

  it('a new formula keeps scrubs, and the carrier of what stays', () => {
    const scrubbed = addDose(fourPotLoaf(), 'Blue', 'seed', shelfItem('poppy-seed'));
    const water = setDose(scrubbed, 'Blue', 'ultramarine-blue', { carrier: { medium: 'water', ratio: 2 } });
    const plan = setFormula(water, 'Blue', [
      { rowId: 'x', material: shelfItem('ultramarine-blue'), dose: 2 },
    ]);
    expect(plan.pots[0]!.doses.map((d) => [d.materialId, d.dose])).toEqual([
      ['ultramarine-blue', 2],
      ['poppy-seed', 8],
    ]);
    expect(plan.pots[0]!.doses[0]!.carrier?.medium).toBe('water');
    expect(setFormula(plan, 'nobody', [])).toBe(plan);
  });

  it('plans of older schemas become the same plan', () => {
    const loaf = fourPotLoaf();
    const { oils, totalOils, superfat } = loaf.base;
    const scent = { materialId: 'scent-limewash', dose: gramsPerKg(30) };
    const v2 = {
      schema: 2 as const,
      idea: { technique: null, colours: [] },
      base: { oils, totalOils, superfat, lyeConcentration: 30, scent },
      pots: loaf.pots.map(({ id, name, scented, follows, draws, doses }) => ({
        ...{ id, name, scented, follows },
        parts: draws[0]!.value,
        doses: doses.map(({ source: _source, perBar: _wish, ...d }) => d),
      })),
      materials: [...loaf.materials, shelfItem('scent-limewash')].map((m) => {
        const {
          lyeDemand: _l,
          stock: _s,
          lots: _lots,
          form: _form,
          curve: _curve,
          oil,
          scent: facts,
          ...rest
        } = withoutFacts(m);
        const { sapSpread: _p, fatty: _f, ...oldOil } = oil ?? {};
        const { limitBasis: _b, ...oldScent } = facts ?? {};
        return { ...rest, oil: oil && oldOil, scent: facts && oldScent };
      }),
    };
    const plan = upgradePlan(v2);
    const now: Plan = {
      ...loaf,
      base: {
        ...loaf.base,
        liquid: { ...loaf.base.liquid, value: 30 },
        scent: {
          parts: [{ id: 'scent', materialId: 'scent-limewash', parts: 1 }],
          dose: gramsPerKg(30),
          when: 'pot',
          stabiliser: 0,
        },
      },
      // What the shelf knows by now was not known then: the facts of the kind.
      materials: [...loaf.materials, shelfItem('scent-limewash')].map((m) => ({
        ...m,
        density: { pigment: 4 }[m.kind as string] ?? 1.4,
        scrub: false,
        fat: 0,
        water: 0,
        allergens: [],
      })),
    };
    expect(plan).toEqual(now);
    const { idea: _idea, ...rest } = v2;
    const v1 = { ...rest, schema: 1, pots: v2.pots.map(({ follows: _follows, ...p }) => p) };
    expect(upgradePlan(v1 as never)).toEqual(now);
    const v4 = {
      ...now,
      schema: 4,
      idea: v2.idea,
      materials: now.materials.map(withoutFacts).map(({ lots: _lots, form: _form, curve: _curve, ...m }) => ({
        ...m,
        lot: '',
        lotTested: false,
      })),
    };
    expect(upgradePlan(v4 as never)).toEqual(now);
    const v6 = (technique: string) => ({ ...now, schema: 6, idea: { technique, colours: [] } }) as never;
    expect(upgradePlan(v6('hanger')).idea.design).toEqual({ ...emptyDesign, body: ['hanger'] });
    expect(upgradePlan(v6('piped-top')).idea.design).toEqual({
      ...emptyDesign,
      body: ['layers'],
      top: 'piped-top',
    });
    const v3 = { ...v4, schema: 3, pots: v4.pots.map(({ ownOils: _own, ...p }) => p) };
    expect(upgradePlan(v3 as never)).toEqual(now);
    expect(upgradePlan(plan)).toBe(plan);
    const { leads: _leads, ...moulding } = now.moulding;
    expect(upgradePlan({ ...now, schema: 8, moulding })).toEqual(now);
    const { pace: _pace, pour: _pour, day: _day, ...work } = now.work;
    expect(upgradePlan({ ...now, schema: 9, work } as never)).toEqual(now);
    expect(() => upgradePlan({ ...loaf, schema: 11 } as never)).toThrow('A plan of schema 11 is not known');
  });
});
