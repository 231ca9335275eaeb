export const logRoutes = {
  /** `after`: a cursor that the server gave; 0 for everything. */
  log: (batchId: string, after = 0) =>
    `/api/batches/${encodeURIComponent(batchId)}/log${after > 0 ? `?after=${after}` : ''}`,
} as const;
