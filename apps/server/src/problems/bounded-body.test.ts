import { type BatchDocument, type BatchPage, BODY_LIMIT_BYTES, routes } from '@kleur/contract';
import { startingShelf } from '@kleur/core/material/catalogue';
import { emptyPlan, newPot, PLAN_LIMITS } from '@kleur/core/plan';
import { startApp, type TestApp } from '../../test/app.ts';
import { BODY_LIMITS, excessOf } from './bounded-body.ts';

let t: TestApp;
beforeAll(async () => {
  t = await startApp();
});
afterAll(() => t.close());

const nested = (depth: number): unknown => (depth === 0 ? 1 : { in: nested(depth - 1) });
const many = <T>(count: number, value: T): T[] => Array.from({ length: count }, () => value);

describe('the bounds of a body', () => {
  it('are met on both sides of each', () => {
    expect(excessOf(nested(BODY_LIMITS.depth))).toBeNull();
    expect(excessOf(nested(BODY_LIMITS.depth + 1))).toMatchObject({ message: 'is nested deeper than 20' });
    expect(excessOf({ list: many(BODY_LIMITS.array, 0) })).toBeNull();
    expect(excessOf({ list: many(BODY_LIMITS.array + 1, 0) })).toEqual({
      path: 'list',
      message: 'holds more than 300 entries',
    });
    // The object and its 200 lists count too.
    const lists = (each: number): object =>
      Object.fromEntries(many(200, 0).map((_, i) => [i, many(each, 0)]));
    expect(excessOf(lists(248))).toBeNull();
    expect(excessOf(lists(249))).toMatchObject({ message: 'holds more than 50000 values' });
  });

  it('leave room for a plan that is full', () => {
    const valuesOf = (v: unknown): number =>
      typeof v === 'object' && v !== null ? Object.values(v).reduce((n: number, c) => n + valuesOf(c), 1) : 1;
    const [fullest] = startingShelf().toSorted((a, b) => valuesOf(b) - valuesOf(a));
    const dose = { id: 'd', materialId: 'm', dose: 1, carrier: { medium: 'oil', ratio: 3 }, source: 'extra' };
    const pot = { ...newPot('p', 'P'), doses: many(PLAN_LIMITS.dosesPerPot, dose) };
    const plan = {
      ...emptyPlan(),
      pots: many(PLAN_LIMITS.pots, pot),
      materials: many(PLAN_LIMITS.materials, fullest),
    };
    expect(excessOf({ name: 'A', plan })).toBeNull();
    const longest = Math.max(...startingShelf().map((m) => JSON.stringify(m).length));
    const bytes = JSON.stringify({ ...plan, materials: startingShelf() }).length;
    // The rest of the most that a plan can hold, each as long as the longest of the shelf.
    const others = (PLAN_LIMITS.materials - startingShelf().length) * longest;
    expect(bytes + others).toBeLessThan(BODY_LIMIT_BYTES);
  });

  it('hold for a body nested a hundred thousand times, without a deep stack', async () => {
    const body = `${'['.repeat(100_000)}${']'.repeat(100_000)}`;
    const answer = await t.api
      .post(routes.batches)
      .set('content-type', 'application/json')
      .send(body)
      .expect(400);
    expect(answer.body).toMatchObject({
      code: 'invalid-input',
      fields: [{ message: 'is nested deeper than 20' }],
    });
  });

  it('stop a mass of empty objects before it becomes objects of ours', async () => {
    const plan = `{"pots":[${many(40_000, '{}').join()}]}`;
    const body = `{"name":"A","state":"idea","madeOn":null,"plan":${plan}}`;
    const answer = await t.api
      .post(routes.batches)
      .set('content-type', 'application/json')
      .send(body)
      .expect(400);
    expect(answer.body.fields).toEqual([{ path: 'plan.pots', message: 'holds more than 300 entries' }]);
  });
});

describe('a body with many faults', () => {
  const lots = (count: number, lot: object) => {
    const [first] = startingShelf();
    const materials = Array.from({ length: 3 }, (_, i) => ({
      ...first!,
      id: `m${i}`,
      lots: many(count, lot),
    }));
    return { name: 'A', state: 'idea', madeOn: null, plan: { ...emptyPlan(), materials } };
  };
  const fields = async (body: object): Promise<{ path: string; message: string }[]> =>
    (await t.api.post(routes.batches).send(body).expect(400)).body.fields;

  it('is told of each below fifty, and of the first fifty above', async () => {
    const wrong = { id: 'a', label: 7, tested: false };
    const few = await fields(lots(4, wrong));
    expect(new Set(few.map((f) => f.path)).size).toBe(12);
    expect(few[0]).toEqual({ path: 'plan.materials.0.lots.0.label', message: expect.any(String) });
    // Beyond, each field is told once.
    const paths = (await fields(lots(17, wrong))).map((f) => f.path);
    expect(new Set(paths).size).toBe(50);
    expect(await fields(lots(17, {}))).toHaveLength(50);
  });

  it('is refused at a list that is too long, without a look into it', async () => {
    expect(await fields(lots(51, {}))).toEqual([
      { path: 'plan.materials.0.lots', message: 'lots must contain no more than 50 elements' },
    ]);
  });

  it('is refused for a field that nobody knows, at any depth', async () => {
    const body = lots(1, { id: 'a', label: '', tested: false, unknown: 1 });
    expect((await fields(body)).map((f) => f.message).join()).toContain('property unknown should not exist');
  });
});

describe('values of another kind', () => {
  const stored = async (): Promise<BatchDocument> => {
    const { items } = (await t.api.get(routes.batches)).body as BatchPage;
    return (await t.api.get(routes.batch(items[0]!.id))).body as BatchDocument;
  };
  it.each([
    ['an array where a pot belongs', (b: any) => (b.plan.pots = [[]]), 'plan.pots.0'],
    ['a number where a pot belongs', (b: any) => (b.plan.pots = [7]), 'plan.pots.0'],
    ['an array where the base belongs', (b: any) => (b.plan.base = []), 'plan.base'],
    ['hexadecimal', (b: any) => (b.plan.moulding.bars.count = '0x5'), 'plan.moulding.bars.count'],
    ['a padded number', (b: any) => (b.version = ' 5 '), 'version'],
    ['true for a number', (b: any) => (b.version = true), 'version'],
    ['a list for a number', (b: any) => (b.plan.base.superfat = [5]), 'plan.base.superfat'],
  ])('%s is refused at its field', async (_what, spoil, path) => {
    const { id, name, state, madeOn, plan, version } = await stored();
    const body = structuredClone({ name, state, madeOn, plan, version });
    spoil(body);
    const answer = await t.api.put(routes.batch(id)).send(body).expect(400);
    expect(answer.body.fields.map((f: { path: string }) => f.path)).toContain(path);
    expect(await stored()).toMatchObject({ version });
  });

  it.each(['0x5', '%205', '1e1', '', '-1', '5.5', 'true'])('a page “%s” is refused', async (page) => {
    await t.api.get(`${routes.batches}?page=${page}`).expect(400);
  });
});
