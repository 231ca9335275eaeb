import { fitReadings } from '../fit/index.ts';
import { labOf } from '../pigment/composition.ts';
import { potComposition } from '../balance/potComposition.ts';
import { type Plan } from '../plan/plan.ts';
import { dose, planWith, pot, scentOf, shelfItem } from '../testing/plans.ts';
import { asFitReading, bookReadings, fitMaterial } from './book.ts';
import { type Reading } from './reading.ts';

const plan: Plan = planWith(
  [
    pot('Red', 2, dose('red-iron-oxide', 1.6)),
    { ...pot('Blue', 1, dose('ultramarine-blue', 4)), scented: true },
  ],
  { scent: scentOf('scent-oat-biscuit', 30) },
);
const seen = (change: Partial<Reading> = {}): Reading => ({
  id: 'r',
  potId: 'Red',
  face: 'cut',
  on: '2026-03-10',
  hours: 1008,
  lab: [45, 30, 25],
  how: 'photo',
  doubt: 3,
  file: '',
  note: '',
  ...change,
});

it('a reading knows what was in its pot, its base and scent, and the gel that was seen', () => {
  const [red, blue] = bookReadings({ plan }, { how: 'full', rim: 0 }, [
    seen(),
    seen({ id: 'b', potId: 'Blue' }),
  ]);
  expect(red).toMatchObject({
    potName: 'Red',
    doses: [{ materialId: 'red-iron-oxide', dose: expect.closeTo(1.6, 9) }],
  });
  expect(red!.stage).toMatchObject({ hours: 1008, gel: 1 });
  expect(red!.canvas.scent).toBeNull();
  expect(blue!.canvas.scent!.vanillin).toBeGreaterThan(0);
  expect(bookReadings({ plan }, { how: 'none', rim: 0 }, [seen()])[0]!.stage.gel).toBe(0);
  // A scrape lies in a cavity that is too small to gel, whatever the block did.
  expect(bookReadings({ plan }, { how: 'full', rim: 0 }, [seen({ face: 'scrape' })])[0]!.stage.gel).toBe(0);
  expect(bookReadings({ plan }, null, [seen({ potId: 'gone' })])).toEqual([]);
});

it('a fit to what the plan itself foretells leaves the curves where they are', () => {
  const stage = { hours: 1008, gel: 1 };
  const readings = plan.pots.map((p) =>
    seen({ id: p.id, potId: p.id, lab: labOf(potComposition(plan, p), stage), doubt: 1 }),
  );
  const book = bookReadings({ plan }, { how: 'full', rim: 0 }, readings);
  const materials = ['red-iron-oxide', 'ultramarine-blue'].map((id) => fitMaterial(shelfItem(id))!);
  const result = fitReadings({ materials, readings: book.map(asFitReading), holdsBase: true });
  for (const r of result.readings) expect(r.missBefore).toBeLessThan(1e-6);
  for (const [i, m] of result.materials.entries())
    m.optics.k.forEach((k, b) => {
      expect(Math.abs(k / materials[i]!.optics.k[b]! - 1)).toBeLessThan(0.01);
    });
});

it('a fit starts from the default curve, whatever was fitted since; specks have none to fit', () => {
  const red = shelfItem('red-iron-oxide');
  const other = { ...red.optics!, k: red.optics!.k.map((k) => 2 * k) };
  const fitted = {
    ...red,
    optics: other,
    curve: { origin: { kind: 'fitted' as const, version: 1, readings: 3 }, spread: 0.05 },
  };
  expect(fitMaterial(fitted)).toMatchObject({ optics: red.optics, spread: 0.35 });
  // An entry that was given another colour since starts from that, not from the curve that it came with.
  const painted = fitMaterial({ ...fitted, colour: '#3f5fa8' })!.optics;
  expect(painted).not.toEqual(red.optics);
  expect(painted).not.toEqual(other);
  expect(fitMaterial(shelfItem('poppy-seed'))).toBeNull();
  expect(fitMaterial(shelfItem('oil-olive'))).toBeNull();
  expect(fitMaterial(shelfItem('mica-dome'))).toMatchObject({ mirrors: true, turns: false });
});
