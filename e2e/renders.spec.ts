import { type Page } from '@playwright/test';
import { type BatchDocument, type BatchPage, routes } from '@kleur/contract';
import { expect, test, withoutBlocking } from './fixtures.ts';

/*
 * What a drag of a dose costs, as a count that no machine changes: components that did work, of Ant Design too, told
 * by the hook that React calls after each commit.
 */
declare global {
  interface Window {
    renders: number;
  }
}

/** The part of React's own records that is read here. */
interface Fiber {
  readonly tag: number;
  readonly flags: number;
  readonly alternate: Fiber | null;
  readonly child: Fiber | null;
  readonly sibling: Fiber | null;
}

/** Counts components that performed work. Runs in the page, before the application. */
function countRenders(): void {
  const PERFORMED_WORK = 1;
  const COMPONENTS = [0, 1, 11, 14, 15]; // function, class, forwardRef, memo, simple memo
  const walk = (fiber: Fiber): void => {
    if (COMPONENTS.includes(fiber.tag) && (fiber.flags & PERFORMED_WORK) !== 0) window.renders += 1;
    // The same children as before the commit were not looked at.
    if (fiber.alternate !== null && fiber.child === fiber.alternate.child) return;
    for (let child = fiber.child; child; child = child.sibling) walk(child);
  };
  window.renders = 0;
  const hook = {
    isDisabled: false,
    supportsFiber: true,
    renderers: new Map(),
    inject: () => 1,
    onCommitFiberRoot: (_id: number, root: { current: Fiber }) => {
      walk(root.current);
    },
    onCommitFiberUnmount: () => undefined,
    onPostCommitFiberRoot: () => undefined,
  };
  Object.assign(window, { __REACT_DEVTOOLS_GLOBAL_HOOK__: hook });
}

test('a move of a dose in a plan of four pots renders under 70 components, and everything follows', async ({
  page,
  batches,
  bench,
}) => {
  await page.addInitScript(countRenders);
  await batches.openBatch('Kingfisher');
  await bench.step('Pots');
  const bar = page.getByRole('slider', { name: /strength/ }).first();
  const before = await bar.getAttribute('aria-valuetext');
  const swatch = page.locator('.bench-strip [role=radio] .swatch').first();
  const colour = await swatch.getAttribute('data-hex');
  await bar.scrollIntoViewIfNeeded();
  const box = (await bar.boundingBox())!;
  const to = (x: number): Promise<void> => page.mouse.move(box.x + box.width * x, box.y + box.height / 2);
  await to(0.5);
  await page.mouse.down();
  // The first moves change what stays changed: the sign of saving, the button of undo.
  for (let i = 1; i <= 5; i++) await to(0.5 + 0.01 * i);
  await page.waitForTimeout(300);

  const MOVES = 20;
  await page.evaluate(() => (window.renders = 0));
  for (let i = 1; i <= MOVES; i++) {
    await to(0.55 + 0.01 * i);
    await page.evaluate(() => new Promise(requestAnimationFrame));
  }
  const renders = await page.evaluate(() => window.renders);
  await page.mouse.up();
  expect(renders / MOVES).toBeGreaterThan(5);
  expect(renders / MOVES).toBeLessThan(70);
  expect(await bar.getAttribute('aria-valuetext')).not.toBe(before);
  await expect.poll(() => swatch.getAttribute('data-hex')).not.toBe(colour);
});

/** Drags the thumb of the first dose from its middle, `moves` times, each in a frame of its own. */
async function dragDose(page: Page, moves: number): Promise<void> {
  const bar = page.getByRole('slider', { name: /strength/ }).first();
  await bar.scrollIntoViewIfNeeded();
  const box = (await bar.boundingBox())!;
  const to = (x: number): Promise<void> => page.mouse.move(box.x + box.width * x, box.y + box.height / 2);
  await to(0.4);
  await page.mouse.down();
  for (let i = 1; i <= moves; i++) {
    await to(0.4 + 0.01 * i);
    await page.evaluate(() => new Promise(requestAnimationFrame));
  }
  await page.mouse.up();
}

test('a drag of a dose in a plan of twelve pots blocks nothing, and the checks follow it once', async ({
  page,
  request,
  bench,
}) => {
  const { items } = (await (await request.get(routes.batches)).json()) as BatchPage;
  const known = items.find((b) => b.name === 'Kingfisher')!;
  const { plan } = (await (await request.get(routes.batch(known.id))).json()) as BatchDocument;
  const pots = [1, 2, 3].flatMap((round) =>
    plan.pots.map((pot) => ({
      ...pot,
      id: `${pot.id}-${round}`,
      name: `${pot.name} ${round}`,
      draws: pot.draws.map((draw) => ({ ...draw, id: `${draw.id}-${round}` })),
      doses: pot.doses.map((dose) => ({ ...dose, id: `${dose.id}-${round}` })),
    })),
  );
  expect(pots).toHaveLength(12);
  const made = await request.post(routes.batches, {
    data: { name: 'Twelve', state: 'planned', madeOn: null, plan: { ...plan, pots } },
  });
  expect(made.status()).toBe(201);
  const { id } = (await made.json()) as BatchDocument;
  await page.goto(`/batches/${id}/pots`);
  await expect(page.locator('.bench-strip [role=radio]')).toHaveCount(12);
  await bench.waitSaved();

  await withoutBlocking(page, 50, () => dragDose(page, 20));
  await bench.waitSaved();

  const checked = () => page.evaluate(() => performance.getEntriesByName('kleur checks').length);
  const before = await checked();
  // Twelve moves in one task: nothing that a slow machine does can come between them.
  await page
    .getByRole('slider', { name: /strength/ })
    .first()
    .evaluate((bar: HTMLInputElement) => {
      const value = Object.getOwnPropertyDescriptor(HTMLInputElement.prototype, 'value')!;
      for (let i = 0; i < 12; i++) {
        value.set!.call(bar, String(0.3 + i / 50));
        bar.dispatchEvent(new Event('input', { bubbles: true }));
      }
    });
  await expect.poll(checked).toBeGreaterThan(before);
  await bench.waitSaved();
  expect((await checked()) - before).toBeLessThan(3);
});

test('a colour changed and the step left at once: its pot follows all the same, in one step of undo', async ({
  page,
  batches,
  bench,
}) => {
  await batches.openBatch('Kingfisher');
  await bench.step('Idea');
  await page.getByRole('button', { name: 'Make pots' }).click();
  await page
    .getByLabel('Wing', { exact: true })
    .getByRole('button', { name: /^Wanted/ })
    .click();
  const hex = page.locator('.ant-color-picker-hex-input input').first();
  await hex.fill('8a3a2a');
  await hex.press('Enter');
  // Left at once, before the shelf was searched.
  await bench.step('Pots');
  await page.getByRole('radio', { name: /^Wing,/ }).click();
  const formula = page.getByRole('region', { name: 'Formula' });
  await expect(formula).not.toContainText('Ultramarine blue');
  await expect(formula.getByRole('heading', { level: 3 }).first()).toBeVisible();
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(formula).toContainText('Ultramarine blue');
  await page.getByRole('button', { name: 'Redo' }).click();
  await expect(formula).not.toContainText('Ultramarine blue');
});
