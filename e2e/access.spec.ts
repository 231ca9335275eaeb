import AxeBuilder from '@axe-core/playwright';
import { expect, test } from './fixtures.ts';

const views = [
  '/batches',
  '/shelf?kind=clay',
  '/settings',
  'idea',
  'base',
  'pots',
  'prep',
  '/shelf?item=indigo',
];

for (const view of views) {
  test(`no accessibility fault on ${view}`, async ({ page, batches }) => {
    if (view.startsWith('/')) await page.goto(view);
    else {
      await batches.openBatch('Kingfisher');
      await page.goto(page.url().replace('/pots', `/${view}`));
    }
    await page.waitForTimeout(700);
    const { violations } = await new AxeBuilder({ page })
      .withTags(['wcag2a', 'wcag2aa', 'wcag21aa'])
      .analyze();
    expect(violations.map((v) => `${v.id}: ${v.nodes.map((n) => n.target.join(' ')).join(' | ')}`)).toEqual(
      [],
    );
  });
}

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

test('nothing runs off a tablet held upright', async ({ page, batches, bench }) => {
  await page.setViewportSize({ width: 820, height: 1180 });
  await batches.openBatch('Canyon strata');
  for (const step of ['Idea', 'Base', 'Pots', 'Prep'] as const) {
    await bench.step(step);
    await page.waitForTimeout(200);
    const over = await page.evaluate(() => {
      const room = document.getElementById('room')!;
      return room.scrollWidth - room.clientWidth;
    });
    expect(over).toBeLessThanOrEqual(0);
  }
});
