/** The wavelength grid every spectrum in Kleur lives on: 380–730 nm in 10 nm steps. */

export const BAND_COUNT = 36;
export const BAND_START_NM = 380;
export const BAND_STEP_NM = 10;

/** A spectrum on the 36 bands. Reflectance and transmittance are fractions (0–1), not percent. */
export type Spectrum = Float64Array;

/** Centre wavelength of each band in nm (36). */
export const wavelengths: readonly number[] = Array.from(
  { length: BAND_COUNT },
  (_, i) => BAND_START_NM + i * BAND_STEP_NM,
);

/** Builds a spectrum from a function of wavelength in nm. */
export function spectrumFrom(f: (nm: number) => number): Spectrum {
  return Float64Array.from(wavelengths, f);
}

/**
 * Copies plain numbers into a spectrum.
 * @throws RangeError when the length is not 36 or a value is not finite.
 */
export function asSpectrum(values: ArrayLike<number>): Spectrum {
  if (values.length !== BAND_COUNT) {
    throw new RangeError(`A spectrum needs ${BAND_COUNT} bands, got ${values.length}`);
  }
  const out = Float64Array.from(values);
  const bad = out.findIndex((v) => !Number.isFinite(v));
  if (bad >= 0) throw new RangeError(`Band ${BAND_START_NM + bad * BAND_STEP_NM} nm is not a finite number`);
  return out;
}
