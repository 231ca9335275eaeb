import { type DecimalMark } from './print.ts';

/** Why typed text is not a usable number. */
export type NumberProblem = 'empty' | 'not-a-number' | 'ambiguous' | 'too-small' | 'too-large';

export type ParsedNumber =
  | { readonly ok: true; readonly value: number }
  | { readonly ok: false; readonly problem: NumberProblem };

export interface NumberRange {
  readonly min: number;
  readonly max: number;
}

const VULGAR: Readonly<Record<string, string>> = {
  '½': '1/2',
  '¼': '1/4',
  '¾': '3/4',
  '⅛': '1/8',
  '⅓': '1/3',
  '⅔': '2/3',
};
const DECIMAL = /^[+-]?(\d+([.,]\d*)?|[.,]\d+)$/;
/** One or one thousand? By the maker's own mark. */
const THOUSANDS: Readonly<Record<DecimalMark, RegExp>> = {
  point: /^[+-]?[1-9]\d{0,2}(,\d{3})+$/,
  comma: /^[+-]?[1-9]\d{0,2}(\.\d{3})+$/,
};
/** Pounds and ounces as one amount: `2 lb 3.5 oz`, `2lb`, `35 oz`. */
const POUNDS_AND_OUNCES = /^(?:(\d+)\s*lbs?\.?)?\s*(?:(\d+(?:[.,]\d*)?)\s*oz\.?)?$/i;

/** A mass typed in pounds and ounces, in pounds; null for any other text, a bare number too. */
export function poundsOf(text: string): number | null {
  const found = POUNDS_AND_OUNCES.exec(text.trim());
  if (!found || (found[1] === undefined && found[2] === undefined)) return null;
  return Number(found[1] ?? 0) + Number((found[2] ?? '0').replace(',', '.')) / 16;
}

const FRACTION = /^(?:(\d+)\s+)?(\d+)\/(\d+)$/;

/**
 * A number as people type it: decimal point or decimal comma (`2.5`, `2,5`), a spoon fraction (`1/4`, `1 1/2`,
 * `½`). What may be a thousands separator is refused rather than guessed, and an empty field is not zero.
 * @param mark the maker's own decimal mark: three figures after the other one may be thousands.
 */
export function parseNumber(
  text: string,
  { min, max }: NumberRange,
  mark: DecimalMark = 'point',
): ParsedNumber {
  let trimmed = text.trim().replace(/[\u2212\u2013]/g, '-');
  if (trimmed === '') return { ok: false, problem: 'empty' };
  trimmed = trimmed.replace(/[½¼¾⅛⅓⅔]/g, (c) => ` ${VULGAR[c]!}`).trim();
  if (THOUSANDS[mark].test(trimmed)) return { ok: false, problem: 'ambiguous' };
  const value = valueOf(trimmed);
  if (value === null || !Number.isFinite(value)) return { ok: false, problem: 'not-a-number' };
  return inRange(value, { min, max });
}

/** A number that is known, as far as the range allows it. */
export function inRange(value: number, { min, max }: NumberRange): ParsedNumber {
  if (value < min) return { ok: false, problem: 'too-small' };
  if (value > max) return { ok: false, problem: 'too-large' };
  return { ok: true, value };
}

function valueOf(text: string): number | null {
  if (DECIMAL.test(text)) return Number(text.replace(',', '.'));
  const fraction = FRACTION.exec(text);
  if (!fraction || Number(fraction[3]) === 0) return null;
  return Number(fraction[1] ?? 0) + Number(fraction[2]) / Number(fraction[3]);
}
