import { type LinearRgb } from '../colour/srgb.ts';

export const LIGHTS = ['daylight', 'bulb', 'warm-led', 'white-led', 'tube'] as const;
/** Under what a picture was taken. */
export type Light = (typeof LIGHTS)[number];

type Row = readonly [number, number, number];

/**
 * What a white-balanced picture taken under a light is multiplied by, from the right, to come to the colours in
 * daylight. White balance makes the card white under any light, yet not what is coloured: a bulb has little blue to
 * show it with, and an LED a gap. Least squares over six simulated cameras and 160 soaps of the starting shelf, each
 * row divided so that white stays white; `card.test.ts` holds others out. Linear sRGB.
 */
export const LIGHT_MATRICES: Readonly<Record<Light, readonly [Row, Row, Row]>> = {
  daylight: [
    [1.0362, 0.0146, 0.0058],
    [-0.0359, 0.9912, -0.0124],
    [-0.0003, -0.0058, 1.0066],
  ],
  bulb: [
    [0.9123, -0.0694, 0.0484],
    [0.1908, 0.9359, -0.0891],
    [-0.1031, 0.1335, 1.0407],
  ],
  'warm-led': [
    [1.0655, -0.1143, 0.0392],
    [-0.0163, 0.9408, -0.0281],
    [-0.0492, 0.1735, 0.9889],
  ],
  'white-led': [
    [1.177, -0.0417, 0.0153],
    [-0.2083, 0.958, -0.0014],
    [0.0313, 0.0837, 0.9861],
  ],
  tube: [
    [1.1138, -0.0612, 0.0033],
    [-0.0808, 0.904, 0.0218],
    [-0.033, 0.1572, 0.9749],
  ],
};

/** A colour of a white-balanced picture under a light, in daylight. */
export function inDaylight([r, g, b]: LinearRgb, light: Light): LinearRgb {
  const [x, y, z] = LIGHT_MATRICES[light];
  return [r * x[0] + g * y[0] + b * z[0], r * x[1] + g * y[1] + b * z[1], r * x[2] + g * y[2] + b * z[2]];
}

/** Chromaticity of a light: correlated colour temperature, and the distance from the blackbodies in CIE 1960 uv. */
export interface LightColour {
  readonly kelvin: number;
  readonly off: number;
}

/** Blackbodies in CIE 1960 uv: Krystek (1985), 1,000 to 15,000 K. */
const blackbodyUv = (T: number): readonly [number, number] => [
  (0.860117757 + 1.54118254e-4 * T + 1.28641212e-7 * T * T) / (1 + 8.42420235e-4 * T + 7.08145163e-7 * T * T),
  (0.317398726 + 4.22806245e-5 * T + 4.20481691e-8 * T * T) / (1 - 2.89741816e-5 * T + 1.61456053e-7 * T * T),
];

/** The colour of a light from XYZ of a perfect white under it. Searched in steps of 2 %. */
export function lightColour([X, Y, Z]: readonly [number, number, number]): LightColour {
  const sum = X + 15 * Y + 3 * Z;
  const u = (4 * X) / sum;
  const v = (6 * Y) / sum;
  let best: LightColour = { kelvin: 1000, off: Infinity };
  for (let T = 1000; T <= 15_000; T *= 1.02) {
    const [bu, bv] = blackbodyUv(T);
    const off = Math.hypot(u - bu, v - bv);
    if (off < best.off) best = { kelvin: T, off };
  }
  return best;
}
