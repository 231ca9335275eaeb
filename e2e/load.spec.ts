import { expect, test } from './fixtures.ts';

/** What a first opening may ask for: kB of JavaScript as sent, and requests with the page and its data. */
const MOST = { scriptKb: 334, requests: 20 };

test('the first opening of a view stays within its size', async ({ browser, batches, page }) => {
  await batches.openBatch('Kingfisher');
  const id = /batches\/([^/]+)/.exec(page.url())![1]!;
  const steps = ['idea', 'base', 'make'].map((step) => `/batches/${id}/${step}`);
  // The largest of each kind: the others hold less of the same.
  for (const path of ['/batches/new', '/shelf', ...steps]) {
    const context = await browser.newContext();
    const first = await context.newPage();
    const network = await context.newCDPSession(first);
    await network.send('Network.enable');
    // What is fetched ahead while the page is idle is for the next opening.
    await first.addInitScript(() => {
      window.requestIdleCallback = () => 0;
    });
    const urls = new Map<string, string>();
    let script = 0;
    network.on('Network.requestWillBeSent', ({ requestId, request }) => {
      if (request.url.startsWith('http')) urls.set(requestId, request.url);
    });
    network.on('Network.loadingFinished', ({ requestId, encodedDataLength }) => {
      if (urls.get(requestId)?.endsWith('.js')) script += encodedDataLength;
    });
    await first.goto(path);
    await expect(first.getByRole('heading', { level: 1 })).toBeVisible();
    await first.waitForLoadState('networkidle');
    expect.soft(new Set(urls.values()).size, `requests of ${path}`).toBeLessThanOrEqual(MOST.requests);
    expect.soft(script / 1000, `kB of JavaScript of ${path}`).toBeLessThanOrEqual(MOST.scriptKb);
    expect(script, `JavaScript of ${path} is counted`).toBeGreaterThan(100_000);
    await context.close();
  }
});
