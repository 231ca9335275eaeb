import { expect, test } from './fixtures.ts';

test('a bar combines techniques: layers, a swirl in a layer of its own, a piped top', async ({
  page,
  batches,
  bench,
  idea,
}) => {
  await batches.openBatch('Canyon strata');
  await bench.step('Idea');
  const techniques = page.getByRole('region', { name: 'Techniques' });
  await expect(techniques).toContainText('Layers');
  await techniques.getByRole('button', { name: 'A layer of its own' }).click();
  const layer = techniques.getByRole('group', { name: 'Layer 1 of its own' });
  // It starts with the two lowest pots; the third joins them.
  await expect(layer).toContainText('In-the-pot swirl');
  await expect(layer.locator('.ant-select-selection-item')).toHaveText([/Sandstone/, /Red wall/]);
  await layer.getByRole('combobox', { name: 'Pots of layer 1' }).click();
  await page
    .locator('.ant-select-dropdown:visible .ant-select-item-option')
    .filter({ hasText: 'Mauve seam' })
    .click();
  await page.keyboard.press('Escape');
  await bench.choose('Technique of the top', 'Piped top');
  // What stands in one pot may end as one shade; the look follows the time strip.
  const mud = page.getByRole('region', { name: 'Mud check' });
  await expect(mud).toContainText('Sandstone, Red wall, Mauve seam: stirred to one shade');
  await expect(mud.getByRole('heading')).toHaveText('Overworked, cured, not gelled');
  await page.getByRole('slider', { name: /Time/ }).focus();
  await page.keyboard.press('Home');
  await expect(mud.getByRole('heading')).toHaveText('Overworked, fresh');

  await bench.step('Prep');
  await expect(page.locator('main')).toContainText(
    'Layers; in-the-pot swirl in a layer of its own; piped top',
  );
  await bench.part('Order and pace');
  const axis = page.getByRole('region', { name: 'Working time of each pot' });
  await expect(axis.getByRole('img', { name: /weighed off/ })).toHaveAccessibleName(
    /turn once or twice, pour/,
  );
  await bench.waitSaved();
  await page.reload();
  await bench.step('Idea');
  await expect(layer).toContainText('Mauve seam');
  await idea.addTechnique('Hanger swirl');
  await expect(techniques).toContainText('Touching colours need ΔE 18 and 10 in L*');
});

test('two pots may be the same on purpose', async ({ page, batches, bench, idea }) => {
  await batches.openBatch('Kingfisher');
  await bench.step('Idea');
  await idea.technique('Hanger');
  const apart = page.getByRole('region', { name: 'Apart check' });
  const pair = apart.getByRole('listitem').filter({ hasText: 'Breast and Back teal' });
  await pair.getByRole('button', { name: 'Meant to be the same' }).click();
  await expect(pair).toHaveCount(0);
  await expect(apart).toContainText('Breast and Back teal are meant to be the same.');
  await apart.getByRole('button', { name: 'They are not' }).click();
  await expect(pair).toBeVisible();
});

test('embeds by piece, in two colours and with an outline, are on the sheet as they were decided', async ({
  page,
  batches,
  bench,
}) => {
  await batches.openBatch('Verdigris roofs');
  await bench.step('Base');
  await bench.part('Embeds and lines');
  const card = page.getByRole('listitem', { name: 'Embed Ridge bead' });
  await card.getByLabel('How many of Ridge bead').getByText('in all').click();
  await card.getByLabel('Pieces in all').fill('6');
  await card.getByLabel('Weighs, each').fill('4');
  await card.getByRole('button', { name: 'Another colour in it' }).click();
  await card.getByLabel('Parts of colour 2 in Ridge bead').fill('3');
  await bench.pick('Colour 2 of Ridge bead', 'Titanium dioxide, oil');
  await bench.pick('Roll Ridge bead in a powder', 'Activated charcoal');
  await expect(card).toContainText('Rolled in Activated charcoal');
  await expect(card.getByRole('group', { name: /beside each batter/ })).toContainText('outline ΔE');
  await bench.waitSaved();

  await bench.step('Prep');
  const before = page.getByRole('region', { name: 'The day before' });
  // Six of 4 g: 24 g, a quarter and three quarters.
  await expect(before).toContainText(/6\.0 g\s*Soap dough.*colour 1 of 2/s);
  await expect(before).toContainText(/18\.0 g\s*Soap dough.*colour 2 of 2/s);
  await expect(before).toContainText('to roll them in, for an outline');
  await expect(before).toContainText('6 of the 9 bars get one');
});

test('seeds wanted per bar keep their wish when the batch grows', async ({ page, batches, bench }) => {
  await batches.openBatch('Kingfisher');
  await bench.step('Base');
  await bench.part('Additives');
  await bench.pick('Add an additive', 'Poppy seed');
  await page.getByLabel('Enter additives').getByText('g per bar').click();
  await page.getByLabel('Poppy seed, g per bar').fill('1.5');
  const seeds = page.getByRole('listitem').filter({ hasText: 'Poppy seed' }).first();
  await expect(seeds).toContainText('1.5 g a bar, fixed for each bar');
  await expect(seeds).toContainText('½ tsp in a bar');
  const massOf = async (): Promise<number> =>
    Number(/([\d.]+) g/.exec(await seeds.locator('.measured b').innerText())![1]);
  const small = await massOf();
  await bench.part('Oils and lye');
  await page.getByLabel('Total oils').fill('1500');
  await bench.part('Additives');
  await expect(seeds).toContainText('1.5 g a bar, fixed for each bar');
  expect(await massOf()).not.toBe(small);
});
