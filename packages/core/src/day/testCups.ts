import { type LogEntry } from './entry.ts';

/** Days after the pour at which bars and cups are read. */
export const READ_AFTER = [1, 7, 28, 42] as const;

/** Batter that is kept for a test cup, g: enough for a face that can be read. */
export const TEST_CUP = 40;

/** A cup of a pot’s batter, kept to be read later. */
export interface TestCup {
  /** Of the pot that it is since. */
  readonly potId: string;
  /** The pot that it was taken of. */
  readonly of: string;
  /** Written on it; its name from then on. */
  readonly label: string;
  /** When it was taken, ms since 1970. */
  readonly at: number;
}

/** Batter of a pot that went into a spare mould, as a pot of its own. */
export const sparedPotId = (entryId: string): string => `spare:${entryId}`;

/** Test cups that were kept, in their order. @param log entries that stand */
export const testCupsOf = (log: readonly LogEntry[]): TestCup[] =>
  log.flatMap(({ id, kind, potId, text, at }) =>
    kind === 'spared' && text !== '' ? [{ potId: sparedPotId(id), of: potId, label: text, at }] : [],
  );

/** What the next test cup of a pot is called. */
export function nextCupLabel(log: readonly LogEntry[], potId: string, potName: string): string {
  const taken = new Set(testCupsOf(log).map((c) => c.label));
  let n = testCupsOf(log).filter((c) => c.of === potId).length + 1;
  while (taken.has(`${potName}, cup ${n}`)) n++;
  return `${potName}, cup ${n}`;
}
