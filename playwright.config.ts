import { existsSync, mkdtempSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { defineConfig } from '@playwright/test';
import { firstPort } from './e2e/ports.ts';

/** Tests that run side by side; each has a server and a workspace of its own, since every test resets the demo. */
const workers = 2;

/** Debian's, the quicker first. */
const browsers = ['/usr/bin/chromium-headless-shell', '/usr/bin/chromium'];

export default defineConfig({
  testDir: 'e2e',
  outputDir: 'test-results',
  workers,
  // Two tests still depend on how busy the machine is; the report names what needed a second try.
  retries: 1,
  fullyParallel: true,
  forbidOnly: Boolean(process.env.CI),
  reporter: [['list'], ['json', { outputFile: 'test-results/e2e.json' }]],
  // A shared machine can stand still for seconds: the limits stop what hangs, they do not time the application.
  timeout: 180_000,
  expect: { timeout: 25_000 },
  use: {
    actionTimeout: 60_000,
    contextOptions: { reducedMotion: 'reduce' },
    viewport: { width: 1280, height: 800 },
    trace: 'off',
    launchOptions: {
      executablePath: process.env.CHROMIUM ?? browsers.find((path) => existsSync(path)),
      args: [
        '--no-sandbox',
        '--disable-gpu',
        '--disable-quic',
        '--no-pings',
        '--host-resolver-rules=MAP * ~NOTFOUND , EXCLUDE 127.0.0.1 , EXCLUDE localhost',
      ],
    },
  },
  webServer: Array.from({ length: workers }, (_, i) => ({
    command: 'node apps/server/bundle/main.js',
    url: `http://127.0.0.1:${firstPort + i}/api/health`,
    env: {
      PORT: String(firstPort + i),
      KLEUR_DATA: mkdtempSync(join(tmpdir(), 'kleur-e2e-')),
      NODE_ENV: 'production',
      // The tests read the sources of core and contract; the built server is run as it is.
      NODE_OPTIONS: '',
    },
    reuseExistingServer: false,
    timeout: 180_000,
  })),
});
