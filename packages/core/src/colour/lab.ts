import { type Spectrum } from './bands.ts';
import { type TristimulusWeights, weightsD50, weightsD65 } from './observer.ts';

/** CIE XYZ, Y = 100 for the perfect diffuser. The white point is named by the function that made it. */
export type Xyz = readonly [x: number, y: number, z: number];

/** CIELAB relative to D65, 2° observer. L* 0–100. The brand keeps it apart from D50 Lab. */
export type LabD65 = readonly [L: number, a: number, b: number] & { readonly white?: 'D65' };

/** CIELAB relative to D50, 2° observer. */
export type LabD50 = readonly [L: number, a: number, b: number] & { readonly white: 'D50' };

// CIE 15:2018: exact ratios instead of the rounded 0.008856 and 903.3, so that the two branches meet.
const EPSILON = 216 / 24389;
const KAPPA = 24389 / 27;

const sum = (w: Float64Array): number => w.reduce((a, b) => a + b, 0);
const whiteOf = (w: TristimulusWeights): Xyz => [sum(w.x), sum(w.y), sum(w.z)];

/** White points implied by the weights, so that a reflectance of 1 is exactly L* 100, a* 0, b* 0. */
export const whiteD65: Xyz = whiteOf(weightsD65);
export const whiteD50: Xyz = whiteOf(weightsD50);

function xyzFrom(reflectance: Spectrum, w: TristimulusWeights): Xyz {
  let x = 0;
  let y = 0;
  let z = 0;
  for (let i = 0; i < reflectance.length; i++) {
    const r = reflectance[i]!;
    x += r * w.x[i]!;
    y += r * w.y[i]!;
    z += r * w.z[i]!;
  }
  return [x, y, z];
}

/** Reflectance (36 bands, fractions) → XYZ under D65. */
export const xyzD65FromReflectance = (r: Spectrum): Xyz => xyzFrom(r, weightsD65);
/** Reflectance (36 bands, fractions) → XYZ under D50. */
export const xyzD50FromReflectance = (r: Spectrum): Xyz => xyzFrom(r, weightsD50);

/** The CIELAB compression of one ratio to white. */
export const labF = (t: number): number => (t > EPSILON ? Math.cbrt(t) : (KAPPA * t + 16) / 116);
const labFInverse = (f: number): number => (f ** 3 > EPSILON ? f ** 3 : (116 * f - 16) / KAPPA);

function labFrom([x, y, z]: Xyz, white: Xyz): [number, number, number] {
  const fx = labF(x / white[0]);
  const fy = labF(y / white[1]);
  const fz = labF(z / white[2]);
  return [116 * fy - 16, 500 * (fx - fy), 200 * (fy - fz)];
}

function xyzFromLab([L, a, b]: readonly [number, number, number], white: Xyz): Xyz {
  const fy = (L + 16) / 116;
  return [
    white[0] * labFInverse(fy + a / 500),
    white[1] * labFInverse(fy),
    white[2] * labFInverse(fy - b / 200),
  ];
}

/** XYZ under D65 → CIELAB D65. */
export const labD65FromXyz = (xyz: Xyz): LabD65 => labFrom(xyz, whiteD65);
/** CIELAB D65 → XYZ under D65. */
export const xyzFromLabD65 = (lab: LabD65): Xyz => xyzFromLab(lab, whiteD65);
/** XYZ under D50 → CIELAB D50. */
export const labD50FromXyz = (xyz: Xyz): LabD50 => labFrom(xyz, whiteD50) as unknown as LabD50;
/** CIELAB D50 → XYZ under D50. */
export const xyzFromLabD50 = (lab: LabD50): Xyz => xyzFromLab([lab[0], lab[1], lab[2]], whiteD50);

/** Reflectance (36 bands) → CIELAB D65. */
export const labD65FromReflectance = (r: Spectrum): LabD65 => labD65FromXyz(xyzD65FromReflectance(r));
/** Reflectance (36 bands) → CIELAB D50. */
export const labD50FromReflectance = (r: Spectrum): LabD50 => labD50FromXyz(xyzD50FromReflectance(r));

/** C*ab of a CIELAB colour. */
export const chromaOf = ([, a, b]: readonly [number, number, number]): number => Math.hypot(a, b);
