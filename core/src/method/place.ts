import type { KindName } from '../stations';
import { doneBy, isCanned, isInBlender, isPouredOver, isStrainedOver } from './acts';
import type { Done, Where } from './done';
import type { Mention, ReadClause } from './mentions';
import type { RecipeThing, Step } from './recipe';
import { fermentFollows, GATHERS, HEATS, implicit, isPronoun, takesAll, toAll, TWO_DAYS } from './roles';
import { Gatherer } from './gather';
import type { Supply } from './supply';
import { JARS } from './vessels';

const INTO_IT = /\bin(?:to)? (?:the|that|this) (?:sauce|mixture|puree|purée|base|paste|salsa)\b/i;
const BOWL = /\b(?:bowl|jar|dish|bottle)s?\b/i;
const pours = (c: ReadClause) => ((c.act === 'fill' || c.act === 'add') && isPouredOver(c.text)) || isStrainedOver(c);

/** Puts the clauses of a method together to strands of stations with their things. */
export class Placer extends Gatherer {
  private inventory: number[] = [];
  /** The prep before named what it cut. */
  private cutBefore = false;
  /** "Add 2.5 % of their weight in salt": for the jar that follows, %. */
  private pct: number | null = null;
  constructor(
    supply: Supply,
    private readonly clauses: readonly ReadClause[],
    /** What a clause names with an amount for the first time, seen as things before they are ones. */
    private readonly preview: (items: Mention['items']) => RecipeThing[],
  ) {
    super(supply);
  }

  /** The step that each clause was read into. */
  readonly stepOf = new Map<ReadClause, Step>();

  run(): void {
    this.clauses.forEach((c, n) => {
      this.clause(c, n);
      const step = this.steps.at(-1);
      if (step) this.stepOf.set(c, step);
    });
    this.release();
    this.backInto();
    this.line.rejoin();
    this.line.share();
  }

  private where(c: ReadClause, n: number, named: readonly number[]): Where {
    const ahead = this.clauses.slice(n + 1);
    // What vinegar went into stands, and ferments only where that is said.
    const isVinegar = (p: { thing: number }) => this.things[p.thing]!.family === 'vinegar';
    const soured =
      [...this.steps.flatMap((x) => x.puts), ...this.waiting, ...this.held].some(isVinegar) ||
      (c.everything && this.things.some((t) => t.family === 'vinegar' && t.left > 0));
    return {
      steps: this.steps,
      fermentAhead:
        !this.steps.some((x) => x.kind === 'ferment') &&
        fermentFollows([c, ...ahead], this.supply) &&
        (!soured || [c, ...ahead].some((x) => x.act === 'ferment')),
      workAhead: ahead.some((x) => ['char', 'fry', 'simmer', 'blend', 'strain', 'toast'].includes(x.act) && !isCanned(x)),
      things: this.things,
      named: named.map((i) => this.things[i]!),
      poursAhead: ahead.some(pours),
      waiting: [...this.held, ...this.waiting].map((p) => this.things[p.thing]!),
      there: this.inventory.map((i) => this.things[i]!),
    };
  }

  private clause(c: ReadClause, n: number): void {
    if ((c.measures.after ?? 0) >= TWO_DAYS) this.stood(c);
    const wants = this.supply.meant(c);
    const newNamed = c.mentions.flatMap((m) => (m.measured ? m.items : []));
    const fresh = newNamed.length > 0 ? this.preview(newNamed) : [];
    const done = doneBy(c, { ...this.where(c, n, wants), named: [...wants.map((i) => this.things[i]!), ...fresh] });
    this.apply(c, n, done);
  }

  /** "After four weeks …": what stands in its jar fermented meanwhile. */
  private stood(c: ReadClause): void {
    if (this.steps.at(-1)?.kind === 'salt') this.line.push({ kind: 'ferment', text: c.text, minutes: c.measures.after });
  }

  private apply(c: ReadClause, n: number, done: Done): void {
    if (c.offHeat) this.offHeat = true;
    // "Mix one half with basil": said to be divided, or another part follows.
    if (c.branch && !this.line.divided && this.clauses.slice(n + 1).some((x) => x.branch)) this.divide();
    if (c.branch && this.line.divided) this.line.branch();
    switch (done.is) {
      case 'nothing':
        this.keepBack(c);
        // What is named with an amount is there, whatever is done with it.
        if (c.stem !== 'keep' && c.mentions.some((m) => m.measured && m.items.some((i) => i.massG !== null))) this.supply.inventoried(c, n);
        this.note(c);
        return;
      case 'inventory':
        // "You want the flakes in a bowl with the salt": there the hot oil finds them.
        if (this.waitsInBowl(c, n) && !JARS.test(c.text)) {
          this.held.push(...this.supply.named(c, n).puts);
          return this.note(c);
        }
        this.inventory = this.supply.inventoried(c, n);
        return;
      case 'prep':
        this.prepared(c, n, done.peel);
        return;
      case 'divide':
        if (this.clauses.slice(n + 1).some((x) => x.branch)) this.divide();
        return this.note(c);
      case 'reserve':
        this.keepBack(c);
        this.supply.reserve(c, n);
        return;
      case 'time':
        this.timed(c, n);
        return;
      case 'add':
        this.added(c, n);
        return;
      case 'station':
        this.station(c, n, done.kind);
    }
  }

  private prepared(c: ReadClause, n: number, peel: boolean): void {
    const named = this.supply.inventoried(c, n);
    const listed = c.everything && this.inventory.length === 0 ? this.supply.allBut(c) : named;
    // "Slice the pods and chop the onion": both; what was only there before is not "them".
    const also = this.clauses[n - 1]?.act === 'prep' && this.cutBefore ? this.inventory : [];
    this.cutBefore = listed.length > 0 || (this.cutBefore && this.clauses[n - 1]?.act === 'prep');
    if (listed.length > 0) this.inventory = [...new Set([...also, ...listed])];
    const char = this.line.all.flatMap((s) => s.steps).findLast((s) => s.kind === 'char');
    if (peel && char && (listed.length === 0 || listed.some((i) => char.puts.some((p) => p.thing === i)))) char.peel = true;
  }

  /** In a bowl of its own, over which something hot is poured later. */
  private waitsInBowl(c: ReadClause, n: number): boolean {
    return BOWL.test(c.text) && !isPouredOver(c.text) && this.clauses.slice(n + 1).some(pours);
  }

  private added(c: ReadClause, n: number): void {
    const { puts, before } = this.supply.named(c, n);
    puts.push(...this.leavings(c));
    if (this.anotherPan(c, n, puts, before)) this.line.cur = -1;
    const all = c.everything ? this.supply.everything(n, c) : c.rest ? this.supply.rest() : [];
    this.pct = c.measures.pct ?? this.pct;
    const stays = this.waitsInBowl(c, n);
    const where = stays ? this.held : this.waiting;
    const cut = this.inventory;
    if (
      all.length === 0 &&
      this.inventory.length > 0 &&
      (implicit(c, puts) || isPronoun(c.next) || (puts.length === 0 && c.pronoun)) &&
      before.length === 0
    )
      where.push(...this.inventory.flatMap((i) => this.supply.take(i, 1) ?? []));
    where.push(...puts, ...all);
    if (c.everything && !stays) this.line.joinNext();
    // "Chop the chipotles and add them": what stands apart comes with what was cut of it.
    const apart = implicit(c, puts) || isPronoun(c.next) ? cut.filter((i) => !before.includes(i)) : [];
    this.line.joinNamed([...before, ...apart], null);
    if (c.branch && this.line.divided && this.waiting.length > 0) {
      this.line.push({ kind: 'trim', text: c.text });
      return this.gather(this.steps.at(-1)!);
    }
    if (this.waiting.length > 0 && this.offHeat && this.steps.length > 0) {
      this.offHeat = false;
      this.line.push({ kind: 'temper', text: c.text });
      this.gather(this.steps.at(-1)!);
      return;
    }
    // "let the chillies bubble along for two more minutes".
    const last = this.steps.at(-1);
    if (last?.kind === 'ferment' && c.measures.more && puts.length + all.length === 0) {
      last.minutes = (last.minutes ?? 0) + c.measures.minutes!;
      return this.note(c);
    }
    if (c.measures.minutes !== null && last && HEATS.has(last.kind)) {
      // Water poured to what fries makes a pot of it.
      const poured = last.kind === 'fry' && this.waiting.some((p) => this.things[p.thing]!.wet || this.things[p.thing]!.family === 'water');
      if (poured) {
        this.gather(this.line.push({ kind: 'simmer', text: c.text, minutes: c.measures.minutes }));
        return;
      }
      this.gather(last);
      last.minutes = c.measures.more || last.minutes === null ? (last.minutes ?? 0) + c.measures.minutes : last.minutes;
    }
    this.note(c);
  }

  private station(c: ReadClause, n: number, kind: KindName): void {
    const { puts, before } = this.supply.named(c, n);
    if (kind === 'drain' || kind === 'lift' || kind === 'soak') this.keepBack(c);
    else puts.push(...this.leavings(c));
    // "Drain the chipotles and simmer them in the sauce."
    const prior = this.clauses[n - 1];
    const intoIt = prior?.act === 'drain' && isPronoun(c.next) && INTO_IT.test(c.text) && puts.length + before.length === 0;
    if (intoIt) before.push(...this.supply.meant(prior));
    const all = c.everything ? this.supply.everything(n, c) : c.rest ? this.supply.rest() : [];
    const taken =
      this.inventory.length > 0 &&
      all.length === 0 &&
      before.length === 0 &&
      (implicit(c, puts) || isPronoun(c.next) || (c.pronoun && puts.length === 0));
    const pronounTakes = taken ? this.inventory.flatMap((i) => this.supply.take(i, 1) ?? []) : [];
    if (puts.length + before.length + all.length + pronounTakes.length > 0) this.inventory = [];
    const fresh = [...puts, ...all, ...pronounTakes];
    if (kind === 'bottle' || kind === 'bowl') return this.ending(c, kind, fresh);
    // "Pack it into a jar and ferment": what waits is salted there.
    if (kind === 'ferment' && this.waiting.length > 0 && !this.steps.some((x) => x.kind === 'salt'))
      this.gather(this.line.push({ kind: 'salt', text: '' }));
    if (kind === 'temper' || kind === 'blend') this.release();
    if (!GATHERS.has(kind)) this.backInto(this.clauses.slice(n + 1).some((x) => x.act === 'blend' || isInBlender(x.text)));
    const apart = this.isApart(c, kind, fresh, before) || this.anotherPan(c, n, puts, before);
    if (apart) this.line.cur = -1;
    else if (!intoIt) this.line.follow(before);
    const last = this.steps.at(-1);
    // Boiled only to soak in it.
    if (kind === 'soak' && !apart && last?.kind === 'simmer' && last.minutes === null) last.kind = 'soak';
    const same = !apart && last?.kind === kind && !(kind === 'toast' && c.apart);
    const step = same ? last : this.line.push({ kind, text: '' });
    if (apart) this.line.all[this.line.cur]!.aside = c.apart;
    const ran = step.minutes;
    if (same) this.again(step, c, fresh);
    this.gather(step, ran !== null);
    if (!same) step.minutes = c.measures.minutes;
    step.puts.push(...fresh.map((p) => ({ ...p, late: p.late || (same && HEATS.has(kind) && last.puts.length > 0 && c.measures.more) })));
    step.text = `${step.text} ${c.text}`.trim();
    step.tempC = c.measures.tempC ?? step.tempC;
    step.pct = c.measures.pct ?? step.pct ?? (kind === 'salt' ? this.pct : null);
    if (kind === 'salt' && this.offersNothing(step)) step.puts.push(...this.supply.defaults(kind, n));
    if (step.puts.length === 0 && this.steps.length === 1 && step.joins.length === 0) step.puts.push(...this.supply.defaults(kind, n));
    // "Pack it into a crock, 14 days at 18 degrees."
    if (kind === 'salt' && (c.measures.minutes ?? 0) >= TWO_DAYS) {
      step.minutes = null;
      this.line.push({ kind: 'ferment', text: c.text, minutes: c.measures.minutes, tempC: c.measures.tempC });
    }
    if (kind === 'thicken') step.puts.push(...this.supply.besideStarch(step));
    if (kind === 'thicken' && step.puts.length === 0) step.puts.push(...this.supply.defaults(kind, n));
    this.line.flowIn(step);
    this.line.joinNamed(before, step);
    if ((kind === 'blend' && !apart && takesAll(c, this.clauses.slice(n + 1), puts)) || c.together || c.everything)
      this.line.joinAll(step, this.supply.namedLater(n), this.things);
    if (GATHERS.has(kind)) this.offHeat = false;
    if (!same && this.line.divided && toAll(c, this.clauses[n + 1])) this.line.alike(step);
  }
}
