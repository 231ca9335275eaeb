import { type LogPage } from '@kleur/contract';
import { logEntry, type LogEntry, mergeLogs, stampAfter } from '@kleur/core/day';
import { type Failure } from './api.ts';
import { type Outbox, type WaitingFile } from './outbox.ts';

/** The server's side of one batch's log; both fail with a `Failure`. */
export interface LogServer {
  after(cursor: number): Promise<LogPage>;
  send(entries: readonly LogEntry[]): Promise<void>;
  sendFile(file: WaitingFile): Promise<void>;
}

export interface LogState {
  /** All that is known, in order, each once. */
  readonly entries: readonly LogEntry[];
  /** Ids of those that the server has not acknowledged. */
  readonly waiting: ReadonlySet<string>;
  /** Ids of those that it refused; they stay on this device. */
  readonly refused: ReadonlyMap<string, string>;
  /** Whether the server answered last time. */
  readonly online: boolean;
  /** Whether this device keeps what waits beyond this page. */
  readonly kept: boolean;
}

export type NewEntry = Pick<LogEntry, 'kind'> & Partial<Omit<LogEntry, 'id' | 'at' | 'kind'>>;

/** How often other devices are asked after, ms. */
export const ASK_EVERY = 1500;

const WITH_FILE: ReadonlySet<LogEntry['kind']> = new Set(['pictured', 'spoken']);

const NOTHING: LogState = {
  entries: [],
  waiting: new Set(),
  refused: new Map(),
  online: true,
  kept: true,
};

/**
 * The log of one batch on this device: an entry shows at once, lies in the outbox before it is sent, and leaves it when
 * the server has acknowledged it. What other devices say comes with the next question.
 */
export class BenchLog {
  private state = NOTHING;
  private readonly listeners = new Set<() => void>();
  private cursor = 0;
  /** Ids of entries that are shown because the server had them last time. */
  private remembered: ReadonlySet<string> = new Set();
  private busy: Promise<void> | null = null;
  private again = false;
  private leaving = false;
  private timer: ReturnType<typeof setInterval> | null = null;

  constructor(
    private readonly batchId: string,
    private readonly server: LogServer,
    private readonly outbox: Promise<Outbox>,
    private readonly make: { readonly id: () => string; readonly now: () => number },
  ) {}

  readonly getSnapshot = (): LogState => this.state;
  readonly subscribe = (listener: () => void): (() => void) => {
    this.listeners.add(listener);
    return () => {
      this.listeners.delete(listener);
    };
  };

  /** Brings back what waits on this device, then keeps asking the server until it is stopped. */
  async start(): Promise<void> {
    this.leaving = false;
    this.timer ??= setInterval(() => {
      if (this.leaving && !this.hasDue()) this.halt();
      else void this.exchange();
    }, ASK_EVERY);
    try {
      const outbox = await this.outbox;
      const [waiting, known] = await Promise.all([outbox.of(this.batchId), outbox.known(this.batchId)]);
      // What the server had last time serves until it says itself what it has.
      if (this.cursor === 0) this.remembered = new Set(known.map((e) => e.id));
      this.take([...known, ...waiting], {
        waiting: new Set([...this.state.waiting, ...waiting.map((e) => e.id)]),
      });
    } catch {
      this.set({ kept: false });
    }
    await this.exchange();
  }

  /** Asks no more, once everything that waits has been sent. */
  stop(): void {
    this.leaving = true;
    if (!this.hasDue()) this.halt();
  }

  private hasDue(): boolean {
    return [...this.state.waiting].some((id) => !this.state.refused.has(id));
  }

  private halt(): void {
    if (this.timer !== null) clearInterval(this.timer);
    this.timer = null;
  }

  /** Says something: shown at once. @returns when it lies in the outbox, or cannot. */
  async say(entry: NewEntry): Promise<void> {
    const made = logEntry({
      ...entry,
      id: this.make.id(),
      at: stampAfter(this.state.entries, this.make.now()),
    });
    this.take([made], { waiting: new Set([...this.state.waiting, made.id]) });
    try {
      await (await this.outbox).put(this.batchId, made);
    } catch {
      this.set({ kept: false });
    }
    void this.exchange();
  }

  /** Says something that has a picture or a clip, which is kept first. @throws where this device can keep no file. */
  async sayWith(file: WaitingFile, entry: Omit<NewEntry, 'text'>): Promise<void> {
    await (await this.outbox).putFile(file);
    await this.say({ ...entry, text: file.name });
  }

  /** Sends what waits and asks what came; one exchange at a time, a further one if it was asked for meanwhile. */
  exchange(): Promise<void> {
    this.again = true;
    this.busy ??= this.run().finally(() => {
      this.busy = null;
    });
    return this.busy;
  }

  private async run(): Promise<void> {
    while (this.again) {
      this.again = false;
      try {
        await this.send();
        const isFirst = this.cursor === 0;
        const { entries, cursor } = await this.server.after(this.cursor);
        this.cursor = cursor;
        if (isFirst) this.forget(entries);
        if (entries.length > 0) await this.acknowledged(entries);
        if (isFirst) await this.remember(entries, true);
        if (!this.state.online) this.set({ online: true });
      } catch {
        if (this.state.online) this.set({ online: false });
      }
    }
  }

  private async send(): Promise<void> {
    const { waiting, refused, entries } = this.state;
    const due = entries.filter((e) => waiting.has(e.id) && !refused.has(e.id));
    if (due.length === 0) return;
    try {
      for (const { kind, text } of due) if (WITH_FILE.has(kind)) await this.sendFile(text);
      await this.server.send(due);
    } catch (failure) {
      if ((failure as Failure).code !== 'invalid-input') throw failure;
      // One of them is refused and with it all: one by one, to find which.
      for (const entry of due) await this.sendOne(entry);
      return;
    }
    await this.acknowledged(due);
  }

  /** The file of an entry goes first, so that no entry names one that is not there. */
  private async sendFile(name: string): Promise<void> {
    const file = await (await this.outbox).file(name);
    if (!file) return;
    await this.server.sendFile(file);
    await (await this.outbox).removeFile(name);
  }

  private async sendOne(entry: LogEntry): Promise<void> {
    try {
      if (WITH_FILE.has(entry.kind)) await this.sendFile(entry.text);
      await this.server.send([entry]);
    } catch (failure) {
      const { code, message } = failure as Failure;
      if (code !== 'invalid-input') throw failure;
      this.set({ refused: new Map([...this.state.refused, [entry.id, message]]) });
      return;
    }
    await this.acknowledged([entry]);
  }

  private async acknowledged(entries: readonly LogEntry[]): Promise<void> {
    const ids = new Set(entries.map((e) => e.id));
    const had = [...this.state.waiting].filter((id) => ids.has(id));
    this.take(entries, { waiting: new Set([...this.state.waiting].filter((id) => !ids.has(id))) });
    // Remembered before it leaves the outbox: at no moment is it in neither.
    await this.remember(entries, false);
    if (had.length > 0) await (await this.outbox).remove(had).catch(() => undefined);
  }

  /** Keeps what the server has for when it is away; a device that cannot keep anything shows it on this page alone. */
  private async remember(entries: readonly LogEntry[], all: boolean): Promise<void> {
    try {
      await (await this.outbox).remember(this.batchId, entries, all);
    } catch {
      this.set({ kept: false });
    }
  }

  /** Drops what was remembered of the server and is not there any more: a copy was put back. */
  private forget(has: readonly LogEntry[]): void {
    const ids = new Set(has.map((e) => e.id));
    const gone = [...this.remembered].filter((id) => !ids.has(id) && !this.state.waiting.has(id));
    this.remembered = new Set();
    if (gone.length > 0) this.set({ entries: this.state.entries.filter((e) => !gone.includes(e.id)) });
  }

  private take(entries: readonly LogEntry[], change: Partial<LogState>): void {
    this.set({ ...change, entries: mergeLogs(this.state.entries, entries) });
  }

  private set(change: Partial<LogState>): void {
    this.state = { ...this.state, ...change };
    for (const listener of this.listeners) listener();
  }
}
