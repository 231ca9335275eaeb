import { type LabWhite, type PaletteFile, type ReadPalette } from './paletteFile.ts';

/**
 * How a format is read and written: as text or as bytes. Readers throw `FormatError`; `white` is what Lab values are for,
 * where the maker knows better than the file.
 */
export type PaletteCodec =
  | {
      readonly kind: 'text';
      readonly read: (text: string, white?: LabWhite) => ReadPalette;
      readonly write: (palette: PaletteFile) => string;
    }
  | {
      readonly kind: 'bytes';
      readonly read: (bytes: Uint8Array, white?: LabWhite) => ReadPalette;
      readonly write: (palette: PaletteFile) => Uint8Array;
    };

/** A file format for palettes. Its code is loaded when a file of it is read or written. */
export interface PaletteFormat {
  /** Ending of its files, small letters. */
  readonly ending: string;
  readonly label: string;
  readonly mediaType: string;
  readonly load: () => Promise<PaletteCodec>;
}

/** All formats that are read and written: a new one is a file and an entry here. */
export const paletteFormats: readonly PaletteFormat[] = [
  {
    ending: 'gpl',
    label: 'Palette',
    mediaType: 'text/plain',
    load: () => import('./gpl.ts').then((m) => ({ kind: 'text', read: m.parseGpl, write: m.printGpl })),
  },
  {
    ending: 'ase',
    label: 'Swatches',
    mediaType: 'application/octet-stream',
    load: () => import('./ase.ts').then((m) => ({ kind: 'bytes', read: m.parseAse, write: m.printAse })),
  },
  {
    ending: 'csv',
    label: 'Table with hex or L, a, b columns',
    mediaType: 'text/csv',
    load: () => import('./csv.ts').then((m) => ({ kind: 'text', read: m.parseCsv, write: m.printCsv })),
  },
];
