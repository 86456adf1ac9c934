import type { Quantity } from '@roskel/core';
import { degrees, grams } from '../format';

/** What a device reads, for people: a scale to a tenth of a gram where it matters. */
export function liveWords(quantity: Quantity, value: number | null): string {
  if (value === null) return '…';
  if (quantity === 'mass') return Math.abs(value) < 100 ? `${value.toFixed(1)} g` : grams(value);
  return quantity === 'temp' ? degrees(value, 1) : `pH ${value.toFixed(2)}`;
}
