import { existsSync, mkdirSync, readFileSync, rmSync } from 'node:fs';
import { availableParallelism } from 'node:os';
import { dirname, join } from 'node:path';
import { browser, build, install, quietly, root, run } from './setup.mjs';

/*
 * All tests on a fresh machine: installs, builds, then types, lint, format, import rules, unused code, unit and
 * browser tests. Everything runs even after a failure; the last line sums the tests up.
 */
install();
browser();

const began = performance.now();
const seconds = () => Math.round((performance.now() - began) / 1000);

let passed = 0;
let failed = 0;

/** Checks without tests of their own, which count as one each. They know nothing of each other: side by side. */
async function checks(list) {
  const waiting = [...list];
  const next = async () => {
    for (let item = waiting.shift(); item; item = waiting.shift()) {
      const [name, args] = item;
      const from = performance.now();
      const { code, output } = args ? await quietly('npx', ['--no-install', ...args]) : await build();
      const took = Math.round((performance.now() - from) / 1000);
      console.log(`\n── ${name}, ${took} s${code === 0 ? '' : ' · failed'}\n${output.trimEnd()}`);
      if (code === 0) passed += 1;
      else failed += 1;
    }
  };
  await Promise.all(Array.from({ length: availableParallelism() }, next));
}

function tests(name, args, resultFile, count) {
  console.log(`\n── ${name}`);
  const file = join(root, resultFile);
  rmSync(file, { force: true });
  mkdirSync(dirname(file), { recursive: true });
  const from = performance.now();
  const code = run('npx', ['--no-install', ...args]);
  console.log(`${name}: ${Math.round((performance.now() - from) / 1000)} s`);
  const counted = existsSync(file) ? count(JSON.parse(readFileSync(file, 'utf8'))) : { passed: 0, failed: 0 };
  passed += counted.passed;
  // A runner that fell over without naming a test has failed all the same.
  failed += code !== 0 && counted.failed === 0 ? 1 : counted.failed;
}

/** What this process and those that it has waited for have used, user and system. */
function cpuSeconds() {
  // After the name in brackets: state is the first field, user and system time are the 12th and 13th, those of children follow.
  const fields = readFileSync('/proc/self/stat', 'utf8')
    .replace(/^.*\) /, '')
    .split(' ');
  return fields.slice(11, 15).reduce((sum, ticks) => sum + Number(ticks) / 100, 0);
}

/** The slowest browser tests. */
function slowest(count) {
  const file = join(root, 'test-results/e2e.json');
  if (!existsSync(file)) return [];
  const found = [];
  const walk = (suite) => {
    for (const spec of suite.specs ?? [])
      for (const { results } of spec.tests)
        found.push({
          title: `${suite.file}: ${spec.title}`,
          ms: results.reduce((sum, r) => sum + r.duration, 0),
        });
    for (const inner of suite.suites ?? []) walk(inner);
  };
  for (const suite of JSON.parse(readFileSync(file, 'utf8')).suites) walk(suite);
  return found.sort((a, b) => b.ms - a.ms).slice(0, count);
}

await checks([
  // The browser tests and those of the built server need it; the checks do not wait for it.
  ['build', null],
  ['types and lint', ['oxlint', '--report-unused-disable-directives', '--deny-warnings', '.']],
  ['import rules', ['depcruise', 'packages', 'apps', 'e2e', 'bench', '--config', '.dependency-cruiser.cjs']],
  ['format', ['oxfmt', '--check', '.']],
  ['unused code and dependencies', ['knip']],
]);
tests(
  'unit tests',
  ['jest', '--json', '--outputFile=test-results/unit.json'],
  'test-results/unit.json',
  ({ numPassedTests, numFailedTests, numRuntimeErrorTestSuites }) => ({
    passed: numPassedTests,
    failed: numFailedTests + numRuntimeErrorTestSuites,
  }),
);
// Core and contract are read from their sources: nothing is compiled for the tests alone.
process.env.NODE_OPTIONS = '--conditions=source';
tests('browser tests', ['playwright', 'test'], 'test-results/e2e.json', ({ stats }) => ({
  passed: stats.expected + stats.flaky,
  failed: stats.unexpected,
}));

console.log(`\nAll in ${seconds()} s; ${Math.round(cpuSeconds())} s of processor time`);
for (const { title, ms } of slowest(5)) console.log(`${(ms / 1000).toFixed(1)} s  ${title}`);
console.log(`\n${passed} passed, ${failed} failed`);
process.exit(failed === 0 ? 0 : 1);
