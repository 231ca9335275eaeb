export const logRoutes = {
  /** `after`: a cursor that the server gave; 0 for everything. */
  log: (batchId: string, after = 0) =>
    `/api/batches/${encodeURIComponent(batchId)}/log${after > 0 ? `?after=${after}` : ''}`,
  /** Photos of the same steps in earlier batches. */
  looks: (batchId: string) => `/api/batches/${encodeURIComponent(batchId)}/looks`,
  /** What the logs of all batches say of this maker. */
  learned: (batchId: string) => `/api/batches/${encodeURIComponent(batchId)}/learned`,
} as const;
