import { decodeText } from './decodeText.ts';

const TEXT = 'name,hex\nGrün,#4a63b0\n';
const utf16 = (text: string, little: boolean, mark: boolean): Uint8Array => {
  const units = [...(mark ? [0xfeff] : []), ...Array.from(text, (c) => c.charCodeAt(0))];
  return Uint8Array.from(units.flatMap((u) => (little ? [u & 255, u >> 8] : [u >> 8, u & 255])));
};

it.each<[string, Uint8Array, string | null]>([
  ['UTF-8', new TextEncoder().encode(TEXT), null],
  ['UTF-8 with its mark', Uint8Array.from([0xef, 0xbb, 0xbf, ...new TextEncoder().encode(TEXT)]), null],
  ['UTF-16, little end first', utf16(TEXT, true, true), 'UTF-16LE'],
  ['UTF-16, big end first', utf16(TEXT, false, true), 'UTF-16BE'],
  ['UTF-16 without its mark', utf16(TEXT, true, false), 'UTF-16LE'],
  ['big UTF-16 without its mark', utf16(TEXT, false, false), 'UTF-16BE'],
  ['Latin-1', Uint8Array.from(TEXT, (c) => c.charCodeAt(0)), 'Latin-1'],
])('%s', (_, bytes, encoding) => {
  expect(decodeText(bytes)).toEqual({ text: TEXT, encoding });
});

it('an empty file is empty text', () => {
  expect(decodeText(new Uint8Array(0))).toEqual({ text: '', encoding: null });
});
