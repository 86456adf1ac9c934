import { amountAt, countAt, markAt, wordAt, type Token } from '../reading';

/** Times, temperatures, shares and vessels of a clause, with the tokens they take: none of these is an amount of a thing. */
export interface Measures {
  /** Minutes; null where none are said. */
  minutes: number | null;
  /** "another five minutes": they come on top. */
  more: boolean;
  tempC: number | null;
  /** A share of salt, %. */
  pct: number | null;
  /** "After four weeks": they went by before it is done, min. */
  after: number | null;
  taken: boolean[];
}

const MINUTES: Readonly<Record<string, number>> = {
  second: 1 / 60,
  sec: 1 / 60,
  minute: 1,
  min: 1,
  hour: 60,
  hr: 60,
  h: 60,
  day: 1440,
  week: 10_080,
  month: 43_200,
};
const NIGHT_MIN = 720;
const LEAST_MIN = 0.4;
const VESSELS = /^(?:jar|bottle|pot|pan|saucepan|tray|dish|jug|container|crock|sheet|skillet)$/;
/** From a figure without a unit on, behind "at" it is an oven's, °C. */
const OVEN_FROM = 100;
/** Below this "2 c" are cups, °C. */
const WARM_C = 30;
/** No oven of a kitchen reaches so much, °C: such a figure is °F. */
const HOTTEST_C = 290;
/** Behind a figure these make it an amount. */
const OVEN_OF = /^(?:g|kg|ml|gram|kilo)$/;
const fahrenheit = (f: number) => ((f - 32) * 5) / 9;

/** Tools that are called like a thing: the word for the thing, and the one behind it. */
const TOOLS =
  /^(?:potato (?:masher|ricer)|(?:lemon|lime|citrus) (?:squeezer|press|juicer)|garlic press|(?:coffee|spice|pepper) (?:grinder|mill|filter)|rice cooker|tea towel|wooden spoon)$/;

function isPronounOne(t: readonly Token[], i: number): boolean {
  const article = (k: number) => /^(?:a|an|the|this|that|each|every|my|your)$/.test(wordAt(t, k) ?? '');
  return /^(?:by|at)$/.test(wordAt(t, i + 1) ?? '') || article(i - 1) || (wordAt(t, i - 1) !== null && article(i - 2));
}

/** Tokens of "to the boil", "to a gentle simmer" at one; 0 where it is none. */
function toBoil(t: readonly Token[], i: number): number {
  if (wordAt(t, i) !== 'to' || !/^(?:the|a)$/.test(wordAt(t, i + 1) ?? '')) return 0;
  const at = /^(?:gentle|rolling|full|bare|slow|good|light|low|quick)$/.test(wordAt(t, i + 2) ?? '') ? i + 3 : i + 2;
  return /^(?:boil|simmer|bubble)$/.test(wordAt(t, at) ?? '') ? at + 1 - i : 0;
}

/** "4 % brine (about 2 litres)": so much of it is made and poured, and its salt goes with it. */
function isPoured(t: readonly Token[], brine: number, to: number): boolean {
  if (wordAt(t, brine) !== 'brine') return false;
  let i = brine + 1;
  while (i < to && (/^[(,]$/.test(markAt(t, i) ?? '') || /^(?:about|around|roughly)$/.test(wordAt(t, i) ?? ''))) i++;
  return amountAt(t, i)?.unit?.kind === 'volume';
}

/** What is measured in a clause from one token to another, in the middle of each range. */
export function measuresIn(t: readonly Token[], from: number, to: number): Measures {
  const taken = t.map(() => false);
  const out: Measures = { minutes: null, more: false, tempC: null, pct: null, after: null, taken };
  const take = (a: number, b: number) => taken.fill(true, a, b);
  const time = (min: number, more: boolean) => {
    out.minutes = out.minutes !== null && more ? out.minutes + min : min;
    out.more ||= more;
  };
  for (let i = from; i < to; i++) {
    const w = wordAt(t, i);
    // "prick each one", "one by one", "for a thick one", "the yellow one".
    if (w === 'one' && isPronounOne(t, i)) {
      take(i, i + 1);
      continue;
    }
    if (TOOLS.test(`${w} ${wordAt(t, i + 1)}`)) {
      take(i, i + 2);
      continue;
    }
    // "Bring to a gentle boil": no word of what is brought.
    const boil = toBoil(t, i);
    if (boil > 0) {
      take(i, i + boil);
      i += boil - 1;
      continue;
    }
    if (w === 'overnight') {
      time(NIGHT_MIN, false);
      take(i, i + 1);
      continue;
    }
    let at = i;
    while (
      /^(?:about|around|approximately|roughly|another|further|say|only|just|some)$/.test(wordAt(t, at) ?? '') &&
      at < to &&
      countAt(t, at) === null
    )
      at++;
    const c = countAt(t, at);
    if (!c || c.next > to) continue;
    let unitAt = c.next;
    while (/^(?:more|further|full|whole|good|extra)$/.test(wordAt(t, unitAt) ?? '')) unitAt++;
    // "a quarter of an hour" is past its "of an" already.
    const unit = MINUTES[wordAt(t, unitAt) ?? ''];
    const every = /^(?:every|per|each|once|twice|time)$/.test(wordAt(t, i - 1) ?? '');
    if (unit !== undefined && t[unitAt]!.is === 'word') {
      let end = unitAt + 1;
      let value = (c.low + c.high) / 2;
      // "a minute or two", "an hour and a half".
      if (wordAt(t, end) === 'or') {
        const second = countAt(t, end + 1);
        if (second && !second.article) [value, end] = [(value + second.high) / 2, second.next];
        else if (wordAt(t, end + 1) === 'so') end += 2;
      } else if (wordAt(t, end) === 'and' && wordAt(t, end + 1) === 'a' && wordAt(t, end + 2) === 'half')
        [value, end] = [value + 0.5, end + 3];
      let minutes = value * unit;
      // "1 hour 15 minutes", "an hour and 20 minutes".
      const and = wordAt(t, end) === 'and' ? end + 1 : end;
      const rest = countAt(t, and);
      const smaller = rest ? MINUTES[wordAt(t, rest.next) ?? ''] : undefined;
      if (rest && smaller !== undefined && smaller < unit) [minutes, end] = [minutes + smaller * rest.high, rest.next + 1];
      const longer = /^(?:more|longer)$/.test(wordAt(t, end) ?? '');
      if (longer) end++;
      const earlier = wordAt(t, i - 1) ?? '';
      const more = c.more || longer || /^(?:more|further|extra)$/.test(wordAt(t, c.next) ?? '') || earlier === 'another';
      // "For a few seconds" is no time of a station.
      const waits = wordAt(t, i - 1) === 'after';
      if (waits) out.after = minutes;
      if (!every && !waits && minutes >= LEAST_MIN) time(minutes, more);
      take(i, end);
      i = end - 1;
      continue;
    }
    // "fry for another five", "for the last 5".
    if (wordAt(t, i - 1) === 'last' && (c.next >= to || markAt(t, c.next) !== null)) {
      take(i - 1, c.next);
      continue;
    }
    if (
      c.more &&
      /^(?:for|cook|simmer|boil|fry|bubble|roast)$/.test(wordAt(t, i - 1) ?? '') &&
      (c.next >= to || markAt(t, c.next) !== null)
    ) {
      time(c.high, true);
      take(i, c.next);
      continue;
    }
    const sign = markAt(t, c.next);
    const ofSalt = /^(?:salt|brine|of|by|solution)$/.test(wordAt(t, c.next + 1) ?? 'of');
    if (sign === '%' && ofSalt && !isPoured(t, c.next + 1, to)) {
      out.pct = (c.low + c.high) / 2;
      take(i, c.next + 1);
      continue;
    }
    const letter = /^[cf]$/.test(wordAt(t, c.next) ?? '') && (c.low + c.high) / 2 >= WARM_C;
    const degrees = sign === '°' || letter || /^(?:degree|celsius|centigrade|fahrenheit)$/.test(wordAt(t, c.next) ?? '');
    const bare = wordAt(t, i - 1) === 'at' && c.low >= OVEN_FROM && !OVEN_OF.test(wordAt(t, c.next) ?? '');
    if (degrees || bare) {
      const behind = [wordAt(t, c.next), wordAt(t, c.next + 1)];
      const value = (c.low + c.high) / 2;
      const inF =
        behind.some((b) => b === 'f' || b === 'fahrenheit') || (!behind.some((b) => b === 'c' || b === 'celsius') && value >= HOTTEST_C);
      out.tempC = inF ? fahrenheit(value) : value;
      let end = bare && !degrees ? c.next : c.next + 1;
      if (/^(?:c|f|celsius|centigrade|fahrenheit)$/.test(wordAt(t, end) ?? '')) end++;
      take(i, end);
      i = end - 1;
      continue;
    }
    // "a 1 litre jar", "a wide pot", "2 cm pieces" are no things.
    const a = amountAt(t, at);
    let end = a ? a.to : c.next;
    // "1/2 inch headspace", "2 cm of room".
    const room = wordAt(t, end) === 'of' ? end + 1 : end;
    if (a?.unit?.kind === 'length' && /^(?:headspace|space|room|head)$/.test(wordAt(t, room) ?? '')) {
      take(i, room + 1);
      i = room;
      continue;
    }
    while (
      /^(?:large|small|wide|big|clean|hot|dry|heavy|deep|sterile|sterilised|sterilized|warm|medium|shallow|non|stick|other|separate|second)$/.test(
        wordAt(t, end) ?? '',
      )
    )
      end++;
    const bowl = wordAt(t, end - 1) === 'bowl' && /^(?:in|into|to)$/.test(wordAt(t, i - 1) ?? '');
    const vessel =
      bowl ||
      VESSELS.test(wordAt(t, end) ?? '') ||
      (a?.pack !== null && a !== null && VESSELS.test(a.pack!.word) && /^(?:in|into|to)$/.test(wordAt(t, i - 1) ?? ''));
    if (vessel) {
      let past = VESSELS.test(wordAt(t, end) ?? '') ? end + 1 : end;
      // "Bring a pot of water to the boil": none of the cup that goes in.
      if (wordAt(t, past) === 'of' && past > end) {
        if (wordAt(t, past + 1) === 'water') past += 2;
        else if (wordAt(t, past + 2) === 'water') past += 3;
      }
      take(i, past);
      i = Math.max(end, past - 1);
    } else if (a) i = Math.max(i, a.to - 1);
  }
  return out;
}
