import { cpSync, mkdirSync, readdirSync, readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { gunzipSync } from 'node:zlib';
import {
  type BatchDocument,
  type BatchPage,
  type Copy,
  type CopyContent,
  routes,
  type SettingsWire,
} from '@kleur/contract';
import Database from 'libsql';
import { startApp, type TestApp } from '../../test/app.ts';

const CONFIRM = { confirm: 'replace everything with this copy' };
const OLD = join(import.meta.dirname, '..', '..', 'test', 'fixtures', 'workspace-schema-4.sqlite.gz');

let t: TestApp;
beforeEach(async () => {
  t = await startApp();
});
afterEach(() => t.close());

const list = async (): Promise<BatchPage> => (await t.api.get(routes.batches).expect(200)).body as BatchPage;
const copies = async (): Promise<Copy[]> => (await t.api.get(routes.copies).expect(200)).body as Copy[];
const make = async (): Promise<Copy> => (await t.api.post(routes.copies).expect(201)).body as Copy;
/** Lays a file among the copies. */
function lay(name: string, bytes: Buffer): string {
  mkdirSync(join(t.folder, 'copies'), { recursive: true });
  writeFileSync(join(t.folder, 'copies', name), bytes);
  return name;
}

it('looks into a copy without touching what is there', async () => {
  const before = await list();
  const copy = await make();
  expect(copy).toMatchObject({ reason: 'by-hand' });
  expect(Math.abs(Date.parse(copy.at) - Date.now())).toBeLessThan(60_000);
  await t.api.delete(routes.batch(before.items[0]!.id)).expect(200);
  const content = (await t.api.get(routes.copy(copy.name)).expect(200)).body as CopyContent;
  expect(content.batches).toBe(before.total);
  expect(content.latest.map((b) => b.name)).toContain(before.items[0]!.name);
  expect(content.materials).toBeGreaterThan(40);
  expect((await list()).total).toBe(before.total - 1);
});

it('puts a copy back, keeps a copy of what was there, and gives every row a newer version', async () => {
  const [first, second] = (await list()).items;
  const whole = (await t.api.get(routes.batch(first!.id))).body as BatchDocument;
  const copy = await make();
  const { name: _name, state, madeOn, plan, version } = whole;
  await t.api
    .put(routes.batch(whole.id))
    .send({ name: 'Changed since', state, madeOn, plan, version })
    .expect(200);
  await t.api.delete(routes.batch(second!.id)).expect(200);
  const settings = (await t.api.get(routes.settings)).body as SettingsWire;
  await t.api
    .put(routes.settings)
    .send({ ...settings, studio: 'Changed since' })
    .expect(200);

  await t.api.post(routes.copyRestore(copy.name)).send({}).expect(400);
  await t.api.post(routes.copyRestore(copy.name)).send(CONFIRM).expect(204);
  const back = (await t.api.get(routes.batch(whole.id)).expect(200)).body as BatchDocument;
  expect(back).toEqual({ ...whole, version: 3 });
  await t.api.get(routes.batch(second!.id)).expect(200);
  expect((await t.api.get(routes.settings)).body).toMatchObject({ studio: settings.studio });
  // Whoever still has the version of before is refused.
  await t.api.put(routes.batch(whole.id)).send({ name: 'Late', state, madeOn, plan, version: 2 }).expect(409);

  const [before] = await copies();
  expect(before!.reason).toBe('before-restore');
  await t.api.post(routes.copyRestore(before!.name)).send(CONFIRM).expect(204);
  expect((await t.api.get(routes.batch(whole.id))).body).toMatchObject({ name: 'Changed since', version: 4 });
  expect(readdirSync(join(t.folder, 'copies')).filter((n) => n.startsWith('restoring'))).toEqual([]);
});

it('brings a copy of an earlier version up to date, and leaves the copy as it is', async () => {
  const old = gunzipSync(readFileSync(OLD));
  const name = lay('kleur-2026-11-01T08-00-00-000Z-daily.sqlite', old);
  const content = (await t.api.get(routes.copy(name)).expect(200)).body as CopyContent;
  expect(content).toMatchObject({ batches: 7, palettes: 2, moulds: 4 });
  expect(content.recipes).toBeGreaterThan(0);
  await t.api.post(routes.copyRestore(name)).send(CONFIRM).expect(204);
  expect((await list()).total).toBe(7);
  expect((await t.api.get(routes.moulds)).body).toHaveLength(4);
  expect(readFileSync(join(t.folder, 'copies', name)).equals(old)).toBe(true);
});

it('leaves everything as it is when a copy is damaged or of a newer version', async () => {
  const before = await list();
  const junk = lay(
    'kleur-2026-11-01T08-00-00-000Z-daily.sqlite',
    Buffer.from('SQLite format 3\0 and no more'),
  );
  expect((await t.api.get(routes.copy(junk)).expect(422)).body).toMatchObject({ code: 'unreadable-row' });
  await t.api.post(routes.copyRestore(junk)).send(CONFIRM).expect(422);
  const copy = await make();
  const newer = 'kleur-2031-01-01T08-00-00-000Z-daily.sqlite';
  cpSync(join(t.folder, 'copies', copy.name), join(t.folder, 'copies', newer));
  const db = new Database(join(t.folder, 'copies', newer));
  db.exec(`INSERT INTO migrations (timestamp, name) VALUES (1, 'Later1')`);
  db.close();
  await t.api.post(routes.copyRestore(newer)).send(CONFIRM).expect(400);
  expect(await list()).toEqual(before);
});

it('puts the oldest of many copies back, and does not lose it', async () => {
  const first = await make();
  const oldest = 'kleur-2020-01-01T08-00-00-000Z-before-reset.sqlite';
  cpSync(join(t.folder, 'copies', first.name), join(t.folder, 'copies', oldest));
  for (let n = 1; n <= 12; n++)
    cpSync(
      join(t.folder, 'copies', first.name),
      join(
        t.folder,
        'copies',
        `kleur-2021-01-${String(n).padStart(2, '0')}T08-00-00-000Z-before-reset.sqlite`,
      ),
    );
  const [batch] = (await list()).items;
  await t.api.delete(routes.batch(batch!.id)).expect(200);
  await t.api.post(routes.copyRestore(oldest)).send(CONFIRM).expect(204);
  await t.api.get(routes.batch(batch!.id)).expect(200);
  const names = (await copies()).map((c) => c.name);
  expect(names).toContain(oldest);
  expect(names.filter((n) => n.includes('2021-01'))).toHaveLength(3);
});

it('keeps every copy while nothing could be put back', async () => {
  const names = ['kleur-2020-01-01T08-00-00-000Z-before-reset.sqlite'];
  for (let n = 1; n <= 12; n++)
    names.push(`kleur-2021-01-${String(n).padStart(2, '0')}T08-00-00-000Z-daily.sqlite`);
  for (const name of names) lay(name, Buffer.from('SQLite format 3\0 and no more'));
  await t.api.post(routes.copyRestore(names[0]!)).send(CONFIRM).expect(422);
  expect((await copies()).map((c) => c.name)).toEqual([...names].reverse());
});

it('deletes a copy that nobody wants any more, and no other', async () => {
  const [one, other] = [await make(), await make()];
  await t.api.delete(routes.copy(one.name)).expect(204);
  expect((await copies()).map((c) => c.name)).toEqual([other.name]);
  await t.api.delete(routes.copy(one.name)).expect(404);
});

it('makes a copy before the demo only of what somebody has worked on', async () => {
  const reset = (): Promise<unknown> =>
    t.api.post(routes.demoReset).send({ confirm: 'replace everything with the demo' }).expect(204);
  await reset();
  const before = (await copies()).length;
  await reset();
  expect(await copies()).toHaveLength(before);
  const [batch] = (await list()).items;
  await t.api.delete(routes.batch(batch!.id)).expect(200);
  await reset();
  expect(await copies()).toHaveLength(before + 1);
});

it('puts back more rows than it holds at once', async () => {
  const [first] = (await list()).items;
  const { state, madeOn, plan } = (await t.api.get(routes.batch(first!.id))).body as BatchDocument;
  const total = (await list()).total;
  const path = join(t.folder, 'kleur.sqlite');
  const db = new Database(path);
  const row = db.prepare('SELECT * FROM batch WHERE id = ?').get(first!.id) as Record<string, unknown>;
  const columns = Object.keys(row).filter((c) => c !== '_metadata');
  const insert = db.prepare(
    `INSERT INTO batch (${columns.map((c) => `"${c}"`).join()}) VALUES (${columns.map(() => '?').join()})`,
  );
  for (let n = 0; n < 450; n++) insert.run(columns.map((c) => (c === 'id' ? `many-${n}` : row[c])));
  db.close();
  const copy = await make();
  await t.api
    .put(routes.batch('many-449'))
    .send({ name: 'Changed', state, madeOn, plan, version: row.version })
    .expect(200);
  await t.api.post(routes.copyRestore(copy.name)).send(CONFIRM).expect(204);
  expect((await list()).total).toBe(total + 450);
  expect((await t.api.get(routes.batch('many-449'))).body).toMatchObject({ name: row.name });
});

it.each(['kleur.sqlite', '../kleur.sqlite', 'kleur-2026-11-01T08-00-00-000Z-daily.sqlite', '..%2F..%2Fetc'])(
  'knows no copy “%s”',
  async (name) => {
    await t.api.get(routes.copy(name)).expect(404);
    await t.api.post(routes.copyRestore(name)).send(CONFIRM).expect(404);
  },
);
