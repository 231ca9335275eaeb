export const batchRoutes = {
  batches: '/api/batches',
  batchExample: '/api/batches/example',
  batch: (id: string) => `/api/batches/${encodeURIComponent(id)}`,
  batchHead: (id: string) => `/api/batches/${encodeURIComponent(id)}/head`,
  batchCopy: (id: string) => `/api/batches/${encodeURIComponent(id)}/copy`,
  batchRestore: (id: string) => `/api/batches/${encodeURIComponent(id)}/restore`,
} as const;
