import { type Draft, type Drafts, type Keeping } from './drafts.ts';

/** How a document stands with the server. */
export type Saving =
  | { readonly status: 'saved' }
  | { readonly status: 'unsaved' }
  | { readonly status: 'saving' }
  /** `retrying`: whether it is sent again by itself. */
  | { readonly status: 'failed'; readonly message: string; readonly retrying: boolean }
  /** Somebody else changed it; nothing is sent until the maker has chosen. */
  | { readonly status: 'conflict' }
  /** Somebody else deleted it; nothing is sent until the maker has chosen. */
  | { readonly status: 'gone' };

/** What came of one attempt. */
export type SaveOutcome<T> =
  | { readonly kind: 'saved'; readonly version: number }
  /** The server has a newer version: this one. */
  | { readonly kind: 'stale'; readonly version: number; readonly document: T }
  | { readonly kind: 'gone' }
  /** The server will not have it: sending the same again is of no use. */
  | { readonly kind: 'refused'; readonly message: string }
  /** No answer came, or one that will pass: the server may have saved it all the same. */
  | { readonly kind: 'unreachable'; readonly message: string };

/** A document that the server has not acknowledged. */
export interface Unsent<T> {
  readonly version: number;
  readonly document: T;
  readonly saving: Saving;
}

export interface SaveQueueOptions<T> {
  readonly send: (id: string, version: number, document: T) => Promise<SaveOutcome<T>>;
  readonly same: (a: T, b: T) => boolean;
  readonly drafts: Drafts<T>;
  /** Told whenever a document stands otherwise; null when the server has all of it, or it was dropped. */
  readonly onChange: (id: string, unsent: Unsent<T> | null) => void;
  readonly onSaved: (id: string, version: number, sent: T) => void;
  readonly onKept: (keeping: Keeping) => void;
  /** Quiet time after the last change before it is sent, ms. */
  readonly settleMs?: number;
  /** Waits between tries while the server cannot be reached, ms; the last one repeats. */
  readonly retryMs?: readonly number[];
}

interface Entry<T> {
  version: number;
  /** The latest document, unless the server has it. */
  waiting: T | null;
  /** What the server was sent and has not answered. */
  sending: T | null;
  /** What was sent without an answer. */
  lost: readonly T[];
  running: Promise<void> | null;
  timer: ReturnType<typeof setTimeout> | undefined;
  tries: number;
  saving: Saving;
}

/** Most documents without an answer that are remembered. */
const MOST_LOST = 5;

/**
 * Sends versioned documents to the server, whichever room is open. One attempt at a time for each document, since a
 * second would carry the version that the first is about to change; of several changes only the latest is sent.
 * Until the server has acknowledged a change it lies in the drafts.
 */
export class SaveQueue<T> {
  private readonly entries = new Map<string, Entry<T>>();
  private readonly settleMs: number;
  private readonly retryMs: readonly number[];

  constructor(private readonly options: SaveQueueOptions<T>) {
    this.settleMs = options.settleMs ?? 600;
    this.retryMs = options.retryMs ?? [1500, 3000, 6000, 12_000];
  }

  /**
   * Takes a changed document. It is sent after a pause; what waited before is replaced.
   * @param version on the server that it grew from. One newer than a conflict's ends the conflict.
   */
  put(id: string, version: number, document: T): void {
    const entry = this.entryOf(id, version);
    if (version > entry.version) {
      entry.version = version;
      entry.saving = { status: 'unsaved' };
    }
    entry.waiting = document;
    entry.tries = 0;
    this.keep(id, entry);
    if (isHeld(entry)) return;
    if (entry.running === null) this.set(id, entry, { status: 'unsaved' });
    this.after(id, entry, this.settleMs);
  }

  /** Takes a draft that a tab has left behind, and sends it. */
  adopt(id: string, { baseVersion, document, lost }: Draft<T>): void {
    const entry = this.entryOf(id, baseVersion);
    entry.waiting = document;
    entry.lost = lost;
    this.keep(id, entry);
    this.set(id, entry, { status: 'unsaved' });
    void this.run(id, entry);
  }

  /** Stops a document until the maker has chosen: it was seen to be deleted elsewhere. */
  holdDeleted(id: string, version: number, document: T): void {
    const entry = this.entryOf(id, version);
    clearTimeout(entry.timer);
    entry.waiting = document;
    this.keep(id, entry);
    this.set(id, entry, { status: 'gone' });
  }

  /** Sends what was held, now that nothing stands in its way. */
  async release(id: string): Promise<void> {
    const entry = this.entries.get(id);
    if (!entry) return;
    this.set(id, entry, { status: 'unsaved' });
    await this.run(id, entry);
  }

  /** Forgets a change that was not sent, and its draft: it was undone, or given up. */
  drop(id: string): void {
    const entry = this.entries.get(id);
    this.options.drafts.drop(id);
    if (!entry) return;
    clearTimeout(entry.timer);
    entry.waiting = null;
    entry.saving = { status: 'saved' };
    this.tidy(id, entry);
  }

  /** What the server has not acknowledged of a document; null when it has all of it. */
  unsent(id: string): Unsent<T> | null {
    const entry = this.entries.get(id);
    const document = entry?.waiting ?? entry?.sending ?? null;
    return !entry || document === null ? null : { version: entry.version, document, saving: entry.saving };
  }

  /** Whether the server may be about to have something else than it had. */
  isSending(id: string): boolean {
    return (this.entries.get(id)?.sending ?? null) !== null;
  }

  /** Sends at once what waits. Resolves when it is acknowledged or the attempt has failed. */
  async flush(id: string): Promise<void> {
    const entry = this.entries.get(id);
    if (!entry) return;
    clearTimeout(entry.timer);
    await this.run(id, entry);
  }

  /** Tries everything that could not be sent again, for instance when the connection is back. */
  retry(): void {
    for (const [id, { saving }] of this.entries)
      if (saving.status !== 'failed' || saving.retrying) void this.flush(id);
  }

  private entryOf(id: string, version: number): Entry<T> {
    const entry = this.entries.get(id) ?? fresh<T>(version);
    this.entries.set(id, entry);
    return entry;
  }

  private keep(id: string, { version, waiting, lost }: Entry<T>): void {
    if (waiting === null) this.options.drafts.drop(id);
    else this.options.onKept(this.options.drafts.keep(id, { baseVersion: version, document: waiting, lost }));
  }

  private set(id: string, entry: Entry<T>, saving: Saving): void {
    entry.saving = saving;
    this.options.onChange(id, this.unsent(id));
  }

  private after(id: string, entry: Entry<T>, ms: number): void {
    clearTimeout(entry.timer);
    entry.timer = setTimeout(() => void this.run(id, entry), ms);
  }

  private run(id: string, entry: Entry<T>): Promise<void> {
    entry.running ??= this.attempts(id, entry).finally(() => {
      entry.running = null;
      this.tidy(id, entry);
    });
    return entry.running;
  }

  private async attempts(id: string, entry: Entry<T>): Promise<void> {
    const { send, onSaved } = this.options;
    while (entry.waiting !== null && !isHeld(entry)) {
      const document = entry.waiting;
      clearTimeout(entry.timer);
      entry.waiting = null;
      entry.sending = document;
      this.set(id, entry, { status: 'saving' });
      const outcome = this.judged(entry, document, await send(id, entry.version, document));
      entry.sending = null;
      if (outcome.kind === 'saved') {
        entry.version = outcome.version;
        entry.tries = 0;
        entry.lost = [];
        // What was changed meanwhile is newer than what comes back, and waits already.
        this.keep(id, entry);
        onSaved(id, outcome.version, document);
        continue;
      }
      entry.waiting ??= document;
      if (outcome.kind === 'ours') {
        entry.version = outcome.version;
        entry.lost = [];
        this.keep(id, entry);
        continue;
      }
      if (outcome.kind === 'unreachable') {
        entry.lost = [document, ...entry.lost].slice(0, MOST_LOST);
        this.after(id, entry, this.retryMs[Math.min(entry.tries++, this.retryMs.length - 1)]!);
      }
      this.keep(id, entry);
      this.set(id, entry, standingAfter(outcome));
      return;
    }
  }

  /** An answer that was lost is no conflict: what the server has may be what was sent from here. */
  private judged(
    entry: Entry<T>,
    document: T,
    outcome: SaveOutcome<T>,
  ): SaveOutcome<T> | { readonly kind: 'ours'; readonly version: number } {
    if (outcome.kind !== 'stale') return outcome;
    const { version, document: theirs } = outcome;
    const { same } = this.options;
    if (same(theirs, document)) return { kind: 'saved', version };
    return entry.lost.some((sent) => same(theirs, sent)) ? { kind: 'ours', version } : outcome;
  }

  private tidy(id: string, entry: Entry<T>): void {
    if (entry.waiting !== null || entry.running !== null) return;
    this.entries.delete(id);
    this.options.onChange(id, null);
  }
}

const isHeld = <T>({ saving }: Entry<T>): boolean => saving.status === 'conflict' || saving.status === 'gone';

function standingAfter(outcome: Exclude<SaveOutcome<unknown>, { kind: 'saved' }>): Saving {
  switch (outcome.kind) {
    case 'stale':
      return { status: 'conflict' };
    case 'gone':
      return { status: 'gone' };
    default:
      return { status: 'failed', message: outcome.message, retrying: outcome.kind === 'unreachable' };
  }
}

const fresh = <T>(version: number): Entry<T> => ({
  version,
  waiting: null,
  sending: null,
  lost: [],
  running: null,
  timer: undefined,
  tries: 0,
  saving: { status: 'unsaved' },
});
