import { execFileSync } from 'node:child_process';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { chromium, type Page } from '@playwright/test';
import { type BatchDocument, type BatchPage, type LogPage, routes, type Settings } from '@kleur/contract';
import { logEntry, runSheetOf } from '@kleur/core/day';
import { sheetOf } from '@kleur/core/sheet';
import { plainPrinter } from '@kleur/core/units';
import { expect, test } from './fixtures.ts';

test.use({ hasTouch: true, viewport: { width: 820, height: 1180 } });

/** Rounds in which the browser is killed; KLEUR_KILLS for more. */
const KILLS = Number(process.env.KLEUR_KILLS ?? 5);
/** A second touch within this is the same touch, ms. */
const SAME_TOUCH = 450;

const idOf = (page: Page): string => /batches\/([^/]+)/.exec(page.url())![1]!;
const logOf = async (page: Page): Promise<LogPage> =>
  (await (await page.request.get(routes.log(idOf(page)))).json()) as LogPage;
const step = (page: Page) => page.getByRole('article').first();
const title = (page: Page) => step(page).getByRole('heading');
const done = async (page: Page): Promise<void> => {
  await page.waitForTimeout(SAME_TOUCH);
  await page.getByRole('button', { name: 'Done', exact: true }).tap();
};
const ticks = async (page: Page): Promise<void> => {
  for (const box of await step(page).getByRole('checkbox').all()) await box.check();
};

/** Says of every step before `stepId` that it is done. */
async function doneUpTo(page: Page, batchId: string, stepId: string): Promise<void> {
  const { plan } = (await (await page.request.get(routes.batch(batchId))).json()) as BatchDocument;
  const { measuring } = (await (await page.request.get(routes.settings)).json()) as Settings;
  const ids = runSheetOf(plan, sheetOf(plan, measuring, plainPrinter)).map((s) => s.id);
  const entries = ids
    .slice(0, ids.indexOf(stepId))
    .map((target, i) => logEntry({ id: `${batchId} ${i}`, at: 1_795_000_000_000 + i, kind: 'done', target }));
  expect((await page.request.post(routes.log(batchId), { data: { entries } })).status()).toBe(204);
}

test('layers hours apart: each has its checklist and its lye, and before a later one the sign and the mist', async ({
  page,
  batches,
  bench,
}) => {
  await batches.openBatch('Harbour at dusk');
  await doneUpTo(page, idOf(page), 'label');
  await bench.step('Make');
  await expect(title(page)).toHaveText('Label the cups and jugs');
  const seen: string[] = [];
  const shown = async (): Promise<string> => (await title(page).textContent()) ?? '';
  for (let i = 0; i < 60 && !seen.includes('Unmould'); i++) {
    const now = await shown();
    seen.push(now);
    if (now.startsWith('Before the lye')) await ticks(page);
    if (now.startsWith('Full design')) {
      await page.getByRole('button', { name: 'Full design', exact: true }).tap();
    } else await done(page);
    await expect(title(page)).not.toHaveText(now);
  }
  const only = (part: string): string[] => seen.filter((s) => s.startsWith(part));
  expect(only('Before the lye')).toEqual([1, 2, 3].map((n) => `Before the lye of pour ${n}`));
  expect(only('Lye')).toHaveLength(3);
  const pours = only('Pour');
  expect(pours).toHaveLength(3);
  for (const pour of pours.slice(1)) {
    const at = seen.indexOf(pour);
    expect(seen.slice(at - 2, at)).toEqual(['Does the layer below carry?', 'Mist the layer']);
  }
});

test('the simpler design is taken: the steps that follow say so, and the log keeps it', async ({
  page,
  batches,
  bench,
}) => {
  await batches.openBatch('Kingfisher');
  await bench.step('Prep');
  await bench.part('Order and pace');
  await bench.choose('Fallback technique', 'In-the-pot swirl');
  await bench.waitSaved();
  await bench.step('Make');
  const all = page.getByRole('region', { name: 'All steps' });
  await all.getByRole('button', { name: 'Bring them together' }).tap();
  await done(page);
  await all.getByRole('button', { name: 'Full design or simpler one?' }).tap();
  // The batter stands: each pot says how long it lasts.
  await expect(page.getByRole('list', { name: 'Time left of each pot' }).getByRole('listitem')).toHaveCount(
    4,
  );
  await page.getByRole('button', { name: 'Simpler one', exact: true }).tap();
  await all.getByRole('button', { name: 'Pour', exact: true }).tap();
  await expect(step(page)).toContainText('Decided: the simpler design');
  // Its pours are the simpler design’s: into one jug, and all of it from there.
  await expect(step(page)).toContainText('into jug 3, Wing blue');
  await expect(step(page)).not.toContainText('down one wall');
  await expect.poll(async () => (await logOf(page)).entries.map((e) => e.kind)).toContain('decided');
});

test('a step put in and one moved; a photo turned right and without where it was taken; a temperature by a tap', async ({
  page,
  batches,
  bench,
}) => {
  await batches.openBatch('Kingfisher');
  await bench.step('Make');
  await page.getByRole('button', { name: 'Move or add steps' }).tap();
  await page.getByRole('textbox', { name: 'Title of the step' }).fill('Close the window');
  await page.getByRole('button', { name: 'Put it in' }).tap();
  await page.getByRole('textbox', { name: 'Who does: Oils' }).fill('Second pair of hands');
  // By keys: Oils goes up by one place, before the lye.
  const handle = page.getByRole('button', { name: 'Move Oils' });
  await handle.focus();
  await handle.press('Space');
  await page.keyboard.press('ArrowUp');
  await page.keyboard.press('Space');
  await page.getByRole('button', { name: 'Back to the steps' }).tap();
  await expect(title(page)).toHaveText('Close the window');
  await bench.waitSaved();

  // 40 × 20 pixels that a camera held upright, with a note of that and a place beside it.
  const jpeg = Buffer.from(
    await page.evaluate(async () => {
      const canvas = new OffscreenCanvas(40, 20);
      canvas.getContext('2d')!.fillRect(0, 0, 20, 20);
      const blob = await canvas.convertToBlob({ type: 'image/jpeg' });
      return Array.from(new Uint8Array(await blob.arrayBuffer()));
    }),
  );
  const exif = Buffer.from('ffe100224578696600004d4d002a00000008000101120003000000010006000000000000', 'hex');
  const upright = Buffer.concat([jpeg.subarray(0, 2), exif, jpeg.subarray(2)]);
  await page
    .getByLabel('Photo', { exact: true })
    .setInputFiles({ name: 'pots.jpg', mimeType: 'image/jpeg', buffer: upright });
  const log = page.getByRole('region', { name: 'Log' });
  const picture = log.getByRole('img', { name: 'Close the window: a photo' });
  await expect(picture).toBeVisible();
  await expect.poll(async () => (await logOf(page)).entries.map((e) => e.kind)).toEqual(['pictured']);
  const [{ text: name } = { text: '' }] = (await logOf(page)).entries;
  const kept = await (await page.request.get(routes.file(idOf(page), name))).body();
  expect(kept.includes('Exif')).toBe(false);
  await expect
    .poll(() => picture.evaluate((img: HTMLImageElement) => [img.naturalWidth, img.naturalHeight]))
    .toEqual([20, 40]);
  await page.getByLabel('Photo', { exact: true }).setInputFiles({
    name: 'no.jpg',
    mimeType: 'image/jpeg',
    buffer: Buffer.from('<svg onload="alert(1)"/>'),
  });
  await expect(step(page).getByRole('alert')).toContainText('no picture that can be read');

  await page
    .getByRole('region', { name: 'All steps' })
    .getByRole('button', { name: 'Oils', exact: false })
    .tap();
  await expect(step(page)).toContainText('done by Second pair of hands');
  await page.getByRole('group', { name: 'Temperature of the oils' }).getByRole('button').nth(2).tap();
  await expect(log).toContainText('Oils at 32 °C');

  // The next batch of the kind shows how that step looked.
  await batches.openBatch('Verdigris roofs');
  await bench.step('Make');
  await expect(page.getByText(/So it looked in Kingfisher/)).toHaveCount(0);
});

test('two batches of one day: what is prepared comes for both, and one checklist serves both lyes', async ({
  page,
  batches,
  bench,
}) => {
  await batches.openBatch('Kingfisher');
  await bench.step('Make');
  const first = idOf(page);
  const { items } = (await (await page.request.get(routes.batches)).json()) as BatchPage;
  const second = items.find((b) => b.name === 'Canyon strata')!.id;
  // Of what is prepared only the labels are still to do, in both.
  for (const id of [first, second]) await doneUpTo(page, id, 'label');
  await page.reload();
  await page.getByRole('button', { name: 'Batches made side by side' }).tap();
  await bench.choose('Another batch of today', 'Canyon strata');
  await expect(page.getByRole('region', { name: 'Batches made side by side' })).toContainText(
    'Canyon strata',
  );
  const goOn = async (): Promise<void> => {
    const from = page.url();
    await page.getByRole('button', { name: /^Go on with/ }).tap();
    await expect(page).not.toHaveURL(from);
  };
  await expect(title(page)).toHaveText('Label the cups and jugs');
  await done(page);
  await goOn();
  await expect(title(page)).toHaveText('Label the cups and jugs');
  await done(page);
  await goOn();
  await expect(title(page)).toHaveText('Before the lye');
  await ticks(page);
  await done(page);
  await expect(title(page)).toHaveText('Lye');
  // Ticked once, the checklist is done in both.
  for (const id of [first, second])
    await expect
      .poll(async () => {
        const { entries } = (await (await page.request.get(routes.log(id))).json()) as LogPage;
        return entries.filter((e) => e.kind === 'done' && e.target === 'safety').length;
      })
      .toBe(1);
});

test('the scale is simulated where there is none, and what it shows at rest is taken', async ({
  page,
  batches,
  bench,
}) => {
  await batches.openBatch('Kingfisher');
  await bench.step('Make');
  await bench.part('At the pot');
  await page.getByRole('button', { name: 'Scale and thermometer' }).tap();
  const scale = page.getByRole('group', { name: 'Scale' });
  await scale.getByRole('button', { name: 'Simulate one' }).tap();
  await scale.getByRole('button', { name: '+ 500.0 g' }).tap();
  const take = page
    .getByRole('region', { name: 'How much batter is in it' })
    .getByRole('button', { name: /take what/ });
  await expect(take).toHaveText(/^Take (499\.[89]|500\.[0-2]) g \(simulated\)$/);
  await take.tap();
  await expect(page.getByRole('region', { name: 'Log' })).toContainText(
    /Wing blue: (499\.[89]|500\.[0-2]) g of batter \(simulated instrument\)/,
  );
  for (let i = 0; i < 10; i++) await scale.getByRole('button', { name: '+ 500.0 g' }).tap();
  await expect(scale).toContainText('too much on it');
  await expect(take).toBeDisabled();
});

test(`what was tapped survives ${KILLS} kills of the browser`, async ({ page, batches, baseURL }) => {
  await batches.openBatch('Kingfisher');
  const url = `${baseURL!}/batches/${idOf(page)}/make?part=pots`;
  const folder = mkdtempSync(join(tmpdir(), 'kleur-kill-'));
  const { executablePath, args } = test.info().project.use.launchOptions!;
  try {
    for (let round = 1; round <= KILLS; round++) {
      const context = await chromium.launchPersistentContext(folder, {
        executablePath: executablePath!,
        args: args!,
      });
      const killed = context.pages()[0] ?? (await context.newPage());
      // The server is away: only the device has what is said.
      await killed.route(/\/log(\?|$)/, (route) => route.abort());
      await killed.goto(url);
      const entries = killed.getByRole('region', { name: 'Log' }).getByText('Wing blue: Specks');
      await expect(entries).toHaveCount(round - 1);
      await killed.getByRole('button', { name: 'Specks', exact: true }).click();
      await expect(entries).toHaveCount(round);
      execFileSync('pkill', ['-KILL', '-f', folder]);
      await context.close().catch(() => undefined);
    }
    const context = await chromium.launchPersistentContext(folder, {
      executablePath: executablePath!,
      args: args!,
    });
    const last = context.pages()[0] ?? (await context.newPage());
    await last.goto(url);
    await expect(last.getByRole('region', { name: 'Log' }).getByText('Wing blue: Specks')).toHaveCount(KILLS);
    await expect
      .poll(async () => (await logOf(page)).entries.filter((e) => e.text === 'Specks').length)
      .toBe(KILLS);
    await context.close();
  } finally {
    rmSync(folder, { recursive: true, force: true });
  }
});
