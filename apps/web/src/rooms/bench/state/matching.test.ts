import { defaultSettings, type MaterialWire } from '@kleur/contract';
import { anything, POT_LIMITS } from '@kleur/core/match';
import { startingShelf } from '@kleur/core/material/catalogue';
import { addDose, addPot, emptyPlan, type Plan, setFormula, setPot } from '@kleur/core/plan';
import { candidatesFor, curedStage, equalShare, formulaOf, problemFor, shelfFor } from './matching.ts';

const wire = (id: string, change: Partial<MaterialWire> = {}): MaterialWire => ({
  ...startingShelf().find((m) => m.id === id)!,
  builtIn: true,
  version: 1,
  ...change,
});
const ids = startingShelf()
  .filter((m) => m.kind === 'pigment')
  .slice(0, 3)
  .map((m) => m.id);
const [first, second] = ids as [string, string];

function planWith(...materialIds: string[]): Plan {
  return materialIds.reduce(
    (plan, id) =>
      addDose(
        plan,
        'a',
        `row-${id}`,
        startingShelf().find((m) => m.id === id)!,
      ),
    addPot(emptyPlan(), 'a', 'A'),
  );
}
const question = (plan: Plan, potId: string | null) => ({
  plan,
  potId,
  oils: 250,
  gel: 0.5,
  candidates: [],
  most: 3,
  settings: defaultSettings,
});

describe('the shelf that recipes are made from', () => {
  it('is the shelf with the plan’s own copies, in stock as the shelf says', () => {
    const plan = planWith(first);
    const older = { materials: plan.materials.map((m) => ({ ...m, name: 'as planned', inStock: true })) };
    const shelf = shelfFor(older, [wire(first, { inStock: false }), wire(second)]);
    expect(shelf.get(first)).toMatchObject({ name: 'as planned', inStock: false });
    expect(shelf.get(second)!.id).toBe(second);
    expect(shelf.get(second)).not.toHaveProperty('version');
  });

  it('knows what has left the shelf, out of stock; and nothing before the shelf has come', () => {
    const plan = planWith(first);
    expect(shelfFor(plan, [wire(second)]).get(first)).toMatchObject({ inStock: false });
    expect(shelfFor(plan, []).size).toBe(0);
  });

  it('leaves out what a recipe is asked to do without', () => {
    const shelf = shelfFor({ materials: [] }, [wire(first), wire(second)]);
    expect(candidatesFor(shelf, anything).map((c) => c.id)).toEqual([first, second]);
    expect(candidatesFor(shelf, anything, { exclude: [first] }).map((c) => c.id)).toEqual([second]);
    expect(candidatesFor(shelf, anything, { only: [first] }).map((c) => c.id)).toEqual([first]);
  });
});

describe('the problem', () => {
  it('is posed for the cured bar, with what the maker can measure', () => {
    const problem = problemFor(question(planWith(first), 'a'));
    expect(problem.stage).toEqual(curedStage(0.5));
    expect(problem).toMatchObject({ most: 3, ...POT_LIMITS });
    expect(problem.resolution).toEqual({ potOils: 250, measuring: defaultSettings.measuring });
    expect(problemFor({ ...question(planWith(first), 'a'), oils: 0 }).resolution).toBeNull();
  });

  it('counts what came with the batter of another pot as given, but not the pot’s own doses', () => {
    const donor = planWith(first);
    const draw = { id: 'd', from: 'a', by: 'parts', value: 1 } as const;
    const plan = setPot(addPot(donor, 'b', 'B'), 'b', {
      draws: [{ ...donor.pots[0]!.draws[0]!, ...draw }],
    });
    expect(problemFor(question(plan, 'b')).given!.map((g) => g.id)).toEqual([first]);
    expect(problemFor(question(plan, 'a')).given).toEqual([]);
    expect(problemFor(question(plan, null)).given).toEqual([]);
  });
});

it('a palette’s pots hold equal shares of the oils', () => {
  const plan = emptyPlan();
  expect(equalShare(plan)).toBe(1000);
  const lab = [50, 0, 0] as const;
  const colours = [1, 2, 3, 4].map((n) => ({ id: String(n), name: String(n), lab }));
  expect(equalShare({ ...plan, idea: { ...plan.idea, colours } })).toBe(250);
});

it('a recipe becomes rows with ids of their own; unknown materials are left out', () => {
  const shelf = shelfFor({ materials: [] }, [wire(first), wire(second)]);
  const parts = [
    { id: first, dose: 2 },
    { id: 'gone', dose: 1 },
    { id: second, dose: 3 },
  ];
  const rows = formulaOf(parts, shelf);
  expect(rows.map((r) => [r.material.id, r.dose])).toEqual([
    [first, 2],
    [second, 3],
  ]);
  expect(new Set(rows.map((r) => r.rowId)).size).toBe(2);
  const plan = setFormula(planWith(), 'a', rows);
  expect(plan.pots[0]!.doses.map((d) => d.materialId)).toEqual([first, second]);
});
