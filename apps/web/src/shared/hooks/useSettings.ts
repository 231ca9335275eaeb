import { useMemo } from 'react';
import { defaultSettings, type Settings } from '@kleur/contract';
import { type Say, sayIn } from '@kleur/core/units';
import { useSettingsQuery } from '../../app/api.ts';
import { type Printer, printerFor } from './printer.ts';

/** The maker's habits; the defaults until the server has answered. */
export function useSettings(): Settings {
  const { data } = useSettingsQuery();
  return data ?? defaultSettings;
}

/** Numbers in the maker's decimal mark. */
export function usePrinter(): Printer {
  const {
    units: { decimalMark },
    measuring: { scaleDivision },
  } = useSettings();
  return useMemo(() => printerFor(decimalMark, scaleDivision), [decimalMark, scaleDivision]);
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
