import { setParts, setWork } from '../plan/edit/index.ts';
import { dividedMould, layerVolume } from '../balance/mould.ts';
import { sectionOf } from '../work/touching.ts';
import { consistencyWanted } from '../work/handwork.ts';
import { LIQUID_FACTS } from '../plan/liquid.ts';
import { materialOf, type Pot } from '../plan/plan.ts';
import { lotAtHand } from '../material/lot.ts';
import { isColourant } from '../material/curve.ts';
import { type Material } from '../material/material.ts';
import { type Check, type PlanFacts } from './check.ts';

/** Two pots in one section of the mould, and a section without a pot. */
export function checkSections({ plan }: PlanFacts): Check[] {
  const mould = dividedMould(plan.moulding)?.mould;
  const by = new Map<number, Pot[]>();
  for (const p of plan.pots) {
    const section = sectionOf(p);
    if (section !== null) by.set(section, [...(by.get(section) ?? []), p]);
  }
  if (by.size === 0) return [];
  if (!mould)
    return [...by].flatMap(([n, pots]) => pots.map((p) => nowhere(p, `section ${n}`, 'is divided')));
  const shared = [...by].filter(([, pots]) => pots.length > 1);
  const empty = mould.sections.flatMap((_, i) => (by.has(i + 1) ? [] : [i + 1]));
  const beyond = [...by].filter(([n]) => n > mould.sections.length);
  return [
    ...shared.map(([n, pots]): Check => ({
      id: 'section-shared',
      level: 'warn',
      place: { at: 'pot', potId: pots[1]!.id },
      sentence: `${pots.map((p) => p.name).join(' and ')} are both poured into section ${n}.`,
      arithmetic: `each counts the whole of it`,
      remedy: 'Give one of them another section, or a layer.',
    })),
    ...(empty.length > 0
      ? [
          {
            id: 'section-empty',
            level: 'warn',
            place: { at: 'mould' },
            sentence: `Section ${empty.join(', ')} of ${mould.name} gets no pot.`,
            arithmetic: `${mould.sections.length} sections, pots in ${[...by.keys()].sort((a, b) => a - b).join(', ')}`,
            remedy: 'Pour a pot there, or leave it out of the mould.',
          } as const,
        ]
      : []),
    ...beyond.map(([n, pots]): Check => ({
      id: 'section-empty',
      level: 'warn',
      place: { at: 'pot', potId: pots[0]!.id },
      sentence: `${pots[0]!.name} is poured into section ${n}, which ${mould.name} does not have.`,
      arithmetic: `${mould.sections.length} sections`,
      remedy: 'Choose a section that is there.',
    })),
  ];
}

/** A layer where no mould has a flat ground for it: the pot would get nothing. */
export const checkLayers = ({ plan }: PlanFacts): Check[] =>
  layerVolume(plan.moulding, 1) > 0
    ? []
    : plan.pots.flatMap((p) =>
        p.draws.some((d) => d.by === 'layer' || d.by === 'slant')
          ? [nowhere(p, 'a layer', 'has a flat floor to work it out from')]
          : [],
      );

const nowhere = (pot: Pot, what: string, need: string): Check => ({
  id: 'section-empty',
  level: 'warn',
  place: { at: 'pot', potId: pot.id },
  sentence: `${pot.name} is to fill ${what}, and no mould ${need}: it gets nothing.`,
  arithmetic: '0 ml',
  remedy: 'Choose another way to share, or another mould.',
  repairs: [{ label: 'Give it one part of the batter', apply: (p) => setParts(p, pot.id, 1) }],
});

/** Coarse grains where they do not belong, or where they sink. */
export function checkScrub(facts: PlanFacts): Check[] {
  const { plan } = facts;
  const scrubs = facts.used.filter((m) => m.scrub);
  const coarse = scrubs.filter((m) => m.cautions.includes('scratchy'));
  const wants = plan.pots.some((p) => consistencyWanted(plan.idea.design, p) === 'fluid');
  const sinking = scrubs.filter((m) => m.cautions.includes('sinks'));
  const out: Check[] = [];
  if (plan.work.use === 'face' && coarse.length > 0) {
    out.push({
      id: 'scrub-size',
      level: 'warn',
      place: { at: 'additives' },
      sentence: `${coarse.map((m) => m.name).join(', ')} is too coarse for faces.`,
      arithmetic: 'planned for the face',
      remedy: 'Leave it out, or say on the label: not for the face.',
      repairs: [{ label: 'It is for hands', apply: (p) => setWork(p, { use: 'hands' }) }],
    });
  }
  if (wants && sinking.length > 0) {
    out.push({
      id: 'scrub-size',
      level: 'warn',
      place: { at: 'additives' },
      sentence: `${sinking.map((m) => m.name).join(', ')} sinks in batter as thin as this technique wants.`,
      arithmetic: '',
      remedy: 'Stir it in at medium trace, or choose a lighter scrub.',
    });
  }
  return out;
}

/** What must be told to whoever uses the bar. */
export function checkAllergen(facts: PlanFacts): Check[] {
  const { plan } = facts;
  const oils = facts.flow.ledger.oils.map((id) => materialOf(plan, id));
  const told = (m: Pick<Material, 'name' | 'allergens'>): string =>
    m.allergens.length > 0 ? `${m.name} (${m.allergens.join(', ')})` : m.name;
  const names = [...oils, ...facts.used]
    .filter((m) => m.allergens.length > 0 || m.cautions.includes('allergen'))
    .map(told);
  const liquids = plan.base.liquid.parts
    .filter((p) => p.percent > 0 && LIQUID_FACTS[p.kind].allergens.length > 0)
    .map((p) => told({ name: p.name, allergens: LIQUID_FACTS[p.kind].allergens }));
  const all = [...new Set([...names, ...liquids])];
  if (all.length === 0) return [];
  return [
    {
      id: 'allergen',
      level: 'tip',
      place: { at: 'additives' },
      sentence: `${all.join(', ')}: say so on the label.`,
      arithmetic: '',
      remedy: 'Nut, milk, oat, honey and pollen are named on every bar.',
    },
  ];
}

/** What the plan needs of each material, g, powders and all. */
export function needs({ plan, prep, flow }: Pick<PlanFacts, 'plan' | 'prep' | 'flow'>): Map<string, number> {
  const sum = new Map<string, number>();
  const add = (id: string, mass: number): void => {
    sum.set(id, (sum.get(id) ?? 0) + mass);
  };
  for (const o of flow.lyes.flatMap((l) => l.rows)) add(o.materialId, o.mass);
  for (const p of prep.pots) for (const r of p.rows) add(r.material.id, r.measured.mass);
  for (const a of prep.additives) add(a.material.id, a.mass);
  for (const s of prep.scent?.parts ?? []) add(s.material.id, s.mass);
  for (const e of prep.embeds) for (const d of e.powders) add(d.materialId, d.mass);
  for (const l of prep.lines) add(l.material.id, l.mass);
  const extra = flow.pots.reduce(
    (s, p) => s + p.contents[flow.ledger.at('carrier-oil')]! * Math.max(0, 1 - p.drawnOff),
    0,
  );
  const oil = plan.work.carrierOil ?? flow.carrierOil;
  if (extra > 0 && oil) add(oil, extra);
  return sum;
}

/** Warns of materials of which the shelf holds less than the plan needs, g. */
export function checkStock(facts: PlanFacts): Check[] {
  const { plan, shelf, print } = facts;
  const short = [...needs(facts)].flatMap(([id, mass]) => {
    const stock = shelf.get(id)?.stock ?? null;
    return stock !== null && mass > stock + 1e-9 ? [{ name: materialOf(plan, id).name, mass, stock }] : [];
  });
  if (short.length === 0) return [];
  return [
    {
      id: 'stock-short',
      level: 'warn',
      place: { at: 'work' },
      sentence: `The shelf holds too little ${short.map((s) => s.name).join(', ')}.`,
      arithmetic: short
        .map((s) => `${s.name}: ${print.mass(s.mass)} needed, ${print.mass(s.stock)} there`)
        .join('; '),
      remedy: 'Buy more, or make a smaller batch.',
    },
  ];
}

/** Tells, for a line that is made again, of lots of which no bar has been read. */
export function checkLots(facts: PlanFacts): Check[] {
  const { plan, shelf } = facts;
  if (!plan.work.permanentLine) return [];
  const untested = facts.used.filter((m) => {
    const lot = lotAtHand(shelf.get(m.id) ?? m);
    return m.optics && lot !== null && lot.label !== '' && !lot.tested;
  });
  if (untested.length === 0) return [];
  return [
    {
      id: 'untested-lot',
      level: 'tip',
      place: { at: 'work' },
      sentence: `No bar has been read yet from the present lot of ${untested.map((m) => m.name).join(', ')}.`,
      arithmetic: untested
        .map((m) => `${m.name}: lot ${lotAtHand(shelf.get(m.id) ?? m)?.label ?? ''}`)
        .join('; '),
      remedy: 'Make a small test bar before it goes into the line.',
    },
  ];
}

/** From this much oil on a batch is a large one: much is lost with it, g. */
export const LARGE_BATCH = 2000;

/** Colours in a large batch that no bar has been read of: told with the batter that hangs on them. */
export function checkUntested({ plan, flow, held, print }: PlanFacts): Check[] {
  if (plan.base.totalOils < LARGE_BATCH) return [];
  const untested = (m: Material): boolean =>
    isColourant(m.kind) && m.curve?.origin.kind === 'default' && lotAtHand(m)?.tested !== true;
  const names = new Set<string>();
  let atRisk = 0;
  for (const p of flow.pots) {
    const of = held.get(p.pot.id)!.filter((h) => h.dose > 0 && untested(h.material));
    if (of.length === 0) continue;
    for (const h of of) names.add(h.material.name);
    atRisk += p.left;
  }
  if (names.size === 0) return [];
  return [
    {
      id: 'untested-lot',
      level: 'warn',
      place: { at: 'work' },
      sentence: `No bar has been read yet of ${[...names].join(', ')}: ${print.mass(atRisk)} of batter depend on a default.`,
      arithmetic: `${print.mass(plan.base.totalOils)} of oils, a large batch from ${print.mass(LARGE_BATCH)} on`,
      remedy: 'Make a small test bar of each first.',
    },
  ];
}
