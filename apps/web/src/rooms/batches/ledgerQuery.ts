import { type BatchState, type LedgerQuery, LIKE_THIS } from '@kleur/contract';
import { FAULT_IDS } from '@kleur/core/record';

/** Filters of the ledger as they stand in the address, beside name and state. */
export const LEDGER_KEYS = [
  'colour',
  'within',
  'material',
  'technique',
  'fault',
  'lot',
  'from',
  'to',
] as const;
export type LedgerKey = (typeof LEDGER_KEYS)[number];

/** The question that an address asks of the ledger; null where name and state are all of it. */
export function ledgerQueryOf(params: URLSearchParams): LedgerQuery | null {
  if (!LEDGER_KEYS.some((k) => k !== 'within' && (params.get(k) ?? '') !== '')) return null;
  const text = (key: string): string | undefined => {
    const value = params.get(key) ?? '';
    return value === '' ? undefined : value;
  };
  const fault = FAULT_IDS.find((f) => f === params.get('fault'));
  const within = Number(params.get('within') ?? LIKE_THIS.usual);
  return {
    page: Math.max(1, Number(params.get('page') ?? 1) || 1),
    ...optional('q', text('q')),
    ...optional('state', text('state') as BatchState | undefined),
    ...optional('colour', text('colour')),
    ...(params.get('colour')
      ? { within: Number.isFinite(within) ? Math.round(within) : LIKE_THIS.usual }
      : {}),
    ...optional('material', text('material')),
    ...optional('technique', text('technique')),
    ...optional('fault', fault),
    ...optional('lot', text('lot')),
    ...optional('from', text('from')),
    ...optional('to', text('to')),
  };
}

const optional = <K extends string, V>(key: K, value: V | undefined): Partial<Record<K, V>> =>
  value === undefined ? {} : ({ [key]: value } as Partial<Record<K, V>>);
