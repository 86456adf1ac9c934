import type { House } from '@roskel/contract';

const OWN = /^(localhost|127\.0\.0\.1|\[::1\])$/;

/** Where other devices of the house find this kitchen: by a name that holds elsewhere too; null where it is open to this machine only. */
export const elsewhere = (house: Pick<House, 'addresses'> | null): string | null =>
  OWN.test(location.hostname) ? (house?.addresses[0] ?? null) : location.origin;
