import { test } from './fixtures.ts';

const folder = 'docs/screenshots';

test('batches', async ({ page, batches }) => {
  await batches.open();
  await batches.card('Canyon strata').waitFor();
  await page.screenshot({ path: `${folder}/batches.png` });
});

test('shelf', async ({ page, shelf }) => {
  await shelf.open();
  await shelf.row('Red iron oxide').locator('.face i').first().waitFor();
  await page.screenshot({ path: `${folder}/shelf.png` });
  await shelf.row('Ultramarine blue').getByRole('button').click();
  await shelf.editor.locator('.face-big').waitFor();
  await page.waitForTimeout(600);
  await page.screenshot({ path: `${folder}/shelf-item.png` });
});

test('settings', async ({ page }) => {
  await page.goto('/settings');
  await page.getByLabel('Name on printed sheets').waitFor();
  await page.screenshot({ path: `${folder}/settings.png` });
});

test('the steps of a batch', async ({ page, batches, bench }) => {
  await batches.openBatch('Kingfisher');
  await bench.colourOf('Throat');
  await page.waitForTimeout(400);
  await page.screenshot({ path: `${folder}/pots.png` });
  await bench.step('Base');
  await page.waitForTimeout(300);
  await page.screenshot({ path: `${folder}/base.png` });
  await bench.step('Prep');
  await page.waitForTimeout(300);
  await page.screenshot({ path: `${folder}/prep.png` });
});

test('a tablet upright on the bench', async ({ page, batches, bench }) => {
  await page.setViewportSize({ width: 820, height: 1180 });
  await batches.openBatch('Slate and saffron');
  await bench.colourOf('Chalk');
  await bench.step('Prep');
  await page.waitForTimeout(400);
  await page.screenshot({ path: `${folder}/prep-tablet.png` });
});
