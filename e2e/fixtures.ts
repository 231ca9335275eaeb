import { test as base } from '@playwright/test';
import { BatchesPage } from './pages/batches.ts';
import { BenchPage } from './pages/bench.ts';
import { IdeaPage } from './pages/idea.ts';
import { ShelfPage } from './pages/shelf.ts';

interface Pages {
  readonly batches: BatchesPage;
  readonly bench: BenchPage;
  readonly idea: IdeaPage;
  readonly shelf: ShelfPage;
}

/** Every test starts from the demo, and fails on any error in the page. */
export const test = base.extend<Pages & { readonly demo: undefined; readonly quiet: undefined }>({
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
  shelf: async ({ page }, use) => {
    await use(new ShelfPage(page));
  },
});

export const expect = test.expect;
