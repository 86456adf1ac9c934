import { computed, ref } from 'vue';
import {
  HEATED,
  heatTreatment,
  MOST_GAP_MIN,
  readTempLog,
  VEGETATIVE,
  type HeatPoint,
  type HeatTreatment,
  type TempLog,
  type TimeUnit,
} from '@roskel/core';
import { degrees } from '../format';

export const UNITS = [
  { value: '' as const, label: 'as the log says' },
  { value: 'C' as const, label: '°C' },
  { value: 'F' as const, label: '°F' },
];
export const TIMES = [
  { value: '' as const, label: 'as the log says' },
  { value: 'min' as const, label: 'minutes' },
  { value: 's' as const, label: 'seconds' },
  { value: 'h' as const, label: 'hours' },
  { value: 'mm:ss' as const, label: 'minutes:seconds' },
  { value: 'hh:mm' as const, label: 'hours:minutes' },
];

/** What heat does not do: said wherever it is judged. */
export const HEAT_LIMITS =
  'Heat like this kills what grows, not spores. It lengthens nothing by itself: only a pH of 4.0 or below, read with a meter on the finished, cooled sauce, does, and nothing is added after it. Sauces in oil stay in the fridge whatever was done. For sale, ask a process authority.';

/** What heat came to, in a sentence. */
export function heatSays(f: HeatTreatment): string {
  if (f.enough) return `Hot enough: ${degrees(HEATED.c)} or more for ${Math.floor(f.heldMin)} minutes without a break.`;
  return f.lacks && 'c' in f.lacks
    ? `Not hot enough: its hottest is ${degrees(f.peakC, 1)}, and ${degrees(HEATED.c)} are asked for everywhere.`
    : `Too short: ${f.heldMin.toFixed(1)} minutes at ${degrees(HEATED.c)} or more; ten are asked for without a break.`;
}
/** The figures behind it. */
export const heatRows = (f: HeatTreatment): [string, string][] => [
  ['Hottest', degrees(f.peakC, 1)],
  [`At ${degrees(HEATED.c)} or more, in one go`, `${f.heldMin.toFixed(1)} min`],
  [`Counted as minutes at ${degrees(VEGETATIVE.refC, 1)}`, f.creditMin > 999 ? 'over 999' : f.creditMin.toFixed(1)],
  ...(f.gapMin > MOST_GAP_MIN ? [['Longest gap, which counts for nothing', `${Math.round(f.gapMin)} min`] as [string, string]] : []),
];

/** A log that is being typed or opened, and what it amounts to. */
export function useHeatLog() {
  const text = ref('');
  /** What the log does not say is said here; empty as long as it does. */
  const unit = ref<'' | 'C' | 'F'>('');
  const time = ref<'' | TimeUnit>('');
  const log = computed<TempLog>(() =>
    readTempLog(text.value, { ...(unit.value ? { unit: unit.value } : {}), ...(time.value ? { time: time.value } : {}) }),
  );
  const points = computed<HeatPoint[]>(() => log.value.points);
  const found = computed(() => (points.value.length > 1 ? heatTreatment(points.value) : null));
  return { text, unit, time, log, points, found };
}
