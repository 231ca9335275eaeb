/** What readings of real bars say of colourants and base. */
export { type FitResult, fitReadings, type FittedMaterial, type FittedReading, refitTouched } from './fit.ts';
export { type FitKnown } from './layout.ts';
export { type FitMaterial, type FitProblem, type FitReading } from './problem.ts';
export { type Candidate, type Probe, proposeBars, type Proposal } from './propose.ts';
