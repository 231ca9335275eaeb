import { join } from 'node:path';
import { type BatchDocument, type BatchPage, routes } from '@kleur/contract';
import Database from 'libsql';
import { startApp, type TestApp } from '../../test/app.ts';
import { DATA_FILE } from './data-folder.ts';

let t: TestApp;
beforeEach(async () => {
  t = await startApp();
});
afterEach(() => t.close());

/** Damages rows behind the server's back. */
function damage(sql: string): void {
  const db = new Database(join(t.folder, DATA_FILE));
  db.exec(sql);
  db.close();
}
const list = async (): Promise<BatchPage> => (await t.api.get(routes.batches).expect(200)).body as BatchPage;

it.each(['plan', 'face'])('a batch whose %s is no JSON hides no other', async (column) => {
  const { items, total } = await list();
  const [broken, whole] = items;
  damage(`UPDATE batch SET ${column} = '{"pots":[' WHERE id = '${broken!.id}'`);
  expect((await list()).items.map((b) => b.id).sort()).toEqual(items.map((b) => b.id).sort());
  expect((await list()).total).toBe(total);
  await t.api.get(routes.batch(whole!.id)).expect(200);
  const answer = await t.api.get(routes.batch(broken!.id));
  if (column === 'plan') expect(answer.body).toMatchObject({ code: 'unreadable-row' });
  expect(answer.status).toBe(column === 'plan' ? 422 : 200);
  await t.api.delete(routes.batch(broken!.id)).expect(200);
});

it.each(['null', '[]', '{}', '7', '{"schema":5}', '{"schema":99,"pots":{}}'])(
  'tells of a batch whose plan is %s',
  async (text) => {
    const { items } = await list();
    damage(`UPDATE batch SET plan = '${text}' WHERE id = '${items[0]!.id}'`);
    const answer = await t.api.get(routes.batch(items[0]!.id)).expect(422);
    expect(answer.body).toMatchObject({ code: 'unreadable-row' });
    await t.api.post(routes.batchCopy(items[0]!.id)).expect(422);
  },
);

it('opens a plan with lists where rows belong, without them, and says so', async () => {
  const { items } = await list();
  const whole = (await t.api.get(routes.batch(items[0]!.id))).body as BatchDocument;
  damage(`UPDATE batch SET plan = json_insert(plan, '$.pots[#]', json('[]')) WHERE id = '${whole.id}'`);
  const opened = (await t.api.get(routes.batch(whole.id)).expect(200)).body as BatchDocument;
  expect(opened).toEqual({ ...whole, leftOut: 1 });
});

it.each([
  ['material', 'data', routes.materials],
  ['palette', 'colours', routes.palettes],
  ['saved_mould', 'data', routes.moulds],
  ['saved_recipe', 'data', routes.recipes],
])('one damaged %s hides no other', async (table, column, path) => {
  const before = (await t.api.get(path).expect(200)).body as { id: string }[];
  expect(before.length).toBeGreaterThan(1);
  damage(`UPDATE ${table} SET ${column} = 'x' WHERE id = '${before[0]!.id}'`);
  const after = (await t.api.get(path).expect(200)).body as { id: string }[];
  expect(after).toEqual(before.slice(1));
});

it('stands in for settings that cannot be read, and takes new ones', async () => {
  damage(`UPDATE settings SET data = 'x'`);
  const { body } = await t.api.get(routes.settings).expect(200);
  await t.api
    .put(routes.settings)
    .send({ ...body, studio: 'Again' })
    .expect(200);
  expect((await t.api.get(routes.settings)).body).toMatchObject({ studio: 'Again' });
});
