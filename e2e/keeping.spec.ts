import { expect, stopSaves, test } from './fixtures.ts';

test('undo and redo walk through the edits', async ({ page, batches, bench }) => {
  await batches.openBatch('Kingfisher');
  await bench.fill('Parts', '7');
  await expect(bench.pot('Wing blue')).toContainText('867 g');
  await page.getByRole('button', { name: 'Remove the pot' }).click();
  await expect(bench.pot('Wing blue')).toHaveCount(0);
  await page.keyboard.press('Control+z');
  await expect(bench.pot('Wing blue')).toContainText('867 g');
  await page.keyboard.press('Control+z');
  await expect(bench.pot('Wing blue')).toContainText('557 g');
  await page.keyboard.press('Control+Shift+z');
  await expect(bench.pot('Wing blue')).toContainText('867 g');
  await page.getByRole('button', { name: 'Undo', exact: true }).click();
  await expect(bench.pot('Wing blue')).toContainText('557 g');
  await bench.waitSaved();
});

test('links lead to a step and a pot, and back leads back', async ({ page, batches, bench }) => {
  await batches.openBatch('Canyon strata');
  await bench.select('Mauve seam');
  await bench.step('Prep');
  await page.waitForURL(/\/prep\?pot=/);
  const link = page.url();
  await page.goto(link);
  await expect(bench.pot('Mauve seam')).toBeChecked();
  await bench.step('Base');
  await page.goBack();
  await expect(bench.sheet('Gather')).toBeVisible();
  await page.keyboard.press('3');
  await expect(page.getByLabel('Name', { exact: true })).toHaveValue('Mauve seam');
  await page.goto('/nowhere');
  await expect(page.getByText('There is nothing at this address')).toBeVisible();
});

test('a lost connection keeps the work and sends it when the line is back', async ({
  page,
  context,
  batches,
  bench,
}) => {
  await batches.openBatch('Kingfisher');
  await context.setOffline(true);
  await bench.fill('Parts', '6');
  await expect(page.getByText('Not saved')).toBeVisible();
  await bench.fill('Name', 'Wing blue again');
  await context.setOffline(false);
  await bench.waitSaved();
  await page.reload();
  await expect(bench.pot('Wing blue again')).toContainText('810 g');
});

test('a batch that is left while it is being saved is saved when one comes back', async ({
  page,
  context,
  batches,
  bench,
}) => {
  await batches.openBatch('Kingfisher');
  await context.route('**/api/batches/*', async (route) => {
    if (route.request().method() === 'PUT') await page.waitForTimeout(1500);
    await route.continue();
  });
  await bench.fill('Parts', '8');
  await batches.open();
  await batches.openBatch('Kingfisher');
  await expect(page.getByLabel('Parts', { exact: true })).toHaveValue('8');
  await bench.waitSaved();
  await expect(page.getByRole('dialog')).toHaveCount(0);
});

test('an unsaved draft survives a closed tab', async ({ page, context, batches, bench }) => {
  await batches.openBatch('Kingfisher');
  const url = page.url();
  const allow = await stopSaves(context);
  await bench.fill('Parts', '5');
  await expect(page.getByText('Not saved')).toBeVisible();
  await page.close();
  await allow();

  const again = await context.newPage();
  await again.goto(url);
  await expect(again.getByLabel('Parts', { exact: true })).toHaveValue('5');
  await expect(again.locator('.save-saved')).toBeVisible();
});

test('batches: duplicate, delete with undo, search, filter', async ({ page, batches }) => {
  await batches.open();
  await page.getByRole('button', { name: 'Duplicate Kingfisher' }).click();
  await expect(batches.card('Kingfisher (copy)')).toBeVisible();
  await page.getByRole('button', { name: 'Delete Kingfisher', exact: true }).click();
  await expect(batches.card('Kingfisher')).toHaveCount(0);
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(batches.card('Kingfisher')).toBeVisible();
  await page.getByLabel('Search batches by name').fill('saffron');
  await expect(page.getByRole('article')).toHaveCount(1);
  expect(page.url()).toContain('q=saffron');
  await page.getByLabel('Search batches by name').fill('zzz');
  await expect(page.getByText('No batch fits')).toBeVisible();
  await page.getByRole('button', { name: 'Show all' }).click();
  await expect(page.getByRole('article')).toHaveCount(8);
});

test('the demo comes back only after a confirmation', async ({ page, batches }) => {
  await batches.open();
  await page.getByRole('button', { name: 'Delete Kingfisher', exact: true }).click();
  await page.goto('/settings');
  await page.getByRole('button', { name: 'Reset to the demo…' }).click();
  await page.getByRole('button', { name: 'Cancel' }).click();
  await batches.open();
  await expect(page.getByRole('article')).toHaveCount(6);
  await page.goto('/settings');
  await page.getByRole('button', { name: 'Reset to the demo…' }).click();
  await page.getByRole('button', { name: 'Replace everything' }).click();
  await expect(page.getByText('The demo data was reset.')).toBeVisible();
  await batches.open();
  await expect(batches.card('Kingfisher')).toBeVisible();
});
