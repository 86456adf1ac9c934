import { numberOf, tidy, type Amount, NUMBER_WORDS } from './parse';
import { singular } from './singular';
import { unitOf } from './units';

/** An amount at the head of an ingredient line. */
export interface LeadAmount extends Amount {
  /** small, large… */
  size: string | null;
  /** tin, jar… with the size of one, when said. */
  pack: { word: string; each: Amount | null } | null;
  /** What a heaped or scant spoon was taken as. */
  said: string[];
}

export interface Lead {
  amounts: LeadAmount[];
  /** A second way of saying the same ("250 g / 9 oz"). */
  instead: LeadAmount | null;
  rest: string;
  /** The words of the amount, as typed. */
  words: string;
}

const DIGITS = String.raw`\d+[\s-]+\d+\s*/\s*\d+|\d+\s*/\s*\d+|\d+(?:[.,]\d+)?|[.,]\d+`;
const RANGE = new RegExp(`^(${DIGITS})\\s*(?:-|–|—|to|or)\\s*(${DIGITS})`, 'i');
const SINGLE = new RegExp(`^(${DIGITS})`);
const PACKS = new Set([
  'tin',
  'can',
  'jar',
  'packet',
  'pack',
  'package',
  'bottle',
  'bag',
  'carton',
  'tub',
  'box',
  'tube',
  'block',
  'punnet',
  'container',
  'envelope',
]);
const PIECES = new Set(
  'clove head bulb sprig bunch stalk stick rib leaf root slice ring pod piece pc wedge disc round stem segment berry grinding grind twist turn splash glug shot'.split(
    ' ',
  ),
);
const SIZES = new Set(['small', 'medium', 'large', 'big', 'little']);
/** Spoons that are not level, as factors (our judgement). */
const SPOON: Record<string, number> = { heaped: 1.5, heaping: 1.5, rounded: 1.25, scant: 0.9, generous: 1.15 };
const FILLER = new Set(['of', 'level', 'good', 'nice', 'whole', 'fresh', 'full', 'approx', 'about']);

interface Count {
  low: number;
  high: number;
  rest: string;
}

function mixed(text: string): number {
  return numberOf(text.replace(/^(\d+)-(?=\d+\s*\/)/, '$1 '));
}

function spokenCount(s: string): Count | null {
  let rest = s;
  let value: number | null = null;
  let joined = false;
  for (;;) {
    const m = /^([a-z]+)\b[\s-]*/i.exec(rest);
    const word = m?.[1]!.toLowerCase();
    if (!word) break;
    const n = Object.hasOwn(NUMBER_WORDS, word) ? NUMBER_WORDS[word]! : undefined;
    if (n === undefined) {
      if (value !== null && (word === 'and' || word === 'of')) {
        // "one and a half", "half of a"; but "a and b" ends here.
        const next = /^([a-z]+)/i.exec(rest.slice(m![0].length))?.[1]?.toLowerCase();
        if (next && Object.hasOwn(NUMBER_WORDS, next)) {
          joined = word === 'and';
          rest = rest.slice(m![0].length);
          continue;
        }
      }
      break;
    }
    if (value === null) value = n;
    else if (word === 'a' || word === 'an') {
      /* "half a", "and a half" */
    } else if (joined) {
      value += n;
      joined = false;
    } else value *= n;
    rest = rest.slice(m![0].length);
  }
  return value === null ? null : { low: value, high: value, rest: rest.trim() };
}

function count(s: string): Count | null {
  const range = RANGE.exec(s);
  // "1-1/2 cups" is one and a half, not a range.
  if (range && !/^\d+-\d+\s*\/\s*\d+/.test(s)) {
    const [a, b] = [mixed(range[1]!), mixed(range[2]!)];
    return { low: Math.min(a, b), high: Math.max(a, b), rest: s.slice(range[0].length).trim() };
  }
  const one = SINGLE.exec(s);
  if (one) {
    const n = mixed(one[1]!);
    return { low: n, high: n, rest: s.slice(one[0].length).trim() };
  }
  const said = spokenCount(s);
  const upTo = said && /^(?:to|or|-)\s+/i.exec(said.rest);
  if (said && upTo) {
    const top = spokenCount(said.rest.slice(upTo[0].length));
    if (top) return { low: Math.min(said.low, top.low), high: Math.max(said.low, top.high), rest: top.rest };
  }
  return said;
}

const word = (s: string) => /^([A-Za-z]+(?:-sized)?)\.?(?=$|[\s,;:()/+&-])/.exec(s);

/** An amount with a unit, as the size of a package: "410 g", "14.5-ounce". */
function sized(s: string): { amount: Amount; rest: string } | null {
  const c = count(s);
  if (!c) return null;
  const w = word(c.rest.replace(/^-\s*/, ''));
  const unit = w ? unitOf(w[1]!) : undefined;
  if (!unit || (unit.kind !== 'mass' && unit.kind !== 'volume')) return null;
  const rest = c.rest.replace(/^-\s*/, '').slice(w![0].length).trim();
  return { amount: { value: (c.low + c.high) / 2, low: c.low, high: c.high, unit, piece: null }, rest };
}

/** The size of a package in brackets: "(about 400 g)", "(28 ounces each)". */
const sizedInside = (s: string) => sized(s.replace(/^(about|approx\.?|each)\s+/i, '').replace(/\s+each$/i, ''));

function one(s: string): { amount: LeadAmount; rest: string } | null {
  const c = count(s);
  if (!c) return null;
  const amount: LeadAmount = {
    value: (c.low + c.high) / 2,
    low: c.low,
    high: c.high,
    unit: null,
    piece: null,
    size: null,
    pack: null,
    said: [],
  };
  let rest = c.rest;
  let each: Amount | null = null;
  const times = /^(?:x|×)\s*(?=[\d.,(]|$)/i.exec(rest);
  if (times) rest = rest.slice(times[0].length);
  const bracket = /^\(([^)]*)\)\s*/.exec(rest);
  if (bracket) {
    const inside = sizedInside(bracket[1]!);
    if (inside && (inside.rest === '' || PACKS.has(singular(inside.rest.toLowerCase())))) {
      each = inside.amount;
      rest = rest.slice(bracket[0].length);
    }
  } else {
    const inside = sized(rest);
    if (inside && (times || PACKS.has(singular((word(inside.rest.replace(/^-/, ''))?.[1] ?? '').toLowerCase())))) {
      each = inside.amount;
      rest = inside.rest.replace(/^-/, '').trim();
    }
  }
  rest = rest.replace(/^-\s*(?=[a-z])/i, '');
  for (let w = word(rest); w; w = word(rest)) {
    const raw = w[1]!;
    const low = raw.toLowerCase();
    const next = rest.slice(w[0].length).replace(/^[\s-]+/, '');
    if (SIZES.has(low)) amount.size = low;
    else if (Object.hasOwn(SPOON, low)) {
      const f = SPOON[low]!;
      amount.said.push(`${low}: ${f} of a level one`);
      Object.assign(amount, { value: amount.value * f, low: amount.low * f, high: amount.high * f });
    } else if (!FILLER.has(low)) {
      const unit = each ? undefined : unitOf(raw);
      const piece = singular(low);
      if (unit) amount.unit = unit;
      else if (PACKS.has(piece)) amount.pack = { word: piece, each };
      // "2 cloves" the piece, but "2 cloves garlic" and "2 garlic cloves" alike.
      else if (PIECES.has(piece) && !(piece === 'root' && next === '')) amount.piece = piece === 'pc' ? 'piece' : piece;
      else break;
      rest = next;
      // "2 cm piece", "400 g tin": the second word says nothing new.
      const after = word(rest);
      const afterWord = after && singular(after[1]!.toLowerCase());
      if (afterWord && (unit ? afterWord === 'piece' || afterWord === 'chunk' || afterWord === 'knob' || PACKS.has(afterWord) : false)) {
        rest = rest.slice(after[0].length).trim();
      }
      rest = rest.replace(/^of\s+/i, '');
      break;
    }
    rest = next;
  }
  // "2 cans (28 ounces each) tomatoes"
  const behind = amount.pack && !each ? /^\(([^)]*)\)\s*/.exec(rest) : null;
  const sizeBehind = behind && sizedInside(behind[1]!);
  if (sizeBehind?.rest === '') {
    amount.pack!.each = sizeBehind.amount;
    rest = rest.slice(behind![0].length);
  }
  if (each && !amount.pack) amount.pack = { word: 'pack', each };
  return { amount, rest };
}

/** Reads the amount at the head of a line; null when the line does not begin with one. Throws QuantityError on a 0 below the line. */
export function leadAmount(text: string): Lead | null {
  const s = tidy(text);
  const first = one(s);
  if (!first) return null;
  const amounts = [first.amount];
  let rest = first.rest;
  let instead: LeadAmount | null = null;
  for (;;) {
    if (!amounts.at(-1)!.unit) break;
    const joint = /^(plus|and|\+|&|\/|or)?\s*(?=[\d½¼¾⅓⅔]|(?:a|one|two|half)\b)/i.exec(rest);
    if (!joint) break;
    const next = one(rest.slice(joint[0].length));
    if (!next?.amount.unit) break;
    if (joint[1] === '/' || joint[1]?.toLowerCase() === 'or') instead = next.amount;
    else amounts.push(next.amount);
    rest = next.rest;
    if (instead) break;
  }
  rest = rest.replace(/^of\s+/i, '').trim();
  return { amounts, instead, rest, words: s.slice(0, s.length - rest.length).trim() };
}
