import { readFileSync } from 'node:fs';
import { randomBytes, scrypt, timingSafeEqual } from 'node:crypto';
import { join } from 'node:path';
import { replaceOwnFile } from '../storage/own-file.ts';

/** A passphrase as it is kept: salted, and hashed by scrypt with these costs. */
export interface PassphraseHash {
  readonly salt: string;
  readonly hash: string;
  readonly cost: number;
  readonly blockSize: number;
  readonly parallel: number;
}

export interface StoredSession {
  readonly id: string;
  readonly device: string;
  readonly createdAt: string;
  readonly lastSeenAt: string;
}

/** Who may open Kleur. Beside the data file and not in it, so that an old copy brings back no old passphrase. */
export interface AccessRecord {
  readonly passphrase: PassphraseHash | null;
  /** With which sessions are signed. */
  readonly secret: string;
  readonly sessions: readonly StoredSession[];
}

const FILE = 'kleur.access.json';
/** 16 MB and about a quarter of a second for each try. */
const COST = { cost: 16_384, blockSize: 8, parallel: 5 } as const;
const BYTES = 32;

/** @throws SyntaxError for a damaged file. */
export function readAccess(folder: string): AccessRecord {
  let text: string;
  try {
    text = readFileSync(join(folder, FILE), 'utf8');
  } catch {
    return { passphrase: null, secret: randomBytes(BYTES).toString('base64url'), sessions: [] };
  }
  return JSON.parse(text) as AccessRecord;
}

/** On the disk when it returns. @throws the system's error. */
export const writeAccess = (folder: string, record: AccessRecord): void => {
  replaceOwnFile(join(folder, FILE), JSON.stringify(record));
};

const derive = (
  passphrase: string,
  salt: Buffer,
  { cost, blockSize, parallel }: Pick<PassphraseHash, 'cost' | 'blockSize' | 'parallel'>,
): Promise<Buffer> =>
  new Promise((resolve, reject) => {
    const options = { N: cost, r: blockSize, p: parallel, maxmem: 256 * cost * blockSize };
    scrypt(passphrase.normalize('NFKC'), salt, BYTES, options, (error, key) => {
      if (error) reject(error);
      else resolve(key);
    });
  });

export async function hashPassphrase(passphrase: string): Promise<PassphraseHash> {
  const salt = randomBytes(16);
  const key = await derive(passphrase, salt, COST);
  return { salt: salt.toString('base64url'), hash: key.toString('base64url'), ...COST };
}

export async function isPassphrase(passphrase: string, kept: PassphraseHash): Promise<boolean> {
  const key = await derive(passphrase, Buffer.from(kept.salt, 'base64url'), kept);
  return timingSafeEqual(key, Buffer.from(kept.hash, 'base64url'));
}
