/** UTF-8 (with or without a mark), UTF-16 with its mark or without one where every other byte is zero, else Latin-1. */
export function decodeText(bytes: Uint8Array): string {
  const [a, b, c] = bytes;
  if (a === 0xef && b === 0xbb && c === 0xbf) return utf8(bytes, 3) ?? latin1(bytes, 3);
  if (a === 0xff && b === 0xfe) return utf16(bytes, 2, true);
  if (a === 0xfe && b === 0xff) return utf16(bytes, 2, false);
  if (bytes.length >= 4 && a === 0 && c === 0) return utf16(bytes, 0, false);
  if (bytes.length >= 4 && b === 0 && bytes[3] === 0) return utf16(bytes, 0, true);
  return utf8(bytes, 0) ?? latin1(bytes, 0);
}

/** Characters put together so many at a time: an argument list has an end. */
const CHUNK = 8192;

function join(codes: readonly number[] | Uint16Array): string {
  let out = '';
  for (let i = 0; i < codes.length; i += CHUNK) out += String.fromCharCode(...codes.slice(i, i + CHUNK));
  return out;
}

function utf16(bytes: Uint8Array, from: number, little: boolean): string {
  const codes = new Uint16Array(Math.floor((bytes.length - from) / 2));
  for (let i = 0; i < codes.length; i++) {
    const [x, y] = [bytes[from + 2 * i]!, bytes[from + 2 * i + 1]!];
    codes[i] = little ? x + 256 * y : 256 * x + y;
  }
  return join(codes);
}

const latin1 = (bytes: Uint8Array, from: number): string => join(Uint16Array.from(bytes.subarray(from)));

/** Null where the bytes are no UTF-8. */
function utf8(bytes: Uint8Array, from: number): string | null {
  const codes: number[] = [];
  for (let i = from; i < bytes.length;) {
    const first = bytes[i]!;
    const length = first < 0x80 ? 1 : first >= 0xf0 ? 4 : first >= 0xe0 ? 3 : first >= 0xc2 ? 2 : 0;
    if (length === 0 || first > 0xf4 || i + length > bytes.length) return null;
    let code = length === 1 ? first : first & (0xff >> (length + 1));
    for (let k = 1; k < length; k++) {
      const next = bytes[i + k]!;
      if ((next & 0xc0) !== 0x80) return null;
      code = code * 64 + (next & 0x3f);
    }
    if (code > 0xffff) codes.push(0xd7c0 + (code >> 10), 0xdc00 + (code & 0x3ff));
    else codes.push(code);
    i += length;
  }
  return join(codes);
}
