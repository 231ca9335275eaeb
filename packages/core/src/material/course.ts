import { type ScreenColour, screenColourFromLabD65 } from '../colour/gamut.ts';
import { referenceCanvas } from '../pigment/canvas.ts';
import { predictLab } from '../pigment/mixer.ts';
import { type Optics } from '../pigment/optics.ts';
import { cured, fresh, type Stage, YEAR_HOURS } from '../pigment/stage.ts';
import { type Material } from './material.ts';
import { type CurveSource, defaultOptics, sameSource } from './ownMaterial.ts';
import { shelfFace, type ShelfFace } from './tintLadder.ts';

/** The stages that a material is shown at, in the order of time. */
export const COURSE_STAGES = [
  ['in the pot', fresh(1)],
  ['cured, ungelled', cured(0)],
  ['cured, gelled', cured(1)],
  ['a year in the dark', { hours: YEAR_HOURS, gel: 1 }],
  ['a year in a window', { hours: YEAR_HOURS, gel: 1, light: true }],
] as const satisfies readonly (readonly [string, Stage])[];

/** What an entry of the shelf looks like as it stands in its form. */
export interface EntryFace {
  readonly face: ShelfFace | null;
  /** At the typical dose, one for each of `COURSE_STAGES`; null for what has no colour of its own. */
  readonly course: readonly ScreenColour[] | null;
}

/**
 * The looks of an entry while it is edited. `kept`: the item as it is stored, whose curve stays as long as the entry
 * says the same; null for a new one.
 */
export function entryFace(
  entry: CurveSource & Pick<Material, 'oil' | 'scent'>,
  kept: Material | null,
): EntryFace {
  const stays = kept && (kept.curve?.origin.kind === 'fitted' || sameSource(kept, entry));
  const optics = stays ? kept.optics : defaultOptics(entry);
  return {
    face: shelfFace({ ...entry, optics }),
    course: optics && entry.window ? courseOf(optics, entry.window.typical) : null,
  };
}

/** Colours of a dose, g/kg oils, in the reference base at `COURSE_STAGES`. */
export const courseOf = (optics: Optics, dose: number): ScreenColour[] =>
  COURSE_STAGES.map(([, stage]) =>
    screenColourFromLabD65(predictLab(referenceCanvas, [{ optics, dose }], stage)),
  );
