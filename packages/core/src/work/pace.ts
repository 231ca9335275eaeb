import { type ScentFacts } from '../material/material.ts';
import { blendAcids, fattyFactors, wordFactor } from '../balance/blend.ts';
import { flowOf } from '../balance/balance.ts';
import { tinted } from '../balance/flow.ts';
import { concentrationOf, lyeRate } from '../balance/lye.ts';
import { milkShare } from '../plan/liquid.ts';
import { materialOf, type OilRow, oilsOf, type Plan } from '../plan/plan.ts';
import { scentBlend } from '../balance/scent.ts';

export const CONSISTENCIES = ['fluid', 'light', 'medium', 'thick', 'stiff'] as const;
export type Consistency = (typeof CONSISTENCIES)[number];

/** Minutes from emulsion in the reference: a balanced blend at 32 °C, 33 % lye, stirred by hand after emulsion. */
export const REFERENCE = { light: 12, medium: 22, thick: 35, stiff: 55 } as const;
/** How far the truth may lie from the figure, as factors. */
export const PACE_SPREAD = { low: 0.7, high: 1.4 } as const;

export const SCENT_FACTOR: Readonly<Record<ScentFacts['pace'], number>> = {
  slows: 1.3,
  none: 1,
  slight: 0.75,
  moderate: 0.5,
  strong: 0.25,
  seizes: 0.1,
};

export interface PaceFactor {
  readonly what: string;
  readonly factor: number;
}

export interface PotPace {
  readonly potId: string;
  /** What makes it faster (below 1) or slower. */
  readonly factors: readonly PaceFactor[];
  readonly factor: number;
  /** Minutes from emulsion at which it reaches each trace. */
  readonly light: number;
  readonly medium: number;
  readonly thick: number;
  readonly stiff: number;
}

const clamp = (v: number, low: number, high: number): number => Math.min(high, Math.max(low, v));

/** What sets the pace of the whole batter, or of a mini-batch with its own oils. */
export function basePace(plan: Plan, oils: readonly OilRow[] = plan.base.oils): PaceFactor[] {
  const { base, work } = plan;
  const blend = blendAcids(plan, oils);
  const { naoh, koh, liquid } = lyeRate(plan, oils);
  const concentration = concentrationOf(naoh + koh, liquid);
  const milk = milkShare(plan);
  return [
    ...(blend.known > 0
      ? Object.entries(fattyFactors(blend)).map(([what, factor]) => ({ what, factor }))
      : []),
    { what: 'the oils’ own pace', factor: wordFactor(plan, oils) },
    { what: 'temperature', factor: 0.5 ** ((base.temperature - 32) / 10) },
    { what: 'lye concentration', factor: concentration > 0 ? clamp(33 / concentration, 0.7, 1.4) : 1 },
    { what: 'milk', factor: 0.9 ** milk },
    { what: 'blending after emulsion', factor: 0.85 ** (work.blendSeconds / 10) },
    { what: 'as this maker works', factor: work.pace },
    ...base.additives
      .filter((a) => a.moment !== 'top')
      .map((a) => ({
        what: materialOf(plan, a.materialId).name,
        factor: doseFactor(plan, a.materialId, a.dose),
      })),
  ];
}

/** Minutes from emulsion to each trace of the whole batter, uncoloured and unscented, and what drives it most. */
export function batterPace(plan: Plan): {
  readonly light: number;
  readonly medium: number;
  readonly thick: number;
  readonly factors: readonly PaceFactor[];
} {
  const factors = basePace(plan);
  const factor = factors.reduce((product, f) => product * f.factor, 1);
  return {
    light: REFERENCE.light * factor,
    medium: REFERENCE.medium * factor,
    thick: REFERENCE.thick * factor,
    factors: factors.toSorted((a, b) => Math.abs(Math.log(b.factor)) - Math.abs(Math.log(a.factor))),
  };
}

/** A material's effect at a dose: its own factor at the typical dose, growing with the dose up to half as much again. */
export function doseFactor(plan: Plan, materialId: string, dose: number): number {
  const { pace, window } = materialOf(plan, materialId);
  return window && window.typical > 0 ? pace ** Math.min(1.5, dose / window.typical) : pace;
}

/** A rate that the pace of a scent is told of where the batch has none, g/kg oils. */
const USUAL_SCENT = 30;
/** Beyond this many times the batch's rate a scent speeds no further. */
const MOST_SCENT = 1.5;

/** How long each pot stays pourable, by starting values that a maker's own log would better. */
export function potPaces(plan: Plan): PotPace[] {
  const byOils = new Map<readonly OilRow[], PaceFactor[]>();
  const baseOf = (group: string | null): PaceFactor[] => {
    const oils = oilsOf(plan, group);
    const base = byOils.get(oils) ?? basePace(plan, oils);
    byOils.set(oils, base);
    return base;
  };
  const { scent } = plan.base;
  const blend = scent && scentBlend(plan, scent, 1);
  const flow = flowOf(plan);
  const scentAt = flow.ledger.at('scent');
  return flow.pots.map((p): PotPace => {
    const dose = p.oils > 0 ? (p.contents[scentAt]! * 1000) / p.oils : 0;
    const part = scent && dose > 0 ? Math.min(MOST_SCENT, dose / (scent.dose || USUAL_SCENT)) : 0;
    const factors: PaceFactor[] = [
      ...baseOf(p.group),
      ...(blend && part > 0 ? [{ what: 'scent', factor: SCENT_FACTOR[blend.pace] ** part }] : []),
      ...(p.oils > 0 ? tinted(p.tint) : []).flatMap((i) => {
        const m = plan.materials[i]!;
        const own = p.pot.doses.some((d) => d.materialId === m.id);
        const common = plan.base.additives.some((a) => a.materialId === m.id);
        return common && !own
          ? []
          : [{ what: m.name, factor: doseFactor(plan, m.id, (p.tint[i]! * 1000) / p.oils) }];
      }),
    ].filter((f) => Math.abs(f.factor - 1) > 0.005);
    const factor = factors.reduce((product, f) => product * f.factor, 1);
    return {
      potId: p.pot.id,
      factors,
      factor,
      light: REFERENCE.light * factor,
      medium: REFERENCE.medium * factor,
      thick: REFERENCE.thick * factor,
      stiff: REFERENCE.stiff * factor,
    };
  });
}

/** Minutes from emulsion in which a pot can be used for work that wants a consistency. */
export function windowFor(
  pace: Pick<PotPace, 'light' | 'medium' | 'thick' | 'stiff'>,
  want: Consistency,
): readonly [number, number] {
  switch (want) {
    case 'fluid':
      return [0, pace.medium];
    case 'light':
      return [0.6 * pace.light, pace.medium];
    case 'medium':
      return [0.8 * pace.medium, pace.thick];
    case 'thick':
      return [0.8 * pace.thick, pace.stiff];
    case 'stiff':
      return [0.8 * pace.stiff, 1.8 * pace.stiff];
  }
}
