import { type BatchDocument, type BatchPage, type LogPage, type Look, routes } from '@kleur/contract';
import { type Learned, type LogEntry } from '@kleur/core/day';
import { startApp, type TestApp } from '../../test/app.ts';

let t: TestApp;
let batches: readonly { readonly id: string }[];
beforeAll(async () => {
  t = await startApp();
  const { items } = (await t.api.get(routes.batches)).body as BatchPage;
  // Others than the one that is being made, whose log is begun.
  batches = items.filter((b) => b.name !== 'Verdigris roofs');
}, 30_000);
afterAll(() => t.close());

const entry = (id: string, change: Partial<LogEntry> = {}): LogEntry => ({
  id,
  at: 1_795_770_000_000,
  kind: 'added',
  potId: 'blue',
  target: 'blue:row',
  by: 'part',
  value: 0.25,
  text: '',
  ...change,
});
const send = (batch: number, ...entries: readonly object[]) =>
  t.api.post(routes.log(batches[batch]!.id)).send({ entries });
const read = async (batch: number, after = 0): Promise<LogPage> =>
  (await t.api.get(routes.log(batches[batch]!.id, after)).expect(200)).body as LogPage;

it('entries are added once, whoever sends them and however often, and read on from a cursor', async () => {
  await send(0, entry('a'), entry('b', { at: 1_795_766_400_000 })).expect(204);
  const { entries, cursor } = await read(0);
  // As they came, not by their clocks.
  expect(entries).toEqual([entry('a'), entry('b', { at: 1_795_766_400_000 })]);
  await send(0, entry('b', { value: 0.9 }), entry('c'), entry('c')).expect(204);
  expect((await read(0, cursor)).entries).toEqual([entry('c')]);
  expect((await read(0)).entries.map((e) => e.id)).toEqual(['a', 'b', 'c']);
  const end = (await read(0)).cursor;
  expect(await read(0, end)).toEqual({ entries: [], cursor: end });
});

it('of many devices at once none is lost', async () => {
  await Promise.all(
    Array.from({ length: 8 }, (_, d) =>
      send(1, ...Array.from({ length: 20 }, (_, i) => entry(`device-${d}-${i}`))).expect(204),
    ),
  );
  const { entries } = await read(1);
  expect(new Set(entries.map((e) => e.id)).size).toBe(160);
  expect(entries).toHaveLength(160);
});

it('one batch of the demo is in the middle of its making day', async () => {
  const { items } = (await t.api.get(`${routes.batches}?q=Verdigris`)).body as BatchPage;
  const { entries } = (await t.api.get(routes.log(items[0]!.id))).body as LogPage;
  const kinds = entries.map((e) => e.kind);
  expect(kinds.filter((k) => k === 'done').length).toBeGreaterThan(8);
  expect(kinds.slice(-2)).toEqual(['added', 'thickness']);
  expect(entries.every((e) => e.at < Date.now())).toBe(true);
});

it('a batch that is not there has no log', async () => {
  await t.api.get(routes.log('nothing')).expect(404);
  await t.api
    .post(routes.log('nothing'))
    .send({ entries: [entry('x')] })
    .expect(404);
});

it.each([
  ['no entries', []],
  ['a kind that is none', [entry('z', { kind: 'guessed' as LogEntry['kind'] })]],
  ['a time that is none', [entry('z', { at: 'yesterday' as unknown as number })]],
  ['a negative amount', [entry('z', { value: -1 })]],
  ['an id of another batch', [entry('y'), entry('device-0-0')]],
  ['a way that the kind does not have', [entry('y'), entry('z', { kind: 'scented' })]],
  ['a note that is too long', [entry('z', { kind: 'noted', by: '', text: 'x'.repeat(501) })]],
])('refuses %s, and adds nothing of it', async (_, entries) => {
  const before = await read(0);
  expect((await send(0, ...entries).expect(400)).body.code).toBe('invalid-input');
  expect(await read(0)).toEqual(before);
});

describe('what all days together say', () => {
  const MINUTE = 60_000;
  const at = 1_795_770_000_000;

  it('learns the pace from the taps of every batch', async () => {
    const before = (await t.api.get(routes.learned(batches[0]!.id)).expect(200)).body as Learned;
    const { plan } = (await t.api.get(routes.batch(batches[1]!.id))).body as BatchDocument;
    const pot = plan.pots[0]!.id;
    await send(
      1,
      entry('p1', { kind: 'done', target: 'combine/combine', potId: '', by: '', value: 0, at }),
      entry('p2', { kind: 'thickness', target: '', potId: pot, by: '', value: 1, at: at + 200 * MINUTE }),
    ).expect(204);
    const { pace } = (await t.api.get(routes.learned(batches[0]!.id)).expect(200)).body as Learned;
    expect(pace!.batches).toBe((before.pace?.batches ?? 0) + 1);
    expect(pace!.value).toBeGreaterThan(before.pace?.value ?? 1);
  });

  it('shows the last photo of a step, of the batch that is most alike, and none that was taken back', async () => {
    const look = (id: string, target: string, text: string, later = 0) =>
      entry(id, { kind: 'pictured', potId: '', by: '', value: 0, target, text, at: at + later });
    await send(2, look('l1', 'pour/pour', 'a.jpg'), look('l2', 'unmould', 'b.jpg')).expect(204);
    await send(2, entry('l3', { kind: 'voided', potId: '', by: '', value: 0, target: 'l2', at: at + 1 }));
    const looks = (await t.api.get(routes.looks(batches[1]!.id)).expect(200)).body as Look[];
    expect(looks).toMatchObject([{ step: 'pour/pour', batchId: batches[2]!.id, file: 'a.jpg' }]);
    // Of a batch itself its own photos are no looks.
    expect((await t.api.get(routes.looks(batches[2]!.id)).expect(200)).body).toEqual([]);
    await t.api.get(routes.looks('nowhere')).expect(404);
  });
});
