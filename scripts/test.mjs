import { existsSync, mkdirSync, readFileSync, rmSync } from 'node:fs';
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

/** A check without tests of its own counts as one. */
function check(name, args) {
  console.log(`\n── ${name}`);
  if (run('npx', ['--no-install', ...args]) === 0) passed += 1;
  else failed += 1;
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

check('types', ['tsc', '-b']);
check('lint', ['eslint', '.', '--max-warnings', '0']);
check('format', ['prettier', '--check', '--log-level', 'warn', '.']);
check('import rules', [
  'depcruise',
  'packages',
  'apps',
  'e2e',
  'bench',
  '--config',
  '.dependency-cruiser.cjs',
]);
check('unused code and dependencies', ['knip']);
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
