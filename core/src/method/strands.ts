import type { Step } from './recipe';

interface Strand {
  steps: Step[];
  /** It flows into another one. */
  joined: boolean;
}

const BLANK = { minutes: null, tempC: null, pct: null, ours: false, peel: false } as const;

/** Strands of stations as they grow, and how they come together. */
export class Strands {
  readonly all: Strand[] = [];
  /** The strand that is worked on; -1 where none is. */
  cur = -1;
  /** Strands that are named and flow in at the next station. */
  private pending: number[] = [];

  get steps(): Step[] {
    return this.all[this.cur]?.steps ?? [];
  }

  /** The next station of the strand that is worked on; the first one where there is none. */
  push(s: Partial<Step> & Pick<Step, 'kind' | 'text'>): Step {
    if (this.cur < 0) {
      this.all.push({ steps: [], joined: false });
      this.cur = this.all.length - 1;
    }
    const step: Step = { ...BLANK, puts: [], joins: [], ...s };
    this.steps.push(step);
    return step;
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

  /** What was named and waits for a station flows in at this one. */
  flowIn(step: Step): void {
    step.joins.push(...this.pending.splice(0));
  }

  /** Work goes on where the things are that it names. */
  follow(before: readonly number[]): void {
    if (before.length === 0 || this.cur < 0) return;
    const has = (k: number) => this.all[k]!.steps.some((s) => s.puts.some((p) => before.includes(p.thing)));
    if (has(this.cur)) return;
    const other = this.all.findIndex((s, k) => !s.joined && k !== this.cur && has(k));
    if (other >= 0) this.cur = other;
  }

  /** Every strand that stands apart flows in here. */
  joinAll(step: Step): void {
    this.all.forEach((s, k) => {
      if (k === this.cur || s.joined) return;
      s.joined = true;
      step.joins.push(k);
    });
  }

  /** Strands that were never said to come together do so at the last jug or pot. */
  rejoin(): void {
    if (this.cur < 0) return;
    const open = this.all.flatMap((s, k) => (s.joined || k === this.cur ? [] : [k]));
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
