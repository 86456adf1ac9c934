import { stationKind } from '../stations';
import type { Step } from './recipe';

const ends = (s: Step): boolean => stationKind(s.kind).bottled !== undefined;
const lives = (s: Step): boolean => stationKind(s.kind).lives === true;
const packs = (s: Step): boolean => stationKind(s.kind).vessels !== undefined;

/** A step that is ours: for safety, or for want of an end. */
const ours = (kind: Step['kind']): Step => ({
  kind,
  puts: [],
  minutes: null,
  text: '',
  tempC: null,
  pct: null,
  joins: [],
  part: null,
  ours: true,
  peel: false,
});

/** The last word on where a sauce ends counts, and it ends there; other strands end in nothing. What was said stays. */
function ended(steps: Step[], main: boolean): void {
  const last = steps.findLast(ends);
  for (let i = steps.length - 1; i >= 0; i--) {
    const step = steps[i]!;
    if (!ends(step) || (main && step === last && i === steps.length - 1)) continue;
    steps.splice(i, 1);
    if (main && step === last) continue;
    // What went in there goes where the work went on; nothing is lost where there is nowhere.
    if (steps.length === 0 && step.puts.length + step.joins.length > 0) steps.push(ours('blend'));
    const to = steps[i - 1] ?? steps[i];
    if (!to) continue;
    to.text += ` ${step.text}`;
    to.puts.push(...step.puts.splice(0));
    to.joins.push(...step.joins.splice(0));
  }
  if (main && steps.at(-1) !== last) steps.push(last ?? ours('bottle'));
}

/** What ferments was salted and packed, said or not. */
function salted(steps: Step[]): void {
  const jar = steps.findIndex(lives);
  if (jar >= 0 && !steps.slice(0, jar).some(packs)) steps.splice(jar, 0, { ...ours('salt'), puts: steps[jar]!.puts.splice(0) });
}

/** Strands as a line can have them: one sauce that ends once, jars that were packed, what must follow added as ours. */
export function soundStrands(strands: readonly Step[][], ends: readonly number[]): void {
  strands.forEach((steps, k) => {
    ended(steps, ends.includes(k));
    salted(steps);
  });
}
