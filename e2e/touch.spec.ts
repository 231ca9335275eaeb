import { type Locator, type Page } from '@playwright/test';
import { expect, test } from './fixtures.ts';

test.use({ hasTouch: true, viewport: { width: 820, height: 1180 } });

/** Puts a finger down in the middle of an element, or at a share of its width, moves it, and lifts it. */
async function finger(page: Page, on: Locator, dx: number, dy: number, from = 0.5): Promise<void> {
  await on.scrollIntoViewIfNeeded();
  const box = (await on.boundingBox())!;
  const [x, y] = [box.x + box.width * from, box.y + box.height / 2];
  const touch = await page.context().newCDPSession(page);
  const put = (type: 'touchStart' | 'touchMove' | 'touchEnd', at: number): Promise<unknown> =>
    touch.send('Input.dispatchTouchEvent', {
      type,
      touchPoints: type === 'touchEnd' ? [] : [{ x: x + dx * at, y: y + dy * at }],
    });
  await put('touchStart', 0);
  for (let i = 1; i <= 10; i++) await put('touchMove', i / 10);
  await put('touchEnd', 1);
  await page.waitForTimeout(100);
}

const scrolled = (page: Page): Promise<number> => page.locator('main').evaluate((main) => main.scrollTop);

test('a swipe that scrolls changes no dose, time or palette; a sideways drag does, and can be undone', async ({
  page,
  batches,
  bench,
}) => {
  await batches.openBatch('Kingfisher');
  await bench.waitSaved();
  const bar = page.getByRole('slider', { name: /strength/ }).first();
  const before = (await bar.getAttribute('aria-valuetext'))!;
  const top = await scrolled(page);
  await finger(page, bar, 6, -220, 0.2);
  await expect(bar).toHaveAttribute('aria-valuetext', before);
  expect(await scrolled(page)).toBeGreaterThan(top + 50);
  // Neither does a touch that goes nowhere.
  await finger(page, bar, 0, 0, 0.9);
  await expect(bar).toHaveAttribute('aria-valuetext', before);
  const time = (await bench.time.getAttribute('aria-valuetext'))!;
  await finger(page, bench.time, 4, 160, 0.3);
  await expect(bench.time).toHaveAttribute('aria-valuetext', time);
  await expect(page.getByRole('button', { name: 'Undo', exact: true }).first()).toBeDisabled();

  await finger(page, bar, 90, 12, 0.2);
  await expect(bar).not.toHaveAttribute('aria-valuetext', before);
  const notice = page.locator('.ant-notification-notice').filter({ hasText: '→' });
  await expect(notice).toContainText(`${before.split(' ')[0]} →`);
  await notice.getByRole('button', { name: 'Undo' }).click();
  await expect(bar).toHaveAttribute('aria-valuetext', before);
});

test('a swipe over fields, choices and switches changes none of them', async ({ page, batches, bench }) => {
  await batches.openBatch('Kingfisher');
  const state = (): Promise<string> =>
    page.evaluate(() =>
      [...document.querySelectorAll<HTMLInputElement>('main input, main [role=switch], main .ant-select')]
        .map((el) => `${el.value}${String(el.checked)}${el.getAttribute('aria-checked')}${el.title}`)
        .join('|'),
    );
  for (const [step, controls] of [
    ['Pots', ['.share .ant-input', '.share .ant-select', '.pot-head [role=switch]', '.dose-trail']],
    ['Base', ['.grid .ant-input', '.ant-segmented', 'main .ant-select']],
    ['Idea', ['main .ant-segmented', 'main .ant-select']],
  ] as const) {
    await bench.step(step);
    await bench.waitSaved();
    for (const control of controls) {
      const on = page.locator(control).first();
      await on.scrollIntoViewIfNeeded();
      const before = await state();
      await finger(page, on, 3, -180);
      expect(await state(), `${step}, ${control}`).toBe(before);
    }
  }
  await expect(page.getByRole('button', { name: 'Undo', exact: true }).first()).toBeDisabled();
});

test('a drop of the palette moved by a finger tells its way, and can be undone', async ({
  page,
  batches,
  bench,
}) => {
  await batches.openBatch('Kingfisher');
  await bench.step('Idea');
  const drop = page.locator('circle.drop').first();
  const before = (await drop.getAttribute('aria-label'))!;
  await drop.tap();
  await finger(page, drop, 70, 40);
  await expect(drop).not.toHaveAttribute('aria-label', before);
  const notice = page.locator('.ant-notification-notice').filter({ hasText: '→' });
  await notice.getByRole('button', { name: 'Undo' }).click();
  await expect(drop).toHaveAttribute('aria-label', before);
});

test('Prep can be locked: lines are ticked, nothing else changes', async ({ page, batches, bench }) => {
  await batches.openBatch('Kingfisher');
  await bench.step('Prep');
  await page.getByRole('button', { name: 'Lock', exact: true }).click();
  await expect(page.locator('.bench-head')).toHaveAttribute('inert', '');
  await expect(page.getByTitle('New pot (P)')).toBeDisabled();
  const line = page.getByRole('checkbox').first();
  await line.click();
  await expect(line).toBeChecked();
  await bench.part('Order and pace');
  await expect(page.locator('[inert]').getByText('Colour the pots in this order')).toBeAttached();
  await page.getByRole('button', { name: 'Locked: tap to change' }).click();
  await expect(page.locator('.bench-head')).not.toHaveAttribute('inert', '');
});
