import { printNumber } from '../../units/print.ts';
import { oilsAddUp, oilsSum } from '../lye.ts';
import { materialOf } from '../plan.ts';
import { type Check, type PlanFacts } from './check.ts';

/** Oil shares must make 100 %. */
export function checkOilsSum({ plan }: PlanFacts): Check[] {
  if (oilsAddUp(plan)) return [];
  const sum = oilsSum(plan);
  const off = printNumber(Math.abs(sum - 100), 2);
  return [
    {
      id: 'oils-sum',
      level: 'stop',
      place: { at: 'oils' },
      sentence:
        plan.base.oils.length === 0
          ? 'No oils yet.'
          : `The oils make ${printNumber(sum, 2)} %, ${off} % ${sum > 100 ? 'too much' : 'short'}.`,
      arithmetic: plan.base.oils.map((o) => printNumber(o.percent, 2)).join(' + ') || '0',
      remedy: 'Bring the shares to 100 %.',
    },
  ];
}

export const SUPERFAT_WARN = { low: 3, high: 12 } as const;

/** Below 0 % stops, below 3 % or above 12 % warns. */
export function checkSuperfat({ plan }: PlanFacts): Check[] {
  const { superfat } = plan.base;
  if (superfat >= SUPERFAT_WARN.low && superfat <= SUPERFAT_WARN.high) return [];
  const said = `Superfat is ${printNumber(superfat, 1)} %`;
  const common = { id: 'superfat-range', place: { at: 'superfat' }, arithmetic: '' } as const;
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
      remedy: 'Common bars sit between 3 and 12 %.',
    },
  ];
}

/** An oil without a saponification value hides the lye. */
export function checkLyeValues({ plan }: PlanFacts): Check[] {
  const missing = plan.base.oils
    .map((o) => materialOf(plan, o.materialId))
    .filter((m) => m.oil?.sapKoh == null);
  if (missing.length === 0) return [];
  return [
    {
      id: 'lye-missing-value',
      level: 'stop',
      place: { at: 'oils' },
      sentence: `${missing.map((m) => m.name).join(', ')} has no saponification value, so no lye can be worked out.`,
      arithmetic: '',
      remedy: 'Enter the supplier’s value on the shelf.',
    },
  ];
}

export const CONCENTRATION_WARN = { low: 25, high: 40 } as const;

export function checkLyeConcentration({ plan }: PlanFacts): Check[] {
  const c = plan.base.lyeConcentration;
  if (c >= CONCENTRATION_WARN.low && c <= CONCENTRATION_WARN.high) return [];
  return [
    {
      id: 'lye-concentration',
      level: 'warn',
      place: { at: 'lye' },
      sentence: `Lye concentration is ${printNumber(c, 1)} %: ${c < CONCENTRATION_WARN.low ? 'slow to trace, long to dry, prone to rivers' : 'hot and quick; it may not all dissolve'}.`,
      arithmetic: `liquid = lye × (100 / ${printNumber(c, 1)} − 1)`,
      remedy: 'Common range 25–40 %.',
    },
  ];
}

/** Above the supplier's limit, counting only the oils of the pots that get the scent. */
export function checkScentOver({ plan }: PlanFacts): Check[] {
  const { scent } = plan.base;
  if (!scent || !plan.pots.some((p) => p.scented)) return [];
  const material = materialOf(plan, scent.materialId);
  const limit = material.scent?.limit ?? Infinity;
  if (scent.dose <= limit) return [];
  return [
    {
      id: 'scent-over',
      level: 'stop',
      place: { at: 'scent' },
      sentence: `${material.name} is above its limit in the scented pots.`,
      arithmetic: `${printNumber(scent.dose, 1)} g/kg against ${printNumber(limit, 1)} g/kg oils`,
      remedy: `Use ${printNumber(limit, 1)} g/kg or less, and follow the supplier’s sheet.`,
    },
  ];
}
