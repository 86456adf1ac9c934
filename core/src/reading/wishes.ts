import { HEAT_WORDS, type HeatWord } from '../heat';
import { countAt, markAt, wordAt } from './count';
import { APPROX } from './amounts';
import { plainSigns, tokensOf, type Token } from './tokens';
import { unitOf } from './units';

/** Names of bottle sizes, ml (common practice, no source). */
export const BOTTLE_SIZES = [
  { ml: 100, name: 'small' },
  { ml: 150, name: 'medium' },
  { ml: 250, name: 'large' },
  { ml: 500, name: 'jars' },
] as const;

/** What is wished of a sauce, as against what goes in. */
export interface Wishes {
  bottles: number | null;
  bottleMl: number | null;
  heat: HeatWord | null;
  /** Wishes that no field has, in the maker's words: "not too salty", "for my children". */
  others: string[];
}

const SIZE: Readonly<Record<string, string>> = { small: 'small', little: 'small', medium: 'medium', large: 'large', big: 'large' };
const TASTES = /^(?:salty|sweet|sour|thin|thick|runny|smooth|chunky|smoky|fruity|tangy)$/;
const DEGREE = /^(?:not|too|very|rather|quite|bit|a|so|really|more|less|it|make|should|be|nice|and)$/;
const MILD_FOR = /^(?:children|child|kid|kids)$/;
const ML: Readonly<Record<string, number>> = { ml: 1, cl: 10, dl: 100, l: 1000 };

/** Tokens between two marks or "and". */
interface Segment {
  from: number;
  to: number;
}
function segments(t: readonly Token[]): Segment[] {
  const all: Segment[] = [];
  let from = 0;
  t.forEach((token, i) => {
    const parts = (token.is === 'mark' && /[,;.]/.test(token.text)) || (token.is === 'word' && token.w === 'and');
    if (!parts) return;
    all.push({ from, to: i });
    from = i + 1;
  });
  return [...all, { from, to: t.length }].filter((s) => s.to > s.from);
}

/** "four small bottles", "a dozen bottles of 250 ml", "two jars". */
function bottlesIn(t: readonly Token[], { from, to }: Segment): Pick<Wishes, 'bottles' | 'bottleMl'> | null {
  let i = from;
  while (i < to && (APPROX.has(wordAt(t, i) ?? '') || /^(?:for|in|fill|make|want|i)$/.test(wordAt(t, i) ?? ''))) i++;
  const c = countAt(t, i);
  if (c) i = c.next;
  let size: string | null = null;
  for (; i < to && SIZE[wordAt(t, i) ?? ''] !== undefined; i++) size = SIZE[wordAt(t, i)!]!;
  const vessel = wordAt(t, i);
  if (vessel !== 'bottle' && vessel !== 'jar') return null;
  i++;
  if (wordAt(t, i) === 'of' || markAt(t, i) === '(') i++;
  const ml = i < to ? countAt(t, i) : null;
  const unit = ml && t[ml.next]?.is === 'word' ? unitOf(t[ml.next]!.text)?.id : undefined;
  const per = unit === undefined ? undefined : ML[unit];
  if (i < to && per === undefined) return null;
  const usual = BOTTLE_SIZES.find((s) => s.name === (vessel === 'jar' && size === null ? 'jars' : size));
  return { bottles: c && !c.vague ? Math.round(c.high) : null, bottleMl: ml && per ? ml.high * per : (usual?.ml ?? null) };
}

/**
 * Wishes out of what someone has said, and the text without them, signs made plain. Only what stands between two marks by
 * itself is one: "4 bottles", "medium", "not too salty". Throws FigureError.
 */
export function wishesIn(text: string): { wishes: Wishes; rest: string } {
  const said = plainSigns(text);
  const t = tokensOf(said);
  const wishes: Wishes = { bottles: null, bottleMl: null, heat: null, others: [] };
  let rest = said;
  const take = ({ from, to }: Segment) => {
    const [a, b] = [t[from]!.from, t[to - 1]!.to];
    rest = rest.slice(0, a) + ' '.repeat(b - a) + rest.slice(b);
    return said.slice(a, b);
  };
  for (const s of segments(t)) {
    const tokens = t.slice(s.from, s.to);
    const words = tokens.map((x) => (x.is === 'word' ? x.w : '?'));
    const bare = words.filter((w) => !DEGREE.test(w)).join(' ');
    const not = words.includes('not');
    const heat = HEAT_WORDS.find((w) => w.name === words.join(' ') || (w.name === bare && !not));
    const bottles = heat ? null : bottlesIn(t, s);
    if (heat) wishes.heat = heat.name;
    else if (bottles) {
      wishes.bottles = bottles.bottles ?? wishes.bottles;
      wishes.bottleMl = bottles.bottleMl ?? wishes.bottleMl;
    } else if (words[0] === 'for' && words.some((w) => MILD_FOR.test(w))) {
      wishes.heat ??= 'mild';
      wishes.others.push(take(s));
      continue;
    } else if (bare === 'hot' && not) wishes.heat ??= 'mild';
    else if (TASTES.test(bare) || (bare === 'hot' && words.includes('too'))) {
      wishes.others.push(take(s));
      continue;
    } else continue;
    take(s);
  }
  return { wishes, rest };
}
