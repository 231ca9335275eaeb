/** The computation of Kleur: colour, pigments, materials, batches, units. No interface, no clock, no I/O. */

export { additiveEffects } from './batch/additive.ts';
export { PLAN_LIMITS } from './batch/limits.ts';
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
  FATTY_ACIDS,
  isDosed,
  isWhitener,
  isWeighedCarrier,
  LIMIT_BASES,
  type LimitBasis,
  type Material,
  MATERIAL_KINDS,
  type MaterialKind,
  type OilFacts,
  type ScentFacts,
} from './material/material.ts';
export { defaultOptics } from './material/ownMaterial.ts';
export { upgradeMaterial } from './material/upgrade.ts';
export { type ShelfFace, shelfFace, type TintLadder, tintLadder } from './material/tintLadder.ts';

export {
  type BlendProperties,
  blendProperties,
  type OilBrings,
  oilsBring,
  propertiesOf,
  USUAL,
} from './batch/blend.ts';
export { flowOf } from './batch/balance.ts';
export {
  type Check,
  type CheckContext,
  type CheckLevel,
  type CheckPlace,
  type Repair,
  type ShelfState,
} from './batch/checks/check.ts';
export { checkPlan } from './batch/checks/index.ts';
export {
  bareComposition,
  canvasOfOils,
  type Composition,
  inheritedDoses,
  labOf,
  planCanvas,
  potCanvas,
  potComposition,
  predictColour,
  type PredictedColour,
  predictReflectance,
  scentBrowning,
} from './batch/composition.ts';
export {
  carrierMass,
  carrierOilBalance,
  liquidName,
  type Dispersion,
  dispersionHint,
  type DispersionUse,
  dispersions,
  mediumName,
} from './batch/dispersion.ts';
export {
  addAdditive,
  addDose,
  addDraw,
  addEmbed,
  addEmbedDose,
  addLine,
  addOil,
  addPot,
  addScentPart,
  changeScent,
  copyPot,
  type FormulaPart,
  movePot,
  normaliseOils,
  type PalettePot,
  potsFromPalette,
  refreshMaterial,
  removeAdditive,
  removeDose,
  removeDraw,
  removeEmbed,
  removeLine,
  removeOil,
  removePot,
  removeScentPart,
  setAdditive,
  setBase,
  setCarrierOil,
  setCarrierSource,
  setDispersion,
  setDose,
  setDraw,
  setEmbed,
  setFormula,
  setLine,
  setLiquidWay,
  setMould,
  setMoulding,
  setOilMass,
  setOilPercent,
  setOils,
  setPalette,
  setPaletteColour,
  setParts,
  setPot,
  setScent,
  setTechnique,
  setWork,
  useRecipe,
} from './batch/edit/index.ts';
export {
  type Embed,
  type EmbedBase,
  EMBED_BASES,
  EMBED_SHAPES,
  type EmbedShape,
  type PowderLine,
} from './batch/embed.ts';
export { embedComposition, type EmbedFacts, embedFacts, lineMass } from './batch/embedFacts.ts';
export { type IntegrityProblem, integrityProblems } from './batch/integrity.ts';
export {
  barWeights,
  type BarWeights,
  cureLoss,
  type Fill,
  fillOf,
  type SolveGoal,
  solveOils,
} from './batch/fill.ts';
export { type DrawFlow, type Flow, type LyeFlow, type PotFlow, totalOf } from './batch/flow.ts';
export { wouldCycle } from './batch/graph.ts';
export {
  type Batter,
  batterOf,
  concentrationOf,
  lyeRate,
  type LyeStop,
  oilsAddUp,
  oilsSum,
  sapNaoh,
  superfatRange,
} from './batch/lye.ts';
export {
  type BarCut,
  type Bars,
  barsOf,
  barsOfMould,
  dividedFill,
  dividedMould,
  type Mould,
  MOULD_SHAPES,
  type Moulding,
  type MouldProblem,
  mouldProblem,
  type MouldRow,
  type MouldShape,
  mouldVolume,
  plainMould,
  sectionVolume,
} from './batch/mould.ts';
export { type WorkOrder, workOrder } from './batch/order.ts';
export { type PotPace, PACE_SPREAD } from './batch/pace.ts';
export {
  ADDITIVE_MOMENTS,
  type AdditiveMoment,
  type AdditiveRow,
  type Base,
  blendsOf,
  CARRIER_SOURCES,
  type CarrierSource,
  type DoseRow,
  type Draw,
  emptyPlan,
  type Finish,
  FINISHES,
  HEATS,
  type Idea,
  type LiquidChoice,
  type LiquidKind,
  LIQUID_KINDS,
  type LiquidPart,
  LIQUID_WAYS,
  type LiquidWay,
  type LyeChoice,
  materialOf,
  newPot,
  type OilRow,
  oilsOf,
  onePart,
  type PaletteColour,
  type Plan,
  PLAN_SCHEMA,
  type Pot,
  POT_PLACES,
  type PotPlace,
  pruneMaterials,
  type ScentChoice,
  SCENT_MOMENTS,
  type ScentMoment,
  type ScentPart,
  SHARE_WAYS,
  type ShareWay,
  type SharedDispersion,
  type Stock,
  TAKEN,
  type Taken,
  USES,
  type Work,
} from './batch/plan.ts';
export {
  type PrepAdditive,
  type PrepPot,
  type PrepRow,
  type PrepSheet,
  prepSheet,
  type Weighing,
} from './batch/prep.ts';
export { productPerOil } from './batch/product.ts';
export { browningOf, type ScentBlend, scentBlend, stabiliserFor } from './batch/scent.ts';
export { type MouldTask, type PotStep, type Task, type Timeline, timelineOf } from './batch/timeline.ts';
export { upgradePlan } from './batch/upgrade.ts';
export * as why from './batch/why/index.ts';

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
export {
  levelSpoons,
  type Measured,
  measure,
  type Measuring,
  roundToDivision,
  SCALE_DIVISIONS,
} from './units/measure.ts';
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
export {
  FILL_RANGE,
  type Spoon,
  SPOON_FILLS,
  type SpoonFill,
  SPOON_SYSTEMS,
  SPOONS,
  type SpoonSum,
  type SpoonSystem,
} from './units/spoons.ts';

export {
  LENGTH_DIGITS,
  LENGTH_UNITS,
  lengthFromUnit,
  lengthInUnit,
  type LengthUnit,
  MASS_DIGITS,
  MASS_UNITS,
  massFromUnit,
  massInUnit,
  type MassUnit,
  metricUnits,
  type Say,
  sayIn,
  TEMPERATURE_UNITS,
  temperatureFromUnit,
  temperatureInUnit,
  type TemperatureUnit,
  type Units,
} from './units/view.ts';

export { anything, type Candidate, candidatesOf, type MatchFilter } from './match/candidates.ts';
export { matchColour } from './match/match.ts';
export {
  GOOD_MATCH,
  type MatchProblem,
  type MatchResult,
  type Recipe,
  RECIPE_VIRTUES,
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
