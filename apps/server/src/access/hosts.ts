import { networkInterfaces } from 'node:os';
import { isIPv6 } from 'node:net';

/** Names under which this machine speaks to itself; no other machine can answer to them. */
export const LOOPBACK = ['localhost', '127.0.0.1', '[::1]'] as const;

const EVERY_ADDRESS = ['0.0.0.0', '::', '[::]'];

/** Whether a server that listens there can be reached from its own machine alone. */
export const isLoopback = (host: string): boolean =>
  host === 'localhost' || host === '::1' || /^127(\.\d{1,3}){3}$/.test(host);

/**
 * Names of requests that are meant for a server that listens on `host`. One that listens on every address answers to
 * the addresses of its machine: a page elsewhere can give its own name another address, but cannot take an address
 * for its name.
 */
export function namesOf(host: string): readonly string[] {
  if (!EVERY_ADDRESS.includes(host)) return [written(host)];
  return Object.values(networkInterfaces())
    .flat()
    .flatMap((i) => (i ? [written(i.address)] : []));
}

const written = (address: string): string => (isIPv6(address) ? `[${address}]` : address);
