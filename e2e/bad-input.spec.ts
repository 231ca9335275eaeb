import { expect, test } from './fixtures.ts';

test('numbers: each refusal at its field, the last good value stands', async ({ page, batches, bench }) => {
  await batches.openBatch('Kingfisher');
  const dose = page.getByLabel('Ultramarine blue, g/kg oils', { exact: true });
  for (const [text, said] of [
    ['-3', 'At least 0'],
    ['', 'Enter a number'],
    ['NaN', 'Not a number'],
    ['1e99', 'Not a number'],
    ['99999', 'At most 1000'],
    ['1,234.5', 'Not a number'],
  ] as const) {
    await dose.fill(text);
    await expect(page.getByRole('alert').filter({ hasText: said })).toBeVisible();
    await expect(dose).toHaveAttribute('aria-invalid', 'true');
    await expect(dose).toHaveValue(text);
  }
  await expect(bench.saved).toBeVisible();
  await dose.press('Escape');
  await expect(dose).toHaveValue('4.5');
  await dose.fill('2,5');
  await expect(page.getByRole('alert')).toHaveCount(0);
  await dose.blur();
  await expect(dose).toHaveValue('2.5');
  await expect(page.locator('body')).not.toContainText('NaN');
});

test('oils at 99.7 %: the lye hides, saving goes on, one tap mends it', async ({ page, batches, bench }) => {
  await batches.openBatch('Kingfisher');
  await bench.step('Base');
  await bench.fill('Olive, %', '39.7');
  await expect(page.getByText('The oils make 99.7 %, 0.3 % short.')).toBeVisible();
  await expect(page.getByText(/No lye amount is shown until/)).toBeVisible();
  await bench.waitSaved();
  await bench.step('Prep');
  await expect(page.getByText('The lye amount is hidden until every stop is settled')).toBeVisible();
  await expect(bench.line('Lye', /Sodium hydroxide/)).toHaveCount(0);
  await bench.step('Base');
  await page.getByRole('button', { name: 'Scale the shares to 100 %' }).click();
  await expect(page.getByText('100.00 %')).toBeVisible();
  await bench.fill('Superfat', '-2');
  await expect(page.getByText('Superfat is −2 %: more lye than the oils can take.')).toBeVisible();
});

test('shares of zero and doses above the ceiling are told, not corrected', async ({
  page,
  batches,
  bench,
}) => {
  await batches.openBatch('Kingfisher');
  for (const name of ['Wing blue', 'Breast', 'Back teal', 'Throat']) {
    await bench.select(name);
    await bench.fill('Parts', '0');
  }
  await expect(page.getByText('The shares add up to zero, so no pot holds any batter.')).toBeVisible();
  await expect(page.locator('body')).not.toContainText('NaN');
  await bench.fill('Parts', '2');
  await bench.fill('Titanium dioxide, oil grade, g/kg oils', '20');
  await expect(
    page.getByText(/Titanium dioxide, oil grade is above its ceiling in Throat\..*brittle/),
  ).toBeVisible();
  await bench.waitSaved();
});

test('names with markup stay text, long ones are cut, empty ones keep the old', async ({
  page,
  batches,
  bench,
}) => {
  await batches.openBatch('Kingfisher');
  const name = page.getByLabel('Name of the batch');
  await name.fill('<img src=x onerror="window.hacked=1"><b>bold</b>');
  await bench.waitSaved();
  await bench.step('Prep');
  await expect(page.getByRole('heading', { name: '<img src=x', level: 2 })).toBeVisible();
  expect(await page.evaluate(() => 'hacked' in window)).toBe(false);
  await name.fill('x'.repeat(300));
  expect((await name.inputValue()).length).toBe(80);
  await name.fill('');
  await expect(name).toHaveAttribute('aria-invalid', 'true');
  await name.blur();
  await expect(name).toHaveValue('x'.repeat(80));
});

test('a batch that is not there, and a server that does not answer', async ({ page, context }) => {
  await page.goto('/batches/no-such-batch/pots');
  await expect(page.getByText('This batch could not be opened')).toBeVisible();
  await expect(page.getByText('The batch was not found.')).toBeVisible();
  await context.route('**/api/batches?*', (route) => route.abort());
  await page.goto('/batches');
  await expect(page.getByText('The batches could not be loaded')).toBeVisible();
  await context.unroute('**/api/batches?*');
  await page.getByRole('button', { name: 'Try again' }).click();
  await expect(page.getByRole('article').first()).toBeVisible();
});
