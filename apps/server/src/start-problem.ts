import { createServer } from 'node:net';
import { PASSPHRASE_LIMITS } from '@kleur/contract';
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

/** @returns null where none is given. @throws StartError unless it is one that can be set. */
export function checkPassphrase(text: string | undefined): string | null {
  const { min, max } = PASSPHRASE_LIMITS;
  if (text === undefined || text === '') return null;
  if (text.length >= min && text.length <= max) return text;
  throw new StartError(`KLEUR_PASSPHRASE has ${text.length} characters. It needs ${min} to ${max}.`);
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
  if (error instanceof SyntaxError)
    return 'The file kleur.access.json in the data folder is damaged. Remove it, and set the passphrase anew.';
  return code?.startsWith('SQLITE_') ? `The data file cannot be used: ${message}` : null;
}
