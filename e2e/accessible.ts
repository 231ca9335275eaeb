import AxeBuilder from '@axe-core/playwright';
import { expect, type Page } from '@playwright/test';

/**
 * No fault against WCAG 2.1 AA or good practice.
 * @param within selector of what to look at, instead of the whole page
 */
export async function expectAccessible(page: Page, within?: string): Promise<void> {
  // A room comes as a file of its own; until it is there the page has nothing but the rail.
  await page.getByRole('main').waitFor();
  // Motion is reduced in these tests: what opens is there at once, but for its colours.
  await page.waitForTimeout(200);
  // In the page itself: putting results of frames together in a page of its own takes twice as long, and there are none.
  const axe = new AxeBuilder({ page })
    .withTags(['wcag2a', 'wcag2aa', 'wcag21aa', 'best-practice'])
    .setLegacyMode(true);
  const { violations } = await (within === undefined ? axe : axe.include(within)).analyze();
  const faults = violations.map((v) => `${v.id}: ${v.nodes.map((n) => n.target.join(' ')).join(' | ')}`);
  expect.soft(faults, page.url()).toEqual([]);
}
