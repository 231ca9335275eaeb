import { type RequestListener } from 'node:http';
import { type Server } from 'node:https';
import { isIPv4 } from 'node:net';
import QRCode from 'qrcode';
import { inUrl, lanAddresses } from './addresses.ts';
import { type Certificate, fingerprintOf, rootOf } from './certificates.ts';
import { listenToNetwork } from './lan-server.ts';
import { TRUST_PATH } from './trust-page.ts';

/** Where other devices find Kleur, and what they are to trust. */
export interface Lan {
  readonly root: Certificate;
  readonly isNewRoot: boolean;
  readonly port: number;
  /** `https://192.0.2.7:4174`, the address to try first at the front; empty on a machine without a network. */
  readonly origins: readonly string[];
}

export const lanOf = (folder: string, port: number): Lan => {
  const { root, isNew } = rootOf(folder);
  return {
    root,
    isNewRoot: isNew,
    port, // It listens on IPv4.
    origins: lanAddresses()
      .filter(isIPv4)
      .map((a) => `https://${inUrl(a)}:${port}`),
  };
};

/** Opens Kleur to the network and says at the terminal how to get there. */
export async function openLan(
  lan: Lan,
  handler: RequestListener,
  passphrase: string | null,
): Promise<Server> {
  const server = await listenToNetwork(handler, lan.root, lan.port);
  const [first, ...others] = lan.origins;
  if (first === undefined) {
    console.log('This machine is in no network at present: other devices cannot reach it.');
    return server;
  }
  const qr = await QRCode.toString(first, { type: 'terminal', small: true });
  console.log(
    [
      `On your tablet or phone: ${first}`,
      qr,
      ...(others.length > 0 ? [`Or: ${others.join(' ')}`] : []),
      ...(passphrase === null
        ? []
        : [`Passphrase, made for this workspace: ${passphrase} (change it in Settings)`]),
      `To open it there without the server, trust this machine once: ${first}${TRUST_PATH}`,
      `Fingerprint of its certificate${lan.isNewRoot ? ', which is new' : ''}: ${fingerprintOf(lan.root)}`,
    ].join('\n'),
  );
  return server;
}
