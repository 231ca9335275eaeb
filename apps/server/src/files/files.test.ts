import { createHash } from 'node:crypto';
import { readdirSync, statSync } from 'node:fs';
import { join } from 'node:path';
import { type BatchPage, FILE_LIMIT_BYTES, routes } from '@kleur/contract';
import { startApp, type TestApp } from '../../test/app.ts';

let t: TestApp;
let id = '';
beforeAll(async () => {
  t = await startApp();
  id = ((await t.api.get(routes.batches)).body as BatchPage).items[0]!.id;
}, 30_000);
afterAll(() => t.close());

/** A picture in little: what a JPEG begins with, and some bytes. */
const picture = (seed: number, ...segments: number[]): Buffer =>
  Buffer.from([0xff, 0xd8, ...segments, 0xff, 0xda, 0, 2, seed]);
const nameOf = (bytes: Buffer, ending = 'jpg'): string =>
  `${createHash('sha256').update(bytes).digest('hex')}.${ending}`;
const put = (name: string, bytes: Buffer, type = 'image/jpeg', batch = id) =>
  t.api.put(routes.file(batch, name)).set('content-type', type).send(bytes);

it('keeps a picture under the name of its content, once, and gives it back as it came', async () => {
  const bytes = picture(1);
  const name = nameOf(bytes);
  await put(name, bytes).expect(204);
  await put(name, bytes).expect(204);
  const folder = join(t.folder, 'files', name.slice(0, 2));
  expect(readdirSync(folder)).toEqual([name]);
  expect(statSync(join(folder, name)).mode & 0o777).toBe(0o600);
  const answer = await t.api.get(routes.file(id, name)).expect(200);
  expect(answer.headers).toMatchObject({
    'content-type': 'image/jpeg',
    'x-content-type-options': 'nosniff',
  });
  expect(Buffer.compare(answer.body as Buffer, bytes)).toBe(0);
});

it('refuses what is something else, what its name does not say, and what says where it was taken', async () => {
  const svg = Buffer.from('<svg xmlns="http://www.w3.org/2000/svg" onload="alert(1)"/>');
  const refusals = [
    [nameOf(svg, 'svg'), svg, 'no picture'],
    [nameOf(picture(2)), picture(3), 'does not have the content'],
    [nameOf(picture(2), 'png'), picture(2), 'does not have the content'],
    ['../../kleur.sqlite', picture(2), 'does not have the content'],
  ] as const;
  for (const [name, bytes, message] of refusals) {
    const answer = await put(name, bytes);
    expect(answer.body).toMatchObject({
      code: 'invalid-input',
      message: expect.stringContaining(message) as string,
    });
  }
  const placed = picture(4, 0xff, 0xe1, 0, 6, 0x45, 0x78, 0x69, 0x66);
  expect((await put(nameOf(placed), placed)).body).toMatchObject({
    message: expect.stringContaining('where or by what it was taken') as string,
  });
  // Any other type is not read at all.
  expect((await put(nameOf(picture(5)), picture(5), 'image/gif')).status).toBe(400);
});

it('takes nothing above its limit, and knows no other batch and no other file', async () => {
  const large = Buffer.concat([picture(6), Buffer.alloc(FILE_LIMIT_BYTES)]);
  expect((await put(nameOf(large), large)).body).toMatchObject({ code: 'body-too-large' });
  const bytes = picture(7);
  expect((await put(nameOf(bytes), bytes, 'image/jpeg', 'nowhere')).body).toMatchObject({
    code: 'not-found',
  });
  await t.api.get(routes.file(id, nameOf(bytes))).expect(404);
  await t.api.get(routes.file(id, '..%2F..%2Fkleur.sqlite')).expect(404);
  await put(nameOf(bytes), bytes).expect(204);
  await t.api.get(routes.file('nowhere', nameOf(bytes))).expect(404);
});
