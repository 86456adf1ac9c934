import type { KindName } from '../stations';
import type { Mention, ReadClause } from './mentions';
import type { Put, RecipeThing } from './recipe';
import { isClassWord, isCut, meantBy } from './things';

/** What a station takes where nobody says what: these families, as far as no later sentence names them. */
const DEFAULTS: Partial<Record<KindName, (t: RecipeThing) => boolean>> = {
  char: (t) => t.pod || ['vegetable', 'onion', 'garlic', 'tomato', 'fruit'].includes(t.family),
  toast: (t) => t.dried || t.family === 'spice',
  soak: (t) => t.dried,
  press: (t) => t.family === 'sour fruit block',
  salt: (t) => t.pod || ['vegetable', 'garlic', 'onion', 'root', 'fruit', 'salt', 'water'].includes(t.family),
  fry: (t) => t.family === 'oil' || ['onion', 'garlic'].includes(t.family),
  thicken: (t) => t.family === 'starch' || t.family === 'gum',
};
const EVERYTHING = new Set<KindName>(['simmer', 'blend', 'steep']);

/** "Remove the stems and seeds": those of the pods, not the cumin seeds of the list. */
const isTrimmed = (c: ReadClause, m: Mention): boolean =>
  (c.act === 'offHeat' || c.act === 'prep' || c.stem === 'discard') &&
  m.weak &&
  /^(?:seed|stem|stalk|core|skin|top|leaf)$/.test(m.phrase.at(-1) ?? '');

/** What a recipe has, and what each clause takes of it. */
export class Supply {
  private readonly reserved = new Map<number, number>();

  constructor(
    readonly things: RecipeThing[],
    private readonly clauses: readonly ReadClause[],
    /** Takes in a thing that the method names first; its index. */
    private readonly found: (m: Mention) => number[],
  ) {}

  /** What each clause names, as long as no new thing was found. */
  private readonly known = new Map<ReadClause, { of: number; meant: number[] }>();

  /** Things that a clause names, whether they went in or not. */
  meant(c: ReadClause): number[] {
    const had = this.known.get(c);
    if (had?.of === this.things.length) return had.meant;
    // "the reserved water" is what a station leaves.
    const left = c.words.includes('reserved') || c.words.includes('soaking');
    const meant = c.mentions.flatMap((m) =>
      m.except || isTrimmed(c, m) || (left && m.phrase.at(-1) === 'water')
        ? []
        : meantBy(m.phrase, m.items[0]?.id ?? null, this.things, m.weak),
    );
    const own = this.ofStarch(meant);
    this.known.set(c, { of: this.things.length, meant: own });
    return own;
  }

  /** Beside a starch it is the water of its line that is meant, not the cup of the sauce. */
  private ofStarch(meant: number[]): number[] {
    const lines = new Set(meant.flatMap((i) => (this.things[i]!.family === 'starch' ? [this.things[i]!.item.text] : [])));
    const waters = meant.filter((i) => this.things[i]!.family === 'water');
    const near = waters.filter((i) => lines.has(this.things[i]!.item.text));
    // Where no starch is named, the water of a slurry is not the one that is meant.
    const own = near.length > 0 ? near : waters.filter((i) => !this.isOfSlurry(i));
    return own.length > 0 ? meant.filter((i) => !waters.includes(i) || own.includes(i)) : meant;
  }

  /** Water that stands on the line of a starch: "1 tbsp cornstarch mixed with 2 tbsp water". */
  private isOfSlurry(i: number): boolean {
    const { text } = this.things[i]!.item;
    return this.things.some((t) => t.family === 'starch' && t.item.text === text);
  }

  /** Kept back for "the reserved". */
  reserve(c: ReadClause, n: number): void {
    for (const p of this.named(c, n).puts) this.reserved.set(p.thing, p.share);
  }

  /** Things that a later clause names and that have not gone in by then. */
  namedLater(n: number): Set<number> {
    const later = new Set<number>();
    // "Adjust the seasoning", "fish out the bay leaf" take nothing away from "everything".
    for (const c of this.clauses.slice(n + 1))
      if (c.act !== 'trim' && c.act !== 'lift' && c.act !== 'offHeat' && c.stem !== 'discard') for (const i of this.meant(c)) later.add(i);
    return later;
  }

  /** So much of a thing, as far as it is there. */
  take(i: number, share: number, late = false, ours = false): Put | null {
    const t = this.things[i]!;
    const part = Math.min(share, t.left);
    if (!(part > 1e-9)) return null;
    t.left = Math.max(0, t.left - part);
    return { thing: i, share: part, late, ours };
  }

  /** What a clause names, as puts; and things it names that are in already. */
  named(c: ReadClause, n: number): { puts: Put[]; before: number[] } {
    const puts: Put[] = [];
    const before: number[] = [];
    const put = (p: Put | null) => p && puts.push(p);
    for (const m of c.mentions) {
      if (m.phrase.at(-1) === 'water' && (c.words.includes('reserved') || c.words.includes('soaking'))) continue;
      // "with 4 % salt": a share, told by the jar.
      if (
        m.except ||
        isTrimmed(c, m) ||
        (!m.measured && c.measures.pct !== null && m.phrase.includes('salt') && !this.things.some((t) => t.family === 'salt'))
      )
        continue;
      if (m.measured) {
        for (const { index, share } of this.measured(m)) put(this.take(index, share));
        continue;
      }
      const own = this.meant(c);
      const meant = meantBy(m.phrase, m.items[0]?.id ?? null, this.things, m.weak).filter(
        (i) => this.things[i]!.family !== 'water' || own.includes(i),
      );
      // "hot water" for a soak is not the cup that a later sentence takes.
      const later = m.phrase.includes('water') && m.phrase.length > 1 ? this.namedLater(n) : null;
      const fits = this.ofOwnWord(m, meant, n);
      const open = fits.filter((i) => this.things[i]!.left > 1e-9 && !later?.has(i));
      if (later && open.length === 0) continue;
      const reserved = c.words.includes('reserved') ? meant.filter((i) => this.reserved.has(i)) : [];
      if (reserved.length > 0)
        for (const i of reserved) {
          this.things[i]!.left += this.reserved.get(i)!;
          put(this.take(i, this.reserved.get(i)!));
          this.reserved.delete(i);
        }
      else if (open.length > 0) for (const i of open) put(this.take(i, m.share ?? 1));
      else if (meant.length > 0) before.push(...meant);
      else if (this.isNew(m)) for (const i of this.found(m)) put(this.take(i, 1));
    }
    return { puts, before };
  }

  /** "Roast the peppers … blend with the habaneros": those that are called peppers, where the others are named later. */
  private ofOwnWord(m: Mention, meant: number[], n: number): number[] {
    const head = m.phrase.at(-1) ?? '';
    const own = meant.filter((i) => this.things[i]!.item.said?.at(-1) === head);
    if (m.phrase.length > 1 || !isClassWord(head) || own.length === 0) return meant;
    const phrases = this.clauses.slice(n + 1).flatMap((c) => c.mentions.map((x) => x.phrase.join(' ')));
    // "Add the peppers … add everything else"; dried pods are toasted and soaked together.
    const dried = meant.every((i) => this.things[i]!.dried);
    if (own.length < meant.length && !dried && this.clauses.slice(n + 1).some((c) => c.rest)) return own;
    return meant.filter((i) => own.includes(i) || !phrases.includes(this.things[i]!.item.said?.join(' ') ?? ''));
  }

  /** A name without an amount and without a list is a thing that is asked; water is what stations bring. */
  isNew(m: Mention): boolean {
    const listed = this.things.some((t) => !t.inMethod);
    const asks = isClassWord(m.phrase.at(-1) ?? '') && m.items.some((i) => i.ask !== null);
    const known = m.items.some((i) => i.id !== null && i.id !== 'water');
    // Beside a list it is asked as well, unless the list only calls it otherwise.
    return listed ? known && !m.weak : asks || known;
  }

  /** An amount in the method is a share of what the list has, or a thing of its own. */
  measured(m: Mention): { index: number; share: number }[] {
    return m.items.flatMap((item): { index: number; share: number }[] => {
      const g = item.massG;
      // "2 of the peppers", where the list has peppers.
      if (item.id === null) {
        const meant = meantBy(m.phrase, null, this.things, m.weak).filter((i) => !this.things[i]!.inMethod);
        if (meant.length > 0) return meant.map((index) => ({ index, share: 1 }));
      }
      const slurry = m.items.some((x) => this.things.some((t) => t.item.id === x.id && t.family === 'starch'));
      const meant = this.things.flatMap((t, i) =>
        g !== null && t.item.id === item.id && t.left > 1e-9 && t.g !== null && !t.inMethod && !(this.isOfSlurry(i) && !slurry) ? [i] : [],
      );
      // "1 tablespoon of the oil": the one that is there.
      const alike = meant.length > 0 || g === null || !isClassWord(m.phrase.at(-1) ?? '') ? [] : this.listedAs(m.phrase);
      if (alike.length === 1) meant.push(alike[0]!);
      const near = meant.sort((a, b) => Math.abs(Math.log(this.things[a]!.g! / g!)) - Math.abs(Math.log(this.things[b]!.g! / g!)))[0];
      if (near === undefined) return this.found({ ...m, items: [item] }).map((index) => ({ index, share: 1 }));
      const of = this.things[near]!.g!;
      // The same amount said again, in other words.
      return [{ index: near, share: Math.abs(Math.log(g! / of)) < 0.1 ? 1 : Math.min(1, g! / of) }];
    });
  }

  /** Things of the list, with grams left, that a class word means. */
  private listedAs(phrase: readonly string[]): number[] {
    return meantBy(phrase, null, this.things).filter((i) => {
      const t = this.things[i]!;
      return t.left > 1e-9 && t.g !== null && t.g > 0 && !t.inMethod;
    });
  }

  /** All that has not gone in and that no later sentence names. */
  everything(n: number, c: ReadClause): Put[] {
    const later = this.namedLater(n);
    const but = new Set(c.mentions.flatMap((m) => (m.except ? meantBy(m.phrase, m.items[0]?.id ?? null, this.things, m.weak) : [])));
    return this.things.flatMap((_, i) => (later.has(i) || but.has(i) ? [] : (this.take(i, 1) ?? [])));
  }
  /** "Chop everything except the vinegar": what is there, for "them". */
  allBut(c: ReadClause): number[] {
    const but = new Set(c.mentions.flatMap((m) => (m.except ? meantBy(m.phrase, m.items[0]?.id ?? null, this.things, m.weak) : [])));
    // "Chop everything" is what a knife cuts.
    return this.things.flatMap((t, i) => (t.left > 1e-9 && !but.has(i) && (but.size > 0 || isCut(t)) ? [i] : []));
  }
  /** All that has not gone in. */
  rest(): Put[] {
    return this.things.flatMap((_, i) => this.take(i, 1) ?? []);
  }

  /** The water of a slurry, which stands on the line of its starch. */
  besideStarch(step: { puts: readonly Put[] }): Put[] {
    const lines = new Set(step.puts.flatMap((p) => (this.things[p.thing]!.family === 'starch' ? [this.things[p.thing]!.item.text] : [])));
    return this.things.flatMap((t, i) => (t.family === 'water' && lines.has(t.item.text) ? (this.take(i, 1) ?? []) : []));
  }

  /** What a station takes where nobody says what. */
  defaults(kind: KindName, n: number): Put[] {
    const later = this.namedLater(n);
    const takes = DEFAULTS[kind] ?? (EVERYTHING.has(kind) ? () => true : () => false);
    const fitting = this.things.flatMap((t, i) => (takes(t) ? [i] : []));
    const now = fitting.filter((i) => !later.has(i));
    // "Toast in a dry pan. Soak. Blend the chillies …": there is nothing else that it is done to.
    const also = now.length === 0 && DEFAULTS[kind] && kind !== 'thicken' ? fitting : now;
    return also.flatMap((i) => this.take(i, 1) ?? []);
  }

  /** "You need five shallots …", "chop the pods and put them": what is there, for "them". */
  inventoried(c: ReadClause, n: number): number[] {
    const { puts, before } = this.named(c, n);
    for (const p of puts) this.things[p.thing]!.left += p.share;
    return [...puts.map((p) => p.thing), ...before];
  }
}
