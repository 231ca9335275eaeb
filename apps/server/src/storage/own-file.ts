import { chmodSync, closeSync, fsyncSync, openSync, renameSync, writeSync } from 'node:fs';

/** Replaces a file whole, for its owner alone; it is on the disk when this returns. @throws the system's error. */
export function replaceOwnFile(file: string, text: string): void {
  const fresh = `${file}.new`;
  const fd = openSync(fresh, 'w', 0o600);
  try {
    writeSync(fd, text);
    fsyncSync(fd);
  } finally {
    closeSync(fd);
  }
  chmodSync(fresh, 0o600);
  renameSync(fresh, file);
}
