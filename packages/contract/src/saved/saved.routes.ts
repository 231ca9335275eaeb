export const savedRoutes = {
  moulds: '/api/moulds',
  mould: (id: string) => `/api/moulds/${encodeURIComponent(id)}`,
  mouldRestore: (id: string) => `/api/moulds/${encodeURIComponent(id)}/restore`,
  recipes: '/api/recipes',
  recipe: (id: string) => `/api/recipes/${encodeURIComponent(id)}`,
  recipeRestore: (id: string) => `/api/recipes/${encodeURIComponent(id)}/restore`,
} as const;
