import { acidDemand } from '../balance/lye.ts';
import { HIGH_SUPERFAT, highSuperfat, isSaltBar } from '../balance/saltBar.ts';
import { type Flow, type LyeFlow, type PotFlow } from '../balance/flow.ts';
import { setAdditive, setBase, setCarrierSource } from '../plan/edit/index.ts';
import { liquidOfPlan, liquidPartsSum } from '../plan/liquid.ts';
import { materialOf, oilsOf, type Plan } from '../plan/plan.ts';
import { grams } from '../units/quantity.ts';
import { atConcentration } from './base.ts';
import { SUPERFAT_WARN } from './thresholds.ts';
import { type Check, type PlanFacts, type Repair } from './check.ts';

/** Parts of the liquid cannot be more than all of it. */
export function checkLiquidParts({ plan, print }: PlanFacts): Check[] {
  const sum = liquidPartsSum(plan);
  if (sum <= 100 + 1e-9) return [];
  const { parts } = plan.base.liquid;
  return [
    {
      id: 'liquid-parts',
      level: 'stop',
      place: { at: 'lye' },
      sentence: `The parts of the liquid make ${print.percent(sum)} of it.`,
      arithmetic: parts.map((p) => `${p.name} ${print.percent(p.percent)}`).join(' + '),
      remedy: 'Bring them to 100 % or less; the rest is water.',
      repairs: [
        {
          label: 'Scale them to 100 %',
          apply: (p) => {
            const all = liquidPartsSum(p);
            const { liquid } = p.base;
            const shrunk = liquid.parts.map((x) => ({
              ...x,
              percent: Math.floor((x.percent * 1e4) / all) / 100,
            }));
            return setBase(p, { liquid: { ...liquid, parts: shrunk } });
          },
        },
      ],
    },
  ];
}

/**
 * Water in the lye vessel over the lye's mass: below the first it no longer dissolves, below the second barely; below
 * the last the solution can pass 100 °C.
 */
export const LYE_LIQUID = { stop: 1, warn: 1.2, tip: 1.5 } as const;

/** What is held back for dispersions, and for later, must leave enough water to dissolve the lye in. */
export const checkLyeLiquid = (facts: PlanFacts): Check[] =>
  facts.batter.lye === null ? [] : facts.flow.lyes.flatMap((lye) => lyeLiquid(facts, lye));

function lyeLiquid({ plan, print }: PlanFacts, lye: LyeFlow): Check[] {
  const mass = lye.naoh + lye.koh;
  const ratio = mass > 0 ? lye.vesselWater / mass : Infinity;
  if (ratio >= LYE_LIQUID.tip - 1e-9) return [];
  const pot = plan.pots.find((p) => p.id === lye.potId);
  const held = lye.heldForDispersions + lye.heldForLater;
  const level = ratio < LYE_LIQUID.stop - 1e-9 ? 'stop' : ratio < LYE_LIQUID.warn - 1e-9 ? 'warn' : 'tip';
  const of = pot ? ` of ${pot.name}` : '';
  const times = `${print.number(Math.max(0, ratio), 2)} times its weight`;
  const { water } = liquidOfPlan(plan);
  return [
    {
      id: 'lye-liquid',
      level,
      place: { at: 'lye' },
      sentence: {
        stop: `Too little water is left to dissolve the lye${of}: ${times}.`,
        warn: `Barely enough water is left to dissolve the lye${of}: ${times}.`,
        tip: `The lye${of} is strong enough to pass 100 °C: water is ${times}.`,
      }[level],
      arithmetic: `${print.mass(lye.liquid)} − ${print.mass(lye.heldForDispersions)} for dispersions − ${print.mass(lye.heldForLater)} for later = ${print.mass(lye.vessel)}${water < 1 ? `, of which ${print.percent(water * 100, 0)} is water: ${print.mass(lye.vesselWater)}` : ''}, against ${print.mass(mass)} of lye`,
      remedy:
        level === 'tip'
          ? 'Iced liquid, small portions, a stainless vessel standing in cold water.'
          : held > 0
            ? `Keep water of at least ${print.number(LYE_LIQUID.warn, 1)} times the lye’s weight: hold less back, or use more liquid.`
            : water < 1
              ? 'Use more liquid, or more water in it: milk, purée and brine are not all water.'
              : 'Use more liquid.',
      repairs: level === 'tip' ? [] : liquidRepairs(plan, lye, water),
    },
  ];
}

function liquidRepairs(plan: Plan, lye: LyeFlow, water: number): Repair[] {
  const repairs: Repair[] = [];
  if (lye.heldForDispersions > 0)
    repairs.push({ label: 'Water for dispersions beside the recipe', apply: waterBeside });
  if (lye.heldForLater > 0)
    repairs.push({
      label: 'Hold nothing back for later',
      apply: (p) => setBase(p, { liquid: { ...p.base.liquid, heldBack: grams(0) } }),
    });
  if (lye.heldForDispersions + lye.heldForLater > 0) return repairs;
  repairs.push({ label: 'Set 33 %', apply: atConcentration(33) });
  if (water < 1)
    repairs.push({
      label: 'Half of the milk or other, the rest water',
      apply: (p) => {
        const { liquid } = p.base;
        const half = liquid.parts.map((x) => ({ ...x, percent: x.percent / 2 }));
        return setBase(p, { liquid: { ...liquid, parts: half } });
      },
    });
  return repairs.filter((r) => r.apply(plan) !== plan);
}

const waterBeside = (plan: Plan): Plan => ({
  ...plan,
  pots: plan.pots.map((p) => ({
    ...p,
    doses: p.doses.map((d) => (d.carrier?.medium === 'water' ? { ...d, source: 'extra' as const } : d)),
  })),
});

/** Superfat of a single pot, %: too lean, too rich, and too rich for a salt bar. */
export const POT_SUPERFAT = { stop: 0, low: 3, high: 15, saltBar: HIGH_SUPERFAT.saltBar } as const;

const highOf = (plan: Plan, group: string | null): number =>
  isSaltBar(plan, oilsOf(plan, group)) ? POT_SUPERFAT.saltBar : POT_SUPERFAT.high;

/** Batter that stays in the bowl, or is the whole batch, seen as a pot. */
interface Portion {
  readonly name: string;
  readonly place: Check['place'];
  readonly superfat: number;
  readonly group: string | null;
  /** Scrapings that the jugs would have kept anyway: told, not a stop. */
  readonly scrapings: boolean;
  readonly pot: PotFlow | null;
}

function portions({ plan, flow }: PlanFacts): Portion[] {
  const { leftoverMass, leftoverSuperfat } = flow;
  const losses = flow.pots.reduce((sum, p) => sum + p.loss, 0);
  const list = flow.pots.flatMap((p): Portion[] =>
    p.superfat === null
      ? []
      : [
          {
            name: p.pot.name,
            place: { at: 'pot', potId: p.pot.id },
            superfat: p.superfat * 100,
            group: p.group,
            scrapings: false,
            pot: p,
          },
        ],
  );
  if (leftoverSuperfat !== null && leftoverMass > 0.5)
    list.push({
      name: plan.pots.length === 0 ? 'The batch' : 'What stays in the bowl',
      place: { at: 'pots' },
      superfat: leftoverSuperfat * 100,
      group: null,
      scrapings: plan.pots.length > 0 && leftoverMass <= losses,
      pot: null,
    });
  return list;
}

/**
 * Superfat of each pot, of what stays in the bowl and of a batch without pots: below 0 % stops, below 3 % or above 15 %
 * warns (22 % where lauric and myristic make over 55 %). As far off as the recipe itself is told with the recipe.
 */
export function checkPotSuperfat(facts: PlanFacts): Check[] {
  const { plan, batter, print } = facts;
  if (batter.lye === null) return [];
  return portions(facts).flatMap((of): Check[] => {
    const { superfat: percent } = of;
    const high = highOf(plan, of.group);
    // What holds for the recipe is told there.
    const recipe = plan.base.superfat;
    const toldThere =
      (recipe < SUPERFAT_WARN.low || recipe > highSuperfat(plan)) && Math.abs(percent - recipe) < 0.05;
    const lean = percent < POT_SUPERFAT.low - 1e-9;
    if (toldThere || (!lean && percent <= high + 1e-9)) return [];
    const below = percent < POT_SUPERFAT.stop - 1e-9;
    const figure = `${print.number(percent, 1)} %`;
    const level = below ? (of.scrapings ? 'tip' : 'stop') : of.scrapings ? 'tip' : 'warn';
    const cause = lean ? leanCause(facts, of) : richCause(facts, of);
    return [
      {
        id: 'pot-superfat',
        level,
        place: of.place,
        sentence: below
          ? `${of.name} has more lye than its oils can take: superfat ${figure}.`
          : lean
            ? `${of.name} is left with a superfat of ${figure}.`
            : `${of.name} comes to a superfat of ${figure}: a soft bar that may go rancid.`,
        arithmetic: `1 − lye / what its own oils take = ${figure}${cause.figures ? `; ${cause.figures}` : ''}`,
        remedy: `${cause.remedy}${of.scrapings ? ' It is no more than what sticks to the jugs: wear gloves when you scrape it out.' : ''}`,
        repairs: cause.repairs,
      },
    ];
  });
}

interface Cause {
  readonly figures: string;
  readonly remedy: string;
  readonly repairs: readonly Repair[];
}

const oilBeside: Repair = { label: 'Extra oil for all carriers', apply: (p) => setCarrierSource(p, 'extra') };

/** An acid that the lye was raised for, and that this portion does not have. */
function missingAcids({ plan, flow }: PlanFacts, { pot }: Portion): readonly string[] {
  const oils = pot ? pot.oils : Math.max(0, flow.unallocated) * plan.base.totalOils;
  const contents = pot ? pot.contents : flow.leftover;
  return plan.base.additives
    .filter((a) => a.moment !== 'top' && a.dose > 0)
    .filter((a) => {
      const m = materialOf(plan, a.materialId);
      return m.lyeDemand > 0 && contents[flow.ledger.material(m.id)]! < ((a.dose * oils) / 1000) * 0.999;
    })
    .map((a) => a.id);
}

function leanCause(facts: PlanFacts, of: Portion): Cause {
  const { plan, flow, print } = facts;
  const held = heldOil(flow, of.group);
  const acids = missingAcids(facts, of);
  if (acids.length > 0) {
    const names = acids.map(
      (id) => materialOf(plan, plan.base.additives.find((a) => a.id === id)!.materialId).name,
    );
    return {
      figures: `the lye was raised by ${print.number((acidDemand(plan) * plan.base.totalOils) / 1000, 1)} g NaOH for ${names.join(', ')}, which this pot does not get`,
      remedy: 'Put the acid into the lye water, so that every pot has it.',
      repairs: [
        {
          label: 'Acid into the lye water',
          apply: (p) => acids.reduce((q, id) => setAdditive(q, id, { moment: 'lye-water' }), p),
        },
      ],
    };
  }
  if (held > 0.05)
    return {
      figures: `${print.mass(held)} of oil is held back from the batch for carriers, and too little of it comes back here`,
      remedy: 'Use extra oil for the carriers, hold less back, or raise the superfat.',
      repairs: [oilBeside],
    };
  return {
    figures: '',
    remedy: 'Raise the superfat of the recipe.',
    repairs: [{ label: 'Set 5 %', apply: (p) => setBase(p, { superfat: 5 }) }],
  };
}

function richCause({ plan, flow, print }: PlanFacts, { pot }: Portion): Cause {
  const extra = pot ? pot.contents[flow.ledger.at('carrier-oil')]! : 0;
  const acid =
    pot?.doses.reduce((sum, d) => sum + d.powder * materialOf(plan, d.row.materialId).lyeDemand, 0) ?? 0;
  const fat = liquidOfPlan(plan).fat;
  const figures = [
    ...(extra > 0.05 ? [`${print.mass(extra)} of extra carrier oil`] : []),
    ...(acid > 0.05 ? [`acid in this pot takes ${print.number(acid, 1)} g NaOH`] : []),
    ...(fat > 0 && pot
      ? [`${print.mass(pot.contents[flow.ledger.at('liquid')]! * fat)} of fat in the milk`]
      : []),
  ].join(', ');
  return {
    figures,
    remedy:
      acid > 0.05
        ? 'Put the acid into the lye water of the whole batch, where the lye is raised for it.'
        : extra > 0.05
          ? 'Use less carrier, or take it out of the batch oils in every pot.'
          : 'Lower the superfat of the recipe.',
    repairs: [],
  };
}

const heldOil = (flow: Flow, group: string | null): number =>
  flow.lyes.find((l) => l.potId === group)?.heldOil ?? 0;

/** Lye of so many divisions of the scale is weighed too roughly to use, or roughly. */
export const LYE_DIVISIONS = { stop: 20, warn: 100 } as const;

/** Whether the maker's scale can weigh each lye well enough. */
export const checkLyeBelowScale = ({ plan, flow, batter, measuring, print }: PlanFacts): Check[] =>
  batter.lye === null
    ? []
    : flow.lyes.flatMap((lye): Check[] => {
        const parts = [lye.naoh, lye.koh].filter((m) => m > 1e-6);
        const least = Math.min(...parts);
        const { scaleDivision } = measuring;
        const divisions = least / scaleDivision;
        if (parts.length === 0 || divisions >= LYE_DIVISIONS.warn - 1e-9) return [];
        const pot = plan.pots.find((p) => p.id === lye.potId);
        const level = divisions < LYE_DIVISIONS.stop - 1e-9 ? 'stop' : 'warn';
        const off = print.percent((50 * scaleDivision) / least, 1);
        const of = pot ? ` of ${pot.name}` : '';
        return [
          {
            id: 'lye-below-scale',
            level,
            place: pot ? { at: 'pot', potId: pot.id } : { at: 'lye' },
            sentence:
              level === 'stop'
                ? `The lye${of} is too little for this scale.`
                : `This scale weighs the lye${of} to within ± ${off}.`,
            arithmetic: `${print.grams(least)} is ${print.number(divisions, 0)} divisions of ${print.number(scaleDivision, 2)} g; ${level === 'stop' ? LYE_DIVISIONS.stop : LYE_DIVISIONS.warn} are needed`,
            remedy:
              'Use a finer scale or a larger batch, or dissolve more lye and weigh out part of the solution.',
          },
        ];
      });
