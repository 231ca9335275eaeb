import { X509Certificate } from 'node:crypto';
import { chmodSync, mkdtempSync, readFileSync, statSync, writeFileSync } from 'node:fs';
import { get, type Server } from 'node:https';
import { type AddressInfo } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { PASSPHRASE_LIMITS } from '@kleur/contract';
import { certifiedNames } from './addresses.ts';
import {
  type Certificate,
  daysLeft,
  fingerprintOf,
  LIFE_DAYS,
  makeLeaf,
  makeRoot,
  rootOf,
} from './certificates.ts';
import { listenToNetwork } from './lan-server.ts';
import { madePassphrase } from './passphrase.ts';

const DAY = 24 * 60 * 60 * 1000;
const root = makeRoot();
const other = makeRoot();

/** What a client that trusts `ca` gets; the code of what it refuses. */
const ask = (server: Server, ca: Certificate, servername: string): Promise<string> =>
  new Promise((resolve) => {
    const { port } = server.address() as AddressInfo;
    const request = get(
      { host: '127.0.0.1', port, ca: ca.cert, servername, agent: false, headers: { host: servername } },
      (answer) => {
        answer.setEncoding('utf8');
        answer.on('data', resolve);
      },
    );
    request.on('error', (e: NodeJS.ErrnoException) => {
      resolve(e.code ?? e.message);
    });
  });

describe('encrypted for other devices', () => {
  let server: Server;
  beforeAll(async () => {
    server = await listenToNetwork((_request, response) => response.end('hello'), root, 0, '127.0.0.1');
  });
  afterAll(() => {
    server.close();
  });

  it('whoever trusts the root reaches it under its names', async () => {
    expect(await ask(server, root, 'localhost')).toBe('hello');
    const named = certifiedNames().find((n) => n.endsWith('.local')) ?? 'localhost';
    expect(await ask(server, root, named)).toBe('hello');
  });

  it('nobody else does, and under no other name', async () => {
    expect(await ask(server, other, 'localhost')).toMatch(/SELF_SIGNED|UNABLE_TO|SIGNATURE/);
    expect(await ask(server, root, 'elsewhere.test')).toBe('ERR_TLS_CERT_ALTNAME_INVALID');
  });
});

describe('certificates', () => {
  it('the root signs the leaf, for names and addresses; the leaf signs nothing', () => {
    const leaf = new X509Certificate(makeLeaf(root, ['soap.local', '192.0.2.7', '2001:db8::7']).cert);
    const authority = new X509Certificate(root.cert);
    expect(leaf.verify(authority.publicKey)).toBe(true);
    expect(leaf.checkIssued(authority)).toBe(true);
    expect(leaf.verify(new X509Certificate(other.cert).publicKey)).toBe(false);
    expect(leaf.checkHost('soap.local')).toBe('soap.local');
    expect(leaf.checkIP('192.0.2.7')).toBe('192.0.2.7');
    expect(leaf.checkIP('2001:db8::7')).toBe('2001:db8::7');
    expect(leaf.checkIP('192.0.2.8')).toBeUndefined();
    expect([authority.ca, leaf.ca]).toEqual([true, false]);
  });

  it('says its fingerprint as every other program does, and how long it lasts', () => {
    expect(fingerprintOf(root)).toBe(new X509Certificate(root.cert).fingerprint256);
    expect(Math.round(daysLeft(root))).toBe(LIFE_DAYS.root);
    expect(Math.round(daysLeft(makeLeaf(root, ['localhost'])))).toBe(LIFE_DAYS.leaf);
    // Trusted by hand, a certificate of a server may not last longer than this on some devices.
    expect(LIFE_DAYS.leaf).toBeLessThan(398);
  });
});

describe('the root of a data folder', () => {
  const folder = (): string => mkdtempSync(join(tmpdir(), 'kleur-root-'));
  const keyFile = (at: string): string => join(at, 'kleur.root.key.pem');

  it('is made once, and its key is the owner’s alone', () => {
    const at = folder();
    const first = rootOf(at);
    expect(first.isNew).toBe(true);
    expect(statSync(keyFile(at)).mode & 0o777).toBe(0o600);
    expect(rootOf(at)).toEqual({ root: first.root, isNew: false });
  });

  it('is made anew when it ends soon, is damaged, or its halves do not belong together', () => {
    const at = folder();
    const now = new Date();
    const { root: first } = rootOf(at, now);
    const before = new Date(now.getTime() + (LIFE_DAYS.root - LIFE_DAYS.leaf - 1) * DAY);
    const after = new Date(now.getTime() + (LIFE_DAYS.root - LIFE_DAYS.leaf + 1) * DAY);
    expect(rootOf(at, before).isNew).toBe(false);
    expect(rootOf(at, after).isNew).toBe(true);
    expect(readFileSync(keyFile(at), 'utf8')).not.toBe(first.key);
    writeFileSync(keyFile(at), 'nothing');
    expect(rootOf(at, now).isNew).toBe(true);
    writeFileSync(keyFile(at), other.key);
    chmodSync(keyFile(at), 0o600);
    expect(rootOf(at, now).isNew).toBe(true);
  });
});

it('a made passphrase is one that can be set, and never the same', () => {
  const made = Array.from({ length: 50 }, madePassphrase);
  for (const p of made) {
    expect(p).toMatch(/^[a-z]{4}(-[a-z]{4}){3}$/);
    expect(p.length).toBeGreaterThanOrEqual(PASSPHRASE_LIMITS.min);
  }
  expect(new Set(made).size).toBe(50);
});
