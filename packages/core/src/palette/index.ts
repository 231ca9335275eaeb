/** Harmonies, techniques, distinctness, mud, photos and reach. */
export {
  checkApart,
  greyOrder,
  isApart,
  type Mend,
  mendPair,
  type TouchingPair,
  touchingPairs,
} from './apart.ts';
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
} from './harmony.ts';
export { type Blend, blendPots, MUD_BELOW, stirredLab } from './mud.ts';
export { createPhotoCounter, PHOTO_COLOURS, type PhotoColour } from './photo.ts';
export { REACH_SLICES, type ReachPoint, type ReachSlice, reachSlices } from './reach.ts';
export {
  BODY_TECHNIQUES,
  designText,
  OMBRE_MOST,
  type Technique,
  techniqueById,
  TECHNIQUES,
  together,
  TOP_TECHNIQUES,
} from './technique.ts';
export { DEFICIENCIES, type Deficiency, simulateDeficiency } from './vision.ts';
export { hueBetween, type Relation, relationOf, RELATIONS, turnBetween, turned } from './relation.ts';
export { soften, type Softener, SOFTENERS } from './soften.ts';
