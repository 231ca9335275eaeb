import { type Say } from '../units/view.ts';
import { flowOf } from './balance.ts';
import { carrierOilBalance } from './dispersion.ts';
import { type EmbedFacts } from './embedFacts.ts';
import { barWeights, cureLoss, fillOf, waterShare, WATER_LEAVES } from './fill.ts';
import { type LyeFlow, type PotFlow } from './flow.ts';
import { lyeRate, sapNaoh, superfatRange } from './lye.ts';
import { barsOfMould, dividedFill, mouldArea, type MouldRow, mouldVolume } from './mould.ts';
import { type PotPace } from './pace.ts';
import { type AdditiveRow, type Draw, materialOf, type Plan } from './plan.ts';
import { type PrepRow } from './prep.ts';
import { productPerOil } from './product.ts';
import { scentBlend, stabiliserFor } from './scent.ts';

/*
 * The arithmetic behind each figure, in plain words, one step a line. The figures are taken from where they are
 * worked out; only the words are made here.
 */

type Lines = string[];

/** Sodium hydroxide, and potassium hydroxide where some is used. */
export function lye(plan: Plan, say: Say, of: LyeFlow): Lines {
  const { base } = plan;
  const scale = of.oils / 1000;
  const oils = base.oils.map((o) => {
    const m = materialOf(plan, o.materialId);
    const sap = sapNaoh(m.oil?.sapKoh ?? 0);
    return { name: m.name, mass: (of.oils * o.percent) / 100, sap };
  });
  const full = oils.reduce((sum, o) => sum + o.mass * o.sap, 0);
  const rate = lyeRate(plan);
  const less = full * (1 - base.superfat / 100);
  const lines = [
    ...oils.map(
      (o) => `${o.name}: ${say.mass(o.mass)} × ${say.number(o.sap, 4)} = ${say.mass(o.mass * o.sap)} NaOH`,
    ),
    `all of it saponified: ${say.mass(full)}`,
    `less ${say.percent(base.superfat)} superfat: × ${say.number(1 - base.superfat / 100, 3)} = ${say.mass(less)}`,
  ];
  if (base.lye.kohShare > 0) {
    lines.push(
      `${say.percent(100 - base.lye.kohShare)} of the moles by sodium hydroxide: ${say.mass(less * (1 - base.lye.kohShare / 100))}`,
    );
  }
  if (rate.acids > 0) lines.push(`and ${say.mass(rate.acids * scale)} that acids take up`);
  if (base.lye.naohPurity < 100) lines.push(`divided by its purity, ${say.percent(base.lye.naohPurity)}`);
  lines.push(`= ${say.mass(of.naoh)} sodium hydroxide`);
  if (of.koh > 0) {
    lines.push(
      `${say.percent(base.lye.kohShare)} of the moles × 56.105 / 39.997, divided by its purity, ${say.percent(base.lye.kohPurity)} = ${say.mass(of.koh)} potassium hydroxide`,
    );
  }
  const [low, high] = superfatRange(plan);
  lines.push(
    `Sources differ on the values: the true superfat lies between ${say.percent(low)} and ${say.percent(high)}.`,
  );
  return lines;
}

export function liquid({ base }: Plan, say: Say, of: LyeFlow): Lines {
  const lye_ = of.naoh + of.koh;
  const { by, value } = base.liquid;
  const how = {
    concentration: `lye ${say.mass(lye_)} × (100 / ${say.number(value, 2)} − 1)`,
    ratio: `lye ${say.mass(lye_)} × ${say.number(value, 2)}`,
    percent: `oils ${say.mass(of.oils)} × ${say.percent(value, 2)}`,
  }[by];
  return [`${how} = ${say.mass(of.liquid)}`, ...vessel(say, of)];
}

function vessel(say: Say, of: LyeFlow): Lines {
  const lines: Lines = [];
  if (of.heldForDispersions > 0) lines.push(`− ${say.mass(of.heldForDispersions)} for dispersions in water`);
  if (of.heldForLater > 0) lines.push(`− ${say.mass(of.heldForLater)} to stir in later`);
  if (lines.length > 0)
    lines.push(
      `= ${say.mass(of.vessel)} in the lye vessel, ${say.number(of.vessel / Math.max(1e-9, of.naoh + of.koh), 2)} times the lye`,
    );
  return lines;
}

/** Everything that is mixed, over all pots. */
export function batter(plan: Plan, say: Say): Lines {
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
    ...rows.filter(([, g]) => g > 0.005).map(([name, g]) => `${name} ${say.mass(g)}`),
    ...(other > 0.05 ? [`powders and additives ${say.mass(other)}`] : []),
    `= ${say.mass(flow.mass)}`,
    `${say.volume(flow.volume)} at ${say.number(flow.density, 3)} g/ml${plan.moulding.density === null ? ', worked out from the densities of its parts' : ', as you measured it'}`,
  ];
}

function drawWords(plan: Plan, say: Say, d: Draw): string {
  const from =
    d.from === null ? 'the base batter' : (plan.pots.find((p) => p.id === d.from)?.name ?? 'a pot');
  switch (d.by) {
    case 'parts': {
      const parts = plan.pots
        .flatMap((p) => p.draws)
        .reduce(
          (s, x) => (x.from === d.from ? s + (x.by === 'parts' ? x.value : x.by === 'rest' ? 1 : 0) : s),
          0,
        );
      return `${say.number(d.value, 2)} of ${say.number(parts, 2)} parts of what fixed amounts leave of ${from}`;
    }
    case 'percent':
      return `${say.percent(d.value, 2)} of ${from}`;
    case 'grams':
      return `${say.mass(d.value)} of ${from}`;
    case 'millilitres':
      return `${say.volume(d.value)} of ${from} by the marks of the jug`;
    case 'layer':
      return `a layer ${say.length(d.value)} high, and what the jug keeps`;
    case 'slant':
      return `a slanted layer from ${say.length(d.value)} to ${say.length(d.second)} high, and what the jug keeps`;
    case 'section':
      return `section ${say.number(d.value, 0)} of the divided mould, and what the jug keeps`;
    case 'rest':
      return `the rest of ${from}`;
  }
}

/** What is weighed into a pot. */
export const weighed = (plan: Plan, say: Say, p: PotFlow): Lines => [
  ...p.draws.map((d) => {
    const part =
      d.draw.from === null
        ? `${say.percent(d.fraction * 100, 2)} of the recipe`
        : `${say.percent(d.fraction * 100, 2)} of that pot`;
    return `${drawWords(plan, say, d.draw)}: ${part} = ${say.mass(d.mass)}`;
  }),
  `= ${say.mass(p.draws.reduce((s, d) => s + d.mass, 0))}, jug tared`,
  `its share of the recipe’s oils, which its doses refer to: ${say.mass(p.oils)}`,
];

/** A pot from the scale to the mould. */
export const left = (say: Say, p: PotFlow): Lines => [
  `everything in it: ${say.mass(p.mass)}`,
  ...(p.drawnOff > 0 ? [`− ${say.mass(p.drawnOff * p.mass)} that other pots draw`] : []),
  `− ${say.mass(p.loss)} that sticks to the jug`,
  ...(p.toTop > 0 ? [`− ${say.mass(p.toTop)} for the top`] : []),
  `= ${say.mass(Math.max(0, p.left - p.toTop))}`,
];

export function superfat(plan: Plan, say: Say, p: PotFlow): Lines {
  const flow = flowOf(plan);
  const of = flow.lyes.find((l) => l.potId === p.group);
  const { extra } = carrierOilBalance(plan);
  const own = plan.base.oils.reduce((s, _, i) => s + p.contents[i]!, 0);
  const carriers = p.contents[flow.ledger.at('carrier-oil')]!;
  return [
    'Superfat = 1 − (its lye) / (lye that its own oils and carriers could take)',
    `oils in it ${say.mass(own)}${carriers > 0 ? `, and ${say.mass(carriers)} of extra carrier oil` : ''}`,
    ...(of && of.heldOil > 0
      ? [
          `${say.mass(of.heldOil)} of oil is held back from the batch: pots without carrier are leaner by that`,
        ]
      : extra > 0
        ? ['carriers are extra oil: they only raise it']
        : []),
    `= ${p.superfat === null ? 'unknown' : say.percent(p.superfat * 100, 2)}, planned ${say.percent(plan.base.superfat)}`,
  ];
}

export function dose(say: Say, p: PotFlow, r: PrepRow): Lines {
  return [
    `${say.number(r.row.dose, 3)} g per kg oils × ${say.number(p.oils, 1)} g of oils in this pot / 1000 = ${say.number(r.wanted, 3)} g`,
    ...(r.drops !== null
      ? [`out of the bottle: ${say.number(r.drops, 0)} drops`]
      : [`to what you can measure: ${say.number(r.measured.mass, 3)} g`]),
    ...(r.carrier && r.carrierMass > 0
      ? [
          `in ${say.number(r.carrier.ratio, 1)} times its weight: ${say.number(r.carrierMass, 1)} g, ${r.fromBatch ? 'out of the recipe' : 'beside the recipe'}`,
        ]
      : []),
  ];
}

export function scent(plan: Plan, say: Say): Lines {
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
        `${p.pot.name}: ${say.mass(p.oils)} oils, ${say.number((p.contents[at]! * 1000) / p.oils, 1)} g/kg = ${say.mass(p.contents[at]!)}`,
    ),
    ...(flow.leftover[at]! > 0.005 ? [`unsplit batter: ${say.mass(flow.leftover[at]!)}`] : []),
    ...blend.parts.map((p) => {
      const f = p.material.scent!;
      return f.limitBasis === 'product'
        ? `${p.material.name}: limit ${say.number(f.limit, 1)} g per kg of finished soap × ${say.number(product, 3)} kg of soap from a kg of oils = ${say.number(f.limit * product, 1)} g/kg oils`
        : `${p.material.name}: limit ${say.number(f.limit, 1)} g/kg oils`;
    }),
    ...(blend.parts.length > 1
      ? [`a blend may be used up to the least of limit / share: ${say.number(blend.limit, 1)} g/kg oils`]
      : []),
  ];
}

export function stabiliser(plan: Plan, say: Say): Lines {
  const choice = plan.base.scent;
  if (!choice) return [];
  const { vanillin } = scentBlend(plan, choice, 1);
  return [
    `vanillin in the blend ${say.percent(vanillin * 100, 2)}: ${say.number(stabiliserFor(vanillin), 1)} g per g of scent is usual`,
    `chosen ${say.number(choice.stabiliser, 2)} g per g; the supplier’s sheet wins`,
  ];
}

export const additive = (plan: Plan, say: Say, row: AdditiveRow, mass: number, bars: number): Lines => [
  `${say.number(row.dose, 2)} g per kg oils = ${say.mass(mass)} in the batch`,
  ...(bars > 0 ? [`over ${bars} bars: ${say.number(mass / bars, 2)} g each`] : []),
  ...(materialOf(plan, row.materialId).lyeDemand > 0
    ? [
        `each gram takes ${say.number(materialOf(plan, row.materialId).lyeDemand, 3)} g of sodium hydroxide: ${say.mass(mass * materialOf(plan, row.materialId).lyeDemand)} more lye`,
      ]
    : []),
];

export function fill(plan: Plan, say: Say): Lines {
  const f = fillOf(plan);
  return [
    `batter ${say.mass(f.batter)}`,
    `− ${say.mass(f.losses)} in the jugs`,
    ...(f.top > 0 ? [`− ${say.mass(f.top)} for the top`] : []),
    ...(f.spare > 0 ? [`− ${say.mass(f.spare)} into a spare mould`] : []),
    `/ ${say.number(f.density, 3)} g/ml = ${say.volume(f.have - f.embeds)}`,
    ...(f.embeds > 0 ? [`+ ${say.volume(f.embeds)} of embeds`] : []),
    `= ${say.volume(f.have)} for ${say.volume(f.wanted)} of mould`,
  ];
}

export function mould(say: Say, { mould: m, count }: MouldRow): Lines {
  const L = (mm: number): string => say.length(mm);
  const one = {
    box: `${L(m.length)} × ${L(m.width)} × ${L(m.height)}`,
    slab: `${L(m.length)} × ${L(m.width)} × ${L(m.height)}`,
    cylinder: `π × (${L(m.diameter)} / 2)² × ${L(m.length)}`,
    cavities: `${say.number(m.cavities, 0)} × ${say.volume(m.cavityVolume)}`,
  }[m.shape];
  return [
    `${one} = ${say.volume(mouldVolume(m))}`,
    ...(count > 1 ? [`× ${count} = ${say.volume(count * mouldVolume(m))}`] : []),
    ...(m.sections.length > 0
      ? [
          `with the dividers in, fill to ${L(dividedFill(m))}: they take ${L(m.length - m.sections.reduce((a, b) => a + b, 0))} of its length, and it sinks to ${L(m.height)} when they are pulled`,
        ]
      : []),
  ];
}

export function bars(plan: Plan, say: Say): Lines {
  const { moulding } = plan;
  const cut = moulding.bars;
  const w = barWeights(plan);
  return [
    ...moulding.moulds.map(({ mould: m, count }) => {
      const b = barsOfMould(m, cut);
      const times = count > 1 ? ` × ${count} moulds` : '';
      return m.shape === 'cavities'
        ? `${m.name}: ${b.count} cavities${times}`
        : `${m.name}: (${say.length(m.length)} − 2 × ${say.length(cut.end)} of ends) in slices of ${say.length(b.thickness)} and ${say.length(cut.kerf)} of kerf${m.shape === 'slab' ? `, ${cut.columns} across` : ''} = ${b.count} bars${times}`;
    }),
    `soap in the moulds ${say.mass(fillOf(plan).massInMoulds)}, offcuts ${say.mass(w.offcuts)}`,
    `= ${w.count} bars of ${say.mass(w.atCut)} at the cut`,
    `water is ${say.percent(waterShare(plan) * 100)} of the batter; about ${say.percent(WATER_LEAVES * 100, 0)} of it leaves in six weeks: ${say.percent(cureLoss(plan) * 100)}`,
    `= ${say.mass(w.cured)} a bar after cure`,
  ];
}

export const embed = (say: Say, f: EmbedFacts): Lines => [
  `${f.count} × ${say.length(f.length)} long, ${say.length(f.embed.width)} × ${say.length(f.embed.shape === 'round-rod' || f.embed.shape === 'ball' ? f.embed.width : f.embed.height)}`,
  `= ${say.volume(f.volume)}, ${say.mass(f.mass)} at 1.04 g/ml`,
  f.room > 0
    ? `${say.volume(f.room)} less batter is needed`
    : 'on the top, so they take no room in the mould',
];

export const line = (plan: Plan, say: Say, perDm2: number, count: number, mass: number): Lines => [
  `${say.number(perDm2, 2)} g per dm² × ${say.number(
    plan.moulding.moulds.reduce((s, m) => s + m.count * mouldArea(m.mould), 0),
    2,
  )} dm² × ${count} = ${say.number(mass, 2)} g`,
];

export const pace = (say: Say, p: PotPace): Lines => [
  'From emulsion, in a balanced blend at 32 °C and 33 % lye: light 12, medium 22, thick 35, stiff 55 min',
  ...p.factors.map((f) => `${f.what}: × ${say.number(f.factor, 2)}`),
  `= × ${say.number(p.factor, 2)}: light ${say.number(p.light, 0)}, medium ${say.number(p.medium, 0)}, thick ${say.number(p.thick, 0)}, stiff ${say.number(p.stiff, 0)} min`,
  'Starting values: your own times may be a third shorter or longer.',
];
