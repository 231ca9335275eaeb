import Papa from 'papaparse';
import { screenColourFromLabD65 } from '../colour/gamut.ts';
import { type LabD65 } from '../colour/lab.ts';
import { HEX_PATTERN, labD65FromHex } from '../colour/srgb.ts';
import { checkCount, FormatError, type PaletteFile, tidyName } from './paletteFile.ts';

/** Text that a spreadsheet would take for a formula, also where it was made harmless before. */
const FORMULA = /^'*[=+\-@\t\r]/;

const column = (row: Readonly<Record<string, string>>, ...names: string[]): string | undefined => {
  const key = Object.keys(row).find((k) => names.includes(k.trim().toLowerCase().replace('*', '')));
  return key === undefined ? undefined : row[key];
};

/**
 * Reads CSV whose heading row names a `hex` column, or `L`, `a`, `b` (D65), and maybe `name`.
 * @throws FormatError naming the row.
 */
export function parseCsv(text: string): PaletteFile {
  const { data: rows } = Papa.parse<Record<string, string>>(text, { header: true, skipEmptyLines: true });
  checkCount(rows.length);
  return {
    name: 'Palette',
    colours: rows.map((row, i) => ({
      name: tidyName(plainName(column(row, 'name') ?? ''), `Colour ${i + 1}`),
      lab: labOf(row, i + 2),
    })),
  };
}

/** The name as it was before it was made harmless. */
const plainName = (name: string): string =>
  name.startsWith("'") && FORMULA.test(name) ? name.slice(1) : name;

function labOf(row: Readonly<Record<string, string>>, line: number): LabD65 {
  const hex = column(row, 'hex', 'colour', 'color')?.trim();
  if (hex) {
    const full = hex.startsWith('#') ? hex : `#${hex}`;
    if (!HEX_PATTERN.test(full))
      throw new FormatError(`Row ${line}: “${hex.slice(0, 20)}” is no colour like #4a63b0.`);
    return labD65FromHex(full);
  }
  const lab = ['l', 'a', 'b'].map((c) => {
    const text = column(row, c)?.trim().replace(',', '.');
    return text ? Number(text) : NaN;
  });
  const [L, a, b] = lab as [number, number, number];
  if (lab.some((v) => !Number.isFinite(v)) || L < 0 || L > 100 || Math.abs(a) > 160 || Math.abs(b) > 160) {
    throw new FormatError(`Row ${line}: a colour needs a hex column, or L, a and b.`);
  }
  return [L, a, b];
}

/**
 * Writes CSV with name, hex and Lab (D65). Colours beyond sRGB have the hex of the nearest of the same hue. Names that
 * a spreadsheet would run are made harmless by an apostrophe, which `parseCsv` takes away again.
 */
export const printCsv = ({ colours }: PaletteFile): string =>
  Papa.unparse(
    colours.map(({ name, lab }) => ({
      name,
      hex: screenColourFromLabD65(lab).hex,
      L: Number(lab[0].toFixed(2)),
      a: Number(lab[1].toFixed(2)),
      b: Number(lab[2].toFixed(2)),
    })),
    { escapeFormulae: FORMULA },
  );
