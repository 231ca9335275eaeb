import { BenchLog } from './benchLog.ts';
import { logServer } from './log.ts';
import { newId } from './newId.ts';
import { openOutbox, type Outbox } from './outbox.ts';
import { type AppStore } from './store.ts';

const logs = new Map<string, BenchLog>();
let opened: Promise<Outbox> | null = null;

/** The outbox of this device, which the browser is asked not to clear when it is short of room. */
export const outboxOfDevice = (): Promise<Outbox> => (opened ??= openLasting());

function openLasting(): Promise<Outbox> {
  // Not on addresses that the browser does not trust.
  if ('storage' in navigator) void navigator.storage.persist().catch(() => false);
  return openOutbox();
}

/** The log of a batch on this page; it outlives the screen until everything was sent. */
export function logOf(batchId: string, store: AppStore): BenchLog {
  const known = logs.get(batchId);
  if (known) return known;
  const made = new BenchLog(batchId, logServer(store, batchId), outboxOfDevice(), {
    id: () => `${newId()}${newId()}`,
    now: Date.now,
  });
  logs.set(batchId, made);
  return made;
}

/** Sends what waits on this device of any batch, whichever room is open. */
export async function sendWaitingLogs(store: AppStore): Promise<void> {
  try {
    for (const batchId of await (await outboxOfDevice()).batches()) {
      const log = logOf(batchId, store);
      await log.start();
      log.stop();
    }
  } catch {
    // No database in this browser: nothing waits in it either.
  }
}
