import { routes } from '@kleur/contract';
import { matchExample, predictExample } from '@kleur/contract/dto';
import { startApp, type TestApp } from '../../test/app.ts';

let t: TestApp;
beforeAll(async () => {
  t = await startApp();
}, 30_000);
afterAll(() => t.close());

it('predicts with the fields of the contract and no others', async () => {
  const { body } = await t.api.post(routes.predict).send(predictExample).expect(200);
  expect(Object.keys(body)).toEqual(['pots']);
  expect(Object.keys(body.pots[0]).sort()).toEqual(['name', 'stages']);
  expect(Object.keys(body.pots[0].stages[0]).sort()).toEqual([
    'gel',
    'hex',
    'hours',
    'inGamut',
    'lab',
    'reflectance',
  ]);
});

it.each([
  ['an oil that is a pigment', { oils: [{ materialId: 'red-iron-oxide', share: 1 }] }, 'oils.0.materialId'],
  ['a scent that is an oil', { scent: { materialId: 'oil-olive', dose: 20 } }, 'scent.materialId'],
])('refuses to match on %s', async (_, change, path) => {
  const answer = await t.api
    .post(routes.match)
    .send({ ...matchExample, ...change })
    .expect(400);
  expect(answer.body).toMatchObject({ code: 'invalid-input', fields: [{ path }] });
});

it('refuses to predict on a scent that is none', async () => {
  const body = { ...predictExample, scent: { materialId: 'oil-olive', dose: 20 } };
  const answer = await t.api.post(routes.predict).send(body).expect(400);
  expect(answer.body.fields).toEqual([{ path: 'scent.materialId', message: 'not a scent' }]);
});
