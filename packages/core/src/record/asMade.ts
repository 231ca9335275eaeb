import { flowOf } from '../balance/balance.ts';
import { type Flow, type PotFlow, tinted } from '../balance/flow.ts';
import { COMMON_LYE } from '../balance/weighed.ts';
import { superfatWithLye } from '../balance/lye.ts';
import { type Actuals } from '../day/actuals.ts';
import { type Base, type DoseRow, type Draw, type Plan, type Pot } from '../plan/plan.ts';
import { pruneMaterials } from '../plan/plan.ts';
import { grams, gramsPerKg } from '../units/quantity.ts';

/** Less than this of a powder in a pot came from rounding, g/kg oils. */
const NOTHING = 1e-6;

/** Pots that stand for another one as it was at some moment. */
const isStage = (id: string): boolean => id.includes('/');

/** Pots that batter was poured into, or taken out of, at the bench. */
const isWorked = (pot: Pot): boolean => pot.draws.some((d) => d.from !== null && isStage(d.from));

/**
 * The plan that gives what was really made: amounts that were weighed, cups that were not emptied, pots that came up at
 * the bench. A batch of which nothing was logged is its plan. Batter of a mini-batch that went into another pot counts
 * as common batter there.
 */
export function asMade({ plan, weighed }: Pick<Actuals, 'plan' | 'weighed'>): Plan {
  const flow = flowOf(plan, weighed);
  const pots = plan.pots
    .filter((p) => !isStage(p.id))
    .map((pot): Pot => {
      const own = flow.pots.find((p) => p.pot.id === pot.id)!;
      return isWorked(pot)
        ? flattened(plan, pot, own, flow)
        : amended(plan, pot, own, weighed.pots?.[pot.id]);
    });
  return pruneMaterials({ ...plan, base: baseAsMade(plan, flow, weighed), pots });
}

/** Oils, lye and liquid as they were weighed into the common batter. */
function baseAsMade(plan: Plan, flow: Flow, weighed: Actuals['weighed']): Base {
  const said = weighed.lyes?.[COMMON_LYE];
  const lye = flow.lyes.find((l) => l.potId === null);
  if (!said || !lye) return plan.base;
  const { base } = plan;
  const mass = new Map(lye.rows.map((r) => [r.materialId, r.mass]));
  const own = lye.rows.reduce((sum, r) => sum + r.mass, 0);
  // Mini-batches on the recipe have their own part of it.
  const others = flow.lyes.reduce((sum, l) => sum + (l.potId === null ? 0 : l.oils), 0);
  const oils = said.oils
    ? base.oils.map((o) => ({
        ...o,
        percent: own > 0 ? ((mass.get(o.materialId) ?? 0) * 100) / own : o.percent,
      }))
    : base.oils;
  const totalOils = said.oils ? grams(own + others) : base.totalOils;
  const next = { ...base, oils, totalOils };
  const superfat =
    said.naoh === undefined || others > 0 ? null : superfatWithLye({ ...plan, base: next }, said.naoh);
  const alkali = lye.naoh + lye.koh;
  return {
    ...next,
    ...(superfat !== null && { superfat }),
    ...(said.liquid !== undefined &&
      alkali > 0 && { liquid: { ...base.liquid, by: 'ratio' as const, value: said.liquid / alkali } }),
  };
}

/** A pot with its own draws and doses, as large as they were. */
function amended(
  plan: Plan,
  pot: Pot,
  own: PotFlow,
  said: NonNullable<Actuals['weighed']['pots']>[string] | undefined,
): Pot {
  if (!said) return pot;
  const draws = pot.draws.map((d): Draw => {
    const flow = own.draws.find((f) => f.draw.id === d.id);
    return said.draws?.[d.id] === undefined || !flow
      ? d
      : { ...d, by: 'percent', value: flow.fraction * 100, second: 0 };
  });
  const doses = pot.doses.flatMap((row): DoseRow[] => {
    const flow = own.doses.find((f) => f.row.id === row.id);
    if (!said.doses?.[row.id] || !flow || !(own.oils > 0)) return [row];
    const dose = (flow.powder * 1000) / own.oils;
    const ratio = flow.powder > 0 && row.carrier ? flow.liquid / flow.powder : null;
    return dose > NOTHING
      ? [
          {
            ...row,
            dose: gramsPerKg(dose),
            perBar: null,
            carrier: row.carrier && ratio !== null ? { ...row.carrier, ratio } : row.carrier,
          },
        ]
      : [];
  });
  return { ...pot, draws, doses, ...scentOf(plan, pot, own, said.scent) };
}

function scentOf(plan: Plan, pot: Pot, own: PotFlow, said: number | undefined): Partial<Pot> {
  if (said === undefined || !plan.base.scent || !(own.oils > 0)) return {};
  return said > 0
    ? { scented: true, scentDose: gramsPerKg((said * 1000) / own.oils) }
    : { scented: false, scentDose: null };
}

/** A pot that batter was poured into or taken out of at the bench: what it ended as, drawn from the base by itself. */
function flattened(plan: Plan, pot: Pot, own: PotFlow, flow: Flow): Pot {
  // Pots that still draw from it find all of it; what worked ones drew stands in these themselves.
  const taken = flow.pots
    .filter((p) => isWorked(p.pot))
    .flatMap((p) => p.draws)
    .reduce((sum, d) => sum + (d.draw.from === pot.id ? d.fraction : 0), 0);
  const kept = Math.max(0, 1 - taken);
  const percent = (100 * own.oils * kept) / plan.base.totalOils;
  const common = new Map<string, number>();
  for (const a of plan.base.additives)
    if (a.moment !== 'top') common.set(a.materialId, (common.get(a.materialId) ?? 0) + a.dose);
  const doses = tinted(own.tint).flatMap((i): DoseRow[] => {
    const material = plan.materials[i]!;
    const dose = (own.tint[i]! * 1000) / own.oils - (common.get(material.id) ?? 0);
    if (!(dose > NOTHING)) return [];
    const row = rowOf(plan, material.id);
    return [
      {
        id: `made:${material.id}`,
        materialId: material.id,
        dose: gramsPerKg(dose),
        perBar: null,
        carrier: row?.carrier ?? material.carriers[0] ?? null,
        source: row?.source ?? 'extra',
      },
    ];
  });
  const scent = (own.contents[flow.ledger.at('scent')]! * 1000) / own.oils;
  const inBatter = plan.base.scent?.when === 'oils';
  return {
    ...pot,
    draws: [{ id: 'made', from: null, by: 'percent', value: percent, second: 0 }],
    doses: own.oils > 0 ? doses : [],
    ...(plan.base.scent && !inBatter
      ? { scented: scent > NOTHING, scentDose: scent > NOTHING ? gramsPerKg(scent) : null }
      : {}),
  };
}

const rowOf = (plan: Plan, materialId: string): DoseRow | undefined =>
  plan.pots.flatMap((p) => p.doses).find((d) => d.materialId === materialId);
