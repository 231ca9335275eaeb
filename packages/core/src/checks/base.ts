import { normaliseOils, setBase } from '../plan/edit/index.ts';
import { setLiquidWay } from '../balance/liquidWay.ts';
import { concentrationOf } from '../balance/lye.ts';
import { oilsAddUp, oilsSum } from '../plan/oilShares.ts';
import { type Material } from '../material/material.ts';
import { blendsOf, materialOf, type Plan } from '../plan/plan.ts';
import { type Check, type PlanFacts } from './check.ts';
import { highSuperfat, isSaltBar } from '../balance/saltBar.ts';
import { SUPERFAT_WARN } from './thresholds.ts';

const blendPlace = (potId: string | null): Check['place'] =>
  potId === null ? { at: 'oils' } : { at: 'pot', potId };
const ofPot = (plan: Plan, potId: string | null): string =>
  potId === null ? '' : ` of ${plan.pots.find((p) => p.id === potId)!.name}`;

/** Oil shares must make 100 %, those of a mini-batch too. */
export const checkOilsSum = ({ plan, print }: PlanFacts): Check[] =>
  blendsOf(plan)
    .filter((b) => !oilsAddUp(b.oils))
    .map(({ potId, oils }): Check => {
      const sum = oilsSum(oils);
      const off = print.number(Math.abs(sum - 100), 2);
      return {
        id: 'oils-sum',
        level: 'stop',
        place: blendPlace(potId),
        sentence:
          oils.length === 0
            ? 'No oils yet.'
            : `The oils${ofPot(plan, potId)} make ${print.number(sum, 2)} %, ${off} % ${sum > 100 ? 'too much' : 'short'}.`,
        arithmetic: oils.map((o) => print.number(o.percent, 2)).join(' + ') || '0',
        remedy: 'Bring the shares to 100 %.',
        repairs:
          sum > 0 ? [{ label: 'Scale the shares to 100 %', apply: (p) => normaliseOils(p, potId) }] : [],
      };
    });

/** Below 0 % stops, below 3 % or above 12 % warns. */
export function checkSuperfat({ plan, print }: PlanFacts): Check[] {
  const { superfat } = plan.base;
  if (superfat >= SUPERFAT_WARN.low && superfat <= highSuperfat(plan)) return [];
  const said = `Superfat is ${print.number(superfat, 1)} %`;
  const common = {
    id: 'superfat-range',
    place: { at: 'superfat' },
    arithmetic: '',
    repairs: [{ label: 'Set 5 %', apply: (p: Plan) => setBase(p, { superfat: 5 }) }],
  } as const;
  if (superfat < 0) {
    return [
      {
        ...common,
        level: 'stop',
        sentence: `${said}: more lye than the oils can take.`,
        remedy: 'Set 0 % or more; 5 % is common.',
      },
    ];
  }
  return [
    {
      ...common,
      level: 'warn',
      sentence:
        superfat < SUPERFAT_WARN.low
          ? `${said}: little room for error.`
          : `${said}: soft bars that may go rancid.`,
      remedy: isSaltBar(plan) ? 'Salt bars sit between 15 and 22 %.' : 'Common bars sit between 3 and 12 %.',
    },
  ];
}

/** An oil without a saponification value hides the lye. */
export function checkLyeValues({ plan }: PlanFacts): Check[] {
  return blendsOf(plan).flatMap(({ potId, oils }): Check[] => {
    const missing = oils.map((o) => materialOf(plan, o.materialId)).filter((m) => m.oil?.sapKoh == null);
    return missing.length === 0 ? [] : [missingValue(missing, potId)];
  });
}

const missingValue = (missing: readonly Material[], potId: string | null): Check => ({
  id: 'lye-missing-value',
  level: 'stop',
  place: blendPlace(potId),
  sentence: `${missing.map((m) => m.name).join(', ')} has no saponification value, so no lye can be worked out.`,
  arithmetic: '',
  remedy: 'Enter the supplier’s value on the shelf.',
});

export const CONCENTRATION_WARN = { low: 25, high: 40 } as const;

/**
 * Warns of a lye outside 25–40 %, lye over lye and liquid, each lye by itself: a mini-batch with oils of its own may
 * need more of it in the same liquid.
 */
export function checkLyeConcentration({ plan, print, batter, flow }: PlanFacts): Check[] {
  if (batter.lye === null) return [];
  const { low, high } = CONCENTRATION_WARN;
  const told = new Set<string>();
  return flow.lyes.flatMap((l): Check[] => {
    const lye = l.naoh + l.koh;
    const c = concentrationOf(lye, l.liquid);
    if (lye <= 0 || (c >= low - 1e-9 && c <= high + 1e-9)) return [];
    const figure = print.number(c, 1);
    // Mini-batches of the recipe's oils are as strong as the recipe: told once.
    if (told.has(figure)) return [];
    told.add(figure);
    const own = plan.pots.find((p) => p.id === l.potId && p.ownOils.length > 0);
    return [
      {
        id: 'lye-concentration',
        level: 'warn',
        place: { at: 'lye' },
        sentence: `${own ? `The lye of ${own.name}` : 'Lye concentration'} is ${figure} %: ${c < low ? 'slow to trace, long to dry, prone to rivers' : 'hot and quick; it may not all dissolve'}.`,
        arithmetic: `lye / (lye + liquid) = ${print.mass(lye)} / (${print.mass(lye)} + ${print.mass(l.liquid)})`,
        remedy: 'Common range 25–40 %.',
        repairs: [{ label: 'Set 33 %', apply: atConcentration(33) }],
      },
    ];
  });
}

/** Sets the lye concentration, %. */
export const atConcentration =
  (value: number) =>
  (plan: Plan): Plan => {
    const next = setLiquidWay(plan, 'concentration');
    return setBase(next, { liquid: { ...next.base.liquid, value } });
  };
