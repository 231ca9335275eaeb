import { expect, test } from './fixtures.ts';

test('bars that were read are learnt from, taken over, and told in a plan that was made before', async ({
  page,
  batches,
  bench,
}) => {
  await page.goto('/book');
  await page.getByRole('heading', { name: 'Swatch book', level: 1 }).waitFor();
  const white = page.getByRole('listitem').filter({ hasText: 'Titanium dioxide, oil grade' });
  await expect(white).toContainText('Shelf default, a guess');
  await expect(white.getByRole('img', { name: /gelled.*bars? read/ }).first()).toBeVisible();
  await page.getByRole('button', { name: 'Learn from my bars' }).click();
  await expect(
    page.getByRole('status').filter({ hasText: 'each of them would have been missed by' }),
  ).toBeVisible();

  await white.getByRole('link').click();
  await expect(page.getByRole('heading', { name: /bars say$/ })).toBeVisible();
  await expect(page.getByRole('img', { name: /^Absorption from violet to red/ })).toBeVisible();
  const rows = page.getByRole('table', { name: 'Bars that hold it' }).getByRole('row');
  await expect(rows).toHaveCount(5);
  await page.getByRole('button', { name: 'Take it over' }).click();
  await expect(page.getByText(/^Fitted to 4 of your bars/)).toBeVisible();
  // It lies on the server, not on the page.
  await page.reload();
  await expect(page.getByText(/^Fitted to 4 of your bars/)).toBeVisible();

  await batches.openBatch('Kingfisher');
  await bench.step('Pots');
  await page.getByRole('button', { name: /^All checks/ }).click();
  await expect(page.getByText(/colour curve, now from 4 of your bars/)).toBeVisible();

  await page.goto('/book/titanium-dioxide-oil');
  await page.getByRole('button', { name: 'Back to the shelf default' }).click();
  await expect(page.getByText(/^Shelf default, a guess/)).toBeVisible();
});

test('a test is planned from the bars that teach most, read with the reader, and changes what is foretold', async ({
  page,
  bench,
}) => {
  await page.goto('/book/ultramarine-blue');
  await expect(page.getByText(/^Shelf default, a guess/)).toBeVisible();
  await page.getByRole('link', { name: 'Plan a test' }).click();
  await page.getByText('colour reader', { exact: true }).click();
  const bars = page.getByRole('region', { name: 'Bars that teach most' });
  await expect(bars.getByRole('listitem').first()).toBeVisible();
  await expect(bars.getByRole('status')).toContainText('foretold within ± ΔE');
  const cups = await bars.getByRole('listitem').count();
  expect(cups).toBeGreaterThan(3);
  await bars.getByRole('checkbox').last().click();
  await page.getByRole('button', { name: `Plan these ${cups - 1} cups` }).click();
  await expect(page).toHaveURL(/\/batches\/[^/]+\/prep/);
  await expect(page.getByText(/^Test of Ultramarine/).first()).toBeVisible();

  await bench.step('Result');
  await page.getByRole('button', { name: 'It was poured' }).click();
  await page.getByRole('button', { name: 'Colour reader' }).click();
  const reader = page.getByRole('dialog');
  await reader.getByRole('button', { name: 'Calibrate on the tile' }).click();
  const readings = page.getByRole('region', { name: 'Readings' }).getByRole('listitem');
  for (let n = 1; n < cups; n++) {
    await reader.getByRole('button', { name: /^Measure / }).click();
    const other = reader.getByRole('button', { name: /^It is / }).last();
    await expect(async () => {
      if (await other.isVisible()) await other.click();
      await expect(readings).toHaveCount(n, { timeout: 1000 });
    }).toPass();
  }

  await page.goto('/book');
  await page.getByRole('button', { name: 'Learn from my bars' }).click();
  await page.getByRole('button', { name: /^Take all \d+ over/ }).click();
  await expect(page.getByText(/^\d+ colourants go by your bars from now on/)).toBeVisible();
  await page.goto('/book/ultramarine-blue');
  await expect(page.getByText(/^Fitted to \d of your bars/)).toBeVisible();
  await expect(page.getByText('in use', { exact: true })).toBeVisible();
});

test('a colourant that nobody read says so, and an address of nothing is told', async ({ page }) => {
  await page.goto('/book/ultramarine-blue');
  await expect(page.getByText('No bar of it was read yet.')).toBeVisible();
  await page.goto('/book/no-such-thing');
  await expect(page.getByText('No such colourant in the book')).toBeVisible();
});
