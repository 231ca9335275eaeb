import { deltaE00, labD65FromReflectance } from '../colour/index.ts';
import { fitReadings } from '../fit/index.ts';
import { labOf } from '../pigment/composition.ts';
import { potComposition } from '../balance/potComposition.ts';
import { type Plan } from '../plan/plan.ts';
import { dose, planWith, pot, scentOf, shelfItem } from '../testing/plans.ts';
import { asFitReading, bookReadings, fitMaterial } from './book.ts';
import { looksLike, measuredOf } from './measured.ts';
import { standInBar } from './standInBar.ts';
import { testBarCanvas, testBarProblem } from './testBar.ts';
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

it('a piece that gelled by itself is fitted as such, whatever the batch did', () => {
  const gelOf = (p: Plan, change: Partial<Reading>): number =>
    bookReadings({ plan: p }, { how: 'none', rim: 0 }, [seen(change)])[0]!.stage.gel;
  const inOven = { ...plan, pots: plan.pots.map((p) => ({ ...p, gelled: true })) };
  expect(gelOf(plan, { gelled: true })).toBe(1);
  expect(gelOf(inOven, {})).toBe(1);
  expect(gelOf(inOven, { gelled: false })).toBe(0);
  expect(gelOf({ ...plan, pots: plan.pots.map((p) => ({ ...p, gelled: null })) }, {})).toBe(0);
});

it('a reading with a spectrum is fitted by it, and without the gloss that its instrument saw', () => {
  const spectrum = Array<number>(36).fill(0.3);
  const reading = (change: Partial<Reading>) =>
    asFitReading(bookReadings({ plan }, null, [seen(change)])[0]!);
  expect(reading({ spectrum }).seen).toEqual({ spectrum: Float64Array.from(spectrum) });
  const { seen: without } = reading({ spectrum, hasGloss: true });
  expect('spectrum' in without && without.spectrum[0]).toBeCloseTo(0.3 - 0.035, 9);
  const lab = labD65FromReflectance(Float64Array.from(spectrum, (r) => r + 0.035));
  const { seen: byLab } = reading({ lab, hasGloss: true });
  const plain = labD65FromReflectance(Float64Array.from(spectrum));
  if (!('lab' in byLab)) throw new Error('no Lab');
  byLab.lab.forEach((v, i) => expect(v).toBeCloseTo(plain[i]!, 6));
  expect(reading({ instrument: 'Lens' }).instrument).toBe('Lens');
  expect(reading({}).instrument).toBe('photo');
});

describe('a bar that no batch knows of', () => {
  const shelf = new Map(['oil-olive', 'red-iron-oxide'].map((id) => [id, shelfItem(id)]));
  it('stands on its own oils and scent', () => {
    expect(testBarCanvas({ oils: [], vanillin: 0 }, shelf)).toMatchObject({ carotenoid: 0, scent: null });
    const canvas = testBarCanvas({ oils: [{ materialId: 'oil-olive', share: 1 }], vanillin: 2 }, shelf);
    expect(canvas.chlorophyll).toBeGreaterThan(0);
    expect(canvas.scent!.vanillin).toBe(2);
  });
  it('is refused with a dose of nothing, or one colourant twice', () => {
    const one = { materialId: 'red-iron-oxide', dose: 1 };
    expect(testBarProblem({ doses: [] })).toBeNull();
    expect(testBarProblem({ doses: [one] })).toBeNull();
    expect(testBarProblem({ doses: [{ ...one, dose: 0 }] })!.path).toBe('doses.0.dose');
    expect(testBarProblem({ doses: [one, one] })!.path).toBe('doses.1.materialId');
  });
});

describe('what a colour reader measured', () => {
  const red = labOf(potComposition(plan, plan.pots[0]!), { hours: 1008, gel: 1 });
  const blue = labOf(potComposition(plan, plan.pots[1]!), { hours: 1008, gel: 1 });
  const bars = [
    { id: 'Red', lab: red, doubt: 9 },
    { id: 'Blue', lab: blue, doubt: 9 },
  ];
  it('is pointed out where it is clearly another bar', () => {
    expect(looksLike(blue, 'Red', bars)).toBe('Blue');
    expect(looksLike(red, 'Red', bars)).toBeNull();
    // Off, but no other bar is like it.
    expect(looksLike([95, 0, 0], 'Red', bars)).toBeNull();
    expect(looksLike(blue, 'Gone', bars)).toBeNull();
  });
  it('is kept with what its repeats are apart by', () => {
    const flat = (r: number) => Array<number>(36).fill(r);
    const steady = measuredOf({ spectrum: flat(0.4), repeats: [flat(0.4), flat(0.4)] });
    expect(steady.doubt).toBe(0.5);
    expect(steady.lab[0]).toBeCloseTo(69.5, 0);
    expect(measuredOf({ spectrum: flat(0.4), repeats: [flat(0.35), flat(0.45)] }).doubt).toBeGreaterThan(2);
  });
  it('of the stand-in is not what the shelf says, always the same, and not moved by what was learnt', () => {
    const stage = { hours: 1008, gel: 1 };
    const bar = (p: Plan) => standInBar(potComposition(p, p.pots[0]!), stage, p.materials);
    const truth = labD65FromReflectance(Float64Array.from(bar(plan)));
    expect(deltaE00(truth, red)).toBeGreaterThan(1.5);
    expect(bar(plan)).toEqual(bar(plan));
    const learnt = {
      ...plan,
      materials: plan.materials.map((m) =>
        m.optics && m.window
          ? {
              ...m,
              optics: { ...m.optics, k: m.optics.k.map((k) => 2 * k) },
              curve: { origin: { kind: 'fitted' as const, version: 1, readings: 3 }, spread: 0.1 },
            }
          : m,
      ),
    };
    expect(bar(learnt)).toEqual(bar(plan));
  });
});
