import { act } from '@testing-library/react';
import { renderToStaticMarkup } from 'react-dom/server';
import { startingShelf } from '@kleur/core/material/catalogue';
import { CURED_HOURS, type PredictedColour, type Stage } from '@kleur/core/pigment';
import { addDose, addPot, emptyPlan, setDose } from '@kleur/core/plan';
import { gramsPerKg } from '@kleur/core/units';
import { batchDocument } from '../../../test/batch.ts';
import { renderIn, testStore } from '../../../test/render.tsx';
import { BenchContext } from './BenchContext.ts';
import { type TeethByPot } from './PotSwatch.tsx';
import { bench, presentOf, selectBench } from './state/benchSlice.ts';
import { BARE, LiveColours } from './state/liveColours.ts';
import { StripTeeth } from './StripTeeth.tsx';

const mica = startingShelf().find((m) => m.id === 'mica-lido')!;
const plan = addDose(addPot(emptyPlan(), 'p1', 'Slate'), 'p1', 'd1', mica);
const document = batchDocument({ name: 'Slate and saffron', plan });

/** An open batch whose colours answer at once, and every set of teeth that it was given. */
async function strip() {
  const store = await testStore();
  store.dispatch(bench.opened({ document }));
  const live = new LiveColours((_, stages) =>
    Promise.resolve([stages.map(() => ({}) as unknown as PredictedColour)]),
  );
  const given: TeethByPot[] = [];
  const context = { live, selectedId: null, locked: false } as never;
  const { unmount } = renderIn(
    store,
    <BenchContext value={context}>
      <StripTeeth onTeeth={(teeth) => given.push(teeth)} />
    </BenchContext>,
  );
  const edit = (dose: number) => {
    const batch = presentOf(selectBench(store.getState()))!;
    const next = { ...batch, plan: setDose(batch.plan, 'p1', 'd1', { dose: gramsPerKg(dose) }) };
    store.dispatch(bench.edited({ batch: next, mark: { key: null, at: 0 } }));
  };
  const move = async (stage: Stage) => {
    live.setStage(stage);
    await jest.advanceTimersByTimeAsync(0);
  };
  return { given, edit, move, unmount, sizes: () => given.map((teeth) => teeth.size) };
}

beforeEach(() => {
  jest.useFakeTimers();
});
afterEach(() => {
  jest.useRealTimers();
});

it('draws teeth once the batch is still, over each pot and the bare base', async () => {
  const { given, sizes } = await strip();
  expect(sizes()).toEqual([0]);
  await jest.advanceTimersByTimeAsync(699);
  expect(sizes()).toEqual([0]);
  await jest.advanceTimersByTimeAsync(1);
  expect(sizes()).toEqual([0, 2]);
  expect([...given[1]!.keys()]).toEqual([BARE, 'p1']);
});

type Strip = Awaited<ReturnType<typeof strip>>;

it.each<[string, (on: Strip, by: number) => unknown]>([
  ['a dose', ({ edit }, by) => act(() => edit(8 + by))],
  ['time', ({ move }, by) => move({ hours: CURED_HOURS / 2, gel: by })],
])('takes them away while %s moves, and draws those of the last move alone', async (_, change) => {
  const on = await strip();
  await jest.advanceTimersByTimeAsync(700);
  const drawn = (): string => renderToStaticMarkup(on.given.at(-1)!.get('p1'));
  const before = drawn();
  await change(on, 0.5);
  expect(on.sizes()).toEqual([0, 2, 0]);
  await jest.advanceTimersByTimeAsync(300);
  await change(on, 1);
  await jest.advanceTimersByTimeAsync(699);
  expect(on.sizes()).toEqual([0, 2, 0, 0]);
  await jest.advanceTimersByTimeAsync(1);
  expect(on.sizes()).toEqual([0, 2, 0, 0, 2]);
  expect(drawn() === before).toBe(false);
});

it('draws none after it is gone', async () => {
  const { sizes, unmount } = await strip();
  unmount();
  await jest.advanceTimersByTimeAsync(2000);
  expect(sizes()).toEqual([0]);
});
