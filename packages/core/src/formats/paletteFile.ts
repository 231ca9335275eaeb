import { type LabD65 } from '../colour/lab.ts';

/** A palette as files hold it. */
export interface PaletteFile {
  readonly name: string;
  readonly colours: readonly FileColour[];
}

export interface FileColour {
  readonly name: string;
  readonly lab: LabD65;
}

/** Which white the Lab values of a file are for. */
export type LabWhite = 'D50' | 'D65';

/** What was read of a file, and what its reader must be told. */
export interface ReadPalette extends PaletteFile {
  /** What was left out, in sentences. */
  readonly notes: readonly string[];
  /** The white that its Lab values were read for; null where it has none, so that nobody need be asked. */
  readonly white: LabWhite | null;
}

/** Bounds of a colour that a plan can hold: beyond any real one. */
export const LAB_BOUNDS = { L: [0, 100], ab: [-160, 160] } as const;

/** Whether a colour can be one at all. */
export const isPlausible = ([L, a, b]: readonly [number, number, number]): boolean => {
  const [low, high] = LAB_BOUNDS.ab;
  const within = (v: number, from: number, to: number): boolean => v >= from && v <= to;
  return within(L, ...LAB_BOUNDS.L) && within(a, low, high) && within(b, low, high);
};

/** Most colours that are read from a file. */
export const MOST_FILE_COLOURS = 256;
/** Largest file that is looked at, bytes. */
export const MOST_FILE_BYTES = 8_000_000;
export const MOST_NAME = 80;

/** A file that cannot be read; the message is for the maker. */
export class FormatError extends Error {
  override readonly name = 'FormatError';
}

// oxlint-disable-next-line no-control-regex
const CONTROL = /[\u0000-\u001f\u007f]+/g;

/** Cuts a name to what a plan can hold and drops control characters. Markup stays: it is text. */
export const tidyName = (name: string, fallback: string): string =>
  name.replace(CONTROL, ' ').trim().slice(0, MOST_NAME) || fallback;

/** @throws FormatError when there are no colours or too many. */
export function checkCount(count: number): void {
  if (count === 0) throw new FormatError('There is no colour in this file.');
  if (count > MOST_FILE_COLOURS) {
    throw new FormatError(`This file holds ${count} colours; at most ${MOST_FILE_COLOURS} can be read.`);
  }
}
