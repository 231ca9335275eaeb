import { type Remote, wrap } from 'comlink';
import { type ColourWorker } from './protocol.ts';

let remote: Remote<ColourWorker> | undefined;

/** The one colour worker, started on first use. */
export function colourWorker(): Remote<ColourWorker> {
  remote ??= wrap<ColourWorker>(
    new Worker(new URL('./colour.worker.ts', import.meta.url), { type: 'module' }),
  );
  return remote;
}
