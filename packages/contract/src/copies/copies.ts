export const COPY_REASONS = [
  'before-migration',
  'before-reset',
  'before-restore',
  'daily',
  'by-hand',
] as const;
/** Why a copy of the data file was made. */
export type CopyReason = (typeof COPY_REASONS)[number];

export interface Copy {
  /** Name of its file. */
  readonly name: string;
  readonly at: string;
  readonly reason: CopyReason;
  readonly bytes: number;
}

/** What is in a copy. */
export interface CopyContent {
  readonly batches: number;
  readonly materials: number;
  readonly palettes: number;
  readonly moulds: number;
  readonly recipes: number;
  /** The latest batches. */
  readonly latest: readonly { readonly name: string; readonly updatedAt: string }[];
}

/** Most batches of a copy that are named. */
export const COPY_LATEST = 12;
