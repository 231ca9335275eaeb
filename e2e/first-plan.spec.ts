import { type ChildProcess, spawn } from 'node:child_process';
import { mkdtempSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { type Page, test as base } from '@playwright/test';
import { expectAccessible } from './accessible.ts';
import { firstPort } from './ports.ts';

/** A server of its own with an empty workspace: the shelf alone, nothing in stock. */
const test = base.extend<{ readonly site: string }>({
  // The runner reads what a fixture needs from the pattern: none here.
  // oxlint-disable-next-line no-empty-pattern
  site: async ({}, use, { parallelIndex }) => {
    const port = firstPort + 20 + parallelIndex;
    const server: ChildProcess = spawn(process.execPath, ['apps/server/bundle/main.js', '--empty'], {
      env: {
        ...process.env,
        PORT: String(port),
        KLEUR_DATA: mkdtempSync(join(tmpdir(), 'kleur-empty-')),
        NODE_ENV: 'production',
        // As in playwright.config.ts.
        NODE_OPTIONS: '',
      },
      stdio: 'ignore',
    });
    const site = `http://127.0.0.1:${port}`;
    await test.expect
      .poll(
        () =>
          fetch(`${site}/api/health`).then(
            (r) => r.ok,
            () => false,
          ),
        { timeout: 60_000 },
      )
      .toBe(true);
    await use(site);
    server.kill();
  },
});
const { expect } = test;

const COLOURS = ['cream', 'dark soft blue', '#3f8884', 'medium brown'];
/** A click, a choice or a typed field is one. */
const MOST_ACTS = 20;

/** The sheet as it is printed, and what the checks say of it. */
async function expectWhole(page: Page): Promise<void> {
  await expect(page.getByRole('button', { name: /All checks: 0 stops, 0 warnings/ })).toBeVisible();
  const sheet = page.locator('main');
  await expect(sheet).toContainText('Sodium hydroxide');
  for (const pot of ['Cream', 'Dark soft blue', 'Medium brown']) await expect(sheet).toContainText(pot);
  await expect(page.locator('.save-saved')).toBeVisible();
}

/** Counts prints instead of opening the browser's dialog. */
async function countPrints(page: Page): Promise<() => Promise<number>> {
  await page.addInitScript(() => {
    Object.assign(window, { prints: 0 });
    window.print = () => {
      (window as unknown as { prints: number }).prints++;
    };
  });
  return () => page.evaluate(() => (window as unknown as { prints: number }).prints);
}

test('no accessibility fault in an empty workspace; nothing is stored without a name', async ({
  page,
  site,
}) => {
  for (const path of ['/batches', '/shelf', '/settings', '/batches/new']) {
    await page.goto(`${site}${path}`);
    await expectAccessible(page);
  }
  await page.getByRole('button', { name: 'Start with nothing' }).click();
  await expect(page.getByLabel('Name of the new batch')).toBeFocused();
  await expect(page.getByRole('alert')).toHaveText('Enter a name: a batch with nothing in it is not stored.');
  await page.getByRole('link', { name: 'Batches' }).click();
  await expect(page.getByText('No batch yet')).toBeVisible();
});

test('a four-pot plan from an empty workspace to the printed sheet, in at most 20 acts', async ({
  page,
  site,
}) => {
  const prints = await countPrints(page);
  let acts = 0;
  const act = async (done: Promise<unknown>): Promise<void> => {
    acts++;
    await done;
  };
  await page.goto(`${site}/batches`);
  await act(page.getByRole('button', { name: 'New batch' }).first().click());
  await act(page.getByLabel('Name of the new batch').fill('Reed bed'));
  await act(page.getByRole('radio', { name: /^Slow for swirls/ }).click());
  await act(page.getByRole('radio', { name: /^Tall loaf/ }).click());
  await act(page.getByLabel('How many pots').getByText('4').click());
  for (const [i, colour] of COLOURS.entries())
    await act(page.getByLabel(`Pot ${i + 1}, its colour in words or hex`).fill(colour));
  await act(page.getByRole('combobox', { name: 'Scent' }).click());
  await act(page.locator('.ant-select-item-option').filter({ hasText: 'Limewash & fig leaf' }).click());
  await act(page.getByRole('button', { name: 'Make the plan' }).click());
  await expect(page.getByLabel('Name of the batch')).toHaveValue('Reed bed');
  await act(page.getByRole('navigation', { name: 'Still to do' }).getByText('Print the sheet').click());
  await act(page.getByRole('button', { name: 'Print', exact: true }).click());
  await expectWhole(page);
  expect(await prints()).toBe(1);
  expect(acts).toBeLessThanOrEqual(MOST_ACTS);
});

test('the same by keyboard alone', async ({ page, site }) => {
  const prints = await countPrints(page);
  await page.goto(`${site}/batches`);
  await page.getByRole('heading', { name: 'Batches' }).waitFor();
  await page.keyboard.press('n');
  await page.getByLabel('Name of the new batch').waitFor();
  const { keyboard } = page;
  const focused = (): Promise<string> =>
    page.evaluate(() => {
      const el = document.activeElement;
      const label = el?.id ? document.querySelector(`label[for="${CSS.escape(el.id)}"]`)?.textContent : null;
      return el?.getAttribute('aria-label') ?? label ?? el?.textContent ?? '';
    });
  const tabTo = async (name: RegExp): Promise<void> => {
    for (let i = 0; i < 40; i++) {
      if (name.test(await focused())) return;
      await keyboard.press('Tab');
    }
    expect(await focused()).toMatch(name);
  };
  await tabTo(/^Name of the new batch/);
  await keyboard.type('Reed bed');
  await tabTo(/^Balanced/);
  await keyboard.press('ArrowRight');
  await keyboard.press('ArrowRight');
  await tabTo(/^Loaf/);
  await keyboard.press('ArrowRight');
  for (const [i, colour] of COLOURS.entries()) {
    await tabTo(new RegExp(`^Pot ${i + 1}, its colour`));
    await keyboard.type(colour);
  }
  await tabTo(/^Scent/);
  await keyboard.type('Lime');
  await keyboard.press('Enter');
  await tabTo(/^Make the plan/);
  await keyboard.press('Enter');
  await expect(page.getByLabel('Name of the batch')).toHaveValue('Reed bed');
  await keyboard.press('4');
  await page.getByRole('button', { name: 'Print', exact: true }).waitFor();
  await keyboard.press('w');
  await expectWhole(page);
  expect(await prints()).toBe(1);
});

test.describe('on a phone', () => {
  test.use({ hasTouch: true, isMobile: true, viewport: { width: 390, height: 844 } });

  test('the same by touch alone', async ({ page, site }) => {
    const prints = await countPrints(page);
    await page.goto(`${site}/batches`);
    await page.getByRole('button', { name: 'New batch' }).first().tap();
    await page.getByRole('radio', { name: /^Slow for swirls/ }).tap();
    await page.getByRole('radio', { name: /^Tall loaf/ }).tap();
    for (const [i, colour] of COLOURS.entries())
      await page.getByLabel(`Pot ${i + 1}, its colour in words or hex`).fill(colour);
    await page.getByRole('button', { name: 'Make the plan' }).tap();
    await page.getByRole('navigation', { name: 'Still to do' }).getByText('Print the sheet').tap();
    await page.getByRole('button', { name: 'Print', exact: true }).tap();
    await expectWhole(page);
    expect(await prints()).toBe(1);
  });
});

test('nothing is stored before the plan is made; an example comes beside what is there', async ({
  page,
  site,
}) => {
  await page.goto(`${site}/batches`);
  await page.getByRole('button', { name: 'New batch' }).first().click();
  await page.getByLabel('Name of the new batch').fill('Never made');
  await page.getByRole('radio', { name: /^High olive/ }).click();
  await page.goto(`${site}/batches`);
  await expect(page.getByRole('heading', { name: 'No batch yet' })).toBeVisible();
  await page.getByRole('button', { name: 'Open an example' }).last().click();
  await expect(page.getByLabel('Name of the batch')).toHaveValue('Kingfisher');
  await page.goto(`${site}/batches`);
  await expect(page.getByRole('article')).toHaveCount(1);
});

test('what is owned is ticked by kinds, and recipes keep to it', async ({ page, site }) => {
  await page.goto(`${site}/shelf`);
  await page.getByRole('button', { name: 'What I own' }).click();
  const owned = page.getByRole('dialog', { name: 'What I own' });
  const clays = owned.getByRole('region', { name: 'Clays' });
  await clays.getByRole('checkbox').first().click();
  await expect(clays).toContainText(/(\d+) of \1/);
  await page.goto(`${site}/batches/new`);
  await expect(page.getByText('Nothing is marked as in stock')).toHaveCount(0);
  await page.getByRole('button', { name: 'Make the plan' }).click();
  await expect(page.getByLabel('Name of the batch')).toBeVisible();
  await expect(page.locator('.dose h3').first()).toContainText(/clay|kaolin|bentonite/i);
});
