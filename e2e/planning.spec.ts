import { expect, test } from './fixtures.ts';

const number = (text: string): number => Number(/[\d.]+/.exec(text)![0]);

test('mould → oils → four pots, one from part of another, a white without scent, a reserve, printed', async ({
  page,
  batches,
  bench,
}) => {
  await batches.create();
  await page.getByLabel('Name of the batch').fill('Weir at noon');
  await bench.addUsualOils();

  await bench.addBox();
  await expect(page.getByText('250 mm × 80 mm × 65 mm = 1300 ml')).toBeVisible();
  // 9 bars of 25 mm and their cuts in 250 mm
  expect(await bench.figure('Bars')).toBe(9);
  const fill = page.getByRole('region', { name: 'Fill', exact: true });
  await page.getByRole('button', { name: 'Set the oils', exact: true }).click();
  await expect(fill).toContainText('100 % full');

  await bench.part('Scent');
  await bench.pick('Choose a scent', 'Limewash & fig leaf');
  await bench.fill('In scented pots', '30');

  await bench.addPot('Blue', '3');
  await page.getByRole('switch', { name: 'Scented' }).check();
  await bench.addDose('Ultramarine blue', '5');
  await bench.addPot('White', '2');
  await page.getByRole('switch', { name: 'Scented' }).uncheck();
  await bench.addDose('Titanium dioxide, oil grade', '6');
  await bench.phrase('What is kept');
  await bench.fill('Kept for the top', '100');
  await bench.addPot('Ochre', '2');
  await page.getByRole('switch', { name: 'Scented' }).check();
  await bench.addDose('Yellow iron oxide', '3');
  await bench.addPot('Sky', '1');
  await bench.choose('Drawn from', 'Blue');
  await bench.fill('Percent', '30');
  await bench.addDose('Titanium dioxide, oil grade', '3');
  await expect(page.locator('.inherited')).toHaveText(/Ultramarine blue 5 g\/kg.*scent \d/);

  // One tap fills the mould again, now that powders, scent, jugs and the reserve are known.
  await bench.step('Base');
  await bench.part('Mould and bars');
  await page.getByRole('button', { name: 'Set the oils', exact: true }).click();
  await expect(fill).toContainText('100 % full');
  await bench.part('Oils and lye');
  const oils = Number(await page.getByLabel('Total oils').inputValue());

  await bench.step('Prep');
  const shows = async (title: string, text: RegExp): Promise<number> =>
    number(await bench.line(title, text).innerText());
  await expect(bench.line('Take the pots', /into jug/)).toHaveCount(3);
  // 1.4343 g of batter for each gram of oils, over 3 : 2 : 2
  const batter = oils * 1.434261;
  expect(Math.abs((await shows('Take the pots', /into jug \d, Blue/)) - (batter * 3) / 7)).toBeLessThan(0.2);
  expect(Math.abs((await shows('Take the pots', /into jug \d, White/)) - (batter * 2) / 7)).toBeLessThan(0.2);
  // 30 % of Blue with its scent (30 g/kg), powder (5 g/kg) and the oil for it (10 g/kg)
  const blueOils = (oils * 3) / 7;
  const blue = (batter * 3) / 7 + blueOils * (0.03 + 0.005 + 0.01);
  const sky = bench.colouring('Sky').getByRole('listitem').filter({ hasText: 'out of jug' });
  expect(Math.abs(number(await sky.innerText()) - 0.3 * blue)).toBeLessThan(0.3);
  await expect(sky).toContainText('once it is coloured and scented');
  await expect(bench.colouring('White')).not.toContainText('last, by hand');
  await expect(bench.line('Pour', /of jug \d, White into/)).toContainText('keep 100.0 g of it for the top');
  await expect(bench.colouring('Blue')).toContainText(/last, by hand/);
  await bench.waitSaved();
});

test('three natural layers hours apart, each a mini-batch with its own lye', async ({
  page,
  batches,
  bench,
}) => {
  await batches.create();
  await bench.addUsualOils();
  for (const [name, hours, colour, dose] of [
    ['Ground', '3', 'Cocoa', '12'],
    ['Middle', '1.5', 'Rose clay', '12'],
    ['Sky', '0', 'Kaolin', '10'],
  ] as const) {
    await bench.addPot(name, '1');
    await bench.addDose(colour, dose);
    await bench.phrase('Whose lye');
    await page.getByLabel('Mini-batch, own lye').check();
    await bench.phrase('When it is poured');
    await bench.fill('Poured before the last pour', hours);
  }
  await expect(page.getByText('Layers poured this far apart may part at the cut.')).toBeVisible();
  // The last layer gets a blend of its own: lard and castor, without the oils that would tint it.
  await bench.phrase('Whose lye');
  const sky = page.getByRole('region', { name: 'Oils of Sky' });
  await sky.getByText('its own blend').click();
  for (const oil of ['Olive', 'Coconut, refined'])
    await sky.getByRole('button', { name: `Remove ${oil} from Sky` }).click();
  await expect(page.getByText('The oils of Sky make 30 %, 70 % short.')).toBeVisible();
  await bench.fill('Lard of Sky, %', '95');
  await expect(page.getByText(/The oils of Sky make/)).toBeHidden();
  await bench.step('Prep');
  // 143.3 g of lye for 1,000 g of oils: a third each
  await expect(bench.line('Lye', /Sodium hydroxide/)).toHaveText([/47\.8 g/, /47\.8 g/, /44\.5 g/]);
  await expect(bench.line('Oils', /Olive/).first()).toContainText('133.3 g');
  await expect(bench.sheet('Oils').getByRole('region', { name: 'Middle' })).toContainText('Lard');
  await expect(bench.line('Take the pots', /into jug \d, Middle/)).toContainText('all of it');
  // Clay drinks of its own layer's liquid: 333.3 g of oils × 12 g/kg in 2.5 parts of water.
  await expect(bench.cup('Middle')).toContainText(/4\.0 g\s*Rose clay.*10\.0 g\s*water/s);
  await expect(bench.line('Lye', /kept for the cups/)).toHaveText([/10\.0 g/, /8\.3 g/]);
  // The set layer is misted before the next, away from any heat.
  await expect(bench.line('Pour', /Mist the set layer/)).toHaveCount(2);
  await bench.part('Order and pace');
  await expect(page.getByRole('region', { name: 'Working time of each pot' })).toContainText('own clock');
});

test('a divided slab with uneven sections', async ({ page, batches, bench }) => {
  await batches.create();
  await bench.addUsualOils();
  await bench.part('Mould and bars');
  await bench.choose('Add a mould', /^Slab$/);
  await bench.fill('Sections between dividers, in order', '120 + 80 + 100 + 100');
  await expect(page.getByText('The sections and dividers are longer than the mould.')).toBeVisible();
  await bench.fill('Sections between dividers, in order', '120 + x');
  await expect(page.getByText(/Lengths with \+ between them/)).toBeVisible();
  await bench.fill('Sections between dividers, in order', '120 + 80 + 100 + 91');
  // 9 mm of dividers: 30 mm × 400 / 391 while they stand
  await expect(page.getByText(/fill to 30\.7 mm while the dividers stand/)).toBeVisible();
  await bench.fill('Sticks to each jug', '0');
  await page.getByRole('button', { name: 'Set the oils', exact: true }).click();

  const names = ['Glaze', 'Grout', 'Brick', 'Shade'];
  for (const [i, name] of names.entries()) {
    await bench.addPot(name, '1');
    await bench.choose('Share by', 'into a section');
    await bench.choose('Section', new RegExp(`^${i + 1}:`));
  }
  const masses: number[] = [];
  for (const name of names) {
    await bench.select(name);
    masses.push(await bench.figure('Weigh in, jug tared'));
  }
  const sum = masses.reduce((a, b) => a + b, 0);
  for (const [i, mm] of [120, 80, 100, 91].entries())
    expect(Math.abs(masses[i]! - (sum * mm) / 391)).toBeLessThan(0.2);
  // All of the slab is batter, and all of the batter goes into it.
  await bench.step('Base');
  await bench.part('Mould and bars');
  await expect(page.getByRole('region', { name: 'Fill', exact: true })).toContainText(/100(\.0)? % full/);
  await expect(page.getByText(/of batter goes to no pot/)).toHaveCount(0);
  // Black in the second section touches the first and the third, not the fourth.
  await bench.step('Pots');
  await bench.select('Grout');
  await bench.addDose('Activated charcoal', '6');
  await expect(
    page.getByText('Activated charcoal in Grout smears over Glaze, Brick at the cut.'),
  ).toBeVisible();
});

test('units are switched in place, and nothing that is stored moves', async ({ page, batches, bench }) => {
  await batches.openBatch('Verdigris roofs');
  await bench.step('Base');
  const total = page.getByLabel('Total oils');
  await expect(total).toHaveValue('1080');
  const unit = async (group: string, label: string): Promise<void> => {
    await page.getByRole('button', { name: 'Units' }).click();
    await page.getByLabel(group).getByText(label, { exact: true }).click();
    await page.keyboard.press('Escape');
  };
  await unit('Unit of mass', 'oz');
  // 1080 / 28.3495
  await expect(total).toHaveValue('38.096');
  await expect(page.getByRole('region', { name: 'Lye and batter' })).toContainText('5.459 oz');
  await bench.part('Mould and bars');
  await expect(page.getByRole('textbox', { name: 'Length' })).toHaveValue('260');
  await unit('Unit of length', 'inch');
  await expect(page.getByRole('textbox', { name: 'Length' })).toHaveValue('10.24');
  // Through a field and back: what was not typed is not touched.
  await page.getByRole('textbox', { name: 'Length' }).focus();
  await page.getByRole('textbox', { name: 'Length' }).blur();
  await unit('Decimal mark', '2,5');
  await expect(page.getByRole('textbox', { name: 'Length' })).toHaveValue('10,24');
  await unit('Decimal mark', '2.5');
  await unit('Unit of length', 'mm');
  await expect(page.getByRole('textbox', { name: 'Length' })).toHaveValue('260');
  await unit('Unit of mass', 'g');
  await bench.part('Oils and lye');
  await expect(total).toHaveValue('1080');
  await page.getByText('Purity, potassium hydroxide, temperature').click();
  await expect(page.getByLabel('Oils and lye meet at')).toHaveValue('32');
  await unit('Unit of temperature', '°F');
  await expect(page.getByLabel('Oils and lye meet at')).toHaveValue('90');
  await expect(page.getByRole('button', { name: 'Undo' })).toBeDisabled();
});

test('a figure tells its arithmetic', async ({ page, batches, bench }) => {
  await batches.openBatch('Verdigris roofs');
  await bench.step('Base');
  await page.getByRole('button', { name: 'Why: Sodium hydroxide' }).click();
  const lines = page.getByRole('tooltip').getByRole('listitem');
  // 35 % of 1,080 g at 190 mg KOH/g: 378 × 0.1355
  await expect(lines.first()).toHaveText('Olive: 378.0 g × 0.1355 = 51.2 g NaOH');
  await expect(lines.filter({ hasText: 'sodium hydroxide' })).toContainText('= 154.8 g');
  await page.keyboard.press('Escape');
  await expect(lines).toHaveCount(0);
});

test('a finding is mended with one tap and comes back with one undo', async ({ page, batches, bench }) => {
  await batches.openBatch('Verdigris roofs');
  await bench.step('Base');
  await bench.fill('Total oils', '900');
  await page.getByRole('button', { name: /^All checks/ }).click();
  const drawer = page.getByRole('dialog');
  await expect(drawer.getByText(/leaves the mould \d+(\.\d)? % short/)).toBeVisible();
  await drawer.getByRole('button', { name: 'Set the oils that fill it' }).click();
  await expect(drawer.getByText(/leaves the mould/)).toHaveCount(0);
  await drawer.getByRole('link', { name: 'Copper' }).first().click();
  await expect(page.getByLabel('Name', { exact: true })).toHaveValue('Copper');
  await bench.step('Base');
  await expect(page.getByLabel('Total oils')).toHaveValue(/^10\d\d/);
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(page.getByLabel('Total oils')).toHaveValue('900');
});

test('a dispersion made once, and from a bottle', async ({ page, batches, bench }) => {
  await batches.openBatch('Verdigris roofs');
  await bench.step('Prep');
  await bench.part('Dispersions');
  const white = page.getByLabel('How Titanium dioxide, oil grade is made up').first();
  await white.getByText('made once').click();
  const card = page.getByRole('listitem').filter({ hasText: 'Titanium dioxide' });
  await expect(card).toHaveCount(1);
  await expect(card).toContainText(/Chalk: \d\.\d g · Pale patina: \d\.\d g/);
  await card.getByText('from a bottle').click();
  await expect(card).toContainText(/Chalk: \d+ drops · Pale patina: \d+ drops/);
  await bench.fill('Powder in the bottle', '50');
  await bench.part('Cup labels');
  await expect(page.getByRole('region', { name: 'Cup labels' })).toContainText(/\d+ drops of the bottle of/);
  await bench.waitSaved();
});

test('a mould and a base are saved and used again', async ({ page, batches, bench }) => {
  await batches.openBatch('Verdigris roofs');
  await bench.step('Base');
  await page.getByRole('button', { name: 'Saved bases' }).click();
  await page.getByLabel('Name for this base').fill('Roof base');
  await page.getByRole('button', { name: 'Save this base' }).click();
  await expect(page.getByRole('button', { name: /^Roof base/ })).toBeVisible();
  await page.keyboard.press('Escape');
  await batches.create();
  await page.getByRole('button', { name: 'Saved bases' }).click();
  await page.getByRole('button', { name: /^Roof base/ }).click();
  await expect(page.getByLabel('Palm, refined, %')).toHaveValue('25');
  await bench.part('Mould and bars');
  await bench.choose('Add a mould', 'Long loaf');
  await expect(page.getByRole('textbox', { name: 'Length' })).toHaveValue('260');
  await bench.waitSaved();
});

test('the work on one axis, and the fallback tried in a hurry', async ({ page, batches, bench }) => {
  await batches.openBatch('Verdigris roofs');
  await bench.step('Prep');
  await bench.part('Order and pace');
  const axis = page.getByRole('region', { name: 'Working time of each pot' });
  await expect(axis.getByRole('img', { name: /weighed off/ })).toHaveAccessibleName(
    /Patina: weighed off 1 to 2, coloured 6 to 8, scented 8 to 9, poured \d+ to \d+/,
  );
  await expect(axis).toContainText('place the embeds on top');
  const agreed = page.getByRole('region', { name: 'How the work goes' });
  await expect(agreed).toContainText('Layers; piped top: Pale patina too stiff');
  await expect(agreed).toContainText('Spooned blobs: all in time');
  await bench.choose('Fallback technique', 'Powder line between layers');
  await expect(agreed).toContainText(/Powder line between layers: .*Pale patina too stiff/);
});

test('the day of making is typed, and what is done after the pour is put in order by key', async ({
  page,
  batches,
  bench,
}) => {
  await batches.openBatch('Kingfisher');
  // The demo is dated from the day on which it was made.
  await page.getByRole('button', { name: /^Day of making: / }).click();
  const day = page.getByRole('textbox', { name: 'Day of making' });
  await day.fill('03/12/2026');
  await day.press('Enter');
  await expect(page.getByRole('button', { name: 'Day of making: Thu 3 Dec 2026' })).toBeVisible();

  await bench.step('Prep');
  await bench.part('Order');
  const list = page.getByRole('list', { name: 'After the pour, in this order' }).getByRole('listitem');
  const first = await list.allTextContents();
  for (const step of ['insulate', 'mist with alcohol']) {
    if (!first.includes(step)) await bench.choose('Add what is done after the pour', step);
  }
  await expect(list.filter({ hasText: 'mist with alcohol' })).toHaveCount(1);
  const before = await list.allTextContents();
  expect(before.indexOf('mist with alcohol')).toBeGreaterThan(0);
  const handle = page.getByRole('button', { name: 'Move mist with alcohol' });
  await handle.focus();
  await page.keyboard.press('Space');
  await expect(page.getByText(`mist with alcohol is at place ${before.length} of`)).toBeAttached();
  // The list listens for the next key a moment after the first.
  await expect(async () => {
    await page.keyboard.press('ArrowUp');
    await expect(page.getByText(`mist with alcohol is at place ${before.length - 1} of`)).toBeAttached({
      timeout: 3000,
    });
  }).toPass();
  await page.keyboard.press('Space');
  await expect
    .poll(async () => (await list.allTextContents()).indexOf('mist with alcohol'))
    .toBe(before.indexOf('mist with alcohol') - 1);
  await bench.waitSaved();
  await page.reload();
  await expect
    .poll(async () => (await list.allTextContents()).indexOf('mist with alcohol'))
    .toBe(before.indexOf('mist with alcohol') - 1);
});
