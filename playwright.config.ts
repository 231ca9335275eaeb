import { mkdtempSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { defineConfig } from '@playwright/test';

const port = Number(process.env.E2E_PORT ?? 4290);
// One folder for the whole run, also when the configuration is read again by a worker.
process.env.E2E_DATA ??= mkdtempSync(join(tmpdir(), 'kleur-e2e-'));

export default defineConfig({
  testDir: 'e2e',
  outputDir: 'test-results',
  workers: 1,
  forbidOnly: Boolean(process.env.CI),
  reporter: [['list'], ['json', { outputFile: 'test-results/e2e.json' }]],
  timeout: 40_000,
  expect: { timeout: 8000 },
  use: {
    contextOptions: { reducedMotion: 'reduce' },
    baseURL: `http://127.0.0.1:${port}`,
    viewport: { width: 1280, height: 800 },
    trace: 'off',
    launchOptions: {
      executablePath: process.env.CHROMIUM ?? '/usr/bin/chromium',
      args: [
        '--no-sandbox',
        '--disable-gpu',
        '--disable-quic',
        '--no-pings',
        '--host-resolver-rules=MAP * ~NOTFOUND , EXCLUDE 127.0.0.1 , EXCLUDE localhost',
      ],
    },
  },
  webServer: {
    command: 'node apps/server/dist/main.js',
    url: `http://127.0.0.1:${port}/api/health`,
    env: { PORT: String(port), KLEUR_DATA: process.env.E2E_DATA, NODE_ENV: 'production' },
    reuseExistingServer: false,
  },
});
