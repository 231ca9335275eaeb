import { generateKeyPairSync, randomBytes } from 'node:crypto';
import { readFileSync } from 'node:fs';
import { isIP } from 'node:net';
import { hostname } from 'node:os';
import { join } from 'node:path';
import forge from 'node-forge';
import { replaceOwnFile } from '../storage/own-file.ts';

/** A certificate with its key, both as PEM. */
export interface Certificate {
  readonly cert: string;
  readonly key: string;
}

const FILES = { cert: 'kleur.root.crt.pem', key: 'kleur.root.key.pem' } as const;
const DAY_MS = 24 * 60 * 60 * 1000;
/** How long devices trust the root, and how long one of its certificates serves. */
export const LIFE_DAYS = { root: 3650, leaf: 90 } as const;
/** A root with less life than this is replaced: what it signs must outlive it by nothing. */
const LEAST_ROOT_DAYS = LIFE_DAYS.leaf;
const KEY_BITS = 2048;

const OLDEST = (now: Date): Date => new Date(now.getTime() - DAY_MS);

function emptyCertificate(days: number, now: Date): { cert: forge.pki.Certificate; key: string } {
  const { publicKey, privateKey } = generateKeyPairSync('rsa', {
    modulusLength: KEY_BITS,
    publicKeyEncoding: { type: 'spki', format: 'pem' },
    privateKeyEncoding: { type: 'pkcs8', format: 'pem' },
  });
  const cert = forge.pki.createCertificate();
  cert.publicKey = forge.pki.publicKeyFromPem(publicKey);
  // Positive, as a leading byte below 128 makes it.
  cert.serialNumber = `01${randomBytes(15).toString('hex')}`;
  // Clocks of devices differ.
  cert.validity.notBefore = OLDEST(now);
  cert.validity.notAfter = new Date(now.getTime() + days * DAY_MS);
  return { cert, key: privateKey };
}

/** A root that devices are told to trust once. It can sign certificates of servers and nothing else. */
export function makeRoot(now = new Date()): Certificate {
  const { cert, key } = emptyCertificate(LIFE_DAYS.root, now);
  const name = [{ name: 'commonName', value: `Kleur on ${hostname()}` }];
  cert.setSubject(name);
  cert.setIssuer(name);
  cert.setExtensions([
    { name: 'basicConstraints', cA: true, pathLenConstraint: 0, critical: true },
    { name: 'keyUsage', keyCertSign: true, cRLSign: true, critical: true },
    { name: 'subjectKeyIdentifier' },
  ]);
  cert.sign(forge.pki.privateKeyFromPem(key), forge.md.sha256.create());
  return { cert: forge.pki.certificateToPem(cert), key };
}

/**
 * A certificate of this server for the names and addresses under which it is reached now.
 * @param names host names and IP addresses, the latter without brackets
 */
export function makeLeaf(root: Certificate, names: readonly string[], now = new Date()): Certificate {
  const { cert, key } = emptyCertificate(LIFE_DAYS.leaf, now);
  const authority = forge.pki.certificateFromPem(root.cert);
  cert.setSubject([{ name: 'commonName', value: 'Kleur' }]);
  cert.setIssuer(authority.subject.attributes);
  cert.setExtensions([
    { name: 'basicConstraints', cA: false },
    { name: 'keyUsage', digitalSignature: true, keyEncipherment: true, critical: true },
    { name: 'extKeyUsage', serverAuth: true },
    {
      name: 'subjectAltName',
      // In the certificate's own numbers: 2 is a name, 7 an address.
      altNames: names.map((n) => (isIP(n) ? { type: 7, ip: n } : { type: 2, value: n })),
    },
  ]);
  cert.sign(forge.pki.privateKeyFromPem(root.key), forge.md.sha256.create());
  return { cert: forge.pki.certificateToPem(cert), key };
}

/** What a person compares: SHA-256 over the certificate, in pairs. */
export function fingerprintOf({ cert }: Pick<Certificate, 'cert'>): string {
  const der = forge.asn1.toDer(forge.pki.certificateToAsn1(forge.pki.certificateFromPem(cert))).getBytes();
  const hash = forge.md.sha256.create().update(der).digest().toHex().toUpperCase();
  return hash.match(/../g)!.join(':');
}

/** Days that a certificate is still good for; below 0 it is over. */
export const daysLeft = ({ cert }: Pick<Certificate, 'cert'>, now = new Date()): number =>
  (forge.pki.certificateFromPem(cert).validity.notAfter.getTime() - now.getTime()) / DAY_MS;

/**
 * The root of a data folder: made once, its key readable by the owner alone; made anew where it is over, damaged or
 * missing, after which every device must trust the new one.
 */
export function rootOf(
  folder: string,
  now = new Date(),
): { readonly root: Certificate; readonly isNew: boolean } {
  const kept = readRoot(folder);
  if (kept && daysLeft(kept, now) > LEAST_ROOT_DAYS) return { root: kept, isNew: false };
  const root = makeRoot(now);
  replaceOwnFile(join(folder, FILES.key), root.key);
  replaceOwnFile(join(folder, FILES.cert), root.cert);
  return { root, isNew: true };
}

function readRoot(folder: string): Certificate | null {
  try {
    const [cert, key] = [FILES.cert, FILES.key].map((f) => readFileSync(join(folder, f), 'utf8')) as [
      string,
      string,
    ];
    const { publicKey } = forge.pki.certificateFromPem(cert);
    const own = forge.pki.privateKeyFromPem(key);
    const isPair = (publicKey as forge.pki.rsa.PublicKey).n.equals(own.n);
    return isPair ? { cert, key } : null;
  } catch {
    return null;
  }
}
