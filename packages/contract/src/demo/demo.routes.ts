export const demoRoutes = {
  demoReset: '/api/demo/reset',
} as const;
