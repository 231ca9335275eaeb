import { type Drafts } from './drafts.ts';
import { type SaveOutcome, SaveQueue } from './saveQueue.ts';

/** A queue of texts against a server that answers when it is told to. */
function setUp() {
  const kept = new Map<string, unknown>();
  const drafts: Drafts<string> = {
    keep: (id, draft) => {
      kept.set(id, draft);
      return 'kept';
    },
    drop: (id) => void kept.delete(id),
    ofOthers: () => [],
    take: () => undefined,
  };
  const sent: {
    id: string;
    version: number;
    document: string;
    answer: (o: SaveOutcome<string>) => void;
  }[] = [];
  const told: string[] = [];
  const queue = new SaveQueue<string>({
    drafts,
    same: (a, b) => a === b,
    send: (id, version, document) => new Promise((answer) => sent.push({ id, version, document, answer })),
    onChange: (id, unsent) => told.push(`${id} ${unsent?.saving.status ?? 'none'}`),
    onSaved: (id, version, document) => told.push(`${id} saved ${document} as ${version}`),
    onKept: () => undefined,
  });
  const answer = async (outcome: SaveOutcome<string>): Promise<void> => {
    sent.at(-1)!.answer(outcome);
    await pass(0);
  };
  return { kept, sent, told, queue, answer };
}
/** An edit that was put, sent after its pause, and answered so. */
async function answered(outcome: SaveOutcome<string>) {
  const all = setUp();
  all.queue.put('a', 1, 'one');
  await pass(600);
  await all.answer(outcome);
  return all;
}
const noLine = { kind: 'unreachable', message: 'no line' } as const;
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
  expect(kept.get('a')).toEqual({ baseVersion: 3, document: 'two', lost: [] });
  await pass(100);
  expect(sent).toMatchObject([{ id: 'a', version: 3, document: 'two' }]);
  await answer({ kind: 'saved', version: 4 });
  expect(kept.size).toBe(0);
  expect(told).toEqual(['a unsaved', 'a unsaved', 'a saving', 'a saved two as 4', 'a none']);
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
  expect(kept.get('a')).toEqual({ baseVersion: 2, document: 'two', lost: [] });
  expect(sent.at(-1)).toMatchObject({ id: 'a', version: 2, document: 'two' });
  await answer({ kind: 'saved', version: 3 });
  expect([...kept.keys()]).toEqual(['b']);
});

it('waits longer from try to try while the server cannot be reached', async () => {
  const { kept, sent, queue, answer } = setUp();
  queue.put('a', 1, 'one');
  await pass(600);
  for (const [n, wait] of [1500, 3000, 6000, 12_000, 12_000].entries()) {
    await answer(noLine);
    await pass(wait - 1);
    expect(sent).toHaveLength(n + 1);
    await pass(1);
    expect(sent).toHaveLength(n + 2);
  }
  expect(kept.get('a')).toMatchObject({ baseVersion: 1, document: 'one' });
});

it('tries at once when the connection is back', async () => {
  const { sent, queue, answer } = await answered(noLine);
  queue.retry();
  expect(sent).toHaveLength(2);
  await answer({ kind: 'saved', version: 2 });
  await pass(60_000);
  expect(sent).toHaveLength(2);
});

it('does not send again what was refused, only what is changed after', async () => {
  const { kept, sent, queue } = await answered({ kind: 'refused', message: 'no' });
  queue.retry();
  await pass(60_000);
  expect(sent).toHaveLength(1);
  expect(kept.get('a')).toEqual({ baseVersion: 1, document: 'one', lost: [] });
  queue.put('a', 1, 'two');
  await pass(600);
  expect(sent[1]).toMatchObject({ document: 'two' });
});

it('sends nothing over a conflict until the change grows from a newer version', async () => {
  const { kept, sent, queue } = await answered({ kind: 'stale', version: 5, document: 'theirs' });
  queue.put('a', 1, 'two');
  await queue.flush('a');
  await pass(60_000);
  expect(sent).toHaveLength(1);
  expect(kept.get('a')).toEqual({ baseVersion: 1, document: 'two', lost: [] });
  expect(queue.unsent('a')).toMatchObject({ document: 'two', saving: { status: 'conflict' } });
  queue.put('a', 5, 'two');
  await pass(600);
  expect(sent[1]).toMatchObject({ version: 5, document: 'two' });
});

it('takes its own document on the server for saved, when the answer was lost', async () => {
  const { kept, sent, told, answer } = await answered(noLine);
  await pass(1500);
  expect(sent).toHaveLength(2);
  await answer({ kind: 'stale', version: 2, document: 'one' });
  expect(told.slice(-2)).toEqual(['a saved one as 2', 'a none']);
  expect(kept.size).toBe(0);
});

it('goes on from its own document on the server, when the answer was lost and it was edited since', async () => {
  const { kept, sent, queue, answer } = await answered(noLine);
  queue.put('a', 1, 'two');
  expect(kept.get('a')).toEqual({ baseVersion: 1, document: 'two', lost: ['one'] });
  await pass(600);
  await answer({ kind: 'stale', version: 2, document: 'one' });
  expect(sent[2]).toMatchObject({ version: 2, document: 'two' });
  await answer({ kind: 'saved', version: 3 });
  expect(queue.unsent('a')).toBeNull();
});

it('knows after the tab was loaded anew what it had sent', async () => {
  const { sent, queue, answer } = setUp();
  queue.adopt('a', { baseVersion: 1, document: 'two', lost: ['one'] });
  expect(sent).toMatchObject([{ version: 1, document: 'two' }]);
  await answer({ kind: 'stale', version: 2, document: 'one' });
  expect(sent[1]).toMatchObject({ version: 2, document: 'two' });
});

it('holds what was deleted elsewhere until it is released', async () => {
  const { kept, sent, queue, answer } = await answered({ kind: 'gone' });
  await pass(60_000);
  expect(sent).toHaveLength(1);
  expect(kept.size).toBe(1);
  void queue.release('a');
  expect(sent[1]).toMatchObject({ version: 1, document: 'one' });
  await answer({ kind: 'saved', version: 2 });
  expect(kept.size).toBe(0);
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
