import { expect, test } from './fixtures.ts';

test('lye: 60 %, −2 % superfat, held back: the lye hides with the reason beside it', async ({
  page,
  batches,
  bench,
}) => {
  await batches.openBatch('Verdigris roofs');
  await bench.step('Base');
  const lye = page.getByRole('region', { name: 'Lye and batter' });
  await expect(lye.getByText('154.8 g')).toBeVisible();
  await bench.fill('Lye concentration', '60');
  await expect(page.getByText(/Too little water is left to dissolve the lye: 0\.67 times/)).toBeVisible();
  await expect(lye.getByText('154.8 g')).toHaveCount(0);
  await page.getByRole('button', { name: 'Set 33 %' }).first().click();
  await expect(lye.getByText('154.8 g')).toBeVisible();
  await bench.fill('Lye concentration', '61');
  await expect(page.getByText(/at most 60/i)).toBeVisible();
  await page.reload();
  await expect(page.getByLabel('Lye concentration')).toHaveValue('33');
  await page.getByText('What the liquid is').click();
  await bench.fill('Kept out of the lye, stirred in later', '200');
  await expect(page.getByText(/Too little water is left/)).toBeVisible();
  await page.getByRole('button', { name: 'Hold nothing back for later' }).click();
  await expect(page.getByText(/Too little water is left/)).toHaveCount(0);
  await expect(page.locator('body')).not.toContainText('NaN');
});

test('a pot cannot be made from what is made from it, and a pot of nothing says so', async ({
  page,
  batches,
  bench,
}) => {
  await batches.openBatch('Verdigris roofs');
  await bench.select('Patina');
  await page.getByRole('combobox', { name: 'Drawn from' }).click();
  const option = page.locator('.ant-select-item-option').filter({ hasText: 'Pale patina' });
  await expect(option).toHaveAttribute('aria-disabled', 'true');
  await expect(option).toContainText('is itself made from this pot');
  await page.keyboard.press('Escape');
  await bench.fill('Parts', '0');
  await expect(page.getByText('Patina has no share of the batter.')).toBeVisible();
  await page.getByRole('button', { name: 'Give it one part' }).click();
  await expect(page.getByLabel('Parts', { exact: true })).toHaveValue('1');
  await expect(page.locator('body')).not.toContainText('NaN');
});

test('a mould of nothing, and bars that cannot be', async ({ page, batches, bench }) => {
  await batches.openBatch('Verdigris roofs');
  await bench.step('Base');
  await bench.part('Mould and bars');
  await bench.fill('Filled to', '0');
  await expect(page.getByText('A mould of 0 holds nothing: give it all its measures.')).toBeVisible();
  await bench.fill('Filled to', '64');
  await page.getByLabel('Cut by').getByText('by count').click();
  await bench.fill('Bars from a mould', '60');
  await expect(page.getByText(/No bar fits: a bar is at least 8 mm thick/)).toBeVisible();
  await bench.fill('Bars from a mould', '10');
  await expect(page.getByText(/No bar fits/)).toHaveCount(0);
  await expect(page.locator('body')).not.toContainText('NaN');
});

test('too much scent, in one pot only, stops the batch until it is set right', async ({
  page,
  batches,
  bench,
}) => {
  await batches.openBatch('Verdigris roofs');
  await bench.step('Base');
  await bench.part('Scent');
  await page.getByRole('switch', { name: /Copper/ }).uncheck();
  await bench.fill('In scented pots', '60');
  await expect(page.getByText(/is above its limit in Patina, Pale patina\./)).toBeVisible();
  await bench.part('Oils and lye');
  await expect(page.getByText(/No lye amount is shown until/)).toBeVisible();
  await bench.part('Scent');
  await page.getByRole('button', { name: 'Set 50 g/kg' }).click();
  await expect(page.getByText(/is above its limit/)).toHaveCount(0);
});

test('oil held back until a pot has no superfat, and an oil that the recipe lacks', async ({
  page,
  batches,
  bench,
}) => {
  await batches.openBatch('Verdigris roofs');
  await bench.step('Prep');
  await bench.part('Dispersions');
  await bench.option('Oil carriers are', 'from the batch oils');
  const carriers = page.getByRole('region', { name: 'Carriers' });
  await expect(carriers).toContainText(/Olive: \d+\.\d g out of the recipe/);
  await bench.step('Pots');
  await bench.select('Patina');
  await bench.fill('Copper dome teal, g/kg oils', '30');
  await bench.fill('Parts of liquid to one of Copper dome teal', '4');
  await bench.select('Chalk');
  await expect(page.getByText(/Chalk (is left with a superfat|has more lye than its oils)/)).toBeVisible();
  await page.getByRole('button', { name: 'Extra oil for all carriers' }).first().click();
  await expect(page.getByText(/Chalk (is left with a superfat|has more lye)/)).toHaveCount(0);
  await bench.step('Prep');
  await bench.part('Dispersions');
  await bench.option('Oil carriers are', 'from the batch oils');
  await bench.pick('Carrier oil: Olive', 'Apricot kernel');
  await expect(page.getByText(/Apricot kernel is not in the recipe/)).toBeVisible();
});
