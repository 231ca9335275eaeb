export const paletteRoutes = {
  palettes: '/api/palettes',
  palette: (id: string) => `/api/palettes/${encodeURIComponent(id)}`,
  paletteRestore: (id: string) => `/api/palettes/${encodeURIComponent(id)}/restore`,
} as const;
