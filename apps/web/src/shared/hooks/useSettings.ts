import { useMemo } from 'react';
import { defaultSettings, type Settings } from '@kleur/contract';
import { type Printer, printerFor } from '@kleur/core/units';
import { useSettingsQuery } from '../../data/settings.ts';

/** The maker's habits; the defaults until the server has answered. */
export function useSettings(): Settings {
  const { data } = useSettingsQuery();
  return data ?? defaultSettings;
}

/** Figures in the maker's units and decimal mark. The same object for everyone who asks. */
export function usePrinter(): Printer {
  const { units, measuring } = useSettings();
  return useMemo(() => sharedPrinter(units, measuring.scaleDivision), [units, measuring.scaleDivision]);
}

let last: { readonly key: string; readonly printer: Printer } | null = null;

/** One printer for equal habits, so that what is worked out with it is shared too. */
function sharedPrinter(units: Settings['units'], scaleDivision: number): Printer {
  const key = JSON.stringify([units, scaleDivision]);
  if (last?.key !== key) last = { key, printer: printerFor(units, scaleDivision) };
  return last.printer;
}
