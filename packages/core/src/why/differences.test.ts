import { dose, planWith, pot, scentOf, shelfItem } from '../testing/plans.ts';
import { addOil, type Plan, setBase, setPot } from '../plan/index.ts';
import { plainMould } from '../plan/moulding.ts';
import { grams } from '../units/quantity.ts';
import { printerFor } from '../units/printer.ts';
import { metricUnits } from '../units/view.ts';
import { differences } from './differences.ts';

const print = printerFor(metricUnits);
const plan = planWith([pot('Blue', 2, dose('ultramarine-blue', 5)), pot('White', 1)], {
  scent: scentOf('scent-limewash', 30),
});
const told = (theirs: Plan, mine = plan) =>
  differences(mine, theirs, print).map((d) => `${d.what}: ${d.mine ?? '–'} | ${d.theirs ?? '–'}`);

it('tells nothing of equal plans, whatever the order of their keys', () => {
  expect(told(plan)).toEqual([]);
  expect(told(Object.fromEntries(Object.entries(plan).reverse()) as unknown as Plan)).toEqual([]);
});

it('tells each figure as both plans have it', () => {
  const theirs = setBase(plan, { totalOils: grams(1250.5), superfat: 7 });
  expect(told(theirs)).toEqual(['Oils: 1000.0 g | 1250.5 g', 'Superfat: 5 % | 7 %']);
});

it('tells what only one of them has', () => {
  expect(told(addOil(plan, 'x', shelfItem('oil-castor')))).toEqual([]);
  const theirs = setPot(
    { ...plan, pots: plan.pots.slice(0, 1), base: { ...plan.base, scent: null } },
    'Blue',
    { name: 'Sky', scented: true },
  );
  const lines = told(theirs);
  expect(lines).toContain('Scent: Limewash & fig leaf 1 | –');
  expect(lines).toContain('Pots: Blue, White | Sky');
  expect(lines).toContain('“Blue”: scented: no | yes');
  expect(lines.filter((l) => l.startsWith('“White”'))).toEqual(['“White”: share: 1 part | –']);
  expect(told(plan, theirs)).toContain('Scent: – | Limewash & fig leaf 1');
});

it('tells of doses and their carriers, and of moulds', () => {
  const [blue, white] = plan.pots;
  const stronger = { ...blue!, doses: [{ ...blue!.doses[0]!, dose: dose('kaolin', 8).dose, carrier: null }] };
  expect(told({ ...plan, pots: [stronger, white!] })).toEqual([
    expect.stringMatching(/^“Blue”: Ultramarine blue: 5 g\/kg, in .* oil beside it \| 8 g\/kg$/),
  ]);
  const moulding = { ...plan.moulding, moulds: [{ id: 'm', count: 2, mould: plainMould('Loaf', 'box') }] };
  expect(told({ ...plan, moulding })).toEqual([expect.stringMatching(/^Mould: – \| 2 × /)]);
});

it('says of plans that differ in copies of materials only, that they do', () => {
  const materials = plan.materials.map((m) => ({ ...m, notes: 'another jar' }));
  expect(told({ ...plan, materials })).toEqual(['Copies of materials: as here | another state of the shelf']);
});
