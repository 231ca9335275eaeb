/** The computation of Kleur: colour, pigments, materials, batches, units. No interface, no clock, no I/O. */

export { BAND_COUNT, type Spectrum, wavelengths } from './colour/bands.ts';
export { deltaE00 } from './colour/deltaE00.ts';
export { type ScreenColour, screenColourFromLabD65 } from './colour/gamut.ts';
export {
  type LabD50,
  type LabD65,
  labD50FromReflectance,
  labD65FromReflectance,
  type Xyz,
} from './colour/lab.ts';
export { HEX_PATTERN, labD65FromHex } from './colour/srgb.ts';

export { type Canvas, referenceCanvas, type ScentBrowning } from './pigment/canvas.ts';
export { createMixer, MAX_REFLECTANCE, type Mixer, predictLab } from './pigment/mixer.ts';
export { type Optics, type Shimmer } from './pigment/optics.ts';
export { atCut, cured, CURED_HOURS, CUT_HOURS, fresh, type Stage } from './pigment/stage.ts';

export { startingShelf } from './material/catalogue/index.ts';
export { cautionText } from './material/cautions.ts';
export {
  type Carrier,
  CARRIER_MEDIA,
  type CarrierMedium,
  type Caution,
  CAUTIONS,
  type Claim,
  CLAIMS,
  type DoseWindow,
  isDosed,
  isWeighedCarrier,
  type Material,
  MATERIAL_KINDS,
  type MaterialKind,
  type OilFacts,
  type ScentFacts,
} from './material/material.ts';
export { defaultOptics } from './material/ownMaterial.ts';
export { type ShelfFace, shelfFace, type TintLadder, tintLadder } from './material/tintLadder.ts';

export { type Check, type CheckLevel, type CheckPlace } from './batch/checks/check.ts';
export { checkPlan } from './batch/checks/index.ts';
export {
  bareComposition,
  canvasOfOils,
  type Composition,
  planCanvas,
  potComposition,
  predictColour,
  type PredictedColour,
  predictReflectance,
  scentBrowning,
} from './batch/composition.ts';
export { carrierMass, dispersionHint, mediumName } from './batch/dispersion.ts';
export {
  addDose,
  addOil,
  addPot,
  copyPot,
  type FormulaPart,
  movePot,
  normaliseOils,
  type PalettePot,
  potsFromPalette,
  refreshMaterial,
  removeDose,
  removeOil,
  removePot,
  setBase,
  setDose,
  setFormula,
  setOilMass,
  setOilPercent,
  setPalette,
  setPaletteColour,
  setPot,
  setScent,
  setTechnique,
} from './batch/edit.ts';
export { type Batter, batterOf, type LyeStop, oilsAddUp, oilsSum } from './batch/lye.ts';
export {
  type Base,
  type DoseRow,
  emptyPlan,
  type Idea,
  materialOf,
  type OilRow,
  type PaletteColour,
  type Plan,
  PLAN_LIMITS,
  PLAN_SCHEMA,
  type PlanFault,
  planFaults,
  type Pot,
  pruneMaterials,
  type ScentChoice,
  upgradePlan,
} from './batch/plan.ts';
export { type PotShare, potShares } from './batch/pots.ts';
export { type PrepPot, type PrepRow, type PrepSheet, prepSheet } from './batch/prep.ts';

export {
  DOSE_UNITS,
  type DoseContext,
  doseFromUnit,
  doseInUnit,
  type DoseProblem,
  type DoseUnit,
  doseUnitProblem,
  teaspoonsOf,
} from './units/dose.ts';
export { type Measured, measure, type Measuring, roundToDivision, SCALE_DIVISIONS } from './units/measure.ts';
export { type NumberProblem, type NumberRange, type ParsedNumber, parseNumber } from './units/parseNumber.ts';
export {
  type DecimalMark,
  printFixed,
  printNumber,
  printSignificant,
  printSpoonSum,
  spoonName,
} from './units/print.ts';
export {
  type Grams,
  grams,
  type GramsPerKg,
  gramsPerKg,
  massOfDose,
  type Millilitres,
} from './units/quantity.ts';
export { type Spoon, SPOON_SYSTEMS, SPOONS, type SpoonSum, type SpoonSystem } from './units/spoons.ts';

export { anything, type Candidate, candidatesOf, type MatchFilter } from './match/candidates.ts';
export { matchColour } from './match/match.ts';
export {
  GOOD_MATCH,
  type MatchProblem,
  type MatchResult,
  type Recipe,
  type RecipePart,
  type RecipeVirtue,
  TOTAL_CEILING,
} from './match/problem.ts';
export { type Resolution } from './match/rounding.ts';
export { type Adjusted, adjustColour, type Direction, DIRECTIONS, moveColour } from './match/adjust.ts';
export { type Ladder, LADDER_POTS, type LadderProblem, type Ladders, solveLadders } from './match/ladder.ts';

export {
  checkApart,
  greyOrder,
  type Mend,
  mendPair,
  type TouchingPair,
  touchingPairs,
} from './palette/apart.ts';
export {
  angleOfHue,
  harmony,
  HARMONY_COUNT,
  type HarmonySettings,
  hueOfAngle,
  labFromOklch,
  oklchFromLab,
  type Scheme,
  SCHEMES,
  type Wheel,
  WHEELS,
} from './palette/harmony.ts';
export { type Blend, blendPots, MUD_BELOW } from './palette/mud.ts';
export { PHOTO_COLOURS, type PhotoColour, photoColours, seededRandom } from './palette/photo.ts';
export { REACH_SLICES, type ReachPoint, type ReachSlice, reachSlices } from './palette/reach.ts';
export { OMBRE_MOST, type Technique, techniqueById, TECHNIQUES } from './palette/technique.ts';
export { DEFICIENCIES, type Deficiency, simulateDeficiency } from './palette/vision.ts';

export { parseAse, printAse } from './formats/ase.ts';
export { csvFromPalette, type CsvRows, paletteFromCsv } from './formats/csv.ts';
export { parseGpl, printGpl } from './formats/gpl.ts';
export {
  type FileColour,
  FormatError,
  MOST_FILE_BYTES,
  MOST_FILE_COLOURS,
  type PaletteFile,
} from './formats/paletteFile.ts';
export { type ImageSize, imageSize, MOST_PIXELS } from './formats/imageSize.ts';
