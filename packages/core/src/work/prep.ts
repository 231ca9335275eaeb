import { type Carrier, isWeighedCarrier, type CarrierMedium, type Material } from '../material/material.ts';
import { type Measured, measure, type Measuring } from '../units/measure.ts';
import { type Grams, grams } from '../units/quantity.ts';
import { flowOf } from '../balance/balance.ts';
import {
  carrierMass,
  dispersionHint,
  dispersions,
  type Dispersion,
  type DispersionUse,
} from './dispersion.ts';
import { embedFacts, type EmbedFacts, lineMass } from '../balance/embedFacts.ts';
import { type PowderLine } from '../plan/embed.ts';
import { type DoseFlow, type Flow, type LyeFlow, type PotFlow, totalOf } from '../balance/flow.ts';
import { type Batter, batterOf } from '../balance/lye.ts';
import {
  type AdditiveRow,
  type DoseRow,
  type LiquidPart,
  materialOf,
  type Plan,
  type Pot,
  TAKEN,
} from '../plan/plan.ts';
import { hasLate } from '../plan/late.ts';
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
  /** To weigh of a dispersion that is made once for several pots, g; null otherwise. */
  readonly ofShared: number | null;
  readonly hint: string;
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
  /** What should be left in the vessel that it comes from, g. */
  readonly remains: number;
  /** What goes into the batter before it is taken. */
  readonly after: string;
}

export interface PrepAdditive {
  readonly row: AdditiveRow;
  readonly material: Material;
  readonly mass: Grams;
}

export interface PrepSheet {
  readonly flow: Flow;
  readonly oils: readonly { readonly material: Material; readonly percent: number; readonly mass: Grams }[];
  readonly batter: Batter;
  readonly lyes: readonly LyeFlow[];
  readonly liquidParts: readonly { readonly part: LiquidPart; readonly mass: number }[];
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
    liquidParts: base.liquid.parts.map((part) => ({
      part,
      mass: (flow.lyes.reduce((sum, l) => sum + l.liquid, 0) * part.percent) / 100,
    })),
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
    ofShared: shared && !stock ? shared.use.mass : null,
    hint: shared
      ? stock
        ? 'From the bottle: shake it until nothing sits at the bottom.'
        : 'Of the dispersion made once for all pots: stir it up first.'
      : dispersionHint(material, row.carrier?.medium ?? null),
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
    if (flow.evenedOil > 0)
      add(
        'oil',
        flow.evenedOil,
        rows.some((r) => r.fromBatch),
      );
  }
  return [...carriers.values()].map((c) => ({ ...c, mass: grams(c.mass) }));
}

function additivesOf(plan: Plan, flow: Flow): PrepAdditive[] {
  return plan.base.additives.map((row) => ({
    row,
    material: materialOf(plan, row.materialId),
    mass: grams(
      row.moment === 'top'
        ? (row.dose * plan.base.totalOils) / 1000
        : lateOils(plan, flow, row) * (row.dose / 1000),
    ),
  }));
}

/** Recipe's oils that an additive is stirred into: all, or those of the pots that are taken late enough. */
function lateOils(plan: Plan, flow: Flow, { moment }: AdditiveRow): number {
  const from = moment === 'trace' ? 2 : moment === 'water' ? 1 : 0;
  const drawn = flow.pots.reduce((sum, p) => {
    if (TAKEN.indexOf(p.pot.taken) < from) return sum;
    return (
      sum + p.draws.reduce((s, d) => s + (d.draw.from === null ? d.fraction * plan.base.totalOils : 0), 0)
    );
  }, 0);
  return drawn + Math.max(0, flow.unallocated) * plan.base.totalOils;
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

const AFTER: Readonly<Record<Pot['taken'], string>> = {
  emulsion: 'at emulsion, before anything else goes in',
  liquid: 'after the late liquid',
  additives: 'after the additives',
};

/**
 * Each draw, in the order of the work: from the bowl what is taken plain first, then after the late liquid, after the
 * additives and, where the whole batter is scented, after the scent; then what is drawn from other pots.
 */
function weighings(plan: Plan, flow: Flow): Weighing[] {
  const scented = (pot: Pot): boolean => plan.base.scent?.when === 'batter' && pot.scented;
  const rank = (p: PotFlow): number => (scented(p.pot) ? 3 : TAKEN.indexOf(p.pot.taken));
  const late = hasLate(plan);
  const mini = flow.pots.filter((p) => p.group !== null);
  const shared = flow.pots.filter((p) => p.group === null).sort((a, b) => rank(a) - rank(b));
  const fromBase = shared.flatMap((p) =>
    p.draws.filter((d) => d.draw.from === null && d.mass > 0).map((d) => ({ p, mass: d.mass })),
  );
  let bowl = fromBase.reduce((sum, d) => sum + d.mass, flow.leftoverMass);
  const list = fromBase.map(({ p, mass }): Weighing => {
    bowl -= mass;
    return {
      pot: p.pot,
      from: null,
      mass,
      remains: Math.max(0, bowl),
      after: scented(p.pot) ? 'after the scent' : late ? AFTER[p.pot.taken] : '',
    };
  });
  for (const p of mini) {
    for (const d of p.draws)
      if (d.draw.from === null && d.mass > 0)
        list.push({
          pot: p.pot,
          from: null,
          mass: d.mass,
          remains: 0,
          after: 'its own lye and oils, all of it',
        });
  }
  const remains = new Map(flow.pots.map((p) => [p.pot.id, p.mass]));
  for (const p of flow.pots) {
    for (const d of p.draws) {
      if (d.draw.from === null || !(d.mass > 0)) continue;
      const from = flow.pots.find((x) => x.pot.id === d.draw.from)!;
      const rest = remains.get(from.pot.id)! - d.mass;
      remains.set(from.pot.id, rest);
      list.push({
        pot: p.pot,
        from: from.pot,
        mass: d.mass,
        remains: Math.max(0, rest),
        after: 'once it is coloured',
      });
    }
  }
  return list;
}
