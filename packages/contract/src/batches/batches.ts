import { type Plan } from '@kleur/core/plan';

export const BATCH_STATES = ['idea', 'planned', 'poured', 'curing', 'finished'] as const;
export type BatchState = (typeof BATCH_STATES)[number];

/** Whether a batch of this state was poured, so that its plan tells what was made. */
export const isMade = (state: BatchState): boolean => state !== 'idea' && state !== 'planned';

/** One colour of the bar, as the list shows it. */
export interface FaceStripe {
  readonly name: string;
  /** Predicted at cure, `#rrggbb`. */
  readonly hex: string;
  /** Share of the batter, 0–1. */
  readonly share: number;
}

export interface BatchSummary {
  readonly id: string;
  readonly name: string;
  readonly state: BatchState;
  /** Day of making, `YYYY-MM-DD`, or null while open. */
  readonly madeOn: string | null;
  readonly totalOils: number;
  readonly face: readonly FaceStripe[];
  /** The soap may contain lye: neither ready nor for use or sale before a test allows it. */
  readonly onHold: boolean;
  readonly version: number;
  readonly updatedAt: string;
}

export interface BatchPage {
  readonly items: readonly BatchSummary[];
  readonly total: number;
  readonly page: number;
  readonly pageSize: number;
}

export const PAGE_LIMITS = { defaultSize: 24, maxSize: 100, maxPage: 100_000, query: 80 } as const;

/** What a client may set. */
export interface BatchWrite {
  readonly name: string;
  readonly state: BatchState;
  readonly madeOn: string | null;
  readonly plan: Plan;
}

export interface BatchDocument extends BatchWrite {
  readonly id: string;
  /** Sent back with every update; a stale one is refused. */
  readonly version: number;
  /** The batch that it was made again from; null for none. */
  readonly parentId: string | null;
  /** The soap may contain lye: neither ready nor for use or sale before a test allows it. */
  readonly onHold: boolean;
  readonly createdAt: string;
  readonly updatedAt: string;
  /** Entries of the stored plan that cannot be read and were left out; absent for none. */
  readonly leftOut?: number;
}
