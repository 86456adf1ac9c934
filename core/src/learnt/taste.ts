import { RAILS, type Palate } from '../solve/trim/rails';
import { countingFiles, type LearntFile } from './file';

/** What others call right says little of what tastes right here: of one kitchen's sayings so many count, at most (our judgement). */
const SAYINGS = { each: 0.25, most: 1 } as const;

/** What this kitchen calls right, with what others do beside it: heat and shares by their logarithms. */
export function palateWithKitchens(files: readonly LearntFile[], own: Palate): Palate {
  const all = countingFiles(files);
  const out: Palate = {};
  for (const rail of RAILS) {
    const plain = rail === 'sour' || rail === 'body';
    const voices = [
      ...(own[rail] ? [own[rail]] : []),
      ...all.flatMap(({ taste: { [rail]: t } }) => (t ? [{ level: t.level, said: Math.min(SAYINGS.most, SAYINGS.each * t.said) }] : [])),
    ].filter((v) => plain || v.level > 0);
    const said = voices.reduce((s, v) => s + v.said, 0);
    if (said === 0) continue;
    const mean = voices.reduce((s, v) => s + v.said * (plain ? v.level : Math.log(v.level)), 0) / said;
    out[rail] = { level: plain ? mean : Math.exp(mean), said };
  }
  return out;
}
