import { useMemo } from 'react';
import { defaultSettings, type Settings } from '@kleur/contract';
import { printFixed, printNumber, printSignificant, type Say, sayIn } from '@kleur/core';
import { useSettingsQuery } from '../../app/api.ts';

/** The maker's habits; the defaults until the server has answered. */
export function useSettings(): Settings {
  const { data } = useSettingsQuery();
  return data ?? defaultSettings;
}

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

/** Numbers in the maker's decimal mark. */
export function usePrinter(): Printer {
  const {
    units: { decimalMark },
    measuring,
  } = useSettings();
  return useMemo(() => {
    const digits = DECIMALS[measuring.scaleDivision] ?? 1;
    return {
      number: (v, d) => printNumber(v, d, decimalMark),
      fixed: (v, d) => printFixed(v, d, decimalMark),
      significant: (v, d) => printSignificant(v, d, decimalMark),
      weighed: (v) => printFixed(v, digits, decimalMark),
    };
  }, [decimalMark, measuring.scaleDivision]);
}

/** Masses, lengths and temperatures in the maker's units. */
export function useSay(): Say {
  const { units } = useSettings();
  const { mass, length, temperature, decimalMark } = units;
  return useMemo(
    () => sayIn({ mass, length, temperature, decimalMark }),
    [mass, length, temperature, decimalMark],
  );
}
