import { FigureError, lexiconOf, plainSigns, tokensOf, wordAt, type Token } from '../reading';
import { amountAt } from '../reading/amounts';
import { spansOf } from '../reading/spans';
import { clausesOf } from './clauses';
import { verbForm } from './verbs';

/** What a line of a recipe is. */
export type LineKind = 'empty' | 'heading' | 'note' | 'title' | 'method' | 'thing';

const BULLET = /^\s*(?:[-–—*•·▢□☐]+|\[[ x]?\])\s*/i;
const LABEL = '(?:step|day|week|stage|part)';
const COUNT = '(?:\\d+|one|two|three|four|five)';
const NUMBERING = new RegExp(`^\\s*(?:\\d+\\s*[.):]|${LABEL}\\s*${COUNT}\\s*[.):,–—-])\\s+(?=[a-z\\d])`, 'i');
/** "Day 14: drain": days since the first. */
const DAY = /^\s*(day|week)\s*(\d+)\s*[.):,–—-]/i;
const HEADINGS =
  /^(?:ingredients?(?: \([^)]*\))?|method|directions?|instructions?|preparation|steps?|what you need|how to make it|to finish|day \d+|procedure)\s*:?\s*$/i;
/** "For the base", "FOR BATCH A", "Part 2": what follows belongs together. */
const PART_HEADING =
  /^(?:for (?:the|batch|part|bowl|jar|half|your) [a-z ]+|(?:batch|part|stage|bowl|jar) (?:[a-z]|\d+|one|two|three))\s*:?$/i;
const METHOD_HEADING = /^(?:method|directions?|instructions?|preparation|steps?|how to make it|procedure)\s*:?\s*$/i;
const LIST_HEADING = /^(?:ingredients?(?: \([^)]*\))?|what you need)\s*:?\s*$/i;
const NOTE =
  /^(?:makes|yields?|fills|serves|servings|enough for|(?:prep|cook|total|active)(?:aration|ing)?\s*time|keeps|store[sd]?\b|takes\b|(?:notes?|source|tips?)\s*:|packed (?:on|in|last|yesterday|two|three|\d|a )|started (?:on|last|yesterday)|ferment(?:ed|ing) (?:since|for)|standing (?:since|for)|ph\b)/i;
/** A list, and then into which vessel all of it goes. */
const TOLD = /(?:^|[.!]\s+)(?:all|everything)\b[^.]*\b(?:blender|processor|pot|pan|jar|bowl|bottles?)\b/i;
const TITLE = /\b(?:sauce|paste|salsa|dip|oil|relish|mash|ketchup|recipe)\s*$/i;

/** A line without its bullet and number. */
export const unbulleted = (line: string): string => line.replace(BULLET, '').replace(NUMBERING, '').trim();
/** The day that a line stands under, from its first; null where it names none. */
export function dayOf(line: string): number | null {
  const m = DAY.exec(line);
  return m ? Number(m[2]) * (/^week/i.test(m[1]!) ? 7 : 1) : null;
}
export const isMethodHeading = (line: string): boolean => METHOD_HEADING.test(line.trim());
export const isListHeading = (line: string): boolean => LIST_HEADING.test(line.trim());

function tokensIn(line: string): Token[] {
  try {
    return tokensOf(plainSigns(line));
  } catch (e) {
    if (e instanceof FigureError) return [];
    throw e;
  }
}

/** "Pear and ginger: simmer 500 g pears …": what is done, behind a title; null where there is none. */
export function untitled(s: string): string | null {
  const m = /^([^:.\d]{3,60}):\s+(.+)$/.exec(s);
  if (!m || clausesOf(tokensIn(m[1]!)).length > 0) return null;
  const at = clausesOf(tokensIn(m[2]!))[0]?.at ?? -1;
  return at === 0 || (at > 0 && /^(?:in|on|into|using)\b/i.test(m[2]!)) ? m[2]! : null;
}

/** Whether a line says what is done: a verb of command at its head, or two of them. */
function isMethod(line: string, t: readonly Token[]): boolean {
  const clauses = clausesOf(t).filter((c) => c.at >= 0);
  if (clauses.length === 0) return false;
  const strong = clauses.filter((c) => verbForm((t[c.at] as { text: string }).text)?.verb.strong === true);
  if (strong.length >= 2) return true;
  if (strong.length === 0) return clauses.length > 1 && /^(?:you|i|we|grab|take)\b/i.test(line);
  const first = strong[0]!;
  if (first.at === 0) {
    // "Chopped" is no command; "core", "juice" at the head of a thing are nouns.
    return t.length > 1 || /[.!]$/.test(line);
  }
  const lead = t.slice(0, first.at);
  if (
    lead.every(
      (x) =>
        (x.is === 'word' &&
          /^(?:then|now|next|first|finally|so|right|i|we|you|and|just|off|heat|the|meanwhile|gently|slowly|to|let|it)$/.test(x.w)) ||
        (x.is === 'word' && /ly$/.test(x.text)) ||
        x.is === 'mark',
    )
  )
    return true;
  return (
    first.passive ||
    /^(?:i|we|you|the|then|everything|put|grab|take|get|start|once|when|in|on|meanwhile|after|while|off|right|so|first)\b/i.test(line)
  );
}

/** Whether a line begins with how much of something. */
export function startsWithAmount(line: string): boolean {
  return amountAt(tokensIn(line.replace(BULLET, '')), 0) !== null;
}

/** Signs of a line that are looked at. */
const HEAD = 1500;

/** "Brine: 4 cups water, 3 tbsp salt": the words before the mark name no thing, and what stands behind has amounts. */
export function labelled(line: string): { label: string; rest: string } | null {
  const m = /^\s*([a-z][a-z\d '’&-]{0,40}):\s+(\S.*)$/i.exec(line);
  if (!m) return null;
  const [label, rest] = [spansOf(tokensIn(m[1]!), lexiconOf([])), spansOf(tokensIn(m[2]!), lexiconOf([]))];
  const lists = rest.some((s) => s.is === 'name') && rest.some((s) => s.is === 'amount');
  // "Blend: everything with …", "I roast a tray: …" are commands; "Brine: 30 g salt", "Ferment: 1 lb …, 20 g …" are none.
  const list = rest[0]?.is === 'amount' && clausesOf(tokensIn(m[2]!)).length === 0 && !/\b(?:days?|weeks?|minutes?|hours?)\b/i.test(m[2]!);
  const verb = clausesOf(tokensIn(m[1]!)).some((c) => c.act !== 'salt' && !(list && m[1]!.trim().split(' ').length === 1));
  const names = label.some((s) => s.is === 'name');
  // "Chilli and apple: 3 apples, 200 g …": a title before a whole list.
  const whole = rest[0]?.is === 'amount' && rest.filter((s) => s.is === 'amount').length >= 3;
  return lists && !verb && (!names || whole) ? { label: m[1]!, rest: m[2]! } : null;
}

/** What a line is; `after`: the last heading was one of the method; `first`: nothing stands before it. */
export function lineKind(line: string, after = false, first = false): LineKind {
  // What a line is shows at its head.
  const s = line.trim().slice(0, HEAD);
  if (!/[a-z\d\u00c0-\u024f]/i.test(s)) return 'empty';
  if (HEADINGS.test(s) || (/:\s*$/.test(s) && !/\d/.test(s)) || PART_HEADING.test(s)) return 'heading';
  if (NOTE.test(s)) return 'note';
  if (after) return 'method';
  const bare = unbulleted(s);
  const t = tokensIn(bare);
  if (t.length === 0) return 'thing';
  // "Ferment: 1 lb jalapeños, 4 cloves garlic".
  if (/^[a-z]+:/i.test(bare) && labelled(bare) !== null && !/[.!]\s+[A-Z]/.test(bare)) return 'thing';
  const numbered = NUMBERING.test(s);
  if (isMethod(bare, t) && !(amountLed(t) && !numbered)) return 'method';
  if (untitled(bare) !== null || TOLD.test(bare)) return 'method';
  const spans = spansOf(t, lexiconOf([]));
  const hasAmount = spans.some((x) => x.is === 'amount' && (!x.amount.article || x.amount.unit !== null));
  const measured = spans.some((x) => x.is === 'amount' && (x.amount.unit !== null || x.amount.pack !== null));
  const hasName = spans.some((x) => x.is === 'name');
  const strange = spans.some((x) => x.is === 'strange');
  const vague = spans.some((x) => x.is === 'vague');
  if (first && !hasName && !measured && t[0]!.is !== 'figure') return 'title';
  // Words beside a name, and no amount: what the sauce is called.
  // Two names and no amount, before a list: "Blueberry habanero".
  const names = spans.filter((x) => x.is === 'name').length;
  if (first && names >= 2 && !hasAmount && !vague && !/[,;&]|\band\b|\bor\b/i.test(s)) return 'title';
  const more =
    t.filter((x) => x.is === 'word').length > spans.reduce((n, x) => n + (x.is === 'name' || x.is === 'piece' ? x.to - x.from : 0), 0);
  const counted = hasAmount && /\d|\b(?:an?|one|two|three|four|five|six|half|dozen)\b/i.test(s);
  if (first && !counted && !vague && !/[,;]/.test(s) && (TITLE.test(s) || !hasName || strange || more)) return 'title';
  if (!hasAmount && TITLE.test(s) && t.length >= 3 && !/,/.test(s) && strange) return 'title';
  return 'thing';
}

/** "6 cayennes, charred": an amount at the head is a thing, unless somebody tells what is done. */
function amountLed(t: readonly Token[]): boolean {
  const a = amountAt(t, 0);
  if (!a || a.article) return false;
  const clauses = clausesOf(t);
  if (clauses.some((c) => c.passive && /^(?:get|is|are|gets)$/.test(wordAt(t, c.at - 1) ?? ''))) return false;
  // One thing and what was done to it is a thing: "6 guajillos, toasted and soaked".
  const named = spansOf(t, lexiconOf([])).filter((s) => s.is === 'name').length;
  return (
    clauses.length < 2 || (named < 2 && clauses.every((c) => verbForm((t[Math.max(0, c.at)] as { text: string }).text)?.form === 'past'))
  );
}
