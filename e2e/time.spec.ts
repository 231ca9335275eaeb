import { expect, test, withoutBlocking } from './fixtures.ts';

test('dragging time and gel changes the colours, and never blocks the page', async ({
  page,
  batches,
  bench,
}) => {
  await batches.openBatch('Slate and saffron');
  await expect(bench.time).toHaveAttribute('aria-valuetext', '6 weeks');
  const cured = await bench.colourOf('Saffron');

  const box = (await bench.time.boundingBox())!;
  const y = box.y + box.height / 2;
  await withoutBlocking(page, 100, async () => {
    await page.mouse.move(box.x + box.width - 10, y);
    await page.mouse.down();
    for (let i = 0; i <= 60; i++) await page.mouse.move(box.x + box.width - 10 - (i / 60) * box.width, y);
    await page.mouse.up();
    await expect(bench.time).toHaveAttribute('aria-valuetext', 'fresh');
    await expect.poll(() => bench.colourOf('Saffron')).not.toBe(cured);
  });

  await page.keyboard.press(']');
  await expect(bench.time).toHaveAttribute('aria-valuetext', '6 h');
  await page.getByRole('button', { name: 'Cured' }).click();
  await expect.poll(() => bench.colourOf('Saffron')).toBe(cured);

  await bench.gel('Full gel');
  await expect.poll(() => bench.colourOf('Saffron')).not.toBe(cured);
  const lightness = (hex: string) => parseInt(hex.slice(3, 5), 16);
  expect(lightness(await bench.colourOf('Saffron'))).toBeLessThan(lightness(cured));
  await page.keyboard.press('g');
  await expect.poll(() => bench.colourOf('Saffron')).toBe(cured);
});

test('a colour that misleads while fresh says so', async ({ page, batches, bench }) => {
  await batches.openBatch('Kingfisher');
  await bench.addPot('Gold', '1');
  await bench.addDose('Turmeric', '4');
  await expect(page.getByText(/Gold misleads while fresh: do not correct what you see/)).toBeVisible();
  const gold = await bench.colourOf('Gold');
  await page.getByRole('button', { name: 'Fresh' }).click();
  await expect.poll(() => bench.colourOf('Gold')).not.toBe(gold);
});

test('the dose bar changes the pot at once', async ({ page, batches, bench }) => {
  await batches.openBatch('Kingfisher');
  const before = await bench.colourOf('Wing blue');
  const bar = page.getByRole('slider', { name: 'Ultramarine blue, strength' });
  await bar.focus();
  for (let i = 0; i < 5; i++) await bar.press('PageDown');
  await expect.poll(() => bench.colourOf('Wing blue')).not.toBe(before);
  await expect(page.locator('.save-saved')).toBeVisible();
});

test('a year in a window takes a plant to straw, and the outside of the bar is told', async ({
  page,
  batches,
  bench,
}) => {
  await batches.openBatch('Kingfisher');
  await bench.addPot('Gold', '1');
  await bench.addDose('Turmeric', '4');
  await bench.gel('Full gel');
  await page.getByRole('button', { name: '1 year' }).click();
  await expect(bench.time).toHaveAttribute('aria-valuetext', '1 year');
  const dark = await bench.colourOf('Gold');
  await page.getByRole('switch', { name: 'In a window' }).click();
  await expect.poll(() => bench.colourOf('Gold')).not.toBe(dark);
  const chroma = (hex: string) => parseInt(hex.slice(1, 3), 16) - parseInt(hex.slice(5, 7), 16);
  expect(chroma(await bench.colourOf('Gold'))).toBeLessThan(chroma(dark));
  await bench.select('Wing blue');
  await expect(page.getByText(/The outside of the bar #/)).toBeVisible();
  await bench.gel('No gel');
  await expect(page.getByText(/The outside of the bar #/)).toHaveCount(0);
});

test('the strip shows how its pots may turn out, once plan and time are still', async ({
  page,
  batches,
  bench,
}) => {
  await batches.openBatch('Kingfisher');
  await bench.step('Pots');
  const teethOf = (name: string) => bench.pot(name).locator('.pot-fill path');
  // Lighter from above, darker from below.
  await expect(teethOf('Wing blue')).toHaveCount(2);
  const lighter = await teethOf('Wing blue').first().getAttribute('fill');
  expect(lighter).not.toBe(await bench.colourOf('Wing blue'));
  /** How far the teeth bite, as a part of the height; 0 without any. */
  const bite = async (): Promise<number> => {
    const drawn = await teethOf('Wing blue').evaluateAll((paths) => paths[0]?.getAttribute('d') ?? '');
    return Number(/L0\.5 ([\d.]+)/.exec(drawn)?.[1] ?? 0);
  };
  const before = await bite();
  expect(before).toBeGreaterThan(0);
  // Another time has teeth of its own.
  await bench.gel('Full gel');
  await expect(teethOf('Wing blue').first()).toHaveAttribute('fill', /^#/);
  await expect(teethOf('Wing blue').first()).not.toHaveAttribute('fill', lighter!);
  // Less of what is unsure bites less far.
  await bench.gel('No gel');
  await expect(teethOf('Wing blue').first()).toHaveAttribute('fill', lighter!);
  await bench.select('Wing blue');
  await bench.fill('Ultramarine blue, g/kg oils', '0.5');
  await expect(page.locator('.save-saved')).toBeVisible();
  await expect.poll(bite).toBeGreaterThan(0);
  expect(await bite()).toBeLessThan(before);
});

test('a batch works all the same where what draws its doubt cannot be loaded', async ({
  page,
  batches,
  bench,
}) => {
  const asked = page.waitForEvent('requestfailed', (r) => r.url().includes('StripTeeth'));
  await page.route('**/StripTeeth*', (route) => route.abort());
  await batches.openBatch('Kingfisher');
  await asked;
  await bench.fill('Parts', '6');
  await bench.waitSaved();
  await expect(bench.pot('Wing blue')).toContainText('810 g');
  await expect(bench.pot('Wing blue').locator('.pot-fill path')).toHaveCount(0);
});
