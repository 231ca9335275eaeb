import Papa from 'papaparse';
import { screenColourFromLabD65 } from '../colour/gamut.ts';
import { type LabD65 } from '../colour/lab.ts';
import { HEX_PATTERN, labD65FromHex } from '../colour/srgb.ts';
import { ESCAPED, plainCell, plainFigure } from './harmless.ts';
import { adaptD50ToD65 } from '../colour/adapt.ts';
import {
  checkCount,
  FormatError,
  isPlausible,
  type LabWhite,
  type PaletteFile,
  type ReadPalette,
  tidyName,
} from './paletteFile.ts';

const column = (row: Readonly<Record<string, string>>, ...names: string[]): string | undefined => {
  const key = Object.keys(row).find((k) => names.includes(k.trim().toLowerCase().replace('*', '')));
  return key === undefined ? undefined : row[key];
};

/**
 * Reads CSV whose heading row names a `hex` column, or `L`, `a`, `b`, and maybe `name` and `white` (D50 or D65). Lab is
 * exact and wins over hex, which may be the nearest that a screen shows.
 * @param white what Lab values are for; what the file says, or D65, unless it is given.
 * @throws FormatError naming the row.
 */
export function parseCsv(text: string, white?: LabWhite): ReadPalette {
  const { data, errors } = Papa.parse<Record<string, string>>(text, { header: true });
  for (const e of errors) {
    const said = parserError(e.code);
    // The parser counts the heading row for quotation marks, and leaves it out for cells.
    const line = (e.row ?? 0) + (e.type === 'Quotes' ? 1 : 2);
    if (said) throw new FormatError(`Row ${line}: ${said}`);
  }
  // Empty rows are left out here, so that the others keep the number of their line.
  const rows = data
    .map((row, i) => ({ row, line: i + 2 }))
    .filter(({ row }) => Object.values(row).some((cell) => typeof cell === 'string' && cell.trim() !== ''));
  checkCount(rows.length);
  const said = rows.map(({ row }) => column(row, 'white', 'illuminant')?.trim().toUpperCase());
  const ofFile = said.find((w): w is LabWhite => w === 'D50' || w === 'D65') ?? 'D65';
  const used = white ?? ofFile;
  const colours = rows.map(({ row, line }, i) => {
    const { lab, exact } = labOf(row, line);
    return {
      exact,
      name: tidyName(plainCell(column(row, 'name') ?? ''), `Colour ${i + 1}`),
      lab: exact && used === 'D50' ? adaptD50ToD65(lab as never) : lab,
    };
  });
  return {
    name: 'Palette',
    colours: colours.map(({ name, lab }) => ({ name, lab })),
    notes: [],
    white: colours.some((c) => c.exact) ? used : null,
  };
}

/** What the parser stumbled over, in words; null for what does not matter. */
function parserError(code: string): string | null {
  switch (code) {
    case 'MissingQuotes':
      return 'a quotation mark is opened and not closed.';
    case 'InvalidQuotes':
      return 'a quotation mark stands inside a cell.';
    case 'TooManyFields':
      return 'it has more cells than the heading row. Are decimal commas in quotation marks?';
    default:
      return null;
  }
}

function labOf(
  row: Readonly<Record<string, string>>,
  line: number,
): { readonly lab: LabD65; readonly exact: boolean } {
  const texts = ['l', 'a', 'b'].map((c) => plainFigure(column(row, c)?.trim() ?? '').replace(',', '.'));
  const hex = column(row, 'hex', 'colour', 'color')?.trim();
  if (texts.every((t) => t !== '')) {
    const lab = texts.map(Number) as [number, number, number];
    if (lab.some((v) => !Number.isFinite(v)) || !isPlausible(lab))
      throw new FormatError(`Row ${line}: L, a, b of ${texts.join(', ').slice(0, 40)} is no colour.`);
    return { lab, exact: true };
  }
  if (!hex) throw new FormatError(`Row ${line}: a colour needs a hex column, or L, a and b.`);
  const full = hex.startsWith('#') ? hex : `#${hex}`;
  if (!HEX_PATTERN.test(full))
    throw new FormatError(`Row ${line}: “${hex.slice(0, 20)}” is no colour like #4a63b0.`);
  return { lab: labD65FromHex(full), exact: false };
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
      white: 'D65',
    })),
    { escapeFormulae: ESCAPED },
  );

/** Rows of cells as CSV, the heading row first; what a spreadsheet would run is made harmless. */
export const printRows = (rows: readonly (readonly string[])[]): string =>
  Papa.unparse(rows as string[][], { escapeFormulae: ESCAPED });
