import { flowOf } from '../balance/balance.ts';
import { type LyeFlow } from '../balance/flow.ts';
import { COMMON_LYE, type WeighedLye } from '../balance/weighed.ts';
import { liquidParts } from '../plan/liquid.ts';
import { type Plan } from '../plan/plan.ts';
import { type LogEntry } from './entry.ts';

/** What a line of the sheet is of, as far as another weight than its own has a meaning. */
export interface WeighableLine {
  /** By the lye: `COMMON_LYE`, or the id of the mini-batch. */
  readonly lye: string;
  readonly what: 'naoh' | 'koh' | 'oil' | 'liquid';
  /** Of an oil; of a liquid the id of its part, `water` for the water of it. */
  readonly materialId: string;
}

const LINE = /^(naoh|koh|oil|liquid):([^:]+)(?::(.+))?$/;
/** How the sheet names the common lye in the ids of its lines. */
const COMMON = 'common';

/** @param lineId of the sheet; null for a line that is not of lye or oil */
export function weighableLine(lineId: string): WeighableLine | null {
  const [, what, lye, materialId = ''] = LINE.exec(lineId) ?? [];
  if (what === undefined || lye === undefined || ((what === 'oil' || what === 'liquid') && materialId === ''))
    return null;
  return { what: what as WeighableLine['what'], lye: lye === COMMON ? COMMON_LYE : lye, materialId };
}

/** What the lines of a lye weigh by the plan, g, in the order of the sheet: liquids, lye, oils. */
export function lineMasses(plan: Plan, lye: LyeFlow): Map<string, number> {
  const key = lye.potId ?? COMMON;
  return new Map([
    ...liquidParts(plan).map((p): [string, number] => [
      `liquid:${key}:${p.id}`,
      (lye.vessel * p.percent) / 100,
    ]),
    [`naoh:${key}`, lye.naoh],
    [`koh:${key}`, lye.koh],
    ...lye.rows.map((r): [string, number] => [`oil:${key}:${r.materialId}`, r.mass]),
  ]);
}

/** What was really weighed of lye, oils and liquid; of each line the last word counts. */
export function weighedLyes(plan: Plan, log: readonly LogEntry[]): Record<string, WeighedLye> {
  const lyes: Record<string, WeighedLye> = {};
  const liquids = new Map<string, number>();
  for (const { kind, target, value } of log) {
    const line = kind === 'weighed' ? weighableLine(target) : null;
    if (!line) continue;
    const before = lyes[line.lye] ?? {};
    if (line.what === 'liquid') liquids.set(target, value);
    else
      lyes[line.lye] =
        line.what === 'oil'
          ? { ...before, oils: { ...before.oils, [line.materialId]: value } }
          : { ...before, [line.what]: value };
  }
  if (liquids.size === 0) return lyes;
  // The whole liquid of a lye: as planned but for the lines that weighed otherwise.
  for (const lye of flowOf(plan).lyes) {
    const planned = lineMasses(plan, lye);
    const more = [...liquids].flatMap(([line, mass]) =>
      planned.has(line) ? [mass - planned.get(line)!] : [],
    );
    const key = lye.potId ?? COMMON_LYE;
    if (more.length > 0)
      lyes[key] = { ...lyes[key], liquid: lye.liquid + more.reduce((sum, m) => sum + m, 0) };
  }
  return lyes;
}
