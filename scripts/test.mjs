import { spawn } from 'node:child_process';
import { existsSync, mkdirSync, readFileSync, rmSync } from 'node:fs';
import { availableParallelism } from 'node:os';
import { dirname, join } from 'node:path';
import { browser, build, install, root, run } from './setup.mjs';

/*
 * All tests on a fresh machine: installs, builds, then types, lint, format, import rules, unused code, unit and
 * browser tests. Everything runs even after a failure; the last line sums the tests up.
 */
install();
browser();
build();

let passed = 0;
let failed = 0;

/** Runs a command to its end. @returns its exit code and what it wrote. */
function quietly(args) {
  return new Promise((resolve) => {
    const child = spawn('npx', ['--no-install', ...args], { cwd: root, stdio: ['ignore', 'pipe', 'pipe'] });
    const written = [];
    child.stdout.on('data', (part) => written.push(part));
    child.stderr.on('data', (part) => written.push(part));
    child.on('error', (error) => written.push(Buffer.from(error.message)));
    child.on('close', (code) => resolve({ code: code ?? 1, output: Buffer.concat(written).toString() }));
  });
}

/** Checks without tests of their own, which count as one each. They know nothing of each other: side by side. */
async function checks(list) {
  const waiting = [...list];
  const next = async () => {
    for (let item = waiting.shift(); item; item = waiting.shift()) {
      const [name, args] = item;
      const { code, output } = await quietly(args);
      console.log(`\n── ${name}${code === 0 ? '' : ' · failed'}\n${output.trimEnd()}`);
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
  const code = run('npx', ['--no-install', ...args]);
  const counted = existsSync(file) ? count(JSON.parse(readFileSync(file, 'utf8'))) : { passed: 0, failed: 0 };
  passed += counted.passed;
  // A runner that fell over without naming a test has failed all the same.
  failed += code !== 0 && counted.failed === 0 ? 1 : counted.failed;
}

await checks([
  // In two halves, which keep both cores busy.
  ['lint of the web', ['eslint', 'apps/web', 'e2e', '--max-warnings', '0']],
  [
    'lint of the rest',
    ['eslint', '.', '--ignore-pattern', 'apps/web/**', '--ignore-pattern', 'e2e/**', '--max-warnings', '0'],
  ],
  ['types', ['tsc', '-b']],
  ['import rules', ['depcruise', 'packages', 'apps', 'e2e', 'bench', '--config', '.dependency-cruiser.cjs']],
  ['format', ['prettier', '--check', '--log-level', 'warn', '.']],
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
tests('browser tests', ['playwright', 'test'], 'test-results/e2e.json', ({ stats }) => ({
  passed: stats.expected + stats.flaky,
  failed: stats.unexpected,
}));

console.log(`\n${passed} passed, ${failed} failed`);
process.exit(failed === 0 ? 0 : 1);
