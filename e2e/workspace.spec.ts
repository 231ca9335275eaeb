import { expect, test } from './fixtures.ts';

const WORDS = 'seven grey herons';

test('a copy is made, looked into and put back', async ({ page, batches, bench }) => {
  await page.goto('/settings');
  await page.getByRole('button', { name: 'Make a copy now' }).click();
  await expect(page.getByText('A copy is made.')).toBeVisible();
  await batches.openBatch('Kingfisher');
  await bench.fill('Name', 'Changed since');
  await bench.waitSaved();
  await page.goto('/settings');
  const copy = page.getByRole('table', { name: 'Copies' }).getByRole('row').filter({ hasText: 'by hand' });
  await copy
    .first()
    .getByRole('button', { name: /Look into/ })
    .click();
  const dialog = page.getByRole('dialog');
  await expect(dialog).toContainText(/7 batches, \d+ shelf items, 2 palettes/);
  await expect(dialog.getByRole('list', { name: 'Latest batches of the copy' })).toContainText('Kingfisher');
  await dialog.getByRole('button', { name: 'Restore it' }).click();
  await expect(page.getByText('The copy was restored.')).toBeVisible();
  await expect(page.getByText('before a copy was restored').first()).toBeVisible();
  await batches.openBatch('Kingfisher');
  await expect(bench.pot('Wing blue')).toBeVisible();
  await expect(bench.pot('Changed since')).toHaveCount(0);
});

test('with a passphrase nobody comes in without it, and nothing is lost where one was signed out', async ({
  page,
  context,
  browser,
  baseURL,
  batches,
  bench,
}) => {
  try {
    await page.goto('/settings');
    await page.getByRole('button', { name: 'Set a passphrase…' }).click();
    await page.getByLabel('New passphrase').fill('short');
    await page.getByRole('button', { name: 'Set it' }).click();
    await expect(page.getByText('At least 12 characters.')).toBeVisible();
    await page.getByLabel('New passphrase').fill(WORDS);
    await page.getByRole('button', { name: 'Set it' }).click();
    await expect(page.getByText('The passphrase was set.')).toBeVisible();

    const other = await (await browser.newContext({ baseURL: baseURL! })).newPage();
    await other.goto('/batches');
    const asked = other.getByRole('dialog', { name: 'Sign in' });
    await expect(asked).toBeVisible();
    await expect(other.getByRole('article')).toHaveCount(0);
    await other.keyboard.press('Escape');
    await asked.getByLabel('Passphrase').fill('seven grey heron');
    await asked.getByRole('button', { name: 'Sign in' }).click();
    await expect(asked).toContainText('This is not the passphrase.');
    await asked.getByLabel('Passphrase').fill(WORDS);
    await other.keyboard.press('Enter');
    await expect(other.getByRole('article')).toHaveCount(7);
    await other.getByRole('link', { name: /Kingfisher/ }).click();
    await expect(other.getByLabel('Parts', { exact: true })).toBeVisible();

    // Signed out from elsewhere: the edit waits until one is in again.
    await page.reload();
    const sessions = page.getByRole('table', { name: 'Signed in' }).getByRole('row');
    await expect(sessions).toHaveCount(3);
    await sessions.filter({ hasNotText: 'this one' }).getByRole('button').click();
    await expect(sessions).toHaveCount(2);
    await other.getByLabel('Parts', { exact: true }).fill('8');
    await other.keyboard.press('Tab');
    await expect(asked).toBeVisible();
    // The edit, not only something that was read, waits for the passphrase.
    await expect(other.locator('.save-saved')).toHaveCount(0);
    await asked.getByLabel('Passphrase').fill(WORDS);
    await other.keyboard.press('Enter');
    await expect(asked).toHaveCount(0);
    await expect(other.locator('.save-saved')).toBeVisible();
    await other.context().close();
    await batches.openBatch('Kingfisher');
    await expect(page.getByLabel('Parts', { exact: true })).toHaveValue('8');
    await bench.waitSaved();

    await page.goto('/settings');
    await page.getByRole('button', { name: 'Remove it…' }).click();
    await page.getByLabel('Current passphrase').fill(WORDS);
    await page.getByRole('button', { name: 'Remove it', exact: true }).click();
    await expect(page.getByText('The passphrase was removed.')).toBeVisible();
  } finally {
    // The server goes on to serve other tests.
    await context.request.put('/api/access/passphrase', { data: { current: WORDS, passphrase: null } });
  }
});
