import { browningOf } from '../material/browning.ts';
import { type Material } from '../material/material.ts';
import { canvasOfOils } from '../material/oilCanvas.ts';
import { type Canvas } from '../pigment/canvas.ts';
import { type Composition, type CompositionPart } from '../pigment/composition.ts';
import { milkShare } from '../plan/liquid.ts';
import { oilsSum } from '../plan/oilShares.ts';
import { type DoseRow, materialOf, oilsOf, type Plan, type Pot } from '../plan/plan.ts';
import { flowOf } from './balance.ts';
import { type Flow, tinted } from './flow.ts';
import { scentBlend } from './scent.ts';
import { scentRate } from './scentRate.ts';

/** `oilsBy`: g of oils by the lye that they met, as `PotFlow` has it. */
function canvasAt(
  plan: Plan,
  scentDose: number,
  oilsBy: ReadonlyMap<string | null, number> = new Map([[null, 1]]),
): Canvas {
  const { scent, learnt } = plan.base;
  const met = [...oilsBy].filter(([, mass]) => mass > 0);
  const all = met.reduce((sum, [, mass]) => sum + mass, 0);
  return canvasOfOils(
    met.flatMap(([group, mass]) => {
      const oils = oilsOf(plan, group);
      const part = met.length === 1 ? 1 : mass / all / Math.max(1, oilsSum(oils));
      return oils.map((o) => ({ material: materialOf(plan, o.materialId), share: o.percent * part }));
    }),
    scent && scentDose > 0 ? browningOf(scentBlend(plan, scent, 1), scentDose, scent.stabiliser) : null,
    milkShare(plan),
    learnt?.base,
  );
}

/** Canvas of a plan's batter, with or without its scent. */
export const planCanvas = (plan: Plan, scented: boolean): Canvas =>
  canvasAt(plan, scented ? (plan.base.scent?.dose ?? 0) : 0);

/** Doses as parts: what stands in several rows is one dose, which saturates as one. */
export function partsOf(
  doses: readonly { readonly material: Material; readonly dose: number }[],
): CompositionPart[] {
  const merged = new Map<Material, number>();
  for (const { material, dose } of doses)
    if (material.optics && dose > 0) merged.set(material, (merged.get(material) ?? 0) + dose);
  return [...merged].map(([material, dose]) => ({ optics: material.optics!, dose }));
}

/** Additives that go into every pot, and colour it. */
const commonParts = (plan: Plan): CompositionPart[] =>
  partsOf(
    plan.base.additives
      .filter((a) => a.moment !== 'top')
      .map((a) => ({ material: materialOf(plan, a.materialId), dose: a.dose })),
  );

/** Canvas of a pot: the oils, and what scent it holds, its own and its donors'. */
export function potCanvas(plan: Plan, pot: Pot, flow: Flow = flowOf(plan)): Canvas {
  const own = flow.pots.find((p) => p.pot.id === pot.id);
  if (!own || !(own.oils > 0))
    return canvasAt(plan, pot.scented && plan.base.scent ? scentRate(plan.base.scent, pot) : 0);
  return canvasAt(plan, (own.contents[flow.ledger.at('scent')]! * 1000) / own.oils, own.oilsBy);
}

/** Colour that is in a pot before its own doses: additives of the whole batch, and what its donors brought. */
export function inheritedDoses(
  plan: Plan,
  pot: Pot,
  { pots, ledger }: Flow = flowOf(plan),
): { readonly material: Material; readonly dose: number }[] {
  const own = pots.find((p) => p.pot.id === pot.id);
  if (!own || !(own.oils > 0)) return [];
  const added = new Float64Array(plan.materials.length);
  for (const d of own.doses) added[ledger.tint(d.row.materialId)]! += d.powder;
  return tinted(own.tint).flatMap((i) => {
    const dose = ((own.tint[i]! - added[i]!) * 1000) / own.oils;
    return dose > 1e-9 ? [{ material: plan.materials[i]!, dose }] : [];
  });
}

/**
 * A pot as it is planned, with other doses than the plan's, or as it was really made.
 * @param doses rows to count instead of the pot's own.
 * @param flow what was weighed, where that is not the plan.
 */
export function potComposition(plan: Plan, pot: Pot, doses?: readonly DoseRow[], flow?: Flow): Composition {
  const used = flow ?? flowOf(plan);
  const made = flow && used.pots.find((p) => p.pot.id === pot.id);
  const own =
    made && !doses
      ? made.doses.map((d) => ({
          material: materialOf(plan, d.row.materialId),
          dose: made.oils > 0 ? (d.powder * 1000) / made.oils : 0,
        }))
      : (doses ?? pot.doses).map((row) => ({ material: materialOf(plan, row.materialId), dose: row.dose }));
  return {
    canvas: potCanvas(plan, pot, used),
    parts: partsOf([...inheritedDoses(plan, pot, used), ...own]),
    age: pot.hoursBefore,
    gel: typeof pot.gelled === 'boolean' ? Number(pot.gelled) : null,
  };
}

/** The batter without the colour of any pot: the canvas everything else is painted on. */
export const bareComposition = (plan: Plan): Composition => ({
  canvas: planCanvas(plan, false),
  parts: commonParts(plan),
  age: 0,
  gel: null,
});
