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
    'doubt',
    'gel',
    'hex',
    'hours',
    'inGamut',
    'lab',
    'reflectance',
  ]);
});

describe('the doubt of a prediction', () => {
  const asked = (body: object) =>
    t.api
      .post(routes.predict)
      .send({ oils: [], stages: [{ hours: 1008, gel: 1 }], ...body })
      .expect(200);
  const pot = (materialId: string, dose: number) => ({ name: '', doses: [{ materialId, dose }] });

  it('grows with what is not known of its colourants, and lies round the colour', async () => {
    const { pots } = (await asked({ pots: [{ name: '', doses: [] }, pot('mica-dome', 4)] })).body;
    const [bare, mica] = pots.map((p: { stages: { doubt: unknown }[] }) => p.stages[0]!.doubt);
    expect(mica.deltaE).toBeGreaterThan(bare.deltaE + 1);
    const { lab } = pots[1].stages[0];
    expect(mica.range[0][0]).toBeLessThan(lab[0]);
    expect(mica.range[1][0]).toBeGreaterThan(lab[0]);
  });

  it('of a curve by value is what its modes say, and none of its own without', async () => {
    const { optics } = (await t.api.get(routes.material('mica-dome'))).body;
    const flat = { k: Array<number>(36).fill(0.3), s: 0 };
    const of = async (modes?: object[]): Promise<number> =>
      (
        await asked({
          materials: [{ id: 'mine', optics, ...(modes && { modes }) }],
          pots: [pot('mine', 4)],
        })
      ).body.pots[0].stages[0].doubt.deltaE;
    const known = await of();
    expect(await of([flat])).toBeGreaterThan(known + 1);
    expect(await of([flat, flat])).toBeGreaterThan(await of([flat]));
  });
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
