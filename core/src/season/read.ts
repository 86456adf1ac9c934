import { readHave } from '../begin/have';
import { HEAT_WORDS, type HeatWord } from '../heat';
import type { Ingredient } from '../matter/ingredient';
import { KEEPS_DAYS } from '../pantry';
import { addDays, daysBetween, type Day } from '../plan';
import type { Kitchen } from '../reading';
import { seedOf } from '../stat/draw';
import type { Harvest, SeasonWish } from './season';
import { whenIn } from './when';

/** How much less or more comes of what is expected, as factors for 10 and 90 % (our judgement: weather, snails, counting). */
const COMES = { low: 0.6, high: 1.4 } as const;
/** A day that was said is held by pods within about this, days (our judgement). */
const RIPENS_DAYS = 5;
/** What ripens over a time is picked about this often, days. */
const PICKED_DAYS = 14;
const MOST_PICKS = 8;

const linesOf = (text: string) =>
  text
    .split(/\r?\n/)
    .map((l) => l.trim())
    .filter(Boolean)
    .slice(0, 100);

/** So much of a line that says nothing is shown again. */
const SHOWN = 60;
/** What is read of lines, and the beginnings of those that say nothing here. */
export interface ReadLines<T> {
  found: T[];
  unread: string[];
}

/**
 * Pods that will ripen, line by line: "20 fresnos from mid-August", "1 kg cayennes, July to September". What ripens over a time
 * is so many pickings. Never throws.
 */
export function readHarvests(text: string, kitchen: Kitchen, own: readonly Ingredient[], today: Day): ReadLines<Harvest> {
  const out: ReadLines<Harvest> = { found: [], unread: [] };
  for (const [n, line] of linesOf(text).entries()) {
    const first = whenIn(line, today);
    const more = first && whenIn(first.rest, today);
    const { pods, unknown } = readHave(more?.rest ?? first?.rest ?? line, kitchen, own, (i) => `ripens-${n}-${i}`);
    const named = pods.filter((p) => !p.asMany);
    if (!first || named.length === 0 || unknown.some((u) => /[a-z]{4}/i.test(u) && pods.length === 0)) {
      out.unread.push(line.slice(0, SHOWN));
      continue;
    }
    const [a, b] = more ? [first.when, more.when].sort((x, y) => x.typical.localeCompare(y.typical)) : [first.when, null];
    const days = b ? daysBetween(a!.low, b.high) : 0;
    const picks = b ? Math.max(2, Math.min(MOST_PICKS, Math.round(days / PICKED_DAYS))) : 1;
    for (const { lot, stockG } of named)
      for (let k = 0; k < picks; k++) {
        const typical = b ? addDays(a!.low, Math.round(((k + 0.5) * days) / picks)) : a!.typical;
        const by = b ? RIPENS_DAYS : Math.max(RIPENS_DAYS, Math.round(daysBetween(a!.low, a!.high) / 2));
        const id = picks > 1 ? `${lot.id}-${k + 1}` : lot.id;
        const g = stockG / picks;
        out.found.push({
          ...{ id, name: lot.name, lot: { ...lot, id }, goodDays: KEEPS_DAYS[lot.form] },
          g: { low: g * COMES.low, typical: g, high: g * COMES.high },
          // What is there already does not come later.
          from:
            typical <= today
              ? { low: typical, typical, high: typical }
              : { low: addDays(typical, -by), typical, high: addDays(typical, by) },
        });
      }
  }
  return out;
}

const COUNTS: Readonly<Record<string, number>> = {
  ...{ a: 1, an: 1, one: 1, two: 2, three: 3, four: 4, five: 5, six: 6, seven: 7, eight: 8, nine: 9, ten: 10, twelve: 12, dozen: 12 },
};
const count = (word: string | undefined): number | null =>
  word === undefined ? null : (COUNTS[word.toLowerCase()] ?? (Number(word) || null));
/** Longest words first: "very hot" before "hot". */
const HEATS = [...HEAT_WORDS].sort((a, b) => b.name.length - a.name.length);
const MOST_BOTTLES = 200;
const MOST_KINDS = 6;

function heatsIn(text: string): HeatWord[] {
  const found: { at: number; name: HeatWord }[] = [];
  let rest = text.toLowerCase();
  for (const { name } of HEATS)
    for (let at = rest.search(new RegExp(`\\b${name}\\b`)); at >= 0; at = rest.search(new RegExp(`\\b${name}\\b`))) {
      found.push({ at, name });
      rest = rest.slice(0, at) + ' '.repeat(name.length) + rest.slice(at + name.length);
    }
  return found.sort((a, b) => a.at - b.at).map((f) => f.name);
}

/** "One mild, two hot": the bottles of all of them; null where not each heat has a number. */
function heatCounts(text: string): number | null {
  const names = HEATS.map((h) => h.name).join('|');
  const found = [...text.matchAll(new RegExp(`(?:^|,|\\band\\b|:)\\s*(\\d+|[a-z]+)\\s+(?:${names})\\b`, 'gi'))].map((m) => count(m[1]));
  return found.length > 1 && found.every((n) => n !== null) ? found.reduce((s: number, n) => s + n!, 0) : null;
}

/**
 * What is wished, line by line: "12 presents by 15 December, two kinds, one mild", "a fierce one for me". Without a day it is
 * wished by `until`. Never throws.
 */
export function readWishes(text: string, today: Day, until: Day): ReadLines<SeasonWish> {
  const out: ReadLines<SeasonWish> = { found: [], unread: [] };
  /** A wish is the same as long as it says the same, whatever stands above it. */
  const said = new Map<string, number>();
  for (const line of linesOf(text)) {
    const when = whenIn(line, today);
    const rest = when?.rest ?? line;
    const kindsSaid = /\b(\d+|[a-z]+)\s+(?:different )?(?:kinds?|sorts?|sauces)\b/i.exec(rest);
    const kindCount = Math.min(MOST_KINDS, count(kindsSaid?.[1]) ?? 1);
    const bare = kindsSaid ? rest.replace(kindsSaid[0], ' ') : rest;
    const first = /^\W*(?:another )?(?:a dozen|(\d+|[a-z]+))\b/i.exec(bare);
    const each = heatCounts(bare);
    const bottles = each ?? (/^\W*a dozen\b/i.test(bare) ? 12 : count(first?.[1]));
    // A day that was said and not understood is not any day.
    const odd = !when && /\b(?:by|before|until|till)\b/i.test(line);
    if (odd || bottles === null || bottles < 1 || bottles > MOST_BOTTLES) {
      out.unread.push(line.slice(0, SHOWN));
      continue;
    }
    const heats = heatsIn(bare);
    const n_ = Math.max(kindCount, heats.length > 1 ? heats.length : 1);
    const nth = (said.get(line) ?? 0) + 1;
    said.set(line, nth);
    out.found.push({
      ...{ id: `wish-${seedOf(`${line} ${nth}`).toString(36)}`, says: line, bottles, by: when?.when.typical ?? until },
      kinds: Array.from({ length: Math.min(bottles, n_) }, (_, i) => (n_ === 1 ? (heats[0] ?? null) : (heats[i] ?? null))),
    });
  }
  return out;
}
