import { type LogEntry } from './entry.ts';

/** Before or after, by time, then by id, so that every device puts the same entries in the same order. */
const inOrder = (a: LogEntry, b: LogEntry): number => a.at - b.at || (a.id < b.id ? -1 : a.id > b.id ? 1 : 0);

/** The entries of both logs, each once, in the order in which they were said. The first log's copy of an entry wins. */
export function mergeLogs(a: readonly LogEntry[], b: readonly LogEntry[]): LogEntry[] {
  const byId = new Map<string, LogEntry>();
  for (const entry of [...a, ...b]) if (!byId.has(entry.id)) byId.set(entry.id, entry);
  return [...byId.values()].sort(inOrder);
}

/** The entries that still count, in order: without those taken back, and without what takes them back. */
export function standing(entries: readonly LogEntry[]): LogEntry[] {
  const voided = new Set(entries.filter((e) => e.kind === 'voided').map((e) => e.target));
  return entries.filter((e) => e.kind !== 'voided' && !voided.has(e.id));
}

/**
 * The time for a new entry: now, but later than all that is known, so that a clock that jumps back puts no entry before
 * one that it answers.
 * @param now ms since 1970
 */
export const stampAfter = (entries: readonly LogEntry[], now: number): number =>
  entries.reduce((time, e) => Math.max(time, e.at + 1), now);
