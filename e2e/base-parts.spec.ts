import { expect, test } from './fixtures.ts';

test('a blend of scents: shares, limit, money, stabiliser, and who gets it', async ({
  page,
  batches,
  bench,
}) => {
  await batches.create();
  await bench.addUsualOils();
  await bench.addPot('Tan', '1');
  await bench.addPot('White', '1');
  await bench.step('Base');
  await bench.part('Scent');
  await bench.pick('Choose a scent', 'Limewash & fig leaf');
  await bench.pick('Blend in another scent', 'Oat biscuit');
  await bench.fill('Parts of Limewash & fig leaf', '3');
  await bench.fill('In scented pots', '30');
  await page.getByRole('switch', { name: 'Tan is scented' }).check();
  await page.getByRole('switch', { name: 'White is scented' }).uncheck();

  // 30 g/kg of half of 1,000 g; the least of 50 / 0.75 and 40 / 0.25; 15 g at 0.75 × 0.12 + 0.25 × 0.13
  const amounts = page.getByRole('region', { name: 'Amounts of scent' });
  expect(await bench.figure('Scent in all', amounts)).toBe(15);
  expect(await bench.figure('Most allowed', amounts)).toBe(66.7);
  expect(await bench.figure('Costs', amounts)).toBe(1.84);
  // A quarter of 11 %
  await expect(amounts).toContainText('Vanillin 2.75 %');
  await page.getByRole('button', { name: 'Usual: 0.5' }).click();
  expect(await bench.figure('Stabiliser', amounts)).toBe(7.5);
  await expect(page.getByRole('region', { name: 'Which pots get it' }).getByRole('listitem')).toHaveText([
    /Tan.*15/,
    /White.*–/,
  ]);
  // Into the oils it reaches both.
  await page.getByLabel('When the scent goes in').getByText('into the oils').click();
  expect(await bench.figure('Scent in all', amounts)).toBe(30);
  await bench.fill('In scented pots', '67');
  await expect(page.getByText(/is above its limit in Tan, White\./)).toBeVisible();
  await bench.fill('In scented pots', '66');
  await expect(page.getByText(/is above its limit/)).toHaveCount(0);
});

test('additives: acid takes up lye, a scrub is dosed by the bar, honey heats', async ({
  page,
  batches,
  bench,
}) => {
  await batches.create();
  await bench.addUsualOils();
  const lye = page.getByRole('region', { name: 'Lye and batter' });
  expect(await bench.figure('Sodium hydroxide', lye)).toBe(143.3);
  await bench.part('Mould and bars');
  await bench.choose('Add a mould', 'Box (loaf)');
  await bench.fill('Length', '250');
  await bench.part('Additives');
  await bench.pick('Add an additive', 'Citric acid, anhydrous');
  await bench.fill('Citric acid, anhydrous, g/kg oils', '8');
  await expect(page.getByText(/The lye figure counts it/)).toBeVisible();
  await bench.part('Oils and lye');
  // 8 g × 0.625 more
  expect(await bench.figure('Sodium hydroxide', lye)).toBe(148.3);

  await bench.part('Additives');
  await bench.pick('Add an additive', 'Poppy seed');
  await page.getByLabel('Enter additives').getByText('g per bar').click();
  await bench.fill('Poppy seed, g per bar', '0.8');
  await page.getByLabel('Enter additives').getByText('g/kg oils').click();
  // A bar is 25 of 250 mm of what is in the mould, all but the 12 g that stick to the jug: 0.8 / (0.1 × (1 − 12 / 1455))
  await expect(page.getByLabel('Poppy seed, g/kg oils', { exact: true })).toHaveValue('8.07');
  await bench.pick('Add an additive', 'Honey');
  await expect(page.getByRole('region', { name: 'Additives' })).toContainText(/Moves the bare base by ΔE/);
  await page.getByLabel('The bar is for').getByText('face').click();
  await expect(page.getByText('Poppy seed is too coarse for faces.')).toBeVisible();
  await bench.waitSaved();
  await page.reload();
  await expect(page.getByLabel('Poppy seed, g/kg oils', { exact: true })).toHaveValue('8.07');
});

test('embeds take room and show beside the batter; lines are weighed by area', async ({
  page,
  batches,
  bench,
}) => {
  await batches.create();
  await bench.addUsualOils();
  await bench.addBox();
  await page.getByRole('button', { name: 'Set the oils', exact: true }).click();
  await bench.part('Oils and lye');
  const oils = async (): Promise<number> => Number(await page.getByLabel('Total oils').inputValue());
  const full = await oils();
  await bench.addPot('Blue', '1');
  await bench.addDose('Ultramarine blue', '5');

  await bench.step('Base');
  await bench.part('Embeds and lines');
  await page.getByRole('button', { name: /Embed$/ }).click();
  const card = page.getByRole('listitem', { name: 'Embed Embed' });
  // One round rod of 20 mm along the mould: π × 10² × 250 = 78.5 ml
  expect(await bench.figure('Room in the mould', card)).toBe(78.5);
  await bench.fill('In each bar', '5');
  await expect(card).toContainText('So many do not fit side by side.');
  await bench.fill('In each bar', '1');
  await bench.fill('Diameter', '66');
  await expect(card).toContainText('Taller than the mould is filled.');
  await bench.fill('Diameter', '20');
  await expect(card.getByRole('alert')).toHaveCount(0);
  await bench.pick('Colour Embed', 'Ultramarine blue');
  await expect(card).toContainText(/Blue\s*ΔE \d/);

  await bench.part('Mould and bars');
  await page.getByRole('button', { name: 'Set the oils', exact: true }).click();
  await bench.part('Oils and lye');
  // 78.5 of 1,300 ml less
  expect((await oils()) / full).toBeCloseTo(1 - 78.5 / 1300, 1);

  await bench.part('Embeds and lines');
  await bench.pick('Add a powder line', 'Cocoa');
  await bench.fill('Cocoa, per area', '0.6');
  const lines = page.getByRole('region', { name: 'Powder lines and glitter' });
  // 2.5 dm × 0.8 dm × 0.6 g
  await expect(lines).toContainText('1.2 g');
  await bench.fill('Lines of Cocoa', '2');
  await expect(lines).toContainText('2.4 g');
  await bench.step('Prep');
  await expect(bench.line('Gather', /Cocoa/)).toContainText('2.4 g');
});

test('lye and liquid another way: the same amounts, potassium by moles, milk', async ({
  page,
  batches,
  bench,
}) => {
  await batches.create();
  await bench.addUsualOils();
  const lye = page.getByRole('region', { name: 'Lye and batter' });
  // 143.306 g at 33 %
  expect(await bench.figure('Liquid', lye)).toBe(291);
  await bench.choose('Liquid by', 'Liquid to one lye');
  const ratio = page.getByRole('textbox', { name: 'Liquid to one lye' });
  await expect(ratio).toHaveValue('2.03');
  expect(await bench.figure('Liquid', lye)).toBe(291);
  await ratio.fill('2');
  await ratio.blur();
  expect(await bench.figure('Liquid', lye)).toBe(286.6);
  expect(await bench.figure('Concentration', lye)).toBe(33.3);

  await page.getByText('Purity, potassium hydroxide, temperature').click();
  await bench.fill('Share of potassium', '5');
  // 95 % of the moles by sodium; 143.306 / 39.997 × 5 % × 56.105 / 0.9 by potassium
  expect(await bench.figure('Sodium hydroxide', lye)).toBe(136.1);
  expect(await bench.figure('Potassium hydroxide', lye)).toBe(11.2);
  await bench.fill('Sodium hydroxide purity', '97');
  expect(await bench.figure('Sodium hydroxide', lye)).toBe(140.4);
  await bench.fill('Sodium hydroxide purity', '20');
  await expect(page.getByText(/At least/)).toBeVisible();
  expect(await bench.figure('Sodium hydroxide', lye)).toBe(140.4);

  await page.getByText(/^What the liquid is/).click();
  await page.getByRole('button', { name: /Milk, tea or other/ }).click();
  await bench.fill('Share of Milk', '40');
  await expect(page.getByText('The other 60 % is water.')).toBeVisible();
  await expect(page.getByText(/Milk or sugar in lye heats fast/)).toBeVisible();
  // 2 × (140.35 + 11.17) of liquid, 33 of it kept out of the vessel
  await bench.fill('Kept out of the lye, stirred in later', '33');
  expect(await bench.figure('In the lye vessel', lye)).toBe(270);
  await bench.addPot('A', '1');
  await bench.step('Prep');
  await expect(bench.line('Lye', /^108\.0 gMilk/)).toContainText('frozen');
  await expect(bench.line('Lye', /^162\.0 gWater/)).toContainText('into the lye vessel');
  await expect(bench.line('Lye', /kept for later/)).toContainText(/33\.0 g.*19\.8 g Water \+ 13\.2 g Milk/s);
});
