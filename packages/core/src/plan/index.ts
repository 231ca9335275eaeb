/** The plan document: types, edits, limits, integrity, upgrades. */
export {
  addAdditive,
  addOil,
  addScentPart,
  changeScent,
  normaliseOils,
  removeAdditive,
  removeOil,
  removeScentPart,
  setAdditive,
  setBase,
  setBlend,
  setLearntBase,
  setOilMass,
  setOilPercent,
  setOils,
  setScent,
  setTotalOils,
  useRecipe,
} from './edit/base.ts';
export { type GelHabit, isBaseTold, type LearntBase, sameLearntBase } from './learntBase.ts';
export {
  addEmbed,
  addEmbedDose,
  addLine,
  DUSTING_STARTS,
  removeEmbed,
  removeLine,
  setEmbed,
  setEmbedDusting,
  setEmbedPart,
  setLine,
  setMould,
  setMoulding,
} from './edit/block.ts';
export { addDose, type FormulaPart, refreshMaterial, removeDose, setDose, setFormula } from './edit/doses.ts';
export {
  type PalettePot,
  potsFromPalette,
  removeDesignLayer,
  setDesign,
  setDesignLayer,
  setPalette,
  setPaletteColour,
  setTwins,
} from './edit/idea.ts';
export { type Rung, writeLadder } from './edit/ladder.ts';
export {
  type AddedStep,
  type DayChanges,
  type Move,
  MOVE_KINDS,
  newMove,
  plainDay,
  POUR_PLACES,
  POUR_TOOLS,
  type PourScript,
  PROPPED_SIDES,
  STROKE_TOOLS,
  writtenPour,
} from './day.ts';
export { areTwins, type Design, type DesignLayer, emptyDesign, type Twins } from './design.ts';
export {
  addDraw,
  addPot,
  copyPot,
  movePot,
  removeDraw,
  removePot,
  setDraw,
  setParts,
  setPot,
} from './edit/pots.ts';
export { setCarrierOil, setCarrierSource, setDay, setDispersion, setPour, setWork } from './edit/work.ts';
export {
  type Dusting,
  type Embed,
  EMBED_BASE_NAMES,
  EMBED_BASES,
  EMBED_SHAPE_NAMES,
  EMBED_SHAPES,
  type EmbedBase,
  type EmbedPart,
  type EmbedShape,
  type PowderLine,
} from './embed.ts';
export { wouldCycle } from './graph.ts';
export { type IntegrityProblem, integrityProblems } from './integrity.ts';
export { canonicalText } from './canonical.ts';
export { PLAN_LIMITS } from './limits.ts';
export { hasLate } from './late.ts';
export { isMilk, LIQUID_FACTS, liquidOfPlan, liquidParts, liquidPartsSum } from './liquid.ts';
export { soundRows } from './soundRows.ts';
export {
  type BarCut,
  type Mould,
  MOULD_SHAPES,
  type Moulding,
  type MouldRow,
  type MouldShape,
  plainMould,
} from './moulding.ts';
export { oilsAddUp, oilsSum } from './oilShares.ts';
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
  LIQUID_KINDS,
  LIQUID_WAYS,
  type LiquidChoice,
  type LiquidKind,
  type LiquidPart,
  type LiquidWay,
  type LyeChoice,
  materialOf,
  type Minutes,
  newPot,
  type OilRow,
  oilsOf,
  onePart,
  ORDER_WAYS,
  type OrderWay,
  type PaletteColour,
  type Plan,
  PLAN_SCHEMA,
  type Pot,
  POT_PLACES,
  type PotPlace,
  pruneMaterials,
  SCENT_MOMENTS,
  type ScentChoice,
  type ScentMoment,
  type ScentPart,
  SHARE_WAYS,
  type SharedDispersion,
  type ShareWay,
  type Stock,
  TAKEN,
  type Taken,
  USES,
  type Work,
} from './plan.ts';
export { upgradePlan } from './upgrade.ts';
