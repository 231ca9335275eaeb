import { expect, test } from './fixtures.ts';

/** The whole slice: from "these oils, these colours" to the sheet, every figure worked out by hand. */
test('a four-pot loaf from nothing to its prep sheet', async ({ page, batches, bench }) => {
  await batches.create();
  await page.getByLabel('Name of the batch').fill('Terrazzo');

  await bench.addOil('Olive', '40');
  await bench.addOil('Coconut, refined', '30');
  await bench.addOil('Lard', '25');
  await bench.addOil('Castor', '5');
  await bench.fill('Total oils', '1000');
  await expect(page.getByText('100.00 %')).toBeVisible();
  // Σ oil × SAP(KOH)/1000 × 39.997/56.105 × 0.95 = 143.31 g; × (100/33 − 1) = 290.96 g
  const lye = page.getByRole('region', { name: 'Lye and batter' });
  await expect(lye.getByText('143.3 g')).toBeVisible();
  await expect(lye.getByText('291.0 g')).toBeVisible();
  await expect(lye.getByText('1434.3 g')).toBeVisible();
  await expect(lye.getByText(/second, independent calculation/)).toBeVisible();

  await bench.addPot('Blue', '3');
  await bench.addDose('Ultramarine blue', '5');
  await bench.addPot('Ochre', '2');
  await bench.addDose('Yellow iron oxide', '3');
  await bench.addPot('Green', '2');
  await bench.addDose('Ultramarine blue', '3');
  await bench.addDose('Yellow iron oxide', '1.5');
  await bench.addPot('White', '1');
  await bench.addDose('Titanium dioxide, oil grade', '6');

  // 1,434.3 g over 3:2:2:1, each with its powder and the oil that carries it: 537.8 + 1.9 + 3.8 g in Blue
  for (const [name, mass] of [
    ['Blue', '543 g'],
    ['Ochre', '361 g'],
    ['Green', '362 g'],
    ['White', '182 g'],
  ] as const) {
    await expect(bench.pot(name)).toContainText(mass);
  }
  const hexes: string[] = [];
  for (const name of ['Blue', 'Ochre', 'Green', 'White']) hexes.push(await bench.colourOf(name));
  expect(new Set(hexes).size).toBe(4);
  const [, g, b] = [1, 3, 5].map((at) => parseInt(hexes[2]!.slice(at, at + 2), 16));
  expect(g).toBeGreaterThan(b!);

  await bench.step('Prep');
  // Blue: 375 g oils × 5 g/kg = 1.875 → 1.9 g, and 2 parts of oil to one = 3.8 g
  await expect(bench.line('Take the pots', /into jug \d, Blue/)).toContainText('537.8 g');
  await expect(bench.cup('Blue')).toContainText(/1\.9 g\s*Ultramarine blue.*3\.8 g\s*light oil/s);
  await expect(bench.cup('Ochre')).toContainText(/0\.8 g\s*Yellow iron oxide.*1\.6 g/s);
  await expect(bench.cup('Green')).toContainText(/0\.8 g\s*Ultramarine blue.*1\.6 g/s);
  await expect(bench.cup('Green')).toContainText(/0\.4 g\s*Yellow iron oxide.*0\.80 g/s);
  await expect(bench.cup('White')).toContainText(/0\.8 g\s*Titanium.*1\.6 g/s);
  await expect(bench.line('Gather', /Ultramarine blue/)).toContainText(/2\.7 g.*2 pots/s);
  await expect(bench.line('Gather', /light oil/)).toContainText('9.4 g');
  await expect(bench.line('Oils', /Olive/)).toContainText('400.0 g');
  await expect(bench.line('Lye', /Sodium hydroxide/)).toContainText('143.3 g');
  await expect(bench.sheet('Lye')).toContainText('never liquid to lye');

  await bench.waitSaved();
  await page.reload();
  await expect(bench.cup('Green')).toContainText(/0\.4 g\s*Yellow iron oxide/);
  await expect(page.getByLabel('Name of the batch')).toHaveValue('Terrazzo');
  await batches.open();
  await expect(batches.card('Terrazzo')).toBeVisible();
});

test('doses in every habit say the same, and spoons replace the scale', async ({ page, batches, bench }) => {
  await batches.openBatch('Kingfisher');
  await bench.select('Throat');
  const field = (unit: string) => page.getByLabel(`Titanium dioxide, oil grade, ${unit}`, { exact: true });
  const choose = async (unit: string) => {
    await page.getByRole('combobox', { name: 'Doses in' }).click();
    await page.locator('.ant-select-item-option').filter({ hasText: unit }).click();
  };
  await expect(field('g/kg oils')).toHaveValue('6');
  await choose('g in this pot');
  await expect(field('g in this pot')).toHaveValue('0.75');
  await choose('% of oils');
  await expect(field('% of oils')).toHaveValue('0.6');
  // 6 g/kg × 0.45359 kg = 2.7216 g in a pound; a US teaspoon at 0.8 g/ml holds 3.9431 g: 0.690
  await choose('tsp/lb oils');
  await expect(field('tsp/lb oils')).toHaveValue('0.69');
  await field('tsp/lb oils').fill('1/2');
  await choose('g/kg oils');
  // 0.5 × 3.9431 / 0.45359 = 4.347 g/kg
  await expect(field('g/kg oils')).toHaveValue('4.347');

  await bench.waitSaved();
  await page.goto('/settings');
  await page.getByText('Spoons', { exact: true }).first().click();
  await batches.openBatch('Kingfisher');
  await bench.select('Throat');
  await expect(page.locator('.measured')).toContainText(/tsp.*≈ .* g/);

  await page.goto('/settings');
  await page.getByLabel('How full spoons are').getByText('heaped').click();
  const holds = page.getByLabel('A heaped one holds');
  await holds.fill('5');
  await holds.blur();
  await expect(page.getByText('At most 4')).toBeVisible();
  await holds.fill('2.4');
  await holds.blur();
  await batches.openBatch('Kingfisher');
  await bench.select('Throat');
  await expect(page.locator('.measured')).toContainText(/tsp, heaped.*≈ .* g/);
});
