import { hostname, networkInterfaces } from 'node:os';

/** Addresses of this machine in the house, IPv4 first: what another device may call it. */
export function ownAddresses(): string[] {
  const all = Object.values(networkInterfaces()).flatMap((list) => list ?? []);
  return all
    .filter((a) => !a.internal && !a.address.startsWith('fe80'))
    .sort((a, b) => (a.family === b.family ? 0 : a.family === 'IPv4' ? -1 : 1))
    .map((a) => (a.family === 'IPv6' ? `[${a.address}]` : a.address));
}

/** What this machine calls itself, and how the house does by multicast DNS (RFC 6762). */
export function ownNames(): string[] {
  const name = hostname().toLowerCase().split('.')[0]!;
  return name ? [name, `${name}.local`] : [];
}
