/** What is known of a batch after the pour, and how it is made again. */
export {
  type Fault,
  FAULT_GROUPS,
  FAULT_IDS,
  type FaultGroup,
  FAULTS,
  faultById,
  type FaultId,
} from './faults.ts';
export {
  type BatchRecord,
  CUT_DIRECTIONS,
  type CutDirection,
  type CutRecord,
  type CutRegion,
  emptyRecord,
  type Fates,
  type FaultSeen,
  JUDGED,
  type Judged,
  type LyeState,
  lyeState,
  type LyeTest,
  isOnHold,
  PH_FAILS,
  PH_SOUND,
  RECORD_LIMITS,
  RECORD_SCHEMA,
  type RecordNote,
  REGION_USES,
  type RegionUse,
  SCENT_OUTCOMES,
  type ScentOutcome,
  setVerdict,
  type Verdict,
  verdictOn,
  VERDICTS,
} from './record.ts';
export {
  factorFor,
  goneFrom,
  inMould,
  mouldsTimes,
  onBase,
  type OtherBase,
  scaled,
  usedMaterials,
  withSubstitute,
} from './again.ts';
export { asMade } from './asMade.ts';
export { type LyeCheck, lyeCheckOf } from './hold.ts';
export { canBeCut, type CutPieces, type CutPlan, cutPlan, regionsOf } from './cutPlan.ts';
export { cureLossOf, type CureLoss, type LearnedLoss, learnLoss } from './loss.ts';
