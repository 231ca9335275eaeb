import { settle } from '../balance/settle.ts';
import { actualsOf } from '../day/actuals.ts';
import { cupIdOf } from '../day/cups.ts';
import { logEntry, type LogEntry } from '../day/entry.ts';
import { integrityProblems } from '../plan/integrity.ts';
import { newMove } from '../plan/day.ts';
import { emptyDesign } from '../plan/design.ts';
import { plainMould } from '../plan/moulding.ts';
import { type DoseRow, type Plan, type Pot } from '../plan/plan.ts';
import { type FaultId, FAULTS } from '../record/faults.ts';
import { type BatchRecord, emptyRecord } from '../record/record.ts';
import { bead, dose, planWith, pot, scentOf, shelfItem, tenthGramScale } from '../testing/plans.ts';
import { grams, gramsPerKg } from '../units/quantity.ts';
import { CAUSES, causesOf, RESCUES } from './causes.ts';
import { batchFacts } from './facts.ts';

/** A batch in which a fault may be seen. */
interface Batch {
  readonly plan: Plan;
  readonly log: readonly LogEntry[];
  readonly record: BatchRecord;
}

const HOUR = 3_600_000;
const MINUTE = 60_000;
let count = 0;
const said = (entry: Partial<LogEntry> & Pick<LogEntry, 'kind'>, minutes = 0): LogEntry => {
  count += 1;
  return logEntry({ id: `e${count}`, at: minutes * MINUTE, ...entry });
};

/** A day on which all went as it should: cut after so many hours, poured so long after the emulsion. */
const day = (cutAfter = 30, pouredAfter = 12): LogEntry[] => [
  said({ kind: 'done', target: 'combine/combine:common' }, 0),
  said({ kind: 'done', target: 'pour/pour' }, pouredAfter),
  said({ kind: 'done', target: 'unmould' }, pouredAfter + (cutAfter * HOUR) / MINUTE - 5),
  said({ kind: 'done', target: 'after/cut' }, pouredAfter + (cutAfter * HOUR) / MINUTE),
];

const mould = { ...plainMould('Loaf', 'box'), length: 250, width: 80, height: 65 };
const OILS: readonly (readonly [string, number])[][] = [
  [
    ['oil-lard', 40],
    ['oil-coconut', 25],
    ['oil-sunflower-ho', 35],
  ],
  [
    ['oil-lard', 45],
    ['oil-coconut', 20],
    ['oil-sunflower-ho', 35],
  ],
  [
    ['oil-lard', 30],
    ['oil-coconut', 30],
    ['oil-sunflower-ho', 40],
  ],
  [
    ['oil-lard', 50],
    ['oil-coconut', 20],
    ['oil-sunflower-ho', 30],
  ],
  [
    ['oil-lard', 35],
    ['oil-coconut', 25],
    ['oil-sunflower-ho', 40],
  ],
];

/** Five batches of which nothing speaks for any fault: oils, sizes and colours differ. */
function plain(i: number): Batch {
  const own = (name: string, id: string, amount: number): Pot => ({
    ...pot(name, 1, { ...dose(id, amount * (0.8 + 0.1 * i)), carrier: { medium: 'oil', ratio: 3 } }),
  });
  const base = planWith(
    [own('A', 'brown-iron-oxide', 1.5), own('B', 'mica-lido', 6)],
    {
      oils: OILS[i]!.map(([materialId, percent]) => ({ id: materialId, materialId, percent })),
      temperature: 34,
      superfat: 5,
      totalOils: grams(800 + 100 * i),
    },
    { idea: { design: { ...emptyDesign, body: ['layers'] }, colours: [] } },
  );
  const plan: Plan = {
    ...base,
    base: { ...base.base, liquid: { ...base.base.liquid, value: 33 + 0.4 * i } },
    moulding: { ...base.moulding, moulds: [{ id: 'm', count: 1, mould }], leads: true },
    work: { ...base.work, finish: ['mist', 'insulate'], heat: 'force' },
  };
  return { plan: settle(plan), log: day(), record: emptyRecord };
}

const withMaterials = (plan: Plan, ...ids: readonly string[]): Plan => ({
  ...plan,
  materials: [
    ...plan.materials,
    ...ids.filter((id) => !plan.materials.some((m) => m.id === id)).map(shelfItem),
  ],
});
const edit =
  (change: (plan: Plan, i: number) => Plan) =>
  (b: Batch, i: number): Batch => ({
    ...b,
    plan: change(b.plan, i),
  });
const base = (change: Partial<Plan['base']>) => edit((p) => ({ ...p, base: { ...p.base, ...change } }));
const work = (change: Partial<Plan['work']>) => edit((p) => ({ ...p, work: { ...p.work, ...change } }));
const log =
  (...entries: readonly LogEntry[]) =>
  (b: Batch): Batch => ({ ...b, log: [...b.log, ...entries] });
const record =
  (change: Partial<BatchRecord>) =>
  (b: Batch): Batch => ({ ...b, record: { ...b.record, ...change } });
const inPot = (name: string, id: string, amount: number, row: Partial<DoseRow> = {}) =>
  edit((p, i) => ({
    ...withMaterials(p, id),
    pots: p.pots.map((q) =>
      q.name === name
        ? { ...q, doses: [...q.doses, { ...dose(id, amount * (0.95 + 0.03 * i)), ...row, id: `x-${id}` }] }
        : q,
    ),
  }));
const additive = (
  materialId: string,
  amount: number,
  moment: Plan['base']['additives'][number]['moment'] = 'oils',
) =>
  edit((p) => ({
    ...withMaterials(p, materialId),
    base: {
      ...p.base,
      additives: [
        ...p.base.additives,
        { id: `add-${materialId}`, materialId, dose: gramsPerKg(amount), perBar: null, moment },
      ],
    },
  }));
const scent = (
  id: string,
  amount: number,
  pots: readonly string[],
  change: Parameters<typeof scentOf>[2] = {},
) =>
  edit((p) => ({
    ...withMaterials(p, id),
    base: { ...p.base, scent: scentOf(id, amount, change) },
    pots: p.pots.map((q) => ({ ...q, scented: pots.includes(q.name) })),
  }));
const lye = (concentration: number) =>
  edit((p) => ({
    ...p,
    base: { ...p.base, liquid: { ...p.base.liquid, by: 'concentration', value: concentration } },
  }));
const oils = (...rows: readonly (readonly [string, number])[]) =>
  edit((p) => ({
    ...withMaterials(p, ...rows.map(([id]) => id)),
    base: { ...p.base, oils: rows.map(([materialId, percent]) => ({ id: materialId, materialId, percent })) },
  }));
const potSet = (name: string, change: Partial<Pot>) =>
  edit((p) => ({ ...p, pots: p.pots.map((q) => (q.name === name ? { ...q, ...change } : q)) }));
const technique = (...body: readonly string[]) =>
  edit((p) => ({ ...p, idea: { ...p.idea, design: { ...p.idea.design, body } } }));
const colours = (a: readonly [string, number], b: readonly [string, number]) =>
  edit((p) => ({
    ...withMaterials(p, a[0], b[0]),
    pots: p.pots.map((q) => {
      const [id, amount] = q.name === 'A' ? a : b;
      return { ...q, doses: [{ ...dose(id, amount), carrier: { medium: 'oil' as const, ratio: 3 } }] };
    }),
  }));
const seenGel = (how: 'none' | 'full') => record({ gel: { how, rim: 0 } });
const thickness = (potId: string, value: number, minutes: number) =>
  said({ kind: 'thickness', potId, value }, minutes);
const strokes = (n: number) =>
  edit((p) => ({
    ...p,
    work: {
      ...p.work,
      pour: {
        ...p.work.pour,
        moves: [
          newMove({ id: 'p', kind: 'pour', potId: 'A', part: 1, height: 20 }),
          newMove({ id: 's', kind: 'stroke', passes: n }),
        ],
      },
    },
  }));

type Change = (b: Batch, i: number) => Batch;
/** What makes each cause the cause, on a batch that has nothing else. `on`: the pots in which the fault is seen. */
const CASES: Readonly<
  Record<
    string,
    {
      readonly fault: FaultId;
      readonly by: readonly Change[];
      readonly first?: readonly Change[];
      readonly on?: readonly string[];
    }
  >
> = {
  'too-dry-a-paste': {
    fault: 'streaks',
    on: ['B'],
    by: [
      edit((p) => ({
        ...p,
        pots: p.pots.map((q) => ({
          ...q,
          doses: q.doses.map((d) => ({ ...d, carrier: { medium: 'oil', ratio: 0.6 } })),
        })),
      })),
    ],
  },
  'wrong-liquid': {
    fault: 'specks',
    on: ['B'],
    by: [inPot('B', 'titanium-dioxide-water', 3, { carrier: { medium: 'oil', ratio: 3 } })],
  },
  'clumping-powder': {
    fault: 'specks',
    on: ['B'],
    by: [inPot('B', 'chromium-oxide-green', 4, { carrier: { medium: 'oil', ratio: 3 } })],
  },
  'grains-of-its-own': { fault: 'specks', on: ['B'], by: [inPot('B', 'pumice-fine', 15)] },
  'coloured-too-thick': {
    fault: 'streaks',
    on: ['A'],
    by: [
      log(
        thickness('A', 2, 4),
        said(
          { kind: 'added', potId: 'A', target: cupIdOf('A', 'brown-iron-oxide'), by: 'part', value: 1 },
          6,
        ),
      ),
    ],
  },
  'migrating-dye': { fault: 'bleed', on: ['B'], by: [inPot('A', 'dye-reed-green', 3)] },
  'carbon-smeared': { fault: 'bleed', on: ['B'], by: [inPot('A', 'activated-charcoal', 5)] },
  'cut-too-soon': { fault: 'knife-drag', by: [(b) => ({ ...b, log: day(6) })] },
  'vanillin-browns': { fault: 'tan', on: ['B'], by: [scent('scent-oat-biscuit', 30, ['B'])] },
  'brown-creeps': { fault: 'tan', on: ['B'], by: [scent('scent-oat-biscuit', 30, ['A'])] },
  'scent-tans': {
    fault: 'tan',
    on: ['B'],
    by: [
      scent('scent-limewash', 30, ['B']),
      edit((p) => ({
        ...p,
        materials: p.materials.map((m) =>
          m.scent ? { ...m, scent: { ...m.scent, tan: 'strong' as const } } : m,
        ),
      })),
    ],
  },
  'milk-or-sugar-browns': { fault: 'tan', on: ['B'], by: [additive('honey', 12), seenGel('full')] },
  'golden-oils': {
    fault: 'tan',
    on: ['B'],
    by: [oils(['oil-palm-unrefined', 25], ['oil-lard', 45], ['oil-coconut', 30])],
  },
  'fading-colour': { fault: 'faded', on: ['B'], by: [inPot('B', 'nettle', 10)] },
  'less-went-in': {
    fault: 'faded',
    on: ['A'],
    by: [
      log(
        said(
          { kind: 'added', potId: 'A', target: cupIdOf('A', 'brown-iron-oxide'), by: 'part', value: 0.4 },
          5,
        ),
      ),
    ],
  },
  'did-not-gel': { fault: 'faded', on: ['B'], by: [seenGel('none')] },
  'gelled-unplanned': {
    fault: 'changed',
    on: ['B'],
    first: [work({ heat: 'prevent', finish: [] })],
    by: [seenGel('full')],
  },
  'lye-turned-it': { fault: 'changed', on: ['B'], by: [inPot('B', 'manganese-violet', 4)] },
  'acid-on-ultramarine': {
    fault: 'changed',
    on: ['B'],
    first: [inPot('B', 'ultramarine-blue', 3)],
    by: [additive('citric-acid', 8)],
  },
  'another-cup': {
    fault: 'changed',
    on: ['B'],
    by: [
      log(
        said(
          { kind: 'added', potId: 'B', target: cupIdOf('A', 'brown-iron-oxide'), by: 'part', value: 0.2 },
          5,
        ),
      ),
    ],
  },
  'mixed-at-the-bench': {
    fault: 'pleasing',
    by: [log(said({ kind: 'took', potId: 'A', target: 'B', by: 'fraction', value: 0.2 }, 5))],
  },
  'still-fresh': {
    fault: 'changed',
    on: ['B'],
    first: [inPot('B', 'orange-oxide', 2, { carrier: { medium: 'oil', ratio: 3 } })],
    by: [
      edit((p) => ({
        ...p,
        materials: p.materials.map((m) =>
          m.id === 'orange-oxide'
            ? { ...m, looks: { ...m.looks, fresh: { colour: '#ff5500', halfLife: 20 } } }
            : m,
        ),
      })),
      (b) => ({ ...b, log: [] }),
    ],
  },
  'stains-above-ceiling': {
    fault: 'lather-colour',
    on: ['B'],
    by: [inPot('B', 'red-iron-oxide', 20, { carrier: { medium: 'oil', ratio: 3 } })],
  },
  'dye-in-lather': { fault: 'lather-colour', on: ['B'], by: [inPot('B', 'lake-harbour-blue', 1)] },
  'ash-much-water': { fault: 'ash', by: [lye(27)] },
  'ash-bare-top': { fault: 'ash', by: [work({ finish: [] })] },
  'ash-cool': { fault: 'ash', by: [log(said({ kind: 'warmth', target: 'oils', value: 22 }))] },
  'rivers-white': {
    fault: 'rivers',
    on: ['B'],
    by: [inPot('B', 'titanium-dioxide-oil', 8, { carrier: { medium: 'oil', ratio: 3 } })],
  },
  'rivers-water': { fault: 'rivers', on: ['B'], by: [lye(25)] },
  'rivers-glycerin': {
    fault: 'rivers',
    on: ['B'],
    by: [inPot('B', 'mica-dome', 8, { carrier: { medium: 'glycerin', ratio: 4 } })],
  },
  'air-blended-in': { fault: 'air', by: [work({ blendSeconds: 25 })] },
  'air-folded-in': { fault: 'air', on: ['B'], by: [log(thickness('B', 3, 9))] },
  'dry-powder-stirred-in': {
    fault: 'air',
    on: ['B'],
    by: [inPot('B', 'kaolin', 10, { carrier: { medium: 'trace', ratio: 0 } })],
  },
  'gel-on-the-edge': {
    fault: 'partial-gel',
    first: [work({ heat: 'prevent', finish: [] })],
    by: [work({ heat: 'let', finish: [] }), edit((p) => ({ ...p, base: { ...p.base, temperature: 38 } }))],
  },
  'gel-forced-too-cool': {
    fault: 'partial-gel',
    first: [work({ heat: 'prevent', finish: [] })],
    by: [work({ heat: 'force', finish: [] }), base({ temperature: 24 })],
  },
  'sweet-middle': {
    fault: 'partial-gel',
    first: [work({ heat: 'prevent', finish: [] })],
    by: [additive('honey', 12)],
  },
  'grains-dragged': { fault: 'knife-drag', by: [additive('poppy-seed', 8, 'trace')] },
  'hard-piece-dragged': { fault: 'knife-drag', by: [edit((p) => ({ ...p, embeds: [bead()] }))] },
  'too-little-batter': {
    fault: 'wall-gaps',
    by: [
      edit((p) => ({
        ...p,
        moulding: {
          ...p.moulding,
          leads: false,
          moulds: [{ id: 'm', count: 1, mould: { ...mould, length: 400 } }],
        },
      })),
    ],
  },
  'set-at-once': { fault: 'wall-gaps', on: ['B'], by: [scent('scent-red-gate', 15, ['B'])] },
  'white-and-water': {
    fault: 'cracked',
    on: ['B'],
    first: [work({ finish: ['mist'], heat: 'let' })],
    by: [inPot('B', 'titanium-dioxide-oil', 18, { carrier: { medium: 'oil', ratio: 3 } })],
  },
  'cracked-by-heat': {
    fault: 'cracked',
    first: [work({ finish: ['mist'], heat: 'let' })],
    by: [work({ finish: ['oven'], heat: 'force' })],
  },
  'began-hot': { fault: 'seized', by: [log(said({ kind: 'warmth', target: 'batter', value: 50 }))] },
  'brittle-additive': {
    fault: 'cracked',
    first: [work({ finish: ['mist'], heat: 'let' })],
    by: [additive('sodium-lactate', 60, 'lye-water')],
  },
  'too-many-solids': {
    fault: 'cracked',
    first: [work({ finish: ['mist'], heat: 'let' })],
    by: [inPot('B', 'kaolin', 60)],
  },
  'cut-too-late': {
    fault: 'cracked',
    first: [work({ finish: ['mist'], heat: 'let' })],
    by: [(b) => ({ ...b, log: day(100) })],
  },
  'much-superfat': { fault: 'soft', by: [base({ superfat: 15 })] },
  'soft-oils': { fault: 'soft', by: [oils(['oil-olive', 85], ['oil-coconut', 10], ['oil-castor', 5])] },
  'much-water': { fault: 'soft', by: [lye(25)] },
  'stayed-cold': { fault: 'soft', by: [work({ finish: ['fridge'], heat: 'prevent' })] },
  'much-carrier': {
    fault: 'soft',
    by: [inPot('B', 'mica-dome', 18, { carrier: { medium: 'glycerin', ratio: 5 } })],
  },
  'layers-poured-apart': { fault: 'layers-apart', by: [potSet('A', { ownLye: true, hoursBefore: 4 })] },
  'thick-powder-line': {
    fault: 'layers-apart',
    by: [
      edit((p) => ({
        ...withMaterials(p, 'mica-lido'),
        lines: [{ id: 'l', materialId: 'mica-lido', gramsPerDm2: 1.5, count: 1, carrier: null }],
      })),
    ],
  },
  'more-lye-went-in': {
    fault: 'lye-heavy',
    by: [
      (b, i) => ({
        ...b,
        log: [
          ...b.log,
          said({ kind: 'weighed', target: 'naoh:common', by: 'grams', value: (120 + 14 * i) * 1.12 }),
        ],
      }),
    ],
  },
  'pot-without-oil': {
    fault: 'lye-heavy',
    by: [inPot('A', 'mica-dome', 12, { source: 'batch', carrier: { medium: 'oil', ratio: 6 } })],
  },
  'it-separated': { fault: 'false-emulsion', by: [log(said({ kind: 'trouble', potId: 'A', value: 2 }, 6))] },
  'hard-fats-set': {
    fault: 'false-emulsion',
    by: [
      oils(['oil-palm', 40], ['oil-coconut', 30], ['oil-cocoa-butter', 15], ['oil-sunflower-ho', 15]),
      base({ temperature: 25 }),
    ],
  },
  'emulsion-not-awaited': {
    fault: 'false-emulsion',
    by: [log(said({ kind: 'skipped', target: 'combine/holds:common', text: 'in a hurry' }, 2))],
  },
  'scent-over-what-it-holds': { fault: 'weeping', by: [scent('scent-wet-slate', 65, ['A', 'B'])] },
  'heat-could-not-leave': {
    fault: 'overheated',
    first: [work({ finish: ['mist'], heat: 'let' })],
    by: [
      lye(27),
      edit((p) => ({
        ...p,
        base: { ...p.base, temperature: 36.5 },
        moulding: {
          ...p.moulding,
          moulds: [{ id: 'm', count: 1, mould: { ...mould, width: 250, height: 250 } }],
        },
      })),
    ],
  },
  'colours-too-near': {
    fault: 'merged',
    by: [colours(['brown-iron-oxide', 1.5], ['brown-iron-oxide', 1.7])],
  },
  'browned-together': { fault: 'merged', by: [scent('scent-oat-biscuit', 15, ['A', 'B'])] },
  'colours-grey-each-other': {
    fault: 'mud',
    first: [technique('blobs')],
    by: [colours(['ultramarine-blue', 5], ['orange-oxide', 3])],
  },
  'too-many-strokes': { fault: 'over-blended', by: [strokes(18)] },
  'one-pot-overturned': { fault: 'over-blended', by: [technique('in-the-pot')] },
  'batter-too-thin': { fault: 'poured-thin', on: ['B'], by: [log(thickness('B', 0, 10))] },
  'slow-batter': { fault: 'poured-thin', by: [work({ pace: 2 }), log(thickness('B', 2, 10))] },
  'scent-speeds': { fault: 'seized', on: ['B'], by: [scent('scent-red-gate', 12, ['B'])] },
  'work-took-too-long': { fault: 'poured-stiff', by: [(b) => ({ ...b, log: day(30, 90) })] },
  'blended-too-far': { fault: 'poured-stiff', by: [work({ blendSeconds: 32 })] },
  'fast-colourant': {
    fault: 'poured-stiff',
    on: ['B'],
    by: [inPot('B', 'kaolin', 20), inPot('B', 'zinc-oxide', 10, { carrier: { medium: 'oil', ratio: 3 } })],
  },
  'too-few-strokes': {
    fault: 'too-coarse',
    first: [technique('layers')],
    by: [technique('hanger'), strokes(1)],
  },
  'pots-of-another-size': {
    fault: 'layers-uneven',
    by: [log(said({ kind: 'sized', potId: 'A', by: 'fraction', value: 0.7 }, 4))],
  },
  'layer-too-thick-to-level': { fault: 'layers-uneven', on: ['B'], by: [log(thickness('B', 3, 10))] },
  'poured-from-high': {
    fault: 'layers-broken',
    by: [
      edit((p) => ({
        ...p,
        work: {
          ...p.work,
          pour: {
            ...p.work.pour,
            moves: [newMove({ id: 'p', kind: 'pour', potId: 'A', part: 1, height: 240 })],
          },
        },
      })),
    ],
  },
  'decided-simpler': { fault: 'given-up', by: [log(said({ kind: 'decided', value: 0 }, 8))] },
  'piece-on-set-soap': {
    fault: 'piece-loose',
    first: [edit((p) => ({ ...p, embeds: [bead({ onTop: true })] }))],
    by: [log(thickness('B', 4, 20))],
  },
  'piece-dusted': {
    fault: 'piece-loose',
    first: [edit((p) => ({ ...p, embeds: [bead({ onTop: true })] }))],
    by: [
      edit((p) => ({
        ...withMaterials(p, 'mica-lido'),
        embeds: [bead({ onTop: true, dusting: { materialId: 'mica-lido', gramsPerDm2: 0.4 } })],
      })),
    ],
  },
  'pieces-and-cuts': {
    fault: 'piece-cut',
    first: [edit((p) => ({ ...p, embeds: [bead()] }))],
    by: [edit((p) => ({ ...p, embeds: [bead({ pieces: 7 })] }))],
  },
  'block-recut': {
    fault: 'piece-cut',
    first: [edit((p) => ({ ...p, embeds: [bead()] }))],
    by: [record({ cut: { ...emptyRecord.cut, regions: [] } })],
  },
  'too-much-scent-for-the-pot': { fault: 'riced', on: ['B'], by: [scent('scent-limewash', 75, ['B'])] },
  'blended-with-scent': {
    fault: 'riced',
    first: [scent('scent-limewash', 30, ['A', 'B'])],
    by: [scent('scent-limewash', 30, ['A', 'B'], { when: 'batter' })],
  },
};

function rankOf(batch: Batch, fault: FaultId, on: readonly string[]) {
  expect(integrityProblems(batch.plan)).toEqual([]);
  const facts = batchFacts({
    planned: batch.plan,
    actuals: actualsOf(batch.plan, tenthGramScale, batch.log),
    record: batch.record,
    log: batch.log,
    measuring: tenthGramScale,
  });
  return causesOf(facts, { fault, potIds: on });
}

it('has five batches for every cause, a cause and a rescue for every fault', () => {
  expect(Object.keys(CASES).sort()).toEqual(CAUSES.map((c) => c.id).sort());
  for (const { id } of FAULTS) {
    expect(CAUSES.some((c) => c.faults.includes(id))).toBe(true);
    expect(RESCUES[id].length).toBeGreaterThan(0);
  }
});

describe.each(Object.entries(CASES))('%s', (id, { fault, by, first = [], on = [] }) => {
  it.each([0, 1, 2, 3, 4])(
    'comes first where it is the cause, and not without its evidence: batch %d',
    (i) => {
      const without = first.reduce((b, change) => change(b, i), plain(i));
      const batch = by.reduce((b, change) => change(b, i), without);
      const ranked = rankOf(batch, fault, on);
      expect(ranked[0]!.id).toBe(id);
      expect(ranked[0]!.speaksFor.length).toBeGreaterThan(0);
      expect(ranked[0]!.next.length).toBeGreaterThan(0);
      expect(rankOf(without, fault, on)[0]!.id).not.toBe(id);
      for (const { apply } of ranked[0]!.next)
        if (apply) expect(integrityProblems(apply(batch.plan))).toEqual([]);
    },
  );
});

it('calls nothing a cause where nothing speaks for one', () => {
  // It was kept warm, which may crack or part it.
  const warm = ['cracked-by-heat', 'gel-forced-too-cool'];
  const blamed = FAULTS.flatMap(({ id }) =>
    rankOf(plain(0), id, [])
      .filter((c) => c.likely === 'likely' && !warm.includes(c.id))
      .map((c) => `${id}: ${c.id}`),
  );
  expect(blamed).toEqual([]);
});
