/** What was really seen: readings, photos with a card, and what they say beside plan and making. */
export {
  asFitReading,
  type BookReading,
  bookReadings,
  colourantToFit,
  fitMaterial,
  type PotReading,
  testBarReading,
} from './book.ts';
export {
  type BarOfPicture,
  type CardInPicture,
  type CardPatch,
  type CardRefusal,
  type PictureByCard,
  readByCard,
  REFUSAL_TEXT,
} from './card.ts';
export { type ComparedPot, comparePots, type MadeBatch, seenAt } from './compare.ts';
export { AS_MEANT, differenceWords } from './differenceWords.ts';
export { gelHabit } from './gelHabit.ts';
export { type BaseHabits, baseHabits } from './habits.ts';
export { type Light, LIGHTS } from './light.ts';
export { isEarlierLot, type LotReading, shelfIdOf, splitLots } from './lots.ts';
export { type Expected, looksLike, type Measured, measuredOf } from './measured.ts';
export { type Patch, patchOf } from './patch.ts';
export { foretold, type Predicted, PREDICTED_HOURS, predictedOf, type PredictedPot } from './predicted.ts';
export {
  type Face,
  FACES,
  facesOf,
  gelAt,
  GELS_SEEN,
  type GelSeen,
  hoursBetween,
  HOW_DOUBT,
  isOutside,
  READ_AT,
  READ_HOW,
  type ReadAt,
  readAt,
  type ReadHow,
  type Reading,
  READING_LIMITS,
  READING_PROBLEM_TEXT,
  type ReadingProblem,
  readingProblem,
  type ReadWith,
  stageOfFace,
} from './reading.ts';
export { standInBar } from './standInBar.ts';
export { colourFromText, type TypedColour } from './typedColour.ts';
export {
  TEST_BAR_LIMITS,
  type TestBar,
  testBarCanvas,
  testBarProblem,
  type TestBarProblem,
} from './testBar.ts';
export { type ProposedBar, proposeTrial, TRIAL_LIMITS, type TrialBar, type TrialQuestion } from './trial.ts';
export { farFromBases, NEAR_A_BASE } from './uncoloured.ts';
