import { readFileSync, statSync } from 'node:fs';
import { request } from 'node:https';
import { join } from 'node:path';
import { routes } from '@kleur/contract';
import { serverProcess } from './server-process.ts';

/** The built server, opened to the network. */
const PORT = 4395;
const server = serverProcess(PORT);

interface Answer {
  readonly status: number;
  readonly type: string;
  readonly text: string;
  readonly cookie: string;
}

/** Asks over TLS, trusting the root of the data folder alone. */
const ask = (path: string, more: { body?: unknown; cookie?: string } = {}): Promise<Answer> =>
  new Promise((resolve, reject) => {
    const ca = readFileSync(join(server.folder, 'kleur.root.crt.pem'));
    const { body, cookie } = more;
    const asked = request(
      {
        host: '127.0.0.1',
        port: PORT + 1,
        path,
        ca,
        method: body === undefined ? 'GET' : 'POST',
        headers: { 'content-type': 'application/json', ...(cookie ? { cookie } : {}) },
      },
      (answer) => {
        let text = '';
        answer.setEncoding('utf8');
        answer.on('data', (part: string) => (text += part));
        answer.on('end', () => {
          resolve({
            status: answer.statusCode!,
            type: answer.headers['content-type'] ?? '',
            text,
            cookie: (answer.headers['set-cookie'] ?? []).map((c) => c.split(';')[0]!).join('; '),
          });
        });
      },
    );
    asked.on('error', reject);
    asked.end(body === undefined ? undefined : JSON.stringify(body));
  });

/** Waits for what the server says after it is ready. */
async function until(holds: () => boolean): Promise<void> {
  while (!holds()) await new Promise((resolve) => setTimeout(resolve, 20));
}

it('the first start for the network makes a root and a passphrase, and lets in whoever has it', async () => {
  const first = server.start([], PORT, {}, ['--lan']);
  await first.ready;
  await until(() => /Fingerprint of its certificate|in no network/.test(first.said()));
  expect(statSync(join(server.folder, 'kleur.root.key.pem')).mode & 0o777).toBe(0o600);

  expect((await ask(routes.health)).status).toBe(200);
  const page = await ask('/trust');
  expect([page.status, page.type]).toEqual([200, 'text/html; charset=utf-8']);
  expect(page.text).toContain('Trust Kleur on this device');
  const certificate = await ask('/trust/kleur-root.crt');
  expect([certificate.status, certificate.type]).toEqual([200, 'application/x-x509-ca-cert']);

  expect((await ask(routes.batches)).status).toBe(401);
  const passphrase = /made for this workspace: (\S+)/.exec(first.said())?.[1];
  if (passphrase === undefined) throw new Error(`No passphrase was printed: ${first.said()}`);
  const signedIn = await ask(routes.signIn, { body: { passphrase } });
  expect(signedIn.status).toBe(204);
  const { cookie } = signedIn;
  expect((await ask(routes.batches, { cookie })).status).toBe(200);
  const { lan, isLocal } = JSON.parse((await ask(routes.access, { cookie })).text) as {
    lan: string[];
    isLocal: boolean;
  };
  expect(isLocal).toBe(false);
  for (const address of lan) expect(address).toMatch(new RegExp(`^https://.+:${PORT + 1}$`));

  // A hundred wrong ones: most are not even looked at.
  const tries = await Promise.all(
    Array.from({ length: 100 }, () => ask(routes.signIn, { body: { passphrase: 'not the passphrase' } })),
  );
  const refused = tries.filter((t) => t.status === 429).length;
  expect(refused).toBeGreaterThan(80);
  expect(tries.every((t) => t.status === 429 || t.status === 401 || t.status === 403)).toBe(true);

  // The root stays, so that devices trust it after the next start too.
  const root = readFileSync(join(server.folder, 'kleur.root.crt.pem'), 'utf8');
  first.child.kill('SIGTERM');
  await first.ended;
  const second = server.start([], PORT, {}, ['--lan']);
  await second.ready;
  await until(() => /Fingerprint|in no network/.test(second.said()));
  expect(readFileSync(join(server.folder, 'kleur.root.crt.pem'), 'utf8')).toBe(root);
  expect(second.said()).not.toContain('made for this workspace');
  expect((await ask(routes.batches, { cookie })).status).toBe(200);
});
