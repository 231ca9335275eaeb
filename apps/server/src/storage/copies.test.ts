import { existsSync, mkdtempSync, readdirSync, rmSync, statSync, utimesSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import Database from 'libsql';
import { domains } from '../domains.ts';
import { copiesFolder, copiesOf, copyFile, copyUnlessDemo, dailyIsDue, pruneCopies } from './copies.ts';
import { DATA_FILE, openDataFolder } from './data-folder.ts';
import { claimFolder } from './owner.ts';
import { migrationsOf } from './data-source.ts';
import { prepareFile } from './prepare-file.ts';

let folder: string;
let file: string;
beforeEach(() => {
  folder = mkdtempSync(join(tmpdir(), 'kleur-copies-'));
  file = join(folder, DATA_FILE);
});
afterEach(() => {
  rmSync(folder, { recursive: true, force: true });
});

/** A file with one table and what migrations it has seen. */
function makeFile(seen: readonly string[] = []): void {
  const db = new Database(file);
  db.exec('CREATE TABLE pots (name TEXT)');
  db.prepare('INSERT INTO pots VALUES (?)').run('Wing blue');
  db.exec('CREATE TABLE migrations (id INTEGER, timestamp BIGINT, name TEXT)');
  for (const name of seen) db.prepare('INSERT INTO migrations VALUES (0, 0, ?)').run(name);
  db.close();
}
const potsIn = (path: string): unknown[] => {
  const db = new Database(path, { readonly: true });
  try {
    return db.prepare('SELECT name FROM pots').all();
  } finally {
    db.close();
  }
};
const day = (n: number): Date => new Date(Date.UTC(2030, 0, n, 12));

describe('copies of a data file', () => {
  it('hold what the file holds, for their owner alone', () => {
    makeFile();
    const copy = copyFile(file, 'before-reset', day(1));
    expect(potsIn(copy)).toEqual([{ name: 'Wing blue' }]);
    expect(copiesOf(file)).toEqual(['kleur-2030-01-01T12-00-00-000Z-before-reset.sqlite']);
    expect(statSync(copy).mode & 0o777).toBe(0o600);
    expect(statSync(copiesFolder(file)).mode & 0o777).toBe(0o700);
  });

  it('are never taken for one another when two are made at once', () => {
    makeFile();
    copyFile(file, 'by-hand', day(1));
    copyFile(file, 'by-hand', day(1));
    expect(copiesOf(file)).toHaveLength(2);
  });

  it('push no other out; those that are not kept go when it is asked for, but not the one in hand', () => {
    makeFile();
    for (let n = 1; n <= 12; n++) copyFile(file, 'before-restore', day(n));
    expect(copiesOf(file)).toHaveLength(12);
    const oldest = copiesOf(file).at(-1)!;
    pruneCopies(file, day(80), oldest);
    expect(copiesOf(file)).toEqual([
      ...[12, 11, 10].map((n) => `kleur-2030-01-${n}T12-00-00-000Z-before-restore.sqlite`),
      oldest,
    ]);
  });

  it('are not made of a demo that nobody has changed', () => {
    makeFile();
    const db = new Database(file);
    db.exec('PRAGMA user_version = 7');
    expect(copyUnlessDemo(file, 'daily', day(1))).toBe(false);
    db.exec('PRAGMA user_version = 0');
    db.close();
    expect(copyUnlessDemo(file, 'daily', day(1))).toBe(true);
    expect(copiesOf(file)).toHaveLength(1);
  });

  it('leave no half copy behind when there is none to be made', () => {
    writeFileSync(file, 'no database');
    expect(() => copyFile(file, 'daily')).toThrow();
    expect(readdirSync(copiesFolder(file))).toEqual([]);
  });

  it('are due a day after the last, and a day after the file was made', () => {
    makeFile();
    const made = statSync(file).birthtimeMs;
    const DAY = 86_400_000;
    expect(dailyIsDue(file, new Date(made + DAY - 1000))).toBe(false);
    expect(dailyIsDue(file, new Date(made + DAY + 1000))).toBe(true);
    copyFile(file, 'daily', day(1));
    expect(dailyIsDue(file, new Date(day(2).getTime() - 1))).toBe(false);
    expect(dailyIsDue(file, day(2))).toBe(true);
    // One made for another reason does not stand for it, and neither does one that a wrong clock dated ahead.
    copyFile(file, 'by-hand', day(2));
    copyFile(file, 'daily', day(400));
    expect(dailyIsDue(file, day(2))).toBe(true);
    expect(dailyIsDue(file, new Date(day(2).getTime() - 1))).toBe(false);
  });
});

describe('a data file before it is opened', () => {
  const ours = migrationsOf(domains).map((m) => m.name);

  it('of a newer version is left alone', () => {
    makeFile([...ours, 'Tomorrow2000000000000']);
    utimesSync(file, 1, 1);
    expect(() => {
      prepareFile(file, domains);
    }).toThrow('was written by a newer Kleur. It was left as it is');
    expect(statSync(file).mtimeMs).toBe(1000);
    expect(copiesOf(file)).toEqual([]);
  });

  it('that will be brought up to date is copied first; one that is up to date is not', () => {
    makeFile(ours.slice(0, -1));
    prepareFile(file, domains);
    expect(copiesOf(file)).toEqual([expect.stringContaining('before-migration')]);
    rmSync(file);
    rmSync(copiesFolder(file), { recursive: true });
    makeFile(ours);
    prepareFile(file, domains);
    expect(existsSync(copiesFolder(file))).toBe(false);
  });

  it('that is empty is a new workspace', () => {
    writeFileSync(file, '');
    expect(openDataFolder(folder)).toBe(file);
    expect(() => {
      prepareFile(file, domains);
    }).not.toThrow();
  });

  it('and its folder are for their owner alone', () => {
    const own = join(folder, 'own');
    openDataFolder(own);
    expect(statSync(own).mode & 0o777).toBe(0o700);
    expect(statSync(join(own, DATA_FILE)).mode & 0o777).toBe(0o600);
  });
});

it('a data folder has one owner, until it is given back', () => {
  const release = claimFolder(folder);
  expect(() => claimFolder(folder)).toThrow(`is in use by another Kleur (process ${process.pid})`);
  release();
  claimFolder(folder)();
});
