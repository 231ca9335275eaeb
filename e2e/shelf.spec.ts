import { expect, test } from './fixtures.ts';

test('filters and searches, with the filters in the address', async ({ page, shelf }) => {
  await shelf.open();
  await expect(shelf.row('Ultramarine blue').locator('.face i')).toHaveCount(14);
  await page.getByLabel('Search the shelf').fill('77007');
  await expect(page.locator('.shelf-row')).toHaveCount(3);
  await page.getByLabel('Search the shelf').fill('');
  await page.getByRole('checkbox', { name: 'In stock' }).click();
  await expect(shelf.row('Iron blue')).toHaveCount(0);
  await page.reload();
  await expect(page.getByRole('checkbox', { name: 'In stock' })).toBeChecked();
  await page.goto('/shelf?q=zzzz');
  await expect(page.getByText('Nothing on the shelf fits')).toBeVisible();
});

test('a material of one’s own: refused limits, then saved, used in a pot, and changed', async ({
  page,
  shelf,
  batches,
  bench,
}) => {
  await shelf.open();
  await page.getByRole('button', { name: 'New item' }).click();
  const { editor } = shelf;
  await editor.getByRole('button', { name: 'Add to the shelf' }).click();
  await expect(editor.getByText('A name is needed', { exact: true })).toBeVisible();
  await expect(editor.getByLabel('Name', { exact: true })).toHaveAttribute('aria-invalid', 'true');
  await editor.getByLabel('Name', { exact: true }).fill('Wicket moss');
  await editor.getByLabel('Ceiling', { exact: true }).fill('2');
  await editor.getByRole('button', { name: 'Add to the shelf' }).click();
  await expect(editor.getByText('ceiling must be above typical', { exact: true })).toBeVisible();
  await expect(editor.getByLabel('Name', { exact: true })).toHaveValue('Wicket moss');
  await editor.getByLabel('Ceiling', { exact: true }).fill('12');
  await editor.getByLabel('Price per gram').fill('0,12');
  await editor.getByRole('button', { name: 'Add to the shelf' }).click();
  await expect(shelf.row('Wicket moss').locator('.face i')).toHaveCount(14);

  await batches.openBatch('Kingfisher');
  await bench.addPot('Moss', '1');
  await bench.addDose('Wicket moss', '4');
  await bench.waitSaved();

  await shelf.open('?q=wicket');
  await shelf.row('Wicket moss').getByRole('button').click();
  await editor.getByLabel('Typical', { exact: true }).fill('6');
  await editor.getByRole('button', { name: 'Save' }).click();
  await expect(editor).toHaveCount(0);
  await batches.openBatch('Kingfisher');
  await bench.select('Moss');
  await page.getByRole('button', { name: 'Changed on the shelf: use the new values' }).click();
  await expect(page.getByRole('button', { name: 'Changed on the shelf: use the new values' })).toHaveCount(0);
  await bench.waitSaved();
});

test('taking an item off the shelf can be undone, and plans keep their copy', async ({
  page,
  shelf,
  batches,
  bench,
}) => {
  await shelf.open('?q=ultramarine blue');
  await shelf.row('Ultramarine blue').getByRole('button').click();
  await shelf.editor.getByRole('button', { name: 'Take off the shelf' }).click();
  await page.getByRole('button', { name: 'Take off', exact: true }).click();
  await expect(shelf.row('Ultramarine blue')).toHaveCount(0);
  await batches.openBatch('Kingfisher');
  await expect(page.getByText('no longer on the shelf; the plan keeps its copy').first()).toBeVisible();
  expect(await bench.colourOf('Wing blue')).toMatch(/^#/);
  await page.goBack();
  await page.goto('/shelf?q=ultramarine blue');
  await expect(page.getByText('Nothing on the shelf fits')).toBeVisible();
});

test('stock is switched in place', async ({ page, shelf }) => {
  await shelf.open('?q=iron blue');
  const stock = page.getByRole('switch', { name: 'Iron blue in stock' });
  await stock.click();
  await expect(stock).toBeChecked();
  await page.reload();
  await expect(page.getByRole('switch', { name: 'Iron blue in stock' })).toBeChecked();
});

test('a corrected saponification value reaches a plan by one tap, and is saved with it', async ({
  page,
  request,
  batches,
  bench,
}) => {
  const olive = (await (await request.get('/api/materials/oil-olive')).json()) as Record<string, unknown>;
  const { id: _id, optics: _o, curve: _c, builtIn: _b, version, ...rest } = olive;
  const oil = { ...(rest.oil as object), sapKoh: 194 };
  const changed = await request.put('/api/materials/oil-olive', { data: { ...rest, oil, version } });
  expect(changed.status()).toBe(200);
  await batches.openBatch('Kingfisher');
  await bench.step('Base');
  const told = page.getByText('The shelf has another value for Olive than this plan');
  await expect(told).toBeVisible();
  const saved = page.waitForResponse(
    (r) => r.request().method() === 'PUT' && r.url().includes('/api/batches/'),
  );
  await page.getByRole('button', { name: 'Take the shelf’s values' }).click();
  await expect(told).toBeHidden();
  expect((await saved).status()).toBe(200);
  await expect(page.getByRole('status').filter({ hasText: 'Saved' })).toBeVisible();
  await page.reload();
  await expect(page.getByText('Oils and lye')).toBeVisible();
  await expect(told).toBeHidden();
});

test('what a maker knows of the looks of an item is shown at once, and kept', async ({ page, shelf }) => {
  await shelf.open();
  await page.getByRole('button', { name: 'New item' }).click();
  const { editor } = shelf;
  await editor.getByLabel('Name', { exact: true }).fill('Hedge berry');
  const course = editor.getByRole('list', { name: 'Its colour from pot to window' }).locator('i');
  await expect(course).toHaveCount(5);
  const before = await course.evaluateAll((all) => all.map((i) => i.getAttribute('data-hex')));
  expect(before[4]).toBe(before[3]);
  await editor.getByRole('switch', { name: 'Fades' }).click();
  await editor.getByLabel('Keeps').fill('20');
  // The window shows it first; the cured colour is what was stated.
  await expect.poll(() => course.nth(4).getAttribute('data-hex')).not.toBe(before[4]);
  await expect(course.nth(2)).toHaveAttribute('data-hex', before[2]!);
  await editor.getByRole('switch', { name: 'Another colour in the pot' }).click();
  await editor.getByLabel('Half of it gone after').fill('5');
  await editor.getByRole('button', { name: 'Add to the shelf' }).click();
  await expect(editor).toHaveCount(0);
  await shelf.row('Hedge berry').getByRole('button').click();
  await expect(editor.getByLabel('Keeps')).toHaveValue('20');
  await expect(editor.getByLabel('Half of it gone after')).toHaveValue('5');
  await expect(editor.getByRole('switch', { name: 'Another colour without gel' })).not.toBeChecked();
});
