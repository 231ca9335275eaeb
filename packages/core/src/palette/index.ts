/** Harmonies, techniques, distinctness, mud, photos and reach. */
export { checkApart, greyOrder, type Mend, mendPair, type TouchingPair, touchingPairs } from './apart.ts';
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
export { type Blend, blendPots, MUD_BELOW } from './mud.ts';
export { PHOTO_COLOURS, type PhotoColour, photoColours, seededRandom } from './photo.ts';
export { REACH_SLICES, type ReachPoint, type ReachSlice, reachSlices } from './reach.ts';
export { OMBRE_MOST, type Technique, techniqueById, TECHNIQUES } from './technique.ts';
export { DEFICIENCIES, type Deficiency, simulateDeficiency } from './vision.ts';
