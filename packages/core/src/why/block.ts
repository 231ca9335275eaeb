import { type Say } from '../units/view.ts';
import { type EmbedFacts } from '../balance/embedFacts.ts';
import { barWeights, cureLoss, fillOf, type SolveGoal, WATER_LEAVES, waterShare } from '../balance/fill.ts';
import { barsOfMould, dividedFill, mouldArea, mouldVolume } from '../balance/mould.ts';
import { type MouldRow } from '../plan/moulding.ts';
import { type Plan } from '../plan/plan.ts';
import { type Lines } from './lines.ts';

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

/** Oils worked out from a goal. */
export function solved(plan: Plan, say: Say, goal: SolveGoal, oils: number): Lines {
  const now = fillOf(plan);
  const scale = `${say.mass(plan.base.totalOils)} of oils make ${say.mass(now.batter)} of batter now, with all that goes into it`;
  switch (goal.from) {
    case 'lye':
      return [
        `${say.mass(goal.mass)} of sodium hydroxide is what these oils take at this superfat:`,
        `= ${say.mass(oils)} of oils`,
      ];
    case 'mould':
      return [
        scale,
        `wanted: ${say.volume(now.wanted)} less ${say.volume(now.embeds)} of embeds, at ${say.number(now.density, 3)} g/ml`,
        `and ${say.mass(now.top)} for the top, ${say.mass(now.losses)} in the jugs, ${say.mass(now.spare)} for a spare mould`,
        `= ${say.mass(oils)} of oils`,
      ];
    case 'bars':
      return [
        scale,
        goal.at === 'cut'
          ? `wanted: ${goal.count} × ${say.mass(goal.weight)} at the cut`
          : `wanted: ${goal.count} × ${say.mass(goal.weight)} cured, ${say.percent(cureLoss(plan) * 100)} of the weight dries off`,
        'and what end slices and cuts, the top and the jugs take',
        `= ${say.mass(oils)} of oils`,
      ];
  }
}
