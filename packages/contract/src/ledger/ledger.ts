import { type FaultId, type Judged, type Verdict } from '@kleur/core/record';
import { type BatchState, type BatchSummary, type FaceStripe } from '../batches/batches.ts';
import { type SeenPot } from '../record/record.ts';

/** What the ledger is asked for; what is not given is of no matter. */
export interface LedgerQuery {
  readonly page: number;
  /** Part of the name. */
  readonly q?: string;
  readonly state?: BatchState;
  /** `#rrggbb`: bars with a cured pot like this. */
  readonly colour?: string;
  /** ΔE00 within which a colour counts as like it. */
  readonly within?: number;
  /** Id of a material, a scent among them. */
  readonly material?: string;
  /** Part of the label of a lot. */
  readonly lot?: string;
  readonly technique?: string;
  readonly fault?: FaultId;
  readonly from?: string;
  readonly to?: string;
}

/** A batch in the ledger, with the pot that comes nearest to the colour that was asked for. */
export interface LedgerBatch extends BatchSummary {
  readonly nearest: { readonly name: string; readonly hex: string; readonly deltaE: number } | null;
}

export interface LedgerPage {
  readonly items: readonly LedgerBatch[];
  readonly total: number;
  readonly page: number;
  readonly pageSize: number;
}

export const LIKE_THIS = { usual: 10, min: 1, max: 60 } as const;

/** How something came out in a batch that used it. */
export interface PastResult {
  readonly batchId: string;
  readonly name: string;
  readonly madeOn: string | null;
  readonly face: readonly FaceStripe[];
  readonly seen: readonly SeenPot[];
  /** On the thing itself, else on the batch. */
  readonly verdict: Verdict | null;
  readonly faults: readonly FaultId[];
}

/** Of what past results are asked for; a batch as a whole is none of it. */
export type PastOf = Exclude<Judged, 'batch'>;
