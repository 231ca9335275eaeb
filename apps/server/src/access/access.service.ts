import { randomUUID } from 'node:crypto';
import { type PassphraseChange, type Session } from '@kleur/contract';
import { notFound, ProblemError } from '../problems/problem.ts';
import {
  type AccessRecord,
  hashPassphrase,
  isPassphrase,
  readAccess,
  type StoredSession,
  writeAccess,
} from './access-file.ts';

/** How long a session lasts after it was last used, ms. */
export const SESSION_MS = 30 * 24 * 60 * 60 * 1000;
/** How exactly it is kept when a session was last used, ms. */
const SEEN_MS = 60 * 60 * 1000;
const MOST_SESSIONS = 50;
const LONGEST_DEVICE = 200;

/** Who may open Kleur: the passphrase of the workspace and the browsers that have signed in with it. */
export class AccessService {
  private record: AccessRecord;

  /**
   * @param isLocal whether the server listens on its own machine alone.
   * @param lan addresses under which other devices of the network reach it.
   */
  constructor(
    private readonly folder: string,
    readonly isLocal: boolean,
    readonly lan: readonly string[] = [],
  ) {
    this.record = readAccess(folder);
  }

  get isProtected(): boolean {
    return this.record.passphrase !== null;
  }

  /** With which cookies are signed. */
  get secret(): string {
    return this.record.secret;
  }

  /** Whether a session of this id is open; one that is used stays open. */
  isOpen(id: string, now = new Date()): boolean {
    const session = this.record.sessions.find((s) => s.id === id);
    if (!session || isOver(session, now)) return false;
    if (now.getTime() - Date.parse(session.lastSeenAt) >= SEEN_MS) {
      const seen = { ...session, lastSeenAt: now.toISOString() };
      this.write({ sessions: this.record.sessions.map((s) => (s.id === id ? seen : s)) });
    }
    return true;
  }

  sessions(thisId: string | null, now = new Date()): Session[] {
    return this.record.sessions
      .filter((s) => !isOver(s, now))
      .map((s) => ({ ...s, isThis: s.id === thisId }))
      .sort((a, b) => b.lastSeenAt.localeCompare(a.lastSeenAt));
  }

  /** @returns id of the new session. @throws ProblemError `wrong-passphrase`. */
  async signIn(passphrase: string, device: string, now = new Date()): Promise<string> {
    await this.check(passphrase);
    return this.open(device, now);
  }

  /** Ends a session. @throws ProblemError `not-found`. */
  end(id: string): void {
    if (!this.record.sessions.some((s) => s.id === id)) throw notFound('The session');
    this.write({ sessions: this.record.sessions.filter((s) => s.id !== id) });
  }

  /**
   * Sets, changes or takes away the passphrase, and ends every session.
   * @returns id of a new session for whoever changed it; null when there is no passphrase any more.
   * @throws ProblemError `wrong-passphrase`, or `invalid-input` where there must be one.
   */
  async change({ current, passphrase }: PassphraseChange, device: string): Promise<string | null> {
    if (this.isProtected) await this.check(current ?? '');
    if (passphrase === null && !this.isLocal) {
      throw new ProblemError(
        'invalid-input',
        'Kleur is reached from other machines: it cannot be without a passphrase.',
        [{ path: 'passphrase', message: 'a passphrase is needed' }],
      );
    }
    const hash = passphrase === null ? null : await hashPassphrase(passphrase);
    this.write({ passphrase: hash, sessions: [] });
    return hash === null ? null : this.open(device, new Date());
  }

  /** Sets the passphrase of whoever starts the server. The one that is set already ends no session. */
  async set(passphrase: string): Promise<void> {
    const { passphrase: kept } = this.record;
    if (kept !== null && (await isPassphrase(passphrase, kept))) return;
    this.write({ passphrase: await hashPassphrase(passphrase), sessions: [] });
  }

  private async check(passphrase: string): Promise<void> {
    const { passphrase: kept } = this.record;
    if (kept === null || (await isPassphrase(passphrase, kept))) return;
    throw new ProblemError('wrong-passphrase', 'This is not the passphrase.', [
      { path: 'passphrase', message: 'not the passphrase' },
    ]);
  }

  private open(device: string, now: Date): string {
    const at = now.toISOString();
    const session = {
      id: randomUUID(),
      device: device.slice(0, LONGEST_DEVICE),
      createdAt: at,
      lastSeenAt: at,
    };
    const others = this.record.sessions.filter((s) => !isOver(s, now));
    this.write({ sessions: [...others, session].slice(-MOST_SESSIONS) });
    return session.id;
  }

  private write(change: Partial<AccessRecord>): void {
    const next = { ...this.record, ...change };
    writeAccess(this.folder, next);
    this.record = next;
  }
}

const isOver = ({ lastSeenAt }: StoredSession, now: Date): boolean =>
  now.getTime() - Date.parse(lastSeenAt) >= SESSION_MS;
