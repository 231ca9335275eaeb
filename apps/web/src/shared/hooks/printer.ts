import { type DecimalMark, printFixed, printNumber, printSignificant } from '@kleur/core/units';

export interface Printer {
  /** At most so many decimals. */
  number(value: number, digits: number): string;
  /** Exactly so many decimals. */
  fixed(value: number, digits: number): string;
  /** So many significant figures. */
  significant(value: number, digits: number): string;
  /** A mass on the maker's scale: as many decimals as it shows. */
  weighed(grams: number): string;
}

const DECIMALS: Readonly<Record<number, number>> = { 0.01: 2, 0.1: 1, 1: 0 };

/** Numbers in a decimal mark, and masses as a scale shows them. */
export function printerFor(mark: DecimalMark, scaleDivision: number): Printer {
  const digits = DECIMALS[scaleDivision] ?? 1;
  return {
    number: (v, d) => printNumber(v, d, mark),
    fixed: (v, d) => printFixed(v, d, mark),
    significant: (v, d) => printSignificant(v, d, mark),
    weighed: (v) => printFixed(v, digits, mark),
  };
}
