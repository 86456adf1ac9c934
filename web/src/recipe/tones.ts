import type { KindName } from '@roskel/core';

/** Colours of the stations where text and line stand side by side; every kind has one. */
export const TONES: Readonly<Record<KindName, string>> = {
  prep: 'var(--pulp)',
  char: 'var(--sweet)',
  toast: 'var(--sweet)',
  soak: 'var(--acid)',
  press: 'var(--acid)',
  steep: 'var(--salt)',
  salt: 'var(--salt)',
  ferment: 'var(--salt)',
  drain: 'var(--salt)',
  fry: 'var(--orange)',
  simmer: 'var(--heat)',
  lift: 'var(--pulp)',
  blend: 'var(--acid)',
  strain: 'var(--pulp)',
  thicken: 'var(--heat)',
  rest: 'var(--metal)',
  temper: 'var(--orange)',
  trim: 'var(--metal)',
  bottle: 'var(--rim)',
  bowl: 'var(--rim)',
};
