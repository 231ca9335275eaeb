import { gramsPerKg } from '../../units/quantity.ts';
import { PLAN_LIMITS } from '../limits.ts';
import { type OilRow, oilsOf, type Plan, type Pot } from '../plan.ts';
import { type FormulaPart, setFormula } from './doses.ts';
import { addPot, setPot } from './pots.ts';

/** A pot to write between the ends of a ladder. */
export interface Rung {
  readonly id: string;
  readonly parts: readonly FormulaPart[];
}

/**
 * Writes pots between two others, in their order, with as much carrier in each as in the fullest. They share the batter
 * as the first end does; between two mini-batches they are mini-batches too, with oils and hours between those of the ends.
 */
export function writeLadder(plan: Plan, fromId: string, toId: string, rungs: readonly Rung[]): Plan {
  const from = plan.pots.find((p) => p.id === fromId);
  const to = plan.pots.find((p) => p.id === toId);
  if (!from || !to || from === to) return plan;
  const written = rungs.reduce((before, { id, parts }, i) => {
    const at = (i + 1) / (rungs.length + 1);
    const named = addPot(before, id, `${from.name} → ${to.name} ${i + 1}`);
    const own = from.ownLye && to.ownLye;
    const pot = setPot(named, id, {
      draws: from.draws,
      scented: from.scented,
      scentDose: from.scentDose,
      taken: from.taken,
      ...(own && {
        ownLye: true,
        ownOils: oilsBetween(plan, from, to, at),
        hoursBefore: from.hoursBefore + at * (to.hoursBefore - from.hoursBefore),
      }),
    });
    return setFormula(pot, id, parts);
  }, plan);
  const ids = rungs.map((r) => r.id);
  return evened(inOrder(written, fromId, toId, ids), [fromId, ...ids, toId]);
}

/** Oils of a mini-batch between two; none of its own where neither end has any. Sums stay 100 where the ends' are. */
function oilsBetween(plan: Plan, from: Pot, to: Pot, at: number): readonly OilRow[] {
  if (from.ownOils.length + to.ownOils.length === 0) return [];
  const [a, b] = [oilsOf(plan, from.id), oilsOf(plan, to.id)];
  const rows = [...a, ...b.filter((o) => a.every((x) => x.materialId !== o.materialId))];
  const percent = (list: readonly OilRow[], materialId: string): number =>
    list.reduce((sum, o) => sum + (o.materialId === materialId ? o.percent : 0), 0);
  return rows.slice(0, PLAN_LIMITS.oils).map((o, i) => ({
    id: `oil-${i + 1}`,
    materialId: o.materialId,
    percent: percent(a, o.materialId) * (1 - at) + percent(b, o.materialId) * at,
  }));
}

/** The rungs after the first end, and the other end after them. */
function inOrder(plan: Plan, fromId: string, toId: string, ids: readonly string[]): Plan {
  const rest = plan.pots.filter((p) => !ids.includes(p.id) && p.id !== toId);
  const moved = plan.pots.filter((p) => ids.includes(p.id));
  const at = rest.findIndex((p) => p.id === fromId) + 1;
  return {
    ...plan,
    pots: [...rest.slice(0, at), ...moved, ...plan.pots.filter((p) => p.id === toId), ...rest.slice(at)],
  };
}

/** Equal carriers keep equal pots equal: the ratio of each follows from the fullest one. */
function evened(plan: Plan, ids: readonly string[]): Plan {
  const liquid = (p: Pot): number => p.doses.reduce((sum, d) => sum + d.dose * (d.carrier?.ratio ?? 0), 0);
  const most = Math.max(...plan.pots.filter((p) => ids.includes(p.id)).map(liquid));
  return {
    ...plan,
    pots: plan.pots.map((p) => {
      const own = liquid(p);
      if (!ids.includes(p.id) || own === 0) return p;
      const ratioOf = (ratio: number): number =>
        Math.min(PLAN_LIMITS.carrierRatio.max, Number(((ratio * most) / own).toFixed(2)));
      return {
        ...p,
        doses: p.doses.map((d) =>
          d.carrier
            ? { ...d, dose: gramsPerKg(d.dose), carrier: { ...d.carrier, ratio: ratioOf(d.carrier.ratio) } }
            : d,
        ),
      };
    }),
  };
}
