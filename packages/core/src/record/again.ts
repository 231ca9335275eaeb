import { flowOf } from '../balance/balance.ts';
import { mouldVolume } from '../balance/mould.ts';
import { type Material } from '../material/material.ts';
import { embedMaterials } from '../plan/embed.ts';
import { type Mould } from '../plan/moulding.ts';
import { type Base, type Draw, type OilRow, type Plan, type Pot, pruneMaterials } from '../plan/plan.ts';
import { withCopy } from '../plan/edit/copies.ts';
import { grams } from '../units/quantity.ts';

/** Ways to share that say a place in the mould rather than an amount. */
const OF_THE_MOULD: readonly Draw['by'][] = ['layer', 'slant', 'section'];

/**
 * A plan at another size: every mass times k. What was said as a place in the mould is said as a part of the batter,
 * since the mould need not be the same; what sticks to a jug stays what it is. Embeds keep their count in each bar.
 * @param k above 0
 */
export function scaled(plan: Plan, k: number): Plan {
  if (!(k > 0)) throw new RangeError(`A batch cannot be made ${k} times`);
  const flow = flowOf(plan);
  const times = (mass: number) => grams(mass * k);
  const draws = (pot: Pot): Draw[] =>
    pot.draws.map((d): Draw => {
      if (d.by === 'grams' || d.by === 'millilitres') return { ...d, value: d.value * k };
      if (!OF_THE_MOULD.includes(d.by)) return d;
      const own = flow.pots.find((p) => p.pot.id === pot.id)?.draws.find((f) => f.draw.id === d.id);
      return { ...d, by: 'percent', value: (own?.fraction ?? 0) * 100, second: 0 };
    });
  const { base, moulding } = plan;
  return {
    ...plan,
    base: {
      ...base,
      totalOils: times(base.totalOils),
      liquid: { ...base.liquid, heldBack: times(base.liquid.heldBack) },
    },
    moulding: { ...moulding, leads: false, reserve: times(moulding.reserve) },
    pots: plan.pots.map((pot) => ({ ...pot, draws: draws(pot), reserve: times(pot.reserve) })),
    embeds: plan.embeds.map((e) => ({
      ...e,
      pieces: e.pieces === null ? null : Math.max(1, Math.round(e.pieces * k)),
    })),
  };
}

/** As many of each mould as fit a batch that is a whole number of times as large; else as they are. */
export const mouldsTimes = (plan: Plan, k: number): Plan =>
  Number.isInteger(k)
    ? {
        ...plan,
        moulding: {
          ...plan.moulding,
          moulds: plan.moulding.moulds.map((m) => ({ ...m, count: Math.min(m.count * k, 100) })),
        },
      }
    : plan;

const volumeOf = ({ moulding }: Plan): number =>
  moulding.moulds.reduce((sum, m) => sum + m.count * mouldVolume(m.mould), 0);

/** How many times as large a batch is that fills other moulds as full as its own; null where one has no size. */
export function factorFor(plan: Plan, mould: Mould, count: number): number | null {
  const before = volumeOf(plan);
  const after = count * mouldVolume(mould);
  return before > 0 && after > 0 ? after / before : null;
}

/** The plan in other moulds, scaled to them. */
export function inMould(plan: Plan, mould: Mould, count: number): Plan {
  const next = scaled(plan, factorFor(plan, mould, count) ?? 1);
  return { ...next, moulding: { ...next.moulding, moulds: [{ id: 'mould-1', count, mould }] } };
}

/** What a base brings into a batch that is made on it. */
export interface OtherBase extends Pick<Base, 'superfat' | 'lye' | 'liquid' | 'temperature'> {
  readonly oils: readonly { readonly material: Material; readonly percent: number }[];
}

/** The plan on other oils, with their lye and liquid; colours stay and are matched again apart from this. */
export function onBase(plan: Plan, { oils, superfat, lye, liquid, temperature }: OtherBase): Plan {
  const rows = oils.map(({ material, percent }, i): OilRow => ({
    id: `oil-${i + 1}`,
    materialId: material.id,
    percent,
  }));
  const materials = oils.reduce(
    (list, o) => withCopy({ ...plan, materials: list }, o.material),
    plan.materials,
  );
  const { heldBack } = plan.base.liquid;
  return pruneMaterials({
    ...plan,
    materials,
    base: { ...plan.base, oils: rows, superfat, lye, liquid: { ...liquid, heldBack }, temperature },
    pots: plan.pots.map((p) => ({ ...p, ownOils: [] })),
    work: { ...plan.work, carrierOil: null },
  });
}

/** Another material in the place of one, wherever it stands, at the same doses. */
export function withSubstitute(plan: Plan, materialId: string, by: Material): Plan {
  const swap = <T extends { readonly materialId: string }>(rows: readonly T[]): T[] =>
    rows.map((r) => (r.materialId === materialId ? { ...r, materialId: by.id } : r));
  const { base, work } = plan;
  return pruneMaterials({
    ...plan,
    materials: withCopy(plan, by),
    base: {
      ...base,
      oils: swap(base.oils),
      additives: swap(base.additives),
      scent: base.scent && { ...base.scent, parts: swap(base.scent.parts) },
    },
    pots: plan.pots.map((p) => ({
      ...p,
      ownOils: swap(p.ownOils),
      doses: p.doses.map((d) =>
        d.materialId === materialId ? { ...d, materialId: by.id, carrier: by.carriers[0] ?? null } : d,
      ),
    })),
    embeds: plan.embeds.map((e) => ({
      ...e,
      parts: e.parts.map((part) => ({ ...part, doses: swap(part.doses) })),
      dusting: e.dusting && swap([e.dusting])[0]!,
    })),
    lines: swap(plan.lines),
    work: { ...work, carrierOil: work.carrierOil === materialId ? by.id : work.carrierOil },
  });
}

/** Ids of everything that a plan puts into the soap. */
export const usedMaterials = (plan: Plan): ReadonlySet<string> =>
  new Set([
    ...plan.base.oils.map((o) => o.materialId),
    ...(plan.base.scent?.parts.map((p) => p.materialId) ?? []),
    ...plan.base.additives.map((a) => a.materialId),
    ...plan.pots.flatMap((p) => [...p.doses, ...p.ownOils].map((r) => r.materialId)),
    ...plan.embeds.flatMap(embedMaterials),
    ...plan.lines.map((l) => l.materialId),
  ]);

/** Materials of a plan that the shelf does not have any more, or is out of: it can be made again only without them. */
export const goneFrom = (plan: Plan, shelf: ReadonlyMap<string, Material>): Material[] => {
  const used = usedMaterials(plan);
  return plan.materials.filter((m) => used.has(m.id) && !shelf.has(m.id));
};
