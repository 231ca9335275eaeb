import { type Carrier, type CarrierMedium, isWeighedCarrier, type Material } from '../material/material.ts';
import { type Measured, measure, type Measuring } from '../units/measure.ts';
import { type Grams, grams, massOfDose } from '../units/quantity.ts';
import { carrierMass, dispersionHint } from './dispersion.ts';
import { type Batter, batterOf } from './lye.ts';
import { type DoseRow, materialOf, type Plan, type Pot } from './plan.ts';
import { potShares } from './pots.ts';

export interface PrepRow {
  readonly row: DoseRow;
  readonly material: Material;
  /** Exact mass by the dose, before rounding. */
  readonly wanted: Grams;
  readonly measured: Measured;
  readonly carrier: Carrier | null;
  /** For the measured powder, so that the ratio on the bench is the planned one. */
  readonly carrierMass: Grams;
  readonly hint: string;
}

export interface PrepPot {
  readonly pot: Pot;
  readonly fraction: number;
  readonly oils: Grams;
  /** Weigh target: plain batter, before scent and colour, jug tared. */
  readonly batter: Grams | null;
  readonly scent: Grams;
  readonly rows: readonly PrepRow[];
}

export interface PrepTotal {
  readonly material: Material;
  /** Sum of what is measured out over the pots. */
  readonly mass: Grams;
  readonly pots: number;
}

export interface PrepSheet {
  readonly oils: readonly { readonly material: Material; readonly percent: number; readonly mass: Grams }[];
  readonly batter: Batter;
  readonly pots: readonly PrepPot[];
  readonly totals: readonly PrepTotal[];
  /** Liquids to have ready, beside the recipe's own. */
  readonly carriers: readonly { readonly medium: CarrierMedium; readonly mass: Grams }[];
  readonly scent: { readonly material: Material; readonly mass: Grams } | null;
}

/** Everything there is to weigh for a plan, rounded to what the maker can measure. */
export function prepSheet(plan: Plan, measuring: Measuring): PrepSheet {
  const { base } = plan;
  const pots = potShares(plan).map(({ pot, fraction, oils, batter }): PrepPot => {
    const rows = pot.doses.map((row): PrepRow => {
      const material = materialOf(plan, row.materialId);
      const wanted = massOfDose(row.dose, oils);
      const measured = measure(wanted, material.bulkDensity, measuring);
      return {
        row,
        material,
        wanted,
        measured,
        carrier: row.carrier,
        carrierMass: carrierMass(measured.mass, row.carrier),
        hint: dispersionHint(material, row.carrier?.medium ?? null),
      };
    });
    const scent = base.scent && pot.scented ? massOfDose(base.scent.dose, oils) : grams(0);
    return { pot, fraction, oils, batter, scent, rows };
  });

  const rows = pots.flatMap((p) => p.rows);
  const totals = new Map<string, PrepTotal>();
  const carriers = new Map<CarrierMedium, number>();
  for (const { material, measured, carrier, carrierMass: liquid } of rows) {
    const sum = totals.get(material.id);
    totals.set(material.id, {
      material,
      mass: grams((sum?.mass ?? 0) + measured.mass),
      pots: (sum?.pots ?? 0) + 1,
    });
    if (carrier && isWeighedCarrier(carrier.medium)) {
      carriers.set(carrier.medium, (carriers.get(carrier.medium) ?? 0) + liquid);
    }
  }
  return {
    oils: base.oils.map((o) => ({
      material: materialOf(plan, o.materialId),
      percent: o.percent,
      mass: grams((base.totalOils * o.percent) / 100),
    })),
    batter: batterOf(plan),
    pots,
    totals: [...totals.values()].sort((a, b) => a.material.name.localeCompare(b.material.name)),
    carriers: [...carriers].map(([medium, mass]) => ({ medium, mass: grams(mass) })),
    scent: base.scent
      ? {
          material: materialOf(plan, base.scent.materialId),
          mass: grams(pots.reduce((sum, p) => sum + p.scent, 0)),
        }
      : null,
  };
}
