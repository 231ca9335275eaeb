/** The transfer function of sRGB (IEC 61966-2-1), written out once more so that tests do not lean on the application’s. */
export const decode = (v: number): number => (v <= 0.04045 ? v / 12.92 : ((v + 0.055) / 1.055) ** 2.4);
export const encode = (v: number): number => {
  const linear = Math.min(1, Math.max(0, v));
  return linear <= 0.0031308 ? 12.92 * linear : 1.055 * linear ** (1 / 2.4) - 0.055;
};
