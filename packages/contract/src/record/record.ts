import { type Predicted, type Reading } from '@kleur/core/evidence';
import { type Plan } from '@kleur/core/plan';
import { type BatchRecord, type FaultId, type Verdict } from '@kleur/core/record';
import { type BatchState, type FaceStripe } from '../batches/batches.ts';

/** The record of a batch, with its version: 0 while nothing was said yet. */
export interface RecordWire {
  readonly record: BatchRecord;
  readonly version: number;
}

/** A batch as it was when it was poured. */
export interface Poured {
  readonly plan: Plan;
  readonly predicted: Predicted;
  /** When this was put down, ISO 8601; null where it was not kept then and is worked out from the present plan. */
  readonly at: string | null;
}

/** A reading as it is sent: its hours follow from the day of the pour. */
export type ReadingWrite = Omit<Reading, 'hours'>;

export interface ReadingSend {
  readonly readings: readonly ReadingWrite[];
}

/** What is made again. */
export interface AgainWrite {
  readonly name: string;
  readonly plan: Plan;
}

/** A colour of a pot that was seen last. */
export interface SeenPot {
  readonly potId: string;
  readonly hex: string;
}

/** One version of a batch, in the line of those that were made from each other. */
export interface LineBatch {
  readonly id: string;
  readonly name: string;
  readonly parentId: string | null;
  readonly state: BatchState;
  readonly madeOn: string | null;
  readonly face: readonly FaceStripe[];
  readonly onHold: boolean;
  readonly seen: readonly SeenPot[];
  readonly faults: readonly FaultId[];
  readonly verdict: Verdict | null;
}
