import { type BatchDocument, type BatchPage, routes } from '@kleur/contract';
import { emptyPlan } from '@kleur/core/plan';
import { startApp, type TestApp } from '../../test/app.ts';

let t: TestApp;
beforeAll(async () => {
  t = await startApp('empty');
}, 30_000);
afterAll(() => t.close());

const add = async (name: string, madeOn: string | null = null): Promise<BatchDocument> =>
  (await t.api.post(routes.batches).send({ name, state: 'idea', madeOn, plan: emptyPlan() }).expect(201))
    .body as BatchDocument;
const list = async (query: object): Promise<BatchPage> =>
  (await t.api.get(routes.batches).query(query).expect(200)).body as BatchPage;

it('counts batches without a day too, so that no page of them is out of reach', async () => {
  for (let i = 0; i < 26; i++) await add(`Undated ${i}`, i % 2 === 0 ? null : '2026-05-04');
  const first = await list({});
  expect(first.total).toBe(26);
  expect(first.items).toHaveLength(24);
  expect((await list({ page: 2 })).items).toHaveLength(2);
});

it('searches for % and _ as they are written', async () => {
  await add('Half 50% blue');
  await add('snake_case');
  expect((await list({ q: '50%' })).items.map((b) => b.name)).toEqual(['Half 50% blue']);
  expect((await list({ q: '%' })).total).toBe(1);
  expect((await list({ q: 'e_c' })).items.map((b) => b.name)).toEqual(['snake_case']);
  expect((await list({ q: '\\' })).total).toBe(0);
});

it('checks the references of an update as those of a new batch, and keeps what was there', async () => {
  const made = await add('Referring');
  const plan = emptyPlan();
  const oils = [{ id: 'o', materialId: 'nowhere', percent: 100 }];
  const body = {
    name: 'Referring',
    state: 'idea',
    madeOn: null,
    plan: { ...plan, base: { ...plan.base, oils } },
  };
  const answer = await t.api
    .put(routes.batch(made.id))
    .send({ ...body, version: 1 })
    .expect(422);
  expect(answer.body).toMatchObject({
    code: 'unknown-material',
    fields: [{ path: 'plan.base.oils.0.materialId' }],
  });
  expect((await t.api.get(routes.batch(made.id))).body).toMatchObject({ version: 1, plan });
});
