import { type Remote, wrap } from 'comlink';
import { type ColourWorker } from './protocol.ts';
import { type FilesWorker } from './files.protocol.ts';
import { type PhotoWorker } from './photo.protocol.ts';
import { type SearchWorker } from './search.protocol.ts';

let remote: Remote<ColourWorker> | undefined;

/** The one colour worker, started on first use. */
export function colourWorker(): Remote<ColourWorker> {
  remote ??= wrap<ColourWorker>(
    new Worker(new URL('./colour.worker.ts', import.meta.url), { type: 'module' }),
  );
  return remote;
}

let search: Remote<SearchWorker> | undefined;

let reach: Remote<SearchWorker> | undefined;

/** A search worker for the reach of the shelf, which takes a second and must not keep matches waiting. */
export function reachWorker(): Remote<SearchWorker> {
  reach ??= startSearch();
  return reach;
}

const startSearch = (): Remote<SearchWorker> =>
  wrap<SearchWorker>(new Worker(new URL('./search.worker.ts', import.meta.url), { type: 'module' }));

/** The search worker, apart from the colours so that neither waits for the other. Started on first use. */
export function searchWorker(): Remote<SearchWorker> {
  search ??= startSearch();
  return search;
}

let photo: Remote<PhotoWorker> | undefined;

/** The worker that reads bars in photos, which holds a whole picture. Started on first use. */
export function photoWorker(): Remote<PhotoWorker> {
  photo ??= wrap<PhotoWorker>(new Worker(new URL('./photo.worker.ts', import.meta.url), { type: 'module' }));
  return photo;
}

let files: Remote<FilesWorker> | undefined;

/** The worker that reads files of measured bars. Started on first use. */
export function filesWorker(): Remote<FilesWorker> {
  files ??= wrap<FilesWorker>(new Worker(new URL('./files.worker.ts', import.meta.url), { type: 'module' }));
  return files;
}
