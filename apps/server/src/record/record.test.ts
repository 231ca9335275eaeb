import {
  type BatchDocument,
  type BatchPage,
  type LineBatch,
  type Poured,
  type ReadingWrite,
  type RecordWire,
  routes,
} from '@kleur/contract';
import { type Reading } from '@kleur/core/evidence';
import { emptyRecord } from '@kleur/core/record';
import { startApp, type TestApp } from '../../test/app.ts';

let t: TestApp;
let batch: BatchDocument;
beforeAll(async () => {
  t = await startApp('demo');
}, 30_000);
afterAll(() => t.close());

beforeEach(async () => {
  batch = (await t.api.post(routes.batchExample).expect(201)).body as BatchDocument;
});

const save = async (change: Partial<BatchDocument>): Promise<BatchDocument> => {
  const { name, state, madeOn, plan, version } = { ...batch, ...change };
  const answer = await t.api.put(routes.batch(batch.id)).send({ name, state, madeOn, plan, version });
  expect(answer.status).toBe(200);
  batch = answer.body as BatchDocument;
  return batch;
};
const poured = async (): Promise<Poured> =>
  (await t.api.get(routes.poured(batch.id)).expect(200)).body as Poured;

const reading = (change: Partial<ReadingWrite> = {}): ReadingWrite => ({
  id: `r${Math.random()}`,
  potId: batch.plan.pots[0]!.id,
  face: 'cut',
  on: '2026-06-10',
  lab: [50, 10, -20],
  how: 'lab',
  doubt: 1,
  file: '',
  note: '',
  ...change,
});
const send = (...readings: ReadingWrite[]) => t.api.post(routes.readings(batch.id)).send({ readings });

describe('what was foretold', () => {
  it('is put down at the pour and stays, whatever becomes of the plan', async () => {
    expect((await poured()).at).toBeNull();
    await save({ state: 'poured', madeOn: '2026-06-08' });
    const first = await poured();
    expect(first.at).not.toBeNull();
    expect(first.predicted.pots.map((p) => p.name)).toEqual(batch.plan.pots.map((p) => p.name));
    const { plan } = batch;
    await save({ state: 'curing', plan: { ...plan, pots: plan.pots.slice(1) } });
    const later = await poured();
    expect(later).toEqual(first);
    expect(later.plan.pots).toHaveLength(plan.pots.length);
  });

  it('is put down anew when the batch was not poured after all', async () => {
    await save({ state: 'poured', madeOn: '2026-06-08' });
    const { plan } = batch;
    await save({ state: 'planned' });
    expect((await poured()).at).toBeNull();
    await save({ state: 'poured', plan: { ...plan, pots: plan.pots.slice(1) } });
    expect((await poured()).predicted.pots).toHaveLength(plan.pots.length - 1);
  });
});

describe('readings', () => {
  beforeEach(async () => {
    await save({ state: 'poured', madeOn: '2026-06-08' });
  });

  it('are kept each once, with their hours since the pour, and can be taken back and restored', async () => {
    const one = reading();
    await send(one).expect(201);
    await send(one, reading({ lab: [51, 10, -20], on: '2026-07-20' })).expect(201);
    const list = (await t.api.get(routes.readings(batch.id))).body as Reading[];
    expect(list.map((r) => r.hours)).toEqual([48, 42 * 24]);
    await t.api.delete(routes.reading(batch.id, one.id)).expect(200);
    expect((await t.api.get(routes.readings(batch.id))).body).toHaveLength(1);
    await t.api.post(routes.readingRestore(batch.id, one.id)).expect(200);
    expect((await t.api.get(routes.readings(batch.id))).body).toHaveLength(2);
  });

  it.each([
    ['before the pour', { on: '2026-06-07' }, 'on', 'It is dated before the pour.'],
    ['of no pot', { potId: 'nobody' }, 'potId', 'This batch has no such pot.'],
    ['beyond white', { lab: [150, 0, 0] }, 'lab', null],
    ['of no face', { face: 'bottom' }, 'face', null],
  ])('are refused %s, and with them all that was sent', async (_, change, field, message) => {
    const answer = await send(reading(), reading(change as Partial<ReadingWrite>)).expect(400);
    expect(answer.body.code).toBe('invalid-input');
    if (message !== null) expect(answer.body.fields).toEqual([{ path: `1.${field}`, message }]);
    expect((await t.api.get(routes.readings(batch.id))).body).toEqual([]);
  });

  it('are refused twice the same, and where there was no pour', async () => {
    await send(reading()).expect(201);
    const again = await send(reading()).expect(400);
    expect(again.body.message).toMatch(/read already/);
    await save({ madeOn: null });
    expect((await send(reading({ lab: [1, 2, 3] })).expect(400)).body.fields[0].path).toBe('0.on');
  });
});

it('keeps the record beside the plan, and refuses one that grew from an older', async () => {
  const read = async (): Promise<RecordWire> => (await t.api.get(routes.record(batch.id)).expect(200)).body;
  expect(await read()).toEqual({ record: emptyRecord, version: 0 });
  const record = { ...emptyRecord, gel: { how: 'ring', rim: 12 } as const };
  const first = await t.api.put(routes.record(batch.id)).send({ record, version: 0 }).expect(200);
  expect(first.body).toEqual({ record, version: 1 });
  await t.api.put(routes.record(batch.id)).send({ record: emptyRecord, version: 0 }).expect(409);
  await t.api.put(routes.record(batch.id)).send({ record, version: 1 }).expect(200);
  await t.api.put(routes.record(batch.id)).send({ record: emptyRecord, version: 1 }).expect(409);
  expect(await read()).toEqual({ record, version: 2 });
  const wrong = { ...record, faults: [{ id: 'f', fault: 'ugly', potIds: [], text: '' }] };
  await t.api.put(routes.record(batch.id)).send({ record: wrong, version: 2 }).expect(400);
});

it('shows the line of versions from any of them, with what was seen of each', async () => {
  await save({ state: 'poured', madeOn: '2026-06-08' });
  await send(reading({ lab: [40, 20, -40] })).expect(201);
  const again = async (id: string, name: string): Promise<BatchDocument> =>
    (await t.api.post(routes.again(id)).send({ name, plan: batch.plan }).expect(201)).body;
  const second = await again(batch.id, 'Second');
  const third = await again(second.id, 'Third');
  const other = await again(batch.id, 'Other second');
  expect(second).toMatchObject({ parentId: batch.id, state: 'planned', madeOn: null });
  for (const id of [batch.id, third.id, other.id]) {
    const line = (await t.api.get(routes.line(id)).expect(200)).body as LineBatch[];
    expect(line.map((v) => v.name)).toEqual([batch.name, 'Second', 'Other second', 'Third']);
    expect(line[0]!.seen).toMatchObject([{ potId: batch.plan.pots[0]!.id }]);
  }
  // Without the one in the middle the rest still hangs together as far as it can be told.
  await t.api.delete(routes.batch(second.id)).expect(200);
  const left = (await t.api.get(routes.line(third.id)).expect(200)).body as LineBatch[];
  expect(left.map((v) => v.name)).toEqual(['Third']);
});

it('keeps what was foretold of the demo’s batches that were made', async () => {
  const { items } = (await t.api.get(routes.batches)).body as BatchPage;
  const canyon = items.find((b) => b.name === 'Canyon strata')!;
  const { at, predicted } = (await t.api.get(routes.poured(canyon.id))).body as Poured;
  expect(at).not.toBeNull();
  expect(predicted.pots[0]!.inside[1]).toHaveLength(8);
});
