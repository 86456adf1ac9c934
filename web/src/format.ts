import dayjs from 'dayjs';
import { MASSES_G, twoFigures } from '@roskel/core';
import { day, today, weekday } from './ui/days';
import { manner } from './ui/manner';

export { clock, day, fullDay, today, weekday } from './ui/days';

const whole = new Intl.NumberFormat('en');
const { oz: OZ, lb: LB } = MASSES_G;

/** Words as a heading or a name begins: with a capital. */
export const capital = (words: string): string => words.replace(/^./u, (c) => c.toUpperCase());

/** A mass as the maker's own scale shows it: grams, or pounds and ounces. */
export function grams(g: number): string {
  if (g < 0) return `-${grams(-g)}`;
  if (manner.weight === 'lb') return pounds(g);
  if (g >= 10_000) return `${(g / 1000).toFixed(1)} kg`;
  return g > 0 && g < 10 ? `${g.toFixed(1)} g` : `${whole.format(Math.round(g))} g`;
}
/** The same where the unit goes without saying: the bare number of grams, but pounds and ounces with theirs. */
export const bareMass = (g: number): string => (manner.weight === 'lb' ? pounds(g) : String(Math.round(g)));
function pounds(g: number): string {
  if (g === 0) return '0 oz';
  // What rounds to sixteen ounces is a pound.
  if (g < LB - OZ / 2) return `${(g / OZ).toFixed(g < 10 * OZ ? (g < OZ / 4 ? 2 : 1) : 0)} oz`;
  const ounces = Math.round(g / OZ);
  const [lb, oz] = [Math.floor(ounces / 16), ounces % 16];
  return oz === 0 ? `${whole.format(lb)} lb` : `${whole.format(lb)} lb ${oz} oz`;
}

/** A temperature in the maker's own degrees. */
export function degrees(c: number, digits = 0): string {
  return manner.temperature === 'F' ? `${((c * 9) / 5 + 32).toFixed(digits)} °F` : `${c.toFixed(digits)} °C`;
}

/** From here up a temperature kills what grows: it is never rounded down. */
const KILLS_C = 60;
const toF = (c: string) => {
  const f = (Number(c) * 9) / 5 + 32;
  return String(Number(c) >= KILLS_C ? Math.ceil(f) : Math.round(f));
};
const NUMBER = String.raw`\d[\d,]*(?:\.\d+)?`;
const SIGNED = `(?<![\\d-])-?${NUMBER}`;
const IN_C = new RegExp(`(${SIGNED})((?: to | and )(${SIGNED}))? °C`, 'g');
const IN_G = new RegExp(`(${NUMBER}) (g|kg)\\b(?! per)`, 'g');
const ISO_DAY = /\b\d{4}-\d{2}-\d{2}\b/g;
/** A sentence that core wrote, with its days, temperatures and weights as the maker's own. */
export function inManner(text: string): string {
  let said = text.replace(ISO_DAY, day);
  if (manner.temperature === 'F')
    said = said.replace(IN_C, (_, a: string, more: string | undefined, b: string) => `${toF(a)}${more ? more.replace(b, toF(b)) : ''} °F`);
  if (manner.weight === 'lb')
    said = said.replace(IN_G, (_, n: string, unit: string) => pounds(Number(n.replaceAll(',', '')) * (unit === 'kg' ? 1000 : 1)));
  return said;
}

/** Money in the maker's currency, or a bare number. */
export function money(x: number): string {
  if (manner.currency === '') return x.toFixed(2);
  try {
    return new Intl.NumberFormat(undefined, { style: 'currency', currency: manner.currency }).format(x);
  } catch {
    return `${x.toFixed(2)} ${manner.currency}`;
  }
}

/** Heat to two significant figures. */
export function shu(x: number): string {
  return whole.format(x < 10 ? Math.round(x) : twoFigures(x));
}

/** pH: one decimal when predicted, two when measured. */
export function ph(x: number | null, measured = false): string {
  return x === null ? 'no pH' : x.toFixed(measured ? 2 : 1);
}

export function percent(x: number, digits = 1): string {
  return `${x.toFixed(digits)} %`;
}

/** "1 lot", "2 lots", "1,200 lots". */
export function plural(n: number, one: string, many = `${one}s`): string {
  return `${whole.format(n)} ${n === 1 ? one : many}`;
}

/** "a pod", "an onion". */
export function one(thing: string): string {
  return `${/^[aeiou]/i.test(thing) ? 'an' : 'a'} ${thing}`;
}

/** A date in words relative to today: "today", "tomorrow", "overdue 3 days", "Sat 28 Nov". */
export function due(iso: string): { text: string; late: boolean } {
  const days = dayjs(iso).diff(dayjs(today()), 'day');
  if (days < 0) return { text: `overdue ${plural(-days, 'day')}`, late: true };
  if (days === 0) return { text: 'today', late: false };
  if (days === 1) return { text: 'tomorrow', late: false };
  return { text: weekday(iso), late: false };
}

/** A sentence as it stands within another: its first letter small, and pH as it is. */
export const within = (text: string): string => text.charAt(0).toLowerCase() + text.slice(1);
