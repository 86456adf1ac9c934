import { bodyWord } from '../cook';
import { daysBetween } from '../plan';
import type { TypicalReport } from './typical';

/** One thing that a change of the line moved, in words: "heat 1,560 to 1,240 SHU". */
export interface Difference {
  of: 'heat' | 'acid' | 'salt' | 'sweet' | 'body' | 'bottles' | 'days' | 'hands' | 'ends';
  text: string;
}

const two = (x: number) => Number(x.toPrecision(2)).toLocaleString('en');

/** What a change did to the main end, its bottles and the time it takes; empty when nothing moved enough to be said. */
export function differences(before: TypicalReport, after: TypicalReport): Difference[] {
  const found: Difference[] = [];
  const [a, b] = [before.ends[0], after.ends[0]];
  const say = (of: Difference['of'], was: string, is: string, what: string, unit = '') => {
    if (was !== is) found.push({ of, text: `${what} ${was} to ${is}${unit}` });
  };
  if (before.ends.length !== after.ends.length)
    found.push({ of: 'ends', text: `${after.ends.length} sauces instead of ${before.ends.length}` });
  if (a && b && a.finished.massG > 0 && b.finished.massG > 0) {
    say('heat', two(a.finished.heatShu), two(b.finished.heatShu), 'heat', ' SHU');
    if (a.finished.pH !== null && b.finished.pH !== null) say('acid', a.finished.pH.toFixed(1), b.finished.pH.toFixed(1), 'pH');
    say('salt', a.finished.saltPct.toFixed(1), b.finished.saltPct.toFixed(1), 'salt', ' %');
    say('sweet', a.finished.sweetPct.toFixed(1), b.finished.sweetPct.toFixed(1), 'sugar', ' %');
    const body = (x: number | null) => (x === null ? 'in pieces' : bodyWord(x));
    say('body', body(a.finished.body), body(b.finished.body), 'body');
  }
  const bottles = (r: TypicalReport) => String(r.ends.reduce((s, e) => s + e.bottles.filled, 0));
  say('bottles', bottles(before), bottles(after), 'bottles');
  const days = (r: TypicalReport) => {
    const first = r.stations.map((s) => s.from).reduce((x, y) => (y < x ? y : x), r.readyOn);
    return String(daysBetween(first, r.readyOn));
  };
  say('days', days(before), days(after), 'days');
  const hands = (r: TypicalReport) => String(5 * Math.round(r.stations.reduce((s, x) => s + x.minutes.hands, 0) / 5));
  say('hands', hands(before), hands(after), 'work', ' min');
  return found;
}
