import { adaptD50ToD65 } from '../colour/adapt.ts';
import { type Spectrum, wavelengths } from '../colour/bands.ts';
import { type LabD50, type LabD65 } from '../colour/lab.ts';
import { FormatError, isPlausible, tidyName } from './paletteFile.ts';
import { resample, SPECTRUM_RANGE } from './resample.ts';

/*
 * Measured colours as text: CGATS.17 (ISO 28178), as instruments and colour management programs write and read it.
 */

/** One measured colour of a file. */
export interface Sample {
  readonly name: string;
  /** Reflectance (36 bands); null where the file has none. */
  readonly spectrum: Spectrum | null;
  /** CIELAB D65; null where the file has none. */
  readonly lab: LabD65 | null;
  /** Everything else that stands beside it, by the name of its column. */
  readonly rest: Readonly<Record<string, string>>;
  /** Line of the file, from 1. */
  readonly line: number;
}

export interface SampleFile {
  readonly samples: readonly Sample[];
  /** What was assumed or filled in, in sentences. */
  readonly notes: readonly string[];
}

/** Most samples that are read from a file. */
export const MOST_SAMPLES = 5000;
/** Reflectance is noise below this, and no reflectance beyond the other, which fluorescents may reach. */
const REFLECTANCE = { least: -0.02, most: 1.5 };
/** A file whose largest value is beyond this is in percent. */
const PERCENT_FROM = 2;
/** What white is in files that say it. */
const NORMS = { fractions: 1, percent: 100 } as const;

const BAND_NAME = /^(?:SPEC(?:TRAL)?|NM|R|REFL)_?(?:NM)?_?(\d{3,4})(?:NM)?$/i;
const WAVELENGTHS = { min: 300, max: 1100 };

/** The wavelength that a column is of; null for one that is no band. */
export function bandOf(column: string): number | null {
  const nm = Number(BAND_NAME.exec(column)?.[1]);
  return nm >= WAVELENGTHS.min && nm <= WAVELENGTHS.max ? nm : null;
}

interface Token {
  readonly text: string;
  readonly line: number;
  readonly quoted: boolean;
}

/** Words of a line, quoted ones whole; what follows `#` is a remark. */
function tokensOf(text: string): Token[] {
  const tokens: Token[] = [];
  text.split(/\r\n|\r|\n/).forEach((row, i) => {
    const pattern = /"((?:[^"]|"")*)("?)|(#.*)|([^\s"#]+)/g;
    for (let m = pattern.exec(row); m !== null; m = pattern.exec(row)) {
      if (m[3] !== undefined) break;
      if (m[1] !== undefined && m[2] === '')
        throw new FormatError(`Line ${i + 1}: a quotation mark is opened and not closed.`);
      tokens.push({ text: m[1]?.replaceAll('""', '"') ?? m[4]!, line: i + 1, quoted: m[1] !== undefined });
    }
  });
  return tokens;
}

/** A number with a point or a comma. @throws FormatError naming the line. */
export function numberIn(text: string, what: string, line: number): number {
  const value = text.trim() === '' ? NaN : Number(text.includes('.') ? text : text.replace(',', '.'));
  if (!Number.isFinite(value))
    throw new FormatError(`Line ${line}: “${text.slice(0, 20)}” is no number for ${what}.`);
  return value;
}

/** Rows of a table with the names of its columns, still as text. */
export interface SampleTable {
  readonly columns: readonly string[];
  readonly rows: readonly { readonly cells: readonly string[]; readonly line: number }[];
  /** Of its Lab values. */
  readonly white: 'D50' | 'D65';
  /** What a perfect white reads, where the file says so: 1, or 100 for percent. */
  readonly norm?: number;
}

/**
 * Reads all tables of a CGATS file.
 * @throws FormatError naming the line: cut short, other counts than it says, no table, values that are none.
 */
export function parseCgats(text: string): SampleFile {
  const tables = cgatsTables(text);
  if (tables.length === 0) throw new FormatError('There is no table of colours in this file.');
  const read = tables.map(samplesOf);
  return { samples: read.flatMap((r) => r.samples), notes: [...new Set(read.flatMap((r) => r.notes))] };
}

/** The tables of a CGATS file, their cells still as text. @throws FormatError naming the line */
export const cgatsTables = (text: string): SampleTable[] => tablesOf(tokensOf(text));

function tablesOf(tokens: readonly Token[]): SampleTable[] {
  const tables: SampleTable[] = [];
  let columns: string[] = [];
  let fields: number | null = null;
  let sets: number | null = null;
  let white: 'D50' | 'D65' = 'D50';
  let norm: number | undefined;
  let at = 0;
  /** Tokens up to a keyword. */
  const until = (end: string, from: Token): Token[] => {
    const start = at;
    while (at < tokens.length && (tokens[at]!.quoted || tokens[at]!.text.toUpperCase() !== end)) at++;
    if (at === tokens.length)
      throw new FormatError(`Line ${from.line}: the file ends before ${end}. It is cut short.`);
    return tokens.slice(start, at++);
  };
  while (at < tokens.length) {
    const token = tokens[at++]!;
    const next = tokens[at];
    switch (token.quoted ? '' : token.text.toUpperCase()) {
      case 'NUMBER_OF_FIELDS':
        fields = numberIn(next?.text ?? '', 'NUMBER_OF_FIELDS', token.line);
        at++;
        break;
      case 'NUMBER_OF_SETS':
        sets = numberIn(next?.text ?? '', 'NUMBER_OF_SETS', token.line);
        at++;
        break;
      case 'BEGIN_DATA_FORMAT':
        columns = until('END_DATA_FORMAT', token).map((t) => t.text);
        if (fields !== null && fields !== columns.length)
          throw new FormatError(`Line ${token.line}: it says ${fields} columns and names ${columns.length}.`);
        break;
      case 'BEGIN_DATA': {
        const cells = until('END_DATA', token);
        tables.push({
          columns,
          rows: rowsOf(columns, cells, sets, token.line),
          white,
          ...(norm && { norm }),
        });
        [fields, sets] = [null, null];
        break;
      }
      case 'SPECTRAL_NORM':
        norm = Object.values(NORMS).find((n) => n === Number(next?.text));
        break;
      case 'ILLUMINANT':
      case 'ILLUMINATION_NAME':
      case 'MEASUREMENT_SOURCE':
      case 'WEIGHTING_FUNCTION':
        if (/D65/i.test(next?.text ?? '')) white = 'D65';
        break;
    }
  }
  return tables;
}

function rowsOf(
  columns: readonly string[],
  cells: readonly Token[],
  sets: number | null,
  line: number,
): SampleTable['rows'] {
  if (columns.length === 0) throw new FormatError(`Line ${line}: the table does not name its columns.`);
  const count = cells.length / columns.length;
  if (!Number.isInteger(count)) {
    const last = cells.at(-1)!.line;
    throw new FormatError(
      `Line ${last}: ${cells.length} values do not fill rows of ${columns.length} columns. One is missing, or one too many.`,
    );
  }
  if (sets !== null && sets !== count)
    throw new FormatError(`Line ${line}: it says ${sets} colours and holds ${count}.`);
  if (count > MOST_SAMPLES)
    throw new FormatError(`This file holds ${count} colours; at most ${MOST_SAMPLES} can be read.`);
  return Array.from({ length: count }, (_, i) => {
    const row = cells.slice(i * columns.length, (i + 1) * columns.length);
    return { cells: row.map((t) => t.text), line: row[0]!.line };
  });
}

/** What the rows of any table say, of spectra in percent or as fractions, and of Lab. @throws FormatError */
export function samplesOf({ columns, rows, white, norm }: SampleTable): SampleFile {
  const notes: string[] = [];
  const bands = columns
    .flatMap((name, at) => {
      const nm = bandOf(name);
      return nm === null ? [] : [{ nm, at }];
    })
    .sort((a, b) => a.nm - b.nm);
  const labAt = ['LAB_L', 'LAB_A', 'LAB_B'].map((n) => columns.findIndex((c) => c.toUpperCase() === n));
  const hasLab = labAt.every((at) => at >= 0);
  if (bands.length === 0 && !hasLab)
    throw new FormatError('This table has neither spectra (SPECTRAL_NM380 …) nor LAB_L, LAB_A, LAB_B.');
  const used = new Set([...bands.map((b) => b.at), ...labAt]);
  const nameAt = ['SAMPLE_NAME', 'SAMPLE_ID', 'SAMPLEID', 'NAME'].map((n) =>
    columns.findIndex((c) => c.toUpperCase() === n),
  );
  const values = rows.map(({ cells, line }) =>
    bands.map(({ nm, at }) => numberIn(cells[at]!, `${nm} nm`, line)),
  );
  const isPercent =
    norm === undefined ? values.some((v) => Math.max(...v) > PERCENT_FROM) : norm === NORMS.percent;
  if (isPercent) notes.push('The spectra are in percent.');
  if (bands.length > 0) notes.push(...SPECTRUM_RANGE.notesOf(bands.map((b) => b.nm)));
  if (hasLab && bands.length === 0 && white === 'D50')
    notes.push('Lab values are taken for D50, as such files have them unless they say otherwise.');
  const samples = rows.map(({ cells, line }, i): Sample => {
    const reflectance = values[i]!.map((v, k) => {
      const fraction = isPercent ? v / 100 : v;
      if (fraction < REFLECTANCE.least || fraction > REFLECTANCE.most)
        throw new FormatError(`Line ${line}: ${v} at ${bands[k]!.nm} nm is no reflectance.`);
      return fraction;
    });
    const at = nameAt.find((n) => n >= 0 && cells[n]!.trim() !== '');
    return {
      name: tidyName(at === undefined ? '' : cells[at]!, `Colour ${i + 1}`),
      spectrum:
        bands.length === 0
          ? null
          : resample(
              bands.map((b) => b.nm),
              reflectance,
            ),
      lab: hasLab
        ? labFrom(
            labAt.map((n) => cells[n]!),
            white,
            line,
          )
        : null,
      rest: Object.fromEntries(
        columns.flatMap((c, n) => (used.has(n) || nameAt.includes(n) ? [] : [[c, cells[n]!]])),
      ),
      line,
    };
  });
  return { samples, notes };
}

function labFrom(cells: readonly string[], white: 'D50' | 'D65', line: number): LabD65 {
  const [L, a, b] = cells.map((c, i) => numberIn(c, ['LAB_L', 'LAB_A', 'LAB_B'][i]!, line));
  const lab = [L!, a!, b!] as const;
  if (!isPlausible(lab)) throw new FormatError(`Line ${line}: L, a, b of ${cells.join(', ')} is no colour.`);
  return white === 'D65' ? lab : adaptD50ToD65(lab as unknown as LabD50);
}

/** Quoted where a reader would take it for several words, a remark or a keyword. */
const quoted = (text: string): string => `"${text.replaceAll('"', '""').replace(/[\r\n]+/g, ' ')}"`;
const figure = (v: number): string => v.toFixed(5);

/** Writes samples with their spectra where all have one, else with Lab (D65); `rest` becomes columns of text. */
export function printCgats(samples: readonly Omit<Sample, 'line'>[]): string {
  const hasSpectra = samples.every((s) => s.spectrum !== null);
  const extra = [...new Set(samples.flatMap((s) => Object.keys(s.rest)))];
  const columns = [
    'SAMPLE_ID',
    'SAMPLE_NAME',
    ...extra,
    ...(hasSpectra ? wavelengths.map((nm) => `SPEC_${nm}`) : ['LAB_L', 'LAB_A', 'LAB_B']),
  ];
  const rows = samples.map(({ name, spectrum, lab, rest }, i) => [
    String(i + 1),
    quoted(name),
    ...extra.map((c) => quoted(rest[c] ?? '')),
    ...(hasSpectra ? Array.from(spectrum!, (r) => figure(r * NORMS.percent)) : Array.from(lab!, figure)),
  ]);
  return [
    'CGATS.17',
    'ORIGINATOR "Kleur"',
    'DESCRIPTOR "Measured soap"',
    ...(hasSpectra
      ? [
          // Some programs find the bands by these alone.
          ...['BANDS', 'START_NM', 'END_NM', 'NORM'].map((k) => `KEYWORD "SPECTRAL_${k}"`),
          `SPECTRAL_BANDS "${wavelengths.length}"`,
          `SPECTRAL_START_NM "${wavelengths[0]!.toFixed(1)}"`,
          `SPECTRAL_END_NM "${wavelengths.at(-1)!.toFixed(1)}"`,
          `SPECTRAL_NORM "${NORMS.percent.toFixed(1)}"`,
        ]
      : ['WEIGHTING_FUNCTION "ILLUMINANT, D65"', 'WEIGHTING_FUNCTION "OBSERVER, 2 degree"']),
    ...extra.map((c) => `KEYWORD ${quoted(c)}`),
    `NUMBER_OF_FIELDS ${columns.length}`,
    'BEGIN_DATA_FORMAT',
    columns.join(' '),
    'END_DATA_FORMAT',
    `NUMBER_OF_SETS ${rows.length}`,
    'BEGIN_DATA',
    ...rows.map((r) => r.join(' ')),
    'END_DATA',
    '',
  ].join('\n');
}
