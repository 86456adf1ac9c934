import { reactive } from 'vue';
import { DEFAULT_SETTINGS, type Settings } from '@roskel/contract';

/** How this kitchen reads and writes figures. What is stored never follows it: grams, °C and ISO days stay. */
export type Manner = Pick<Settings, 'kitchen' | 'temperature' | 'weight' | 'dates' | 'weekStart' | 'currency'>;

/** Set by the settings; read by every field and figure. */
export const manner = reactive<Manner>({ ...DEFAULT_SETTINGS });

export function setManner({ kitchen, temperature, weight, dates, weekStart, currency }: Settings): void {
  Object.assign(manner, { kitchen, temperature, weight, dates, weekStart, currency });
}
