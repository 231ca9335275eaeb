import { screenColourFromLabD65 } from '../colour/gamut.ts';
import { labD65FromHex } from '../colour/srgb.ts';
import { checkCount, FormatError, type PaletteFile, type ReadPalette, tidyName } from './paletteFile.ts';

const ROW = /^\s*(\d{1,3})\s+(\d{1,3})\s+(\d{1,3})(?:\s+(.*))?$/;
const hexByte = (n: number): string => n.toString(16).padStart(2, '0');

/** Reads a .gpl palette. @throws FormatError with the line that cannot be read. */
export function parseGpl(text: string): ReadPalette {
  const lines = text.replace(/^\ufeff/, '').split(/\r\n|\r|\n/);
  if (lines[0]?.trim() !== 'GIMP Palette')
    throw new FormatError('This is no .gpl palette: its first line is missing.');
  let name = 'Palette';
  const rows: { rgb: number[]; name: string; line: number }[] = [];
  lines.slice(1).forEach((line, i) => {
    if (line.trim() === '' || line.startsWith('#')) return;
    const header = /^(Name|Columns):\s*(.*)$/i.exec(line);
    if (header) {
      if (header[1]!.toLowerCase() === 'name') name = tidyName(header[2]!, name);
      return;
    }
    const row = ROW.exec(line);
    const rgb = row?.slice(1, 4).map(Number);
    if (!rgb || rgb.some((v) => v > 255))
      throw new FormatError(`Line ${i + 2} is no colour: “${line.slice(0, 40)}”.`);
    rows.push({ rgb, name: row![4] ?? '', line: i + 2 });
  });
  checkCount(rows.length);
  return {
    name,
    colours: rows.map(({ rgb, name: n }, i) => ({
      name: tidyName(n, `Colour ${i + 1}`),
      lab: labD65FromHex(`#${rgb.map(hexByte).join('')}`),
    })),
    notes: [],
    white: null,
  };
}

/** Writes a .gpl palette. Colours beyond sRGB are written as the nearest of the same hue. */
export function printGpl({ name, colours }: PaletteFile): string {
  const rows = colours.map(({ lab, name: n }) => {
    const { hex } = screenColourFromLabD65(lab);
    const rgb = [1, 3, 5].map((at) => String(parseInt(hex.slice(at, at + 2), 16)).padStart(3));
    return `${rgb.join(' ')}\t${tidyName(n, 'Colour')}`;
  });
  return ['GIMP Palette', `Name: ${tidyName(name, 'Palette')}`, 'Columns: 0', '#', ...rows, ''].join('\n');
}
