export * from './leastSquares.ts';
export * from './linear.ts';
