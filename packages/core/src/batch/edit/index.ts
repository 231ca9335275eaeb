/*
 * Edits of a plan: plan in, plan out, nothing else touched. Ids come from the caller, so that an edit is the
 * same wherever it runs.
 */
export * from './base.ts';
export * from './block.ts';
export * from './doses.ts';
export * from './idea.ts';
export * from './pots.ts';
export * from './work.ts';
