import { readFileSync } from 'node:fs';
import { type BatchPage, BODY_LIMIT_BYTES, type Problem, PROBLEM_CODES, routes } from '@kleur/contract';
import * as fc from 'fast-check';
import { type Operation, operationsOf, type OpenApi } from './open-api.ts';
import { cases } from '../../../packages/core/test/cases.ts';
import { serverProcess } from './server-process.ts';

/** Bodies that are sent, over all operations; KLEUR_BODIES for more. */
const BODIES = Number(process.env.KLEUR_BODIES ?? cases(500, 10_000));
const SEED = 20_261;
/** Most processor time of one body on an ordinary machine, ms, and most memory of the server, MB. */
const MOST_CPU = 300;
const MOST_MEMORY = 300;
/** What writes a whole workspace, or is worked out in a thread of its own, may take longer. */
const HEAVY = new Set<string>([
  routes.demoReset,
  routes.bookFit,
  routes.bookAccept,
  routes.bookTrial,
  routes.fit,
]);
const TICK_MS = 10;
/** Against hanging: ten thousand bodies take one to three minutes. */
const LIMIT_MS = 900_000;

const server = serverProcess(4382);
const { origin } = server;

/** Processor time of a process so far, ms. */
function cpuOf(pid: number): number {
  // Fields after the name in brackets: the 12th and 13th are ticks in user and system mode.
  const fields = readFileSync(`/proc/${pid}/stat`, 'utf8').split(') ')[1]!.split(' ');
  return (Number(fields[11]) + Number(fields[12])) * TICK_MS;
}
/** How much slower this machine is than an ordinary one: a loop of about 25 ms, timed; the best of some. At least 1. */
function slowness(): number {
  const times = Array.from({ length: 5 }, () => {
    const from = process.cpuUsage().user;
    let sum = 0;
    for (let i = 0; i < 2e7; i++) sum += i % 7;
    return (process.cpuUsage().user - from) / 1000 / (sum > 0 ? 25 : 1);
  });
  return Math.max(1, Math.min(...times));
}

/** Most memory that a process has held, MB. */
const memoryOf = (pid: number): number =>
  Number(/VmHWM:\s+(\d+)/.exec(readFileSync(`/proc/${pid}/status`, 'utf8'))![1]) / 1024;

it(
  `answers ${BODIES} made-up bodies without failing, stalling or swelling`,
  async () => {
    const { child, ready } = server.start();
    await ready;
    const pid = child.pid!;
    const document = (await (await fetch(origin + routes.openapi)).json()) as OpenApi;
    const { items } = (await (await fetch(origin + routes.batches)).json()) as BatchPage;
    // A passphrase would lock the test out; its own limit is tested where it stands.
    const operations = operationsOf(document).filter((o) => !o.path.startsWith('/api/access'));
    expect(operations.length).toBeGreaterThan(10);
    const ids = fc.constantFrom(...items.map((b) => b.id), 'indigo', 'settings', 'nowhere', '..', '%00');
    const requests = fc.sample(
      fc.tuple(
        fc.constantFrom(...operations).chain((o) => fc.tuple(fc.constant(o), o.body)),
        ids,
      ),
      { seed: SEED, numRuns: BODIES },
    );

    const statuses = new Map<number, number>();
    let slowest: { ms: number; operation: string } = { ms: 0, operation: '' };
    let before = cpuOf(pid);
    for (const [[operation, body], id] of requests) {
      const answer = await ask(operation, id, body).catch((error: unknown) => {
        // A connection that the server has just closed as used up; a server that has ended fails the test.
        if (child.exitCode !== null || child.signalCode !== null) throw error;
        return ask(operation, id, body);
      });
      const text = await answer.text();
      statuses.set(answer.status, (statuses.get(answer.status) ?? 0) + 1);
      if (answer.status >= 500)
        throw new Error(`${operation.method} ${operation.path}: ${text}\n${body.slice(0, 2000)}`);
      if (answer.status >= 400) expect(PROBLEM_CODES).toContain((JSON.parse(text) as Problem).code);
      const now = cpuOf(pid);
      if (!HEAVY.has(operation.path) && now - before > slowest.ms)
        slowest = { ms: now - before, operation: operation.path };
      before = now;
    }
    console.log(
      `bodies ${[...statuses].map(([s, n]) => `${s}: ${n}`).join(', ')}; most ${slowest.ms} ms (${slowest.operation}), ${memoryOf(pid).toFixed(0)} MB`,
    );
    // Some of every kind went through, or nothing was tried but the front door.
    expect(statuses.get(200)! + statuses.get(201)!).toBeGreaterThan(BODIES / 100);
    expect(statuses.get(400)).toBeGreaterThan(BODIES / 10);
    expect(slowest.ms).toBeLessThanOrEqual(MOST_CPU * slowness());
    expect(memoryOf(pid)).toBeLessThan(MOST_MEMORY);
    expect((await fetch(origin + routes.health)).status).toBe(200);
    const after = (await (await fetch(origin + routes.batches)).json()) as BatchPage;
    for (const { id } of after.items) expect((await fetch(origin + routes.batch(id))).status).toBe(200);
  },
  LIMIT_MS,
);

const ask = ({ method, path }: Operation, id: string, body: string): Promise<Response> =>
  fetch(origin + path.replace(/\{\w+\}/, encodeURIComponent(id)), {
    method,
    headers: { 'content-type': 'application/json' },
    body: body.slice(0, 2 * BODY_LIMIT_BYTES),
  });
