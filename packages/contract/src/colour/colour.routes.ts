export const colourRoutes = {
  predict: '/api/colour/predict',
  match: '/api/colour/match',
  fit: '/api/colour/fit',
} as const;
