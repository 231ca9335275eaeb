import { emptyMoulding, plainMould } from '../plan/moulding.ts';
import { emptyWork, type Plan, type Pot } from '../plan/plan.ts';
import { ideaOf, dose, planWith, pot, scentOf, tenthGramScale, bead } from '../testing/plans.ts';
import { grams, gramsPerKg } from '../units/quantity.ts';
import { plainPrinter } from '../units/printer.ts';
import { type SheetLine, sheetOf, sheetText } from './index.ts';

const linesOf = (plan: Plan, section: string): SheetLine[] =>
  sheetOf(plan, tenthGramScale, plainPrinter)
    .sections.filter((s) => s.id === section)
    .flatMap((s) => s.groups.flatMap((g) => g.lines));
const texts = (plan: Plan, section: string): string[] =>
  linesOf(plan, section).map((l) => [l.amount, l.what, l.note].filter(Boolean).join(' | '));
const loaf = { ...emptyMoulding, moulds: [{ id: 'm', count: 1, mould: plainMould('Loaf', 'box') }] };
const rod = bead({ id: 'rod', name: 'Core', shape: 'round-rod', width: 20 }, [
  { id: 'd', materialId: 'mica-dome', dose: gramsPerKg(10) },
]);

it('every line has an id of its own', () => {
  const plan = planWith(
    [pot('A', 2, dose('kaolin', 10), dose('mica-dome', 6)), { ...pot('B', 1), scented: true }],
    {
      scent: scentOf('scent-limewash', 30, { stabiliser: 1 }),
      additives: [{ id: 'x', materialId: 'poppy-seed', dose: gramsPerKg(8), perBar: null, moment: 'trace' }],
    },
    { embeds: [rod], moulding: loaf },
  );
  const ids = sheetOf(plan, tenthGramScale, plainPrinter).sections.flatMap((s) =>
    s.groups.flatMap((g) => g.lines.map((l) => l.id)),
  );
  expect(new Set(ids).size).toBe(ids.length);
});

it('a mini-batch that is drawn twice gets its late additives once', () => {
  const own = pot('A', 1);
  const twice: Pot = {
    ...own,
    ownLye: true,
    taken: 'additives',
    draws: [
      { ...own.draws[0]!, id: 'one', by: 'grams', value: 200 },
      { ...own.draws[0]!, id: 'two', by: 'grams', value: 300 },
    ],
  };
  const plan = planWith([twice, pot('B', 1)], {
    additives: [{ id: 'x', materialId: 'poppy-seed', dose: gramsPerKg(8), perBar: null, moment: 'trace' }],
  });
  const lines = linesOf(plan, 'split').map((l) => l.id);
  expect(lines.filter((id) => id === 'additive:A:x')).toHaveLength(1);
  expect(lines.filter((id) => id.startsWith('draw:A:'))).toEqual(['draw:A:one', 'draw:A:two']);
  expect(new Set(lines).size).toBe(lines.length);
});

it('tells the liquid by its parts, in the vessel and kept, with what the vessel holds so far', () => {
  const { liquid } = planWith([]).base;
  const plan = planWith([pot('A', 1)], {
    liquid: {
      ...liquid,
      by: 'ratio',
      value: 2,
      parts: [{ id: 'm', name: 'Oat milk', kind: 'milk', percent: 40 }],
      heldBack: grams(20),
    },
  });
  // 143.31 g of lye, 286.61 of liquid, 20 of it kept: 266.61 = 159.97 + 106.64
  expect(texts(plan, 'lye')).toEqual([
    '160.0 g | Water | into the lye vessel',
    '106.6 g | Oat milk | into the lye vessel, frozen',
    expect.stringMatching(/^143\.3 g \| Sodium hydroxide/),
    '20.0 g | liquid | 12.0 g Water + 8.0 g Oat milk; kept for later, not into the lye vessel',
  ]);
  expect(linesOf(plan, 'lye').map((l) => l.running)).toEqual(['', '266.6 g', '409.9 g', '']);
});

it('hides the lye while a stop holds, and has its cautions whole beside it otherwise', () => {
  const plan = planWith([pot('A', 1)]);
  const stopped = sheetText(sheetOf(plan, tenthGramScale, plainPrinter, true));
  expect(stopped).not.toContain('Sodium hydroxide');
  expect(stopped).toContain('hidden until every stop is settled');
  const lye = sheetOf(plan, tenthGramScale, plainPrinter).sections.find((s) => s.id === 'lye')!;
  for (const said of [
    'never liquid to lye',
    'aluminium',
    'brush it off first',
    'Swallowed',
    'second, independent',
  ])
    expect(lye.cautions.join(' ')).toContain(said);
});

it.each([
  [1, ['0.4 g | Cocoa | sieved over it as a line'], []],
  [2, ['0.4 g | Cocoa | sieved over it as a line, 1 of 2'], ['0.4 g | Cocoa | sieved on the top']],
  [4, ['0.4 g | Cocoa | sieved over it as a line, 1 of 4'], ['1.2 g | Cocoa | sieved on the top']],
])('%d powder lines over two pours: between them, the rest on the top', (count, between, onTop) => {
  const lines = [{ id: 'l', materialId: 'cocoa', gramsPerDm2: 0.2, count, carrier: null }];
  const told = texts(planWith([pot('A', 1), pot('B', 1)], {}, { lines, moulding: loaf }), 'pour').filter(
    (t) => t.includes('Cocoa'),
  );
  expect(told).toEqual([...between, ...onTop]);
});

it('heat before the mist, and time to dry where layers were misted', () => {
  const layer = (name: string, hoursBefore: number): Pot => ({ ...pot(name, 1), hoursBefore, ownLye: true });
  const work = { ...emptyWork, finish: ['oven', 'mist'] as const, ovenTemperature: 70 };
  const after = texts(planWith([layer('Ground', 3), layer('Sky', 0)], {}, { work }), 'after');
  expect(after[0]).toMatch(/^30 min \| uncovered/);
  expect(after[1]).toMatch(/^70 °C \| oven, switched off/);
  expect(after[2]).toContain('it comes after the heat');
  const plain = texts(planWith([pot('A', 1)], {}, { work }), 'after');
  expect(plain[0]).toMatch(/^70 °C/);
});

it('cuts and middles of the bars from one end', () => {
  // 250 mm in bars of 25 with a kerf of 1: nine, and what is left
  const cut = texts(planWith([pot('A', 1)], {}, { moulding: loaf }), 'after').at(-1)!;
  expect(cut).toContain('Cuts at 25.5 · 51.5');
  expect(cut).toContain('· 233.5 mm from one end');
  expect(cut).toContain('middles of the bars at 12.5 · 38.5');
});

it('embeds are made the day before and gathered for', () => {
  const plan = planWith([pot('A', 1)], {}, { embeds: [rod], moulding: loaf });
  // π × 1² cm² × 25 cm × 1.04 = 81.7 g, 10 g/kg of it colour
  expect(texts(plan, 'before').join('\n')).toMatch(/81\.7 g \| Soap dough[\s\S]*0\.82 g \| Copper dome teal/);
  expect(texts(plan, 'gather').join('\n')).toContain('0.82 g | Copper dome teal | for Core');
  expect(texts(plan, 'pour').join('\n')).toContain('1 | × Core | set inside');
});

it('the pour begins with the design, and pots of a layer of its own say what they are worked with', () => {
  const design = {
    ...ideaOf('layers').design,
    layers: [{ id: 'l', technique: 'in-the-pot', pots: ['A', 'B'] }],
  };
  const told = texts(
    planWith([pot('A', 1), pot('B', 1), pot('C', 1)], {}, { idea: { design, colours: [] }, moulding: loaf }),
    'pour',
  );
  expect(told[0]).toContain('The design: layers; in-the-pot swirl in a layer of its own');
  const line = (name: string) => told.find((t) => t.includes(`, ${name} into `));
  expect(line('A')).toContain('one layer with B: in-the-pot swirl');
  expect(line('B')).toContain('one layer with A: in-the-pot swirl');
  expect(line('C')).not.toContain('one layer with');
});

it('who doses by spoons weighs them the day before; who has a scale does not', () => {
  const plan = planWith([pot('A', 1, dose('kaolin', 10))]);
  const titles = (measuring: typeof tenthGramScale): string[] =>
    sheetOf(plan, measuring, plainPrinter).sections.flatMap((s) => s.groups.map((g) => g.title));
  expect(titles({ ...tenthGramScale, by: 'spoons' })).toContain('Spoons');
  expect(titles(tenthGramScale)).not.toContain('Spoons');
});
