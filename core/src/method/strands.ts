import type { RecipeThing, Step } from './recipe';

interface Strand {
  steps: Step[];
  /** It flows into another one. */
  joined: boolean;
  /** Begun beside another one: "meanwhile". */
  aside: boolean;
}

const BLANK = { minutes: null, tempC: null, pct: null, part: null, ours: false, peel: false } as const;

/** Strands of stations as they grow, and how they come together. */
export class Strands {
  readonly all: Strand[] = [];
  /** The strand that is worked on; -1 where none is. */
  cur = -1;
  /** The strand that is divided, and those that begin with a part of it. */
  private base = -1;
  private branches: number[] = [];
  /** Strands that are named and flow in at the next station. */
  private pending: number[] = [];

  get steps(): Step[] {
    return this.all[this.cur]?.steps ?? [];
  }

  /** The next station of the strand that is worked on; the first one where there is none. */
  push(s: Partial<Step> & Pick<Step, 'kind' | 'text'>): Step {
    if (this.cur < 0) {
      this.all.push({ steps: [], joined: false, aside: false });
      this.cur = this.all.length - 1;
      if (this.base >= 0 && this.all[this.base]!.joined) this.branches.push(this.cur);
    }
    const step: Step = { ...BLANK, puts: [], joins: [], ...s };
    this.steps.push(step);
    return step;
  }

  /** A station between others of the strand that is worked on. */
  insert(at: number, s: Partial<Step> & Pick<Step, 'kind' | 'text'>): Step {
    const step: Step = { ...BLANK, puts: [], joins: [], ...s };
    this.steps.splice(at, 0, step);
    return step;
  }

  /** Strands that end in something: the parts of what was divided, or the one that is worked on. */
  get ends(): number[] {
    // A part that flows into another one ends in nothing.
    const open = this.branches.filter((k) => !this.all[k]!.joined);
    return open.length > 0 ? open : this.cur < 0 ? [] : [this.cur];
  }

  /** Where what nobody named goes: what was divided, or the strand that is worked on. */
  get common(): Step[] {
    return this.branches.length > 0 ? this.all[this.base]!.steps : this.steps;
  }

  /** What is made so far is divided. */
  divide(): void {
    if (this.branches.length === 0) this.base = this.cur;
  }
  get divided(): boolean {
    return this.base >= 0;
  }

  /** The next part of what was divided begins; its first station comes with `push`. */
  branch(): void {
    if (this.base < 0 || this.steps.length === 0) return;
    this.all[this.base]!.joined = true;
    this.cur = -1;
  }

  /** The same is done to the other parts: "simmer each for five minutes". */
  alike(step: Step): void {
    for (const k of this.ends) if (k !== this.cur) this.all[k]!.steps.push({ ...step, puts: [], joins: [] });
  }

  /** Parts are alike; one part alone leaves the rest as it is, for bottles of its own. */
  share(): void {
    if (this.base < 0 || this.branches.length === 0) return;
    if (this.branches.length === 1) {
      this.all.push({ steps: [], joined: false, aside: false });
      const last = this.cur;
      this.cur = this.all.length - 1;
      this.branches.unshift(this.cur);
      this.steps.push({ ...BLANK, kind: 'bottle', puts: [], joins: [], ours: true, text: '' });
      this.cur = last;
    }
    for (const k of this.branches) this.all[k]!.steps[0]!.part = { strand: this.base, share: 1 / this.branches.length };
  }

  /** Strands of things that are named, and that stand apart, flow in; `step` is where, the last one when null. */
  joinNamed(before: readonly number[], step: Step | null): void {
    const target = step ?? null;
    const strandsOf = before
      .map((i) => this.all.findIndex((s, k) => !s.joined && k !== this.cur && s.steps.some((x) => x.puts.some((p) => p.thing === i))))
      .filter((k) => k >= 0);
    for (const k of new Set(strandsOf)) {
      if (target) target.joins.push(k);
      else this.pending.push(k);
      this.all[k]!.joined = true;
    }
  }

  /** "Everything into a pot": what stands apart flows in at the next station. */
  joinNext(): void {
    this.all.forEach((s, k) => {
      if (k === this.cur || s.joined || this.branches.includes(k) || s.steps.length === 0) return;
      s.joined = true;
      this.pending.push(k);
    });
  }

  /** What was named and waits for a station flows in at this one. */
  flowIn(step: Step): void {
    step.joins.push(...this.pending.splice(0));
  }

  /** Work goes on where the things are that it names. */
  follow(before: readonly number[]): void {
    if (before.length === 0 || this.cur < 0) return;
    const has = (k: number) => this.all[k]!.steps.some((s) => s.puts.some((p) => before.includes(p.thing)));
    if (has(this.cur) && !this.all[this.cur]!.aside) return;
    // Of several that are named it is the one that was begun first.
    const first = this.all.findIndex((s, k) => (!s.joined || k === this.cur) && has(k));
    if (first >= 0) this.cur = first;
  }

  /** Every strand that stands apart flows in here. */
  joinAll(step: Step, later: ReadonlySet<number>, things: readonly RecipeThing[]): void {
    this.all.forEach((s, k) => {
      if (k === this.cur || s.joined || this.branches.includes(k)) return;
      // What is named for a later step waits for that.
      const puts = s.steps.flatMap((x) => x.puts).filter((p) => things[p.thing]!.family !== 'water');
      if (puts.length > 0 && puts.every((p) => later.has(p.thing))) return;
      s.joined = true;
      step.joins.push(k);
    });
  }

  /** Strands that were never said to come together do so at the last jug or pot. */
  rejoin(): void {
    if (this.cur < 0) return;
    // Told by where they really flow in: what was only marked, and named for a station that never came, is open too.
    const flows = new Set([
      ...this.all.flatMap((s) => s.steps.flatMap((x) => x.joins)),
      ...this.pending,
      ...(this.branches.length > 0 ? [this.base] : []),
    ]);
    const open = this.all.flatMap((_, k) => (flows.has(k) || this.ends.includes(k) ? [] : [k]));
    if (open.length === 0 && this.pending.length === 0) return;
    let step = this.steps.findLast((s) => s.kind === 'blend' || s.kind === 'simmer');
    if (!step) {
      const ending = this.steps.findIndex((s) => s.kind === 'bottle' || s.kind === 'bowl');
      step = { ...BLANK, kind: 'blend', puts: [], joins: [], ours: true, text: '' };
      this.steps.splice(ending < 0 ? this.steps.length : ending, 0, step);
    }
    step.joins.push(...open, ...this.pending);
    for (const k of open) this.all[k]!.joined = true;
    this.pending = [];
  }
}
