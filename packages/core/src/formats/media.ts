/** Media that can be kept with a making day, by their type; the names of their files end so. */
export const MEDIA = {
  'image/jpeg': 'jpg',
  'image/png': 'png',
  'image/webp': 'webp',
  'audio/webm': 'webm',
  'audio/ogg': 'ogg',
  'audio/mp4': 'm4a',
} as const;
export type MediaType = keyof typeof MEDIA;
export const MEDIA_TYPES = Object.keys(MEDIA) as MediaType[];

const textAt = (bytes: Uint8Array, at: number, length: number): string =>
  String.fromCharCode(...bytes.subarray(at, at + length));
const long = (bytes: Uint8Array, at: number, isLittle: boolean): number =>
  at + 4 <= bytes.length ? new DataView(bytes.buffer, bytes.byteOffset).getUint32(at, isLittle) : 0;

/** What a file is by how it begins; null for anything else. */
export function mediaTypeOf(bytes: Uint8Array): MediaType | null {
  if (bytes[0] === 0xff && bytes[1] === 0xd8 && bytes[2] === 0xff) return 'image/jpeg';
  if (textAt(bytes, 0, 8) === '\u0089PNG\r\n\u001a\n') return 'image/png';
  if (textAt(bytes, 0, 4) === 'RIFF' && textAt(bytes, 8, 4) === 'WEBP') return 'image/webp';
  if (long(bytes, 0, false) === 0x1a45dfa3) return 'audio/webm';
  if (textAt(bytes, 0, 4) === 'OggS') return 'audio/ogg';
  return textAt(bytes, 4, 4) === 'ftyp' ? 'audio/mp4' : null;
}

/** Whether a picture says more than its pixels: where it was taken, by what, when. */
export function carriesMetadata(bytes: Uint8Array): boolean {
  switch (mediaTypeOf(bytes)) {
    case 'image/jpeg':
      return jpegCarries(bytes);
    case 'image/png':
      return chunks(bytes, 8, (at) => [textAt(bytes, at + 4, 4), 12 + long(bytes, at, false)]).some((name) =>
        ['eXIf', 'tEXt', 'iTXt', 'zTXt'].includes(name),
      );
    case 'image/webp':
      return chunks(bytes, 12, (at) => {
        const length = long(bytes, at + 4, true);
        return [textAt(bytes, at, 4), 8 + length + (length % 2)];
      }).some((name) => ['EXIF', 'XMP '].includes(name));
    default:
      return false;
  }
}

/** Names of the chunks of a file, each telling how long it is. */
function chunks(
  bytes: Uint8Array,
  from: number,
  read: (at: number) => readonly [name: string, length: number],
): string[] {
  const names: string[] = [];
  for (let at = from; at + 8 <= bytes.length;) {
    const [name, length] = read(at);
    names.push(name);
    at += length;
  }
  return names;
}

/** Segments of an application other than JFIF’s own, colour profiles and Adobe’s colour transform, and comments. */
const TELLING = new Set([0xe1, 0xe3, 0xe4, 0xe5, 0xe6, 0xe7, 0xe8, 0xe9, 0xea, 0xeb, 0xec, 0xed, 0xfe]);
const START_OF_SCAN = 0xda;

function jpegCarries(bytes: Uint8Array): boolean {
  for (let at = 2; at + 4 <= bytes.length && bytes[at] === 0xff;) {
    const marker = bytes[at + 1]!;
    if (marker === START_OF_SCAN) return false;
    if (TELLING.has(marker)) return true;
    at += 2 + ((bytes[at + 2]! << 8) | bytes[at + 3]!);
  }
  return false;
}

const JPEG_TAIL = 65_536;

/** Whether a picture has come through to its end: one that broke off is grey from there on, and says nothing of it. */
export function isWholePicture(bytes: Uint8Array): boolean {
  switch (mediaTypeOf(bytes)) {
    case 'image/jpeg': {
      // Cameras put other things behind the end of the picture.
      for (let at = bytes.length - 2; at >= Math.max(2, bytes.length - JPEG_TAIL); at--)
        if (bytes[at] === 0xff && bytes[at + 1] === 0xd9) return true;
      return false;
    }
    case 'image/png': {
      const names = chunks(bytes, 8, (at) => [textAt(bytes, at + 4, 4), 12 + long(bytes, at, false)]);
      return names.at(-1) === 'IEND';
    }
    case 'image/webp':
      return bytes.length >= 8 + long(bytes, 4, true);
    default:
      return false;
  }
}
