import { mkdtempSync, readdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { gunzipSync } from 'node:zlib';
import Database from 'libsql';
import { type BatchDocument, type BatchPage, type MaterialWire, routes } from '@kleur/contract';
import { PLAN_SCHEMA } from '@kleur/core/plan';
import { startApp, type TestApp } from '../../test/app.ts';
import { DATA_FILE } from './data-folder.ts';

/** Data files as earlier versions left them, one a schema. */
const FIXTURES = join(import.meta.dirname, '..', '..', 'test', 'fixtures');
const names = readdirSync(FIXTURES).filter((n) => n.endsWith('.sqlite.gz'));

let folder: string;
let t: TestApp;
const open = async (name: string): Promise<void> => {
  folder = mkdtempSync(join(tmpdir(), 'kleur-old-'));
  writeFileSync(join(folder, DATA_FILE), gunzipSync(readFileSync(join(FIXTURES, name))));
  t = await startApp('empty', folder);
};
afterEach(async () => {
  await t.close();
  rmSync(folder, { recursive: true, force: true });
});

it.each(names)('%s opens with every batch, which can be saved again', async (name) => {
  await open(name);
  const { items, total } = (await t.api.get(routes.batches).expect(200)).body as BatchPage;
  expect(total).toBe(items.length);
  expect(total).toBeGreaterThan(0);
  for (const { id } of items) {
    const batch = (await t.api.get(routes.batch(id)).expect(200)).body as BatchDocument;
    expect(batch.plan.schema).toBe(PLAN_SCHEMA);
    const { name: called, state, madeOn, plan, version } = batch;
    const saved = await t.api.put(routes.batch(id)).send({ name: called, state, madeOn, plan, version });
    expect(saved.body).toMatchObject({ version: version + 1, plan });
  }
});

it('workspace-schema-4 keeps what its maker changed', async () => {
  await open('workspace-schema-4.sqlite.gz');
  const { items } = (await t.api.get(routes.batches)).body as BatchPage;
  expect(items.map((b) => b.name).sort()).toEqual([
    'Canyon strata',
    'Harbour at dusk',
    'Kingfisher, second thought',
    'Slate and saffron',
    'Tiled courtyard',
    'Undated of my own',
    'Verdigris roofs',
  ]);
  expect(items.find((b) => b.name === 'Kingfisher, second thought')!.version).toBe(2);
  const settings = (await t.api.get(routes.settings)).body;
  expect(settings).toMatchObject({ studio: 'Bench by the window', version: 2 });
  const olive = (await t.api.get(routes.material('oil-olive'))).body as MaterialWire;
  expect(olive).toMatchObject({ version: 2, oil: { sapKoh: 191 } });
  const moulds = (await t.api.get(routes.moulds)).body as { id: string; name: string; version: number }[];
  // The one that was deleted before stays away.
  expect(moulds.map((m) => m.name)).toEqual(['Drain pipe', 'Long loaf', 'Pebble tray', 'Tall loaf']);
  expect((await t.api.get(routes.recipes)).body.length).toBeGreaterThan(0);
  expect((await t.api.get(routes.palettes)).body).toHaveLength(2);
});

it.each(names)('%s knows the oils that came to the starting shelf later', async (name) => {
  await open(name);
  for (const [id, called] of [
    ['oil-coconut-fractionated', 'Coconut, fractionated'],
    ['oil-stearic-acid', 'Stearic acid'],
  ] as const) {
    const oil = (await t.api.get(routes.material(id)).expect(200)).body as MaterialWire;
    expect(oil).toMatchObject({ name: called, kind: 'oil', builtIn: true, version: 1, inStock: false });
  }
});

it('an oil of the maker’s own keeps its name alone', async () => {
  folder = mkdtempSync(join(tmpdir(), 'kleur-old-'));
  const file = join(folder, DATA_FILE);
  writeFileSync(file, gunzipSync(readFileSync(join(FIXTURES, 'workspace-schema-9.sqlite.gz'))));
  const db = new Database(file);
  db.exec(`UPDATE material SET name = 'STEARIC ACID' WHERE id = 'oil-lard'`);
  db.close();
  t = await startApp('empty', folder);
  await t.api.get(routes.material('oil-stearic-acid')).expect(404);
  await t.api.get(routes.material('oil-coconut-fractionated')).expect(200);
});

it('workspace-schema-6 keeps a rate of scent, an order of one’s own, and what was ticked', async () => {
  await open('workspace-schema-6.sqlite.gz');
  const { items } = (await t.api.get(routes.batches)).body as BatchPage;
  const { id } = items.find((b) => b.name === 'Verdigris roofs')!;
  const { plan } = (await t.api.get(routes.batch(id))).body as BatchDocument;
  expect(plan.pots.map((p) => p.scentDose)).toEqual([12, null, null, null, null]);
  expect(plan.work.order).toEqual({ by: 'own', pots: plan.pots.map((p) => p.id) });
  expect((await t.api.get(routes.ticks(id))).body).toMatchObject([{ lineId: 'naoh:common', done: true }]);
});

it('workspace-schema-9 keeps oils that follow the mould', async () => {
  await open('workspace-schema-9.sqlite.gz');
  const { items } = (await t.api.get(routes.batches)).body as BatchPage;
  const led: string[] = [];
  for (const { id, name } of items) {
    const { plan } = (await t.api.get(routes.batch(id))).body as BatchDocument;
    if (plan.moulding.leads) led.push(name);
  }
  expect(led).toEqual(['Kingfisher']);
});

it('workspace-schema-6 brings its one technique over as a design', async () => {
  await open('workspace-schema-6.sqlite.gz');
  const { items } = (await t.api.get(routes.batches)).body as BatchPage;
  const designOf = async (name: string): Promise<unknown> => {
    const { id } = items.find((b) => b.name === name)!;
    return ((await t.api.get(routes.batch(id)).expect(200)).body as BatchDocument).plan.idea.design;
  };
  // A piped top lay over layers.
  expect(await designOf('Verdigris roofs')).toEqual({
    body: ['layers'],
    layers: [],
    top: 'piped-top',
    twins: [],
  });
  expect(await designOf('Kingfisher')).toMatchObject({ body: ['wall-pour'], top: null });
});

it('workspace-schema-7 keeps a layer of its own, twins, colours and outline of an embed, and a wish per bar', async () => {
  await open('workspace-schema-7.sqlite.gz');
  const { items } = (await t.api.get(routes.batches)).body as BatchPage;
  const { id } = items.find((b) => b.name === 'Verdigris roofs')!;
  const { plan } = (await t.api.get(routes.batch(id)).expect(200)).body as BatchDocument;
  expect(plan.idea.design).toEqual({
    body: ['layers'],
    layers: [{ id: 'own', technique: 'in-the-pot', pots: ['pot-1', 'pot-3'] }],
    top: 'piped-top',
    twins: [{ a: 'pot-2', b: 'pot-5' }],
  });
  expect(plan.embeds).toMatchObject([
    {
      pieces: 7,
      gramsEach: 3,
      parts: [{ parts: 2 }, { parts: 1, doses: [] }],
      dusting: { materialId: 'mica-kettle', gramsPerDm2: 0.4 },
    },
  ]);
  expect(plan.base.additives).toMatchObject([{ id: 'seeds', perBar: 1.5 }]);
});

it('workspace-schema-7 gives the shelf the better default curves, its plans only when they are asked to', async () => {
  await open('workspace-schema-7.sqlite.gz');
  const charcoal = (await t.api.get(routes.material('activated-charcoal'))).body as MaterialWire;
  expect(charcoal).toMatchObject({ colour: '#3b3c3e', carriers: [{ medium: 'oil', ratio: 4 }, {}] });
  expect(charcoal.optics!.s[0]).toBe(0.01);
  const turmeric = (await t.api.get(routes.material('turmeric'))).body as MaterialWire;
  expect(turmeric.looks.fades).toMatchObject({ keeps: 0.5, to: '#dccb9c' });
  expect(turmeric.optics!.fading!.lightEnd).toHaveLength(36);
  const { items } = (await t.api.get(routes.batches)).body as BatchPage;
  const { id } = items.find((b) => b.name === 'Harbour at dusk')!;
  const { plan } = (await t.api.get(routes.batch(id))).body as BatchDocument;
  const planned = plan.materials.find((m) => m.id === 'activated-charcoal')!;
  expect(planned).toMatchObject({ colour: '#4d4f52', looks: { fades: null } });
  expect(planned.optics!.k).not.toEqual(charcoal.optics!.k);
});
