import { readdirSync, readFileSync, unlinkSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { setTimeout as sleep } from 'node:timers/promises';
import { gunzipSync } from 'node:zlib';
import { type BatchDocument, type BatchPage, type LogPage, routes } from '@kleur/contract';
import { logEntry, type LogEntry } from '@kleur/core/day';
import { seededRandom } from '@kleur/core/numerics';
import Database from 'libsql';
import { DATA_FILE } from '../src/storage/data-folder.ts';
import { cases } from '../../../packages/core/test/cases.ts';
import { serverProcess } from './server-process.ts';

/** How often the server is killed: KLEUR_KILLS while it writes, KLEUR_START_KILLS while it starts. */
const KILLS = Number(process.env.KLEUR_KILLS ?? cases(3, 100));
const START_KILLS = Number(process.env.KLEUR_START_KILLS ?? cases(2, 30));
const WRITERS = 4;
const FIXTURES = join(import.meta.dirname, '..', 'test', 'fixtures');

const server = serverProcess(4381);
const { origin } = server;
const random = seededRandom(7);
const between = (low: number, high: number): number => low + random() * (high - low);
const json = { 'content-type': 'application/json' };
const send = (method: string, path: string, body: object): Promise<Response> =>
  fetch(origin + path, { method, headers: json, body: JSON.stringify(body) });
const batch = async (id: string): Promise<BatchDocument> =>
  (await (await fetch(origin + routes.batch(id))).json()) as BatchDocument;

/** Latest version and name that were acknowledged, the name that was sent after, and the entries of its log, by id. */
type Acknowledged = Map<string, { version: number; name: string; sent: string; logged: string[] }>;

/** An entry of a log. */
const note = (id: string): LogEntry => logEntry({ id, at: 0, kind: 'noted', text: 'Still fluid' });

const count = (acknowledged: Acknowledged): number =>
  [...acknowledged.values()].reduce((sum, { version }) => sum + version, 0);

/** Creates a batch and saves it again and again, until the line breaks. */
async function write(source: BatchDocument, writer: number, acknowledged: Acknowledged): Promise<void> {
  const { state, madeOn, plan } = source;
  try {
    for (let n = 0; ; n++) {
      const name = `Writer ${writer}, batch ${n}`;
      const made = (await (
        await send('POST', routes.batches, { name, state, madeOn, plan })
      ).json()) as BatchDocument;
      const logged: string[] = [];
      acknowledged.set(made.id, { version: 1, name, sent: name, logged });
      for (let version = 1; version < 6; version++) {
        const next = `${name}, ${version}`;
        acknowledged.get(made.id)!.sent = next;
        const answer = await send('PUT', routes.batch(made.id), { name: next, state, madeOn, plan, version });
        if (answer.status !== 200) throw new Error(`answered ${answer.status}`);
        acknowledged.set(made.id, { version: version + 1, name: next, sent: next, logged });
        const entry = `${made.id}-${version}`;
        const added = await send('POST', routes.log(made.id), { entries: [note(entry)] });
        if (added.status !== 204) throw new Error(`answered ${added.status}`);
        logged.push(entry);
      }
    }
  } catch (error) {
    if ((error as Error).message.startsWith('answered')) throw error;
  }
}

it(`loses no acknowledged write in ${KILLS} kills while it writes`, async () => {
  const acknowledged: Acknowledged = new Map();
  let first = server.start();
  await first.ready;
  const { items } = (await (await fetch(origin + routes.batches)).json()) as BatchPage;
  const source = await batch(items[0]!.id);
  for (let kill = 0; kill < KILLS; kill++) {
    const writing = Promise.all(
      Array.from({ length: WRITERS }, (_, w) => write(source, kill * WRITERS + w, acknowledged)),
    );
    const goal = count(acknowledged) + between(2, 30);
    while (count(acknowledged) < goal) await sleep(3);
    first.child.kill('SIGKILL');
    await Promise.all([writing, first.ended]);
    first = server.start();
    await first.ready;
  }
  expect(count(acknowledged)).toBeGreaterThanOrEqual(2 * KILLS);
  for (const [id, { version, name, sent, logged }] of acknowledged) {
    const kept = await batch(id);
    const { entries } = (await (await fetch(origin + routes.log(id))).json()) as LogPage;
    expect(entries.map((e) => e.id)).toEqual(expect.arrayContaining(logged));
    // The last one sent may be there too: the kill came after the write and before the answer.
    expect([
      [version, name],
      [version + 1, sent],
    ]).toContainEqual([kept.version, kept.name]);
  }
  first.child.kill('SIGTERM');
  await first.ended;
  const db = new Database(join(server.folder, DATA_FILE), { readonly: true });
  expect(db.prepare('PRAGMA integrity_check').all()).toEqual([{ integrity_check: 'ok' }]);
  db.close();
});

it(`opens every file after ${START_KILLS} kills while it starts and brings the file up to date`, async () => {
  const names = readdirSync(FIXTURES).filter((n) => n.endsWith('.gz'));
  for (let kill = 0; kill < START_KILLS; kill++) {
    const name = names[kill % names.length]!;
    writeFileSync(join(server.folder, DATA_FILE), gunzipSync(readFileSync(join(FIXTURES, name))));
    const started = server.start();
    await Promise.race([sleep(between(100, 900)), started.ready]);
    started.child.kill('SIGKILL');
    await started.ended;
    const again = server.start();
    await again.ready;
    const { items } = (await (await fetch(origin + routes.batches)).json()) as BatchPage;
    expect(items.length).toBeGreaterThan(0);
    for (const { id } of items) expect((await batch(id)).plan.pots.length).toBeGreaterThan(0);
    again.child.kill('SIGKILL');
    await again.ended;
    for (const file of readdirSync(server.folder))
      if (file.startsWith(DATA_FILE)) unlinkSync(join(server.folder, file));
  }
});
