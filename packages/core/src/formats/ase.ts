import { screenColourFromLabD65 } from '../colour/gamut.ts';
import { type LabD65, labD65FromXyz } from '../colour/lab.ts';
import { decodeChannel, xyzFromLinearRgb } from '../colour/srgb.ts';
import { adaptD50ToD65 } from '../colour/adapt.ts';
import {
  checkCount,
  type FileColour,
  FormatError,
  isPlausible,
  type LabWhite,
  MOST_FILE_COLOURS,
  type PaletteFile,
  type ReadPalette,
  tidyName,
} from './paletteFile.ts';

const SIGNATURE = 0x41534546;
const GROUP_START = 0xc001;
const GROUP_END = 0xc002;
const COLOUR = 0x0001;
const FLOATS: Readonly<Record<string, number>> = { 'RGB ': 3, 'LAB ': 3, CMYK: 4, Gray: 1 };

/**
 * Reads a swatch exchange file: RGB, Lab, grey and plain CMYK. Colours that cannot be any are left out, with a word.
 * @param white what its Lab values are for; the format means D50.
 * @throws FormatError when cut short or odd, or when nothing is left.
 */
export function parseAse(bytes: Uint8Array, white: LabWhite = 'D50'): ReadPalette {
  const view = new DataView(bytes.buffer, bytes.byteOffset, bytes.byteLength);
  const need = (at: number, length: number): void => {
    if (at + length > view.byteLength) throw new FormatError('The file is cut short.');
  };
  need(0, 12);
  if (view.getUint32(0) !== SIGNATURE)
    throw new FormatError('This is no swatch exchange file: its signature is missing.');
  const blocks = view.getUint32(8);
  let at = 12;
  let name = 'Palette';
  const colours: FileColour[] = [];
  const notes: string[] = [];
  let hasLab = false;
  let seen = 0;
  for (let i = 0; i < blocks; i++) {
    need(at, 6);
    const type = view.getUint16(at);
    const length = view.getUint32(at + 2);
    at += 6;
    need(at, length);
    const end = at + length;
    if (type === GROUP_START || type === COLOUR) {
      const [label, after] = readName(view, at, end);
      if (type === GROUP_START) name = tidyName(label, name);
      else {
        if (colours.length >= MOST_FILE_COLOURS) checkCount(blocks);
        const called = tidyName(label, `Colour ${++seen}`);
        const { model, values } = readColour(view, after, end);
        hasLab ||= model === 'LAB ';
        const lab = labOf(model, values, white);
        if (lab) colours.push({ name: called, lab });
        else notes.push(`“${called}” was left out: ${outOfRange(model, values)}.`);
      }
    } else if (type !== GROUP_END) throw new FormatError(`Block ${i + 1} is of an unknown kind.`);
    at = end;
  }
  if (colours.length === 0 && notes.length > 0) throw new FormatError(notes[0]);
  checkCount(colours.length);
  return { name, colours, notes, white: hasLab ? white : null };
}

/** UTF-16 with its length in front, a zero at the end. */
function readName(view: DataView, at: number, end: number): [string, number] {
  if (at + 2 > end) throw new FormatError('A name is cut short.');
  const length = view.getUint16(at);
  const after = at + 2 + length * 2;
  if (after > end) throw new FormatError('A name is longer than its block.');
  let text = '';
  for (let i = 0; i < length - 1; i++) text += String.fromCharCode(view.getUint16(at + 2 + i * 2));
  return [text, after];
}

/** The colour model and its numbers as they stand in the file. */
function readColour(
  view: DataView,
  at: number,
  end: number,
): { readonly model: string; readonly values: readonly number[] } {
  if (at + 4 > end) throw new FormatError('A colour is cut short.');
  const model = String.fromCharCode(...[0, 1, 2, 3].map((i) => view.getUint8(at + i)));
  const count = FLOATS[model];
  if (count === undefined) throw new FormatError(`The colour model “${model.trim()}” is not known.`);
  if (at + 4 + count * 4 > end) throw new FormatError('A colour is cut short.');
  const v = Array.from({ length: count }, (_, i) => view.getFloat32(at + 4 + i * 4));
  if (v.some((x) => !Number.isFinite(x))) throw new FormatError('A colour is not a number.');
  return { model, values: v };
}

/** Channels may lie this far beyond 0 and 1, as wide colours do, and are brought back. */
const BEYOND = 0.25;

/** Null for what cannot be a colour. */
function labOf(model: string, v: readonly number[], white: LabWhite): LabD65 | null {
  if (model === 'LAB ') {
    const lab = [v[0]! * 100, v[1]!, v[2]!] as const;
    if (!isPlausible(lab)) return null;
    return white === 'D65' ? lab : adaptD50ToD65(lab as never);
  }
  if (v.some((x) => x < -BEYOND || x > 1 + BEYOND)) return null;
  const rgb =
    model === 'CMYK'
      ? v.slice(0, 3).map((x) => (1 - x) * (1 - v[3]!))
      : model === 'Gray'
        ? [v[0]!, v[0]!, v[0]!]
        : v;
  const [r, g, b] = rgb.map((x) => decodeChannel(Math.min(1, Math.max(0, x))));
  return labD65FromXyz(xyzFromLinearRgb([r!, g!, b!]));
}

const outOfRange = (model: string, v: readonly number[]): string =>
  model === 'LAB '
    ? `L ${round(v[0]! * 100)}, a ${round(v[1]!)}, b ${round(v[2]!)} is no colour`
    : `${model.trim()} ${v.map(round).join(', ')} is out of range`;

const round = (v: number): string => String(Math.round(v * 100) / 100);

/** Writes a swatch exchange file, RGB, in one group. */
export function printAse({ name, colours }: PaletteFile): Uint8Array {
  const blocks = [
    block(GROUP_START, nameBytes(tidyName(name, 'Palette'))),
    ...colours.map(({ lab, name: n }) => {
      const { hex } = screenColourFromLabD65(lab);
      const body = new DataView(new ArrayBuffer(4 + 12 + 2));
      writeAscii(body, 0, 'RGB ');
      [1, 3, 5].forEach((from, i) => {
        body.setFloat32(4 + i * 4, parseInt(hex.slice(from, from + 2), 16) / 255);
      });
      body.setUint16(16, 2);
      return block(COLOUR, concat([nameBytes(tidyName(n, 'Colour')), new Uint8Array(body.buffer)]));
    }),
    block(GROUP_END, new Uint8Array(0)),
  ];
  const head = new DataView(new ArrayBuffer(12));
  head.setUint32(0, SIGNATURE);
  head.setUint16(4, 1);
  head.setUint32(8, blocks.length);
  return concat([new Uint8Array(head.buffer), ...blocks]);
}

function writeAscii(view: DataView, at: number, text: string): void {
  for (let i = 0; i < text.length; i++) view.setUint8(at + i, text.charCodeAt(i));
}

function block(type: number, body: Uint8Array): Uint8Array {
  const head = new DataView(new ArrayBuffer(6));
  head.setUint16(0, type);
  head.setUint32(2, body.length);
  return concat([new Uint8Array(head.buffer), body]);
}

function nameBytes(text: string): Uint8Array {
  const view = new DataView(new ArrayBuffer(2 + (text.length + 1) * 2));
  view.setUint16(0, text.length + 1);
  for (let i = 0; i < text.length; i++) view.setUint16(2 + i * 2, text.charCodeAt(i));
  return new Uint8Array(view.buffer);
}

function concat(parts: readonly Uint8Array[]): Uint8Array {
  const out = new Uint8Array(parts.reduce((n, p) => n + p.length, 0));
  let at = 0;
  for (const p of parts) {
    out.set(p, at);
    at += p.length;
  }
  return out;
}
