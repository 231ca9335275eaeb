import { type FitReading } from '../fit/index.ts';
import { referenceCanvas } from '../pigment/canvas.ts';
import { labOf } from '../pigment/composition.ts';
import { shelfItem } from '../testing/plans.ts';
import { fitMaterial } from './book.ts';
import { type ProposedBar, proposeTrial, type TrialQuestion } from './trial.ts';

const asked = (id: string) => ({ material: fitMaterial(shelfItem(id))!, window: shelfItem(id).window! });
const blue = asked('ultramarine-blue');
const white = asked('titanium-dioxide-oil');
const question: TrialQuestion = {
  materials: [blue],
  white: { material: white.material, dose: white.window.typical },
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

it('does not repeat what was read already, and expects less of what is left', () => {
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
  expect(again[0]!.before).toBeLessThan(first!.before);
  expect(textOf(again[0]!)).not.toBe(textOf(first!));
});
