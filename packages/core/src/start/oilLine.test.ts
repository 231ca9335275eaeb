import { startingShelf } from '../material/catalogue/index.ts';
import { parseOilLine } from './oilLine.ts';

const shelf = startingShelf();
const read = (text: string) => {
  const { oils, total, unknown } = parseOilLine(text, shelf);
  return { oils: oils.map((o) => `${o.material.name} ${o.percent}`), total, unknown };
};
const usual = ['Olive 40', 'Coconut, refined 30', 'Lard 25', 'Castor 5'];

it.each([
  'olive 40, coconut 30, lard 25, castor 5',
  'olive oil 40 %; coconut oil 30 %; lard 25 %; castor 5 %',
  '40% olive, 30% coconut, 25% lard, 5% castor',
  'olive,40\ncoconut,30\nlard,25\ncastor,5',
  'Olive\t40\nCoconut\t30\nLard\t25\nCastor\t5\n',
  // The last takes the rest.
  'olive 40, coconut 30, lard 25, castor',
])('reads “%s”', (text) => {
  expect(read(text)).toEqual({ oils: usual, total: null, unknown: [] });
});

it('reads masses, with the total that they make', () => {
  expect(read('olive 320 g, coconut 240 g, lard 200 g, castor 40 g')).toEqual({
    oils: usual,
    total: 800,
    unknown: [],
  });
  expect(read('olive 1.2 kg, coconut 0.8 kg').total).toBe(2000);
  expect(read('olive 600\ncoconut 400')).toMatchObject({
    total: 1000,
    oils: ['Olive 60', 'Coconut, refined 40'],
  });
});

it('reads decimal commas, and the oil that the words say', () => {
  expect(read('olive 62,5; coconut 37,5').oils).toEqual(['Olive 62.5', 'Coconut, refined 37.5']);
  expect(read('palm 50, unrefined palm 50').oils).toEqual(['Palm, refined 50', 'Palm, unrefined 50']);
  expect(read('palm kernel 100').oils).toEqual(['Palm kernel 100']);
  expect(read('shea butter 100').oils).toEqual(['Shea butter, refined 100']);
});

it('says what it does not know, and keeps the rest', () => {
  expect(read('olive 70, moon fat 30')).toEqual({
    oils: ['Olive 70'],
    total: null,
    unknown: ['moon fat 30'],
  });
  expect(read('olive 40, olive 60').unknown).toEqual(['olive 60']);
  expect(read('olive, coconut, lard 20').unknown).toEqual(['Coconut, refined']);
  expect(read('  ')).toEqual({ oils: [], total: null, unknown: [] });
});
