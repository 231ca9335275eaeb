import { type Printer } from '../units/printer.ts';
import { flowOf } from '../balance/balance.ts';
import { barWeights } from '../balance/fill.ts';
import { massPerBar } from '../balance/perBar.ts';
import { type Felt, FELT_ACIDS, oilsBring } from '../balance/blend.ts';
import { type LyeFlow } from '../balance/flow.ts';
import { concentrationOf, lyeRate, superfatRange } from '../balance/lye.ts';
import { MOLAR_MASS, sapNaoh } from '../material/sap.ts';
import { DENSITY } from '../balance/density.ts';
import { type AdditiveRow, materialOf, oilsOf, type Plan } from '../plan/plan.ts';
import { type PrepSheet } from '../work/prep.ts';
import { productPerOil } from '../balance/product.ts';
import { scentBlend } from '../balance/scent.ts';
import { stabiliserFor } from '../material/browning.ts';
import { type Lines } from './lines.ts';

/** The oils by their shares. */
export const oils = (plan: Plan, print: Printer): Lines => {
  const { oils: rows, totalOils } = plan.base;
  return [
    ...rows.map(
      (o) =>
        `${materialOf(plan, o.materialId).name}: ${print.mass(totalOils)} × ${print.percent(o.percent, 2)} = ${print.mass((totalOils * o.percent) / 100)}`,
    ),
    `together ${print.percent(
      rows.reduce((s, o) => s + o.percent, 0),
      2,
    )}`,
  ];
};

/** One group of the blend's fatty acids, oil by oil. */
export const felt = (plan: Plan, print: Printer, group: Felt): Lines => {
  const rows = oilsBring(plan);
  return [
    `${FELT_ACIDS[group].join(' and ')} acid, each oil by its share`,
    ...rows.map((o) => `${o.material.name}: ${o.part ? print.number(o.part[group], 1) : 'unknown'}`),
    `= ${print.number(
      rows.reduce((s, o) => s + (o.part?.[group] ?? 0), 0),
      1,
    )} % of the oils`,
  ];
};
/** Sodium hydroxide, and potassium hydroxide where some is used. */
export function lye(plan: Plan, print: Printer, of: LyeFlow): Lines {
  const { base } = plan;
  const scale = of.oils / 1000;
  const oils = of.rows.map(({ materialId, mass }) => {
    const m = materialOf(plan, materialId);
    return { name: m.name, mass, sap: sapNaoh(m.oil?.sapKoh ?? 0) };
  });
  const full = oils.reduce((sum, o) => sum + o.mass * o.sap, 0);
  const rate = lyeRate(plan);
  const less = full * (1 - base.superfat / 100);
  const lines = [
    ...oils.map(
      (o) =>
        `${o.name}: ${print.mass(o.mass)} × ${print.number(o.sap, 4)} = ${print.mass(o.mass * o.sap)} NaOH`,
    ),
    `all of it saponified: ${print.mass(full)}`,
    `less ${print.percent(base.superfat)} superfat: × ${print.number(1 - base.superfat / 100, 3)} = ${print.mass(less)}`,
  ];
  if (base.lye.kohShare > 0) {
    lines.push(
      `${print.percent(100 - base.lye.kohShare)} of the moles by sodium hydroxide: ${print.mass(less * (1 - base.lye.kohShare / 100))}`,
    );
  }
  if (rate.acids > 0) lines.push(`and ${print.mass(rate.acids * scale)} that acids take up`);
  if (base.lye.naohPurity < 100) lines.push(`divided by its purity, ${print.percent(base.lye.naohPurity)}`);
  lines.push(`= ${print.mass(of.naoh)} sodium hydroxide`);
  if (of.koh > 0) {
    lines.push(
      `${print.percent(base.lye.kohShare)} of the moles × ${print.number(MOLAR_MASS.koh, 3)} / ${print.number(MOLAR_MASS.naoh, 3)}, divided by its purity, ${print.percent(base.lye.kohPurity)} = ${print.mass(of.koh)} potassium hydroxide`,
    );
  }
  const [low, high] = superfatRange(plan, oilsOf(plan, of.potId));
  lines.push(
    `Sources differ on the values: the true superfat lies between ${print.percent(low)} and ${print.percent(high)}.`,
  );
  return lines;
}

/** How the liquid of a lye follows from its rule. */
export function liquid({ base }: Plan, print: Printer, of: LyeFlow): Lines {
  const lye_ = of.naoh + of.koh;
  const { by, value } = base.liquid;
  const how = {
    concentration: `lye ${print.mass(lye_)} × (100 / ${print.number(value, 2)} − 1)`,
    ratio: `lye ${print.mass(lye_)} × ${print.number(value, 2)}`,
    percent: `oils ${print.mass(of.oils)} × ${print.percent(value, 2)}`,
  }[by];
  return of.replaced > 0
    ? [
        `${how} = ${print.mass(of.liquid + of.replaced)}`,
        `− ${print.mass(of.replaced)} that wet additives bring = ${print.mass(of.liquid)}`,
        ...vessel(print, of),
      ]
    : [`${how} = ${print.mass(of.liquid)}`, ...vessel(print, of)];
}

function vessel(print: Printer, of: LyeFlow): Lines {
  const lines: Lines = [];
  if (of.heldForDispersions > 0)
    lines.push(`− ${print.mass(of.heldForDispersions)} for dispersions in water`);
  if (of.heldForLater > 0) lines.push(`− ${print.mass(of.heldForLater)} to stir in later`);
  if (lines.length > 0)
    lines.push(
      `= ${print.mass(of.vessel)} in the lye vessel, ${print.number(of.vessel / Math.max(1e-9, of.naoh + of.koh), 2)} times the lye`,
    );
  return lines;
}

/** Everything that is mixed, over all pots. */
export function batter(plan: Plan, print: Printer): Lines {
  const flow = flowOf(plan);
  const at = (what: Parameters<typeof flow.ledger.at>[0]): number =>
    flow.pots.reduce(
      (s, p) => s + p.contents[flow.ledger.at(what)]! * Math.max(0, 1 - p.drawnOff),
      flow.leftover[flow.ledger.at(what)]!,
    );
  const oils = flow.lyes.reduce((s, l) => s + l.oils, 0);
  const rows = [
    ['oils', oils],
    ['lye', flow.lyes.reduce((s, l) => s + l.naoh + l.koh, 0)],
    ['liquid', flow.lyes.reduce((s, l) => s + l.liquid, 0)],
    ['scent and stabiliser', at('scent') + at('stabiliser')],
    ['carriers beside the recipe', at('carrier-oil') + at('carrier-water') + at('glycerin')],
  ] as const;
  const other = flow.mass - rows.reduce((s, [, g]) => s + g, 0);
  return [
    ...rows.filter(([, g]) => g > 0.005).map(([name, g]) => `${name} ${print.mass(g)}`),
    ...(other > 0.05 ? [`powders and additives ${print.mass(other)}`] : []),
    `= ${print.mass(flow.mass)}`,
    `${print.volume(flow.volume)} at ${print.number(flow.density, 3)} g/ml${plan.moulding.density === null ? ', worked out from the densities of its parts' : ', as you measured it'}`,
  ];
}

/** How the scent of each pot follows from the dose. */
export function scent(plan: Plan, print: Printer): Lines {
  const choice = plan.base.scent;
  if (!choice) return [];
  const flow = flowOf(plan);
  const at = flow.ledger.at('scent');
  const product = productPerOil(plan);
  const blend = scentBlend(plan, choice, product);
  const rows = flow.pots.filter((p) => p.contents[at]! > 0.005);
  return [
    ...rows.map(
      (p) =>
        `${p.pot.name}: ${print.mass(p.oils)} oils, ${print.number((p.contents[at]! * 1000) / p.oils, 1)} g/kg = ${print.mass(p.contents[at]!)}`,
    ),
    ...(flow.leftover[at]! > 0.005 ? [`unsplit batter: ${print.mass(flow.leftover[at]!)}`] : []),
    ...blend.parts.map((p) => {
      const f = p.material.scent!;
      return f.limitBasis === 'product'
        ? `${p.material.name}: limit ${print.number(f.limit, 1)} g per kg of finished soap × ${print.number(product, 3)} kg of soap from a kg of oils = ${print.number(f.limit * product, 1)} g/kg oils`
        : `${p.material.name}: limit ${print.number(f.limit, 1)} g/kg oils`;
    }),
    ...(blend.parts.length > 1
      ? [`a blend may be used up to the least of limit / share: ${print.number(blend.limit, 1)} g/kg oils`]
      : []),
  ];
}

/** How much stabiliser the vanillin of the scent calls for. */
export function stabiliser(plan: Plan, print: Printer): Lines {
  const choice = plan.base.scent;
  if (!choice) return [];
  const { vanillin } = scentBlend(plan, choice, 1);
  return [
    `vanillin in the blend ${print.percent(vanillin * 100, 2)}: ${print.number(stabiliserFor(vanillin), 1)} g per g of scent is usual`,
    `chosen ${print.number(choice.stabiliser, 2)} g per g; the supplier’s sheet wins`,
  ];
}

/** How much of a mass in the batch one bar holds. */
export function perBar(plan: Plan, print: Printer, mass: number): Lines {
  const bars = barWeights(plan);
  const each = massPerBar(plan, mass);
  if (each === null) return [];
  return [
    `${print.mass(mass)} × a bar of ${print.mass(bars.atCut)} / all soap ${print.mass((bars.atCut * mass) / each)} = ${print.number(each, 2)} g in a bar`,
  ];
}

/** How an additive's mass follows from its dose, and what each bar gets of it. */
export const additive = (plan: Plan, print: Printer, row: AdditiveRow, mass: number): Lines => [
  `${print.number(row.dose, 2)} g per kg oils = ${print.mass(mass)} in the batch`,
  ...perBar(plan, print, mass),
  ...(materialOf(plan, row.materialId).lyeDemand > 0
    ? [
        `each gram takes ${print.number(materialOf(plan, row.materialId).lyeDemand, 3)} g of sodium hydroxide: ${print.mass(mass * materialOf(plan, row.materialId).lyeDemand)} more lye`,
      ]
    : []),
];

/** Lye in its solution. */
export const concentration = (plan: Plan, print: Printer): Lines => {
  const { naoh, koh, liquid: water } = lyeRate(plan);
  return [
    'lye / (lye + liquid), for 1,000 g of oils:',
    `${print.mass(naoh + koh)} / (${print.mass(naoh + koh)} + ${print.mass(water)}) = ${print.percent(concentrationOf(naoh + koh, water))}`,
  ];
};

/** Where the density of the batter comes from. */
export const density = (plan: Plan, print: Printer): Lines => {
  const flow = flowOf(plan);
  return plan.moulding.density === null
    ? [
        `Each part by its own density: oils ${print.number(DENSITY.oil, 3)}, lye solution by its concentration, powders without the air between the grains`,
        `${print.mass(flow.mass)} / ${print.volume(flow.volume)} = ${print.number(flow.density, 3)} g/ml`,
      ]
    : [`As you measured it: ${print.number(flow.density, 3)} g/ml`];
};

/** What the scent costs, part by part. */
export const scentCost = (print: Printer, scent_: NonNullable<PrepSheet['scent']>): Lines => [
  ...scent_.parts.map(
    (p) =>
      `${p.material.name}: ${print.number(p.mass, 1)} g × ${print.number(p.material.pricePerGram ?? 0, 3)} a gram = ${print.money(p.mass * (p.material.pricePerGram ?? 0))}`,
  ),
  `= ${print.money(scent_.cost ?? 0)}`,
];
