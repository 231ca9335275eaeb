import { type Problem } from '@kleur/contract';
import { batchDocument } from '../../../../test/batch.ts';
import { fakeStorage } from '../../../../test/storage.ts';

/** The autosave against a server that is made up here: what is sent, when, with which version. */
const stored = fakeStorage().kept;
interface Sent {
  readonly name: string;
  readonly version: number;
  answer(status: number, body: object): void;
  breakLine(): void;
}
let sent: Sent[] = [];
let endSaving: () => void;

const document = batchDocument({ name: 'Start', version: 3 });
const problem = (code: Problem['code']): Problem => ({ code, message: code, fields: [] });

async function setUp() {
  // Loaded after the globals above, which the modules read.
  const { makeStore } = await import('../../../data/store.ts');
  const { batchSaves, startSaving } = await import('../../../data/batchSaves.ts');
  await import('./autosave.ts');
  const { bench, selectBench } = await import('./benchSlice.ts');
  const { edits } = await import('./edits.ts');
  const store = makeStore();
  endSaving = startSaving(store);
  store.dispatch(bench.opened({ document }));
  const rename = (name: string) => {
    store.dispatch(edits.headChanged({ name }));
  };
  const saving = () => selectBench(store.getState()).saving.status;
  return { store, bench, batchSaves, rename, saving };
}

/** Lets timers up to `ms` and every promise behind them run. */
const pass = (ms: number) => jest.advanceTimersByTimeAsync(ms);

beforeEach(() => {
  jest.useFakeTimers();
  stored.clear();
  sent = [];
  globalThis.fetch = jest.fn(async (input: Request | string | URL) => {
    const request = (input as Request).clone();
    if (request.method === 'GET') {
      const headers = { 'content-type': 'application/json' };
      return new Response(JSON.stringify({ ...document, name: 'Theirs', version: 9 }), { headers });
    }
    const body = (await request.json()) as { name: string; version: number };
    return new Promise<Response>((resolve, reject) => {
      sent.push({
        name: body.name,
        version: body.version,
        answer: (status, answer) => {
          resolve(
            new Response(JSON.stringify(answer), { status, headers: { 'content-type': 'application/json' } }),
          );
        },
        breakLine: () => {
          reject(new TypeError('line broken'));
        },
      });
    });
  }) as typeof fetch;
});
afterEach(() => {
  endSaving();
  jest.useRealTimers();
});

it('waits for a pause, sends once with the version, and drops the draft when it is acknowledged', async () => {
  const { rename, saving } = await setUp();
  for (const name of ['A', 'AB', 'ABC']) {
    rename(name);
    await pass(200);
  }
  expect(sent).toHaveLength(0);
  expect([...stored.values()].join()).toContain('"name":"ABC"');
  await pass(600);
  expect(sent).toMatchObject([{ name: 'ABC', version: 3 }]);
  expect(saving()).toBe('saving');
  sent[0]!.answer(200, { ...document, version: 4 });
  await pass(1);
  expect(saving()).toBe('saved');
  expect(stored.size).toBe(0);
});

it('never has two saves under way: an edit meanwhile follows with the new version', async () => {
  const { rename, saving } = await setUp();
  rename('One');
  await pass(700);
  rename('Two');
  await pass(5000);
  expect(sent).toHaveLength(1);
  sent[0]!.answer(200, { ...document, version: 4 });
  await pass(700);
  expect(sent[1]).toMatchObject({ name: 'Two', version: 4 });
  sent[1]!.answer(200, { ...document, version: 5 });
  await pass(1);
  expect(saving()).toBe('saved');
});

it('tries again while the server cannot be reached, at once when asked, and keeps the draft', async () => {
  const { batchSaves, rename, saving } = await setUp();
  rename('Offline');
  await pass(700);
  sent[0]!.breakLine();
  await pass(1);
  expect(saving()).toBe('failed');
  expect([...stored.values()].join()).toContain('Offline');
  await pass(1500);
  expect(sent).toHaveLength(2);
  sent[1]!.breakLine();
  await pass(1);
  void batchSaves.flush('b1');
  await pass(700);
  expect(sent).toHaveLength(3);
  sent[2]!.answer(200, { ...document, version: 4 });
  await pass(1);
  expect(saving()).toBe('saved');
});

it('stops at a conflict until the maker has chosen', async () => {
  const { store, bench, rename, saving } = await setUp();
  rename('Mine');
  await pass(700);
  sent[0]!.answer(409, problem('stale-version'));
  await pass(1);
  expect(saving()).toBe('conflict');
  rename('Mine still');
  await pass(20_000);
  expect(sent).toHaveLength(1);
  store.dispatch(bench.mineKept(9));
  await pass(700);
  expect(sent[1]).toMatchObject({ name: 'Mine still', version: 9 });
  sent[1]!.answer(200, { ...document, version: 10 });
  await pass(1);
});

it('does not hammer the server with what it refuses', async () => {
  const { rename, saving } = await setUp();
  rename('Refused');
  await pass(700);
  sent[0]!.answer(400, problem('invalid-input'));
  await pass(30_000);
  expect(saving()).toBe('failed');
  expect(sent).toHaveLength(1);
});

it('sends what is unsaved when the batch is left before the pause is over', async () => {
  const { store, bench, batchSaves, rename } = await setUp();
  rename('Leaving');
  const flushed = batchSaves.flush('b1');
  store.dispatch(bench.closed());
  await pass(1);
  expect(sent).toMatchObject([{ name: 'Leaving', version: 3 }]);
  sent[0]!.answer(200, { ...document, version: 4 });
  await pass(1);
  await flushed;
  expect(stored.size).toBe(0);
  await pass(5000);
  expect(sent).toHaveLength(1);
});

it('sends nothing that was undone before the pause was over', async () => {
  const { store, bench, rename, saving } = await setUp();
  rename('Second thoughts');
  store.dispatch(bench.undone());
  expect(stored.size).toBe(0);
  await pass(5000);
  expect(sent).toHaveLength(0);
  expect(saving()).toBe('saved');
});

it('sends the old document again when an edit is undone while it is under way', async () => {
  const { store, bench, rename, saving } = await setUp();
  rename('Too late');
  await pass(700);
  store.dispatch(bench.undone());
  sent[0]!.answer(200, { ...document, version: 4 });
  await pass(700);
  expect(sent[1]).toMatchObject({ name: 'Start', version: 4 });
  sent[1]!.answer(200, { ...document, version: 5 });
  await pass(1);
  expect(saving()).toBe('saved');
});

it('never sends again what was undone while its first attempt was lost', async () => {
  const { store, bench, rename, saving } = await setUp();
  rename('Undone');
  await pass(700);
  store.dispatch(bench.undone());
  sent[0]!.breakLine();
  await pass(1500);
  expect(sent.map((s) => s.name)).toEqual(['Undone', 'Start']);
  sent[1]!.answer(200, { ...document, version: 4 });
  await pass(1);
  expect(saving()).toBe('saved');
  expect(stored.size).toBe(0);
});
