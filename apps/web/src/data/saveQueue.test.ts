import { type Drafts } from './drafts.ts';
import { type SaveOutcome, SaveQueue } from './saveQueue.ts';

/** A queue of texts against a server that answers when it is told to. */
function setUp() {
  const kept = new Map<string, unknown>();
  const drafts: Drafts<string> = {
    keep: (id, draft) => void kept.set(id, draft),
    find: () => null,
    drop: (id) => void kept.delete(id),
  };
  const sent: { id: string; version: number; document: string; answer: (o: SaveOutcome) => void }[] = [];
  const told: string[] = [];
  const queue = new SaveQueue<string>({
    drafts,
    send: (id, version, document) => new Promise((answer) => sent.push({ id, version, document, answer })),
    onStarted: (id) => told.push(`${id} started`),
    onOutcome: (id, { kind }, document) => told.push(`${id} ${kind} ${document}`),
  });
  const answer = async (outcome: SaveOutcome): Promise<void> => {
    sent.at(-1)!.answer(outcome);
    await pass(0);
  };
  return { kept, sent, told, queue, answer };
}
const pass = (ms: number) => jest.advanceTimersByTimeAsync(ms);

beforeEach(() => void jest.useFakeTimers());
afterEach(() => jest.useRealTimers());

it('sends the latest of several changes after a pause, and keeps a draft until it is acknowledged', async () => {
  const { kept, sent, told, queue, answer } = setUp();
  queue.put('a', 3, 'one');
  await pass(500);
  queue.put('a', 3, 'two');
  await pass(500);
  expect(sent).toHaveLength(0);
  expect(kept.get('a')).toEqual({ baseVersion: 3, document: 'two' });
  await pass(100);
  expect(sent).toMatchObject([{ id: 'a', version: 3, document: 'two' }]);
  await answer({ kind: 'saved', version: 4 });
  expect(kept.size).toBe(0);
  expect(told).toEqual(['a started', 'a saved two']);
});

it('has one attempt at a time for a document, and any number for several', async () => {
  const { kept, sent, queue, answer } = setUp();
  queue.put('a', 1, 'one');
  queue.put('b', 7, 'other');
  await pass(600);
  queue.put('a', 1, 'two');
  await pass(5000);
  expect(sent.map((s) => s.document)).toEqual(['one', 'other']);
  sent[0]!.answer({ kind: 'saved', version: 2 });
  await pass(0);
  expect(kept.get('a')).toEqual({ baseVersion: 2, document: 'two' });
  expect(sent.at(-1)).toMatchObject({ id: 'a', version: 2, document: 'two' });
  await answer({ kind: 'saved', version: 3 });
  expect([...kept.keys()]).toEqual(['b']);
});

it('waits longer from try to try while the server cannot be reached', async () => {
  const { kept, sent, queue, answer } = setUp();
  queue.put('a', 1, 'one');
  await pass(600);
  for (const [n, wait] of [1500, 3000, 6000, 12_000, 12_000].entries()) {
    await answer({ kind: 'unreachable', message: 'no line' });
    await pass(wait - 1);
    expect(sent).toHaveLength(n + 1);
    await pass(1);
    expect(sent).toHaveLength(n + 2);
  }
  expect(kept.get('a')).toEqual({ baseVersion: 1, document: 'one' });
});

it('tries at once when the connection is back', async () => {
  const { sent, queue, answer } = setUp();
  queue.put('a', 1, 'one');
  await pass(600);
  await answer({ kind: 'unreachable', message: 'no line' });
  queue.retry();
  expect(sent).toHaveLength(2);
  await answer({ kind: 'saved', version: 2 });
  await pass(60_000);
  expect(sent).toHaveLength(2);
});

it('does not send again what was refused, only what is changed after', async () => {
  const { kept, sent, queue, answer } = setUp();
  queue.put('a', 1, 'one');
  await pass(600);
  await answer({ kind: 'refused', message: 'no' });
  await pass(60_000);
  expect(sent).toHaveLength(1);
  expect(kept.get('a')).toEqual({ baseVersion: 1, document: 'one' });
  queue.put('a', 1, 'two');
  await pass(600);
  expect(sent[1]).toMatchObject({ document: 'two' });
});

it('sends nothing over a conflict until the change grows from a newer version', async () => {
  const { sent, queue, answer } = setUp();
  queue.put('a', 1, 'one');
  await pass(600);
  await answer({ kind: 'stale' });
  queue.put('a', 1, 'two');
  await queue.flush('a');
  await pass(60_000);
  expect(sent).toHaveLength(1);
  queue.put('a', 5, 'two');
  await pass(600);
  expect(sent[1]).toMatchObject({ version: 5, document: 'two' });
});

it('forgets what was undone, and sends a later change as usual', async () => {
  const { kept, sent, queue } = setUp();
  queue.put('a', 1, 'one');
  queue.drop('a');
  await pass(5000);
  expect(sent).toHaveLength(0);
  expect(kept.size).toBe(0);
  queue.put('a', 1, 'two');
  await pass(600);
  expect(sent).toMatchObject([{ document: 'two' }]);
});

it('flushes what waits at once, and resolves when it is acknowledged', async () => {
  const { sent, queue, answer } = setUp();
  queue.put('a', 1, 'one');
  let done = false;
  const flushed = queue.flush('a').then(() => (done = true));
  await pass(0);
  expect(sent).toHaveLength(1);
  expect(done).toBe(false);
  await answer({ kind: 'saved', version: 2 });
  await flushed;
  await pass(5000);
  expect(sent).toHaveLength(1);
});
