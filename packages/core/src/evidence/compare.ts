import { flowOf } from '../balance/balance.ts';
import { potComposition } from '../balance/potComposition.ts';
import { type Weighed } from '../balance/weighed.ts';
import { deltaE00 } from '../colour/deltaE00.ts';
import { type LabD65 } from '../colour/lab.ts';
import { labOf } from '../pigment/composition.ts';
import { CURED_HOURS, CUT_HOURS } from '../pigment/stage.ts';
import { type Plan } from '../plan/plan.ts';
import { differenceWords } from './differenceWords.ts';
import { foretold, type Predicted } from './predicted.ts';
import { type Face, type GelSeen, type ReadAt, readAt, type Reading, stageOfFace } from './reading.ts';

/** One pot at one moment and face: as it was planned, as it was made, as it was seen. */
export interface ComparedPot {
  readonly potId: string;
  readonly name: string;
  readonly share: number;
  /** What the plan foretold when it was poured; null for a pot that came up at the bench. */
  readonly planned: LabD65 | null;
  /** What the model says of what really went in. */
  readonly made: LabD65;
  /** The mean of what was read; null while nothing was. */
  readonly seen: LabD65 | null;
  /** Of those readings, h: of the moment itself while there are none. */
  readonly hours: number;
  readonly readings: readonly Reading[];
  /** ± ΔE00 of the model, and of the readings. */
  readonly doubt: number;
  readonly seenDoubt: number;
  /** ΔE00; null where one of the two is missing. */
  readonly plannedToMade: number | null;
  readonly plannedToSeen: number | null;
  readonly madeToSeen: number | null;
  /** What was seen, beside what was planned, in words; null while nothing was. */
  readonly words: string | null;
  /** Whether what was seen lies within what model and reading gave themselves. */
  readonly within: boolean | null;
}

/** What really went into a batch, as its log says. */
export interface MadeBatch {
  readonly plan: Plan;
  readonly weighed?: Weighed;
}

const USUAL_HOURS: Readonly<Record<ReadAt, number>> = { pour: 0, cut: CUT_HOURS, cure: CURED_HOURS };

/** Pots of a batch that can be looked at afterwards: not one that stands for another as it was at some moment. */
const isSeen = (id: string): boolean => !id.includes('/') && !id.startsWith('spare:');

/**
 * All pots at one moment and face.
 * @param readings of the batch; the latest day of the moment counts, several of it are averaged
 */
export function comparePots(
  predicted: Predicted,
  made: MadeBatch,
  seen: GelSeen | null,
  readings: readonly Reading[],
  at: ReadAt,
  face: Face,
): ComparedPot[] {
  const flow = flowOf(made.plan, made.weighed);
  return made.plan.pots
    .filter((p) => isSeen(p.id))
    .map((pot): ComparedPot => {
      const was = predicted.pots.find((p) => p.potId === pot.id);
      const own = lastDay(readings.filter((r) => r.potId === pot.id && r.face === face && readAt(r) === at));
      const hours = own[0]?.hours ?? USUAL_HOURS[at];
      const gelled = own[0]?.gelled;
      const stage = stageOfFace(made.plan, seen, predicted.gel, {
        face,
        hours,
        ...(gelled !== undefined && { gelled }),
      });
      const madeLab = labOf(potComposition(made.plan, pot, undefined, flow), stage);
      const planned = was ? foretold(predicted, was, seen, face, hours) : null;
      const seenLab = own.length > 0 ? meanLab(own.map((r) => r.lab)) : null;
      const between = (a: LabD65 | null, b: LabD65 | null): number | null => (a && b ? deltaE00(a, b) : null);
      const doubt = was?.doubt ?? 0;
      const seenDoubt = own.length > 0 ? Math.max(...own.map((r) => r.doubt)) / Math.sqrt(own.length) : 0;
      const madeToSeen = between(madeLab, seenLab);
      const inMould = flow.pots.find((p) => p.pot.id === pot.id);
      return {
        potId: pot.id,
        name: pot.name,
        share: inMould ? (inMould.oils * Math.max(0, 1 - inMould.drawnOff)) / made.plan.base.totalOils : 0,
        planned,
        made: madeLab,
        seen: seenLab,
        hours,
        readings: own,
        doubt,
        seenDoubt,
        plannedToMade: between(planned, madeLab),
        plannedToSeen: between(planned, seenLab),
        madeToSeen,
        words: seenLab ? differenceWords(planned ?? madeLab, seenLab) : null,
        within: madeToSeen === null ? null : madeToSeen <= Math.hypot(doubt, seenDoubt),
      };
    });
}

/** Readings of the latest day among them. */
function lastDay(readings: readonly Reading[]): Reading[] {
  const last = readings
    .map((r) => r.on)
    .sort()
    .at(-1);
  return readings.filter((r) => r.on === last);
}

const meanLab = (labs: readonly LabD65[]): LabD65 =>
  [0, 1, 2].map((i) => labs.reduce((sum, lab) => sum + lab[i]!, 0) / labs.length) as unknown as LabD65;

/** Moments and faces that a batch has readings of, the latest first. */
export function seenAt(readings: readonly Reading[]): { readonly at: ReadAt; readonly face: Face }[] {
  const found = new Map<string, { at: ReadAt; face: Face }>();
  for (const r of readings.toSorted((a, b) => b.hours - a.hours)) {
    const at = readAt(r);
    found.set(`${at} ${r.face}`, { at, face: r.face });
  }
  return [...found.values()];
}
