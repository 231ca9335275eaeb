import type { BrowserContext, Page } from '@playwright/test';
import { BATCH, expect, stopSaves, test } from './fixtures.ts';

/** What happens when the same batch is open twice, when the line breaks, and when the browser keeps nothing. */

const parts = (page: Page) => page.getByLabel('Parts', { exact: true });
const saved = (page: Page) => page.locator('.save-saved');

/** The same batch in a second tab. */
async function second(page: Page, context: BrowserContext): Promise<Page> {
  const other = await context.newPage();
  await other.goto(page.url());
  await expect(parts(other)).toBeVisible();
  return other;
}

/** Leaves an unsaved name in the first tab, and another version on the server. @returns what lets saves through. */
async function divide(page: Page, context: BrowserContext, name: string): Promise<() => Promise<void>> {
  const allow = await stopSaves(page);
  const other = await second(page, context);
  await page.getByLabel('Name', { exact: true }).fill(name);
  await page.keyboard.press('Tab');
  await expect(page.getByText('Not saved')).toBeVisible();
  await parts(other).fill('9');
  await expect(saved(other)).toBeVisible();
  await other.close();
  return allow;
}

async function conflict(page: Page, context: BrowserContext): Promise<void> {
  const allow = await divide(page, context, 'Mine');
  await allow();
}

test('an unchanged tab follows what another one saves', async ({ page, context, batches }) => {
  await batches.openBatch('Kingfisher');
  const other = await second(page, context);
  await parts(other).fill('9');
  await expect(saved(other)).toBeVisible();
  await expect(parts(page)).toHaveValue('9', { timeout: 2500 });
  await expect(page.getByText('This batch was changed elsewhere.')).toBeVisible();
  await page.getByRole('button', { name: 'Undo', exact: true }).click();
  await expect(parts(page)).not.toHaveValue('9');
});

test('a conflict says when and what, nothing gets past it, and both can be kept', async ({
  page,
  context,
  batches,
  bench,
}) => {
  await batches.openBatch('Kingfisher');
  await conflict(page, context);
  const dialog = page.getByRole('dialog', { name: 'This batch was changed elsewhere' });
  await expect(dialog).toContainText(/saved “Kingfisher” on .*\d{4}, \d\d:\d\d:\d\d/);
  const rows = dialog.getByRole('table', { name: 'What differs' }).getByRole('row');
  await expect(rows.nth(1)).toContainText(/Mine, .*Wing blue, /);
  await expect(rows.filter({ hasText: 'share' })).toContainText(/3 parts.*9 parts/);

  const address = page.url();
  for (const key of ['Escape', 'Control+z', 'b', 's', '1', 'p', '?']) await page.keyboard.press(key);
  await page.evaluate(() => {
    window.history.back();
  });
  await page.waitForTimeout(500);
  expect(page.url()).toBe(address);
  await expect(dialog).toBeVisible();
  await expect(page.getByRole('dialog')).toHaveCount(1);
  await expect(page.getByLabel('Name', { exact: true })).toHaveValue('Mine');

  await dialog.getByRole('button', { name: /Keep both/ }).click();
  await expect(page.getByLabel('Name of the batch')).toHaveValue('Kingfisher (my version)');
  await expect(bench.pot('Mine')).toBeVisible();
  await batches.open();
  await expect(batches.card('Kingfisher')).toBeVisible();
  await expect(batches.card('Kingfisher (my version)')).toBeVisible();
});

test('taking the other version leaves mine one undo away', async ({ page, context, batches, bench }) => {
  await batches.openBatch('Kingfisher');
  await conflict(page, context);
  await page.getByRole('button', { name: /Use the other version/ }).click();
  await expect(parts(page)).toHaveValue('9');
  await expect(bench.pot('Mine')).toHaveCount(0);
  await page.getByRole('button', { name: 'Undo', exact: true }).click();
  await expect(bench.pot('Mine')).toBeVisible();
  await bench.waitSaved();
});

test('keeping mine replaces the other version', async ({ page, context, batches, bench }) => {
  await batches.openBatch('Kingfisher');
  await conflict(page, context);
  await page.getByRole('button', { name: /Keep mine/ }).click();
  await bench.waitSaved();
  await page.reload();
  await expect(bench.pot('Mine')).toBeVisible();
  await expect(parts(page)).not.toHaveValue('9');
});

test('a draft outlives the save of another tab, and its own tab', async ({ page, context, batches }) => {
  await batches.openBatch('Kingfisher');
  const address = page.url();
  await divide(page, context, 'Left behind');
  await page.close();

  const again = await context.newPage();
  await again.goto(address);
  await expect(again.getByRole('dialog')).toContainText('Left behind');
});

test('an answer that was lost is no conflict, also after another edit', async ({ page, batches, bench }) => {
  await batches.openBatch('Kingfisher');
  let lost = 0;
  await page.route(BATCH, async (route) => {
    if (route.request().method() !== 'PUT' || lost > 0) return route.fallback();
    lost += 1;
    await route.fetch();
    return route.abort();
  });
  await bench.fill('Parts', '8');
  await expect.poll(() => lost).toBe(1);
  await bench.fill('Name', 'Edited after');
  await bench.waitSaved();
  await expect(page.getByRole('dialog')).toHaveCount(0);
  await page.reload();
  await expect(bench.pot('Edited after')).toContainText('914 g');
});

test('a batch deleted elsewhere can be restored or kept as a new one', async ({
  page,
  context,
  batches,
  bench,
}) => {
  await batches.openBatch('Kingfisher');
  const address = page.url();
  const id = /batches\/([^/]+)/.exec(address)![1]!;
  const remove = () => page.request.delete(`/api/batches/${id}`);
  await bench.fill('Parts', '8');
  await bench.waitSaved();

  await remove();
  const dialog = page.getByRole('dialog', { name: 'This batch was deleted elsewhere' });
  await dialog.getByRole('button', { name: 'Restore it' }).click();
  await expect(dialog).toHaveCount(0);
  await bench.waitSaved();
  await page.reload();
  await expect(parts(page)).toHaveValue('8');

  const allow = await stopSaves(context);
  await bench.fill('Parts', '7');
  await expect(page.getByText('Not saved')).toBeVisible();
  await page.goto('about:blank');
  await remove();
  await allow();
  await page.goto(address);
  await expect(page.getByText('This batch was deleted elsewhere')).toBeVisible();
  await batches.open();
  const left = page.getByRole('region', { name: 'Not on the server yet' });
  await expect(left).toContainText('was deleted elsewhere');
  await left.getByRole('button', { name: 'Save it as a new batch' }).click();
  await expect(page.getByLabel('Name of the batch')).toHaveValue('Kingfisher (my version)');
  await expect(parts(page)).toHaveValue('7');
  await batches.open();
  await expect(left).toHaveCount(0);
});

test('what is refused says so and can be kept as a new batch', async ({ page, batches, bench }) => {
  await batches.openBatch('Kingfisher');
  await page.route(BATCH, (route) =>
    route.request().method() === 'PUT'
      ? route.fulfill({
          status: 422,
          json: { code: 'inconsistent-plan', message: 'No such pot.', fields: [] },
        })
      : route.fallback(),
  );
  await bench.fill('Parts', '8');
  await expect(page.getByText(/No such pot.*not sent again by itself/)).toBeVisible();
  await page.getByRole('button', { name: 'Save it as a new batch' }).click();
  await expect(page.getByLabel('Name of the batch')).toHaveValue('Kingfisher (my version)');
  await expect(parts(page)).toHaveValue('8');
});

test('what a tab left behind is told in the list, and sent from whichever room is open', async ({
  page,
  context,
  batches,
  bench,
}) => {
  await batches.openBatch('Kingfisher');
  const address = page.url();
  const allow = await stopSaves(context);
  await bench.fill('Parts', '8');
  await expect(page.getByText('Not saved')).toBeVisible();
  await page.close();

  const other = await context.newPage();
  await other.goto('/batches');
  const left = other.getByRole('region', { name: 'Not on the server yet' });
  await expect(left).toContainText('Kingfisher');
  await expect(left).toContainText('It is safe in this browser and will be sent again.');
  await other.getByRole('link', { name: 'Settings' }).click();
  await allow();
  await expect
    .poll(async () => {
      const id = /batches\/([^/]+)/.exec(address)![1]!;
      return ((await (await other.request.get(`/api/batches/${id}`)).json()) as { version: number }).version;
    })
    .toBe(2);
  await other.getByRole('link', { name: 'Batches' }).click();
  await expect(left).toHaveCount(0);
  await other.goto(address);
  await expect(parts(other)).toHaveValue('8');
});

for (const [name, sign] of [
  ['SecurityError', 'This browser does not let Kleur store anything'],
  ['QuotaExceededError', 'The browser’s storage is full'],
])
  test(`a browser store that answers ${name} costs the safety net, not the work`, async ({
    page,
    batches,
    bench,
  }) => {
    await page.addInitScript((error) => {
      Storage.prototype.setItem = () => {
        throw new DOMException('no', error);
      };
    }, name);
    await batches.openBatch('Kingfisher');
    await expect(page.getByText(`${sign}`)).toBeVisible();
    await bench.fill('Parts', '8');
    await bench.waitSaved();
    const allow = await stopSaves(page);
    await bench.fill('Parts', '7');
    await expect(page.getByText('Not saved')).toBeVisible();
    await expect(page.locator('.save-sign')).toContainText('unsaved changes are in this tab only');
    await allow();
    await bench.waitSaved();
    await page.reload();
    await expect(parts(page)).toHaveValue('7');
  });
