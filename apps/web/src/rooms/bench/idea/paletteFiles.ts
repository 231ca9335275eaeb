import {
  FormatError,
  MOST_FILE_BYTES,
  type PaletteFile,
  type PaletteFormat,
  paletteFormats,
} from '@kleur/core/formats';
import { download } from './download.ts';

const listed = new Intl.ListFormat('en-GB', { type: 'disjunction' });
const endings = paletteFormats.map((f) => `.${f.ending}`);

/** What a file field accepts. */
export const ACCEPTED = endings.join(',');
/** What may be chosen, as a sentence. */
export const ACCEPTED_TEXT = `${listed.format(paletteFormats.map((f) => `${f.label} (.${f.ending})`))}.`;

/** Reads a chosen file. @throws FormatError with what is wrong with it. */
export async function readPalette(file: File): Promise<PaletteFile> {
  if (file.size === 0) throw new FormatError('The file is empty.');
  if (file.size > MOST_FILE_BYTES)
    throw new FormatError(`The file is larger than ${MOST_FILE_BYTES / 1e6} MB.`);
  const ending = file.name.toLowerCase().split('.').at(-1);
  const format = paletteFormats.find((f) => f.ending === ending);
  if (!format) throw new FormatError(`A palette file ends in ${listed.format(endings)}.`);
  const codec = await format.load();
  return codec.kind === 'text'
    ? codec.read(await file.text())
    : codec.read(new Uint8Array(await file.arrayBuffer()));
}

/** Hands a palette to the browser's downloads. */
export async function downloadPalette(format: PaletteFormat, palette: PaletteFile): Promise<void> {
  const codec = await format.load();
  download(`${palette.name}.${format.ending}`, codec.write(palette), format.mediaType);
}
