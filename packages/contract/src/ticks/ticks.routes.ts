export const tickRoutes = {
  ticks: (batchId: string) => `/api/batches/${encodeURIComponent(batchId)}/ticks`,
} as const;
