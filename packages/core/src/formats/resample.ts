import { BAND_START_NM, BAND_STEP_NM, type Spectrum, spectrumFrom, wavelengths } from '../colour/bands.ts';
import { FormatError } from './paletteFile.ts';

/** What a spectrum must reach from, and to, and how far apart its bands may lie, nm. */
const NEEDED = { from: 400, to: 700, step: 20 };
const LAST = BAND_START_NM + BAND_STEP_NM * (wavelengths.length - 1);

/** Whether bands suffice, and what is filled in. */
export const SPECTRUM_RANGE = {
  /** @throws FormatError where they do not. */
  notesOf(bands: readonly number[]): string[] {
    const [first, last] = [bands[0]!, bands.at(-1)!];
    if (first > NEEDED.from || last < NEEDED.to)
      throw new FormatError(
        `The spectra reach from ${first} to ${last} nm; they are needed from ${NEEDED.from} to ${NEEDED.to}.`,
      );
    bands.forEach((nm, i) => {
      const before = bands[i - 1];
      if (before === nm) throw new FormatError(`The band at ${nm} nm stands there twice.`);
      if (before !== undefined && nm - before > NEEDED.step)
        throw new FormatError(`There is no band between ${before} and ${nm} nm.`);
    });
    const notes: string[] = [];
    if (bands.some((nm, i) => i > 0 && nm - bands[i - 1]! > BAND_STEP_NM))
      notes.push('Bands between those of the file are drawn smoothly through them.');
    if (first > BAND_START_NM || last < LAST)
      notes.push(`Beyond ${first} and ${last} nm the spectra go on as they end.`);
    return notes;
  },
};

/** A spectrum on the 36 bands, by cubics through the neighbours (Catmull and Rom 1974); level beyond its ends. */
export function resample(bands: readonly number[], values: readonly number[]): Spectrum {
  const last = bands.length - 1;
  return spectrumFrom((nm) => {
    if (nm <= bands[0]!) return values[0]!;
    if (nm >= bands[last]!) return values[last]!;
    const i = bands.findIndex((b) => b > nm) - 1;
    const [x0, x1] = [bands[i]!, bands[i + 1]!];
    const [y0, y1] = [values[i]!, values[i + 1]!];
    const h = x1 - x0;
    const slope = (k: number): number => {
      const [a, b] = [Math.max(0, k - 1), Math.min(last, k + 1)];
      return (values[b]! - values[a]!) / (bands[b]! - bands[a]!);
    };
    const t = (nm - x0) / h;
    const [m0, m1] = [slope(i) * h, slope(i + 1) * h];
    return (
      (2 * t ** 3 - 3 * t ** 2 + 1) * y0 +
      (t ** 3 - 2 * t ** 2 + t) * m0 +
      (3 * t ** 2 - 2 * t ** 3) * y1 +
      (t ** 3 - t ** 2) * m1
    );
  });
}
