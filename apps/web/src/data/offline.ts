import { routes } from '@kleur/contract';

/** The service worker's own store of what pages read on opening. */
const DATA_CACHE = 'kleur-data';

/** Whether the application can open on this device without the server, or why not. */
export type OfflineStart = 'ready' | 'not-trusted' | 'failed';

let registered: Promise<OfflineStart> | null = null;

/**
 * Puts the application and what this batch needs onto the device. Tried once a page.
 * @param batchId the batch that is being made
 */
export function keepForOffline(batchId: string): Promise<OfflineStart> {
  registered ??= register();
  return registered.then(async (state) => {
    if (state === 'ready') await readOnce(batchId);
    return state;
  });
}

async function register(): Promise<OfflineStart> {
  if (!('serviceWorker' in navigator)) return 'not-trusted';
  try {
    await navigator.serviceWorker.register('/sw.js');
    await navigator.serviceWorker.ready;
    return 'ready';
  } catch (error) {
    // An address whose certificate was only waved through is none that may keep a worker.
    return (error as DOMException).name === 'SecurityError' ? 'not-trusted' : 'failed';
  }
}

/** Reads through the worker what was read before it was there. */
async function readOnce(batchId: string): Promise<void> {
  await taken();
  const urls = [routes.access, routes.settings, routes.materials, routes.batch(batchId)];
  await Promise.all(urls.map((url) => fetch(url).catch(() => undefined)));
}

/** Resolves once the worker answers for this page. */
const taken = (): Promise<void> =>
  navigator.serviceWorker.controller
    ? Promise.resolve()
    : new Promise((resolve) => {
        navigator.serviceWorker.addEventListener(
          'controllerchange',
          () => {
            resolve();
          },
          { once: true },
        );
      });

/** Leaves nothing of the workspace to whoever opens this browser next. */
export async function forgetOffline(): Promise<void> {
  if ('caches' in window) await caches.delete(DATA_CACHE);
}
