import { type ScreenColour, screenColourFromLabD65 } from '../colour/gamut.ts';
import { type LabD65, labD65FromReflectance } from '../colour/lab.ts';
import { type Material, TAN_AS_VANILLIN } from '../material/material.ts';
import { type Canvas, type ScentBrowning } from '../pigment/canvas.ts';
import { createMixer, predictLab } from '../pigment/mixer.ts';
import { type Optics } from '../pigment/optics.ts';
import { type Stage } from '../pigment/stage.ts';
import { flowOf } from './balance.ts';
import { tinted } from './flow.ts';
import { oilsSum } from './lye.ts';
import { type DoseRow, materialOf, oilsOf, type Plan, type Pot } from './plan.ts';
import { browningOf, scentBlend } from './scent.ts';

interface Part {
  readonly optics: Optics;
  readonly dose: number;
}

/** What is in a pot, as far as its colour goes. */
export interface Composition {
  readonly canvas: Canvas;
  readonly parts: readonly Part[];
  /** Hours that it is older than the last pour. */
  readonly age: number;
  /** Gel of its own, whatever the batch does; null to go with the batch. */
  readonly gel: number | null;
}

export interface PredictedColour extends ScreenColour {
  readonly lab: LabD65;
}

/** Tint of an oil blend: the oils' amounts weighted by share. Shares are normalised, so 99.7 % is no darker. */
export function canvasOfOils(
  oils: readonly { readonly material: Material; readonly share: number }[],
  scent: ScentBrowning | null = null,
  milk = 0,
): Canvas {
  const sum = oils.reduce((total, o) => total + o.share, 0);
  const mean = (of: (m: Material) => number): number =>
    sum > 0 ? oils.reduce((total, o) => total + o.share * of(o.material), 0) / sum : 0;
  return {
    carotenoid: mean((m) => m.oil?.carotenoid ?? 0),
    chlorophyll: mean((m) => m.oil?.chlorophyll ?? 0),
    brown: mean((m) => m.oil?.brown ?? 0),
    milk,
    scent,
  };
}

/** Browning that a scent brings at a dose in g per kg oils. */
export const scentBrowning = (scent: Material, dose: number): ScentBrowning =>
  browningOf(
    { vanillin: scent.scent?.vanillin ?? 0, tan: TAN_AS_VANILLIN[scent.scent?.tan ?? 'none'] },
    dose,
  );

const milkOf = (plan: Plan): number =>
  plan.base.liquid.parts.reduce((sum, p) => sum + (p.kind === 'milk' ? p.percent / 100 : 0), 0);

/** `oilsBy`: g of oils by the lye that they met, as `PotFlow` has it. */
function canvasAt(
  plan: Plan,
  scentDose: number,
  oilsBy: ReadonlyMap<string | null, number> = new Map([[null, 1]]),
): Canvas {
  const { scent } = plan.base;
  const met = [...oilsBy].filter(([, mass]) => mass > 0);
  const all = met.reduce((sum, [, mass]) => sum + mass, 0);
  return canvasOfOils(
    met.flatMap(([group, mass]) => {
      const oils = oilsOf(plan, group);
      const part = met.length === 1 ? 1 : mass / all / Math.max(1, oilsSum(oils));
      return oils.map((o) => ({ material: materialOf(plan, o.materialId), share: o.percent * part }));
    }),
    scent && scentDose > 0 ? browningOf(scentBlend(plan, scent, 1), scentDose, scent.stabiliser) : null,
    milkOf(plan),
  );
}

/** Canvas of a plan's batter, with or without its scent. */
export const planCanvas = (plan: Plan, scented: boolean): Canvas =>
  canvasAt(plan, scented ? (plan.base.scent?.dose ?? 0) : 0);

/** Additives that go into every pot, and colour it. */
const commonParts = (plan: Plan): Part[] =>
  plan.base.additives.flatMap((a) => {
    const { optics } = materialOf(plan, a.materialId);
    return optics && a.dose > 0 && a.moment !== 'top' ? [{ optics, dose: a.dose }] : [];
  });

/** Canvas of a pot: the oils, and what scent it holds, its own and its donors'. */
export function potCanvas(plan: Plan, pot: Pot): Canvas {
  const flow = flowOf(plan);
  const own = flow.pots.find((p) => p.pot.id === pot.id);
  if (!own || !(own.oils > 0)) return planCanvas(plan, pot.scented);
  return canvasAt(plan, (own.contents[flow.ledger.at('scent')]! * 1000) / own.oils, own.oilsBy);
}

/** Colour that is in a pot before its own doses: additives of the whole batch, and what its donors brought. */
export function inheritedDoses(
  plan: Plan,
  pot: Pot,
): { readonly material: Material; readonly dose: number }[] {
  const { pots, ledger } = flowOf(plan);
  const own = pots.find((p) => p.pot.id === pot.id);
  if (!own || !(own.oils > 0)) return [];
  const added = new Float64Array(plan.materials.length);
  for (const d of own.doses) added[ledger.tint(d.row.materialId)]! += d.powder;
  return tinted(own.tint).flatMap((i) => {
    const dose = ((own.tint[i]! - added[i]!) * 1000) / own.oils;
    return dose > 1e-9 ? [{ material: plan.materials[i]!, dose }] : [];
  });
}

/** A pot as it is planned, or with other doses than the plan's. */
export function potComposition(plan: Plan, pot: Pot, doses: readonly DoseRow[] = pot.doses): Composition {
  const given = inheritedDoses(plan, pot);
  const own = doses.map((row) => ({ material: materialOf(plan, row.materialId), dose: row.dose }));
  const merged = new Map<Material, number>();
  for (const { material, dose } of [...given, ...own]) {
    if (material.optics && dose > 0) merged.set(material, (merged.get(material) ?? 0) + dose);
  }
  return {
    canvas: potCanvas(plan, pot),
    parts: [...merged].map(([material, dose]) => ({ optics: material.optics!, dose })),
    age: pot.hoursBefore,
    gel: null,
  };
}

/** The batter without the colour of any pot: the canvas everything else is painted on. */
export const bareComposition = (plan: Plan): Composition => ({
  canvas: planCanvas(plan, false),
  parts: commonParts(plan),
  age: 0,
  gel: null,
});

/** The stage that a composition is at when the batch is at one. */
export const stageOf = ({ age, gel }: Composition, stage: Stage): Stage => ({
  hours: stage.hours + age,
  gel: gel ?? stage.gel,
});

/** Reflectance (36 bands, gloss excluded) of a composition at a stage. */
export function predictReflectance(composition: Composition, stage: Stage): Float64Array {
  const { canvas, parts } = composition;
  const mixer = createMixer(
    canvas,
    parts.map((p) => p.optics),
    stageOf(composition, stage),
  );
  return mixer.reflectance(parts.map((p) => p.dose));
}

/** CIELAB D65 of a composition at a stage. */
export const labOf = (composition: Composition, stage: Stage): LabD65 =>
  predictLab(composition.canvas, composition.parts, stageOf(composition, stage));

/** Colour of a composition at a stage. */
export function predictColour(composition: Composition, stage: Stage): PredictedColour {
  const lab = labD65FromReflectance(predictReflectance(composition, stage));
  return { lab, ...screenColourFromLabD65(lab) };
}
