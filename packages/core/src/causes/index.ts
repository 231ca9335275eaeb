/** Why a batch came out as it did, as far as its own record tells. */
export { type Cause, type Evidence, type NextTime, type RankedCause } from './cause.ts';
export { CAUSES, causesOf, RESCUES } from './causes.ts';
export { batchFacts, type BatchFacts, type CauseContext } from './facts.ts';
