import { massOf } from '../matter/stream';
import { heatOfRow } from '../pantry';
import { TYPICAL } from '../stat/draw';
import { stationKind } from '../stations';
import type { BatchFile } from '../file';
import { runLine } from './run';

/** An ingredient that burns: SHU that it brings to the finished sauce, and its log-sd. */
export interface AddedHeat {
  id: string;
  name: string;
  shu: number;
  sigma: number;
}

/**
 * What burns in a batch besides its lots (powder in the jug): the heat that the line has with cold pods, by ingredient.
 * `measured` false runs the plan alone. Empty without such an ingredient. Throws LineProblem when the line cannot run.
 */
export function addedHeat(file: BatchFile, measured: boolean): AddedHeat[] {
  const keys = new Set(file.stations.flatMap((s) => stationKind(s.kind).names?.(s.params).ingredients ?? []));
  const rows = file.ingredients.filter((i) => keys.has(i.key) && heatOfRow(i));
  if (rows.length === 0) return [];
  const runs = runLine({ ...file, lots: file.lots.map((l) => ({ ...l, heat: null })) }, TYPICAL, measured);
  const end = runs.at(-1)!.input.stream;
  const brought = rows.map((row) => ({
    row,
    load: runs.flatMap((r) => r.additions).reduce((s, f) => s + (f.id === row.key ? f.stream.heatShuG : 0), 0),
  }));
  const total = brought.reduce((s, b) => s + b.load, 0);
  if (!(total > 0)) return [];
  const shu = end.heatShuG / massOf(end);
  return brought.map(({ row, load }) => ({ id: row.key, name: row.name, shu: (shu * load) / total, sigma: heatOfRow(row)!.sigma }));
}
