import {
  type BatchDocument,
  type BatchPage,
  type CalendarPage,
  type LineBatch,
  routes,
} from '@kleur/contract';
import { type LogEntry, logEntry } from '@kleur/core/day';
import { flowOf } from '@kleur/core/balance';
import { emptyRecord } from '@kleur/core/record';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { DataSource } from 'typeorm';
import { startApp, type TestApp } from '../../test/app.ts';

/** A batch that may contain lye is on hold wherever it is listed, until a test allows it. */
const folder = mkdtempSync(join(tmpdir(), 'kleur-hold-'));
let t: TestApp;
let batch: BatchDocument;
let naoh: number;
beforeAll(async () => {
  t = await startApp('demo', folder);
  const page = (await t.api.get(routes.batches).query({ q: 'Kingfisher' })).body as BatchPage;
  batch = (await t.api.get(routes.batch(page.items[0]!.id))).body as BatchDocument;
  naoh = flowOf(batch.plan).lyes[0]!.naoh;
}, 30_000);
afterAll(async () => {
  await t.close();
  rmSync(folder, { recursive: true, force: true });
});

let at = 0;
const say = (kind: LogEntry['kind'], target: string, value = 0, text = '') => {
  at++;
  const by = kind === 'weighed' ? 'grams' : '';
  return t.api
    .post(routes.log(batch.id))
    .send({ entries: [logEntry({ id: `hold-${at}`, at, kind, target, value, text, by })] })
    .expect(204);
};
const held = async (): Promise<boolean> => {
  const { items } = (await t.api.get(routes.batches).query({ q: batch.name })).body as BatchPage;
  return items.find((b) => b.id === batch.id)!.onHold;
};
const record = async (ph: number | null) => {
  const { version } = (await t.api.get(routes.record(batch.id))).body as { version: number };
  const lyeTest = ph === null ? null : { ph, on: '2026-04-02', place: 'edge' };
  await t.api
    .put(routes.record(batch.id))
    .send({ version, record: { ...emptyRecord, lyeTest } })
    .expect(200);
};

it('begins with a weight that nobody answered, and ends when it is weighed again', async () => {
  expect(await held()).toBe(false);
  await say('weighed', 'naoh:common', naoh * 1.03);
  expect(await held()).toBe(true);
  await say('weighed', 'naoh:common', naoh);
  expect(await held()).toBe(false);
});

it('below 0 % it lasts until a test is sound, and shows in list, calendar, file and line', async () => {
  // 5 % superfat: 7 % more lye is 1.7 % below zero.
  await say('weighed', 'naoh:common', naoh * 1.07);
  await say('settled', 'common', 0, 'used');
  expect(await held()).toBe(true);
  expect(((await t.api.get(routes.batch(batch.id))).body as BatchDocument).onHold).toBe(true);
  const calendar = async () => {
    const { batches } = (await t.api.get(routes.calendar)).body as CalendarPage;
    return batches.find((b) => b.id === batch.id)?.onHold;
  };
  const dated = { ...batch, state: 'finished', madeOn: '2026-03-01' };
  await t.api
    .put(routes.batch(batch.id))
    .send({ name: dated.name, state: dated.state, madeOn: dated.madeOn, plan: dated.plan, version: 1 })
    .expect(200);
  expect(await calendar()).toBe(true);
  expect((await t.api.get(routes.calendarFile)).text).toContain(`On hold\\, not ready: ${batch.name}`);
  const line = (await t.api.get(routes.line(batch.id))).body as LineBatch[];
  expect(line.find((b) => b.id === batch.id)!.onHold).toBe(true);

  for (const [ph, is] of [
    [11.2, true],
    [10.6, true],
    [10.5, false],
    [null, true],
    [9, false],
  ] as const) {
    await record(ph);
    expect(await held()).toBe(is);
  }
  expect(await calendar()).toBe(false);
  expect((await t.api.get(routes.calendarFile)).text).toContain(`Cured: ${batch.name}`);
});

it('what was made below −3 % is not cleared by a test', async () => {
  await say('weighed', 'naoh:common', naoh * 1.12);
  await record(9);
  expect(await held()).toBe(true);
});

it('rows of older versions are worked out at the next start', async () => {
  await t.app.get(DataSource).query('UPDATE "batch" SET "on_hold" = NULL');
  await t.app.close();
  t = await startApp('demo', folder);
  expect(await held()).toBe(true);
});

it('a batch that is brought in as poured, lean in oil, is on hold from the start', async () => {
  const { plan } = batch;
  const lean = { ...plan, base: { ...plan.base, superfat: -1 } };
  const sent = { name: 'Lean', state: 'poured', madeOn: '2026-03-01' };
  const add = async (of: typeof plan) =>
    ((await t.api.post(routes.batches).send({ ...sent, plan: of })).body as BatchDocument).onHold;
  expect([await add(lean), await add(plan)]).toEqual([true, false]);
});
