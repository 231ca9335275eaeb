import { expect, test } from './fixtures.ts';

/** Plain batter of 1,000 g of the usual oils at 33 %, g. */
const BATTER = 1434.26;

test('a share in every way, and what is left', async ({ page, batches, bench }) => {
  await batches.create();
  await bench.addUsualOils();
  await bench.addBox();
  const weighed = (): Promise<number> => bench.figure('Weigh in, jug tared');
  const share = async (name: string, by: string, label: string, value: string): Promise<void> => {
    await bench.addPot(name, '1');
    await bench.choose('Share by', by);
    await bench.fill(label, value);
  };

  await share('Percent', 'by %', 'Percent', '20');
  expect(Math.abs((await weighed()) - 0.2 * BATTER)).toBeLessThan(0.1);
  await share('Weight', 'by weight', 'Weight', '300');
  expect(await weighed()).toBe(300);
  await share('Jug', 'by jug marks', 'Volume', '150');
  // Batter is a little heavier than water.
  const jug = await weighed();
  expect(jug / 150).toBeGreaterThan(1);
  expect(jug / 150).toBeLessThan(1.04);
  await share('Layer', 'as a layer', 'Layer height', '10');
  // 250 × 80 × 10 mm = 200 ml at the same density, and 12 g for the jug
  const layer = await weighed();
  expect(Math.abs(layer - (200 * jug) / 150 - 12)).toBeLessThan(0.2);
  await share('Slant', 'as a slanted layer', 'From height', '5');
  await bench.fill('to height', '15');
  // As much as a level layer of 10 mm
  expect(Math.abs((await weighed()) - layer)).toBeLessThan(0.2);
  await bench.addPot('Rest', '1');
  await bench.choose('Share by', 'the rest');
  const rest = BATTER - 0.2 * BATTER - 300 - jug - 2 * layer;
  expect(Math.abs((await weighed()) - rest)).toBeLessThan(0.6);
  await expect(page.getByText(/goes to no pot/)).toHaveCount(0);

  // A section needs a divided slab.
  await page.getByRole('combobox', { name: 'Share by', exact: true }).click();
  await expect(
    page.locator('.ant-select-item-option-disabled').filter({ hasText: 'needs a divided slab' }),
  ).toBeVisible();
  await page.keyboard.press('Escape');

  // The order of weighing, and the bowl that empties.
  await bench.waitSaved();
  await bench.step('Prep');
  const jugs = bench.line('Take the pots', /into jug/);
  await expect(jugs).toHaveCount(6);
  await expect(jugs.last()).toContainText('Rest');
});

test('over and short are told in grams, each way out is one tap and one undo', async ({
  page,
  batches,
  bench,
}) => {
  await batches.create();
  await bench.addUsualOils();
  for (const [name, grams] of [
    ['A', '900'],
    ['B', '700'],
  ] as const) {
    await bench.addPot(name, '1');
    await bench.choose('Share by', 'by weight');
    await bench.fill('Weight', grams);
  }
  // 1,600 g wanted of 1,434.3 g
  await expect(page.getByText('The pots want 165.7 g more batter than there is.')).toBeVisible();
  const weight = page.getByRole('textbox', { name: 'Weight', exact: true });
  const undo = page.getByTitle(/^Undo/);

  await page.getByRole('button', { name: 'Scale all to fit' }).click();
  await expect(page.getByText(/more batter than there is/)).toHaveCount(0);
  // 700 × 1434.26 / 1600
  await expect(weight).toHaveValue('627.5');
  await undo.click();
  await expect(weight).toHaveValue('700');

  await page.getByRole('button', { name: 'Take it from A' }).click();
  await expect(page.getByText(/more batter than there is/)).toHaveCount(0);
  await bench.select('A');
  // 900 − 165.74
  await expect(weight).toHaveValue('734.3');
  await undo.click();

  await page.getByRole('button', { name: /^Bigger batch: 111/ }).click();
  await expect(page.getByText(/more batter than there is/)).toHaveCount(0);
  await bench.step('Base');
  // 1,000 × 1600 / 1434.26
  await expect(page.getByLabel('Total oils')).toHaveValue('1115.6');
  await bench.step('Pots');

  await bench.fill('Weight', '500');
  await expect(page.getByText(/^400(\.\d)? g of batter goes to no pot\./)).toBeVisible();
  await page.getByRole('button', { name: /^Put it into B/ }).click();
  await expect(page.getByText(/goes to no pot/)).toHaveCount(0);
  await bench.select('B');
  await expect(weight).toHaveValue(/^1100/);
});

test('leftovers of two pots are pooled, no more than there is of them', async ({ page, batches, bench }) => {
  await batches.create();
  await bench.addUsualOils();
  await bench.addPot('Blue', '1');
  await bench.addDose('Ultramarine blue', '5');
  await bench.addPot('Ochre', '1');
  await bench.addDose('Yellow iron oxide', '4');
  await bench.addPot('Pool', '1');
  await bench.choose('Drawn from', 'Blue');
  await bench.fill('Percent', '20');
  await page.getByRole('button', { name: /Also from another pot/ }).click();
  const second = page.locator('.draw').nth(1);
  await second.getByRole('combobox', { name: 'Drawn from' }).click();
  await page
    .locator('.ant-select-dropdown:visible .ant-select-item-option')
    .filter({ hasText: 'Ochre' })
    .click();
  await second.getByLabel('Percent').fill('20');
  await second.getByLabel('Percent').blur();
  // A fifth of each: 500 g of oils with 5 and with 4 g/kg make 200 g with 2.5 and 2
  expect(await bench.figure('Oils in this pot')).toBe(200);
  await expect(page.locator('.inherited')).toHaveText(
    /Ultramarine blue 2\.5 g\/kg.*Yellow iron oxide 2 g\/kg/,
  );
  await expect(page.getByRole('region', { name: 'Where the batter goes' })).toBeVisible();

  await second.getByLabel('Percent').fill('120');
  await second.getByLabel('Percent').blur();
  await expect(page.getByText(/At most 100/)).toBeVisible();
  await bench.addPot('More', '1');
  await bench.choose('Drawn from', 'Ochre');
  await bench.fill('Percent', '90');
  await bench.select('Ochre');
  await expect(page.getByText('More is drawn from Ochre than it holds.')).toBeVisible();
  await page.getByRole('button', { name: 'Scale what is drawn to fit' }).click();
  await expect(page.getByText('More is drawn from Ochre than it holds.')).toHaveCount(0);
});
