import { BAND_COUNT } from '../colour/bands.ts';
import { labD65FromReflectance, labF, labFSlope, type LabD65 } from '../colour/lab.ts';
import { localMetric } from '../colour/metric.ts';
import { viewingD65 } from '../colour/observer.ts';
import { type FitReading } from './problem.ts';

/** What a band of a reading may be off by: of the dark, and as a share of the light. */
const NOISE = { dark: 0.003, light: 0.007 };
/** Bands of one reading err together: so many of them count. */
export const COUNTED = 14;
/** ΔE00 in each direction that the model is never surer of than this. */
const LAB_FLOOR = 0.3;

export const bandSd = (seen: number): number => NOISE.dark + NOISE.light * Math.abs(seen);

/** Standard deviation of each of the three directions of a Lab reading, in ΔE00. */
export const labSd = (doubt: number): number => Math.hypot(doubt / Math.sqrt(3), LAB_FLOOR);

/** Numbers that a reading tells. */
export const countOf = ({ seen }: FitReading): number => ('spectrum' in seen ? COUNTED : 3);

export const labOfReading = ({ seen }: FitReading): LabD65 =>
  'spectrum' in seen ? labD65FromReflectance(seen.spectrum) : seen.lab;

/** CIELAB of a reflectance, and the cubic roots that its derivatives are made of. */
function labFs(R: Float64Array): [number, number, number] {
  const { ratios } = viewingD65;
  let x = 0;
  let y = 0;
  let z = 0;
  for (let b = 0; b < BAND_COUNT; b++) {
    x += R[b]! * ratios.x[b]!;
    y += R[b]! * ratios.y[b]!;
    z += R[b]! * ratios.z[b]!;
  }
  return [labF(x), labF(y), labF(z)];
}

/** Derivatives of L*, a*, b* by the reflectance of each band (3 × 36). */
export function labSlopes(R: Float64Array): Float64Array[] {
  const { ratios } = viewingD65;
  const [fx, fy, fz] = labFs(R).map(labFSlope) as [number, number, number];
  const rows = [0, 1, 2].map(() => new Float64Array(BAND_COUNT));
  for (let b = 0; b < BAND_COUNT; b++) {
    const x = fx * ratios.x[b]!;
    const y = fy * ratios.y[b]!;
    const z = fz * ratios.z[b]!;
    rows[0]![b] = 116 * y;
    rows[1]![b] = 500 * (x - y);
    rows[2]![b] = 200 * (y - z);
  }
  return rows;
}

/** A Lab reading with its ± ΔE00. */
export interface LabSeen {
  readonly lab: LabD65;
  readonly doubt: number;
}

/** Derivatives of the three residuals of a Lab reading by the reflectance of each band (3 × 36). */
export function residualSlopes(R: Float64Array, { lab, doubt }: LabSeen): Float64Array[] {
  const M = localMetric(lab);
  const sd = labSd(doubt);
  const rows = labSlopes(R);
  return [0, 1, 2].map((c) =>
    rows[0]!.map(
      (L, b) => (M[3 * c]! * L + M[3 * c + 1]! * rows[1]![b]! + M[3 * c + 2]! * rows[2]![b]!) / sd,
    ),
  );
}

/** What is missed of a Lab reading in three directions, in standard deviations. */
export function labResidual(R: Float64Array, { lab, doubt }: LabSeen): [number, number, number] {
  const M = localMetric(lab);
  const [fx, fy, fz] = labFs(R);
  const d = [116 * fy - 16 - lab[0], 500 * (fx - fy) - lab[1], 200 * (fy - fz) - lab[2]];
  const sd = labSd(doubt);
  const along = (c: number): number => (M[c]! * d[0]! + M[c + 1]! * d[1]! + M[c + 2]! * d[2]!) / sd;
  return [along(0), along(3), along(6)];
}

/** Variance of one of L*, a*, b* of a reading. @param perBand derivatives of it by the reflectance of each band */
export function labVariance({ seen }: FitReading, perBand: Float64Array, c: number): number {
  if ('spectrum' in seen)
    return (
      (BAND_COUNT / COUNTED) * perBand.reduce((sum, w, b) => sum + (w * bandSd(seen.spectrum[b]!)) ** 2, 0)
    );
  const M = localMetric(seen.lab);
  return labSd(seen.doubt) ** 2 / (M[c]! ** 2 + M[3 + c]! ** 2 + M[6 + c]! ** 2);
}
