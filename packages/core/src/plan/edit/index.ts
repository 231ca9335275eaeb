/*
 * Edits of a plan: plan in, plan out, nothing else touched. Ids come from the caller, so that an edit is the
 * same wherever it runs.
 */
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
} from './base.ts';
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
} from './block.ts';
export {
  addDose,
  type FormulaPart,
  makeWholeBatch,
  refreshMaterial,
  removeDose,
  setDose,
  setFormula,
} from './doses.ts';
export { type Rung, writeLadder } from './ladder.ts';
export {
  type PalettePot,
  potsFromPalette,
  removeDesignLayer,
  setDesign,
  setDesignLayer,
  setPalette,
  setPaletteColour,
  setTwins,
} from './idea.ts';
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
} from './pots.ts';
export { setCarrierOil, setCarrierSource, setDispersion, setWork } from './work.ts';
