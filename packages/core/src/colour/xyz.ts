/** CIE XYZ, Y = 100 for the perfect diffuser. The white point is named by what made it. */
export type Xyz = readonly [x: number, y: number, z: number];
