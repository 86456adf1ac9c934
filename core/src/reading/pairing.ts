import type { Amount } from './amounts';
import type { Span, SpanOf } from './spans';
import type { Way } from './weigh';

/** Amounts that stand together: ways to say one amount, the parts of each adding up; `from` and `to` are spans. */
export interface Group {
  from: number;
  to: number;
  ways: Way[];
  each: boolean;
  /** "a" and nothing else. */
  article: boolean;
}
/** A name with what is said of how much of it. */
export interface Paired {
  span: SpanOf<'name'>;
  index: number;
  ways: Way[];
  /** What comes on top: "…, plus 2 tbsp". */
  more: Amount[];
}

const measured = (a: Amount) => a.unit !== null || a.piece !== null || a.pack !== null;
const kindOfUnit = (a: Amount) => a.unit?.kind ?? null;

/** How the amount behind a gap belongs to the one before it; null where it does not. */
function joint(gap: readonly Span[], last: Amount, next: Amount, joinCommas: boolean): 'sum' | 'way' | null {
  const signs = gap.filter((s) => s.is !== 'harmless').map((s) => (s.is === 'joiner' ? s.w : s.is === 'mark' ? s.text : '?'));
  const sums = kindOfUnit(last) !== null && kindOfUnit(last) === kindOfUnit(next);
  if (signs.length === 0) return sums ? 'sum' : measured(last) && measured(next) && kindOfUnit(last) !== kindOfUnit(next) ? 'way' : null;
  if (signs.includes('?')) return null;
  const s = signs.join('');
  if (/^(?:plus|and|\)plus|\)and|,plus)$/.test(s)) return sums ? 'sum' : null;
  if (!measured(last) && !measured(next)) return null;
  if (/^(?:\/|=|or|\(|\(=|\(\/|\)or|\)=|:)$/.test(s)) return 'way';
  if (/^(?:,|-|,or|,\()$/.test(s)) return joinCommas ? 'way' : null;
  return null;
}

function groupsOf(spans: readonly Span[], joinCommas: boolean): Group[] {
  const groups: Group[] = [];
  spans.forEach((span, i) => {
    if (span.is !== 'amount') return;
    const a = span.amount;
    const last = groups.at(-1);
    const before = last?.ways.at(-1)?.at(-1);
    const how = last && before ? joint(spans.slice(last.to + 1, i), before, a, joinCommas) : null;
    if (last && how) {
      if (how === 'way') last.ways.push([a]);
      // "250 ml (1 cup) plus 2 tbsp": on top of either.
      else
        last.ways =
          spans[i - 1]?.is === 'joiner' && last.ways.length > 1
            ? last.ways.map((w) => [...w, a])
            : [...last.ways.slice(0, -1), [...last.ways.at(-1)!, a]];
      last.to = i;
      last.each ||= a.each;
      last.article = false;
    } else groups.push({ from: i, to: i, ways: [[a]], each: a.each, article: a.article && !measured(a) && a.size === null });
  });
  return groups;
}

const NOTHING = 9;
const BARE_ARTICLE = 2;

/** What it costs to read a group as the amount of the name behind it. */
function costToNext(spans: readonly Span[], g: Group, index: number): number {
  let cost = 0;
  let strange = false;
  for (const s of spans.slice(g.to + 1, index)) {
    // "4 unicorns, vinegar": what is not understood has that amount.
    if (strange && (s.is === 'joiner' || (s.is === 'mark' && /[,;]/.test(s.text)))) cost += 8;
    strange ||= s.is === 'strange';
    if (s.is === 'mark') cost += /[,;]/.test(s.text) ? 4 : /[(:]/.test(s.text) ? 3 : s.text === '-' ? 0.5 : s.text === '.' ? 6 : 0;
    else if (s.is === 'joiner') cost += 3;
    else if (s.is === 'strange') cost += 0.8;
    else if (s.is === 'amount') cost += 1;
  }
  return cost;
}

/** The same for the name before it; `first`: no amount of it was named yet. `sum`: it comes on top. */
function costToBefore(spans: readonly Span[], g: Group, index: number, first: boolean): { cost: number; sum: boolean } {
  const gap = spans.slice(index + 1, g.from);
  const marks = gap.filter((s) => s.is === 'mark').map((s) => s.text);
  const joins = gap.filter((s) => s.is === 'joiner').map((s) => s.w);
  const before = gap.at(-1);
  const directly = before?.is === 'joiner' ? before.w : '';
  let cost = g.article ? 4 : 0;
  // "garlic, 4 unicorns": the number is that of what is not understood.
  if (spans[g.to + 1]?.is === 'strange') cost += first && g.ways.some((w) => w.some(measured)) ? 6 : 12;
  for (const m of marks) if (/[;.]/.test(m)) cost += 4;
  for (const s of gap) if (s.is === 'strange') cost += 0.3;
  if (joins.some((w) => /^(?:in|into|from|on)$/.test(w)) && marks.length === 0) cost += 7;
  if (first) return { cost: cost + 1 + (joins.some((w) => /^(?:and|plus|with)$/.test(w)) ? 5 : 0), sum: false };
  const another = g.ways.every((w) => w.every((a) => a.more));
  if (another && /^(?:plus|and)$/.test(directly)) return { cost: cost + 2.5, sum: true };
  if (!g.ways.some((w) => w.some(measured))) return { cost: Infinity, sum: false };
  if (/^(?:plus|and)$/.test(directly)) return { cost: cost + 2.5, sum: true };
  return { cost: cost + (marks.length > 0 || directly === 'or' ? 1.5 : 2.2), sum: false };
}

type Choice = { to: number; sum: boolean } | null;

/** Names at which an "each" covers those without an amount of their own. */
const BARE_NAME = { plain: 2.5, each: 0.3, behindOr: 0.2 } as const;

function read(spans: readonly Span[], names: readonly number[], joinCommas: boolean): { cost: number; groups: Group[]; choices: Choice[] } {
  const groups = groupsOf(spans, joinCommas);
  const behindOr = names.map((n) => isBehindOr(spans, n));
  let best: { cost: number; choices: Choice[] } = { cost: Infinity, choices: groups.map(() => null) };
  const had = new Map<number, number>();
  const chosen: Choice[] = [];
  const anyEach = groups.some((g) => g.each);
  const place = (k: number, cost: number): void => {
    if (cost >= best.cost) return;
    const g = groups[k];
    if (!g) {
      let total = cost;
      names.forEach((n, j) => {
        if (!had.get(n)) total += behindOr[j] ? BARE_NAME.behindOr : anyEach ? BARE_NAME.each : BARE_NAME.plain;
      });
      if (total < best.cost) best = { cost: total, choices: [...chosen] };
      return;
    }
    const take = (to: number | null, more: number, sum = false) => {
      if (!Number.isFinite(more)) return;
      chosen.push(to === null ? null : { to, sum });
      if (to !== null) had.set(to, (had.get(to) ?? 0) + 1);
      place(k + 1, cost + more);
      if (to !== null) had.set(to, had.get(to)! - 1);
      chosen.pop();
    };
    const next = names.find((n) => n > g.to);
    const prev = names.findLast((n) => n < g.from);
    if (next !== undefined) take(next, costToNext(spans, g, next));
    if (prev !== undefined) {
      const { cost: c, sum } = costToBefore(spans, g, prev, !had.get(prev));
      take(prev, c, sum);
    }
    take(null, g.article ? BARE_ARTICLE : NOTHING);
  };
  place(0, joinCommas ? 0 : 0.4);
  return { cost: best.cost, groups, choices: best.choices };
}

/** "a mango or a cup of frozen mango": the second of them is only another way. */
export function isBehindOr(spans: readonly Span[], index: number): boolean {
  for (let i = index - 1; i >= 0; i--) {
    const s = spans[i]!;
    if (s.is === 'joiner' && s.w === 'or') return spans.slice(0, i).some((x) => x.is === 'name');
    if (s.is === 'mark' ? !/^[,(]$/.test(s.text) : s.is === 'name' || s.is === 'joiner') return false;
  }
  return false;
}

/** "300 g of ancho and guajillo, half and half": one amount, in equal parts. */
function splitAmong(found: readonly Paired[]): void {
  const [whole, ...more] = found.filter((p) => p.ways.length > 0);
  if (!whole || more.length > 0) return;
  const n = found.length;
  const ways = whole.ways.map((w) => w.map((a) => ({ ...a, low: a.low / n, high: a.high / n })));
  for (const p of found) p.ways = ways;
}

/** "2 tins of tomatoes (400 g each)": the size is that of one of what is counted. */
function sizedPieces(ways: Way[]): Way[] {
  const size = ways.find((w) => w.length === 1 && w[0]!.each && w[0]!.unit !== null)?.[0];
  const count = ways.find((w) => w.length === 1 && w[0]!.unit === null && !w[0]!.each && w[0]!.pack?.each == null)?.[0];
  if (!size || !count) return ways;
  const pack = { word: count.pack?.word ?? count.piece ?? 'piece', each: { ...size, each: false }, inAll: false };
  return ways.flatMap((w) => (w[0] === size ? [] : w[0] === count ? [[{ ...count, pack }]] : [w]));
}

/** More groups of amounts than this on one line are no line of a recipe. */
const MOST_GROUPS = 12;

/** Which amount belongs to which name: the cheapest of all readings (handbook chapter 7, section 4). */
export function paired(spans: readonly Span[]): { names: Paired[]; loose: Group[] } {
  const names = spans.flatMap((s, i) => (s.is === 'name' ? [i] : []));
  if (spans.filter((s) => s.is === 'amount').length > MOST_GROUPS) return { names: [], loose: [] };
  const joined = read(spans, names, true);
  const parted = read(spans, names, false);
  const { groups, choices } = parted.cost < joined.cost ? parted : joined;
  const found = names.map((index): Paired => ({ span: spans[index] as SpanOf<'name'>, index, ways: [], more: [] }));
  const of = (index: number) => found.find((p) => p.index === index)!;
  const loose: Group[] = [];
  groups.forEach((g, k) => {
    const choice = choices[k];
    if (!choice) return void loose.push(g);
    const p = of(choice.to);
    if (choice.sum) p.more.push(...g.ways[0]!);
    else p.ways.push(...g.ways);
  });
  for (const p of found) p.ways = sizedPieces(p.ways);
  if (spans.some((s) => s.is === 'split')) splitAmong(found);
  // "two ounces each of carrot and onion": each has as much.
  const each = groups.find((g, k) => g.each && choices[k] && !of(choices[k].to).ways.some((w) => w.some((a) => a.pack?.each)));
  if (each) for (const p of found) if (p.ways.length === 0) p.ways.push(...each.ways);
  return { names: found, loose };
}
