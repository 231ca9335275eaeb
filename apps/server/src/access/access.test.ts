import { mkdtempSync, readFileSync, rmSync, statSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { Writable } from 'node:stream';
import { type Access, type BatchDocument, type BatchPage, routes, type Session } from '@kleur/contract';
import { emptyPlan } from '@kleur/core/plan';
import Database from 'libsql';
import { pino } from 'pino';
import { startApp, type TestApp } from '../../test/app.ts';
import { hashPassphrase, isPassphrase } from './access-file.ts';
import { AccessService, SESSION_MS } from './access.service.ts';
import { isLoopback, namesOf } from './hosts.ts';
import { DATA_FILE } from '../storage/data-folder.ts';
import { LOG_SERIALIZERS } from './request-log.ts';

const WORDS = 'seven grey herons';
let t: TestApp;
const lines: string[] = [];
const log = pino(
  { level: 'debug', serializers: LOG_SERIALIZERS },
  new Writable({
    write: (chunk: Buffer, _encoding, done) => {
      lines.push(chunk.toString());
      done();
    },
  }),
);
beforeEach(async () => {
  lines.length = 0;
  t = await startApp('demo', undefined, log);
});
afterEach(() => t.close());

const cookieOf = (answer: { headers: Record<string, unknown> }): string =>
  (answer.headers['set-cookie'] as string[])[0]!.split(';')[0]!;
/** Sets the first passphrase. @returns the cookie of whoever did. */
const protect = async (): Promise<string> =>
  cookieOf(await t.api.put(routes.passphrase).send({ current: null, passphrase: WORDS }).expect(204));
const signIn = (passphrase: string) => t.api.post(routes.signIn).send({ passphrase });

it('lets everybody on this machine in until there is a passphrase, and nobody without it after', async () => {
  expect((await t.api.get(routes.access)).body).toEqual({
    isProtected: false,
    isSignedIn: true,
    isLocal: true,
    lan: [],
  } satisfies Access);
  const cookie = await protect();
  const before = (await t.api.get(routes.batches).set('cookie', cookie).expect(200)).body as BatchPage;
  for (const path of [
    routes.batches,
    routes.openapi,
    routes.sessions,
    routes.settings,
    '/API/batches',
    '/api/Batches/',
  ])
    expect((await t.api.get(path).expect(401)).body).toMatchObject({ code: 'sign-in-needed' });
  for (const path of ['/%61pi/batches', '//api/batches', '/api/../api/batches'])
    expect((await t.api.get(path)).status).toBeGreaterThanOrEqual(401);
  await t.api.post(routes.batchCopy(before.items[0]!.id)).expect(401);
  await t.api.post(routes.demoReset).send({ confirm: 'replace everything with the demo' }).expect(401);
  await t.api.put(routes.passphrase).send({ current: WORDS, passphrase: 'another passphrase' }).expect(401);
  await t.api.get(routes.health).expect(200);
  expect((await t.api.get(routes.access)).body).toMatchObject({ isProtected: true, isSignedIn: false });

  expect((await signIn('seven grey heron').expect(403)).body).toMatchObject({ code: 'wrong-passphrase' });
  const answer = await signIn(WORDS).expect(204);
  expect(String(answer.headers['set-cookie'])).toMatch(/HttpOnly; SameSite=Strict/);
  const after = (await t.api.get(routes.batches).set('cookie', cookieOf(answer)).expect(200))
    .body as BatchPage;
  expect(after.total).toBe(before.total);
});

it('takes no cookie that it did not sign', async () => {
  const cookie = await protect();
  const [id] = /[0-9a-f-]{36}/.exec(cookie)!;
  for (const forged of [
    `kleur-session=${id}`,
    `kleur-session=s%3A${id}.AAAA`,
    cookie.slice(0, -2),
    `${cookie}x`,
  ])
    await t.api.get(routes.batches).set('cookie', forged).expect(401);
});

it('lists the sessions, ends one, and ends all with a new passphrase', async () => {
  const mine = await protect();
  const other = cookieOf(await signIn(WORDS).set('user-agent', 'Tablet').expect(204));
  const list = (await t.api.get(routes.sessions).set('cookie', mine).expect(200)).body as Session[];
  expect(list).toHaveLength(2);
  expect(list.filter((s) => s.isThis)).toHaveLength(1);
  const tablet = list.find((s) => s.device === 'Tablet')!;
  await t.api.delete(routes.session(tablet.id)).set('cookie', mine).expect(204);
  await t.api.get(routes.batches).set('cookie', other).expect(401);
  await t.api.delete(routes.session(tablet.id)).set('cookie', mine).expect(404);

  const body = { current: 'wrong', passphrase: 'eight grey herons' };
  await t.api.put(routes.passphrase).set('cookie', mine).send(body).expect(403);
  const changed = await t.api
    .put(routes.passphrase)
    .set('cookie', mine)
    .send({ ...body, current: WORDS })
    .expect(204);
  await t.api.get(routes.batches).set('cookie', mine).expect(401);
  const fresh = cookieOf(changed);
  await t.api.get(routes.batches).set('cookie', fresh).expect(200);
  await t.api.post(routes.signOut).set('cookie', fresh).expect(204);
  await t.api.get(routes.batches).set('cookie', fresh).expect(401);
});

it.each([
  [11, 400],
  [12, 204],
  [200, 204],
  [201, 400],
])('answers a passphrase of %d characters with %d', async (length, status) => {
  await t.api
    .put(routes.passphrase)
    .send({ current: null, passphrase: 'x'.repeat(length) })
    .expect(status);
});

it('makes guessing slow: the sixth try in a minute is refused, the right one too', async () => {
  await protect();
  for (let i = 0; i < 5; i++) await signIn('guess').expect(403);
  const refused = await signIn(WORDS).expect(429);
  expect(refused.body).toMatchObject({ code: 'too-many-requests', retryAfter: 60 });
  expect(refused.headers['retry-after']).toBeDefined();
  await t.api.get(routes.access).expect(200);
});

it('gives each request an id, and logs no plan, passphrase or cookie', async () => {
  const cookie = await protect();
  const plan = emptyPlan();
  const secretPlan = { ...plan, pots: [{ ...plan.pots[0], name: 'Heron secret' }] };
  const refused = await t.api
    .post(`${routes.batches}?q=heron-query`)
    .set('cookie', cookie)
    .send({ name: 'Heron name', state: 'idea', madeOn: null, plan: secretPlan })
    .expect(400);
  expect(refused.headers['x-request-id']).toMatch(/^[0-9a-f-]{36}$/);
  await t.api
    .post(routes.batches)
    .set('cookie', cookie)
    .send({ name: 'Heron name', state: 'idea', madeOn: null, plan })
    .expect(201);
  await signIn(`${WORDS} wrong`).expect(403);
  const text = lines.join('');
  expect(text).toContain(refused.headers['x-request-id']);
  expect(text).toContain('"path":"/api/batches"');
  expect(text).not.toMatch(/heron|kleur-session/i);
});

it('answers an unexpected failure with the id of its request, and logs the reason without the row', async () => {
  const { items } = (await t.api.get(routes.batches)).body as BatchPage;
  const batch = (await t.api.get(routes.batch(items[0]!.id))).body as BatchDocument;
  const db = new Database(join(t.folder, DATA_FILE));
  db.exec('ALTER TABLE batch RENAME COLUMN face TO lost');
  db.close();
  const { name, state, madeOn, plan, version } = batch;
  const answer = await t.api
    .put(routes.batch(batch.id))
    .send({ name: `${name} heron`, state, madeOn, plan, version })
    .expect(500);
  expect(answer.body).toMatchObject({ code: 'internal', id: answer.headers['x-request-id'] });
  expect(lines.join('')).toContain(answer.body.id);
  expect(lines.join('')).not.toMatch(/heron/);
});

describe('what is kept', () => {
  let folder: string;
  beforeEach(() => {
    folder = mkdtempSync(join(tmpdir(), 'kleur-access-'));
  });
  afterEach(() => {
    rmSync(folder, { recursive: true });
  });

  it('is a salted hash that only the passphrase opens, for the owner alone', async () => {
    const access = new AccessService(folder, true);
    await access.set(WORDS);
    const file = join(folder, 'kleur.access.json');
    expect(statSync(file).mode & 0o777).toBe(0o600);
    expect(readFileSync(file, 'utf8')).not.toContain('heron');
    const [one, two] = [await hashPassphrase(WORDS), await hashPassphrase(WORDS)];
    expect(one.hash).not.toBe(two.hash);
    expect(await isPassphrase(WORDS, one)).toBe(true);
    expect(await isPassphrase('seven grey herons ', one)).toBe(false);
  });

  it('outlives the server, sessions too, and the same passphrase at a start ends none', async () => {
    const first = new AccessService(folder, true);
    await first.set(WORDS);
    const id = await first.signIn(WORDS, 'Tablet');
    const again = new AccessService(folder, false);
    await again.set(WORDS);
    expect(again.isOpen(id)).toBe(true);
    expect(again.secret).toBe(first.secret);
    await again.set('eight grey herons');
    expect(again.isOpen(id)).toBe(false);
    await expect(again.change({ current: 'eight grey herons', passphrase: null }, 'x')).rejects.toMatchObject(
      {
        problem: { code: 'invalid-input' },
      },
    );
  });

  it('ends a session that nobody used for a month', async () => {
    const access = new AccessService(folder, true);
    await access.set(WORDS);
    const now = new Date('2026-05-01T10:00:00Z');
    const id = await access.signIn(WORDS, 'Tablet', now);
    const later = new Date(now.getTime() + SESSION_MS - 1);
    expect(new AccessService(folder, true).isOpen(id, new Date(now.getTime() + SESSION_MS))).toBe(false);
    expect(access.isOpen(id, later)).toBe(true);
    // Used now, it stays open for another month.
    expect(access.isOpen(id, new Date(later.getTime() + SESSION_MS - 1))).toBe(true);
  });
});

it.each([
  ['127.0.0.1', true],
  ['127.4.0.9', true],
  ['localhost', true],
  ['::1', true],
  ['0.0.0.0', false],
  ['::', false],
  ['192.168.1.20', false],
  ['127.0.0.1.example', false],
])('takes %s for this machine alone: %s', (host, local) => {
  expect(isLoopback(host)).toBe(local);
});

it('answers under the addresses of the machine when it listens on all of them', () => {
  expect(namesOf('0.0.0.0')).toContain('127.0.0.1');
  expect(namesOf('192.168.1.20')).toEqual(['192.168.1.20']);
  expect(namesOf('fe80::1')).toEqual(['[fe80::1]']);
});
