import {
  type Carrier,
  isEarly,
  isWeighedCarrier,
  type CarrierMedium,
  type Material,
} from '../material/material.ts';
import { type Measured, measure, type Measuring } from '../units/measure.ts';
import { type Grams, grams } from '../units/quantity.ts';
import { flowOf } from '../balance/balance.ts';
import { carrierMass, dispersions, type Dispersion, type DispersionUse } from './dispersion.ts';
import { embedFacts, type EmbedFacts, lineMass } from '../balance/embedFacts.ts';
import { type PowderLine } from '../plan/embed.ts';
import {
  type DoseFlow,
  type DrawFlow,
  type Flow,
  type LyeFlow,
  type PotFlow,
  totalOf,
} from '../balance/flow.ts';
import { type Batter, batterOf } from '../balance/lye.ts';
import { type AdditiveRow, type DoseRow, materialOf, type Plan, type Pot, type Taken } from '../plan/plan.ts';
import { takenOf, takesLate } from '../plan/late.ts';
import { scentBlend } from '../balance/scent.ts';

export interface PrepRow {
  readonly row: DoseRow;
  readonly material: Material;
  /** Exact mass by the dose, before rounding. */
  readonly wanted: Grams;
  readonly measured: Measured;
  readonly carrier: Carrier | null;
  /** For the measured powder, so that the ratio on the bench is the planned one; 0 out of a bottle. */
  readonly carrierMass: Grams;
  readonly fromBatch: boolean;
  /** Of a stock bottle, to the nearest; null otherwise. */
  readonly drops: number | null;
  /** Of that bottle, g a drop. */
  readonly stockDrop: number | null;
  /** To weigh of a dispersion that is made once for several pots, g; null otherwise. */
  readonly ofShared: number | null;
}

export interface PrepPot {
  readonly pot: Pot;
  /** What remains in it of the recipe's oils, 0–1, after others have drawn from it. */
  readonly fraction: number;
  readonly oils: Grams;
  /** Weigh target: what the scale shows when it is taken off, jug tared. */
  readonly batter: Grams | null;
  readonly scent: Grams;
  readonly rows: readonly PrepRow[];
  readonly flow: PotFlow;
}

export interface PrepTotal {
  readonly material: Material;
  /** Sum of what is measured out over the pots. */
  readonly mass: Grams;
  readonly pots: number;
}

/** One act of weighing batter, jug tared, in the order of the work. */
export interface Weighing {
  readonly pot: Pot;
  readonly from: Pot | null;
  readonly mass: number;
  /** The same by the marks of a jug, ml. */
  readonly volume: number;
  /** What should be left in the bowl, g; null where it comes from a pot, whose draws follow the order of the work. */
  readonly remains: number | null;
  /** What is in the batter when it is taken. */
  readonly stage: WeighStage;
  readonly drawId: string;
}

/**
 * When batter is taken: plain, after the late liquid, after the additives, after the scent, from the pot's own lye and
 * oils, or from another pot once that is coloured, or coloured and scented.
 */
export type WeighStage =
  | 'emulsion'
  | 'liquid'
  | 'additives'
  | 'scent'
  | 'own'
  | 'coloured'
  | 'coloured-scented';

export interface PrepAdditive {
  readonly row: AdditiveRow;
  readonly material: Material;
  readonly mass: Grams;
  /** For each lye by its pot, null for the common one, g. */
  readonly byLye: ReadonlyMap<string | null, number>;
}

export interface PrepSheet {
  readonly flow: Flow;
  readonly oils: readonly { readonly material: Material; readonly percent: number; readonly mass: Grams }[];
  readonly batter: Batter;
  readonly lyes: readonly LyeFlow[];
  readonly additives: readonly PrepAdditive[];
  readonly pots: readonly PrepPot[];
  readonly weighings: readonly Weighing[];
  readonly totals: readonly PrepTotal[];
  readonly dispersions: readonly Dispersion[];
  /** Liquids to have ready, beside the recipe's own. */
  readonly carriers: readonly {
    readonly medium: CarrierMedium;
    readonly mass: Grams;
    readonly fromBatch: boolean;
  }[];
  readonly scent: {
    readonly parts: readonly { readonly material: Material; readonly mass: Grams }[];
    readonly name: string;
    readonly mass: Grams;
    readonly stabiliser: Grams;
    readonly cost: number | null;
  } | null;
  readonly embeds: readonly EmbedFacts[];
  readonly lines: readonly {
    readonly line: PowderLine;
    readonly material: Material;
    readonly mass: number;
  }[];
}

/** Everything there is to weigh for a plan, rounded to what the maker can measure. */
export function prepSheet(plan: Plan, measuring: Measuring): PrepSheet {
  const { base } = plan;
  const flow = flowOf(plan);
  const batter = batterOf(plan);
  const made = dispersions(plan, measuring);
  const uses = new Map(
    made.flatMap((from) => from.uses.map((use) => [useKey(use.pot.id, use.rowId), { from, use }] as const)),
  );
  const pots = flow.pots.map((p): PrepPot => {
    const rows = p.doses.map((d) => prepRow(plan, d, uses.get(useKey(p.pot.id, d.row.id)), measuring));
    return {
      pot: p.pot,
      fraction: (p.oils * Math.max(0, 1 - p.drawnOff)) / base.totalOils,
      oils: grams(p.oils),
      batter: batter.total === null ? null : grams(p.draws.reduce((sum, d) => sum + d.mass, 0)),
      scent: grams(p.scent),
      rows,
      flow: p,
    };
  });
  return {
    flow,
    oils: base.oils.map((o) => ({
      material: materialOf(plan, o.materialId),
      percent: o.percent,
      mass: grams((base.totalOils * o.percent) / 100),
    })),
    batter,
    lyes: flow.lyes,
    additives: additivesOf(plan, flow),
    pots,
    weighings: weighings(plan, flow),
    totals: totalsOf(pots),
    dispersions: made,
    carriers: carriersOf(pots),
    scent: scentTotals(plan, flow),
    embeds: plan.embeds.map((e) => embedFacts(plan.moulding, e)),
    lines: plan.lines.map((line) => ({
      line,
      material: materialOf(plan, line.materialId),
      mass: lineMass(plan.moulding, line),
    })),
  };
}

const useKey = (potId: string, rowId: string): string => `${potId} ${rowId}`;

function prepRow(
  plan: Plan,
  { row, powder, fromBatch, stock }: DoseFlow,
  made: { readonly from: Dispersion; readonly use: DispersionUse } | undefined,
  measuring: Measuring,
): PrepRow {
  const material = materialOf(plan, row.materialId);
  const shared = made?.from.shared ? made : null;
  const wanted = grams(powder);
  const measured: Measured = shared
    ? {
        mass: grams(shared.use.powder),
        spoonSum: null,
        relativeError: powder > 0 ? shared.use.powder / powder - 1 : 0,
        tooSmall: stock ? shared.use.drops === 0 : shared.from.measured.tooSmall,
      }
    : (made?.from.measured ?? measure(wanted, material.bulkDensity, measuring));
  return {
    row,
    material,
    wanted,
    measured,
    carrier: row.carrier,
    carrierMass: shared && stock ? grams(0) : carrierMass(measured.mass, row.carrier),
    fromBatch,
    drops: shared?.use.drops ?? null,
    stockDrop: stock?.gramsPerDrop ?? null,
    ofShared: shared && !stock ? shared.use.mass : null,
  };
}

const byName = new Intl.Collator();

function totalsOf(pots: readonly PrepPot[]): PrepTotal[] {
  const totals = new Map<string, PrepTotal>();
  for (const { material, measured } of pots.flatMap((p) => p.rows)) {
    const sum = totals.get(material.id);
    totals.set(material.id, {
      material,
      mass: grams((sum?.mass ?? 0) + measured.mass),
      pots: (sum?.pots ?? 0) + 1,
    });
  }
  return [...totals.values()].sort((a, b) => byName.compare(a.material.name, b.material.name));
}

function carriersOf(pots: readonly PrepPot[]): PrepSheet['carriers'] {
  const carriers = new Map<string, { medium: CarrierMedium; mass: number; fromBatch: boolean }>();
  const add = (medium: CarrierMedium, mass: number, fromBatch: boolean): void => {
    const key = `${medium}:${fromBatch}`;
    const before = carriers.get(key);
    carriers.set(key, { medium, fromBatch, mass: (before?.mass ?? 0) + mass });
  };
  for (const { rows, flow } of pots) {
    for (const { carrier, carrierMass: liquid, fromBatch } of rows)
      if (carrier && isWeighedCarrier(carrier.medium) && liquid > 0) add(carrier.medium, liquid, fromBatch);
    if (flow.evenedOil > 0) add('oil', flow.evenedOil, flow.evenedFromBatch);
  }
  return [...carriers.values()].map((c) => ({ ...c, mass: grams(c.mass) }));
}

function additivesOf(plan: Plan, flow: Flow): PrepAdditive[] {
  return plan.base.additives.map((row) => {
    const material = materialOf(plan, row.materialId);
    const byLye = new Map(
      flow.lyes.map((l) => [l.potId, (lateOils(plan, flow, row, l.potId) * row.dose) / 1000]),
    );
    const mass =
      row.moment === 'top'
        ? (row.dose * plan.base.totalOils) / 1000
        : [...byLye.values()].reduce((a, b) => a + b, 0);
    return { row, material, mass: grams(mass), byLye };
  });
}

/** Oils of a lye that an additive is stirred into: all, or those of the pots that are taken late enough. */
function lateOils(plan: Plan, flow: Flow, { moment }: AdditiveRow, group: string | null): number {
  if (moment === 'top') return 0;
  const after: Taken = moment === 'trace' ? 'additives' : moment === 'water' ? 'liquid' : 'emulsion';
  const drawn = flow.pots.reduce((sum, p) => {
    if ((p.pot.ownLye ? p.pot.id : null) !== group || !takesLate(plan, p.pot, after)) return sum;
    return (
      sum + p.draws.reduce((s, d) => s + (d.draw.from === null ? d.fraction * plan.base.totalOils : 0), 0)
    );
  }, 0);
  return drawn + (group === null ? Math.max(0, flow.unallocated) * plan.base.totalOils : 0);
}

function scentTotals(plan: Plan, flow: Flow): PrepSheet['scent'] {
  const { scent } = plan.base;
  if (!scent) return null;
  const mass = totalOf(flow, flow.ledger.at('scent'));
  const blend = scentBlend(plan, scent, 1);
  return {
    parts: blend.parts.map((p) => ({ material: p.material, mass: grams(mass * p.share) })),
    name: blend.parts.map((p) => p.material.name).join(' + '),
    mass: grams(mass),
    stabiliser: grams(totalOf(flow, flow.ledger.at('stabiliser'))),
    cost: blend.pricePerGram === null ? null : blend.pricePerGram * mass,
  };
}

/**
 * Each draw, in the order of the work: from the bowl what is taken plain first, then after the late liquid, after the
 * additives and, where the whole batter is scented, after the scent; then what is drawn from other pots.
 */
function weighings(plan: Plan, flow: Flow): Weighing[] {
  const scented = (pot: Pot): boolean => plan.base.scent?.when === 'batter' && pot.scented;
  const stageOf = (pot: Pot): WeighStage => (scented(pot) ? 'scent' : takenOf(plan, pot));
  const rank = (p: PotFlow): number => STAGES.indexOf(stageOf(p.pot));
  const mini = flow.pots.filter((p) => p.pot.ownLye);
  const shared = flow.pots.filter((p) => !p.pot.ownLye).sort((a, b) => rank(a) - rank(b));
  const fromBase = shared.flatMap((p) => baseDraws(p).map((d) => ({ p, d })));
  // What goes into the bowl after a pot was taken off makes the rest heavier: told by stages.
  const addedAfter = additionsOf(plan, flow);
  const left = (from: number, stage: WeighStage): number =>
    fromBase.slice(from + 1).reduce((sum, x) => sum + at(stage, x.p, x.d), 0) +
    bowlAt(plan, flow, addedAfter, stage);
  const at = (stage: WeighStage, p: PotFlow, d: DrawFlow): number =>
    d.mass - d.fraction * plan.base.totalOils * addedAfter(stage, stageOf(p.pot));
  const list = fromBase.map(({ p, d }, i): Weighing => {
    const stage = stageOf(p.pot);
    return {
      pot: p.pot,
      from: null,
      mass: d.mass,
      volume: d.volume,
      remains: Math.max(0, left(i, stage)),
      stage,
      drawId: d.draw.id,
    };
  });
  for (const p of mini) {
    for (const d of baseDraws(p))
      list.push({
        pot: p.pot,
        from: null,
        mass: d.mass,
        volume: d.volume,
        remains: 0,
        stage: 'own',
        drawId: d.draw.id,
      });
  }
  return [...list, ...fromPots(flow)];
}

/** Draws from the base batter, the first with what went into the pot's own oils or lye and so is in the batter already. */
function baseDraws(p: PotFlow): DrawFlow[] {
  const early = p.doses.reduce((sum, d) => (isEarly(d.row.carrier) ? sum + d.powder : sum), 0);
  return p.draws
    .filter((d) => d.draw.from === null && d.mass > 0)
    .map((d, i) => (i === 0 ? { ...d, mass: d.mass + early } : d));
}

const STAGES: readonly WeighStage[] = ['emulsion', 'liquid', 'additives', 'scent'];

/** What is stirred into a gram of oils' worth of the common batter between two stages, g. */
type AddedAfter = (from: WeighStage, to: WeighStage) => number;

function additionsOf(plan: Plan, flow: Flow): AddedAfter {
  const { base } = plan;
  const bowl = flow.lyes.find((l) => l.potId === null);
  const takers = flow.pots
    .filter((p) => !p.pot.ownLye && takesLate(plan, p.pot, 'liquid'))
    .flatMap((p) => p.draws)
    .reduce(
      (s, d) => s + (d.draw.from === null ? d.fraction * base.totalOils : 0),
      Math.max(0, flow.unallocated) * base.totalOils,
    );
  const doses = (moment: AdditiveRow['moment']): number =>
    base.additives.reduce((s, a) => (a.moment === moment ? s + a.dose / 1000 : s), 0);
  const added = {
    emulsion: 0,
    liquid: (bowl && takers > 0 ? bowl.heldForLater / takers : 0) + doses('water'),
    additives: doses('trace'),
    scent: base.scent ? (base.scent.dose * (1 + base.scent.stabiliser)) / 1000 : 0,
  };
  return (from, to) =>
    STAGES.slice(STAGES.indexOf(from) + 1, STAGES.indexOf(to) + 1).reduce(
      (s, stage) => s + added[stage as keyof typeof added],
      0,
    );
}

/** What no pot takes of the bowl, as heavy as it is at a stage, g. */
function bowlAt(plan: Plan, flow: Flow, addedAfter: AddedAfter, stage: WeighStage): number {
  const scented = plan.base.scent?.when === 'batter' && plan.pots.some((p) => p.scented && !p.ownLye);
  const oils = Math.max(0, flow.unallocated) * plan.base.totalOils;
  return flow.leftoverMass - oils * addedAfter(stage, scented ? 'scent' : 'additives');
}

function fromPots(flow: Flow): Weighing[] {
  return flow.pots.flatMap((p) =>
    p.draws.flatMap((d): Weighing[] => {
      if (d.draw.from === null || !(d.mass > 0)) return [];
      const from = flow.pots.find((x) => x.pot.id === d.draw.from)!;
      return [
        {
          pot: p.pot,
          from: from.pot,
          mass: d.mass,
          volume: d.volume,
          remains: null,
          stage: from.contents[flow.ledger.at('scent')]! > 0.005 ? 'coloured-scented' : 'coloured',
          drawId: d.draw.id,
        },
      ];
    }),
  );
}
