const of = (batchId: string): string => `/api/batches/${encodeURIComponent(batchId)}`;

export const recordRoutes = {
  record: (batchId: string) => `${of(batchId)}/record`,
  /** The plan and its prediction as they were at the pour. */
  poured: (batchId: string) => `${of(batchId)}/poured`,
  readings: (batchId: string) => `${of(batchId)}/readings`,
  reading: (batchId: string, id: string) => `${of(batchId)}/readings/${encodeURIComponent(id)}`,
  readingRestore: (batchId: string, id: string) =>
    `${of(batchId)}/readings/${encodeURIComponent(id)}/restore`,
  /** Makes a batch that stands in the line of this one. */
  again: (batchId: string) => `${of(batchId)}/again`,
  /** All versions of a batch. */
  line: (batchId: string) => `${of(batchId)}/line`,
} as const;
