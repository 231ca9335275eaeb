import { type BatchDocument, type BatchPage, routes } from '@kleur/contract';
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
      message: 'holds more than 5000 entries',
    });
    // The object and its ten lists count too.
    const lists = (each: number): object => Object.fromEntries(many(10, 0).map((_, i) => [i, many(each, 0)]));
    expect(excessOf(lists((BODY_LIMITS.nodes - 11) / 10 - 0.9))).toBeNull();
    expect(excessOf(lists(BODY_LIMITS.array))).toMatchObject({ message: 'holds more than 50000 values' });
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
    expect(answer.body.fields).toEqual([{ path: 'plan.pots', message: 'holds more than 5000 entries' }]);
  });
});

describe('values of another kind', () => {
  const stored = async (): Promise<BatchDocument> => {
    const { items } = (await t.api.get(routes.batches)).body as BatchPage;
    return (await t.api.get(routes.batch(items[0]!.id))).body as BatchDocument;
  };
  it.each([
    ['an array where a pot belongs', (b: any) => (b.plan.pots = [[]]), 'plan.pots'],
    ['a number where a pot belongs', (b: any) => (b.plan.pots = [7]), 'plan.pots'],
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
