export * from './leastSquares.ts';
export * from './linear.ts';
export * from './random.ts';
