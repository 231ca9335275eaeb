import { deltaE00, labD65FromHex } from '@kleur/core/colour';
import { type Reading } from '@kleur/core/evidence';
import { expect, test } from './fixtures.ts';
import { barAt, photoOf } from './photo.ts';

test('bars that were read are learnt from, taken over, and told in a plan that was made before', async ({
  page,
  batches,
  bench,
}) => {
  await page.goto('/book');
  await page.getByRole('heading', { name: 'Swatch book', level: 1 }).waitFor();
  const white = page.getByRole('listitem').filter({ hasText: 'Titanium dioxide, oil grade' });
  await expect(white).toContainText('Shelf default, a guess');
  await expect(white.getByRole('img', { name: /gelled.*bars? read/ }).first()).toBeVisible();
  await page.getByRole('button', { name: 'Learn from my bars' }).click();
  await expect(
    page.getByRole('status').filter({ hasText: 'each of them would have been missed by' }),
  ).toBeVisible();

  await white.getByRole('link').click();
  await expect(page.getByRole('heading', { name: /bars say$/ })).toBeVisible();
  await expect(page.getByRole('img', { name: /^Absorption from violet to red/ })).toBeVisible();
  const rows = page.getByRole('table', { name: 'Bars that hold it' }).getByRole('row');
  await expect(rows).toHaveCount(10);
  await page.getByRole('button', { name: 'Take it over' }).click();
  await expect(page.getByText(/^Fitted to 9 of your bars/)).toBeVisible();
  // It lies on the server, not on the page.
  await page.reload();
  await expect(page.getByText(/^Fitted to 9 of your bars/)).toBeVisible();

  await batches.openBatch('Kingfisher');
  await bench.step('Pots');
  await page.getByRole('button', { name: /^All checks/ }).click();
  await expect(page.getByText(/colour curve, now from 9 of your bars/)).toBeVisible();

  await page.goto('/book/titanium-dioxide-oil');
  await page.getByRole('button', { name: 'Back to the shelf default' }).click();
  await expect(page.getByText(/^Shelf default, a guess/)).toBeVisible();

  // When the batches gel was learnt from their cuts; it went along, and can be forgotten by itself.
  await page.goto('/book');
  await expect(page.getByRole('list', { name: 'How your soap behaves' })).toContainText('from 3 batches');
  await page.getByRole('button', { name: 'Forget how it behaves' }).click();
  await expect(page.getByRole('list', { name: 'How your soap behaves' })).toBeHidden();
});

test('a test is planned from the bars that teach most, read with the reader, and changes what is foretold', async ({
  page,
  bench,
}) => {
  await page.goto('/book/ultramarine-blue');
  await expect(page.getByText(/^Shelf default, a guess/)).toBeVisible();
  await page.getByRole('link', { name: 'Plan a test' }).click();
  await page.getByText('colour reader', { exact: true }).click();
  const bars = page.getByRole('region', { name: 'Bars that teach most' });
  await expect(bars.getByRole('listitem').first()).toBeVisible();
  await expect(bars.getByRole('status')).toContainText('foretold within ± ΔE');
  const cups = await bars.getByRole('listitem').count();
  expect(cups).toBeGreaterThan(3);
  await bars.getByRole('checkbox').last().click();
  await page.getByRole('button', { name: `Plan these ${cups - 1} cups` }).click();
  await expect(page).toHaveURL(/\/batches\/[^/]+\/prep/);
  await expect(page.getByText(/^Test of Ultramarine/).first()).toBeVisible();

  await bench.step('Result');
  await page.getByRole('button', { name: 'It was poured' }).click();
  await page.getByRole('button', { name: 'Colour reader' }).click();
  const reader = page.getByRole('dialog');
  await reader.getByRole('button', { name: 'Calibrate on the tile' }).click();
  const readings = page.getByRole('region', { name: 'Readings' }).getByRole('listitem');
  for (let n = 1; n < cups; n++) {
    await reader.getByRole('button', { name: /^Measure / }).click();
    const other = reader.getByRole('button', { name: /^It is / }).last();
    await expect(async () => {
      if (await other.isVisible()) await other.click();
      await expect(readings).toHaveCount(n, { timeout: 1000 });
    }).toPass();
  }

  await expect(readings.first()).toContainText('simulated');
  // Nothing is learnt from a simulated reader: the same bars are read again with a real one.
  const batch = /batches\/([^/]+)/.exec(page.url())![1]!;
  const listed = (await (await page.request.get(`/api/batches/${batch}/readings`)).json()) as Reading[];
  for (const { id } of listed) await page.request.delete(`/api/batches/${batch}/readings/${id}`);
  const real = listed.map(({ hours: _hours, simulated: _simulated, id, ...rest }) => ({
    ...rest,
    id: `${id}-real`,
  }));
  expect(
    (await page.request.post(`/api/batches/${batch}/readings`, { data: { readings: real } })).status(),
  ).toBe(201);

  await page.goto('/book');
  await page.getByRole('button', { name: 'Learn from my bars' }).click();
  await page.getByRole('button', { name: /^Take all \d+ over/ }).click();
  await expect(page.getByText(/^\d+ colourants go by your bars from now on/)).toBeVisible();
  await page.goto('/book/ultramarine-blue');
  await expect(page.getByText(/^Fitted to \d of your bars/)).toBeVisible();
  await expect(page.getByText('in use', { exact: true })).toBeVisible();
});

const BANDS = Array.from({ length: 31 }, (_, i) => 400 + 10 * i);
/** A file as an instrument writes it: reflectance in percent, and what is in each bar. */
const cgats = [
  'CGATS.17',
  'ORIGINATOR "Some instrument"',
  `NUMBER_OF_FIELDS ${BANDS.length + 4}`,
  'BEGIN_DATA_FORMAT',
  `SAMPLE_ID SAMPLE_NAME "Beacon" "Chalk dust" ${BANDS.map((nm) => `SPECTRAL_NM${nm}`).join(' ')}`,
  'END_DATA_FORMAT',
  'NUMBER_OF_SETS 3',
  'BEGIN_DATA',
  ...[
    ['1 "Beacon thin" 1 0', 60],
    ['2 "Beacon thick" 4 0', 30],
    ['3 "Beacon and chalk" 4 3', 45],
  ].map(
    ([head, light]) =>
      `${head} ${BANDS.map((nm) => (nm > 560 ? Number(light) + 15 : Number(light) - 20).toFixed(2)).join(' ')}`,
  ),
  'END_DATA',
].join('\r\n');

test('a file of spectra is read, its colourants are told, and its bars are kept once', async ({ page }) => {
  await page.goto('/book/import');
  const choose = page.getByLabel('Choose a file of bars');
  await choose.setInputFiles({
    name: 'cut.txt',
    mimeType: 'text/plain',
    buffer: Buffer.from(cgats.slice(0, -20)),
  });
  await expect(page.getByRole('alert')).toContainText('cut short');
  const file = { name: 'bars.txt', mimeType: 'text/plain', buffer: Buffer.from(cgats) };
  await choose.setInputFiles(file);
  await expect(page.getByText('31 columns are spectra')).toBeVisible();
  const keep = page.getByRole('button', { name: /^Keep / });
  await expect(keep).toBeDisabled();
  const tell = async (key: string, name: string): Promise<void> => {
    await page.getByRole('combobox', { name: `${key} is`, exact: true }).fill(name);
    await page.keyboard.press('Enter');
  };
  await tell('Beacon', 'Yellow iron');
  await expect(keep).toHaveText('Keep 2 bars');
  await expect(page.getByText('holds “Chalk dust”, which is no colourant yet')).toBeVisible();
  await tell('Chalk dust', 'Kaolin');
  await keep.click();
  await expect(page.getByText('3 bars are in the book.')).toBeVisible();

  // The same file again: nothing is kept twice.
  await page.goto('/book/import');
  await choose.setInputFiles(file);
  await tell('Beacon', 'Yellow iron');
  await tell('Chalk dust', 'Kaolin');
  await expect(page.getByText('stands in the book already')).toHaveCount(3);
  await expect(keep).toBeDisabled();
});

test('a colourant of one’s own is learnt from three bars by hand', async ({ page }) => {
  await page.goto('/book');
  await page.getByRole('button', { name: 'New colourant' }).click();
  const named = page.getByRole('dialog', { name: 'A new colourant' });
  await named.getByRole('button', { name: 'Put it on the shelf' }).click();
  await expect(named.getByRole('alert')).toContainText('Give it a name');
  await named.getByRole('textbox', { name: 'Name' }).fill('Rust from the gate');
  await named.getByRole('combobox', { name: 'Kind' }).click();
  await page.getByTitle('Pigments', { exact: true }).click();
  await named.getByRole('button', { name: 'Put it on the shelf' }).click();
  await expect(page.getByRole('heading', { name: 'Rust from the gate', level: 1 })).toBeVisible();
  const id = decodeURIComponent(new URL(page.url()).pathname.split('/').at(-1)!);
  await expect(page.getByText(/^Shelf default, a guess: strength ±\s35\s%/)).toBeVisible();
  for (const [dose, colour] of [
    ['0.5', '70 14 20'],
    ['2', '48 26 28'],
    ['4', '38 27 26'],
  ] as const) {
    await page.getByRole('button', { name: 'A bar by hand' }).click();
    const bar = page.getByRole('dialog');
    await bar.getByRole('button', { name: 'Keep this bar' }).click();
    await expect(bar.getByRole('alert')).toContainText('Type a colour');
    await bar.getByRole('textbox', { name: 'Dose' }).fill(dose);
    await bar.getByRole('textbox', { name: 'Colour' }).fill(colour);
    await bar.getByRole('button', { name: 'Keep this bar' }).click();
    await expect(bar).toBeHidden();
    await expect(page.getByRole('status').filter({ hasText: 'The shelf missed this bar by' })).toContainText(
      'Rust from the gate',
    );
  }
  await page.getByRole('button', { name: 'Learn from my bars' }).click();
  await expect(page.getByRole('heading', { name: 'As 3 bars say' })).toBeVisible();
  await page.getByRole('button', { name: 'Take it over' }).click();
  await expect(page.getByText(/^Fitted to 3 of your bars/)).toBeVisible();
  // What it foretells is what was seen.
  const answer = await page.request.post('/api/colour/predict', {
    data: {
      oils: [],
      pots: [{ name: '', doses: [{ materialId: id, dose: 2 }] }],
      stages: [{ hours: 1008, gel: 1 }],
    },
  });
  const { pots } = (await answer.json()) as { pots: { stages: { lab: number[] }[] }[] };
  const [L, a, b] = pots[0]!.stages[0]!.lab;
  expect(Math.hypot(L! - 48, a! - 26, b! - 28)).toBeLessThan(5);
});

test('a colourant that nobody read says so, and an address of nothing is told', async ({ page }) => {
  await page.goto('/book/ultramarine-blue');
  await expect(page.getByText('No bar of it was read yet.')).toBeVisible();
  await page.goto('/book/no-such-thing');
  await expect(page.getByText('No such colourant in the book')).toBeVisible();
});

test('a ladder of bars in one photo comes into the book, each at its dose', async ({ page, result }) => {
  const hexes = ['#c98b3c', '#b5783a', '#a06634', '#454a58'];
  await page.goto('/book');
  await page.getByRole('button', { name: 'Add bars' }).click();
  await page.getByRole('menuitem', { name: 'From a photo' }).click();
  await result.openPhoto({ name: 'bars.png', mimeType: 'image/png', buffer: photoOf(hexes) });
  const bar = (n: number) => page.getByRole('listitem', { name: `Bar ${n}`, exact: true });
  const pick = async (n: number, name: string): Promise<void> => {
    await bar(n).getByRole('combobox', { name: 'Colourant' }).fill(name);
    await page.getByTitle(name, { exact: true }).last().click();
  };
  await pick(1, 'Yellow iron oxide');
  await bar(1).getByRole('textbox', { name: 'Dose' }).fill('1');
  for (const [n, dose] of [
    [2, '2'],
    [3, '3'],
  ] as const) {
    await page.getByRole('button', { name: 'Another bar' }).click();
    await bar(n).getByRole('textbox', { name: 'Dose' }).fill(dose);
  }
  // The last one is of another colourant, and its dose is forgotten.
  await page.getByRole('button', { name: 'Another bar' }).click();
  await pick(4, 'Activated charcoal');
  await bar(4).getByText('did not gel').click();
  await result.tapPhoto(...hexes.map((_, i) => barAt(i, hexes.length)));
  await page.getByRole('button', { name: 'Keep 4 bars' }).click();
  await expect(page.getByRole('alert')).toContainText('Bar 4: A colourant needs a dose');
  await bar(4).getByRole('textbox', { name: 'Dose' }).fill('2');
  await page.getByRole('button', { name: 'Keep 4 bars' }).click();
  await expect(page.getByRole('heading', { name: 'Swatch book', level: 1 })).toBeVisible();
  const { readings } = (await (await page.request.get('/api/book')).json()) as {
    readings: {
      batchId: string | null;
      how: string;
      gel: number;
      hours: number;
      lab: number[];
      doses: { materialId: string; dose: number }[];
    }[];
  };
  const own = readings.filter((r) => r.batchId === null && r.how === 'photo');
  expect(own.map((r) => [r.doses[0]!.materialId, r.doses[0]!.dose, r.gel]).sort()).toEqual(
    [
      ['yellow-iron-oxide', 1, 1],
      ['yellow-iron-oxide', 2, 1],
      ['yellow-iron-oxide', 3, 1],
      ['activated-charcoal', 2, 0],
    ].sort(),
  );
  const lightest = own.find((r) => r.doses[0]!.dose === 1)!;
  const [L, a, b] = labD65FromHex('#c98b3c');
  expect(deltaE00([lightest.lab[0]!, lightest.lab[1]!, lightest.lab[2]!], [L, a, b])).toBeLessThan(2);
});
