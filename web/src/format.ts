import dayjs from 'dayjs';
import { twoFigures } from '@roskel/core';

const whole = new Intl.NumberFormat('en');

/** Grams as a kitchen scale shows them. */
export function grams(g: number): string {
  if (g >= 10_000) return `${(g / 1000).toFixed(1)} kg`;
  return g > 0 && g < 10 ? `${g.toFixed(1)} g` : `${whole.format(Math.round(g))} g`;
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

/** A day as people say it: "12 Nov", with the year when it is another one. */
export function day(iso: string): string {
  const d = dayjs(iso);
  return d.format(d.year() === dayjs().year() ? 'D MMM' : 'D MMM YYYY');
}

export function today(): string {
  return dayjs().format('YYYY-MM-DD');
}

/** Odds in people's words: whole numbers of 100, never 0 or 100. */
export function odds(p: number): string {
  if (p < 0.005) return 'fewer than 1 in 100';
  if (p > 0.995) return 'more than 99 in 100';
  return `${Math.min(99, Math.max(1, Math.round(p * 100)))} in 100`;
}

export function plural(n: number, one: string, many = `${one}s`): string {
  return `${whole.format(n)} ${n === 1 ? one : many}`;
}

/** A date in words relative to today: "today", "tomorrow", "overdue 3 days", "Sat 28 Nov". */
export function due(iso: string): { text: string; late: boolean } {
  const days = dayjs(iso).diff(dayjs(today()), 'day');
  if (days < 0) return { text: `overdue ${plural(-days, 'day')}`, late: true };
  if (days === 0) return { text: 'today', late: false };
  if (days === 1) return { text: 'tomorrow', late: false };
  return { text: dayjs(iso).format('ddd D MMM'), late: false };
}
