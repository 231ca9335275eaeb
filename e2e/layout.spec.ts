import { type Page } from '@playwright/test';
import { addPot, emptyPlan } from '@kleur/core/plan';
import { expect, test } from './fixtures.ts';

const STEPS = [
  'idea',
  'base',
  'base?part=mould',
  'base?part=scent',
  'base?part=additives',
  'base?part=embeds',
  'pots',
  'prep',
  'prep?part=dispersions',
  'prep?part=order',
  'prep?part=labels',
  'make',
];
const RESULT = ['result', 'faults', 'cut', 'notes', 'versions', 'story'];
const ROOMS = [
  '/batches',
  '/batches/new',
  '/shelf',
  '/book',
  '/book/yellow-iron-oxide',
  '/book/trial?of=yellow-iron-oxide',
  '/book/import',
  '/book/photo',
  '/calendar',
  '/settings',
];
/** What opens below the head of a room. */
const OPENED = [
  ['/batches', 'Filters', 'Bars like this colour'],
  ['/calendar', 'Plan back from a sale', 'Day of the sale'],
  ['/calendar', 'Cure, hours, moulds', 'Days on which nothing is made'],
] as const;

/** Every view in turn, with an open batch of the demo for the steps. */
async function throughViews(
  page: Page,
  look: (view: string) => Promise<void>,
  steps: readonly string[] = STEPS,
): Promise<void> {
  const { items } = (await (await page.request.get('/api/batches')).json()) as {
    items: { id: string; name: string }[];
  };
  const { id } = items.find((b) => b.name === 'Kingfisher')!;
  const made = items.filter((b) => b.name.startsWith('Canyon strata')).map((b) => b.id);
  const result = RESULT.map((part) => `/batches/${made[0]}/result?part=${part}`);
  const views = [
    ...ROOMS,
    `/batches/compare?ids=${made.join()}`,
    ...steps.map((s) => `/batches/${id}/${s}`),
    ...(steps === STEPS ? result : result.slice(0, 1)),
  ];
  for (const view of views) {
    await page.goto(view);
    await page.locator('main h1').waitFor({ state: 'attached' });
    if (view.includes(id)) await page.locator('.swatch[data-hex]').first().waitFor({ state: 'attached' });
    await expect(page.getByText('Opening…')).toHaveCount(0);
    await look(view.replace(id, '…').replace(made[0]!, '…'));
  }
  for (const [room, button, shown] of OPENED) {
    await page.goto(room);
    await page.getByRole('button', { name: button }).click();
    await page.getByLabel(shown).first().waitFor();
    await look(`${room}: ${button}`);
  }
}

/** How far the page or the room is wider than the window, px, and what sticks out of it. */
const overflow = (page: Page): Promise<string[]> =>
  page.evaluate(() => {
    const main = document.querySelector('main')!;
    const out: string[] = [];
    if (document.documentElement.scrollWidth > innerWidth) out.push('the page scrolls sideways');
    if (main.scrollWidth > main.clientWidth) out.push('the room scrolls sideways');
    for (const el of document.querySelectorAll<HTMLElement>('main *')) {
      const box = el.getBoundingClientRect();
      if (box.width === 0 || box.right <= innerWidth + 1 || !el.checkVisibility()) continue;
      // What scrolls or is cut within itself: pots, parts of a step, a ruler of true length, a wide table, a switch.
      if (
        el.closest(
          '.bench-row, .slim-row, .parts, .by-oil, .sr-only, .ant-switch, [aria-label^="Strip for cutting"]',
        )
      )
        continue;
      out.push(`${el.tagName} ${el.className} ends at ${Math.round(box.right)}`);
    }
    return out;
  });

/** What can be pressed and is smaller than a fingertip needs, in px. */
const smallTargets = (page: Page, least: number): Promise<string[]> =>
  page.evaluate((px) => {
    const pressed =
      'button, a[href], input, [role=button], [role=radio], [role=switch], [role=combobox], label.ant-segmented-item';
    const out: string[] = [];
    for (const el of document.querySelectorAll<HTMLElement>(pressed)) {
      const hidden = !el.checkVisibility({ visibilityProperty: true }) || el.closest('.skip, svg');
      if (hidden || (el instanceof HTMLInputElement && el.type === 'range')) continue;
      // Of a field the whole frame is pressed, of a box its label.
      const frame =
        el instanceof HTMLInputElement
          ? (el.closest('.ant-input-affix-wrapper, .ant-select, .ant-segmented-item, label') ?? el)
          : el;
      const { width, height } = frame.getBoundingClientRect();
      if (width > 0 && (width < px - 0.5 || height < px - 0.5))
        out.push(
          `${el.getAttribute('aria-label') ?? el.textContent}: ${Math.round(width)} × ${Math.round(height)}`,
        );
    }
    return out;
  }, least);

const SMALL = [
  { name: 'a phone', width: 390, height: 844 },
  { name: 'an upright tablet', width: 820, height: 1180 },
];

test.describe('on a phone and an upright tablet', () => {
  test.use({ hasTouch: true, isMobile: true });

  test('nothing sticks out, and nothing is too small for a finger', async ({ page }) => {
    await throughViews(page, async (view) => {
      for (const { name, ...size } of SMALL) {
        await page.setViewportSize(size);
        await expect.poll(() => overflow(page), { message: `${view} on ${name}` }).toEqual([]);
        await expect.poll(() => smallTargets(page, 48), { message: `${view} on ${name}` }).toEqual([]);
      }
    });
  });
});

test.describe('with 24 pots', () => {
  test.use({ hasTouch: true, isMobile: true, viewport: { width: 390, height: 844 } });

  test('each keeps the width of a finger in the strip, which scrolls', async ({ page, batches }) => {
    const names = Array.from({ length: 24 }, (_, i) => `A rather long name ${i + 1}`);
    await batches.create(names.reduce((p, name, i) => addPot(p, `pot-${i}`, name), emptyPlan()));
    const pots = page.locator('.slim-pot');
    await expect(pots).toHaveCount(24);
    const widths = await pots.evaluateAll((all) => all.map((el) => el.getBoundingClientRect().width));
    expect(Math.min(...widths)).toBeGreaterThanOrEqual(44);
    expect(await overflow(page)).toEqual([]);
  });
});

/** Where a phone has room for every part of a step, one view of each is enough. */
const FIRST_VIEWS = STEPS.filter((s) => !s.includes('?'));

const LARGE = [
  { name: 'a laptop', width: 1280, height: 800, head: 800 / 3 },
  { name: 'a large screen', width: 1920, height: 1080, head: 1080 / 3 },
  { name: 'a laptop at 200 % zoom', width: 640, height: 400, head: 400 / 2 },
];

test('on laptops and large screens nothing sticks out, and most of the height is for the work', async ({
  page,
}) => {
  const look = async (view: string): Promise<void> => {
    for (const { name, width, height, head } of LARGE) {
      await page.setViewportSize({ width, height });
      await expect.poll(() => overflow(page), { message: `${view} on ${name}` }).toEqual([]);
      if (!view.startsWith('/batches/…')) continue;
      const foot = (): Promise<number> =>
        page.locator('.steps').evaluate((el) => el.getBoundingClientRect().bottom);
      await expect.poll(foot, { message: `${view} on ${name}` }).toBeLessThanOrEqual(head);
    }
  };
  await throughViews(page, look, FIRST_VIEWS);
});

test.describe('at 200 % zoom', () => {
  test.use({ viewport: { width: 640, height: 400 } });

  test('what has the focus is never under the strip', async ({ page, batches, bench }) => {
    await batches.openBatch('Kingfisher');
    await bench.step('Pots');
    await page.locator('.dose').first().waitFor();
    const covered: string[] = [];
    for (let i = 0; i < 45; i++) {
      await page.keyboard.press('Tab');
      const under = await page.evaluate(() => {
        const el = document.activeElement;
        const strip = document.querySelector('.slim-row');
        if (!el || !strip || strip.contains(el) || !el.closest('main') || el.closest('.bench-head'))
          return null;
        const [a, b] = [el.getBoundingClientRect(), strip.getBoundingClientRect()];
        return a.height > 0 && a.top < b.bottom - 1 && a.bottom > b.top + 1
          ? el.outerHTML.slice(0, 90)
          : null;
      });
      if (under) covered.push(under);
    }
    expect(covered).toEqual([]);
  });
});

test('colours that the system forces leave the soap alone, and outline what is chosen', async ({
  page,
  batches,
}) => {
  await page.emulateMedia({ forcedColors: 'active' });
  await batches.openBatch('Kingfisher');
  const fill = page.locator('.pot-fill').first();
  await expect(fill).toHaveAttribute('data-hex', /^#/);
  const hex = (await fill.getAttribute('data-hex'))!;
  const rgb = [1, 3, 5].map((at) => parseInt(hex.slice(at, at + 2), 16)).join(', ');
  await expect(fill).toHaveCSS('background-color', `rgb(${rgb})`);
  await expect(page.getByRole('radio', { checked: true }).first()).toHaveCSS('outline-style', 'solid');
});
