/** What a shelf item is. */
export { browningOf, stabiliserFor } from './browning.ts';
export { type CurveFacts, type CurveOrigin, defaultCurve, isColourant } from './curve.ts';
export { type Lot, lotAtHand, LOT_LIMITS } from './lot.ts';
export { COURSE_STAGES, entryFace, type EntryFace } from './course.ts';
export { curveModes } from './curveModes.ts';
export { type Doubt, doubtOf, type Evidence } from './doubt.ts';
export { factsOfKind } from './facts.ts';
export { cautionText } from './cautions.ts';
export {
  type Allergen,
  ALLERGENS,
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
  isEarly,
  isWeighedCarrier,
  potCarriers,
  isWhitener,
  LIMIT_BASES,
  type LimitBasis,
  type Material,
  MATERIAL_FORMS,
  MATERIAL_KINDS,
  type MaterialForm,
  type MaterialKind,
  type OilFacts,
  type ScentFacts,
} from './material.ts';
export { canvasOfOils, scentBrowning } from './oilCanvas.ts';
export { type Looks, noLooks } from './looks.ts';
export { type CurveSource, defaultOptics, sameSource } from './ownMaterial.ts';
export { isPale } from './scatterPrior.ts';
export { shelfFace, type ShelfFace, type TintLadder, tintLadder } from './tintLadder.ts';
export { takeNewDefaults } from './newDefaults.ts';
export { upgradeMaterial } from './upgrade.ts';
export { MOLAR_MASS, readSap, SAP_KOH_RANGE, sapNaoh, type SapReading } from './sap.ts';
