import { createServer, type Server } from 'node:https';
import { type RequestListener } from 'node:http';
import { certifiedNames } from './addresses.ts';
import { type Certificate, LIFE_DAYS, makeLeaf } from './certificates.ts';

/** A new certificate is made in time, while the server runs on. */
const RENEW_MS = (LIFE_DAYS.leaf / 3) * 24 * 60 * 60 * 1000;
/** Timers cannot wait for longer. */
const LONGEST_WAIT_MS = 2 ** 31 - 1;

/**
 * Serves the application to other devices of the network, encrypted.
 * @returns once it listens. @throws the system's error.
 */
export function listenToNetwork(
  handler: RequestListener,
  root: Certificate,
  port: number,
  host = '0.0.0.0',
): Promise<Server> {
  const credentials = (): { key: string; cert: string } => {
    const { key, cert } = makeLeaf(root, certifiedNames());
    // Devices that trust the root need not be sent it; others show what they were given.
    return { key, cert: `${cert}${root.cert}` };
  };
  const server = createServer({ ...credentials(), minVersion: 'TLSv1.2' }, handler);
  const renewal = setInterval(
    () => {
      server.setSecureContext(credentials());
    },
    Math.min(RENEW_MS, LONGEST_WAIT_MS),
  );
  renewal.unref();
  server.on('close', () => {
    clearInterval(renewal);
  });
  return new Promise((resolve, reject) => {
    server.once('error', reject);
    server.listen(port, host, () => {
      resolve(server);
    });
  });
}
