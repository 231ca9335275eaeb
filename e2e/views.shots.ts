import { test } from './fixtures.ts';

const folder = 'docs/screenshots';

test('batches', async ({ page, batches }) => {
  await batches.open();
  await batches.card('Canyon strata').waitFor();
  await page.screenshot({ path: `${folder}/batches.png` });
});

test('a new batch', async ({ page }) => {
  await page.goto('/batches/new');
  await page.getByRole('radio', { name: /^Balanced/ }).waitFor();
  await page.waitForTimeout(300);
  await page.screenshot({ path: `${folder}/start.png` });
});

test('shelf', async ({ page, shelf }) => {
  await shelf.open();
  await shelf.row('Red iron oxide').locator('.face i').first().waitFor();
  await page.screenshot({ path: `${folder}/shelf.png` });
  await page.goto('/book');
  await page.getByRole('button', { name: 'Learn from my bars' }).click();
  await page.getByRole('button', { name: 'Learn again' }).waitFor();
  await page.waitForTimeout(300);
  await page.screenshot({ path: `${folder}/swatch-book.png` });
});

test('the steps of a batch', async ({ page, batches, bench }) => {
  await batches.openBatch('Verdigris roofs');
  await bench.colourOf('Copper');
  await bench.pot('Copper').locator('.pot-fill path').first().waitFor();
  await page.screenshot({ path: `${folder}/pots.png` });
  await bench.step('Base');
  await page.waitForTimeout(300);
  await page.screenshot({ path: `${folder}/base.png` });
  await bench.step('Prep');
  await page.waitForTimeout(300);
  await page.screenshot({ path: `${folder}/prep.png` });
});

test('the parts of a plan', async ({ page, batches, bench }) => {
  await batches.openBatch('Tiled courtyard');
  await bench.step('Base');
  await bench.part('Mould and bars');
  await bench.colourOf('Shade');
  await page.waitForTimeout(300);
  await page.screenshot({ path: `${folder}/mould.png` });
  await batches.openBatch('Verdigris roofs');
  await bench.step('Base');
  await bench.part('Scent');
  await bench.colourOf('Copper');
  await page.waitForTimeout(300);
  await page.screenshot({ path: `${folder}/scent.png` });
  await bench.step('Prep');
  await bench.part('Pour');
  await page.waitForTimeout(300);
  await page.screenshot({ path: `${folder}/pour.png` });
});

test('from an idea to recipes', async ({ page, batches, bench, idea }) => {
  await batches.openBatch('Canyon strata');
  await bench.step('Idea');
  await idea.matched(6);
  await page.getByLabel('Proposals').locator('figure').filter({ hasText: 'ΔE' }).last().waitFor();
  await page.waitForTimeout(300);
  await page.screenshot({ path: `${folder}/idea.png` });
  await idea.source('Reach');
  await page.locator('path.reach-open').waitFor();
  await page.locator('.reach-body').evaluate((el) => {
    el.scrollIntoView({ block: 'center' });
  });
  await page.waitForTimeout(300);
  await page.screenshot({ path: `${folder}/idea-reach.png` });
  await bench.step('Pots');
  await page.getByRole('button', { name: 'Match a colour…' }).click();
  await page.locator('.recipe').first().waitFor();
  await page.waitForTimeout(500);
  await page.screenshot({ path: `${folder}/match.png` });
  await page.getByRole('button', { name: 'Close' }).click();
  await page.getByRole('button', { name: 'Ladder…' }).click();
  await page.locator('.rung-row').first().waitFor();
  await page.waitForTimeout(400);
  await page.screenshot({ path: `${folder}/ladder.png` });
});

test('a making day on a tablet', async ({ page, batches, bench }) => {
  await page.setViewportSize({ width: 820, height: 1180 });
  await batches.openBatch('Verdigris roofs');
  await bench.step('Make');
  await page.getByRole('article').waitFor();
  await page.waitForTimeout(300);
  await page.screenshot({ path: `${folder}/make-steps.png` });
  await page.getByRole('button', { name: 'At the pot' }).click();
  await page.getByRole('region', { name: /^Verdict on/ }).waitFor();
  await page.waitForTimeout(300);
  await page.screenshot({ path: `${folder}/make-pot.png` });
});

test('what became of a batch, and when the others are due', async ({ page, batches, bench }) => {
  await batches.openBatch('Canyon strata');
  await bench.step('Result');
  await page.getByRole('region', { name: 'Readings' }).waitFor();
  await page.waitForTimeout(300);
  await page.screenshot({ path: `${folder}/result.png` });
  await bench.part('Faults and causes');
  await page.getByRole('article', { name: 'Partial gel' }).waitFor();
  await page.waitForTimeout(300);
  await page.screenshot({ path: `${folder}/causes.png` });
  await page.goto('/calendar');
  await page.getByRole('region', { name: 'Curing rack' }).waitFor();
  await page.waitForTimeout(300);
  await page.screenshot({ path: `${folder}/calendar.png` });
});
