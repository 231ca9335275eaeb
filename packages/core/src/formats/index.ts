/** Files in and out. */
export {
  BAR_ROLES,
  type BarRole,
  barsOfTable,
  type BarTable,
  type BarTableReading,
  type FileBar,
  guessRoles,
  readBarTable,
} from './barTable.ts';
export { parseCgats, printCgats, type Sample } from './cgats.ts';
export { printRows } from './csv.ts';
export { type ImageSize, imageSize, MOST_PIXELS } from './imageSize.ts';
export { carriesMetadata, isWholePicture, MEDIA, MEDIA_TYPES, type MediaType, mediaTypeOf } from './media.ts';
export {
  FormatError,
  type LabWhite,
  MOST_FILE_BYTES,
  MOST_FILE_COLOURS,
  type PaletteFile,
  type ReadPalette,
} from './paletteFile.ts';
export { type PaletteCodec, type PaletteFormat, paletteFormats } from './paletteFormats.ts';
export { decodeText } from './text.ts';
