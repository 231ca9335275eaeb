export const materialRoutes = {
  materials: '/api/materials',
  material: (id: string) => `/api/materials/${encodeURIComponent(id)}`,
  materialRestore: (id: string) => `/api/materials/${encodeURIComponent(id)}/restore`,
} as const;
