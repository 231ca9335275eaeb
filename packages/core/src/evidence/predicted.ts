import { gelOf } from '../balance/gel.ts';
import { potComposition } from '../balance/potComposition.ts';
import { potDoubt } from '../balance/potDoubt.ts';
import { skinStage } from '../balance/skin.ts';
import { flowOf } from '../balance/balance.ts';
import { type LabD65 } from '../colour/lab.ts';
import { labOf } from '../pigment/composition.ts';
import { cured, CURED_HOURS, CUT_HOURS, type Stage, YEAR_HOURS } from '../pigment/stage.ts';
import { type Plan } from '../plan/plan.ts';
import { type Face, gelAt, type GelSeen, isOutside } from './reading.ts';

/** Hours for which a prediction is kept; between them it is drawn straight over the logarithm of time. */
export const PREDICTED_HOURS = [0, 12, CUT_HOURS, 168, 336, 672, CURED_HOURS, YEAR_HOURS] as const;

/** Colours at each of `PREDICTED_HOURS`. */
export type PredictedCourse = readonly LabD65[];

/** What was foretold of one pot. */
export interface PredictedPot {
  readonly potId: string;
  readonly name: string;
  /** Of the batter, 0–1. */
  readonly share: number;
  /** Inside and outside of the bar, ungelled and fully gelled. */
  readonly inside: readonly [PredictedCourse, PredictedCourse];
  readonly outside: readonly [PredictedCourse, PredictedCourse];
  /** ± ΔE00 that the model gave itself, cured. */
  readonly doubt: number;
}

/** The prediction of a batch as it was when it was poured. It stays, however plan and model change. */
export interface Predicted {
  /** Likelier by the plan: 0 or 1. */
  readonly gel: 0 | 1;
  readonly pots: readonly PredictedPot[];
}

const rounded = (lab: LabD65): LabD65 => lab.map((v) => Math.round(v * 1000) / 1000) as unknown as LabD65;

/** What a plan foretells of each of its pots. */
export function predictedOf(plan: Plan): Predicted {
  const { gel } = gelOf(plan);
  const flow = flowOf(plan);
  return {
    gel,
    pots: plan.pots.map((pot): PredictedPot => {
      const composition = potComposition(plan, pot);
      const course = (stage: (hours: number) => Stage): PredictedCourse =>
        PREDICTED_HOURS.map((hours) => rounded(labOf(composition, stage(hours))));
      const inside = (g: 0 | 1): PredictedCourse => course((hours) => ({ hours, gel: g }));
      const outside = (g: 0 | 1): PredictedCourse => course((hours) => skinStage(plan, { hours, gel: g }));
      const own = flow.pots.find((p) => p.pot.id === pot.id);
      return {
        potId: pot.id,
        name: pot.name,
        share: own ? (own.oils * Math.max(0, 1 - own.drawnOff)) / plan.base.totalOils : 0,
        inside: [inside(0), inside(1)],
        outside: [outside(0), outside(1)],
        doubt: potDoubt(plan, composition, cured(gel)).deltaE,
      };
    }),
  };
}

const mixed = (a: LabD65, b: LabD65, part: number): LabD65 =>
  a.map((v, i) => v + part * (b[i]! - v)) as unknown as LabD65;

/** A course at some hours. Before the first and after the last of them it stays as it is there. */
export function atHours(course: PredictedCourse, hours: number): LabD65 {
  const after = PREDICTED_HOURS.findIndex((h) => h >= hours);
  if (after === 0) return course[0]!;
  if (after < 0) return course.at(-1)!;
  const [from, to] = [PREDICTED_HOURS[after - 1]!, PREDICTED_HOURS[after]!];
  const part = (Math.log1p(hours) - Math.log1p(from)) / (Math.log1p(to) - Math.log1p(from));
  return mixed(course[after - 1]!, course[after]!, part);
}

/** What was foretold of a face after some hours, at the gel that was seen. */
export function foretold(
  { gel }: Pick<Predicted, 'gel'>,
  { inside, outside }: PredictedPot,
  seen: GelSeen | null,
  face: Face,
  hours: number,
): LabD65 {
  const [none, full] = isOutside(face) ? outside : inside;
  return mixed(atHours(none, hours), atHours(full, hours), gelAt(seen, face, gel));
}
