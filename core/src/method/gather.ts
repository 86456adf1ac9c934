import { stationKind, type KindName } from '../stations';
import type { ReadClause } from './mentions';
import { LEFT_BY, SOME, type LeavingName } from './leavings';
import type { Put, RecipeThing, Step } from './recipe';
import { BEGINS, GATHERS, HEATS } from './roles';
import { Strands } from './strands';
import type { Supply } from './supply';

const ANOTHER_PAN = /\bin(?:to)? (?:a|another) (?:[\w-]+ ){0,3}(?:pan|pot|saucepan|skillet|wok)\b/i;
/** Things that wait for a station, and the strands that take them. */
export class Gatherer {
  readonly line = new Strands();
  protected waiting: Put[] = [];
  /** What stands in a bowl until something hot is poured over it. */
  protected held: Put[] = [];
  protected offHeat = false;

  constructor(protected readonly supply: Supply) {}

  protected get things(): RecipeThing[] {
    return this.supply.things;
  }

  protected get steps(): Step[] {
    return this.line.steps;
  }

  protected note(c: ReadClause): void {
    const last = this.steps.at(-1);
    if (last) last.text += ` ${c.text}`;
  }

  protected timed(c: ReadClause, n: number): void {
    const last = this.steps.at(-1);
    const { puts } = this.supply.named(c, n);
    if (!last) return void this.waiting.push(...puts);
    const heating = HEATS.has(last.kind) || last.kind === 'soak';
    last.puts.push(...puts.map((p) => ({ ...p, late: heating && last.minutes !== null })));
    if (heating && c.measures.minutes !== null)
      last.minutes = c.measures.more && last.minutes !== null ? last.minutes + c.measures.minutes : c.measures.minutes;
    last.text += ` ${c.text}`;
  }

  /** What waits goes in; `running`: the station was on its way already. */
  protected gather(step: Step, running = step.minutes !== null): void {
    const late = HEATS.has(step.kind) && running;
    step.puts.push(...this.waiting.map((p) => ({ ...p, late: p.late || late })));
    this.waiting = [];
  }

  /** What was said to be kept back of a leaving. */
  private readonly keptBack = new Map<LeavingName, Pick<NonNullable<ReadClause['left']>, 'g' | 'share'>>();
  protected keepBack({ left }: Pick<ReadClause, 'left'>): void {
    if (left && (left.g !== null || left.share !== 1)) this.keptBack.set(left.of, left);
  }
  /** "1/2 cup of the brine", in the list. */
  listed(of: LeavingName, g: number): void {
    this.keptBack.set(of, { g, share: null });
  }

  /** Brine or soaking water that a clause takes, as a put; none where nothing left it, or all of it is taken. */
  protected leavings({ left }: ReadClause): Put[] {
    if (!left) return [];
    const steps = this.line.all.flatMap((s) => s.steps);
    const by = steps.findLast((s) => LEFT_BY[left.of].includes(s.kind)) ?? (left.of === 'brine' ? this.drained() : undefined);
    if (!by || this.things.some((t) => t.leaving?.by === by && (left.share !== null || t.leaving.share === 1))) return [];
    const { g, share } = left.share === 1 || left.share === SOME ? (this.keptBack.get(left.of) ?? left) : left;
    this.things.push({
      item: {
        text: left.words,
        store: null,
        id: null,
        name: Object.values(stationKind(by.kind).gives ?? {})[0] ?? left.of,
        massG: g,
        assumed: [],
        ask: null,
      },
      ...{ words: new Set<string>(), family: 'other', pod: false, dried: false, wet: true, group: [], g, left: 0, inMethod: true },
      leaving: { by, share },
    });
    return [{ thing: this.things.length - 1, share: 1, late: false, ours: false }];
  }

  /** A jar whose brine is spoken of was drained, said or not. */
  private drained(): Step | undefined {
    const jar = this.steps.findIndex((s) => s.kind === 'ferment');
    // It may have stood in the fridge since.
    const after = this.steps.findIndex((s, i) => i > jar && s.kind !== 'rest');
    return jar < 0 ? undefined : this.line.insert(after < 0 ? this.steps.length : after, { kind: 'drain', text: '', ours: true });
  }

  protected release(): void {
    this.waiting.unshift(...this.held.splice(0));
  }

  /** Salt alone in a jar: what stands in it was only named before. */
  protected offersNothing(step: Step): boolean {
    return (
      this.steps.length === 1 && !step.puts.some((p) => this.things[p.thing]!.family !== 'salt' && this.things[p.thing]!.family !== 'water')
    );
  }

  /** What waits before a station that takes nothing goes back to where it was said. */
  protected backInto(blendsLater = false): void {
    const gatherer = this.steps.findLast((s) => s.kind === 'blend' || s.kind === 'simmer' || s.kind === 'fry');
    if (gatherer) this.line.flowIn(gatherer);
    if (this.waiting.length === 0) return;
    const last = this.steps.at(-1);
    if (!last) {
      this.line.push({ kind: 'blend', text: '', ours: true });
      return this.gather(this.steps.at(-1)!);
    }
    if (last.kind === 'drain' || last.kind === 'ferment') this.line.push({ kind: blendsLater ? 'trim' : 'blend', text: '', ours: true });
    else if (last.kind === 'strain' || last.kind === 'rest' || last.kind === 'char' || last.kind === 'toast')
      this.line.push({ kind: 'trim', text: '', ours: true });
    else if (!GATHERS.has(last.kind)) this.line.push({ kind: 'trim', text: '', ours: true });
    const step = this.steps.at(-1)!;
    step.puts.push(...this.waiting.map((p) => ({ ...p, late: HEATS.has(step.kind) })));
    this.waiting = [];
  }

  /** "In a large saucepan, heat the remaining oil": another pan, while what was made before is named again later. */
  protected anotherPan(c: ReadClause, n: number, puts: readonly Put[], before: readonly number[]): boolean {
    if (!ANOTHER_PAN.test(c.text) || this.steps.length === 0 || this.waiting.length > 0 || puts.length === 0 || before.length > 0)
      return false;
    if (c.pronoun || /^(?:in|into|with|to)$/.test(c.next ?? '') || c.everything || c.rest || c.together || c.left) return false;
    const later = this.supply.namedLater(n);
    return this.steps.some((s) => s.puts.some((p) => later.has(p.thing)));
  }

  /** A station with new things only is apart, unless it goes on with what is there. */
  protected isApart(c: ReadClause, kind: KindName, fresh: readonly Put[], before: readonly number[]): boolean {
    if (this.line.cur < 0 || this.steps.length === 0) return false;
    if (c.apart && fresh.length > 0 && before.length === 0) return true;
    if (!BEGINS.has(kind) || this.steps.at(-1)!.kind === kind) return false;
    if (fresh.length === 0 || before.length > 0 || this.waiting.length > 0) return false;
    // "Cook the juice with …": what ran through the sieve.
    const juice = c.words.includes('juice') && !fresh.some((p) => this.things[p.thing]!.words.has('juice'));
    return (
      !c.pronoun &&
      !juice &&
      !(c.stem === 'bring' && c.next === 'to') &&
      !c.everything &&
      !c.rest &&
      !c.together &&
      c.next !== 'with' &&
      c.next !== 'in'
    );
  }

  /** The same station once more: its minutes, or those on top. */
  protected again(step: Step, c: ReadClause, fresh: readonly Put[]): void {
    const { minutes, more } = c.measures;
    if (minutes === null) return;
    const added = more || (step.minutes !== null && (this.waiting.length > 0 || fresh.length > 0));
    step.minutes = added ? (step.minutes ?? 0) + minutes : minutes;
  }

  protected divide(): void {
    this.backInto();
    this.line.divide();
  }

  protected ending(c: ReadClause, kind: KindName, fresh: readonly Put[]): void {
    this.waiting.push(...fresh);
    this.backInto();
    const last = this.steps.at(-1);
    if (last?.kind === 'bottle' || last?.kind === 'bowl') return this.note(c);
    const step = this.line.push({ kind, text: c.text });
    this.line.flowIn(step);
  }
}
