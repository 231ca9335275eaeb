import {
  type BatchDocument,
  type BatchPage,
  BODY_LIMIT_BYTES,
  type MaterialWire,
  type MouldWire,
  routes,
} from '@kleur/contract';
import { matchExample, predictExample } from '@kleur/contract/dto';
import { PLAN_SCHEMA, upgradePlan } from '@kleur/core/plan';
import { DataSource } from 'typeorm';
import { startApp, type TestApp } from '../test/app.ts';

let t: TestApp;
beforeAll(async () => {
  t = await startApp();
}, 30_000);
afterAll(() => t.close());

const firstBatch = async (): Promise<BatchDocument> => {
  const page = (await t.api.get(routes.batches)).body as BatchPage;
  return (await t.api.get(routes.batch(page.items[0]!.id))).body as BatchDocument;
};
/** An embed as a plan holds it. */
const bead = {
  id: 'e',
  name: 'Bead',
  base: 'dough',
  shape: 'ball',
  width: 12,
  height: 12,
  length: 12,
  perBar: 1,
  onTop: true,
  doses: [],
};
const write = ({ name, state, madeOn, plan }: BatchDocument) => ({ name, state, madeOn, plan });

describe('batches', () => {
  it('lists the demo with the colours of the bars, without plans', async () => {
    const { body } = await t.api.get(routes.batches).expect(200);
    expect(body).toMatchObject({ total: 7, page: 1, pageSize: 24 });
    const [first] = body.items;
    expect(first.name).toBe('Kingfisher');
    expect(first.face).toHaveLength(4);
    expect(first.face[0].hex).toMatch(/^#[0-9a-f]{6}$/);
    expect(first).not.toHaveProperty('plan');
  });

  it('searches, filters and pages', async () => {
    expect((await t.api.get(routes.batches).query({ q: 'slate' })).body.items).toHaveLength(1);
    expect((await t.api.get(routes.batches).query({ state: 'finished' })).body.items[0].name).toBe(
      'Canyon strata',
    );
    const second = (await t.api.get(routes.batches).query({ page: 2, pageSize: 4 })).body;
    expect(second).toMatchObject({ total: 7, page: 2 });
    expect(second.items).toHaveLength(3);
    await t.api.get(routes.batches).query({ pageSize: 5000 }).expect(400);
  });

  it('creates, updates with the version, and refuses a stale one without losing either', async () => {
    const source = write(await firstBatch());
    const made = (
      await t.api
        .post(routes.batches)
        .send({ ...source, name: '  Verdigris roofs ' })
        .expect(201)
    ).body as BatchDocument;
    expect(made).toMatchObject({ name: 'Verdigris roofs', version: 1 });
    const two = await t.api
      .put(routes.batch(made.id))
      .send({ ...source, name: 'Two', version: 1 })
      .expect(200);
    expect(two.body.version).toBe(2);
    const stale = await t.api
      .put(routes.batch(made.id))
      .send({ ...source, name: 'Other', version: 1 })
      .expect(409);
    expect(stale.body).toMatchObject({
      code: 'stale-version',
      message: '“Two” was changed elsewhere since you opened it.',
    });
    expect((await t.api.get(routes.batch(made.id))).body.name).toBe('Two');
    await t.api.delete(routes.batch(made.id)).expect(200);
  });

  it('lets exactly one of many racing updates win', async () => {
    const source = write(await firstBatch());
    const { body: made } = await t.api.post(routes.batches).send(source);
    const answers = await Promise.all(
      Array.from({ length: 8 }, (_, i) =>
        t.api.put(routes.batch(made.id)).send({ ...source, name: `R${i}`, version: 1 }),
      ),
    );
    expect(answers.map((a) => a.status).sort()).toEqual([200, 409, 409, 409, 409, 409, 409, 409]);
    const winner = answers.find((a) => a.status === 200)!.body.name;
    expect((await t.api.get(routes.batch(made.id))).body.name).toBe(winner);
    await t.api.delete(routes.batch(made.id));
  });

  it('copies, deletes and restores', async () => {
    const batch = await firstBatch();
    const { body: copy } = await t.api.post(routes.batchCopy(batch.id)).expect(201);
    expect(copy).toMatchObject({ name: `${batch.name} (copy)`, state: 'idea', plan: batch.plan });
    await t.api.delete(routes.batch(copy.id)).expect(200);
    await t.api.get(routes.batch(copy.id)).expect(404);
    await t.api.post(routes.batchRestore(copy.id)).expect(200);
    await t.api.get(routes.batch(copy.id)).expect(200);
    await t.api.delete(routes.batch(copy.id));
  });

  it.each([
    ['a name of 300 characters', { name: 'x'.repeat(300) }, 'name'],
    ['a blank name', { name: '   ' }, 'name'],
    ['an unknown state', { state: 'lost' }, 'state'],
    ['a day that is none', { madeOn: '2026-13-40' }, 'madeOn'],
    ['an unknown field', { colour: 'red' }, 'colour'],
  ])('refuses %s', async (_, change, path) => {
    const body = { ...write(await firstBatch()), ...change };
    const answer = await t.api.post(routes.batches).send(body).expect(400);
    expect(answer.body.code).toBe('invalid-input');
    expect(answer.body.fields[0].path).toBe(path);
  });

  it('keeps a name with markup as plain text', async () => {
    const name = '<img src=x onerror=alert(1)>';
    const { body } = await t.api
      .post(routes.batches)
      .send({ ...write(await firstBatch()), name })
      .expect(201);
    expect(body.name).toBe(name);
    await t.api.delete(routes.batch(body.id));
  });

  it.each([
    ['a negative dose', (p: any) => (p.pots[0].doses[0].dose = -1), 'plan.pots.0.doses.0.dose'],
    ['a dose that is text', (p: any) => (p.pots[0].doses[0].dose = '2,5'), 'plan.pots.0.doses.0.dose'],
    ['an empty number', (p: any) => (p.base.totalOils = null), 'plan.base.totalOils'],
    ['huge oils', (p: any) => (p.base.totalOils = 1e9), 'plan.base.totalOils'],
    [
      'a curve with too few bands',
      (p: any) => p.materials.find((m: any) => m.optics).optics.k.pop(),
      /optics\.k$/,
    ],
    ['a concentration of 61 %', (p: any) => (p.base.liquid.value = 121), 'plan.base.liquid.value'],
    ['a purity of 0 %', (p: any) => (p.base.lye.naohPurity = 0), 'plan.base.lye.naohPurity'],
    ['a share by nothing known', (p: any) => (p.pots[0].draws[0].by = 'feel'), 'plan.pots.0.draws.0.by'],
    ['a finish that is none', (p: any) => (p.work.finish = ['sunbath']), 'plan.work.finish'],
    ['a mould of negative length', (p: any) => (p.moulding.moulds[0].mould.length = -1), /mould\.length$/],
    [
      'an own oil of less than nothing',
      (p: any) => (p.pots[0].ownOils = [{ ...p.base.oils[0], percent: -1 }]),
      'plan.pots.0.ownOils.0.percent',
    ],
    [
      'forty own oils',
      (p: any) =>
        (p.pots[0].ownOils = Array.from({ length: 40 }, (_, i) => ({ ...p.base.oils[0], id: `o${i}` }))),
      'plan.pots.0.ownOils',
    ],
    ['an embed in no bar', (p: any) => (p.embeds = [{ ...bead, perBar: 0 }]), 'plan.embeds.0.perBar'],
    [
      'an embed of no known shape',
      (p: any) => (p.embeds = [{ ...bead, shape: 'star' }]),
      'plan.embeds.0.shape',
    ],
    [
      'a line of less than nothing',
      (p: any) => (p.lines = [{ id: 'l', materialId: p.materials[0].id, gramsPerDm2: -1, count: 1 }]),
      'plan.lines.0.gramsPerDm2',
    ],
    [
      'a bottle that is all powder',
      (p: any) =>
        (p.work.dispersions = [
          { materialId: p.materials[0].id, stock: { powderPercent: 100, gramsPerDrop: 0.04 } },
        ]),
      /powderPercent$/,
    ],
    ['a pot poured a week before', (p: any) => (p.pots[0].hoursBefore = 1e4), 'plan.pots.0.hoursBefore'],
    ['an oven at no known heat', (p: any) => (p.work.heat = 'roast'), 'plan.work.heat'],
    ['a plan of another schema', (p: any) => (p.schema = 3), 'plan.schema'],
    ['an unknown nested field', (p: any) => (p.pots[0].secret = 1), 'plan.pots.0.secret'],
  ])('refuses %s', async (_, spoil, path) => {
    const body = structuredClone(write(await firstBatch()));
    spoil(body.plan);
    const answer = await t.api.post(routes.batches).send(body).expect(400);
    expect(answer.body.fields.map((f: { path: string }) => f.path)).toEqual(
      expect.arrayContaining([expect.stringMatching(path)]),
    );
  });

  it('checks a change as it checks a new plan, and leaves what is stored', async () => {
    const stored = await firstBatch();
    const body = { ...structuredClone(write(stored)), version: stored.version } as any;
    body.plan.pots[0].doses[0].materialId = 'no-such';
    const answer = await t.api.put(routes.batch(stored.id)).send(body).expect(422);
    expect(answer.body).toMatchObject({
      code: 'unknown-material',
      fields: [{ path: 'plan.pots.0.doses.0.materialId' }],
    });
    const blank = { ...write(stored), version: stored.version, name: '  ' };
    await t.api.put(routes.batch(stored.id)).send(blank).expect(400);
    expect((await t.api.get(routes.batch(stored.id))).body).toEqual(stored);
  });

  it('names the unknown id in a plan', async () => {
    const body = structuredClone(write(await firstBatch())) as any;
    body.plan.pots[0].doses[0].materialId = 'no-such';
    const answer = await t.api.post(routes.batches).send(body).expect(422);
    expect(answer.body).toMatchObject({
      code: 'unknown-material',
      fields: [{ path: 'plan.pots.0.doses.0.materialId' }],
    });
  });

  it('saves an unfinished plan: oils short, shares of zero', async () => {
    const body = structuredClone(write(await firstBatch())) as any;
    body.plan.base.oils[0].percent = 39.7;
    for (const pot of body.plan.pots) pot.draws[0].value = 0;
    const { body: saved } = await t.api.post(routes.batches).send(body).expect(201);
    expect(saved.plan.base.oils[0].percent).toBe(39.7);
    await t.api.delete(routes.batch(saved.id));
  });
});

describe('bodies', () => {
  it('of 5 MB are refused with the limit told', async () => {
    const answer = await t.api
      .post(routes.batches)
      .send({ name: 'x'.repeat(5_000_000) })
      .expect(413);
    expect(answer.body).toMatchObject({ code: 'body-too-large' });
    expect(answer.body.message).toContain(String(BODY_LIMIT_BYTES));
  });

  it('that are no JSON are refused', async () => {
    const answer = await t.api
      .post(routes.batches)
      .set('content-type', 'application/json')
      .send('{"name":')
      .expect(400);
    expect(answer.body.code).toBe('malformed-json');
  });

  it('at unknown addresses get a coded 404', async () => {
    expect((await t.api.get('/api/nothing').expect(404)).body.code).toBe('not-found');
  });
});

describe('materials', () => {
  const own = (change: object = {}) => ({
    kind: 'mica',
    name: 'Wicket moss',
    colourIndex: '',
    colour: '#6f8f3f',
    looks: { ungelled: null, fresh: null, fades: null },
    window: { faint: 1, typical: 5, ceiling: 12 },
    carriers: [{ medium: 'oil', ratio: 3 }],
    bulkDensity: 0.5,
    density: 2.8,
    scrub: false,
    fat: 0,
    water: 0,
    allergens: [],
    pace: 1,
    cautions: [],
    claims: ['vegan'],
    behaviour: '',
    source: 'own',
    pricePerGram: 0.1,
    inStock: true,
    oil: null,
    scent: null,
    stock: null,
    form: 'powder',
    lots: [],
    lyeDemand: 0,
    ...change,
  });

  it('gives one’s own a default curve, a new one for a new colour, and keeps it otherwise', async () => {
    const made = (await t.api.post(routes.materials).send(own()).expect(201)).body as MaterialWire;
    expect(made).toMatchObject({ builtIn: false, version: 1 });
    expect(made.optics!.k).toHaveLength(36);
    const renamed = await t.api
      .put(routes.material(made.id))
      .send({ ...own({ name: 'Moss' }), version: 1 })
      .expect(200);
    expect(renamed.body.optics).toEqual(made.optics);
    const red = await t.api
      .put(routes.material(made.id))
      .send({ ...own({ colour: '#b03020' }), version: 2 })
      .expect(200);
    expect(red.body.optics).not.toEqual(made.optics);
    const fresh = { colour: '#e8b04a', halfLife: 9 };
    const misleading = await t.api
      .put(routes.material(made.id))
      .send({
        ...own({ colour: '#b03020', looks: { ungelled: null, fresh, fades: null } }),
        version: 3,
      })
      .expect(200);
    expect(misleading.body).toMatchObject({ looks: { fresh }, optics: { fresh: { halfLife: 9 } } });
    await t.api
      .put(routes.material(made.id))
      .send({ ...own(), version: 1 })
      .expect(409);
    await t.api.delete(routes.material(made.id)).expect(200);
    expect(((await t.api.get(routes.materials)).body as MaterialWire[]).some((m) => m.id === made.id)).toBe(
      false,
    );
    await t.api.post(routes.materialRestore(made.id)).expect(200);
  });

  it.each([
    ['limits out of order', { window: { faint: 6, typical: 5, ceiling: 12 } }, 'window.faint'],
    ['a ceiling below typical', { window: { faint: 1, typical: 5, ceiling: 4 } }, 'window.ceiling'],
    ['a colour that is none', { colour: 'mauve' }, 'colour'],
    ['an oil without oil facts', { kind: 'oil' }, 'oil'],
    ['curves from outside', { optics: null }, 'optics'],
  ])('refuses %s', async (_, change, path) => {
    const answer = await t.api.post(routes.materials).send(own(change)).expect(400);
    expect(answer.body.fields.map((f: { path: string }) => f.path)).toContain(path);
  });
});

describe('colour', () => {
  it('predicts the documented example', async () => {
    const { body } = await t.api.post(routes.predict).send(predictExample).expect(200);
    const [pot] = body.pots;
    expect(pot.stages).toHaveLength(3);
    expect(pot.stages[2].reflectance).toHaveLength(36);
    expect(pot.stages[2].lab[1]).toBeLessThan(-4);
    expect(pot.stages[2].lab[0]).toBeLessThan(pot.stages[1].lab[0]);
    expect(pot.stages[0]).toMatchObject({
      hours: 0,
      gel: 0,
      inGamut: true,
      hex: expect.stringMatching(/^#/),
    });
  });

  it('browns only the scented pot', async () => {
    const pots = [true, false].map((scented) => ({ name: String(scented), scented, doses: [] }));
    const scent = { materialId: 'scent-oat-biscuit', dose: 30 };
    const { body } = await t.api
      .post(routes.predict)
      .send({ oils: [], scent, pots, stages: [{ hours: 1008, gel: 0 }] });
    expect(body.pots[0].stages[0].lab[0]).toBeLessThan(body.pots[1].stages[0].lab[0] - 10);
  });

  it('refuses an unknown id, a non-oil and a wild stage, each at its path', async () => {
    const ask = (change: object) => t.api.post(routes.predict).send({ ...predictExample, ...change });
    expect((await ask({ oils: [{ materialId: 'oil-moon', share: 1 }] })).body).toMatchObject({
      code: 'unknown-material',
      fields: [{ path: 'oils.0.materialId' }],
    });
    expect((await ask({ oils: [{ materialId: 'cocoa', share: 1 }] })).body.message).toBe(
      '“Cocoa” is not an oil.',
    );
    expect((await ask({ stages: [{ hours: -1, gel: 2 }] })).status).toBe(400);
    expect((await ask({ pots: [] })).status).toBe(400);
  });
});

describe('match', () => {
  const ask = (change: object) => t.api.post(routes.match).send({ ...matchExample, ...change });

  it('answers the documented example with recipes inside every limit', async () => {
    const { body } = await ask({}).expect(200);
    expect(body.recipes.length).toBeGreaterThan(2);
    const virtues = body.recipes.flatMap((r: { virtues: string[] }) => r.virtues);
    expect(virtues).toContain('closest');
    expect(body.recipes[0].deltaE).toBeLessThan(2);
    const shelf = (await t.api.get(routes.materials)).body as MaterialWire[];
    for (const part of body.recipes.flatMap((r: { parts: { id: string; dose: number }[] }) => r.parts)) {
      const material = shelf.find((m) => m.id === part.id)!;
      expect(part.dose).toBeLessThanOrEqual(material.window!.ceiling + 1e-9);
      expect(material.claims).toContain('vegan');
    }
  });

  it('takes a saved swatch or a past pot as the target', async () => {
    const [palette] = (await t.api.get(routes.palettes)).body;
    const swatch = await ask({ target: { swatch: { paletteId: palette.id, index: 0 } } }).expect(200);
    expect(swatch.body.recipes.length).toBeGreaterThan(0);
    const batch = await firstBatch();
    const pot = await ask({ target: { pot: { batchId: batch.id, potId: batch.plan.pots[0]!.id } } }).expect(
      200,
    );
    expect(pot.body.recipes[0].deltaE).toBeLessThan(2);
    await ask({ target: { swatch: { paletteId: palette.id, index: 99 } } }).expect(404);
  });

  it('names the material whose ceiling is reached', async () => {
    const every = ((await t.api.get(routes.materials)).body as MaterialWire[]).map((m) => m.id);
    const exclude = every.filter((id) => id !== 'rose-clay');
    const filter = { ...matchExample.filter, exclude };
    const { body } = await ask({ target: { hex: '#7a3f33' }, filter, resolution: null }).expect(200);
    expect(body.reasons.join(' ')).toContain('The ceiling of Rose clay is reached');
  });

  it.each([
    ['no target', { target: {} }],
    ['two targets', { target: { hex: '#aabbcc', lab: [50, 0, 0] } }],
    ['a colour that is none', { target: { hex: 'teal' } }],
    ['five colourants', { most: 5 }],
    ['an unknown field', { speed: 'fast' }],
  ])('refuses %s', async (_, change) => {
    expect((await ask(change).expect(400)).body.code).toBe('invalid-input');
  });
});

describe('ticks of a sheet', () => {
  it('are added and never changed; the last word on a line holds', async () => {
    const { id } = await firstBatch();
    const tick = (lineId: string, done: boolean) => t.api.post(routes.ticks(id)).send({ lineId, done });
    expect((await t.api.get(routes.ticks(id)).expect(200)).body).toEqual([]);
    const { body: first } = await tick('naoh:common', true).expect(201);
    expect(first).toMatchObject({ lineId: 'naoh:common', done: true });
    await tick('oil:common:oil-olive', true).expect(201);
    await tick('naoh:common', false).expect(201);
    const { body } = await t.api.get(routes.ticks(id)).expect(200);
    expect(body.map((e: { lineId: string; done: boolean }) => [e.lineId, e.done])).toEqual([
      ['naoh:common', false],
      ['oil:common:oil-olive', true],
    ]);
    // The plan knows nothing of it.
    expect((await t.api.get(routes.batch(id))).body.version).toBe((await firstBatch()).version);
  });

  it('refuse a batch that is not there and a line without a name', async () => {
    const { id } = await firstBatch();
    await t.api.get(routes.ticks('nothing')).expect(404);
    await t.api.post(routes.ticks('nothing')).send({ lineId: 'a', done: true }).expect(404);
    for (const body of [
      {},
      { lineId: '', done: true },
      { lineId: 'a', done: 'yes' },
      { lineId: 'x'.repeat(401), done: true },
    ])
      expect((await t.api.post(routes.ticks(id)).send(body)).status).toBe(400);
  });
});

describe('palettes', () => {
  const palette = { name: 'Harbour', favourite: false, colours: [{ name: '<i>Quay</i>', lab: [50, 1, 2] }] };

  it('are kept with a version, deleted and restored', async () => {
    const { body: made } = await t.api.post(routes.palettes).send(palette).expect(201);
    expect(made).toMatchObject({ ...palette, version: 1 });
    await t.api
      .put(routes.palette(made.id))
      .send({ ...palette, favourite: true, version: 1 })
      .expect(200);
    await t.api
      .put(routes.palette(made.id))
      .send({ ...palette, version: 1 })
      .expect(409);
    expect(
      (await t.api.get(routes.palettes)).body.filter((p: { favourite: boolean }) => p.favourite),
    ).toHaveLength(2);
    await t.api.delete(routes.palette(made.id)).expect(200);
    await t.api.post(routes.paletteRestore(made.id)).expect(200);
    await t.api.delete(routes.palette(made.id));
  });

  it('refuse no colours and too many', async () => {
    await t.api
      .post(routes.palettes)
      .send({ ...palette, colours: [] })
      .expect(400);
    const colours = Array.from({ length: 300 }, () => palette.colours[0]);
    await t.api
      .post(routes.palettes)
      .send({ ...palette, colours })
      .expect(400);
  });
});

it('reads plans of older schemas and gives them the present shape', async () => {
  const batch = await firstBatch();
  const oil = batch.plan.base.oils[0]!;
  const {
    stock: _stock,
    lots: _lots,
    form: _form,
    curve: _curve,
    lyeDemand: _demand,
    density: _density,
    scrub: _scrub,
    fat: _fat,
    water: _water,
    allergens: _allergens,
    looks: _looks,
    ...copy
  } = batch.plan.materials.find((m) => m.id === oil.materialId)!;
  const v2 = {
    schema: 2,
    idea: { technique: 'layers', colours: [] },
    base: {
      oils: [{ ...oil, percent: 100 }],
      totalOils: 700,
      superfat: 6,
      lyeConcentration: 30,
      scent: null,
    },
    pots: [{ id: 'a', name: 'A', parts: 2, scented: false, follows: null, doses: [] }],
    materials: [copy],
  };
  const { idea: _idea, ...rest } = v2;
  const v1 = { ...rest, schema: 1, pots: v2.pots.map(({ follows: _follows, ...pot }) => pot) };
  const now = upgradePlan(v2 as never);
  const v3 = { ...now, schema: 3, idea: v2.idea, pots: now.pots.map(({ ownOils: _own, ...pot }) => pot) };
  for (const old of [v1, v2, v3]) {
    await t.app
      .get(DataSource)
      .query('UPDATE batch SET plan = ? WHERE id = ?', [JSON.stringify(old), batch.id]);
    const { body } = await t.api.get(routes.batch(batch.id)).expect(200);
    expect(body.plan).toMatchObject({
      schema: PLAN_SCHEMA,
      idea: { design: { body: old === v1 ? [] : ['layers'] } },
      base: { superfat: 6, liquid: { by: 'concentration', value: 30 }, scent: null },
      pots: [{ name: 'A', follows: null, ownOils: [], draws: [{ from: null, by: 'parts', value: 2 }] }],
      materials: [{ name: copy.name, stock: null, lyeDemand: 0 }],
    });
    // What was read can be written back.
    await t.api
      .put(routes.batch(batch.id))
      .send({ ...write(body), version: body.version })
      .expect(200);
  }
});

it('keeps the oils of a mini-batch, and wants their copies', async () => {
  const body = structuredClone(write(await firstBatch())) as any;
  const [oil] = body.plan.base.oils;
  body.plan.pots[0].ownLye = true;
  body.plan.pots[0].ownOils = [{ ...oil, percent: 100 }];
  const { body: kept } = await t.api.post(routes.batches).send(body).expect(201);
  const { body: read } = await t.api.get(routes.batch(kept.id)).expect(200);
  expect(read.plan.pots[0].ownOils).toEqual([{ ...oil, percent: 100 }]);
  body.plan.pots[0].ownOils[0].materialId = 'oil-nowhere';
  const refused = await t.api.post(routes.batches).send(body).expect(422);
  expect(refused.body.fields[0].path).toBe('plan.pots.0.ownOils.0.materialId');
  await t.api.delete(routes.batch(kept.id));
});

describe('kept moulds and bases', () => {
  it('are listed with the demo, kept, changed, dropped and brought back', async () => {
    const moulds = (await t.api.get(routes.moulds).expect(200)).body as MouldWire[];
    expect(moulds.map((m) => m.shape)).toEqual(expect.arrayContaining(['box', 'slab']));
    const { id: _id, version: _version, updatedAt: _at, ...box } = moulds.find((m) => m.shape === 'box')!;
    const made = (
      await t.api
        .post(routes.moulds)
        .send({ ...box, name: ' Narrow ' })
        .expect(201)
    ).body;
    expect(made).toMatchObject({ name: 'Narrow', version: 1 });
    const change = { ...box, name: 'Narrow', length: 240 };
    await t.api
      .put(routes.mould(made.id))
      .send({ ...change, version: 1 })
      .expect(200);
    await t.api
      .put(routes.mould(made.id))
      .send({ ...change, version: 1 })
      .expect(409);
    await t.api.delete(routes.mould(made.id)).expect(200);
    await t.api
      .put(routes.mould(made.id))
      .send({ ...change, version: 2 })
      .expect(404);
    expect((await t.api.get(routes.moulds)).body).toHaveLength(moulds.length);
    expect((await t.api.post(routes.mouldRestore(made.id)).expect(200)).body.length).toBe(240);
  });

  it.each([
    ['a mould without a name', { name: ' ' }, 'name'],
    ['a mould of no known shape', { shape: 'egg' }, 'shape'],
    ['a length that is text', { length: '25 cm' }, 'length'],
    ['a section below zero', { sections: [10, -1] }, 'sections'],
  ])('refuse %s', async (_, change, path) => {
    const { id: _id, version: _version, updatedAt: _at, ...box } = (await t.api.get(routes.moulds)).body[0];
    const answer = await t.api
      .post(routes.moulds)
      .send({ ...box, ...change })
      .expect(400);
    expect(answer.body.fields[0].path).toBe(path);
  });

  it('a base holds copies of its oils, and is no mould', async () => {
    const { plan } = await firstBatch();
    const { superfat, lye, liquid, temperature, oils } = plan.base;
    const recipe = {
      name: 'Winter base',
      superfat,
      lye,
      liquid,
      temperature,
      oils: oils.map((o) => ({
        percent: o.percent,
        material: plan.materials.find((m) => m.id === o.materialId),
      })),
    };
    const { body } = await t.api.post(routes.recipes).send(recipe).expect(201);
    expect(body.oils[0].material.oil.sapKoh).toBeGreaterThan(100);
    await t.api.delete(routes.mould(body.id)).expect(404);
    await t.api
      .post(routes.recipes)
      .send({ ...recipe, oils: [] })
      .expect(400);
    await t.api.delete(routes.recipe(body.id)).expect(200);
  });
});

describe('settings and demo', () => {
  it('keeps habits with a version', async () => {
    const { body } = await t.api.get(routes.settings).expect(200);
    const next = {
      ...body,
      units: { mass: 'oz', length: 'in', temperature: 'F', decimalMark: 'comma', currency: 'kr' },
    };
    expect((await t.api.put(routes.settings).send(next).expect(200)).body).toMatchObject({
      units: { mass: 'oz', decimalMark: 'comma', currency: 'kr' },
      version: body.version + 1,
    });
    await t.api.put(routes.settings).send(next).expect(409);
    const noSpoon = {
      ...next,
      version: body.version + 1,
      measuring: { ...body.measuring, by: 'spoons', ownedSpoons: [] },
    };
    expect((await t.api.put(routes.settings).send(noSpoon).expect(400)).body.fields[0].path).toBe(
      'measuring.ownedSpoons',
    );
  });

  it.each([
    ['a heaped spoon of five', { heaped: 5 }, 'measuring.heaped'],
    ['a rounded spoon that holds less than a level one', { rounded: 0.9 }, 'measuring.rounded'],
    ['a spoon filled in no known way', { filled: 'brimful' }, 'measuring.filled'],
    ['a spoon that is none', { ownedSpoons: ['ladle'] }, 'measuring.ownedSpoons'],
  ])('refuses %s', async (_, change, path) => {
    const { body } = await t.api.get(routes.settings).expect(200);
    const answer = await t.api
      .put(routes.settings)
      .send({ ...body, measuring: { ...body.measuring, ...change } })
      .expect(400);
    expect(answer.body.fields[0].path).toBe(path);
  });

  it('reads habits of an older version, which knew a decimal mark, no other unit, and level spoons', async () => {
    const { body } = await t.api.get(routes.settings);
    const { units: _units, version: _version, measuring, ...rest } = body;
    const { filled: _filled, rounded: _rounded, heaped: _heaped, ...level } = measuring;
    await t.app
      .get(DataSource)
      .query('UPDATE settings SET data = ?', [
        JSON.stringify({ ...rest, measuring: level, decimalMark: 'comma' }),
      ]);
    const read = (await t.api.get(routes.settings).expect(200)).body;
    expect(read.units).toEqual({
      mass: 'g',
      length: 'mm',
      temperature: 'C',
      decimalMark: 'comma',
      currency: '',
    });
    expect(read).not.toHaveProperty('decimalMark');
    expect(read.measuring).toEqual({ ...level, filled: 'level', rounded: 1.5, heaped: 2 });
  });

  it('resets to the demo only with the word', async () => {
    await t.api.post(routes.demoReset).send({}).expect(400);
    const batch = await firstBatch();
    await t.api.delete(routes.batch(batch.id));
    await t.api.post(routes.demoReset).send({ confirm: 'replace everything with the demo' }).expect(204);
    expect((await t.api.get(routes.batches)).body.total).toBe(7);
  });
});

it('describes itself in OpenAPI, with an example for predict', async () => {
  const { body } = await t.api.get(routes.openapi).expect(200);
  const predict = body.paths['/api/colour/predict'].post;
  expect(predict.requestBody.content['application/json'].examples.green.value).toEqual(predictExample);
  expect(Object.keys(body.paths)).toEqual(
    expect.arrayContaining([routes.batches, routes.materials, routes.settings]),
  );
});

it('starts empty when told to, with the shelf but no batch', async () => {
  const empty = await startApp('empty');
  expect((await empty.api.get(routes.batches)).body.total).toBe(0);
  const shelf = (await empty.api.get(routes.materials)).body as MaterialWire[];
  expect(shelf.length).toBeGreaterThan(100);
  expect(shelf.some((m) => m.inStock)).toBe(false);
  await empty.close();
}, 30_000);
