import { type BatchDocument, type BatchPage, type CalendarPage, routes } from '@kleur/contract';
import { expect, test } from './fixtures.ts';

const documentOf = async (
  request: { get(url: string): Promise<{ json(): Promise<unknown> }> },
  name: string,
): Promise<BatchDocument> => {
  const { items } = (await (await request.get(routes.batches)).json()) as BatchPage;
  const { id } = items.find((b) => b.name === name)!;
  return (await (await request.get(routes.batch(id))).json()) as BatchDocument;
};

test('a fault leads to its cause, and one press puts the remedy into the next version', async ({
  page,
  batches,
  bench,
}) => {
  await batches.openBatch('Slate and saffron');
  await bench.step('Result');
  await bench.part('Faults and causes');
  const found = page.getByRole('region', { name: 'What do you see?' });
  await found.getByRole('button', { name: 'Air', exact: true }).click();
  await expect(page.getByRole('list', { name: 'Causes of: Air' })).toContainText(
    'Nothing in the record of this batch explains it.',
  );
  const ash = page.getByRole('article', { name: 'Soda ash' });
  await expect(ash.getByRole('listitem').first()).toContainText('neither misted nor covered');
  await expect(ash).toContainText('This batch:');
  await ash.getByRole('button', { name: 'Into the next version' }).first().click();
  await expect(
    page.getByText('“Slate and saffron, version 2” is in the list', { exact: false }),
  ).toBeVisible();
  const next = await documentOf(page.request, 'Slate and saffron, version 2');
  expect(next.plan.work.finish).toContain('mist');
  // What may hold lye is tested before anything is sold.
  await found.getByRole('button', { name: 'Seized' }).click();
  const lye = page.getByRole('region', { name: 'Test for lye' });
  await expect(lye).toContainText('On hold: test it for lye before anybody uses or sells it');
  await lye.getByRole('textbox', { name: 'Highest pH of the spots' }).fill('11.5');
  await expect(lye).toContainText('On hold: the test for lye failed');
  await page.reload();
  await expect(lye).toContainText('On hold: the test for lye failed');
});

test('made again at double size on another base, all pots matched again', async ({
  page,
  batches,
  bench,
}) => {
  const parent = await documentOf(page.request, 'Canyon strata');
  await batches.openBatch('Canyon strata');
  await bench.step('Result');
  await bench.part('Make again');
  await page.getByLabel('How much', { exact: true }).getByText('Times').click();
  await bench.choose('On which base', 'Hard and white');
  const pots = page.getByRole('list', { name: 'Pots matched again' });
  await expect(pots.getByRole('listitem')).toHaveCount(6);
  await expect(page.getByRole('table', { name: 'What the new version changes' })).toContainText('2060');
  await page.getByRole('button', { name: 'Make this version' }).click();
  await page.waitForURL(/\/pots/);
  const next = await documentOf(page.request, 'Canyon strata, version 3');
  expect(next.parentId).toBe(parent.id);
  expect(next.plan.base.totalOils).toBeCloseTo(2 * parent.plan.base.totalOils, 6);
  expect(next.plan.base.oils.map((o) => o.materialId)).not.toContain('oil-olive');
  await page.goto(`/batches/${parent.id}/result?part=versions`);
  const line = page.getByRole('region', { name: 'Versions' });
  await line.getByRole('button', { name: 'What changed in Canyon strata', exact: true }).click();
  await expect(line).toContainText('What it did:');
  await expect(line).toContainText(/Mauve seam: .*than before/);
});

test('a season is planned backwards from its sale; what cannot be ready says by which step', async ({
  page,
}) => {
  await page.goto('/calendar');
  const day = (ahead: number): string => new Date(Date.now() + ahead * 86_400_000).toISOString().slice(0, 10);
  const sale = async (ahead: number): Promise<void> => {
    await page.getByRole('button', { name: /^Day of the sale/ }).click();
    const field = page.getByRole('textbox', { name: 'Day of the sale' });
    await field.fill(day(ahead));
    await field.press('Enter');
  };
  await page.getByRole('button', { name: 'Plan back from a sale' }).click();
  await sale(20);
  const season = page.getByRole('list', { name: 'Batches for the sale' });
  for (const name of ['Tiled courtyard', 'Kingfisher']) await season.getByRole('checkbox', { name }).check();
  await expect(season.getByRole('listitem', { name: 'Kingfisher' })).toContainText(
    'too few days of cure are left',
  );
  await expect(season.getByRole('listitem', { name: 'Kingfisher' })).toContainText('days of cure');
  await sale(80);
  await page.getByRole('button', { name: 'Set these 2 days' }).click();
  await expect(page.getByText('2 batches have their days.')).toBeVisible();
  const { batches, undated } = (await (await page.request.get(routes.calendar)).json()) as CalendarPage;
  expect(undated).toEqual([]);
  // 42 days of cure and one to finish.
  expect(batches.find((b) => b.name === 'Tiled courtyard')!.madeOn <= day(80 - 43)).toBe(true);
  const strip = page.getByRole('button', { name: /^Kingfisher · to pour/ });
  const before = batches.find((b) => b.name === 'Kingfisher')!.madeOn;
  await strip.press('ArrowLeft');
  await expect
    .poll(async () => {
      const now = (await (await page.request.get(routes.calendar)).json()) as CalendarPage;
      return now.batches.find((b) => b.name === 'Kingfisher')!.madeOn;
    })
    .toBe(new Date(Date.parse(before) - 86_400_000).toISOString().slice(0, 10));
});

test('the ledger finds by material and fault, and sets batches side by side', async ({ page, batches }) => {
  await batches.open();
  await page.getByRole('button', { name: 'Filters' }).click();
  await page.getByRole('combobox', { name: 'Fault' }).click();
  await page.locator('.ant-select-item-option').filter({ hasText: 'Soda ash' }).click();
  await expect(page.getByRole('article')).toHaveCount(1);
  await expect(batches.card('Slate and saffron')).toBeVisible();
  await page.getByRole('button', { name: 'No filters' }).click();
  await expect(page.getByRole('article')).toHaveCount(7);
  await page.getByRole('button', { name: 'Compare', exact: true }).click();
  for (const name of ['Canyon strata', 'Canyon strata, first'])
    await page.getByRole('button', { name: `Compare ${name}`, exact: true }).click();
  await page.getByRole('button', { name: 'Compare 2' }).click();
  await expect(page.getByRole('region', { name: 'Canyon strata, first' })).toContainText('Faded');
  await expect(page.getByRole('table', { name: /^What Canyon strata/ })).toContainText('Purple clay');
});

test('the cut is decided at the block, judged, and comes back when the same is chosen', async ({
  page,
  batches,
  bench,
}) => {
  await batches.openBatch('Canyon strata');
  await bench.step('Result');
  await bench.part('Cut and weights');
  await expect(page.getByRole('region', { name: 'Bars and weights' })).toContainText('Lost in cure');
  await page.getByRole('button', { name: 'Decide it at the block' }).click();
  const bars = page.getByRole('listitem', { name: 'Stretch 2' });
  await expect(bars).toContainText('9 ×');
  await bars.getByRole('textbox', { name: 'Thickness' }).fill('30');
  await expect(bars).toContainText(/\+2\d % of the usual/);
  await bench.part('Verdicts and notes');
  const clay = page.getByRole('listitem', { name: 'Colourant: Kaolin' });
  await clay.getByText('Not again').click();
  await page.getByRole('textbox', { name: 'A note' }).fill('<b>The rim</b> is thin');
  await page.getByRole('button', { name: 'Keep the note' }).click();
  await expect(page.getByText('<b>The rim</b> is thin')).toBeVisible();
  await bench.part('Whole story');
  await expect(page.getByRole('article', { name: 'The whole story' })).toContainText('Partial gel');
  const first = await documentOf(page.request, 'Canyon strata, first');
  await page.goto(`/batches/${first.id}/pots?pot=pot-6`);
  await expect(page.getByRole('list', { name: 'Last results with Kaolin' })).toContainText('not again');
});
