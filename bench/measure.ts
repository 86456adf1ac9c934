/** Once each: whether all of it still runs, not how fast. */
const SHORT = process.argv.includes('--short');

/** Median and 90 % of repeated runs in ms; the first `warm` runs are thrown away (the engine compiles in them). */
export function measure(run: () => unknown, times = 30, warm = 5): { median: number; p90: number } {
  if (SHORT) [times, warm] = [1, 0];
  for (let i = 0; i < warm; i++) run();
  const ms = Array.from({ length: times }, () => {
    const start = performance.now();
    run();
    return performance.now() - start;
  }).sort((a, b) => a - b);
  return { median: ms[Math.floor(times / 2)]!, p90: ms[Math.floor(times * 0.9)]! };
}

/** The same measurement of a part of the work. */
export const scaled = (m: { median: number; p90: number }, share: number) => ({ median: m.median * share, p90: m.p90 * share });

/** One line of the report: ours, the reference measured in the same run, and their ratio. */
export interface Line {
  what: string;
  ours: { median: number; p90: number };
  reference: { median: number; p90: number };
  against: string;
  /** What the issue asked for, in ms. */
  wantedMs?: number;
}

export function print(lines: readonly Line[]): void {
  const f = (x: number) => x.toFixed(x < 10 ? 2 : 0).padStart(7);
  console.log('ms: median (90 %)                                             ours             reference     ratio');
  for (const l of lines) {
    const wanted = l.wantedMs === undefined ? '' : `, wanted under ${l.wantedMs} ms: ${l.ours.p90 < l.wantedMs ? 'yes' : 'NO'}`;
    console.log(
      `${l.what.padEnd(56)} ${f(l.ours.median)} (${f(l.ours.p90)}) ${f(l.reference.median)} (${f(l.reference.p90)}) ${(l.ours.median / l.reference.median).toFixed(3).padStart(9)}`,
    );
    console.log(`    against ${l.against}${wanted}`);
  }
}
