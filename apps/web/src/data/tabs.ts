import { newId } from './newId.ts';

/** What tabs of one browser tell each other. */
export type TabMessage =
  | { readonly kind: 'saved'; readonly id: string }
  | { readonly kind: 'who' }
  | { readonly kind: 'here'; readonly tab: string };

const NAME = 'kleur';
/** How long a tab is given to say that it is there, where the browser cannot tell, ms. */
const ANSWER_MS = 700;

/** This page, until it is loaded anew. */
export const thisTab = newId();

const channel = typeof BroadcastChannel === 'undefined' ? null : new BroadcastChannel(NAME);
const listeners = new Set<(message: TabMessage) => void>();

/** Tells the other tabs of this browser. */
export function tellTabs(message: TabMessage): void {
  channel?.postMessage(message);
}

/** @returns a function that ends it. */
export function onTabMessage(listener: (message: TabMessage) => void): () => void {
  listeners.add(listener);
  return () => {
    listeners.delete(listener);
  };
}

channel?.addEventListener('message', ({ data }: MessageEvent<TabMessage>) => {
  if (data.kind === 'who') tellTabs({ kind: 'here', tab: thisTab });
  for (const listener of listeners) listener(data);
});

/** Locks end with the page that holds them, however it ends. Pages that are not served securely have none. */
const locks = 'locks' in navigator ? navigator.locks : null;
const lockOf = (tab: string): string => `${NAME}.tab.${tab}`;
let release: () => void = () => undefined;

function hold(): void {
  void locks
    ?.request(lockOf(thisTab), () => new Promise<void>((resolve) => (release = resolve)))
    .catch(() => undefined);
}
hold();
globalThis.addEventListener('pagehide', () => {
  release();
});
globalThis.addEventListener('pageshow', (event) => {
  if (event.persisted) hold();
});

/** The tabs of this browser that are open now, this one among them. */
export async function openTabs(): Promise<ReadonlySet<string>> {
  const tabs = new Set([thisTab]);
  // Browsers that keep nothing have no locks either.
  const held = await locks?.query().then(
    (found) => found.held ?? [],
    () => null,
  );
  if (held) {
    for (const { name = '' } of held)
      if (name.startsWith(lockOf(''))) tabs.add(name.slice(lockOf('').length));
    return tabs;
  }
  const stop = onTabMessage((message) => {
    if (message.kind === 'here') tabs.add(message.tab);
  });
  tellTabs({ kind: 'who' });
  await new Promise((resolve) => setTimeout(resolve, channel === null ? 0 : ANSWER_MS));
  stop();
  return tabs;
}
