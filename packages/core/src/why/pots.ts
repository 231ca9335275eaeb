import { type Printer } from '../units/printer.ts';
import { type Stage } from '../pigment/stage.ts';
import { flowOf } from '../balance/balance.ts';
import { bareComposition, inheritedDoses, potComposition } from '../balance/potComposition.ts';
import { carrierOilBalance, type Dispersion } from '../work/dispersion.ts';
import { type PotFlow } from '../balance/flow.ts';
import { CARRY_OVER, STREAK, streakMass, WASH_FROM } from '../work/order.ts';
import { type PotPace } from '../work/pace.ts';
import { type Draw, materialOf, type Plan, type Pot } from '../plan/plan.ts';
import { type PrepRow } from '../work/prep.ts';
import { type Lines } from './lines.ts';

function drawWords(plan: Plan, print: Printer, d: Draw): string {
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
      return `${print.number(d.value, 2)} of ${print.number(parts, 2)} parts of what fixed amounts leave of ${from}`;
    }
    case 'percent':
      return `${print.percent(d.value, 2)} of ${from}`;
    case 'grams':
      return `${print.mass(d.value)} of ${from}`;
    case 'millilitres':
      return `${print.volume(d.value)} of ${from} by the marks of the jug`;
    case 'layer':
      return `a layer ${print.length(d.value)} high, and what the jug keeps`;
    case 'slant':
      return `a slanted layer from ${print.length(d.value)} to ${print.length(d.second)} high, and what the jug keeps`;
    case 'section':
      return `section ${print.number(d.value, 0)} of the divided mould, and what the jug keeps`;
    case 'rest':
      return `the rest of ${from}`;
  }
}

/** What is weighed into a pot. */
export const weighed = (plan: Plan, print: Printer, p: PotFlow): Lines => [
  ...p.draws.map((d) => {
    const part =
      d.draw.from === null
        ? `${print.percent(d.fraction * 100, 2)} of the recipe`
        : `${print.percent(d.fraction * 100, 2)} of that pot`;
    return `${drawWords(plan, print, d.draw)}: ${part} = ${print.mass(d.mass)}`;
  }),
  `= ${print.mass(p.draws.reduce((s, d) => s + d.mass, 0))}, jug tared`,
  `its share of the recipe’s oils, which its doses refer to: ${print.mass(p.oils)}`,
];

/** A pot from the scale to the mould. */
export const left = (print: Printer, p: PotFlow): Lines => [
  `everything in it: ${print.mass(p.mass)}`,
  ...(p.drawnOff > 0 ? [`− ${print.mass(p.drawnOff * p.mass)} that other pots draw`] : []),
  `− ${print.mass(p.loss)} that sticks to the jug`,
  ...(p.toTop > 0 ? [`− ${print.mass(p.toTop)} for the top`] : []),
  `= ${print.mass(Math.max(0, p.left - p.toTop))}`,
];

/** How a pot comes to its own superfat. */
export function superfat(plan: Plan, print: Printer, p: PotFlow): Lines {
  const flow = flowOf(plan);
  const of = flow.lyes.find((l) => l.potId === p.group);
  const { extra } = carrierOilBalance(plan);
  const own = flow.ledger.oils.reduce((s, _, i) => s + p.contents[i]!, 0);
  const carriers = p.contents[flow.ledger.at('carrier-oil')]!;
  const alkali = p.contents[flow.ledger.at('naoh')]! + p.contents[flow.ledger.at('koh')]!;
  return [
    'Superfat = 1 − (its lye) / (lye that its own oils and carriers could take)',
    `oils in it ${print.mass(own)}${carriers > 0 ? `, and ${print.mass(carriers)} of extra carrier oil` : ''}`,
    ...(of && of.heldOil > 0
      ? [
          `${print.mass(of.heldOil)} of oil is held back from the batch: the superfat of pots without carrier is lower by that`,
        ]
      : extra > 0
        ? ['carriers are extra oil: they only raise it']
        : []),
    ...(p.superfat !== null && p.superfat < 1
      ? [
          `lye in it ${print.mass(alkali)}; oils and carriers could take ${print.mass(alkali / (1 - p.superfat))}`,
        ]
      : []),
    `= ${p.superfat === null ? 'unknown' : print.percent(p.superfat * 100, 2)}, planned ${print.percent(plan.base.superfat)}`,
  ];
}

/** How what is weighed follows from the dose. */
export function dose(print: Printer, p: PotFlow, r: PrepRow): Lines {
  return [
    `${print.number(r.row.dose, 3)} g per kg oils × ${print.number(p.oils, 1)} g of oils in this pot / 1000 = ${print.number(r.wanted, 3)} g`,
    ...(r.drops !== null
      ? [`out of the bottle: ${print.number(r.drops, 0)} drops`]
      : [`to what you can measure: ${print.number(r.measured.mass, 3)} g`]),
    ...(r.carrier && r.carrierMass > 0
      ? [
          `in ${print.number(r.carrier.ratio, 1)} times its weight: ${print.number(r.carrierMass, 1)} g, ${r.fromBatch ? 'out of the recipe' : 'beside the recipe'}`,
        ]
      : []),
  ];
}

/** How the minutes of a pot follow from what is in it. */
export const pace = (print: Printer, p: PotPace): Lines => [
  'From emulsion, in a balanced blend at 32 °C and 33 % lye: light 12, medium 22, thick 35, stiff 55 min',
  ...p.factors.map((f) => `${f.what}: × ${print.number(f.factor, 2)}`),
  `= × ${print.number(p.factor, 2)}: light ${print.number(p.light, 0)}, medium ${print.number(p.medium, 0)}, thick ${print.number(p.thick, 0)}, stiff ${print.number(p.stiff, 0)} min`,
  'Starting values: your own times may be a third shorter or longer.',
];

/** What is made up of a powder, and for whom. */
export const dispersion = (print: Printer, d: Dispersion): Lines => [
  ...d.uses.map((u) => `${u.pot.name}: ${print.number(u.wanted, 3)} g wanted by its dose`),
  ...(d.stock
    ? [
        `a drop of ${print.number(d.stock.gramsPerDrop, 3)} g with ${print.percent(d.stock.powderPercent)} powder holds ${print.number((d.stock.gramsPerDrop * d.stock.powderPercent) / 100, 4)} g`,
        ...d.uses.map(
          (u) =>
            `${u.pot.name}: ${print.number(u.drops ?? 0, 0)} whole drops = ${print.number(u.powder, 3)} g`,
        ),
      ]
    : [
        `to what you can measure: ${print.number(d.measured.mass, 3)} g`,
        `× ${print.number(d.carrier.ratio, 1)} = ${print.number(d.liquid, 1)} g of liquid`,
      ]),
];

/** What an unwashed blender does to the next pot. */
export const carryOver = (print: Printer, from: string, to: PotFlow, harm: number): Lines => [
  `${print.number(CARRY_OVER, 0)} g of ${from} streak a tenth of ${to.pot.name}, at least ${STREAK.least} g: ${print.mass(streakMass(to.mass))}`,
  `the streak is off by ΔE00 ${print.number(harm, 2)}, counted double in white and in the palest pot; from ${WASH_FROM} on a wash is worth it`,
];

/** What a predicted colour is made of; of the bare base without a pot. */
export function colour(plan: Plan, print: Printer, pot: Pot | null, stage: Stage): Lines {
  const { canvas, age } = pot ? potComposition(plan, pot) : bareComposition(plan);
  const inherited = pot ? inheritedDoses(plan, pot) : [];
  const number = (v: number, digits: number): string => print.number(v, digits);
  return [
    `the oils’ own tint: carotenoids ${number(canvas.carotenoid, 1)}, chlorophyll ${number(canvas.chlorophyll, 1)}, brown ${number(canvas.brown, 1)} on scales to 10${canvas.milk > 0 ? `, milk ${print.percent(canvas.milk * 100, 0)} of the liquid` : ''}`,
    ...(canvas.scent
      ? [
          `scent: ${number(canvas.scent.vanillin, 2)} g vanillin per kg oils, and as much browning of other kinds as ${number(canvas.scent.tan, 2)} g`,
        ]
      : []),
    ...inherited.map((h) => `${h.material.name}, there already: ${number(h.dose, 2)} g/kg oils`),
    ...(pot?.doses ?? []).map(
      (d) => `${materialOf(plan, d.materialId).name}: ${number(d.dose, 2)} g/kg oils`,
    ),
    `${number(stage.hours + age, 0)} hours after its pour, gel ${print.percent(stage.gel * 100, 0)}`,
    'Absorption and scattering of all of these are added up in 36 bands of light, the reflection of the surface comes on top, and the whole is read as CIELAB under D65.',
  ];
}
