/** Paths under the origin. `:id` is filled by the caller. */
export const routes = {
  health: '/api/health',
  openapi: '/api/openapi.json',
  batches: '/api/batches',
  batch: (id: string) => `/api/batches/${encodeURIComponent(id)}`,
  batchCopy: (id: string) => `/api/batches/${encodeURIComponent(id)}/copy`,
  batchRestore: (id: string) => `/api/batches/${encodeURIComponent(id)}/restore`,
  materials: '/api/materials',
  material: (id: string) => `/api/materials/${encodeURIComponent(id)}`,
  materialRestore: (id: string) => `/api/materials/${encodeURIComponent(id)}/restore`,
  settings: '/api/settings',
  demoReset: '/api/demo/reset',
  predict: '/api/colour/predict',
  match: '/api/colour/match',
  palettes: '/api/palettes',
  palette: (id: string) => `/api/palettes/${encodeURIComponent(id)}`,
  paletteRestore: (id: string) => `/api/palettes/${encodeURIComponent(id)}/restore`,
  moulds: '/api/moulds',
  mould: (id: string) => `/api/moulds/${encodeURIComponent(id)}`,
  mouldRestore: (id: string) => `/api/moulds/${encodeURIComponent(id)}/restore`,
  recipes: '/api/recipes',
  recipe: (id: string) => `/api/recipes/${encodeURIComponent(id)}`,
  recipeRestore: (id: string) => `/api/recipes/${encodeURIComponent(id)}/restore`,
} as const;

/** Largest request body the server reads. A full plan is under a tenth of it. */
export const BODY_LIMIT_BYTES = 1_000_000;
