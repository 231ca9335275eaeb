/** Largest picture that is decoded, pixels. */
export const MOST_PIXELS = 60_000_000;

export interface ImageSize {
  readonly type: 'png' | 'jpeg' | 'webp';
  readonly width: number;
  readonly height: number;
}

/**
 * Type and size of a PNG, JPEG or WebP from its first bytes, so that a picture that is too large is refused
 * before it is decoded. Null for anything else, or where the header is cut short.
 */
export function imageSize(bytes: Uint8Array): ImageSize | null {
  const view = new DataView(bytes.buffer, bytes.byteOffset, bytes.byteLength);
  const text = (at: number, length: number): string =>
    String.fromCharCode(...bytes.subarray(at, at + length));
  if (bytes.length >= 24 && view.getUint32(0) === 0x89504e47 && text(12, 4) === 'IHDR') {
    return { type: 'png', width: view.getUint32(16), height: view.getUint32(20) };
  }
  if (bytes.length >= 30 && text(0, 4) === 'RIFF' && text(8, 4) === 'WEBP')
    return webpSize(view, text(12, 4));
  if (bytes.length >= 4 && view.getUint16(0) === 0xffd8) return jpegSize(view);
  return null;
}

function webpSize(view: DataView, chunk: string): ImageSize | null {
  const u24 = (at: number): number => view.getUint16(at, true) | (view.getUint8(at + 2) << 16);
  switch (chunk) {
    case 'VP8X':
      return { type: 'webp', width: u24(24) + 1, height: u24(27) + 1 };
    case 'VP8 ':
      return {
        type: 'webp',
        width: view.getUint16(26, true) & 0x3fff,
        height: view.getUint16(28, true) & 0x3fff,
      };
    case 'VP8L': {
      const bits = view.getUint32(21, true);
      return { type: 'webp', width: (bits & 0x3fff) + 1, height: ((bits >> 14) & 0x3fff) + 1 };
    }
    default:
      return null;
  }
}

/** Walks the segments to the frame header (SOF0–SOF15 but for DHT, JPG and DAC). */
function jpegSize(view: DataView): ImageSize | null {
  let at = 2;
  while (at + 9 < view.byteLength) {
    if (view.getUint8(at) !== 0xff) return null;
    const marker = view.getUint8(at + 1);
    const frame = marker >= 0xc0 && marker <= 0xcf && marker !== 0xc4 && marker !== 0xc8 && marker !== 0xcc;
    if (frame) return { type: 'jpeg', width: view.getUint16(at + 7), height: view.getUint16(at + 5) };
    at += 2 + view.getUint16(at + 2);
  }
  return null;
}
