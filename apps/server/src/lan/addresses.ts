import { isIPv4 } from 'node:net';
import { hostname, networkInterfaces } from 'node:os';

/** Addresses of this machine in its networks, IPv4 first: they are easier to type. Loopback and link-local ones are left out. */
export function lanAddresses(): string[] {
  return Object.values(networkInterfaces())
    .flat()
    .flatMap((i) => (i && !i.internal && !/^(fe80|169\.254)/i.test(i.address) ? [i.address] : []))
    .toSorted((a, b) => Number(isIPv4(b)) - Number(isIPv4(a)));
}

/** Names and addresses of today that a certificate is made out to. */
export const certifiedNames = (): string[] => {
  const name = hostname().toLowerCase();
  return [
    ...new Set([
      'localhost',
      '127.0.0.1',
      '::1',
      name,
      ...(name.includes('.') ? [] : [`${name}.local`]),
      ...lanAddresses(),
    ]),
  ];
};

/** As it stands in an address: IPv6 in brackets. */
export const inUrl = (address: string): string => (address.includes(':') ? `[${address}]` : address);
