import { hexFromLinearRgb, linearRgbFromHex } from '../colour/srgb.ts';

export const DEFICIENCIES = ['protan', 'deutan', 'tritan'] as const;
export type Deficiency = (typeof DEFICIENCIES)[number];

/** Complete deficiency on linear sRGB: Machado, Oliveira and Fernandes (2009), severity 1.0. */
const MATRICES: Readonly<Record<Deficiency, readonly number[]>> = {
  protan: [0.152286, 1.052583, -0.204868, 0.114503, 0.786281, 0.099216, -0.003882, -0.048116, 1.051998],
  deutan: [0.367322, 0.860646, -0.227968, 0.280085, 0.672501, 0.047413, -0.01182, 0.04294, 0.968881],
  tritan: [1.255528, -0.076749, -0.178779, -0.078411, 0.930809, 0.147602, 0.004733, 0.691367, 0.3039],
};

/** How a screen colour `#rrggbb` looks to somebody with a colour-vision deficiency. */
export function simulateDeficiency(hex: string, deficiency: Deficiency): string {
  const [r, g, b] = linearRgbFromHex(hex);
  const m = MATRICES[deficiency];
  const row = (i: number): number => m[i]! * r + m[i + 1]! * g + m[i + 2]! * b;
  return hexFromLinearRgb([row(0), row(3), row(6)]);
}
