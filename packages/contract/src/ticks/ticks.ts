/** A line of a batch's sheet that was ticked, or whose tick was taken back. Entries are never changed. */
export interface Tick {
  /** The line, as the sheet names it. */
  readonly lineId: string;
  readonly done: boolean;
}

export interface TickEntry extends Tick {
  readonly id: string;
  /** ISO 8601, UTC. */
  readonly at: string;
}

export const TICK_LIMITS = {
  line: 400,
  /** Entries of one batch; a sheet has a few hundred lines at most. */
  entries: 20_000,
} as const;
