import { latestOnly } from './latest.ts';

/** Questions that wait until the test answers them. */
function setUp() {
  const open: { question: string; resolve: (answer: string) => void; reject: (e: Error) => void }[] = [];
  const told: string[] = [];
  const latest = latestOnly<string, string>({
    put: (question) => new Promise((resolve, reject) => open.push({ question, resolve, reject })),
    onAnswer: (answer, question) => told.push(`${question}: ${answer}`),
    onBusy: (busy) => told.push(busy ? 'busy' : 'idle'),
    onError: (e) => told.push((e as Error).message),
  });
  return { open, told, latest };
}
const settle = () => new Promise((resolve) => setTimeout(resolve, 0));

it('puts one question at a time, and of those that wait only the latest', async () => {
  const { open, told, latest } = setUp();
  for (const q of ['a', 'b', 'c']) latest.ask(q);
  expect(open.map((o) => o.question)).toEqual(['a']);
  open[0]!.resolve('1');
  await settle();
  expect(open.map((o) => o.question)).toEqual(['a', 'c']);
  open[1]!.resolve('2');
  await settle();
  expect(told).toEqual(['busy', 'a: 1', 'c: 2', 'idle']);
});

it('goes on after a failure, and drops what is cancelled', async () => {
  const { open, told, latest } = setUp();
  latest.ask('a');
  latest.ask('b');
  latest.cancel();
  open[0]!.reject(new Error('no worker'));
  await settle();
  latest.ask('c');
  open[1]!.resolve('3');
  await settle();
  expect(told).toEqual(['busy', 'no worker', 'idle', 'busy', 'c: 3', 'idle']);
});
