/**
 * What was said at the bench of a batch: an append-only log. An entry is never changed; a mistake is taken back by a
 * further entry. Fields that a kind has no use for are empty or 0.
 */
export interface LogEntry {
  /** Made by the device, so that an entry sent twice is one. */
  readonly id: string;
  /** When it was said, ms since 1970, by the device's clock, but never before what the device had seen: see `stampAfter`. */
  readonly at: number;
  readonly kind: EntryKind;
  /** The pot it is said of. */
  readonly potId: string;
  /** The cup, the pot that something went into, or the entry that is taken back: see `ENTRY_KINDS`. */
  readonly target: string;
  /** How `value` is meant: see `ENTRY_KINDS`. */
  readonly by: EntryWay;
  readonly value: number;
  /** A name or a note. */
  readonly text: string;
  /** Whether a simulated instrument said the value: nothing is learnt from it. */
  readonly simulated?: boolean;
}

/** An entry; what is not given is empty or 0. */
export const logEntry = (said: Pick<LogEntry, 'id' | 'at' | 'kind'> & Partial<LogEntry>): LogEntry => ({
  potId: '',
  target: '',
  by: '',
  value: 0,
  text: '',
  ...said,
});

export const ENTRY_WAYS = ['', 'part', 'rest', 'drops', 'grams', 'left', 'fraction', 'millilitres'] as const;
export type EntryWay = (typeof ENTRY_WAYS)[number];

/** The kinds of entries, and the ways in which each may be said. */
export const ENTRY_KINDS = {
  /**
   * Out of the cup `target` into the pot: a part of the full cup, the rest of it, drops, grams of its dispersion, or
   * what the cup still weighs afterwards.
   */
  added: ['part', 'rest', 'drops', 'grams', 'left'],
  /** How much batter the pot holds: weighed, by jug marks, or as a fraction of what was planned. */
  sized: ['grams', 'millilitres', 'fraction'],
  /** Batter of the pot went into the pot `target`; a new one is called `text`. */
  took: ['fraction', 'grams'],
  /** Batter of the pot went into a spare mould, or into the test cup `text`. */
  spared: ['fraction', 'grams'],
  /** What a line of the lye or of the oils, `target`, really weighed. */
  weighed: ['grams'],
  /** How a lye that was weighed otherwise goes on: `target` is the lye, `text` one of `LYE_ANSWERS`. */
  settled: [''],
  /** Fraction of its planned scent that the pot got. */
  scented: ['fraction'],
  /** How thick the pot is: `value` is a place in `TRACES`. */
  thickness: [''],
  /** What went wrong in the pot: `value` is a place in `TROUBLES`. */
  trouble: [''],
  /** `target` of the batch, a place in `WARMTHS` by its name, has so many °C. */
  warmth: [''],
  /** A picture (`text` is its file) of the step `target` or of the pot. */
  pictured: [''],
  /** The same for a clip of what was spoken. */
  spoken: [''],
  /** Free text, of a pot or of the batch. */
  noted: [''],
  /** The step `target` of the run sheet is done. */
  done: [''],
  /** The step `target` is left out; `text` says why. */
  skipped: [''],
  /** Whether the design is poured in full (1) or the simpler one (0). */
  decided: [''],
  /** A timer of `value` minutes runs from now; `text` is its name, `target` the step it was started at. */
  timed: [''],
  /** The entry `target` counts no longer. */
  voided: [''],
} as const satisfies Readonly<Record<string, readonly EntryWay[]>>;
export type EntryKind = keyof typeof ENTRY_KINDS;
export const ENTRY_KIND_NAMES = Object.keys(ENTRY_KINDS) as EntryKind[];

/** Kinds that are said of the work rather than of a pot. */
export const OF_THE_WORK: ReadonlySet<EntryKind> = new Set([
  'done',
  'skipped',
  'decided',
  'timed',
  'weighed',
  'settled',
  'warmth',
]);

/** Kinds that are said of a pot, or of the batch as a whole. */
export const OF_THE_BATCH: ReadonlySet<EntryKind> = new Set(['noted', 'pictured', 'spoken']);

/** Whether an entry of a kind can be said this way. */
export const isWayOf = (kind: EntryKind, by: EntryWay): boolean =>
  (ENTRY_KINDS[kind] as readonly EntryWay[]).includes(by);

export const TRACES = ['emulsion', 'light trace', 'medium trace', 'thick trace', 'stiff'] as const;

/** After any of these the soap may hold lye, and is tested before anybody uses it. */
export const TROUBLES = ['it seized', 'it riced', 'it separated', 'it weeps'] as const;

/** What is measured with a thermometer. */
export const WARMTHS = ['lye', 'oils', 'batter'] as const;

export const LOG_LIMITS = {
  id: 80,
  target: 200,
  text: 500,
  value: 1_000_000,
  /** The year 9999. */
  at: 253_402_300_799_000,
  /** Entries sent at once. */
  sent: 500,
  /** Entries of one batch. */
  entries: 20_000,
} as const;
