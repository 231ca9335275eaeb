/** Spectra, CIELAB, sRGB and colour difference. */
export { BAND_COUNT, type Spectrum, wavelengths } from './bands.ts';
export { deltaE00 } from './deltaE00.ts';
export { type ScreenColour, screenColourFromLabD65 } from './gamut.ts';
export { type LabD50, labD50FromReflectance, type LabD65, labD65FromReflectance, type Xyz } from './lab.ts';
export { HEX_PATTERN, labD65FromHex } from './srgb.ts';
export { colourFromWords, colourWords } from './words.ts';
