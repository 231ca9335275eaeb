import Papa from 'papaparse';
import { type LabD65 } from '../colour/lab.ts';
import { HEX_PATTERN, labD65FromHex } from '../colour/srgb.ts';
import { plainCell, plainFigure } from './harmless.ts';
import { bandOf, cgatsTables, numberIn, samplesOf, type SampleTable } from './cgats.ts';
import { FormatError } from './paletteFile.ts';

/*
 * Bars that were read, as a table: CGATS text or CSV. The maker says what each column is; what can be told from its
 * heading is offered.
 */

export const BAR_ROLES = [
  'ignore',
  'name',
  'dose',
  'material',
  'amount',
  'doses',
  'hours',
  'days',
  'weeks',
  'gel',
  'vanillin',
  'lot',
  'instrument',
  'on',
  'L',
  'a',
  'b',
  'hex',
  'band',
] as const;
/**
 * What a column is: doses of the colourant in its heading; the colourant and the dose of a row, or several as
 * `name=dose name=dose`; the age in hours, days or weeks; the colour.
 */
export type BarRole = (typeof BAR_ROLES)[number];

export interface BarTable extends SampleTable {
  readonly kind: 'cgats' | 'csv';
}

export interface BarTableReading {
  /** One a column. */
  readonly roles: readonly BarRole[];
  /** What Lab values are for. */
  readonly white: 'D50' | 'D65';
  /** What a dose of 1 is, g/kg oils: 10 for one in % of the oils. */
  readonly perDose: number;
}

/** A bar of a file. What the file does not say is null. */
export interface FileBar {
  /** Of the file, from 1. */
  readonly line: number;
  readonly name: string;
  readonly spectrum: readonly number[] | null;
  /** CIELAB D65. */
  readonly lab: LabD65 | null;
  /** By what the file calls the colourant; g/kg oils. */
  readonly doses: readonly { readonly key: string; readonly dose: number }[];
  readonly hours: number | null;
  readonly gel: number | null;
  readonly vanillin: number;
  readonly lot: string;
  readonly instrument: string;
  /** `YYYY-MM-DD`. */
  readonly on: string | null;
}

const HEADINGS: readonly (readonly [RegExp, BarRole])[] = [
  [/^(samplename|name|sample|pot|bar|swatch)$/, 'name'],
  [/^(hours|ageh|agehours)$/, 'hours'],
  [/^(days|aged|agedays)$/, 'days'],
  [/^(weeks|agew|ageweeks)$/, 'weeks'],
  [/^(gel|gelled)$/, 'gel'],
  [/^vanillin$/, 'vanillin'],
  [/^lot$/, 'lot'],
  [/^(instrument|device|reader)$/, 'instrument'],
  [/^(on|date|day)$/, 'on'],
  [/^(l|labl)$/, 'L'],
  [/^(a|laba)$/, 'a'],
  [/^(b|labb)$/, 'b'],
  [/^(hex|srgb)$/, 'hex'],
  [/^(material|colourant|colorant|pigment)$/, 'material'],
  [/^(dose|amount|gkg|gperkg)$/, 'amount'],
  [/^doses$/, 'doses'],
];
/** Columns of figures that instruments write beside the colour, and that are no doses. */
const NO_DOSE =
  /^(SAMPLE_?ID|SAMPLE_LOC|XYZ|XYY|RGB|CMYK?|LCH|STDEV|MEAN|CHI|D_|DENSITY|DELTA|DE_|DOUBT|ID$)/i;
const MOST_COLUMNS = 400;

/** What each column may be, by its heading and its cells. */
export function guessRoles({ columns, rows }: SampleTable): BarRole[] {
  const roles = columns.map((name, at): BarRole => {
    if (wavelengthOf(name) !== null) return 'band';
    const plain = name.toLowerCase().replace(/[^a-z]/g, '');
    const known = HEADINGS.find(([pattern]) => pattern.test(plain));
    if (known) return known[1];
    if (NO_DOSE.test(name) || plain === '') return 'ignore';
    const cells = rows.map((r) => r.cells[at]!.trim()).filter((c) => c !== '');
    return cells.length > 0 && cells.every(isFigure) && cells.some((c) => /[1-9]/.test(c))
      ? 'dose'
      : 'ignore';
  });
  // Of several that could be the same, the first is it.
  const taken = roles.map((role, i): BarRole =>
    role === 'dose' || role === 'band' || roles.indexOf(role) === i ? role : 'ignore',
  );
  const id = columns.findIndex((c) => /^sample_?id$/i.test(c));
  return taken.includes('name') || id < 0 ? taken : taken.with(id, 'name');
}

const isFigure = (cell: string): boolean => /^-?\d*[.,]?\d+(e-?\d+)?$/i.test(cell);

/** Also a bare figure, as tables have it. */
const wavelengthOf = (heading: string): number | null =>
  bandOf(heading) ?? bandOf(/^\s*\d{3}\s*(nm)?\s*$/i.test(heading) ? `NM${heading.trim()}` : '');

/**
 * Reads CGATS text, or CSV with any usual delimiter whose first row names its columns.
 * @throws FormatError naming the line
 */
export function readBarTable(text: string): BarTable {
  if (text.trim() === '') throw new FormatError('The file is empty.');
  if (/^\s*BEGIN_DATA_FORMAT\s*$/im.test(text) || /^\s*CGATS/i.test(text)) {
    const tables = cgatsTables(text);
    const [first] = tables;
    if (!first) throw new FormatError('There is no table of colours in this file.');
    if (tables.some((t) => t.columns.join() !== first.columns.join()))
      throw new FormatError(
        'The file holds several tables with other columns each. Split it, one table a file.',
      );
    return checked({ ...first, kind: 'cgats', rows: tables.flatMap((t) => t.rows) });
  }
  const { data, errors } = Papa.parse<string[]>(text.replace(/^\uFEFF/, ''), { header: false });
  const quotes = errors.find((e) => e.type === 'Quotes');
  if (quotes)
    throw new FormatError(
      `Line ${(quotes.row ?? 0) + 1}: a quotation mark is not closed, or stands inside a cell.`,
    );
  const filled = data
    .map((cells, i) => ({ cells, line: i + 1 }))
    .filter(({ cells }) => cells.some((c) => c.trim() !== ''));
  const [head, ...rows] = filled;
  if (!head || rows.length === 0) throw new FormatError('The file has no row below its headings.');
  const columns = head.cells.map((c) => c.trim());
  for (const { cells, line } of rows)
    if (cells.length !== columns.length)
      throw new FormatError(
        `Line ${line} has ${cells.length} cells, the headings are ${columns.length}. Are decimal commas in quotation marks?`,
      );
  const harmless = rows.map(({ cells, line }) => ({
    line,
    cells: cells.map((c) => plainFigure(plainCell(c))),
  }));
  return checked({ kind: 'csv', columns, rows: harmless, white: 'D65' });
}

function checked(table: BarTable): BarTable {
  if (table.columns.length > MOST_COLUMNS)
    throw new FormatError(
      `This file has ${table.columns.length} columns; at most ${MOST_COLUMNS} can be read.`,
    );
  return table;
}

/**
 * The bars of a table.
 * @throws FormatError naming the line of what is no number, no reflectance or no colour
 */
export function barsOfTable(
  table: SampleTable,
  { roles, white, perDose }: BarTableReading,
): { readonly bars: readonly FileBar[]; readonly notes: readonly string[] } {
  const { columns, rows } = table;
  const at = (role: BarRole): number => roles.indexOf(role);
  const hasLab = (['L', 'a', 'b'] as const).every((c) => at(c) >= 0);
  const hasSpectra = roles.includes('band');
  if (!hasLab && !hasSpectra && at('hex') < 0)
    throw new FormatError('No column holds a colour: spectra, L, a and b, or hex.');
  const samples =
    hasLab || hasSpectra ? samplesOf({ ...table, columns: asSamples(columns, roles), white }) : null;
  const bars = rows.map(({ cells, line }, i): FileBar => {
    const cell = (role: BarRole): string => (at(role) < 0 ? '' : cells[at(role)]!.trim());
    const sample = samples?.samples[i];
    return {
      line,
      name: cell('name') || `Bar of line ${line}`,
      spectrum: sample?.spectrum ? Array.from(sample.spectrum) : null,
      lab: sample ? sample.lab : labOfHex(cell('hex'), line),
      doses: dosesOf(cells, columns, roles, line).map((d) => ({ ...d, dose: d.dose * perDose })),
      hours: hoursOf(cell, line),
      gel: gelOf(cell('gel'), line),
      vanillin: cell('vanillin') === '' ? 0 : amountIn(cell('vanillin'), 'vanillin', line),
      lot: cell('lot'),
      instrument: cell('instrument'),
      on: dayOf(cell('on'), line),
    };
  });
  const repeated = bars.length - new Set(bars.map((b) => b.name)).size;
  return {
    bars,
    notes: [
      ...(samples?.notes ?? []),
      ...(repeated > 0 ? [`${repeated} of the names stand there more than once.`] : []),
    ],
  };
}

/** The names by which samples are read: bands and Lab, nothing else. */
const asSamples = (columns: readonly string[], roles: readonly BarRole[]): string[] =>
  roles.map((role, i) => {
    if (role === 'band') return `SPECTRAL_NM${wavelengthOf(columns[i]!) ?? 0}`;
    return role === 'L' || role === 'a' || role === 'b' ? `LAB_${role.toUpperCase()}` : `IGNORED_${i}`;
  });

function amountIn(text: string, what: string, line: number): number {
  const value = numberIn(text, what, line);
  if (value < 0) throw new FormatError(`Line ${line}: ${text} of ${what} is less than nothing.`);
  return value;
}

function dosesOf(
  cells: readonly string[],
  columns: readonly string[],
  roles: readonly BarRole[],
  line: number,
): FileBar['doses'] {
  const found = new Map<string, number>();
  const add = (key: string, text: string): void => {
    const dose = text.trim() === '' ? 0 : amountIn(text.trim(), key.slice(0, 40), line);
    if (dose > 0) found.set(key, (found.get(key) ?? 0) + dose);
  };
  roles.forEach((role, i) => {
    if (role === 'dose') add(columns[i]!, cells[i]!);
    if (role === 'doses')
      for (const part of cells[i]!.split(/[\s;]+/).filter((p) => p !== '')) {
        const [, key, dose] = /^(.+)[=:]([^=:]+)$/.exec(part) ?? [];
        if (key === undefined || dose === undefined)
          throw new FormatError(`Line ${line}: “${part.slice(0, 40)}” is no dose such as blue=2.5.`);
        add(key, dose);
      }
  });
  const [material, amount] = [roles.indexOf('material'), roles.indexOf('amount')];
  if (material >= 0 && amount >= 0 && cells[material]!.trim() !== '')
    add(cells[material]!.trim(), cells[amount]!);
  return [...found].map(([key, dose]) => ({ key, dose }));
}

const AGES = { hours: 1, days: 24, weeks: 168 } as const;

function hoursOf(cell: (role: BarRole) => string, line: number): number | null {
  for (const role of ['hours', 'days', 'weeks'] as const)
    if (cell(role) !== '') return amountIn(cell(role), role, line) * AGES[role];
  return null;
}

function gelOf(text: string, line: number): number | null {
  const plain = text.toLowerCase();
  if (plain === '') return null;
  if (/^(yes|y|true|full|gel|gelled|oven)$/.test(plain)) return 1;
  if (/^(no|n|false|none|ungelled|not gelled|cool)$/.test(plain)) return 0;
  const value = numberIn(plain, 'gel', line);
  if (value < 0 || value > 1)
    throw new FormatError(`Line ${line}: gel of ${text} is neither yes, no nor 0 to 1.`);
  return value;
}

function dayOf(text: string, line: number): string | null {
  if (text === '') return null;
  const [, y, m, d] = /^(\d{4})-(\d{2})-(\d{2})/.exec(text) ?? [];
  if (y === undefined || Number(m) < 1 || Number(m) > 12 || Number(d) < 1 || Number(d) > 31)
    throw new FormatError(`Line ${line}: “${text.slice(0, 20)}” is no day such as 2026-03-09.`);
  return `${y}-${m!}-${d!}`;
}

function labOfHex(text: string, line: number): LabD65 {
  const hex = text.startsWith('#') ? text : `#${text}`;
  if (!HEX_PATTERN.test(hex))
    throw new FormatError(`Line ${line}: “${text.slice(0, 20)}” is no colour like #4a63b0.`);
  return labD65FromHex(hex);
}
