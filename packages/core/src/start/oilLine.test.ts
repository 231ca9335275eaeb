import { startingShelf } from '../material/catalogue/index.ts';
import { type Material } from '../material/material.ts';
import { seededRandom } from '../numerics/random.ts';
import { parseOilLine } from './oilLine.ts';

/** In the order in which the server lists it, which must decide nothing. */
const shelf = [...startingShelf()].sort((a, b) => a.name.localeCompare(b.name));
const named = (name: string): Material => shelf.find((m) => m.name === name)!;
const called = (name: string): Material => ({ ...named('Palm kernel'), id: name, name });

const read = (text: string, of: readonly Material[] = shelf) => {
  const { oils, total, questions } = parseOilLine(text, of);
  return {
    oils: oils.map((o) => `${o.material.name} ${o.percent}`),
    total,
    asked: questions.map((q) => [q.part, q.why, ...q.nearest.map((m) => m.name)].join(' | ')),
  };
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
  'olive 40 coconut 30 lard 25 castor 5',
  '40 olive 30 coconut 25 lard 5 castor',
  'Olive 40, coconut, refined 30, organic lard 25, castor 5',
  'olive 40, coconut 76 °C 30, lard 25, castor 5',
])('reads “%s”', (text) => {
  expect(read(text)).toEqual({ oils: usual, total: null, asked: [] });
});

it('reads masses, with the total that they make', () => {
  expect(read('olive 320 g, coconut 240 g, lard 200 g, castor 40 g')).toEqual({
    oils: usual,
    total: 800,
    asked: [],
  });
  expect(read('olive 1.2 kg, coconut 0.8 kg').total).toBe(2000);
  expect(read('olive 600\ncoconut 400')).toMatchObject({
    total: 1000,
    oils: ['Olive 60', 'Coconut, refined 40'],
  });
  expect(read('olive 1 lb 8 oz, coconut 8 oz')).toMatchObject({ oils: ['Olive 75', 'Coconut, refined 25'] });
  expect(read('olive 1 lb 8 oz, coconut 8 oz').total).toBeCloseTo(907.18, 2);
  expect(read('olive 12 ounces, coconut 4 oz').total).toBeCloseTo(453.59, 2);
});

it.each([
  ['olive 62,5; coconut 37,5', ['Olive 62.5', 'Coconut, refined 37.5']],
  ['palm 50, unrefined palm 50', ['Palm, refined 50', 'Palm, unrefined 50']],
  ['palm 100', ['Palm, refined 100']],
  ['palm kernel 100', ['Palm kernel 100']],
  ['shea butter 100', ['Shea butter, refined 100']],
  ['red palm 20, palm flakes 80', ['Palm, unrefined 20', 'Palm, refined 80']],
  ['palm kernel flakes 100', ['Palm kernel 100']],
  ['sweet almond 60, almond 40', ['Sweet almond 60']],
  ['canola 50, extra virgin olive 50', ['Rapeseed (canola) 50', 'Olive 50']],
  ['sunflower 50, ho sunflower 50', ['Sunflower 50', 'Sunflower, high-oleic 50']],
  ['fractionated coconut 5, coconut 95', ['Coconut, fractionated 5', 'Coconut, refined 95']],
  ['stearic 5, tallow 95', ['Stearic acid 5', 'Beef tallow 95']],
  ['pomace 30, soybean 30, avocado 40', ['Olive pomace 30', 'Soya 30', 'Avocado, unrefined 40']],
])('tells the oil that the words of “%s” say', (text, oils) => {
  expect(read(text).oils).toEqual(oils);
});

it('asks what is not clear, offers the nearest, and keeps the rest with its share of the whole', () => {
  expect(read('olive 70, moon fat 30')).toEqual({
    oils: ['Olive 70'],
    total: null,
    asked: ['moon fat 30 | unclear'],
  });
  expect(read('olive 700 g, moon fat 300 g')).toMatchObject({ oils: ['Olive 70'], total: 1000 });
  expect(read('coc 30, olive').asked).toEqual([
    'coc 30 | unclear | Cocoa butter | Coconut, refined | Coconut, fractionated',
  ]);
  expect(read('coc 30, olive').oils).toEqual(['Olive 70']);
  expect(read('palmoil 30').asked[0]).toContain('Palm');
  expect(read('cocnut 100').asked[0]).toMatch(/^cocnut 100 \| unclear \| Coconut/);
  expect(read('carrot 5, olive 95').asked[0]).toContain('Carrot-root infusion');
  expect(read('virgin coconut 100')).toMatchObject({ oils: [], asked: [expect.stringContaining('Coconut')] });
  expect(read('olive 40, olive 60').asked).toEqual(['olive 60 | twice']);
  expect(read('olive, coconut, lard 20').asked).toEqual(['coconut | open']);
  expect(read('olive 20 30').asked).toEqual(['olive 20 30 | amount']);
  expect(read('  ')).toEqual({ oils: [], total: null, asked: [] });
});

it('never takes a fat for the one that it is made from', () => {
  const without = shelf.filter((m) => m.name !== 'Coconut, fractionated' && m.name !== 'Stearic acid');
  for (const name of [
    'fractionated coconut',
    'coconut, fractionated',
    'palm stearin',
    'palm olein',
    'hydrogenated castor',
    'hydrogenated soya',
    'stearic acid',
    'lanolin',
    'soy wax',
  ])
    expect(read(`olive 60, ${name} 40`, without)).toMatchObject({
      oils: ['Olive 60'],
      asked: [`${name.replace(',', '')} 40 | look-alike`],
    });
});

it('does not take an oil whose name says more than was typed', () => {
  expect(read('palm 100', [named('Palm kernel')]).asked).toEqual(['palm 100 | unclear | Palm kernel']);
  expect(read('palm 100', [named('Palm kernel'), called('Palm stearin')]).oils).toEqual([]);
  expect(read('sunflower 100', [named('Carrot-root infusion (in sunflower)')]).oils).toEqual([]);
  // A name of the maker's own comes before any reading of the words.
  expect(read('palm 100', [...shelf, called('Palm')]).oils).toEqual(['Palm 100']);
  // Two that are called the same are not told apart.
  expect(read('palm 100', [...shelf, called('Palm'), { ...called('Palm'), id: 'b' }]).oils).toEqual([]);
});

it('takes the answers to its questions', () => {
  const answers = new Map([['coc 30', named('Cocoa butter')]]);
  const { oils, questions } = parseOilLine('coc 30, olive', shelf, answers);
  expect(questions).toEqual([]);
  expect(oils.map((o) => [o.material.name, o.percent])).toEqual([
    ['Cocoa butter', 30],
    ['Olive', 70],
  ]);
});

it('reads the same from any order of the shelf', () => {
  const random = seededRandom(7);
  const oils = shelf.filter((m) => m.kind === 'oil');
  const typed = oils.flatMap((m) => [m.name, m.name.split(/[ ,]/)[0]!]);
  for (let i = 0; i < 20; i++) {
    const mixed = [...oils].sort(() => random() - 0.5);
    for (const name of typed) expect(read(`${name} 100`, mixed).oils).toEqual(read(`${name} 100`, oils).oils);
  }
  for (const m of oils) expect(read(`${m.name} 100`).oils).toEqual([`${m.name} 100`]);
});
