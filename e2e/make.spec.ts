import { type Page } from '@playwright/test';
import { type LogPage, routes } from '@kleur/contract';
import { expect, test } from './fixtures.ts';
import { type BatchesPage } from './pages/batches.ts';
import { type BenchPage } from './pages/bench.ts';

test.use({ hasTouch: true, viewport: { width: 820, height: 1180 } });

/** Opens the demo’s first batch where it is made. */
async function openMake(batches: BatchesPage, bench: BenchPage, part: string): Promise<void> {
  await batches.openBatch('Kingfisher');
  await bench.step('Make');
  await bench.part(part);
}

const idOf = (page: Page): string => /batches\/([^/]+)/.exec(page.url())![1]!;
const logOf = async (page: Page): Promise<LogPage> =>
  (await (await page.request.get(routes.log(idOf(page)))).json()) as LogPage;
const verdict = (page: Page) => page.getByRole('region', { name: /^Verdict on/ }).getByRole('status');
const cup = (page: Page, name: string) => page.getByRole('listitem', { name: `Cup of ${name}` });
/** A second touch within this is the same touch, ms. */
const SAME_TOUCH = 400;
const tap = async (page: Page, name: string): Promise<void> => {
  // Done stands at the same place in every step.
  if (name === 'Done') await page.waitForTimeout(SAME_TOUCH + 50);
  await page.getByRole('button', { name, exact: true }).tap();
};

test('colour by parts of a cup, what is left in a new pot, and a touch taken back: by taps alone', async ({
  page,
  batches,
  bench,
}) => {
  await openMake(batches, bench, 'At the pot');
  await expect(verdict(page)).toHaveText('Leave it: it will come to the planned colour.');
  const blue = cup(page, 'Ultramarine blue');
  await blue.getByRole('button', { name: '¼ of the cup' }).tap();
  await expect(blue).toContainText('75 % left');
  await expect(verdict(page)).toHaveText(
    /^All that is left in the cup of Ultramarine blue more: then it comes/,
  );
  await blue.getByRole('button', { name: '½ of the cup' }).tap();
  // A quarter is left, three quarters were said: that is asked about, and kept as it is said.
  await blue.getByRole('button', { name: '¾ of the cup' }).tap();
  await expect(blue).toContainText('more than was left');
  await blue.getByRole('button', { name: 'No' }).tap();
  await tap(page, 'Half');
  await page.getByRole('button', { name: 'From Wing blue', exact: true }).tap();
  await expect(verdict(page)).toHaveText(/Nothing was planned for this pot/);
  await cup(page, 'Ultramarine blue').getByRole('button', { name: 'The rest' }).tap();
  const log = page.getByRole('region', { name: 'Log' });
  await expect(log.getByRole('listitem')).toHaveCount(4);
  await expect(log).toContainText('From Wing blue: Ultramarine blue, the rest of the cup');
  await log.getByRole('button', { name: /^Take back: From Wing blue/ }).tap();
  await expect(log.getByRole('listitem')).toHaveCount(3);
  await page
    .getByRole('group', { name: 'Pot in hand' })
    .getByRole('button', { name: 'Wing blue', exact: true })
    .tap();
  await tap(page, 'About ¾');
  await expect(cup(page, 'Lido blue')).toContainText('the pot is smaller than planned');
  await tap(page, 'medium trace');
  await page.reload();
  await expect(log.getByRole('listitem')).toHaveCount(5);
  await expect(page.getByRole('button', { name: 'medium trace', exact: true })).toHaveAttribute(
    'aria-pressed',
    'true',
  );
  expect((await logOf(page)).entries.map((e) => e.kind)).toEqual([
    'added',
    'added',
    'took',
    'added',
    'voided',
    'sized',
    'thickness',
  ]);
});

test('without the server everything waits, survives a reload, and is there once afterwards', async ({
  page,
  batches,
  bench,
}) => {
  await openMake(batches, bench, 'At the pot');
  await page.route('**/log*', (route) => route.abort());
  const blue = cup(page, 'Ultramarine blue');
  await blue.getByRole('button', { name: '¼ of the cup' }).tap();
  // A second touch in the same breath is the same touch.
  await blue.getByRole('button', { name: '½ of the cup' }).dblclick();
  await expect(blue).toContainText('25 % left');
  await expect(page.getByText('2 entries wait on this device to be sent.')).toBeVisible();
  await page.reload();
  await expect(blue).toContainText('25 % left');
  expect((await logOf(page)).entries).toEqual([]);
  await page.unroute('**/log*');
  await expect(page.getByText(/to be sent/)).toHaveCount(0);
  expect((await logOf(page)).entries.map((e) => e.value)).toEqual([0.25, 0.5]);
});

test('two devices see each other’s entries', async ({ page, batches, bench, context }) => {
  await openMake(batches, bench, 'At the pot');
  const other = await context.newPage();
  await other.goto(page.url());
  await cup(page, 'Ultramarine blue').getByRole('button', { name: '½ of the cup' }).tap();
  await expect(cup(other, 'Ultramarine blue')).toContainText('50 % left');
  await cup(other, 'Ultramarine blue').getByRole('button', { name: 'The rest' }).tap();
  await expect(cup(page, 'Ultramarine blue')).toContainText('0 % left');
});

test('a day step by step: the checklist before the lye, what is left out, a timer over a reload, by key and by taps', async ({
  page,
  batches,
  bench,
}) => {
  await openMake(batches, bench, 'Step by step');
  const step = (name: string) => page.getByRole('article', { name, exact: true });
  const steps = page.getByRole('region', { name: 'All steps' });
  await expect(step('Gather: Colour')).toContainText('1.9 g');
  // A pedal or a page turner does as well as a finger.
  await page.waitForTimeout(SAME_TOUCH + 50);
  await page.keyboard.press('PageDown');
  // A pedal that bounces goes on by one step all the same.
  await page.keyboard.press('PageDown');
  await expect(step('Gather: And besides')).toBeVisible();
  await tap(page, 'Done');
  await expect(step('Cup 1: Throat')).toBeVisible();
  await tap(page, 'Leave it out…');
  await expect(page.getByText('Needed by: Colour: Throat.')).toBeVisible();
  await tap(page, 'Done already');
  await expect(steps).toContainText('left out: Done already');
  // The lye keeps its amounts to itself until the checklist is ticked.
  await steps.getByRole('button', { name: 'Lye', exact: true }).tap();
  await expect(step('Lye')).not.toContainText('143.3 g');
  await expect(page.getByRole('button', { name: 'Done', exact: true })).toBeDisabled();
  await steps.getByRole('button', { name: 'Before the lye' }).tap();
  const boxes = step('Before the lye').getByRole('checkbox');
  await expect(page.getByRole('button', { name: 'Done', exact: true })).toBeDisabled();
  for (const box of await boxes.all()) await box.check();
  await tap(page, 'Done');
  await steps.getByRole('button', { name: 'Lye', exact: true }).tap();
  await expect(step('Lye')).toContainText('143.3 g');
  // Six grams too much: the superfat of every pot follows.
  await step('Lye').getByRole('button', { name: 'Sodium hydroxide weighed otherwise' }).tap();
  await page.getByLabel('What Sodium hydroxide weighed').fill('149.3');
  await tap(page, 'It weighed this');
  await expect(step('Lye')).toContainText('149.3 g weighed');
  await bench.part('At the pot');
  await expect(page.getByText(/superfat 2\.\d %/)).toBeVisible();
  await bench.part('Step by step');
  await steps.getByRole('button', { name: 'Bring them together' }).tap();
  await expect(step('Bring them together')).toContainText('Not done yet: Lye, Oils.');
  // Nothing goes on with this lye before somebody has answered for its weight.
  const doubt = page.getByRole('alert', { name: 'Stop: check this weight' });
  await expect(doubt).toContainText('Sodium hydroxide: 149.3 g weighed, 143.3 g planned.');
  await expect(doubt).toContainText('Superfat is now 1 % instead of 5 %.');
  await expect(doubt).toContainText('Spoon 6.0 g of dry lye back, so that 143.3 g stay.');
  await expect(page.getByRole('button', { name: 'Answer the question about the lye first.' })).toBeDisabled();
  await tap(page, 'Mended like this');
  await expect(doubt).toHaveCount(0);
  await expect(page.getByRole('button', { name: 'Done', exact: true })).toBeEnabled();
  await tap(page, 'Timer 20 min');
  const timer = page.getByRole('timer');
  await expect(timer).toHaveText(/^(20:00|19:5\d)$/);
  await page.reload();
  await expect(timer).toHaveText(/^19:[0-5]\d$/);
  await page.getByRole('button', { name: 'Stop', exact: true }).tap();
  await expect(timer).toHaveCount(0);
  await tap(page, 'Too fast');
  await expect(page.getByRole('alert')).toContainText('Stop blending, stir by hand.');
  await expect(steps).toContainText('4 of 28 done or left out');
});

test('opens and logs without the server, and all is there once afterwards', async ({
  page,
  context,
  batches,
  bench,
}) => {
  await openMake(batches, bench, 'Step by step');
  await page.evaluate(async () => {
    await navigator.serviceWorker.ready;
    while (!(await caches.has('kleur-data')) || (await (await caches.open('kleur-data')).keys()).length < 4)
      await new Promise((resolve) => setTimeout(resolve, 50));
  });
  const manifest = await page.request.get('/manifest.webmanifest');
  expect(((await manifest.json()) as { icons: unknown[] }).icons).toHaveLength(3);
  await tap(page, 'Done');
  const first = page.getByRole('article').getByRole('heading');
  await expect(first).toHaveText('Gather: And besides');
  await expect.poll(async () => (await logOf(page)).entries.length).toBe(1);

  await context.setOffline(true);
  await page.reload();
  await expect(first).toHaveText('Gather: And besides');
  await expect(page.getByText('The server cannot be reached.')).toBeVisible();
  await tap(page, 'Done');
  await expect(page.getByText(/1 entry waits on this device to be sent/)).toBeVisible();
  await page.reload();
  await expect(page.getByText(/1 entry waits on this device to be sent/)).toBeVisible();
  await expect(first).not.toHaveText('Gather: And besides');

  await context.setOffline(false);
  await expect(page.getByText(/waits on this device/)).toBeHidden();
  expect((await logOf(page)).entries.map((e) => e.kind)).toEqual(['done', 'done']);
});

test('the pour is written move by move, by hand too, and is one screen while it is made', async ({
  page,
  batches,
  bench,
}) => {
  await batches.openBatch('Kingfisher');
  await bench.step('Prep');
  await bench.part('Pour');
  const moves = page.getByRole('list', { name: 'Moves of the pour' });
  await expect(moves.getByRole('listitem')).toHaveCount(12);
  await page.getByText('by my own script').click();
  await page.getByRole('button', { name: 'Add a stroke' }).tap();
  await page.getByRole('textbox', { name: 'Path' }).fill('one slow eight');
  const last = moves.getByRole('listitem').last();
  await expect(last).toContainText('One slow eight');
  // A pour taken out is poured at the end, and the page says so.
  await moves
    .getByRole('button', { name: /^Leave out/ })
    .first()
    .tap();
  await expect(page.getByText(/33 % of it are in no move and are poured at the end/)).toBeVisible();
  await bench.waitSaved();
  await bench.step('Make');
  await page.getByRole('button', { name: 'Pour', exact: true }).tap();
  const step = page.getByRole('article', { name: 'Pour' });
  await expect(step).toContainText('One slow eight');
  await expect(step).toContainText('scale shows');
});
