export * from './base.ts';
export * from './block.ts';
export * from './pots.ts';
