import { flowOf } from '../balance/balance.ts';
import { type Flow } from '../balance/flow.ts';
import { portionScentLimit } from '../balance/scentLimit.ts';
import { scentRate } from '../balance/scentRate.ts';
import { changeScent, setPot } from '../plan/edit/index.ts';
import { materialOf, type Plan, type Pot } from '../plan/plan.ts';
import { gramsPerKg } from '../units/quantity.ts';
import { type Check, type PlanFacts } from './check.ts';

interface Over {
  /** Null for a batch without pots. */
  readonly pot: Pot | null;
  /** g/kg oils of that pot alone. */
  readonly dose: number;
  readonly limit: number;
  readonly by: string;
  readonly product: boolean;
}

/** Above the supplier's limit in any pot alone, on the basis its sheet states: oils, or the finished product. */
export function checkScentOver({ plan, flow, print }: PlanFacts): Check[] {
  const { scent } = plan.base;
  if (!scent) return [];
  const over = overLimits(plan, flow);
  const worst = [...over].sort((a, b) => b.dose / b.limit - a.dose / a.limit)[0];
  if (!worst) return [];
  const name = scent.parts.length > 1 ? 'The blend' : materialOf(plan, scent.parts[0]!.materialId).name;
  const set = (limit: number): number => Math.floor(limit * 10 + 1e-9) / 10;
  return [
    {
      id: 'scent-over',
      level: 'stop',
      place: { at: 'scent' },
      sentence: `${name} is above its limit in ${over.map((o) => o.pot?.name ?? 'the batch').join(', ')}.`,
      arithmetic: `${print.number(worst.dose, 1)} g/kg oils${worst.pot ? ` in ${worst.pot.name}` : ''}, at most ${print.number(worst.limit, 1)}${worst.product ? ', worked out from the limit on this pot’s finished soap' : ''}${scent.parts.length > 1 ? `, set by ${worst.by}` : ''}`,
      remedy: `Use ${print.number(set(worst.limit), 1)} g/kg or less there, and follow the supplier’s sheet.`,
      repairs: [
        {
          label:
            over.length > 1 || (worst.pot?.scentDose ?? null) === null
              ? `Set ${print.number(set(Math.min(...over.map((o) => o.limit))), 1)} g/kg`
              : `Set ${print.number(set(worst.limit), 1)} g/kg in ${worst.pot!.name}`,
          apply: withinLimits,
        },
      ],
    },
  ];
}

/** A limit that nobody entered is not *no limit*. */
export function checkScentNoLimit({ plan }: PlanFacts): Check[] {
  const without = (plan.base.scent?.parts ?? [])
    .map((p) => materialOf(plan, p.materialId))
    .filter((m) => !(m.scent && m.scent.limit > 0));
  if (without.length === 0) return [];
  return [
    {
      id: 'scent-no-limit',
      level: 'stop',
      place: { at: 'scent' },
      sentence: `${without.map((m) => m.name).join(', ')}: no highest dose was entered.`,
      arithmetic: '',
      remedy: 'Enter the limit for rinse-off soap from the supplier’s sheet, on the shelf.',
    },
  ];
}

function overLimits(plan: Plan, flow: Flow): Over[] {
  const { scent } = plan.base;
  if (!scent) return [];
  const at = flow.ledger.at('scent');
  const bowl = { contents: flow.leftover, oils: Math.max(0, flow.unallocated) * plan.base.totalOils };
  const all = flow.pots.length > 0 ? flow.pots : [{ ...bowl, pot: null }];
  return all.flatMap(({ pot, contents, oils }): Over[] => {
    if (!(oils > 0)) return [];
    const dose = (contents[at]! * 1000) / oils;
    const limit = portionScentLimit(plan, flow, contents, oils);
    if (!limit || dose <= limit.dose + 1e-9) return [];
    return [{ pot, dose, limit: limit.dose, by: limit.by.name, product: limit.product }];
  });
}

/** Brings every rate that is too high to what its pot may have; a lower rate makes the pot lighter, so look again. */
function withinLimits(plan: Plan): Plan {
  let next = plan;
  for (let n = 0; n < 4; n++) {
    const over = overLimits(next, flowOf(next));
    if (over.length === 0) return next;
    for (const { pot, limit } of over) {
      const scent = next.base.scent!;
      const rate = gramsPerKg(Math.max(0, Math.floor(limit * 10 + 1e-9) / 10 - (n > 0 ? 0.1 : 0)));
      next =
        pot !== null && scent.when === 'pot' && pot.scentDose !== null
          ? setPot(next, pot.id, { scentDose: rate })
          : scent.dose > rate
            ? changeScent(next, { dose: rate })
            : next;
    }
  }
  return next;
}

/** A scent was chosen, and no pot gets any of it. */
export function checkScentReaches({ plan }: PlanFacts): Check[] {
  const { scent } = plan.base;
  if (!scent || plan.pots.length === 0 || scent.when === 'oils') return [];
  if (plan.pots.some((p) => p.scented && scentRate(scent, p) > 0)) return [];
  const names = scent.parts.map((p) => materialOf(plan, p.materialId).name).join(' + ');
  return [
    {
      id: 'scent-reaches-no-pot',
      level: 'warn',
      place: { at: 'scent' },
      sentence: `${names} is chosen, and no pot is scented.`,
      arithmetic: '',
      remedy: 'Say which pots get it, or take the scent out.',
      repairs: [
        {
          label: 'Scent every pot',
          apply: (p) => ({ ...p, pots: p.pots.map((q) => ({ ...q, scented: true })) }),
        },
      ],
    },
  ];
}
