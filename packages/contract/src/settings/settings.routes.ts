export const settingsRoutes = {
  settings: '/api/settings',
} as const;
