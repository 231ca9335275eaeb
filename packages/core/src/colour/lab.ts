import { type Spectrum } from './bands.ts';
import { type Viewing, viewingD50, viewingD65 } from './observer.ts';
import { type Xyz } from './xyz.ts';

export { type Xyz };

/** CIELAB relative to D65, 2° observer. L* 0–100. The brand keeps it apart from D50 Lab. */
export type LabD65 = readonly [L: number, a: number, b: number] & { readonly white?: 'D65' };

/** CIELAB relative to D50, 2° observer. */
export type LabD50 = readonly [L: number, a: number, b: number] & { readonly white: 'D50' };

// CIE 15:2018: exact ratios instead of the rounded 0.008856 and 903.3, so that the two branches meet.
const EPSILON = 216 / 24389;
const KAPPA = 24389 / 27;
const F_EPSILON = 6 / 29;

/** Reflectance (36 bands, fractions) → XYZ as seen under a viewing. */
export function xyzFromReflectance(reflectance: Spectrum, { weights: w }: Viewing): Xyz {
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
export const xyzD65FromReflectance = (r: Spectrum): Xyz => xyzFromReflectance(r, viewingD65);
/** Reflectance (36 bands, fractions) → XYZ under D50. */
export const xyzD50FromReflectance = (r: Spectrum): Xyz => xyzFromReflectance(r, viewingD50);

/** The CIELAB compression of one ratio to white. */
export const labF = (t: number): number => (t > EPSILON ? Math.cbrt(t) : (KAPPA * t + 16) / 116);
/** Its derivative, from its value: the cubic root and the straight part meet at 6/29. */
export const labFSlope = (f: number): number => (f > F_EPSILON ? 1 / (3 * f * f) : KAPPA / 116);
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
export const labD65FromXyz = (xyz: Xyz): LabD65 => labFrom(xyz, viewingD65.white);
/** CIELAB D65 → XYZ under D65. */
export const xyzFromLabD65 = (lab: LabD65): Xyz => xyzFromLab(lab, viewingD65.white);
/** XYZ under D50 → CIELAB D50. */
export const labD50FromXyz = (xyz: Xyz): LabD50 => labFrom(xyz, viewingD50.white) as unknown as LabD50;
/** CIELAB D50 → XYZ under D50. */
export const xyzFromLabD50 = (lab: LabD50): Xyz => xyzFromLab([lab[0], lab[1], lab[2]], viewingD50.white);

/** Reflectance (36 bands) → CIELAB D65. */
export const labD65FromReflectance = (r: Spectrum): LabD65 => labD65FromXyz(xyzD65FromReflectance(r));
/** Reflectance (36 bands) → CIELAB D50. */
export const labD50FromReflectance = (r: Spectrum): LabD50 => labD50FromXyz(xyzD50FromReflectance(r));

/** C*ab of a CIELAB colour. */
export const chromaOf = ([, a, b]: readonly [number, number, number]): number => Math.hypot(a, b);
