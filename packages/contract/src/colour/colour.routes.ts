export const colourRoutes = {
  predict: '/api/colour/predict',
  match: '/api/colour/match',
} as const;
