import { type ChildProcess, spawn } from 'node:child_process';
import { mkdtempSync, readdirSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { setTimeout as sleep } from 'node:timers/promises';
import { type BatchDocument, type BatchPage, routes } from '@kleur/contract';
import { report } from './report.ts';

/** The built server and web: start, the list of 2,000 batches (10,000 with `--large`), what is found among them. */
const BATCHES = process.argv.includes('--large') ? 10_000 : 2000;
/** Runs of 200 pages; the best one counts, as the machine does other things too. */
const RUNS = 5;
const root = join(import.meta.dirname, '..');
const folder = mkdtempSync(join(tmpdir(), 'kleur-bench-'));
const port = 4395;
const origin = `http://127.0.0.1:${port}`;

async function start(
  flags: string[] = [],
  env: NodeJS.ProcessEnv = {},
): Promise<{ child: ChildProcess; ms: number }> {
  const from = performance.now();
  const child = spawn(process.execPath, [...flags, join(root, 'apps/server/bundle/main.js')], {
    env: { ...process.env, ...env, KLEUR_DATA: folder, PORT: String(port), NODE_ENV: 'production' },
    stdio: ['ignore', 'pipe', 'inherit'],
  });
  await new Promise<void>((resolve) => {
    child.stdout.on('data', (d: Buffer) => {
      if (d.toString().includes('ready')) resolve();
    });
  });
  return { child, ms: performance.now() - from };
}
const stop = (child: ChildProcess) =>
  new Promise((resolve) => {
    child.on('exit', resolve);
    child.kill();
  });

/** Files that the server had loaded when it was ready, from what the engine says it has seen. */
async function filesLoaded(): Promise<number> {
  const seen = mkdtempSync(join(tmpdir(), 'kleur-seen-'));
  const onSignal = "import { takeCoverage } from 'node:v8'; process.on('SIGUSR2', takeCoverage);";
  const { child } = await start(['--import', `data:text/javascript,${encodeURIComponent(onSignal)}`], {
    NODE_V8_COVERAGE: seen,
  });
  child.kill('SIGUSR2');
  while (readdirSync(seen).length === 0) await sleep(50);
  await stop(child);
  const { result } = JSON.parse(readFileSync(join(seen, readdirSync(seen)[0]!), 'utf8')) as {
    result: { url: string }[];
  };
  rmSync(seen, { recursive: true, force: true });
  return result.filter(({ url }) => url.startsWith('file:')).length;
}

const first = await start();
const { items } = (await (await fetch(origin + routes.batches)).json()) as BatchPage;
const source = (await (await fetch(origin + routes.batch(items[0]!.id))).json()) as BatchDocument;
for (let i = 0; i < BATCHES; i++) {
  await fetch(origin + routes.batches, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify({
      name: `Batch ${i}`,
      state: source.state,
      madeOn: source.madeOn,
      plan: source.plan,
    }),
  });
}
/** Median and 99th percentile of 200 pages, ms. */
async function pages200(): Promise<readonly [number, number]> {
  const times: number[] = [];
  for (let i = 0; i < 200; i++) {
    const from = performance.now();
    await (await fetch(`${origin}${routes.batches}?page=${(i % 20) + 1}`)).json();
    times.push(performance.now() - from);
  }
  times.sort((a, b) => a - b);
  return [times[100]!, times[198]!];
}
const runs: (readonly [number, number])[] = [];
for (let i = 0; i < RUNS; i++) runs.push(await pages200());
const [median, p99] = runs.sort((a, b) => a[1] - b[1])[0]!;
/** Median of 60 answers, ms, after one that may have to work something out first. */
async function medianOf(address: (i: number) => string): Promise<number> {
  await (await fetch(origin + address(0))).json();
  const times: number[] = [];
  for (let i = 1; i <= 60; i++) {
    const from = performance.now();
    await (await fetch(origin + address(i))).json();
    times.push(performance.now() - from);
  }
  return times.sort((a, b) => a - b)[30]!;
}
const hex = (i: number): string => `#${(0x305080 + i * 40503).toString(16).slice(-6).padStart(6, '0')}`;
const like = await medianOf((i) => `${routes.ledger}?page=1&within=10&colour=${encodeURIComponent(hex(i))}`);
const calendar = await medianOf(() => routes.calendar);
await stop(first.child);
const second = await start();
await stop(second.child);
const files = await filesLoaded();
rmSync(folder, { recursive: true, force: true });

report([
  {
    what: `Server start, new workspace · with ${BATCHES} batches`,
    measured: `${(first.ms / 1000).toFixed(2)} s · ${(second.ms / 1000).toFixed(2)} s`,
    goal: '≤ 2 s · ≤ 2.5 s',
    met: first.ms <= 2000 && second.ms <= 2500,
  },
  {
    what: 'Files that the server has loaded when it is ready',
    measured: String(files),
    goal: '≤ 40',
    met: files <= 40,
  },
  {
    what: `A page of the list of ${BATCHES} batches, median · p99, best of ${RUNS} runs`,
    measured: `${median.toFixed(1)} ms · ${p99.toFixed(1)} ms`,
    goal: 'p99 ≤ 20 ms',
    met: p99 <= 20,
  },
  {
    what: `Bars like a colour among ${BATCHES} batches, median of 60`,
    measured: `${like.toFixed(1)} ms`,
    goal: '≤ 10 ms',
    met: like <= 10,
  },
  {
    what: `Days of ${BATCHES} batches for the calendar, median of 60`,
    measured: `${calendar.toFixed(1)} ms`,
    goal: '≤ 200 ms',
    met: calendar <= 200,
  },
]);
