import { QUANTITY, type Quantity } from './quantity';

/** One look of a device: ms on any clock that only goes on, and the value in our unit. */
export interface Sample {
  at: number;
  value: number;
}
/** Whether a figure may be taken as measured: only a steady one is. */
export type Holding = 'steady' | 'moving' | 'jumping' | 'wrong' | 'silent';
export interface Held {
  state: Holding;
  /** What it reads, rounded to what is kept; null when it has not been heard for a while. */
  value: number | null;
  /** What to do, in a sentence; empty when it is steady. */
  says: string;
}

/** Not heard for as long: it is not there any more, ms. */
export const SILENT_MS = 2500;
/** Looks older than this are forgotten, ms. */
export const KEPT_MS = 8000;
/** As many leaps to and fro within what is kept are a loose plug, not a hand. */
const LEAPS = 3;

const round = (x: number, digits: number) => Number(x.toFixed(digits)) + 0;
function median(sorted: readonly number[]): number {
  const n = sorted.length;
  return n % 2 ? sorted[(n - 1) / 2]! : (sorted[n / 2 - 1]! + sorted[n / 2]!) / 2;
}
const mean = (xs: readonly number[]) => xs.reduce((a, x) => a + x, 0) / xs.length;

/** Leaps that turn back: something plugged badly does so, something laid on or taken off does not. */
function leaps(samples: readonly Sample[], leap: number): number {
  let count = 0;
  let before = 0;
  for (let i = 1; i < samples.length; i++) {
    const step = samples[i]!.value - samples[i - 1]!.value;
    if (Math.abs(step) < leap) continue;
    if (before !== 0 && Math.sign(step) !== Math.sign(before)) count++;
    before = step;
  }
  return count;
}

/** A sample outside of these is no sample of a cooled sauce, °C (handbook chapter 3, section 10.3: standardise at 20 to 25). */
export const SAMPLE_C = { least: 5, most: 35 } as const;

/** What a device reads of everything it measures. A pH is not to be taken of a sample that the same pen finds hot, or ice-cold. */
export function holdAll(samples: ReadonlyMap<Quantity, readonly Sample[]>, now: number): ({ quantity: Quantity } & Held)[] {
  const all = [...samples].map(([quantity, list]) => ({ quantity, ...holdReading(quantity, list, now) }));
  const c = all.find((r) => r.quantity === 'temp')?.value ?? null;
  if (c === null || (c >= SAMPLE_C.least && c <= SAMPLE_C.most)) return all;
  const says = `The sample is at ${c.toFixed(0)} °C. Bring it to room temperature, then read.`;
  return all.map((r) => (r.quantity === 'pH' && r.value !== null && r.state !== 'jumping' ? { ...r, state: 'wrong' as const, says } : r));
}

/**
 * What a device reads at a time `now` (ms, the samples' clock) and whether that may be taken. Steady: over the whole of its
 * window within what the table allows, and not creeping; the value is then the median. `samples` are in the order of time.
 */
export function holdReading(quantity: Quantity, samples: readonly Sample[], now: number): Held {
  const q = QUANTITY[quantity];
  const last = samples.at(-1);
  if (!last || now - last.at > SILENT_MS) return { state: 'silent', value: null, says: 'Not heard from. Is it on, and near?' };
  const value = round(last.value, q.digits);
  if (!Number.isFinite(last.value)) return { state: 'wrong', value: null, says: 'It sends no number.' };
  const kept = samples.filter((s) => now - s.at <= KEPT_MS);
  if (leaps(kept, q.leap) >= LEAPS)
    return { state: 'jumping', value, says: 'It jumps to and fro. Look at its plug and its battery, and hold it still.' };
  if (last.value < q.least) return { state: 'wrong', value, says: q.below };
  if (last.value > q.most) return { state: 'wrong', value, says: q.above };
  const moving: Held = { state: 'moving', value, says: 'It still moves. Wait until it stands.' };
  const first = kept.findIndex((s) => now - s.at <= q.windowMs);
  const recent = kept.slice(first);
  // It was heard before the window began, so that the window is full.
  if (first === 0 || recent.length < 4) return moving;
  const values = recent.map((s) => s.value);
  const allowed = q.still + q.stillShare * Math.abs(last.value);
  if (Math.max(...values) - Math.min(...values) > allowed) return moving;
  const half = Math.floor(values.length / 2);
  if (Math.abs(mean(values.slice(half)) - mean(values.slice(0, half))) > allowed / 2) return moving;
  return { state: 'steady', value: round(median(values.sort((a, b) => a - b)), q.digits), says: '' };
}
