import { carriesMetadata, isWholePicture, mediaTypeOf } from './media.ts';

const codes = (text: string): number[] => Array.from({ length: text.length }, (_, i) => text.charCodeAt(i));
const bytes = (...parts: (string | readonly number[])[]): Uint8Array =>
  Uint8Array.from(parts.flatMap((p) => (typeof p === 'string' ? codes(p) : p)));
const SOI = [0xff, 0xd8];
const segment = (marker: number, text: string): number[] => [
  0xff,
  marker,
  0,
  text.length + 2,
  ...codes(text),
];
const SCAN = [0xff, 0xda, 0, 2, 1, 2, 3];
const PNG = [0x89, 0x50, 0x4e, 0x47, 0x0d, 0x0a, 0x1a, 0x0a];
const chunk = (name: string, data: string): (string | readonly number[])[] => [
  [0, 0, 0, data.length],
  name,
  data,
  [0, 0, 0, 0],
];

it.each([
  ['image/jpeg', bytes(SOI, segment(0xe0, 'JFIF'), SCAN)],
  ['image/png', bytes(PNG, ...chunk('IHDR', 'x'))],
  ['image/webp', bytes('RIFF', [9, 0, 0, 0], 'WEBPVP8 ')],
  ['audio/webm', bytes([0x1a, 0x45, 0xdf, 0xa3, 1])],
  ['audio/ogg', bytes('OggS0000')],
  ['audio/mp4', bytes([0, 0, 0, 24], 'ftypM4A ')],
  [null, bytes('<svg onload="alert(1)">')],
  [null, bytes()],
] as const)('%s is known by how it begins', (type, file) => {
  expect(mediaTypeOf(file)).toBe(type);
});

it('tells pictures that say more than their pixels', () => {
  const plain = bytes(SOI, segment(0xe0, 'JFIF'), segment(0xe2, 'ICC_PROFILE'), SCAN);
  expect(carriesMetadata(plain)).toBe(false);
  expect(carriesMetadata(bytes(SOI, segment(0xe0, 'JFIF'), segment(0xe1, 'Exif  GPS'), SCAN))).toBe(true);
  expect(carriesMetadata(bytes(SOI, segment(0xfe, 'taken at home'), SCAN))).toBe(true);
  // What looks like a segment within the picture is none.
  expect(carriesMetadata(bytes(SOI, SCAN, segment(0xe1, 'Exif')))).toBe(false);
  expect(carriesMetadata(bytes(PNG, ...chunk('IHDR', 'x'), ...chunk('IDAT', 'eXIf')))).toBe(false);
  expect(carriesMetadata(bytes(PNG, ...chunk('IHDR', 'x'), ...chunk('eXIf', 'here')))).toBe(true);
  const webp = (name: string): Uint8Array =>
    bytes('RIFF', [40, 0, 0, 0], 'WEBP', 'VP8X', [3, 0, 0, 0], 'abc', [0], name, [4, 0, 0, 0], 'here');
  expect([webp('EXIF'), webp('XMP '), webp('ALPH')].map(carriesMetadata)).toEqual([true, true, false]);
  expect(carriesMetadata(bytes('OggSExif'))).toBe(false);
});

it('knows a picture that breaks off before its end', () => {
  const jpeg = Uint8Array.from([0xff, 0xd8, 0xff, 0xe0, 0, 4, 0, 0, 1, 2, 3, 0xff, 0xd9, 0, 0]);
  expect(isWholePicture(jpeg)).toBe(true);
  expect(isWholePicture(jpeg.subarray(0, 11))).toBe(false);
  const chunk = (name: string, length: number): number[] => [
    0,
    0,
    0,
    length,
    ...codes(name),
    ...Array<number>(length + 4).fill(0),
  ];
  const head = [0x89, 0x50, 0x4e, 0x47, 0x0d, 0x0a, 0x1a, 0x0a, ...chunk('IHDR', 13)];
  expect(isWholePicture(Uint8Array.from([...head, ...chunk('IDAT', 5), ...chunk('IEND', 0)]))).toBe(true);
  expect(isWholePicture(Uint8Array.from([...head, ...chunk('IDAT', 5)]))).toBe(false);
  expect(isWholePicture(Uint8Array.from([1, 2, 3]))).toBe(false);
});
