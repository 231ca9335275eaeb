const AT_REST_MS = 3000;

/** Does something when the page has nothing else to do. */
export function whenAtRest(act: () => void): void {
  // Not every browser tells when it is idle.
  if ('requestIdleCallback' in window) window.requestIdleCallback(act);
  else setTimeout(act, AT_REST_MS);
}
