import { type BatchDocument, type BatchWrite } from '@kleur/contract';
import { type LabD65 } from '@kleur/core/colour';
import { startingShelf } from '@kleur/core/material/catalogue';
import { emptyDesign, emptyPlan, newPot, type Plan, setFormula } from '@kleur/core/plan';

/** The search worker, made up: each question waits until the test answers it. */
interface Question {
  readonly targets: readonly LabD65[];
  answer(materialId: string, dose: number): void;
}
const questions: Question[] = [];
jest.mock('../../../workers/client.ts', () => ({
  searchWorker: () => ({
    keepAll: (pots: readonly { readonly problem: { readonly target: LabD65 } }[]) =>
      new Promise((resolve) => {
        questions.push({
          targets: pots.map((p) => p.problem.target),
          answer: (id, dose) => {
            resolve(pots.map(() => ({ result: { recipes: [{ parts: [{ id, dose }] }], reasons: [] } })));
          },
        });
      }),
  }),
}));

const material = (id: string) => startingShelf().find((m) => m.id === id)!;
const blue = material('ultramarine-blue');
/** A palette of one colour, a pot that follows it and one that does not. */
const plan: Plan = setFormula(
  {
    ...emptyPlan(),
    idea: { design: emptyDesign, colours: [{ id: 'c', name: 'Blue', lab: [40, 10, -40] }] },
    pots: [newPot('a', 'A'), newPot('b', 'B')],
  },
  'a',
  [{ rowId: 'r', material: blue, dose: 3 }],
  'c',
);
const document: BatchDocument = {
  id: 'b1',
  name: 'Harbour at dusk',
  state: 'idea',
  madeOn: null,
  plan,
  version: 1,
  parentId: null,
  createdAt: '',
  onHold: false,
  updatedAt: '',
};

async function setUp() {
  const { makeStore } = await import('../../../data/store.ts');
  const { materialsApi } = await import('../../../data/materials.ts');
  const { bench, presentOf, selectBench } = await import('./benchSlice.ts');
  const { edits } = await import('./edits.ts');
  await import('./following.ts');
  const store = makeStore();
  const shelf = startingShelf().map((m) => ({ ...m, inStock: true, builtIn: true, version: 1 }));
  await store.dispatch(materialsApi.util.upsertQueryData('materials', undefined, shelf));
  store.dispatch(bench.opened({ document }));
  questions.length = 0;
  const recolour = (lab: LabD65): void => {
    store.dispatch(edits.paletteColourSet({ id: 'c', change: { lab } }));
  };
  const state = () => selectBench(store.getState());
  const present = (): BatchWrite => presentOf(state())!;
  const formula = (): string => {
    const pot = present().plan.pots[0]!;
    return `${pot.doses.map((d) => `${d.materialId} ${d.dose}`).join()} ${pot.follows ?? 'free'}`;
  };
  return { store, bench, edits, recolour, state, present, formula };
}
/** Lets every promise that is ready run. */
const settle = () => new Promise((resolve) => setTimeout(resolve, 5));

it('gives the pot the recipe of its colour, as part of the colour’s own step of undo', async () => {
  const { store, bench, recolour, state, formula, present } = await setUp();
  recolour([70, 5, 60]);
  await settle();
  expect(questions.map((q) => q.targets)).toEqual([[[70, 5, 60]]]);
  questions[0]!.answer('yellow-iron-oxide', 2);
  await settle();
  expect(formula()).toBe('yellow-iron-oxide 2 c');
  expect(present().plan.pots[1]!.doses).toEqual([]);
  expect(state().history!.past).toHaveLength(1);

  store.dispatch(bench.undone());
  await settle();
  expect(formula()).toBe('ultramarine-blue 3 c');
  expect(state().history!.future).toHaveLength(1);
  // Undo is no change of the palette by the maker: nothing is asked, and redo is still there.
  expect(questions).toHaveLength(1);
  store.dispatch(bench.redone());
  expect(formula()).toBe('yellow-iron-oxide 2 c');
  expect(present().plan.idea.colours[0]!.lab).toEqual([70, 5, 60]);
});

it('drops an answer that comes after an undo, and keeps redo', async () => {
  const { store, bench, recolour, state, formula } = await setUp();
  recolour([70, 5, 60]);
  await settle();
  store.dispatch(bench.undone());
  questions[0]!.answer('yellow-iron-oxide', 2);
  await settle();
  expect(formula()).toBe('ultramarine-blue 3 c');
  expect(state().history!.future).toHaveLength(1);
});

it('drops an answer that comes after a later edit, and asks anew for the last colour', async () => {
  const { recolour, formula } = await setUp();
  recolour([70, 5, 60]);
  await settle();
  recolour([30, 50, 30]);
  await settle();
  questions[0]!.answer('yellow-iron-oxide', 2);
  await settle();
  expect(formula()).toBe('ultramarine-blue 3 c');
  questions[1]!.answer('red-iron-oxide', 1.5);
  await settle();
  expect(formula()).toBe('red-iron-oxide 1.5 c');
});

it('asks nothing for a name, for a pot edited by hand, or for a colour that nobody follows', async () => {
  const { store, edits, recolour } = await setUp();
  store.dispatch(edits.paletteColourSet({ id: 'c', change: { name: 'Sky' } }));
  const dose = { potId: 'a', rowId: 'r', change: { dose: 4 as never } };
  store.dispatch(edits.doseSet(dose));
  recolour([70, 5, 60]);
  await settle();
  expect(questions).toEqual([]);
});
