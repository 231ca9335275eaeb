import { labD65FromHex } from '../colour/srgb.ts';
import { bead, dose, planWith, pot, scentOf } from '../testing/plans.ts';
import { gramsPerKg } from '../units/quantity.ts';
import { emptyDesign } from './design.ts';
import { integrityProblems } from './integrity.ts';
import { emptyMoulding, plainMould } from './moulding.ts';
import { emptyWork, type Plan } from './plan.ts';

const additive = {
  id: 'a',
  materialId: 'sugar',
  dose: gramsPerKg(5),
  perBar: null,
  moment: 'lye-water',
} as const;
const part = { id: 'part', parts: 1, doses: [{ id: 'd', materialId: 'mica-dome', dose: gramsPerKg(4) }] };
const ball = bead({ parts: [part] });
const line = { id: 'l', materialId: 'cocoa', gramsPerDm2: 0.5, count: 1, carrier: null };
const mould = { id: 'm', count: 1, mould: plainMould('Box', 'box') };
const milk = { id: 'p', name: 'Oat milk', kind: 'milk', percent: 20 } as const;
const colour = { id: 'c', name: 'Blue', lab: labD65FromHex('#4a63b0') };

/** A plan with something in every list. */
const full: Plan = planWith(
  [{ ...pot('A', 1, dose('ultramarine-blue', 3)), follows: 'c' }, pot('B', 1)],
  {
    scent: scentOf('scent-limewash', 20),
    additives: [additive],
    liquid: { ...planWith([]).base.liquid, parts: [milk] },
  },
  {
    idea: { design: emptyDesign, colours: [colour] },
    moulding: { ...emptyMoulding, moulds: [mould] },
    embeds: [ball],
    lines: [line],
    work: { ...emptyWork, carrierOil: 'oil-olive' },
  },
);
const twice = <T>(list: readonly T[]): T[] => [...list, list[0]!];
const base = (change: Partial<Plan['base']>): Plan => ({ ...full, base: { ...full.base, ...change } });
const firstPot = (change: Partial<Plan['pots'][number]>): Plan => ({
  ...full,
  pots: full.pots.map((p, i) => (i === 0 ? { ...p, ...change } : p)),
});

it('a sound plan with something in every list has none', () => {
  expect(integrityProblems(full)).toEqual([]);
});

describe('an id used twice is found in every list', () => {
  it.each<[string, Plan]>([
    [`materials.${full.materials.length}.id`, { ...full, materials: twice(full.materials) }],
    ['pots.2.id', { ...full, pots: twice(full.pots) }],
    ['idea.colours.1.id', { ...full, idea: { ...full.idea, colours: twice(full.idea.colours) } }],
    ['moulding.moulds.1.id', { ...full, moulding: { ...full.moulding, moulds: twice([mould]) } }],
    ['embeds.1.id', { ...full, embeds: twice([ball]) }],
    ['lines.1.id', { ...full, lines: twice([line]) }],
    ['base.oils.4.id', base({ oils: twice(full.base.oils) })],
    ['base.additives.1.id', base({ additives: twice([additive]) })],
    ['base.liquid.parts.1.id', base({ liquid: { ...full.base.liquid, parts: twice([milk]) } })],
    ['base.scent.parts.1.id', base({ scent: { ...full.base.scent!, parts: twice(full.base.scent!.parts) } })],
    ['pots.0.doses.1.id', firstPot({ doses: twice(full.pots[0]!.doses) })],
    ['pots.0.draws.1.id', firstPot({ draws: twice(full.pots[0]!.draws) })],
    [
      'embeds.0.parts.0.doses.1.id',
      { ...full, embeds: [{ ...ball, parts: [{ ...part, doses: twice(part.doses) }] }] },
    ],
    ['embeds.0.parts.1.id', { ...full, embeds: [{ ...ball, parts: twice([part]) }] }],
  ])('%s', (path, plan) => {
    expect(integrityProblems(plan).map((f) => f.path)).toEqual([path]);
  });
});

describe('a reference to nothing, or to what cannot stand there, is found in every place', () => {
  it.each<[string, Plan, RegExp]>([
    [
      'base.oils.0.materialId',
      base({ oils: [{ ...full.base.oils[0]!, materialId: 'x' }] }),
      /no material "x"/,
    ],
    [
      'base.oils.0.materialId',
      base({ oils: [{ ...full.base.oils[0]!, materialId: 'sugar' }] }),
      /cannot be used here/,
    ],
    [
      'base.additives.0.materialId',
      base({ additives: [{ ...additive, materialId: 'oil-olive' }] }),
      /kind oil/,
    ],
    [
      'base.scent.parts.0.materialId',
      base({ scent: { ...full.base.scent!, parts: [{ id: 's', materialId: 'cocoa', parts: 1 }] } }),
      /cannot be used here/,
    ],
    ['lines.0.materialId', { ...full, lines: [{ ...line, materialId: 'scent-limewash' }] }, /kind scent/],
    [
      'embeds.0.parts.0.doses.0.materialId',
      {
        ...full,
        embeds: [{ ...ball, parts: [{ ...part, doses: [{ ...part.doses[0]!, materialId: 'gone' }] }] }],
      },
      /no material "gone"/,
    ],
    ['work.carrierOil', { ...full, work: { ...full.work, carrierOil: 'cocoa' } }, /cannot be used here/],
    ['pots.0.follows', firstPot({ follows: 'gone' }), /no colour "gone"/],
    [
      'pots.0.draws.0.from',
      firstPot({ draws: [{ id: 'd', from: 'gone', by: 'percent', value: 10, second: 0 }] }),
      /no pot "gone"/,
    ],
  ])('%s', (path, plan, message) => {
    expect(integrityProblems(plan)).toEqual([
      { code: expect.any(String), path, message: expect.stringMatching(message) },
    ]);
  });

  it('a ring of pots is no fault of the document: a check tells it', () => {
    const plan = firstPot({ draws: [{ id: 'd', from: 'B', by: 'percent', value: 10, second: 0 }] });
    expect(integrityProblems(plan)).toEqual([]);
  });
});
