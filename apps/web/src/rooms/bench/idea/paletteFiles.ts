import {
  FormatError,
  type LabWhite,
  MOST_FILE_BYTES,
  type PaletteFile,
  type PaletteFormat,
  paletteFormats,
  type ReadPalette,
} from '@kleur/core/formats';
import { decodeText } from './decodeText.ts';
import { download } from './download.ts';

const listed = new Intl.ListFormat('en-GB', { type: 'disjunction' });
const endings = paletteFormats.map((f) => `.${f.ending}`);

/** What a file field accepts. */
export const ACCEPTED = endings.join(',');
/** What may be chosen, as a sentence. */
export const ACCEPTED_TEXT = `${listed.format(paletteFormats.map((f) => `${f.label} (.${f.ending})`))}.`;

/**
 * Reads a chosen file, with what its reader must be told.
 * @param white what its Lab values are for, where the maker knows better than the file.
 * @throws FormatError with what is wrong with it.
 */
export async function readPalette(file: File, white?: LabWhite): Promise<ReadPalette> {
  if (file.size === 0) throw new FormatError('The file is empty.');
  if (file.size > MOST_FILE_BYTES)
    throw new FormatError(`The file is larger than ${MOST_FILE_BYTES / 1e6} MB.`);
  const ending = file.name.toLowerCase().split('.').at(-1);
  const format = paletteFormats.find((f) => f.ending === ending);
  if (!format) throw new FormatError(`A palette file ends in ${listed.format(endings)}.`);
  const codec = await format.load();
  const bytes = new Uint8Array(await file.arrayBuffer());
  if (codec.kind === 'bytes') return codec.read(bytes, white);
  const { text, encoding } = decodeText(bytes);
  const read = codec.read(text, white);
  return encoding === null ? read : { ...read, notes: [...read.notes, `Read as ${encoding}.`] };
}

/** Hands a palette to the browser's downloads. */
export async function downloadPalette(format: PaletteFormat, palette: PaletteFile): Promise<void> {
  const codec = await format.load();
  download(`${palette.name}.${format.ending}`, codec.write(palette), format.mediaType);
}
