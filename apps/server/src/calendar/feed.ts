import { randomBytes, timingSafeEqual } from 'node:crypto';
import { readFileSync } from 'node:fs';
import { rm } from 'node:fs/promises';
import { join } from 'node:path';
import { replaceOwnFile } from '../storage/own-file.ts';

const FILE = 'kleur.feed.json';
const BYTES = 24;
const TOKEN = /^[A-Za-z0-9_-]{20,64}$/;

/** The address under which a calendar program may read along: unguessable, one at a time, and gone once it is revoked. */
export class Feed {
  constructor(private readonly folder: string) {}

  /** Null while there is none, or where its file is damaged. */
  get token(): string | null {
    try {
      const { token } = JSON.parse(readFileSync(this.file, 'utf8')) as { token?: unknown };
      return typeof token === 'string' && TOKEN.test(token) ? token : null;
    } catch {
      return null;
    }
  }

  /** A new address; the one before it answers no more. */
  renew(): string {
    const token = randomBytes(BYTES).toString('base64url');
    replaceOwnFile(this.file, JSON.stringify({ token }));
    return token;
  }

  async revoke(): Promise<void> {
    await rm(this.file, { force: true });
  }

  /** Whether a token is the present one, told in the same time for every other. */
  is(token: string): boolean {
    const own = this.token;
    if (own === null) return false;
    const [a, b] = [Buffer.from(own), Buffer.from(token)];
    return a.length === b.length && timingSafeEqual(a, b);
  }

  private get file(): string {
    return join(this.folder, FILE);
  }
}
