import { type BatchPage, routes } from '@kleur/contract';
import { startApp, type TestApp } from '../../test/app.ts';

let t: TestApp;
beforeAll(async () => {
  t = await startApp();
});
afterAll(() => t.close());

const own = '127.0.0.1:4173';
const ask = (
  headers: Readonly<Record<string, string>>,
  method: 'get' | 'post' = 'get',
  path: string = routes.batches,
) => t.api[method](path).set({ host: own, ...headers });

it.each(['localhost:4173', '127.0.0.1', '[::1]:8080', 'LOCALHOST:1'])('answers under %s', async (host) => {
  await ask({ host }).expect(200);
});

it.each(['kleur.example', 'localhost.example:4173', '127.0.0.1.example', '192.168.1.20:4173', 'localhost:x'])(
  'does not answer under %s, whatever the browser says of the page',
  async (host) => {
    const answer = await ask({ host, origin: `http://${host}`, 'sec-fetch-site': 'same-origin' }).expect(403);
    expect(answer.body).toMatchObject({ code: 'foreign-host' });
  },
);

it.each([
  { origin: 'http://evil.example' },
  { origin: 'http://127.0.0.1:3000' },
  { origin: 'http://localhost:4173' },
  { origin: 'null' },
  { 'sec-fetch-site': 'cross-site' },
  { 'sec-fetch-site': 'same-site' },
  { 'sec-fetch-site': 'cross-site', 'sec-fetch-mode': 'no-cors' },
])('gives another page no data and does nothing for it: %p', async (headers) => {
  expect((await ask(headers as never).expect(403)).body).toMatchObject({ code: 'foreign-origin' });
  const before = (await ask({})).body as BatchPage;
  await ask(headers as never, 'post', `${routes.batches}/${before.items[0]!.id}/copy`).expect(403);
  await ask(headers as never, 'post', '/api/demo/reset').expect(403);
  expect(((await ask({})).body as BatchPage).total).toBe(before.total);
});

it('serves its own pages, programs without an origin, and a link from elsewhere', async () => {
  await ask({ origin: `http://${own}`, 'sec-fetch-site': 'same-origin' }).expect(200);
  await ask({ 'sec-fetch-site': 'none' }).expect(200);
  await ask({}).expect(200);
  await ask({ 'sec-fetch-site': 'cross-site', 'sec-fetch-mode': 'navigate' }).expect(200);
  await ask(
    { 'sec-fetch-site': 'cross-site', 'sec-fetch-mode': 'navigate' },
    'post',
    '/api/demo/reset',
  ).expect(403);
});

it('keeps answers out of caches, and devices but camera, microphone and scale out of reach', async () => {
  const { headers } = await ask({}).expect(200);
  expect(headers['cache-control']).toBe('no-store');
  expect(headers['permissions-policy']).toContain('camera=(self), microphone=(self)');
});
