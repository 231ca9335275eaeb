/** What a text file was written in, and its text. */
export interface DecodedText {
  readonly text: string;
  /** Null for UTF-8, which needs no word. */
  readonly encoding: string | null;
}

/** Of the first bytes, this share of zeros on one side of each pair is UTF-16 of mostly Latin letters. */
const ZEROS = 0.4;
const LOOKED_AT = 400;

/**
 * Reads text as UTF-8, UTF-16 (by its mark, or by the zeros between its letters) or, where it is neither, Latin-1 as
 * spreadsheets on old systems write it.
 */
export function decodeText(bytes: Uint8Array): DecodedText {
  const utf16 = utf16Of(bytes);
  if (utf16) return { text: new TextDecoder(utf16).decode(bytes), encoding: utf16.toUpperCase() };
  try {
    return { text: new TextDecoder('utf-8', { fatal: true }).decode(bytes), encoding: null };
  } catch {
    return { text: new TextDecoder('windows-1252').decode(bytes), encoding: 'Latin-1' };
  }
}

function utf16Of(bytes: Uint8Array): 'utf-16le' | 'utf-16be' | null {
  if (bytes[0] === 0xff && bytes[1] === 0xfe) return 'utf-16le';
  if (bytes[0] === 0xfe && bytes[1] === 0xff) return 'utf-16be';
  const head = bytes.subarray(0, LOOKED_AT);
  const zeros = [0, 0];
  head.forEach((b, i) => {
    if (b === 0) zeros[i % 2]! += 1;
  });
  const share = (side: number): number => (2 * zeros[side]!) / Math.max(1, head.length);
  if (share(1) > ZEROS && share(0) < 0.05) return 'utf-16le';
  return share(0) > ZEROS && share(1) < 0.05 ? 'utf-16be' : null;
}
