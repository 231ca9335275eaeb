import { type Browser, type Page } from '@playwright/test';
import { expect, test } from './fixtures.ts';
import { type BatchesPage } from './pages/batches.ts';

/** What a first opening may ask for: kB of JavaScript as sent, in so many files, and requests with the page and its data. */
const MOST = { scriptKb: 335, scripts: 15, requests: 25 };

/** Opens an address as on a first visit, and looks at what was asked for until nothing more is. */
async function opensWithinSize(browser: Browser, path: string): Promise<void> {
  const context = await browser.newContext();
  const page = await context.newPage();
  const network = await context.newCDPSession(page);
  await network.send('Network.enable');
  // What is fetched ahead while the page is idle is for the next opening.
  await page.addInitScript(() => {
    window.requestIdleCallback = () => 0;
  });
  const urls = new Map<string, string>();
  const scripts: number[] = [];
  network.on('Network.requestWillBeSent', ({ requestId, request }) => {
    if (request.url.startsWith('http')) urls.set(requestId, request.url);
  });
  network.on('Network.loadingFinished', ({ requestId, encodedDataLength }) => {
    if (urls.get(requestId)?.endsWith('.js')) scripts.push(encodedDataLength);
  });
  await page.goto(path);
  await expect(page.getByRole('heading', { level: 1 })).toBeVisible();
  await page.waitForLoadState('networkidle');
  const size = scripts.reduce((sum, bytes) => sum + bytes, 0) / 1000;
  expect.soft(new Set(urls.values()).size, `requests of ${path}`).toBeLessThanOrEqual(MOST.requests);
  expect.soft(scripts.length, `files of JavaScript of ${path}`).toBeLessThanOrEqual(MOST.scripts);
  expect.soft(size, `kB of JavaScript of ${path}`).toBeLessThanOrEqual(MOST.scriptKb);
  expect(size, `JavaScript of ${path} is counted`).toBeGreaterThan(100);
  await context.close();
}

/** The id of a batch of the demo, which it opens. */
async function idOf(batches: BatchesPage, page: Page, name: string): Promise<string> {
  await batches.openBatch(name);
  return /batches\/([^/]+)/.exec(page.url())![1]!;
}

test('the first opening of a room stays within its size', async ({ browser, batches, page }) => {
  const id = await idOf(batches, page, 'Kingfisher');
  const rooms = ['/batches', '/shelf', '/book', '/calendar', '/settings'];
  const below = ['/batches/new', `/batches/compare?ids=${id}`];
  const ofBook = ['/book/import', '/book/photo', '/book/trial', '/book/ultramarine-blue'];
  for (const path of [...rooms, ...below, ...ofBook]) await opensWithinSize(browser, path);
});

test('the first opening of a step of a batch stays within its size', async ({ browser, batches, page }) => {
  const id = await idOf(batches, page, 'Kingfisher');
  const made = await idOf(batches, page, 'Slate and saffron');
  const steps = ['idea', 'base', 'pots', 'prep', 'make', 'result'].map((step) => `/batches/${id}/${step}`);
  for (const path of [...steps, `/batches/${made}/result`]) await opensWithinSize(browser, path);
});
