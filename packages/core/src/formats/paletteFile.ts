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

/** Most colours that are read from a file. */
export const MOST_FILE_COLOURS = 256;
/** Largest file that is looked at, bytes. */
export const MOST_FILE_BYTES = 8_000_000;
export const MOST_NAME = 80;

/** A file that cannot be read; the message is for the maker. */
export class FormatError extends Error {
  override readonly name = 'FormatError';
}

// eslint-disable-next-line no-control-regex
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
