import { type Drafts } from './drafts.ts';

/** How a document stands with the server. */
export type Saving =
  | { readonly status: 'saved' }
  | { readonly status: 'unsaved' }
  | { readonly status: 'saving' }
  /** `retrying`: whether it is sent again by itself. */
  | { readonly status: 'failed'; readonly message: string; readonly retrying: boolean }
  /** Somebody else changed it; nothing is sent until the maker has chosen. */
  | { readonly status: 'conflict' };

/** What came of one attempt. */
export type SaveOutcome =
  | { readonly kind: 'saved'; readonly version: number }
  | { readonly kind: 'stale' }
  /** The server will not have it: sending the same again is of no use. */
  | { readonly kind: 'refused'; readonly message: string }
  | { readonly kind: 'unreachable'; readonly message: string };

export interface SaveQueueOptions<T> {
  readonly send: (id: string, version: number, document: T) => Promise<SaveOutcome>;
  readonly drafts: Drafts<T>;
  /** Told before and after every attempt. */
  readonly onStarted: (id: string) => void;
  readonly onOutcome: (id: string, outcome: SaveOutcome, sent: T) => void;
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
  running: Promise<void> | null;
  timer: ReturnType<typeof setTimeout> | undefined;
  tries: number;
  /** Stopped by a conflict. */
  held: boolean;
}

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
    const entry = this.entries.get(id) ?? fresh<T>(version);
    this.entries.set(id, entry);
    if (version > entry.version) {
      entry.version = version;
      entry.held = false;
    }
    entry.waiting = document;
    entry.tries = 0;
    this.options.drafts.keep(id, { baseVersion: entry.version, document });
    this.after(id, entry, this.settleMs);
  }

  /** Forgets a change that was not sent, and its draft: it was undone, or given up. */
  drop(id: string): void {
    const entry = this.entries.get(id);
    this.options.drafts.drop(id);
    if (!entry) return;
    clearTimeout(entry.timer);
    entry.waiting = null;
    entry.held = false;
    this.tidy(id, entry);
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

  /** Tries everything that failed again, for instance when the connection is back. */
  retry(): void {
    for (const id of this.entries.keys()) void this.flush(id);
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
    const { send, drafts, onStarted, onOutcome } = this.options;
    while (entry.waiting !== null && !entry.held) {
      const document = entry.waiting;
      clearTimeout(entry.timer);
      entry.waiting = null;
      entry.sending = document;
      onStarted(id);
      const outcome = await send(id, entry.version, document);
      entry.sending = null;
      // What was changed meanwhile is newer than what comes back.
      const newer = entry.waiting as T | null;
      if (outcome.kind === 'saved') {
        entry.version = outcome.version;
        entry.tries = 0;
        if (newer === null) drafts.drop(id);
        else drafts.keep(id, { baseVersion: entry.version, document: newer });
      } else {
        entry.waiting = newer ?? document;
        entry.held = outcome.kind === 'stale';
      }
      onOutcome(id, outcome, document);
      if (outcome.kind === 'unreachable') {
        this.after(id, entry, this.retryMs[Math.min(entry.tries++, this.retryMs.length - 1)]!);
      }
      if (outcome.kind !== 'saved') return;
    }
  }

  private tidy(id: string, entry: Entry<T>): void {
    if (entry.waiting === null && entry.running === null && !entry.held) this.entries.delete(id);
  }
}

const fresh = <T>(version: number): Entry<T> => ({
  version,
  waiting: null,
  sending: null,
  running: null,
  timer: undefined,
  tries: 0,
  held: false,
});
