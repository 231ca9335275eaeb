import { expect, test, withoutBlocking } from './fixtures.ts';

test('photo → palette → pots → prep', async ({ page, batches, bench, idea }) => {
  await batches.create();
  await bench.step('Base');
  await bench.addOil('Olive', '60');
  await bench.addOil('Coconut, refined', '40');
  await bench.step('Idea');
  await idea.source('Photo');
  const photo = await idea.picture(
    ['#c8503c', '#c8503c', '#d9a24a', '#4a63a8', '#efe8d8'],
    500,
    300,
    'image/png',
  );
  await idea.file('Choose a photo', 'courtyard.png', photo, 'image/png');
  const found = page.getByRole('list', { name: 'Colours of the photo' }).getByRole('listitem');
  await expect(found).toHaveCount(4);
  await expect(found.first()).toHaveText('40 %');
  await page.getByRole('button', { name: 'Use these colours' }).click();
  await idea.matched(4);
  await page.getByRole('button', { name: 'Make pots' }).click();
  await expect(bench.pot('Photo 1')).toBeVisible();
  await expect(page.getByRole('radiogroup', { name: 'Selected pot' }).getByRole('radio')).toHaveCount(4);
  await bench.step('Prep');
  await expect(bench.cup('Photo 1').getByRole('row')).not.toHaveCount(1);
  await expect(bench.cup('Photo 1')).toContainText(/\d\.\d g/);
  await bench.waitSaved();
});

test('picking in the photo by hand adds what lies under the point', async ({
  page,
  batches,
  bench,
  idea,
}) => {
  await batches.openBatch('Kingfisher');
  await bench.step('Idea');
  await idea.source('Photo');
  await idea.file(
    'Choose a photo',
    'two.png',
    await idea.picture(['#a03030', '#3050a0'], 400, 200, 'image/png'),
    'image/png',
  );
  const canvas = page.locator('.photo-frame canvas');
  const box = (await canvas.boundingBox())!;
  await canvas.click({ position: { x: box.width * 0.75, y: box.height / 2 } });
  await page.getByRole('button', { name: 'Add the picked ones' }).click();
  await expect(idea.palette.locator('.wanted-top').last()).toHaveAttribute('data-hex', '#3050a0');
});

test('harmony → snapped → pots that follow until edited by hand', async ({ page, batches, bench, idea }) => {
  await batches.create();
  await bench.step('Idea');
  await bench.choose('What the colours do', 'keep apart in three');
  const proposals = page.getByLabel('Proposals').locator('figure');
  await expect(proposals.filter({ hasText: 'ΔE' })).toHaveCount(4);
  await page.getByRole('button', { name: 'Use these colours' }).click();
  await idea.matched(4);
  await page.getByRole('button', { name: 'Make pots' }).click();
  await expect(bench.pot('Colour 1')).toBeVisible();
  const before = await bench.colourOf('Colour 1');

  await idea
    .colour('Colour 1')
    .getByRole('button', { name: /Wanted/ })
    .click();
  const hex = page.locator('.ant-color-picker-hex-input input');
  await hex.fill('3f5f9f');
  await hex.press('Enter');
  await expect.poll(() => bench.colourOf('Colour 1')).not.toBe(before);
  const followed = await bench.colourOf('Colour 1');
  await page.keyboard.press('Escape');

  await bench.step('Pots');
  await bench.select('Colour 1');
  await page.locator('.dose').first().getByRole('textbox').first().fill('1');
  await expect.poll(() => bench.colourOf('Colour 1')).not.toBe(followed);
  const byHand = await bench.colourOf('Colour 1');
  await bench.step('Idea');
  await idea
    .colour('Colour 1')
    .getByRole('button', { name: /Wanted/ })
    .click();
  await hex.fill('b04030');
  await hex.press('Enter');
  await expect(idea.colour('Colour 1').locator('.wanted-top')).toHaveAttribute('data-hex', '#b04030');
  await page.waitForTimeout(600);
  expect(await bench.colourOf('Colour 1')).toBe(byHand);
});

test('a target nobody can reach says why, and contradictory limits say so', async ({
  page,
  batches,
  bench,
}) => {
  await batches.openBatch('Kingfisher');
  await bench.step('Pots');
  await page.getByRole('button', { name: 'Match a colour…' }).click();
  const drawer = page.getByRole('dialog');
  await drawer.getByRole('button', { name: /^Wanted #/ }).click();
  const hex = page.locator('.ant-color-picker-hex-input input');
  await hex.fill('00ff40');
  await hex.press('Enter');
  await expect(drawer.getByText(/Nothing allowed is that vivid in this hue/)).toBeVisible();
  await expect(drawer.getByText(/The nearest within reach is ΔE/)).toBeVisible();
  await expect(drawer.locator('.recipe').first()).toBeVisible();
  await page.keyboard.press('Escape');
  await expect(page.locator('.ant-color-picker-hex-input')).toBeHidden();

  await drawer.getByRole('combobox', { name: 'Only what is' }).click();
  for (const limit of ['natural', 'no fading', 'no bleeding']) {
    await page.locator('.ant-select-item-option').filter({ hasText: limit }).click();
  }
  await page.keyboard.press('Escape');
  await expect(drawer.locator('.recipe').first()).toBeVisible();
});

test('a matched recipe is used, adjusted, and made without one of its colourants', async ({
  page,
  batches,
  bench,
}) => {
  await batches.openBatch('Kingfisher');
  await bench.select('Back teal');
  const first = await bench.colourOf('Back teal');
  await page.getByRole('button', { name: 'Match a colour…' }).click();
  const drawer = page.getByRole('dialog');
  await expect(drawer.locator('.recipe').first()).toContainText('ΔE 0');
  await drawer.getByRole('button', { name: 'lighter' }).click();
  await expect(
    drawer.getByText(/With the colourants already in the pot|cannot do it alone: .* is added/),
  ).toBeVisible();
  await drawer.locator('.recipe').first().getByRole('button', { name: 'Use' }).click();
  await expect.poll(() => bench.colourOf('Back teal')).not.toBe(first);
  await page.getByRole('button', { name: 'Close' }).click();
  await page.keyboard.press('Control+z');
  await expect.poll(() => bench.colourOf('Back teal')).toBe(first);

  await page.getByRole('button', { name: 'The same colour without Copper dome teal' }).click();
  await expect(drawer.getByText('The same colour without Copper dome teal.')).toBeVisible();
  await expect(drawer.locator('.recipe').first()).toBeVisible();
  await expect(drawer.locator('.recipe').filter({ hasText: 'Copper dome teal' })).toHaveCount(0);
  await drawer.locator('.recipe').first().getByRole('button', { name: 'Use' }).click();
  await expect(page.locator('.dose').filter({ hasText: 'Copper dome teal' })).toHaveCount(0);
});

test('colourants by name: what must be in is in every recipe, what is never is in none', async ({
  page,
  batches,
  bench,
}) => {
  await batches.openBatch('Kingfisher');
  await bench.select('Back teal');
  await page.getByRole('button', { name: 'Match a colour…' }).click();
  const drawer = page.getByRole('dialog');
  const recipes = drawer.locator('.recipe');
  await expect(recipes.first()).toContainText('ΔE 0');
  await drawer.getByText('By name').click();
  const name = async (list: string, colourant: string): Promise<void> => {
    await drawer.getByRole('combobox', { name: list }).fill(colourant);
    await page.keyboard.press('Enter');
    await page.keyboard.press('Escape');
  };
  await name('Must hold', 'Ultramarine blue');
  await expect(drawer.getByText('By name · 1')).toBeVisible();
  await expect.poll(() => recipes.filter({ hasNotText: 'Ultramarine blue' }).count()).toBe(0);
  await name('Never', 'Copper dome teal');
  await expect.poll(() => recipes.filter({ hasText: 'Copper dome teal' }).count()).toBe(0);
  await expect(recipes.first()).toContainText('Ultramarine blue');
});

test('sure recipes come first where that is wanted, and every recipe says what it stands on', async ({
  page,
  batches,
  bench,
}) => {
  await batches.openBatch('Kingfisher');
  await bench.select('Back teal');
  await page.getByRole('button', { name: 'Match a colour…' }).click();
  const drawer = page.getByRole('dialog');
  const recipes = drawer.locator('.recipe');
  await expect(recipes.first()).toContainText('ΔE 0');
  const mayMiss = async (): Promise<number[]> => {
    const texts = await recipes.filter({ hasText: /may miss by ΔE \d+/ }).allTextContents();
    return texts.map((t) => Number(/may miss by ΔE (\d+)/.exec(t)![1]));
  };
  await expect.poll(async () => (await mayMiss()).length).toBe(await recipes.count());
  const before = await mayMiss();
  await drawer.getByRole('checkbox', { name: 'sure ones first' }).check();
  const [least] = before.toSorted((a, b) => a - b);
  await expect.poll(async () => (await mayMiss())[0]).toBeLessThanOrEqual(least!);
  // It is the same everywhere that recipes are made, and stays.
  await page.reload();
  await page.getByRole('button', { name: 'Match a colour…' }).click();
  await expect(drawer.getByRole('checkbox', { name: 'sure ones first' })).toBeChecked();
});

test('rescue only adds', async ({ page, batches, bench }) => {
  await batches.openBatch('Kingfisher');
  await bench.select('Throat');
  await bench.addDose('Yellow iron oxide', '1');
  await page.getByRole('button', { name: 'Match a colour…' }).click();
  const drawer = page.getByRole('dialog');
  await drawer.getByRole('switch').click();
  await drawer.getByRole('button', { name: /^Wanted #/ }).click();
  const hex = page.locator('.ant-color-picker-hex-input input');
  await hex.fill('8f9f5f');
  await hex.press('Enter');
  await page.keyboard.press('Escape');
  await expect(drawer.locator('.recipe').first()).toBeVisible();
  await page.waitForTimeout(400);
  await drawer.locator('.recipe').first().getByRole('button', { name: 'Use' }).click();
  const value = async (name: string) =>
    Number(await page.getByLabel(`${name}, g/kg oils`, { exact: true }).inputValue());
  expect(await value('Titanium dioxide, oil grade')).toBeGreaterThanOrEqual(6);
  expect(await value('Yellow iron oxide')).toBeGreaterThanOrEqual(1);
});

test('a ladder of four, even to the eye, written as pots', async ({ page, batches, bench }) => {
  await batches.openBatch('Kingfisher');
  await bench.select('Wing blue');
  await page.getByRole('button', { name: 'Ladder…' }).click();
  const dialog = page.getByRole('dialog');
  await dialog.getByRole('combobox', { name: 'The other end' }).click();
  await page.locator('.ant-select-item-option').filter({ hasText: 'Throat' }).click();
  const steps = dialog.getByRole('region', { name: 'Even to the eye' }).locator('.rung-steps span');
  await expect(steps).toHaveCount(3);
  const values = (await steps.allTextContents()).map((t) => Number(t.replace('ΔE ', '')));
  expect(Math.max(...values) - Math.min(...values)).toBeLessThanOrEqual(0.2);
  await dialog.getByRole('button', { name: 'Write 2 pots between' }).click();
  await expect(bench.pot('Wing blue → Throat 1')).toBeVisible();
  await expect(bench.pot('Wing blue → Throat 2')).toBeVisible();
  await bench.waitSaved();
  await page.keyboard.press('Control+z');
  await expect(bench.pot('Wing blue → Throat')).toHaveCount(0);
});

test('the checks follow the technique, and a pair that reads as one is mended with one tap', async ({
  page,
  batches,
  bench,
  idea,
}) => {
  await batches.openBatch('Kingfisher');
  await bench.step('Idea');
  await idea.technique('Hanger');
  const apart = page.getByRole('region', { name: 'Apart check' });
  await expect(apart.getByText(/Breast and Back teal are too close in lightness/)).toBeVisible();
  await expect(page.getByRole('region', { name: 'Mud check' })).toContainText('mud');
  await apart.getByRole('button').first().click();
  await expect(apart.getByText(/Breast and Back teal/)).toHaveCount(0);
  await page.keyboard.press('Control+z');
  await expect(apart.getByText(/Breast and Back teal/)).toBeVisible();
  await idea.technique('Layers');
  await expect(apart.getByText('Every pair that touches reads as two.')).toBeVisible();
  await page.getByLabel('Order of the grey view').getByText('by value').click();
  await expect(page.getByRole('region', { name: 'Grey view' }).locator('.greys i').first()).toHaveAttribute(
    'title',
    /Throat/,
  );
});

test('the reach of the shelf is drawn, by lightness', async ({ page, batches, bench, idea }) => {
  await batches.openBatch('Kingfisher');
  await bench.step('Idea');
  await idea.source('Reach');
  const reach = page.getByRole('region', { name: 'Reach' });
  const edge = reach.locator('path.reach-open');
  await expect(edge).toHaveAttribute('d', /M.*L/);
  const before = await edge.getAttribute('d');
  await reach.getByText('L* 90').click();
  // Pale soap has less room for chroma.
  await expect(edge).not.toHaveAttribute('d', before!);
});

test('palettes: saved, favoured, used again, exported and read back', async ({
  page,
  batches,
  bench,
  idea,
}) => {
  await batches.openBatch('Kingfisher');
  await bench.step('Idea');
  await idea.source('Saved');
  const saved = page.getByRole('list', { name: 'Saved palettes' });
  await expect(saved.getByRole('listitem').first()).toContainText('Verdigris roofs');
  await saved
    .getByRole('listitem')
    .filter({ hasText: 'Beetroot and rye' })
    .getByRole('button', { name: 'Use' })
    .click();
  await idea.matched(4);
  await page.getByRole('button', { name: 'Make Beetroot and rye a favourite' }).click();
  await expect(page.getByRole('button', { name: 'Beetroot and rye is a favourite' })).toBeVisible();
  await idea.palette.getByRole('button', { name: 'Save' }).click();
  await expect(saved.getByRole('listitem').filter({ hasText: 'Kingfisher' })).toBeVisible();

  for (const [kind, ending] of [
    ['Palette (.gpl)', 'gpl'],
    ['Swatches (.ase)', 'ase'],
    ['Table with hex', 'csv'],
  ] as const) {
    await idea.palette.getByRole('button', { name: 'Export' }).click();
    const [file] = await Promise.all([
      page.waitForEvent('download'),
      page.getByRole('menuitem', { name: kind }).click(),
    ]);
    expect(file.suggestedFilename()).toBe(`Kingfisher.${ending}`);
    await idea.source('File');
    await page.getByLabel('Choose a palette file', { exact: true }).setInputFiles(
      await file.path().then(async (path) => {
        const { readFileSync } = await import('node:fs');
        return { name: `back.${ending}`, mimeType: 'application/octet-stream', buffer: readFileSync(path) };
      }),
    );
    await expect(page.locator('.saved-row')).toContainText('4 colours');
  }
  await page.getByRole('button', { name: 'Use these colours' }).click();
  await expect(idea.colour('Beet')).toBeVisible();
});

test('with nothing marked in stock everything is offered, and the step says so', async ({
  page,
  request,
  batches,
  bench,
  idea,
}) => {
  const shelf = (await (await request.get('/api/materials')).json()) as Record<string, unknown>[];
  for (const { id, optics: _o, curve: _c, builtIn: _b, ...rest } of shelf.filter((m) => m.inStock)) {
    await request.put(`/api/materials/${String(id)}`, { data: { ...rest, inStock: false } });
  }
  await batches.openBatch('Kingfisher');
  await bench.step('Idea');
  await expect(page.getByText('Nothing is marked in stock, so the whole shelf is offered.')).toBeVisible();
  await idea.matched(4);
});

test('the same look on another base', async ({ page, batches, bench }) => {
  await batches.openBatch('Kingfisher');
  const before = await bench.colourOf('Back teal');
  await bench.step('Base');
  await page.getByRole('button', { name: 'Remove Lard' }).click();
  await bench.addOil('Palm, unrefined', '25');
  const looks = page.getByRole('status', { name: 'Looks on this base' });
  await expect(looks).toContainText(/The new base changes \d pots, by up to ΔE/);
  await expect.poll(() => bench.colourOf('Back teal')).not.toBe(before);
  const tinted = await bench.colourOf('Back teal');
  const distance = (a: string, b: string) =>
    [1, 3, 5].reduce(
      (sum, at) => sum + Math.abs(parseInt(a.slice(at, at + 2), 16) - parseInt(b.slice(at, at + 2), 16)),
      0,
    );
  await looks.getByRole('button', { name: 'Match them again, to look as before' }).click();
  const again = page.getByRole('dialog', { name: 'The same look again' });
  await expect(again.getByRole('listitem', { name: 'Back teal' })).toContainText(/ΔE \d/);
  await again.getByRole('button', { name: /^Use (it|them) for \d pots?$/ }).click();
  await expect(again).toHaveCount(0);
  await expect
    .poll(async () => distance(await bench.colourOf('Back teal'), before))
    .toBeLessThan(distance(tinted, before));
  await bench.waitSaved();
});

test('a saved palette starts a batch', async ({ page, batches, idea }) => {
  await batches.open();
  await page.getByRole('button', { name: 'From a palette' }).click();
  await page.getByRole('menuitem', { name: 'Verdigris roofs' }).click();
  await expect(page.getByLabel('Name of the batch')).toHaveValue('Verdigris roofs');
  await idea.matched(4);
  await expect(idea.colour('Copper')).toBeVisible();
});

test('a colour is moved on the field by hand and by key, and what is held turns with it', async ({
  page,
  batches,
  bench,
  idea,
}) => {
  await batches.openBatch('Kingfisher');
  await bench.step('Idea');
  await idea.matched(4);
  const reach = page.getByRole('region', { name: 'Reach' });
  const drop = (name: string) => reach.getByRole('button', { name: new RegExp(`^${name}:`) });
  const place = async (name: string): Promise<[number, number]> => [
    Number(await drop(name).getAttribute('cx')),
    Number(await drop(name).getAttribute('cy')),
  ];
  const angle = async (name: string): Promise<number> => {
    const [x, y] = await place(name);
    return Math.atan2(210 - y, x - 210);
  };
  await drop('Wing').focus();
  const before = await place('Wing');
  const breast = await place('Breast');
  await page.keyboard.press('ArrowRight');
  await expect.poll(async () => (await place('Wing'))[0]).toBeGreaterThan(before[0]);
  expect(await place('Breast')).toEqual(breast);

  const pair = reach.getByRole('listitem').filter({ hasText: 'Wing' }).first();
  await pair.getByRole('checkbox', { name: 'Hold this' }).check();
  const other = /(?:Breast|Back|Throat)/.exec(await pair.innerText())![0];
  const apart = (await angle('Wing')) - (await angle(other));
  await drop('Wing').scrollIntoViewIfNeeded();
  const box = (await drop('Wing').boundingBox())!;
  await page.mouse.move(box.x + box.width / 2, box.y + box.height / 2);
  await page.mouse.down();
  await page.mouse.move(box.x + box.width / 2 - 40, box.y + box.height / 2 + 10, { steps: 4 });
  await page.mouse.up();
  const turn = (x: number): number => Math.atan2(Math.sin(x), Math.cos(x));
  await expect
    .poll(async () => Math.abs(turn((await angle('Wing')) - (await angle(other)) - apart)))
    .toBeLessThan(0.02);
  expect(await place('Wing')).not.toEqual(before);
  await bench.waitSaved();
});

test('bad files are refused with a reason and nothing is lost', async ({ page, batches, bench, idea }) => {
  await batches.openBatch('Kingfisher');
  await bench.step('Idea');
  await idea.source('File');
  const alert = page.getByRole('alert');
  for (const [name, content, said] of [
    ['empty.gpl', '', 'The file is empty.'],
    ['short.ase', 'ASEF', 'The file is cut short.'],
    ['junk.ase', 'x'.repeat(500), 'This is no swatch exchange file: its signature is missing.'],
    ['odd.gpl', 'GIMP Palette\n1 2 900 x\n', 'Line 2 is no colour'],
    [
      'many.gpl',
      `GIMP Palette\n${'1 2 3\n'.repeat(100_000)}`,
      'This file holds 100000 colours; at most 256 can be read.',
    ],
    ['rows.csv', 'name,hex\nA,#12\n', 'Row 2: “#12” is no colour like #4a63b0.'],
    ['open.csv', 'name,hex\n"A,#4a63b0\n', 'Row 2: a quotation mark is opened and not closed.'],
    ['words.txt', 'hello', 'A palette file ends in .gpl, .ase or .csv.'],
  ] as const) {
    await idea.file('Choose a palette file', name, content, 'application/octet-stream');
    await expect(alert).toContainText(said);
  }
  // Lab values may be for either white: asked, with what the file says as the default.
  await idea.file('Choose a palette file', 'lab.csv', 'name,L,a,b,white\nA,60,10,20,D50\n', 'text/csv');
  const white = page.getByRole('radiogroup', { name: 'White of the Lab values' });
  await expect(white.getByRole('radio', { name: 'D50' })).toBeChecked();
  await white.getByText('D65').click();
  await expect(white.getByRole('radio', { name: 'D65' })).toBeChecked();
  await idea.file(
    'Choose a palette file',
    'markup.gpl',
    'GIMP Palette\n10 20 30 <img src=x onerror="window.hacked=1">\n',
    'text/plain',
  );
  await page.getByRole('button', { name: 'Use these colours' }).click();
  await expect(idea.palette.getByRole('textbox')).toHaveValue('<img src=x onerror="window.hacked=1">');
  expect(await page.evaluate(() => 'hacked' in window)).toBe(false);

  await idea.source('Photo');
  const huge = Buffer.alloc(64);
  huge.write('\x89PNG\r\n\x1a\n\0\0\0\rIHDR', 0, 'latin1');
  huge.writeUInt32BE(10_000, 16);
  huge.writeUInt32BE(8000, 20);
  const cut = (await idea.picture(['#aa3322', '#2233aa'], 300, 300, 'image/jpeg')).subarray(0, 700);
  for (const [name, content, said] of [
    ['none.png', Buffer.alloc(0), 'The file is empty.'],
    ['words.png', Buffer.from('no picture'), 'This is no JPEG, PNG or WebP picture.'],
    ['huge.png', huge, 'The picture has 80 megapixels; at most 60 can be read.'],
    [
      'damaged.png',
      Buffer.concat([huge.subarray(0, 16), Buffer.from([0, 0, 1, 0, 0, 0, 1, 0]), Buffer.alloc(40)]),
      'The picture cannot be decoded',
    ],
  ] as const) {
    await idea.file('Choose a photo', name, content, 'image/png');
    await expect(alert).toContainText(said);
  }
  await idea.file('Choose a photo', 'cut.jpg', cut, 'image/jpeg');
  await expect(page.getByText('Reading the photo…')).toHaveCount(0);
  await bench.waitSaved();
});

test('a 12-megapixel photo is read without freezing the page', async ({ page, batches, bench, idea }) => {
  await batches.openBatch('Kingfisher');
  await bench.step('Idea');
  await idea.source('Photo');
  const photo = await idea.picture(
    ['#8a3f58', '#a98a63', '#6b4a35', '#efe6d2', '#46607a'],
    4000,
    3000,
    'image/jpeg',
  );
  const colours = page.getByRole('list', { name: 'Colours of the photo' }).getByRole('listitem');
  await withoutBlocking(page, 250, async () => {
    // Another source and back: the photo is gone and read anew.
    await idea.source('Reach');
    await idea.source('Photo');
    await expect(colours).toHaveCount(0);
    await idea.file('Choose a photo', 'large.jpg', photo, 'image/jpeg');
    await expect(colours).toHaveCount(5);
  });
});
