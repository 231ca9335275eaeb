import { type Page } from '@playwright/test';
import { getDocument } from 'pdfjs-dist/legacy/build/pdf.mjs';
import { expect, test } from './fixtures.ts';

/** Text of each page of what would be printed. */
async function printed(page: Page, format: 'A4' | 'Letter'): Promise<string[]> {
  const { numPages, getPage } = await (async () => {
    const pdf = await page.pdf({ format });
    const doc = await getDocument({ data: new Uint8Array(pdf), verbosity: 0 }).promise;
    return { numPages: doc.numPages, getPage: (n: number) => doc.getPage(n) };
  })();
  const pages: string[] = [];
  for (let n = 1; n <= numPages; n++) {
    const { items } = await (await getPage(n)).getTextContent();
    pages.push(
      items
        .map((i) => ('str' in i ? i.str : ''))
        .join(' ')
        .replace(/\s+/g, ' '),
    );
  }
  return pages;
}

test('lines are ticked by their whole row or by Space, kept, and printed empty', async ({
  page,
  batches,
  bench,
}) => {
  await batches.openBatch('Verdigris roofs');
  await bench.step('Prep');
  const lye = bench.line('Lye', /Sodium hydroxide/);
  await lye.getByText('Sodium hydroxide').click();
  await expect(lye.getByRole('checkbox')).toBeChecked();
  const oil = bench
    .line('Oils', /Coconut/)
    .first()
    .getByRole('checkbox');
  await oil.focus();
  await page.keyboard.press('Space');
  await expect(oil).toBeChecked();
  await page.keyboard.press('Space');
  await expect(oil).not.toBeChecked();
  // A tick is no part of the plan: nothing to undo.
  await expect(page.getByRole('button', { name: /^Undo/ })).toBeDisabled();
  await page.reload();
  await expect(bench.line('Lye', /Sodium hydroxide/).getByRole('checkbox')).toBeChecked();
  await expect(
    bench
      .line('Oils', /Coconut/)
      .first()
      .getByRole('checkbox'),
  ).not.toBeChecked();
  await page.emulateMedia({ media: 'print' });
  await expect(page.getByRole('navigation', { name: 'Rooms' })).toBeHidden();
  await expect(page.getByRole('button', { name: 'Print' })).toBeHidden();
  await expect(lye.getByText('Sodium hydroxide')).toHaveCSS('text-decoration-line', 'none');
  for (const format of ['A4', 'Letter'] as const) {
    const pages = await printed(page, format);
    expect(pages.length).toBeLessThanOrEqual(5);
    pages.forEach((text, i) => {
      expect(text).toContain('Verdigris roofs');
      expect(text).toContain(`Page ${i + 1} of ${pages.length}`);
    });
    expect(pages.join(' ')).toContain('never liquid to lye');
  }
});

test('a tick that the server did not take is taken back and told', async ({ page, batches, bench }) => {
  await batches.openBatch('Verdigris roofs');
  await bench.step('Prep');
  await page.route(/\/ticks$/, (route) =>
    route.request().method() === 'POST' ? route.abort() : route.fallback(),
  );
  const box = bench.line('Lye', /Sodium hydroxide/).getByRole('checkbox');
  await box.click();
  await expect(page.getByText(/The tick was not saved/)).toBeVisible();
  await expect(box).not.toBeChecked();
});

test('a brown scrub pot below a white top without scent', async ({ page, batches, bench }) => {
  await batches.create();
  await bench.addUsualOils();
  await bench.addPot('Ground', '2');
  await bench.addDose('Coffee, ground', '10');
  await bench.addPot('White', '1');
  await bench.addDose('Titanium dioxide, oil grade', '6');
  await bench.phrase('Where it goes');
  await bench.option('Where the pot goes', 'on top, piped');
  // The first scent goes into every pot; the white top is left without.
  await bench.step('Base');
  await bench.part('Scent');
  await bench.pick('Choose a scent', 'Limewash & fig leaf');
  const white = page.getByRole('switch', { name: 'White is scented' });
  await expect(white).toBeChecked();
  await white.uncheck();
  await bench.fill('Rate of scent in Ground', '12');
  await bench.step('Prep');
  // 666.7 g of oils × 12 g/kg
  await expect(bench.colouring('Ground')).toContainText(/8\.0 g\s*Limewash & fig leaf.*last, by hand/s);
  await expect(bench.colouring('White')).not.toContainText('Limewash');
  // Dry through a sieve: nothing of it reaches the white through the oils.
  await expect(bench.cup('Ground')).toContainText(/6\.7 g\s*Coffee, ground.*dry, for the sieve/s);
  await expect(bench.sheet('Oils')).not.toContainText('Coffee');
  await expect(page.getByRole('region', { name: 'On the top' })).toContainText('White');
  await bench.waitSaved();
});

test('rods, a sieved line, a piped top, heat and mist: printed and read', async ({
  page,
  batches,
  bench,
}) => {
  await batches.create();
  await page.getByLabel('Name of the batch').fill('Quarry "face"');
  await bench.addUsualOils();
  await bench.addBox();
  await bench.part('Embeds and lines');
  await page.getByRole('button', { name: /Embed$/ }).click();
  await bench.pick('Add a powder line', 'Cocoa');
  await bench.addPot('Seam', '2');
  await bench.addPot('Crest', '1');
  await bench.addPot('Beads', '1');
  await bench.phrase('Where it goes');
  await bench.option('Where the pot goes', 'on top, piped');
  await bench.step('Prep');
  await bench.part('Order and pace');
  await bench.choose('Add what is done after the pour', 'mist with alcohol');
  await bench.choose('Add what is done after the pour', 'warm oven, switched off');
  await bench.part('Weigh sheet');
  await expect(bench.sheet('After the pour')).toContainText(
    /75 °C.*oven.*Mist the top.*it comes after the heat/s,
  );
  await page.emulateMedia({ media: 'print' });
  const text = (await printed(page, 'A4')).join(' ');
  for (const said of [
    'Quarry "face"',
    'The day before',
    'melted or kneaded',
    'set inside',
    'sieved over it as a line',
    'piped or spooned on',
    'bars out of',
    'Cuts at 25.5 · 51.5 · 77.5',
    'middles of the bars at 12.5 · 38.5',
  ])
    expect(text).toContain(said);
  await page.emulateMedia({ media: 'screen' });
  await bench.part('Cup labels');
  // Nothing comes out of a cup for them: their jugs have a number all the same.
  for (const name of ['Seam', 'Crest', 'Beads'])
    await expect(
      page.getByRole('region', { name: 'Cup labels' }).getByRole('heading', { name }),
    ).toBeVisible();
  const strip = page.getByRole('img', { name: /^From 0 mm: cuts at 25\.5 mm/ });
  await expect(strip).toBeVisible();
  // As long on paper as in the mould: 170 mm are 642.5 px of 96 to the inch.
  expect((await strip.boundingBox())!.width).toBeCloseTo((170 / 25.4) * 96, 0);
});

test('pots are coloured in an order of one’s own', async ({ page, batches, bench }) => {
  await batches.openBatch('Verdigris roofs');
  await bench.step('Prep');
  await bench.part('Order and pace');
  const first = page.locator('.order-pot').first();
  await expect(first).not.toContainText('Copper');
  await bench.option('Order of colouring by', 'my own');
  await page.getByRole('button', { name: 'Move Copper' }).focus();
  await expect(async () => {
    await page.keyboard.press('Space');
    for (let i = 0; i < 5; i++) await page.keyboard.press('ArrowUp');
    await page.keyboard.press('Space');
    await expect(first).toContainText('Copper', { timeout: 2000 });
  }).toPass();
  await bench.part('Cup labels');
  const label = page
    .locator('.label')
    .filter({ has: page.getByRole('heading', { name: 'Copper', exact: true }) });
  await expect(label.locator('.label-number')).toHaveText('1');
});
