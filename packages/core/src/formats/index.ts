/** Files in and out. */
export { parseAse, printAse } from './ase.ts';
export { csvFromPalette, type CsvRows, paletteFromCsv } from './csv.ts';
export { parseGpl, printGpl } from './gpl.ts';
export { type ImageSize, imageSize, MOST_PIXELS } from './imageSize.ts';
export {
  type FileColour,
  FormatError,
  MOST_FILE_BYTES,
  MOST_FILE_COLOURS,
  type PaletteFile,
} from './paletteFile.ts';
