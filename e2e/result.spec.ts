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
  await result.tapPhoto(...hexes.map((_, i) => barAt(i, 4)));
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

test('a colour is typed or measured for a face; what cannot be is said at once, and a wrong one taken back', async ({
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
  await page.getByRole('button', { name: /^Measure with the colour reader/ }).click();
  await expect(page.getByRole('dialog').getByRole('status')).toContainText('± 0.');
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
