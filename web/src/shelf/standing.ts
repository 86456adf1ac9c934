import { daysBetween } from '@roskel/core';
import type { BottlingRecord } from '@roskel/contract';
import { plural } from '../format';

/** Where bottles stand, in the order in which they are used up. */
export const PLACE_NAMES: Record<string, string> = {
  bin: 'To throw away',
  fridge: 'Fridge',
  freezer: 'Freezer',
  cupboard: 'Cool cupboard',
};
const ORDER = ['bin', 'fridge', 'freezer', 'cupboard'];

/** Bottles by place; in each, what must be used first stands first. */
export function byPlace(items: readonly BottlingRecord[]): { place: string; name: string; items: BottlingRecord[] }[] {
  return ORDER.map((place) => ({
    place,
    name: PLACE_NAMES[place]!,
    items: items.filter((b) => b.place === place && b.left > 0).sort((a, b) => a.useBy.localeCompare(b.useBy)),
    // The house has a fridge and a cupboard, whatever stands in them; a freezer is drawn when it holds some.
  })).filter((p) => p.items.length > 0 || p.place === 'fridge' || p.place === 'cupboard');
}

/** How long bottles are good for still, as of a day. */
export function lasting(b: BottlingRecord, today: string): { text: string; late: boolean; share: number } {
  if (b.place === 'bin') return { text: 'not to be eaten', late: true, share: 0 };
  const [left, whole] = [daysBetween(today, b.useBy), Math.max(1, daysBetween(b.bottledOn, b.useBy))];
  const text =
    left < 0
      ? `past its day by ${plural(-left, 'day')}`
      : left === 0
        ? 'its last day is today'
        : left < 60
          ? `${plural(left, 'day')} still`
          : `about ${plural(Math.round(left / 30), 'month')} still`;
  return { text, late: left < 0, share: Math.min(1, Math.max(0, left / whole)) };
}

/** Whichever is to be used first: good still, and the soonest to end; null when nothing presses within a month. */
export function useFirst(items: readonly BottlingRecord[], today: string): BottlingRecord | null {
  const soon = items
    .filter((b) => b.left > 0 && b.place !== 'bin' && b.useBy >= today && daysBetween(today, b.useBy) <= 30)
    .sort((a, b) => a.useBy.localeCompare(b.useBy));
  return soon[0] ?? null;
}
