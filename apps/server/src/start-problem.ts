import { createServer } from 'node:net';
import { StorageError } from './storage/data-folder.ts';

/** Why the server cannot start; the message is for the person at the terminal. */
export class StartError extends Error {
  override readonly name = 'StartError';
}

/** @throws StartError unless the text is a port. */
export function portFrom(text: string | undefined): number {
  const port = Number(text ?? 4173);
  if (text?.trim() !== '' && Number.isInteger(port) && port >= 1 && port <= 65_535) return port;
  throw new StartError(`PORT is “${text ?? ''}”. It is a whole number from 1 to 65535.`);
}

/** Makes sure that the address can be listened on, before anything else is done. @throws StartError. */
export function checkAddress(port: number, host: string): Promise<void> {
  return new Promise((resolve, reject) => {
    const probe = createServer();
    probe.once('error', ({ code }: NodeJS.ErrnoException) => {
      reject(
        new StartError(
          code === 'EADDRINUSE'
            ? `Port ${port} is in use. Choose another with PORT.`
            : `The address ${host}:${port} cannot be used (${code ?? 'unknown reason'}). Choose another with HOST and PORT.`,
        ),
      );
    });
    probe.listen(port, host, () =>
      probe.close(() => {
        resolve();
      }),
    );
  });
}

/** What to tell of a failed start in one sentence; null for a failure that nobody expects. */
export function startProblem(error: unknown): string | null {
  if (error instanceof StartError || error instanceof StorageError) return error.message;
  const { code, message } = error as NodeJS.ErrnoException;
  if (code === 'ENOSPC' || code === 'EDQUOT' || code === 'EFBIG' || code === 'SQLITE_FULL')
    return 'There is no room on the disk for the data file. Make room, or choose another folder with KLEUR_DATA.';
  return code?.startsWith('SQLITE_') ? `The data file cannot be used: ${message}` : null;
}
