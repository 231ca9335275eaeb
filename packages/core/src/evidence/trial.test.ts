import { type FitReading } from '../fit/index.ts';
import { doubtOf } from '../material/doubt.ts';
import { referenceCanvas } from '../pigment/canvas.ts';
import { labOf } from '../pigment/composition.ts';
import { MODEL_DELTA_E } from '../pigment/spread.ts';
import { cured } from '../pigment/stage.ts';
import { shelfItem } from '../testing/plans.ts';
import { fitMaterial } from './book.ts';
import { type ProposedBar, proposeTrial, type TrialQuestion } from './trial.ts';

const asked = (id: string): TrialQuestion['materials'][number] => {
  const m = shelfItem(id);
  return { material: fitMaterial(m)!, now: { optics: m.optics!, curve: m.curve }, window: m.window! };
};
const blue = asked('ultramarine-blue');
const white = asked('titanium-dioxide-oil');
const question: TrialQuestion = {
  materials: [blue],
  white: { ...white, dose: white.window.typical },
  base: null,
  gelled: [false, true],
  bare: true,
  doubt: 1,
  count: 6,
};
const nothing = { materials: [], readings: [] };
const textOf = ({ doses, gelled }: ProposedBar): string =>
  `${doses.map((d) => `${d.materialId} ${d.dose}`).join('+')} ${gelled}`;

it('proposes bars within the doses of the entry, in the gels asked for, and no one twice', () => {
  const bars = proposeTrial(question, nothing);
  expect(bars).toHaveLength(6);
  expect(new Set(bars.map(textOf)).size).toBe(6);
  expect(new Set(bars.map((b) => b.gelled)).size).toBe(2);
  const { faint, ceiling } = blue.window;
  const doses = bars.flatMap((b) => b.doses.filter((d) => d.materialId === blue.material.id));
  expect(doses.length).toBeGreaterThan(2);
  for (const { dose } of doses) {
    expect(dose).toBeGreaterThanOrEqual(faint ?? 0);
    expect(dose).toBeLessThanOrEqual(ceiling);
  }
  expect(bars.some((b) => b.doses.length === 2)).toBe(true);
  for (const b of bars) expect(b.after).toBeLessThan(b.before);
});

it('asks only for what is wanted', () => {
  const plain = proposeTrial({ ...question, white: null, bare: false, gelled: [true] }, nothing);
  expect(plain.length).toBeGreaterThan(1);
  for (const b of plain) expect([b.doses.length, b.gelled]).toEqual([1, true]);
  // White itself is not mixed with itself.
  for (const b of proposeTrial({ ...question, materials: [white] }, nothing))
    expect(b.doses.length).toBeLessThan(2);
});

it('does not repeat what was read already', () => {
  const [first] = proposeTrial(question, nothing);
  const stage = { hours: 1008, gel: Number(first!.gelled) };
  const optics = (id: string) => (id === blue.material.id ? blue : white).material.optics;
  const lab = labOf(
    {
      canvas: referenceCanvas,
      parts: first!.doses.map((d) => ({ optics: optics(d.materialId), dose: d.dose })),
      age: 0,
      gel: null,
    },
    stage,
  );
  const read: FitReading = {
    id: 'read',
    parts: first!.doses.map((d) => ({ id: d.materialId, dose: d.dose })),
    canvas: referenceCanvas,
    stage,
    instrument: 'lab',
    seen: { lab, doubt: 1 },
  };
  const again = proposeTrial(question, { materials: [blue.material, white.material], readings: [read] });
  expect(textOf(again[0]!)).not.toBe(textOf(first!));
});

it('begins with the ± that pots tell from the shelf as it is, and never promises more than the model can', () => {
  const alone: TrialQuestion = {
    ...question,
    white: null,
    bare: false,
    gelled: [true],
    count: 9,
    doubt: 0.3,
  };
  const bars = proposeTrial(alone, nothing);
  const { ceiling, faint, typical } = blue.window;
  const doses = [0.25, 0.5, 1, 2].map((r) => r * typical).filter((d) => d >= faint! && d <= ceiling);
  const said = (m: typeof blue): number =>
    doses.reduce((sum, dose) => sum + doubtOf(referenceCanvas, [{ ...m.now, dose }], cured(1)).deltaE, 0) /
    doses.length;
  expect(bars[0]!.before).toBeCloseTo(said(blue), 9);
  expect(bars.at(-1)!.after).toBeGreaterThan(MODEL_DELTA_E);
  expect(bars.at(-1)!.after).toBeLessThan(said(blue) / 2);
  const curve = { ...blue.now.curve!, modes: [{ k: new Array<number>(36).fill(0.05), s: 0.02 }] };
  const told = { ...blue, now: { ...blue.now, curve } };
  const again = proposeTrial({ ...alone, materials: [told] }, nothing);
  expect(again[0]!.before).toBeCloseTo(said(told), 9);
  expect(again[0]!.before).toBeLessThan(bars[0]!.before / 2);
});
