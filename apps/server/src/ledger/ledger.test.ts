import {
  type BatchDocument,
  type BatchPage,
  type LedgerPage,
  type PastResult,
  routes,
} from '@kleur/contract';
import { emptyRecord, setVerdict } from '@kleur/core/record';
import { startApp, type TestApp } from '../../test/app.ts';

let t: TestApp;
let batches: Record<string, BatchDocument>;
beforeAll(async () => {
  t = await startApp('demo');
  const { items } = (await t.api.get(routes.batches)).body as BatchPage;
  const all = await Promise.all(
    items.map(async ({ id }) => (await t.api.get(routes.batch(id))).body as BatchDocument),
  );
  batches = Object.fromEntries(all.map((b) => [b.name, b]));
}, 60_000);
afterAll(() => t.close());

const find = async (query: object): Promise<LedgerPage> =>
  (await t.api.get(routes.ledger).query(query).expect(200)).body as LedgerPage;
const names = async (query: object): Promise<string[]> => (await find(query)).items.map((b) => b.name).sort();

it('finds by state, name, material, technique and day', async () => {
  expect(await names({ state: 'curing' })).toContain('Slate and saffron');
  expect(await names({ q: 'kingf' })).toEqual(['Kingfisher']);
  expect(await names({ material: 'mica-lido' })).toContain('Kingfisher');
  expect(await names({ material: 'mica-lido' })).not.toContain('Tiled courtyard');
  expect(await names({ technique: 'divided-comb' })).toEqual(['Tiled courtyard']);
  const { madeOn } = batches.Kingfisher!;
  expect(await names({ from: madeOn, to: madeOn })).toEqual(['Kingfisher']);
  expect(await names({ q: 'no such' })).toEqual([]);
});

it('finds bars like a colour, the nearest first, by what was read before what was foretold', async () => {
  const like = await find({ colour: '#4a63b0', within: 12 });
  expect(like.items[0]!.nearest!.deltaE).toBeLessThan(12);
  const far = like.items.map((b) => b.nearest!.deltaE);
  expect(far).toEqual(far.toSorted((a, b) => a - b));
  const rare = { colour: '#00b050', within: 3 };
  expect(await names(rare)).toEqual([]);
  const canyon = batches['Canyon strata']!;
  const reading = {
    id: 'green',
    potId: canyon.plan.pots[0]!.id,
    face: 'cut',
    on: new Date(Date.parse(canyon.madeOn!) + 58 * 86_400_000).toISOString().slice(0, 10),
    lab: [63.4, -59.6, 40.1],
    how: 'lab',
    doubt: 1,
    file: '',
    note: '',
  };
  await t.api
    .post(routes.readings(canyon.id))
    .send({ readings: [reading] })
    .expect(201);
  expect(await names(rare)).toEqual(['Canyon strata']);
  await t.api.delete(routes.reading(canyon.id, 'green')).expect(200);
  expect(await names(rare)).toEqual([]);
});

it('follows what is deleted and brought back together', async () => {
  const [one, other] = [batches.Kingfisher!, batches['Tiled courtyard']!];
  await t.api.delete(routes.batch(one.id)).expect(200);
  expect(await names({})).not.toContain(one.name);
  await Promise.all([
    t.api.delete(routes.batch(other.id)).expect(200),
    t.api.post(routes.batchRestore(one.id)).expect((r) => r.status < 300),
  ]);
  expect(await names({})).toContain(one.name);
  expect(await names({})).not.toContain(other.name);
  await t.api.post(routes.batchRestore(other.id)).expect((r) => r.status < 300);
});

it('finds by fault, and gives the last results with something and their verdict', async () => {
  const { id } = batches['Slate and saffron']!;
  const had = (await t.api.get(routes.record(id))).body as { version: number };
  const faults = [{ id: 'f', fault: 'seized', potIds: [], text: '' }] as const;
  const record = setVerdict({ ...emptyRecord, faults }, 'scent', 'scent-wet-slate', {
    says: 'only',
    text: 'dark soaps',
  });
  await t.api.put(routes.record(id)).send({ record, version: had.version }).expect(200);
  expect(await names({ fault: 'seized' })).toEqual(['Slate and saffron']);
  const past = async (of: string, ref: string, besides = ''): Promise<PastResult[]> =>
    (
      await t.api
        .get(routes.past)
        .query({ of, ref, ...(besides && { besides }) })
        .expect(200)
    ).body as PastResult[];
  const [first] = await past('scent', 'scent-wet-slate');
  expect(first).toMatchObject({ name: 'Slate and saffron', verdict: { says: 'only' }, faults: ['seized'] });
  expect(await past('scent', 'scent-wet-slate', id)).toEqual([]);
  // What is only planned has no result yet.
  expect((await past('mould', 'Courtyard slab')).map((p) => p.name)).toEqual([]);
  await t.api.get(routes.past).query({ of: 'batch', ref: 'x' }).expect(400);
});

it('writes all that fits as CSV, harmless for a spreadsheet', async () => {
  await t.api
    .post(routes.batches)
    .send({ name: '=1+1', state: 'idea', madeOn: null, plan: batches.Kingfisher!.plan })
    .expect(201);
  const { text, headers } = await t.api.get(routes.ledgerCsv).expect(200);
  expect(headers['content-type']).toContain('text/csv');
  const lines = text.split('\r\n');
  expect(lines[0]).toMatch(/^name,state,made on/);
  expect(lines.some((l) => /^"?'=1\+1"?,idea/.test(l))).toBe(true);
  expect(lines.some((l) => l.startsWith('Slate and saffron,curing') && l.includes('Seized'))).toBe(true);
});

it('finds in rows of an older version too, once they were opened', async () => {
  const { id } = batches.Kingfisher!;
  // A file of before: nothing is said of what the plan uses.
  const { DataSource } = await import('typeorm');
  await t.app.get(DataSource).query(`UPDATE "batch" SET "uses" = '{}' WHERE "id" = ?`, [id]);
  const { BatchesService } = await import('../batches/batches.service.ts');
  await t.app.get(BatchesService).onApplicationBootstrap();
  expect(await names({ technique: 'wall-pour' })).toContain('Kingfisher');
});
