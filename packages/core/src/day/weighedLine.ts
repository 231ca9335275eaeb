import { COMMON_LYE, type WeighedLye } from '../balance/weighed.ts';
import { type LogEntry } from './entry.ts';

/** What a line of the sheet is of, as far as another weight than its own has a meaning. */
export interface WeighableLine {
  /** By the lye: `COMMON_LYE`, or the id of the mini-batch. */
  readonly lye: string;
  readonly what: 'naoh' | 'koh' | 'oil';
  /** Of an oil. */
  readonly materialId: string;
}

const LINE = /^(naoh|koh|oil):([^:]+)(?::(.+))?$/;
/** How the sheet names the common lye in the ids of its lines. */
const COMMON = 'common';

/** @param lineId of the sheet; null for a line that is not of lye or oil */
export function weighableLine(lineId: string): WeighableLine | null {
  const [, what, lye, materialId = ''] = LINE.exec(lineId) ?? [];
  if (what === undefined || lye === undefined || (what === 'oil' && materialId === '')) return null;
  return { what: what as WeighableLine['what'], lye: lye === COMMON ? COMMON_LYE : lye, materialId };
}

/** What was really weighed of lye and oils; of each line the last word counts. */
export function weighedLyes(log: readonly LogEntry[]): Record<string, WeighedLye> {
  const lyes: Record<string, WeighedLye> = {};
  for (const { kind, target, value } of log) {
    const line = kind === 'weighed' ? weighableLine(target) : null;
    if (!line) continue;
    const before = lyes[line.lye] ?? {};
    lyes[line.lye] =
      line.what === 'oil'
        ? { ...before, oils: { ...before.oils, [line.materialId]: value } }
        : { ...before, [line.what]: value };
  }
  return lyes;
}
