import type { BatchFile } from '../file';
import { graphOf } from './graph';
import type { TypicalStation } from './typical';

export interface WorkTime {
  /** Minutes by hands, and by the clock within a day: what is done side by side counts once, and hands are one pair. */
  hands: number;
  clock: number;
}

/**
 * The time a batch takes: hands in all, and by the clock the longest way through its strands, but never less than the hands
 * have to do. A station on which nothing is worked takes none; one that stands for days takes its hands.
 */
export function workTime(file: BatchFile, stations: readonly Pick<TypicalStation, 'id' | 'minutes' | 'bowlG' | 'from' | 'to'>[]): WorkTime {
  const byId = new Map(stations.map((s) => [s.id, s]));
  const until = new Map<string, number>();
  let [hands, longest] = [0, 0];
  for (const { id, feeders } of graphOf(file).order) {
    const s = byId.get(id);
    const before = Math.max(0, ...feeders.map((f) => until.get(f) ?? 0));
    const own = s && s.bowlG > 0 ? s.minutes : { hands: 0, clock: 0 };
    hands += own.hands;
    // What stands for days is told in days.
    const done = before + (s && s.from < s.to ? own.hands : own.clock);
    until.set(id, done);
    longest = Math.max(longest, done);
  }
  return { hands, clock: Math.max(hands, longest) };
}
