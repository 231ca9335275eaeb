import { type LabD65 } from '@kleur/core/colour';
import { type Face, type ReadHow } from '@kleur/core/evidence';
import { type FitCurve, type FitMiss } from '../colour/fit.ts';

/** Bars of one colourant that were read, as the swatch book shows them. */
export interface BookEntry {
  readonly id: string;
  readonly batchId: string;
  readonly batchName: string;
  readonly potName: string;
  /** `YYYY-MM-DD`. */
  readonly on: string;
  readonly hours: number;
  readonly face: Face;
  readonly gel: number;
  readonly how: ReadHow;
  readonly doubt: number;
  readonly lab: LabD65;
  readonly doses: readonly { readonly materialId: string; readonly dose: number }[];
}

export interface BookPage {
  readonly readings: readonly BookEntry[];
}

/** A fit to the readings of the book, not taken over yet. */
export interface BookFit {
  readonly materials: readonly FitCurve[];
  readonly readings: readonly FitMiss[];
  readonly typicalMiss: number | null;
}

/** Of which colourants fitted curves are taken over, or given up. */
export interface BookAccept {
  readonly materialIds: readonly string[];
}
