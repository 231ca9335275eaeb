import { chmodSync, mkdirSync, readdirSync, rmSync, statSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { Injectable, type OnApplicationBootstrap, type OnApplicationShutdown } from '@nestjs/common';
import { type Copy, COPY_REASONS, type CopyReason } from '@kleur/contract';
import Database from 'libsql';

/** Copies that are kept; older ones go. */
export const MOST_COPIES = 10;
const DAY_MS = 24 * 60 * 60 * 1000;
const HOUR_MS = 60 * 60 * 1000;
const COPIES = 'copies';
const NAME = /^kleur-(\d{4}-\d\d-\d\dT\d\d-\d\d-\d\d-\d{3}Z)-([a-z-]+)\.sqlite$/;

/** Where the copies of a data file lie. */
export const copiesFolder = (file: string): string => join(dirname(file), COPIES);

/** Names of the copies of a data file, the newest first. */
export function copiesOf(file: string): string[] {
  try {
    return readdirSync(copiesFolder(file))
      .filter((name) => NAME.test(name))
      .sort()
      .reverse();
  } catch {
    return [];
  }
}

/**
 * Copies a data file as it stands, writes under way left out, and lets the oldest copies go. The copy is a data file
 * like any other.
 * @returns path of the copy.
 * @throws the driver's error, for instance when there is no room; no half copy stays behind.
 */
export function copyFile(file: string, reason: CopyReason, now = new Date()): string {
  const folder = copiesFolder(file);
  mkdirSync(folder, { recursive: true, mode: 0o700 });
  const stamp = now.toISOString().replace(/[:.]/g, '-');
  const copy = join(folder, `kleur-${stamp}-${reason}.sqlite`);
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
  for (const old of copiesOf(file).slice(MOST_COPIES)) rmSync(join(folder, old), { force: true });
  return copy;
}

/** What there is to know of a copy without opening it; null for a name that is none. */
export function copyOf(file: string, name: string): Copy | null {
  const reason = COPY_REASONS.find((r) => r === NAME.exec(name)?.[2]);
  if (reason === undefined || !copiesOf(file).includes(name)) return null;
  const at = new Date(timeOf(name)).toISOString();
  return { name, at, reason, bytes: statSync(join(copiesFolder(file), name)).size };
}

/** Whether a day has passed since the last copy; for a file that was never copied, since it was made. */
export function dailyIsDue(file: string, now = new Date()): boolean {
  const [newest] = copiesOf(file);
  const since = newest === undefined ? statSync(file).birthtimeMs : timeOf(newest);
  return now.getTime() - since >= DAY_MS;
}

function timeOf(name: string): number {
  const [date, time = ''] = NAME.exec(name)![1]!.split('T');
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

  /** @throws the driver's error. */
  make(reason: CopyReason): string {
    return copyFile(this.file, reason);
  }

  /** A copy that fails is tried again in an hour; it must not stop the server. */
  private daily(): void {
    try {
      if (dailyIsDue(this.file)) copyFile(this.file, 'daily');
    } catch (error) {
      this.onFailed(error);
    }
  }
}
