import { deltaE00, labD65FromHex } from '@kleur/core/colour';
import { expect, test } from './fixtures.ts';
import { barAt, photoOf } from './photo.ts';

const png = (buffer: Buffer) => ({ name: 'bars.png', mimeType: 'image/png', buffer });

test('a photo with a card is read, planned and made stand beside what was seen, at the gel that was seen', async ({
  page,
  batches,
  bench,
  result,
}) => {
  await batches.openBatch('Slate and saffron');
  await result.clearReadings();
  await bench.step('Result');
  await page.getByRole('button', { name: 'A ring' }).click();
  await expect(page.getByRole('textbox', { name: 'Width of the pale rim' })).toHaveValue('10');
  await page.getByRole('button', { name: 'Photo with a card' }).click();

  await result.openPhoto({ name: 'x.png', mimeType: 'image/png', buffer: Buffer.from('no picture') });
  await expect(page.getByRole('alert')).toHaveText(/^This is no picture/);
  const hexes = ['#454a58', '#3a3b3d', '#c98b3c', '#ece5d6'];
  const whole = photoOf(hexes);
  await result.openPhoto(png(whole.subarray(0, whole.length / 2)));
  await expect(page.getByRole('alert')).toHaveText(/breaks off/);
  await result.openPhoto(png(photoOf(hexes, { exposure: 1.4 })));
  await result.tapPhoto(barAt(0, 4));
  await expect(page.getByRole('alert')).toHaveText(/overexposed/);
  await result.openPhoto(png(photoOf(hexes, { cast: [0.65, 1, 0.7] })));
  await result.tapPhoto(barAt(0, 4));
  await expect(page.getByRole('alert')).toHaveText(/too coloured/);

  await result.openPhoto(png(whole));
  // The bars lie in one row: its first and its last are tapped, the others put between them.
  await result.tapPhoto(barAt(0, 4));
  await page.getByRole('textbox', { name: 'Columns' }).fill('4');
  await expect(page.getByRole('button', { name: 'Place all 4' })).toBeDisabled();
  await page
    .getByRole('list', { name: 'What is tapped' })
    .getByRole('listitem')
    .last()
    .getByRole('button')
    .first()
    .click();
  await result.tapBar(barAt(3, 4));
  await page.getByRole('button', { name: 'Place all 4' }).click();
  await page.getByRole('button', { name: 'Keep 4 readings' }).click();
  await expect(result.readings).toHaveCount(4);
  const saffron = result.pot('Saffron');
  const seen = await saffron.locator('[data-hex]').last().getAttribute('data-hex');
  expect(deltaE00(labD65FromHex(seen!), labD65FromHex('#c98b3c'))).toBeLessThan(2);
  await expect(saffron).toContainText(/ΔE \d/);
  await expect(saffron).toContainText(/than planned|As planned/);
  await expect(page.getByText('read after 9 days')).toBeVisible();

  await page.reload();
  await expect(result.readings).toHaveCount(4);
  await expect(page.getByRole('button', { name: 'A ring' })).toHaveAttribute('aria-pressed', 'true');
  const photo = await page.request.get(
    (await page.getByRole('link', { name: 'Photo' }).first().getAttribute('href'))!,
  );
  expect(photo.headers()['content-type']).toBe('image/jpeg');
});

test('a colour is typed for a face; what cannot be is said at once, and a wrong one taken back', async ({
  page,
  batches,
  bench,
  result,
}) => {
  await batches.openBatch('Slate and saffron');
  await result.clearReadings();
  await bench.step('Result');
  await page.getByRole('button', { name: 'Reading', exact: true }).click();
  const colour = page.getByRole('textbox', { name: 'Colour' });
  await colour.fill('52 240 31');
  await page.getByRole('button', { name: 'Keep this reading' }).click();
  await expect(page.getByRole('alert')).toHaveText(/^Type a colour/);
  await colour.fill('30,5 1 -4');
  await page.getByRole('button', { name: 'Keep this reading' }).click();
  await expect(result.readings).toHaveCount(1);
  await expect(result.readings.first()).toContainText('30.5');

  await page.getByRole('button', { name: 'Reading', exact: true }).click();
  await colour.fill('30.5 1 -4');
  await page.getByRole('button', { name: 'Keep this reading' }).click();
  await expect(page.getByRole('alert')).toHaveText(/read already/);
  await colour.fill('#b06a49');
  await page.getByRole('button', { name: 'Keep this reading' }).click();
  await expect(result.readings).toHaveCount(2);
  await result.readings
    .first()
    .getByRole('button', { name: /^Delete the reading/ })
    .click();
  await expect(result.readings).toHaveCount(1);
  await page.locator('.ant-notification').getByRole('button', { name: 'Undo' }).click();
  await expect(result.readings).toHaveCount(2);
});

test('bars are read one after another with the reader; what is wrong with it, or with the bar, is said', async ({
  page,
  batches,
  bench,
  result,
}) => {
  await batches.openBatch('Slate and saffron');
  await result.clearReadings();
  await bench.step('Result');
  await page.getByRole('button', { name: 'Colour reader' }).click();
  const reader = page.getByRole('dialog');
  const measure = reader.getByRole('button', { name: /^Measure / });
  const liesOn = async (where: string): Promise<void> => {
    await reader.getByRole('combobox', { name: 'The reader lies on' }).click();
    await page.locator('.ant-select-dropdown').getByText(where, { exact: true }).click();
  };
  const first = (await measure.textContent())!;
  await measure.click();
  await expect(reader.getByRole('alert')).toContainText('white tile first');
  await reader.getByRole('button', { name: 'Calibrate on the tile' }).click();
  await liesOn('a rough edge');
  await measure.click();
  await expect(reader.getByRole('alert')).toContainText('disagree');
  expect(await measure.textContent()).toBe(first);

  await liesOn('the bar that is asked for');
  await measure.click();
  await expect(result.readings).toHaveCount(1);
  await expect(measure).not.toHaveText(first);
  // Half way it is pulled out: what was measured stays, and it goes on with the same bar.
  await reader.getByRole('button', { name: 'Unplug it' }).click();
  await measure.click();
  await expect(reader.getByRole('alert')).toContainText('unplugged');
  await reader.getByRole('button', { name: 'Plug it in' }).click();
  await liesOn('the bar after it, by mistake');
  await measure.click();
  const alert = reader.getByRole('alert');
  await expect(alert).toContainText('This looks like');
  await alert
    .getByRole('button', { name: /^It is / })
    .first()
    .click();
  await expect(result.readings).toHaveCount(2);
  await expect(result.readings.first()).toContainText('colour reader');
});

test('a cup of the batter is kept for the book with one touch, and read like a pot', async ({
  page,
  batches,
  bench,
  result,
}) => {
  await batches.openBatch('Slate and saffron');
  await result.clearReadings();
  await bench.step('Make');
  await bench.part('At the pot');
  await page.getByRole('button', { name: /^Keep a cup of/ }).click();
  await expect(page.getByText(/^Write on it .*, cup 1,/)).toBeVisible();
  await bench.step('Result');
  const cup = page.getByRole('region', { name: 'Test cups' }).getByRole('listitem');
  await expect(cup).toContainText('Not read yet');
  await page.getByRole('button', { name: 'Reading', exact: true }).click();
  await page.getByRole('combobox', { name: 'Pot', exact: true }).click();
  await page
    .locator('.ant-select-dropdown')
    .getByText(/, cup 1$/)
    .click();
  await page.getByRole('textbox', { name: 'Colour' }).fill('40 2 3');
  await page.getByRole('button', { name: 'Keep this reading' }).click();
  await expect(cup).toContainText('Read once');
  await page.goto('/book');
  await expect(page.getByText(/\d+ bars, \d+ of \d+ colourants/)).toBeVisible();
});

test('a batch that was not poured says so, and is poured by one press', async ({
  page,
  batches,
  bench,
  result,
}) => {
  await batches.openBatch('Kingfisher');
  await bench.step('Result');
  await page.getByRole('button', { name: 'It was poured' }).click();
  await expect(result.pot('Throat')).toContainText('not read yet');
  await expect(page.locator('.bench-head')).toContainText('Poured');
});
