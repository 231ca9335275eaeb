import 'fake-indexeddb/auto';
import { type LogEntry } from '@kleur/core/day';
import { BenchLog, type LogServer } from './benchLog.ts';
import { openOutbox, type WaitingFile } from './outbox.ts';

/** A server in little: it has what was sent, once, in the order in which it came. */
class FakeServer implements LogServer {
  readonly has: LogEntry[] = [];
  down = false;
  /** Answers are lost on the way back. */
  deaf = false;
  refuses: (entry: LogEntry) => boolean = () => false;

  after(cursor: number) {
    if (this.down) return Promise.reject(failure('unreachable'));
    return Promise.resolve({ entries: this.has.slice(cursor), cursor: this.has.length });
  }
  readonly files: string[] = [];
  sendFile({ name }: WaitingFile) {
    if (this.down) return Promise.reject(failure('unreachable'));
    this.files.push(name);
    return Promise.resolve();
  }
  send(entries: readonly LogEntry[]) {
    if (this.down) return Promise.reject(failure('unreachable'));
    if (entries.some(this.refuses)) return Promise.reject(failure('invalid-input'));
    for (const e of entries) if (!this.has.some((h) => h.id === e.id)) this.has.push(e);
    return this.deaf ? Promise.reject(failure('unreachable')) : Promise.resolve();
  }
}
const failure = (code: string): Error => Object.assign(new Error(code), { code, message: `is ${code}` });

let made = 0;
let batch = 0;
const logs: BenchLog[] = [];
const device = (server: LogServer, batchId = `batch-${batch}`, name = 'a'): BenchLog => {
  const log = new BenchLog(batchId, server, openOutbox(), {
    id: () => `${name}-${++made}`,
    now: () => made * 1000,
  });
  logs.push(log);
  return log;
};
beforeEach(() => ++batch);
afterEach(() => {
  for (const log of logs.splice(0)) log.stop();
});
const values = (log: BenchLog): number[] => log.getSnapshot().entries.map((e) => e.value);
const say = (log: BenchLog, value: number) => log.say({ kind: 'added', by: 'part', value });

it('an entry shows at once and leaves the outbox when the server has it', async () => {
  const server = new FakeServer();
  const log = device(server);
  await log.start();
  const said = say(log, 0.25);
  expect(values(log)).toEqual([0.25]);
  expect(log.getSnapshot().waiting.size).toBe(1);
  await said;
  await log.exchange();
  expect(server.has).toHaveLength(1);
  expect(log.getSnapshot().waiting.size).toBe(0);
  expect(await (await openOutbox()).of(`batch-${batch}`)).toEqual([]);
});

it('without a server everything waits, survives the page, and is all there once afterwards', async () => {
  const server = new FakeServer();
  server.down = true;
  const before = device(server);
  await before.start();
  await say(before, 0.25);
  await say(before, 0.5);
  expect(before.getSnapshot()).toMatchObject({ online: false, kept: true });
  // The page is gone; another one opens.
  before.stop();
  const after = device(server);
  await after.start();
  expect(values(after)).toEqual([0.25, 0.5]);
  expect(after.getSnapshot().waiting.size).toBe(2);
  // The first answer is lost on its way: what was sent is sent again, and is still there once.
  server.down = false;
  server.deaf = true;
  await after.exchange();
  server.deaf = false;
  await after.exchange();
  expect(server.has.map((e) => e.value)).toEqual([0.25, 0.5]);
  expect(after.getSnapshot()).toMatchObject({ online: true });
  expect(after.getSnapshot().waiting.size).toBe(0);
});

it('two devices see each other’s entries, in the same order', async () => {
  const server = new FakeServer();
  const [one, two] = [device(server, undefined, 'one'), device(server, undefined, 'two')];
  await Promise.all([one.start(), two.start()]);
  await Promise.all([say(one, 0.1), say(two, 0.2), say(one, 0.3)]);
  await Promise.all([one.exchange(), two.exchange()]);
  await Promise.all([one.exchange(), two.exchange()]);
  expect(values(one)).toEqual(values(two));
  expect(values(one)).toHaveLength(3);
});

it('what the server refuses is told and holds up nothing else', async () => {
  const server = new FakeServer();
  server.refuses = (e) => e.value === 9;
  const log = device(server);
  await log.start();
  server.down = true;
  await say(log, 1);
  await say(log, 9);
  await say(log, 2);
  server.down = false;
  await log.exchange();
  expect(server.has.map((e) => e.value)).toEqual([1, 2]);
  expect([...log.getSnapshot().refused.values()]).toEqual(['is invalid-input']);
  // It stays on this device, and is not sent for ever.
  expect(await (await openOutbox()).of(`batch-${batch}`)).toHaveLength(1);
});

it('without a database the work goes on, and is told to be in this page alone', async () => {
  const server = new FakeServer();
  const log = new BenchLog('batch', server, Promise.reject(new Error('blocked')), {
    id: () => 'x',
    now: () => 0,
  });
  logs.push(log);
  await log.start();
  await say(log, 1);
  await log.exchange();
  expect(server.has).toHaveLength(1);
  expect(log.getSnapshot().kept).toBe(false);
});

it('a picture goes to the server before the entry that names it, and waits with it', async () => {
  const server = new FakeServer();
  server.down = true;
  const before = device(server);
  await before.start();
  const file = { name: 'abc.jpg', type: 'image/jpeg', bytes: new ArrayBuffer(3) };
  await before.sayWith(file, { kind: 'pictured', target: 'pour/pour' });
  before.stop();
  const after = device(server);
  await after.start();
  expect(server.files).toEqual([]);
  server.refuses = () => server.files.length === 0;
  server.down = false;
  await after.exchange();
  expect(server.files).toEqual(['abc.jpg']);
  expect(server.has).toMatchObject([{ kind: 'pictured', target: 'pour/pour', text: 'abc.jpg' }]);
  expect(await (await openOutbox()).file('abc.jpg')).toBeNull();
});

it('shows what the server had last time while it is away, and drops what it has no more', async () => {
  const server = new FakeServer();
  const first = device(server);
  await first.start();
  await say(first, 0.25);
  await say(first, 0.5);
  await first.exchange();
  first.stop();
  server.down = true;
  const second = device(server);
  await second.start();
  expect(values(second)).toEqual([0.25, 0.5]);
  expect(second.getSnapshot().waiting.size).toBe(0);
  // A copy from before the second entry was put back.
  server.has.pop();
  server.down = false;
  await second.exchange();
  expect(values(second)).toEqual([0.25]);
  expect(await (await openOutbox()).known(`batch-${batch}`)).toHaveLength(1);
});

it('an entry that the server has just taken is remembered, though it was not asked since', async () => {
  const server = new FakeServer();
  const first = device(server);
  await first.start();
  // The page is gone before the server answers what it has.
  server.after = () => new Promise(() => undefined);
  await say(first, 0.25);
  while (first.getSnapshot().waiting.size > 0) await new Promise((resolve) => setTimeout(resolve, 1));
  const outbox = await openOutbox();
  while ((await outbox.of(`batch-${batch}`)).length > 0)
    await new Promise((resolve) => setTimeout(resolve, 1));
  expect(await outbox.known(`batch-${batch}`)).toHaveLength(1);
});

it('knows for which batches something waits', async () => {
  const server = new FakeServer();
  server.down = true;
  const log = device(server, `batch-${batch}-x`);
  await log.start();
  await say(log, 1);
  expect(await (await openOutbox()).batches()).toContain(`batch-${batch}-x`);
  server.down = false;
  await log.exchange();
  expect(await (await openOutbox()).batches()).not.toContain(`batch-${batch}-x`);
});
