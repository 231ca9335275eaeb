import { chmodSync, existsSync, mkdirSync, readdirSync, rmSync, statSync } from 'node:fs';
import { basename, dirname, join } from 'node:path';
import { Injectable, type OnApplicationBootstrap, type OnApplicationShutdown } from '@nestjs/common';
import { type Copy, COPY_REASONS, type CopyReason } from '@kleur/contract';
import Database from 'libsql';
import { keptCopies } from './kept-copies.ts';
import { isDemoMark } from './write-queue.ts';

const DAY_MS = 24 * 60 * 60 * 1000;
const HOUR_MS = 60 * 60 * 1000;
const COPIES = 'copies';
export const COPY_NAME = /^kleur-(\d{4}-\d\d-\d\dT\d\d-\d\d-\d\d-\d{3}Z)-([a-z-]+)\.sqlite$/;

/** Where the copies of a data file lie. */
export const copiesFolder = (file: string): string => join(dirname(file), COPIES);

/** Names of the copies of a data file, the newest first. */
export function copiesOf(file: string): string[] {
  try {
    return readdirSync(copiesFolder(file))
      .filter((name) => COPY_NAME.test(name))
      .sort()
      .reverse();
  } catch {
    return [];
  }
}

/**
 * Copies a data file as it stands, writes under way left out. The copy is a data file like any other. No other copy is
 * touched.
 * @returns path of the copy.
 * @throws the driver's error, for instance when there is no room; no half copy stays behind.
 */
export function copyFile(file: string, reason: CopyReason, now = new Date()): string {
  const folder = copiesFolder(file);
  mkdirSync(folder, { recursive: true, mode: 0o700 });
  let at = now.getTime();
  const path = (): string =>
    join(folder, `kleur-${new Date(at).toISOString().replace(/[:.]/g, '-')}-${reason}.sqlite`);
  while (existsSync(path())) at++;
  const copy = path();
  const db = new Database(file, { readonly: true });
  try {
    db.exec(`VACUUM INTO '${copy.replaceAll("'", "''")}'`);
    chmodSync(copy, 0o600);
  } catch (error) {
    rmSync(copy, { force: true });
    throw error;
  } finally {
    db.close();
  }
  return copy;
}

/** Like `copyFile`, but a workspace that holds nothing but the demo is worth no copy. @returns whether one was made. */
export function copyUnlessDemo(file: string, reason: CopyReason, now = new Date()): boolean {
  const db = new Database(file, { readonly: true });
  try {
    if (isDemoMark(db)) return false;
  } finally {
    db.close();
  }
  copyFile(file, reason, now);
  return true;
}

/**
 * Lets the copies go that need not be kept. Called only after what a copy was made for has succeeded.
 * @param inHand name of a copy that is in use and stays.
 */
export function pruneCopies(file: string, now = new Date(), inHand?: string): void {
  const all = copiesOf(file).map((name) => ({ name, at: timeOf(name), reason: reasonOf(name) }));
  const kept = keptCopies(all, now.getTime());
  for (const { name } of all) {
    if (!kept.has(name) && name !== inHand) rmSync(join(copiesFolder(file), name), { force: true });
  }
}

/** Deletes one copy. */
export function deleteCopy(file: string, name: string): void {
  rmSync(join(copiesFolder(file), name), { force: true });
}

const reasonOf = (name: string): CopyReason | undefined =>
  COPY_REASONS.find((r) => r === COPY_NAME.exec(name)?.[2]);

/** What there is to know of a copy without opening it; null for a name that is none. */
export function copyOf(file: string, name: string): Copy | null {
  const reason = reasonOf(name);
  if (reason === undefined || !copiesOf(file).includes(name)) return null;
  const at = new Date(timeOf(name)).toISOString();
  return { name, at, reason, bytes: statSync(join(copiesFolder(file), name)).size };
}

/**
 * Whether a day has passed since the last daily copy; for a file that has none, since it was made. A clock that was
 * once ahead of its time holds nothing up.
 */
export function dailyIsDue(file: string, now = new Date()): boolean {
  const times = copiesOf(file)
    .filter((name) => reasonOf(name) === 'daily')
    .map(timeOf)
    .filter((at) => at <= now.getTime());
  const since = times.length > 0 ? Math.max(...times) : statSync(file).birthtimeMs;
  return since > now.getTime() || now.getTime() - since >= DAY_MS;
}

function timeOf(name: string): number {
  const [date, time = ''] = COPY_NAME.exec(name)![1]!.split('T');
  const [h, m, s, ms] = time.replace('Z', '').split('-');
  return Date.parse(`${date}T${h}:${m}:${s}.${ms}Z`);
}

/** Copies of the open data file: one a day while the server runs, and whenever it is asked. */
@Injectable()
export class Copies implements OnApplicationBootstrap, OnApplicationShutdown {
  private timer: NodeJS.Timeout | undefined;

  constructor(
    readonly file: string,
    private readonly onFailed: (error: unknown) => void,
  ) {}

  onApplicationBootstrap(): void {
    this.daily();
    this.timer = setInterval(() => {
      this.daily();
    }, HOUR_MS);
    this.timer.unref();
  }

  onApplicationShutdown(): void {
    clearInterval(this.timer);
  }

  /** @returns name of the copy. @throws the driver's error. */
  make(reason: CopyReason): string {
    return basename(copyFile(this.file, reason));
  }

  /** Before something replaces the workspace, unless that is the demo alone. @throws the driver's error. */
  makeBefore(reason: CopyReason): void {
    copyUnlessDemo(this.file, reason);
  }

  /** After what a copy was made for has succeeded. */
  prune(inHand?: string): void {
    pruneCopies(this.file, new Date(), inHand);
  }

  delete(name: string): void {
    deleteCopy(this.file, name);
  }

  /** A copy that fails is tried again in an hour; it must not stop the server. */
  private daily(): void {
    try {
      if (dailyIsDue(this.file)) copyUnlessDemo(this.file, 'daily');
      this.prune();
    } catch (error) {
      this.onFailed(error);
    }
  }
}
