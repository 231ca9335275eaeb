import { routes } from '@kleur/contract';
import { startApp, type TestApp } from '../test/app.ts';

let t: TestApp;
let document: any;
beforeAll(async () => {
  t = await startApp('empty');
  document = (await t.api.get(routes.openapi).expect(200)).body;
}, 30_000);
afterAll(() => t.close());

const operations = (): { name: string; operation: any }[] =>
  Object.entries<any>(document.paths).flatMap(([path, methods]) =>
    Object.entries<any>(methods).map(([method, operation]) => ({ name: `${method} ${path}`, operation })),
  );

it('has no reference that leads nowhere', () => {
  const known = new Set(Object.keys(document.components.schemas).map((n) => `#/components/schemas/${n}`));
  const referred = [...JSON.stringify(document).matchAll(/"\$ref":"([^"]+)"/g)].map((m) => m[1]!);
  expect(referred.length).toBeGreaterThan(50);
  expect(referred.filter((r) => !known.has(r))).toEqual([]);
});

it('names the type of every answer', () => {
  expect(operations().length).toBeGreaterThan(25);
  const nameless = operations().filter(({ operation }) => {
    const ok = Object.entries<any>(operation.responses).filter(([status]) => status.startsWith('2'));
    return !ok.some(
      ([status, answer]) =>
        status === '204' || Object.values<any>(answer.content ?? {}).some((c) => c.schema !== undefined),
    );
  });
  expect(nameless.map((o) => o.name)).toEqual([]);
});

it('tells that a refusal is a coded problem', () => {
  const silent = operations().filter(
    ({ operation }) =>
      operation.responses.default?.content['application/json'].schema.$ref !==
      '#/components/schemas/ProblemDto',
  );
  expect(silent.map((o) => o.name)).toEqual([]);
});
