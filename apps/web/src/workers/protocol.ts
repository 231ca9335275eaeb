import { type CurveSource, type EntryFace, type Material, type ShelfFace } from '@kleur/core/material';
import { type Composition, type PredictedColour, type Stage } from '@kleur/core/pigment';

/** What crosses to the colour worker: plain documents in, plain colours out. */
export interface ColourWorker {
  /** Every composition at every stage; the outer list follows the compositions. */
  predict(compositions: readonly Composition[], stages: readonly Stage[]): PredictedColour[][];
  /** Shelf faces in the order of the materials; null for what leaves no mark. */
  faces(materials: readonly Material[]): (ShelfFace | null)[];
  /** The looks of a shelf item while it is edited; `kept` as it is stored. */
  entryFace(entry: CurveSource & Pick<Material, 'oil' | 'scent'>, kept: Material | null): EntryFace;
}
