export const copyRoutes = {
  copies: '/api/copies',
  copy: (name: string) => `/api/copies/${encodeURIComponent(name)}`,
  copyRestore: (name: string) => `/api/copies/${encodeURIComponent(name)}/restore`,
} as const;
