import { retained, type Preparation } from '../heat';
import { mix, part, split, withHeat, type Stream } from '../matter/stream';
import type { PodLot } from './lot';

/**
 * One lot under the knife: what stays, and the stems, seeds and ribs that go. `whole` counts heat as if the stems were
 * pod; they carry none (chapter 2: SHU is per g of the destemmed pod). `luck` scales the heat that is kept.
 */
export function cutPods(lot: PodLot, prep: Preparation, whole: Stream, luck: number): { stays: Stream; goes: Stream } {
  const stemmed = split(whole, lot.anatomy?.stem ?? 0);
  const pod = stemmed.left;
  const kept = retained(prep, lot.capsaicinoidClass, lot.anatomy);
  const gone = part(pod, {
    share: () => 1 - kept.mass,
    heat: 1 - Math.min(1, kept.heat * luck),
    sidEq: pod.sidEq * (1 - kept.mass),
    ledger: 1 - kept.mass,
  });
  return { stays: gone.left, goes: mix(withHeat(stemmed.taken, 0), gone.taken) };
}
