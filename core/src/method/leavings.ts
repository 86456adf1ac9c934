import { amountAt, markAt, valueOf, weigh, wordAt, type Amount, type Kitchen, type Token } from '../reading';
import type { ReadClause } from './mentions';
import type { TextLine } from './textLines';
import { TWO_DAYS } from './roles';
import type { KindName } from '../stations';

/** What stations leave that goes into another one: the brine of a jar, the water that things soaked or boiled in. */
export type LeavingName = 'brine' | 'water';

/** A leaving as a clause speaks of it; `from` and `to` are tokens, the amount among them. */
export interface LeavingSaid {
  of: LeavingName;
  words: string;
  /** g of it; null where no amount was said. */
  g: number | null;
  /** Share of all of it, 0 to 1; null where grams were said. */
  share: number | null;
  from: number;
  to: number;
}

/** Stations that leave it. */
export const LEFT_BY: Readonly<Record<LeavingName, readonly KindName[]>> = { brine: ['drain'], water: ['soak', 'lift'] };

/** So much of it is "some", "enough", "a little" (common practice, no source). */
export const SOME = 0.4;
/** A brine or a soaking water weighs about so much, g/ml. */
const LEFT_DENSITY = 1.02;
const LIQUID = { key: 'left', name: 'Brine', pieces: {}, measure: { cup: 0, tbsp: 0, tsp: 0 }, density: LEFT_DENSITY };
/** Words between an amount and what it is of. */
const BETWEEN =
  /^(?:of|the|that|this|its|their|your|it|reserved|saved|kept|leftover|remaining|own|fermentation|fermenting|fermented|ferment|soaking|soak|cooking|steeping|chili|pepper|pod|hot|warm|jar)$/;
const LEFT_WATER = /^(?:soaking|soak|cooking|steeping)$/;
const VAGUE = /^(?:some|enough|little|bit|splash|much|needed)$/;

function gramsIn(a: Amount, kitchen: Kitchen): number | null {
  try {
    return weigh(a, LIQUID, kitchen, 'piece').massG;
  } catch {
    return null;
  }
}

/** The leaving that a clause names from one token to another; null where it names none that is there by then. */
export function leavingIn(t: readonly Token[], from: number, to: number, kitchen: Kitchen, so: SoFar): LeavingSaid | null {
  for (let i = from; i < to; i++) {
    const w = wordAt(t, i);
    const of = w === 'brine' ? 'brine' : w === 'water' || w === 'liquid' || w === 'liquor' ? 'water' : null;
    if (of === null || !(of === 'brine' ? so.jar : so.soaked || so.cooked)) continue;
    let at = i;
    while (at > from && BETWEEN.test(wordAt(t, at - 1) ?? '')) at--;
    const between = t.slice(at, i).flatMap((x) => (x.is === 'word' ? [x.w] : []));
    const kept = between.some((b) => /^(?:reserved|saved|kept|leftover)$/.test(b));
    // A brine of so much salt is made, not left.
    if (markAt(t, i - 1) === '%' || markAt(t, at - 1) === '%' || /^(?:of|from|with)$/.test(wordAt(t, i + 1) ?? '')) continue;
    let amount: Amount | null = null;
    for (let k = Math.max(from, at - 6); k < at && !amount; k++) {
      const a = amountAt(t, k);
      if (
        a &&
        a.to <= i &&
        a.to >= at - 1 &&
        (!a.article || a.unit !== null) &&
        t.slice(a.to, i).every((x) => x.is === 'word' && (BETWEEN.test(x.w) || x.w === 'or'))
      )
        amount = a;
    }
    // Water and liquid are what is left only where that is said: "100 ml of the water", behind a soak.
    const ofThat = so.soaked && ((amount !== null && between.includes('of')) || between.some((b) => /^(?:their|its)$/.test(b)));
    if (of === 'water' && !between.some((b) => LEFT_WATER.test(b)) && !(kept && w !== 'water') && !ofThat) continue;
    const g = amount?.unit ? gramsIn(amount, kitchen) : null;
    const part = amount && g === null && valueOf(amount) < 1 ? valueOf(amount) : null;
    const before = t.slice(Math.max(from, at - 4), at).flatMap((x) => (x.is === 'word' ? [x.w] : []));
    const vague =
      before.some((b) => VAGUE.test(b)) ||
      /\b(?:as needed|to thin|if needed|as much|consistency|pourable)\b/i.test(
        t
          .slice(from, to)
          .map((x) => x.text)
          .join(' '),
      );
    const first = amount ? amount.from : at;
    return {
      of,
      words: t
        .slice(first, i + 1)
        .map((x) => x.text)
        .join(' '),
      g,
      share: g !== null ? null : (part ?? (vague ? SOME : 1)),
      from: first,
      to: i + 1,
    };
  }
  return null;
}

/** What the sentences so far have done that leaves something. */
export interface SoFar {
  jar: boolean;
  soaked: boolean;
  cooked: boolean;
}
/** Takes note of a clause: nothing is left before something stood in its jar, or soaked, or was boiled and drained. */
export function takeNote(so: SoFar, c: Pick<ReadClause, 'act' | 'stem' | 'measures'>): void {
  so.jar ||= c.act === 'ferment' || Math.max(c.measures.minutes ?? 0, c.measures.after ?? 0) >= TWO_DAYS;
  so.soaked ||= c.act === 'soak' || (c.act === 'steep' && c.stem === 'cover');
  so.cooked ||= c.act === 'simmer' || c.act === 'drain';
}

/** "1/2 cup of the brine" in a list is what a jar of it leaves: no thing of its own; g of it, null where there is none. */
export function brineOfList(lines: TextLine[]): number | null {
  if (!lines.some((l) => l.kind === 'method' && /\bferment|\bbrine\b/i.test(l.text))) return null;
  let g: number | null = null;
  for (const l of lines) {
    const found = l.items.find(
      (i) => i.ask !== null && /^(?:(?:reserved|fermentation|ferment|own) )*brine(?: reserved)?$/.test(i.name) && i.sharePct === undefined,
    );
    if (!found || l.items.length > 1) continue;
    g = found.saidG ?? g;
    l.items = [];
    l.kind = 'note';
  }
  return g;
}
