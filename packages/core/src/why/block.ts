import { type Printer } from '../units/printer.ts';
import { type EmbedFacts, SOAP_DENSITY } from '../balance/embedFacts.ts';
import { barWeights, cureLoss, fillOf, type SolveGoal, WATER_LEAVES, waterShare } from '../balance/fill.ts';
import { barsOfMould, dividedFill, mouldArea, mouldVolume } from '../balance/mould.ts';
import { type MouldRow } from '../plan/moulding.ts';
import { materialOf, type Plan } from '../plan/plan.ts';
import { type Lines } from './lines.ts';

/** How full the mould gets. */
export function fill(plan: Plan, print: Printer): Lines {
  const f = fillOf(plan);
  return [
    `batter ${print.mass(f.batter)}`,
    `− ${print.mass(f.losses)} in the jugs`,
    ...(f.top > 0 ? [`− ${print.mass(f.top)} for the top`] : []),
    ...(f.spare > 0 ? [`− ${print.mass(f.spare)} into a spare mould`] : []),
    `/ ${print.number(f.density, 3)} g/ml = ${print.volume(f.have - f.embeds)}`,
    ...(f.embeds > 0 ? [`+ ${print.volume(f.embeds)} of embeds`] : []),
    `= ${print.volume(f.have)} for ${print.volume(f.wanted)} of mould`,
  ];
}

/** What a mould holds. */
export function mould(print: Printer, { mould: m, count }: MouldRow): Lines {
  const L = (mm: number): string => print.length(mm);
  const one = {
    box: `${L(m.length)} × ${L(m.width)} × ${L(m.height)}`,
    slab: `${L(m.length)} × ${L(m.width)} × ${L(m.height)}`,
    cylinder: `π × (${L(m.diameter)} / 2)² × ${L(m.length)}`,
    cavities: `${print.number(m.cavities, 0)} × ${print.volume(m.cavityVolume)}`,
  }[m.shape];
  return [
    `${one} = ${print.volume(mouldVolume(m))}`,
    ...(count > 1 ? [`× ${count} = ${print.volume(count * mouldVolume(m))}`] : []),
    ...(m.sections.length > 0
      ? [
          `with the dividers in, fill to ${L(dividedFill(m))}: they take ${L(m.length - m.sections.reduce((a, b) => a + b, 0))} of its length, and it sinks to ${L(m.height)} when they are pulled`,
        ]
      : []),
  ];
}

/** How many bars there are, and what one weighs. */
export function bars(plan: Plan, print: Printer): Lines {
  const { moulding } = plan;
  const cut = moulding.bars;
  const w = barWeights(plan);
  return [
    ...moulding.moulds.map(({ mould: m, count }) => {
      const b = barsOfMould(m, cut);
      const times = count > 1 ? ` × ${count} moulds` : '';
      return m.shape === 'cavities'
        ? `${m.name}: ${b.count} cavities${times}`
        : `${m.name}: (${print.length(m.length)} − 2 × ${print.length(cut.end)} of ends) in slices of ${print.length(b.thickness)} and ${print.length(cut.kerf)} of kerf${m.shape === 'slab' ? `, ${cut.columns} across` : ''} = ${b.count} bars${times}`;
    }),
    `soap in the moulds ${print.mass(fillOf(plan).massInMoulds)}, on top ${print.mass(fillOf(plan).massOnTop)}, offcuts ${print.mass(w.offcuts)}`,
    `= ${w.count} bars of ${print.mass(w.atCut)} at the cut`,
    `water is ${print.percent(waterShare(plan) * 100)} of the batter; about ${print.percent(WATER_LEAVES * 100, 0)} of it leaves in six weeks: ${print.percent(cureLoss(plan) * 100)}`,
    `= ${print.mass(w.cured)} a bar after cure`,
  ];
}

/** What the embeds of one kind take of soap and of room. */
export const embed = (print: Printer, f: EmbedFacts): Lines => [
  `${f.count} × ${print.length(f.length)} long, ${print.length(f.embed.width)} × ${print.length(f.embed.shape === 'round-rod' || f.embed.shape === 'ball' ? f.embed.width : f.embed.height)}`,
  `= ${print.volume(f.volume)}, ${print.mass(f.mass)} at ${print.number(SOAP_DENSITY, 2)} g/ml`,
  f.room > 0
    ? `${print.volume(f.room)} less batter is needed`
    : 'on the top, so they take no room in the mould',
];

/** What a powder line takes. */
export const line = (plan: Plan, print: Printer, perDm2: number, count: number, mass: number): Lines => [
  `${print.number(perDm2, 2)} g per dm² × ${print.number(
    plan.moulding.moulds.reduce((s, m) => s + m.count * mouldArea(m.mould), 0),
    2,
  )} dm² × ${count} = ${print.number(mass, 2)} g`,
];

/** Oils worked out from a goal. */
export function solved(plan: Plan, print: Printer, goal: SolveGoal, oils: number): Lines {
  const now = fillOf(plan);
  const scale = `${print.mass(plan.base.totalOils)} of oils make ${print.mass(now.batter)} of batter now, with all that goes into it`;
  switch (goal.from) {
    case 'material':
      return [
        `${print.mass(goal.mass)} of ${materialOf(plan, goal.materialId).name} at hand; every amount goes with the oils`,
        `= ${print.mass(oils)} of oils`,
      ];
    case 'lye':
      return [
        `${print.mass(goal.mass)} of sodium hydroxide is what these oils take at this superfat:`,
        `= ${print.mass(oils)} of oils`,
      ];
    case 'mould':
      return [
        scale,
        `wanted: ${print.volume(now.wanted)} less ${print.volume(now.embeds)} of embeds, at ${print.number(now.density, 3)} g/ml`,
        `and ${print.mass(now.top)} for the top, ${print.mass(now.losses)} in the jugs, ${print.mass(now.spare)} for a spare mould`,
        `= ${print.mass(oils)} of oils`,
      ];
    case 'bars':
      return [
        scale,
        goal.at === 'cut'
          ? `wanted: ${goal.count} × ${print.mass(goal.weight)} at the cut`
          : `wanted: ${goal.count} × ${print.mass(goal.weight)} cured, ${print.percent(cureLoss(plan) * 100)} of the weight dries off`,
        'and what end slices and cuts, the top and the jugs take',
        `= ${print.mass(oils)} of oils`,
      ];
  }
}
