import {
  type Composition,
  CURED_HOURS,
  type PredictedColour,
  referenceCanvas,
  type Stage,
} from '@kleur/core/pigment';
import { LiveColours } from './liveColours.ts';

const composition: Composition = { canvas: referenceCanvas, parts: [], age: 0, gel: null };
const compositions = () => new Map([['a', composition]]);
const same = (stage: Stage): Stage => stage;
const tick = () => new Promise((resolve) => setTimeout(resolve, 0));

const colour = (hex: string): PredictedColour => ({ hex, lab: [0, 0, 0], inGamut: true });

/** A worker that answers when told, with the hours asked about as its colour. */
function slowWorker() {
  const asked: { stages: readonly Stage[]; answer: () => void }[] = [];
  const predict = (all: readonly Composition[], stages: readonly Stage[]) =>
    new Promise<PredictedColour[][]>((resolve) => {
      const colours = all.map(() => stages.map((s) => colour(String(s.hours))));
      asked.push({
        stages,
        answer: () => {
          resolve(colours);
        },
      });
    });
  return { asked, predict };
}

it('asks for now, fresh, cut and cured at the same gel, for the cured bar at the other, and for the skin', async () => {
  const { asked, predict } = slowWorker();
  const live = new LiveColours(predict);
  live.setStage({ hours: 5, gel: 0.5 });
  expect(asked[0]!.stages.map((s) => s.hours)).toEqual([5, 0, 48, CURED_HOURS, CURED_HOURS, 5]);
  expect(asked[0]!.stages.map((s) => s.gel)).toEqual([0.5, 0.5, 0.5, 0.5, 1, 0.5]);
  asked[0]!.answer();
  await tick();
});

it('never has two questions under way, and ends on the newest', async () => {
  const { asked, predict } = slowWorker();
  const live = new LiveColours(predict);
  live.setCompositions(compositions(), same);
  for (let hours = 1; hours <= 20; hours++) live.setStage({ hours, gel: 0 });
  expect(asked).toHaveLength(1);
  asked[0]!.answer();
  await tick();
  expect(asked).toHaveLength(2);
  asked[1]!.answer();
  await tick();
  expect(asked).toHaveLength(2);
  expect(live.getSnapshot().pots.get('a')!.now.hex).toBe('20');
});

it('drops an answer about an older plan', async () => {
  const { asked, predict } = slowWorker();
  const live = new LiveColours(predict);
  const seen = jest.fn();
  live.subscribe(seen);
  live.setCompositions(compositions(), same);
  live.setCompositions(new Map([['b', composition]]), same);
  asked[0]!.answer();
  await tick();
  expect(seen).not.toHaveBeenCalled();
  asked[1]!.answer();
  await tick();
  expect([...live.getSnapshot().pots.keys()]).toEqual(['b']);
});

it('goes on after a failed answer', async () => {
  jest.spyOn(console, 'error').mockImplementation(() => undefined);
  let fail = true;
  const live = new LiveColours((all, stages) =>
    fail
      ? Promise.reject(new Error('worker gone'))
      : Promise.resolve(all.map(() => stages.map(() => colour('#fff')))),
  );
  live.setCompositions(compositions(), same);
  await tick();
  fail = false;
  live.setStage({ hours: 1, gel: 0 });
  await tick();
  expect(live.getSnapshot().pots.get('a')!.now.hex).toBe('#fff');
});
