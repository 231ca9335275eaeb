import { type BrowserContext, type Page, test as base } from '@playwright/test';
import { BatchesPage } from './pages/batches.ts';
import { BenchPage } from './pages/bench.ts';
import { IdeaPage } from './pages/idea.ts';
import { ResultPage } from './pages/result.ts';
import { ShelfPage } from './pages/shelf.ts';
import { firstPort } from './ports.ts';

interface Pages {
  readonly batches: BatchesPage;
  readonly bench: BenchPage;
  readonly idea: IdeaPage;
  readonly result: ResultPage;
  readonly shelf: ShelfPage;
}

/** Every test runs on its worker's own server, starts from the demo, and fails on any error in the page. */
export const test = base.extend<Pages & { readonly demo: undefined; readonly quiet: undefined }>({
  // The runner reads what a fixture needs from the pattern: none here.
  // oxlint-disable-next-line no-empty-pattern
  baseURL: async ({}, use, { parallelIndex }) => {
    await use(`http://127.0.0.1:${firstPort + parallelIndex}`);
  },
  demo: [
    async ({ request }, use) => {
      await request.post('/api/demo/reset', { data: { confirm: 'replace everything with the demo' } });
      await use(undefined);
    },
    { auto: true },
  ],
  quiet: [
    async ({ page }, use) => {
      const errors: string[] = [];
      page.on('pageerror', (e) => errors.push(e.message));
      await use(undefined);
      expect(errors).toEqual([]);
    },
    { auto: true },
  ],
  batches: async ({ page }, use) => {
    await use(new BatchesPage(page));
  },
  bench: async ({ page }, use) => {
    await use(new BenchPage(page));
  },
  idea: async ({ page }, use) => {
    await use(new IdeaPage(page));
  },
  result: async ({ page }, use) => {
    await use(new ResultPage(page));
  },
  shelf: async ({ page }, use) => {
    await use(new ShelfPage(page));
  },
});

export const expect = test.expect;

/** The address of one batch in the API. */
export const BATCH = /\/api\/batches\/[^/]+$/;

/** Refuses every save of a page or of all pages. @returns what lets them through again. */
export async function stopSaves(where: Page | BrowserContext): Promise<() => Promise<void>> {
  await where.route(BATCH, (route) =>
    route.request().method() === 'PUT' ? route.abort() : route.fallback(),
  );
  return () => where.unroute(BATCH);
}

/** How much slower the page's thread is now than an ordinary machine: a loop of about 20 ms, timed. At least 1. */
const slowness = (page: Page): Promise<number> =>
  page.evaluate(() => {
    const from = performance.now();
    let sum = 0;
    for (let i = 0; i < 2e7; i++) sum += i % 7;
    return Math.max(1, (performance.now() - from) / (sum > 0 ? 20 : 1));
  });

/**
 * Does something until it went by without a task on the page's thread that took longer than `limit` ms of an ordinary
 * machine. A busy machine stops any task now and then; code that blocks the page does so every time.
 */
export async function withoutBlocking(page: Page, limit: number, act: () => Promise<void>): Promise<void> {
  await expect(async () => {
    const before = await slowness(page);
    await page.evaluate(() => {
      const seen: number[] = [];
      Object.assign(window, { longTasks: seen });
      new PerformanceObserver((list) => {
        for (const entry of list.getEntries()) seen.push(entry.duration);
      }).observe({ entryTypes: ['longtask'] });
    });
    await act();
    const long = await page.evaluate(() => (window as unknown as { longTasks: number[] }).longTasks);
    const allowed = limit * Math.max(before, await slowness(page));
    expect(long.filter((ms) => ms > allowed)).toEqual([]);
  }).toPass({ timeout: 90_000 });
}
