import { expectAccessible } from './accessible.ts';
import { expect, test } from './fixtures.ts';

test('no accessibility fault in the rooms', async ({ page }) => {
  for (const path of [
    '/batches',
    '/batches/new',
    '/shelf?kind=clay',
    '/book',
    '/book/yellow-iron-oxide',
    '/book/trial?of=yellow-iron-oxide',
    '/book/import',
    '/book/photo',
    '/calendar',
    '/settings',
  ]) {
    await page.goto(path);
    await page.getByRole('heading', { level: 1 }).waitFor();
    await expectAccessible(page);
  }
  for (const [room, button] of [
    ['/batches', 'Filters'],
    ['/calendar', 'Plan back from a sale'],
    ['/calendar', 'Cure, hours, moulds'],
  ] as const) {
    await page.goto(room);
    await page.getByRole('button', { name: button }).click();
    await page.getByRole('button', { name: button, expanded: true }).waitFor();
    await expectAccessible(page, 'main');
  }
  for (const dialog of ['/shelf?item=indigo', '/shelf?own=1']) {
    await page.goto(dialog);
    await page.getByRole('dialog').waitFor();
    await expectAccessible(page, '[role=dialog]');
  }
});

const parts = {
  idea: [''],
  base: ['', 'mould', 'scent', 'additives', 'embeds'],
  pots: [''],
  prep: ['', 'dispersions', 'order', 'labels'],
  make: [''],
};
for (const [step, views] of Object.entries(parts))
  test(`no accessibility fault on the step ${step}`, async ({ page, batches }) => {
    await batches.openBatch('Verdigris roofs');
    const batch = page.url().replace(/\/pots.*$/, '');
    for (const part of views) {
      await page.goto(`${batch}/${step}${part && `?part=${part}`}`);
      await page.getByLabel('Name of the batch').waitFor();
      // What stands above the step is the same in each of its parts: looked at once.
      await expectAccessible(page, part === '' ? undefined : '.step-body');
    }
  });

test('no accessibility fault in the result of a batch, nor beside another', async ({ page, batches }) => {
  await batches.openBatch('Canyon strata');
  const batch = page.url().replace(/\/(pots|result).*$/, '');
  for (const part of ['', 'faults', 'cut', 'notes', 'versions', 'story']) {
    await page.goto(`${batch}/result${part && `?part=${part}`}`);
    await page.getByLabel('Name of the batch').waitFor();
    await expect(page.getByText('Opening…')).toHaveCount(0);
    await expectAccessible(page, '.step-body');
  }
});

/** What opens over a step: the button, and what then stands over the page. */
const OVER = {
  pots: [
    ['Match a colour…', '[role=dialog]'],
    ['Ladder…', '[role=dialog]'],
    ['Same look again…', '[role=dialog]'],
    [/^All checks/, '[role=dialog]'],
    ['Keys', '[role=dialog]'],
    [/^Why: Superfat/, '.ant-popover'],
    [/^Units/, '.ant-popover'],
  ],
  base: [['Saved bases', '.ant-popover']],
  idea: [
    [/change it$/, '.ant-popover'],
    [/^Export/, '.ant-dropdown'],
  ],
} as const;
test('no accessibility fault in what opens over a step, and Escape closes it', async ({ page, batches }) => {
  await batches.openBatch('Kingfisher');
  const batch = page.url().replace(/\/pots.*$/, '');
  for (const [step, opens] of Object.entries(OVER)) {
    await page.goto(`${batch}/${step}`);
    for (const [name, over] of opens) {
      await page.getByRole('button', { name }).first().click();
      const shown = page.locator(over).filter({ visible: true });
      await shown.waitFor();
      await expectAccessible(page, over);
      await page.keyboard.press('Escape');
      await expect(shown).toHaveCount(0);
    }
  }
});

test('a pot can be made, coloured and read with the keyboard alone', async ({ page, batches, bench }) => {
  await batches.openBatch('Kingfisher');
  await page.keyboard.press('p');
  await expect(bench.pot('Pot 5')).toBeChecked();
  const picker = page.getByRole('combobox', { name: 'Add a colourant or additive' });
  await picker.focus();
  await page.keyboard.type('madder');
  await page.keyboard.press('Enter');
  const dose = page.getByLabel('Madder root, g/kg oils', { exact: true });
  await dose.focus();
  await page.keyboard.press('ArrowUp');
  await expect(dose).toHaveValue('8.1');
  await page.keyboard.press('Escape');
  await dose.blur();
  await bench.pot('Pot 5').focus();
  await page.keyboard.press('ArrowLeft');
  await expect(bench.pot('Throat')).toBeFocused();
  await expect(bench.pot('Throat')).toBeChecked();
  await page.keyboard.press('?');
  await expect(page.getByRole('dialog', { name: 'Keys' })).toBeVisible();
});
