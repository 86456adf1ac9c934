import { massOf, type Stream } from '../matter/stream';
import { heatOfRow } from '../pantry';
import { TYPICAL } from '../stat/draw';
import type { BatchFile } from '../file';
import { endOf, mainEnd, strandIn } from './compose';
import { runUpTo } from './run';

/** An ingredient that burns: SHU that it brings to the finished sauce, and its log-sd. */
export interface AddedHeat {
  id: string;
  name: string;
  shu: number;
  sigma: number;
}

/** What burns in a stream of a batch besides its lots (powder in the jug, a sauce that went in), read off its books. */
export function addedIn(file: BatchFile, stream: Stream): AddedHeat[] {
  const massG = massOf(stream);
  if (!(massG > 0)) return [];
  return stream.ledger.flatMap((e): AddedHeat[] => {
    if (!(e.heatShuG > 0) || file.lots.some((l) => l.id === e.of.id)) return [];
    const row = file.ingredients.find((i) => i.key === e.of.id);
    const sigma = (row ? heatOfRow(row)?.sigma : file.stored.find((s) => s.id === e.of.id)?.heat?.sigma) ?? 0;
    return [{ id: e.of.id, name: e.of.name, shu: e.heatShuG / massG, sigma }];
  });
}

/**
 * What burns at a strand's end besides the lots. `measured` false runs the plan alone. Throws LineProblem when the line
 * cannot run.
 */
export const addedHeat = (file: BatchFile, measured: boolean, strandId: string = mainEnd(file).id): AddedHeat[] =>
  addedIn(file, runUpTo(file, endOf(strandIn(file, strandId)).id, TYPICAL, measured).bowl.stream);
