import type { BatchFile } from '../file';
import type { Draw } from '../stat/draw';
import { seedOf } from '../stat/draw';
import { runOrNull } from './ensemble';
import { runLine, type StationRun } from './run';

/** The seed of a batch's random worlds: stored in the file; older files are told apart by name and start. */
export function seedOfFile(file: BatchFile): number {
  return file.seed ?? seedOf(file.name + file.startDate);
}

/** One world of a batch, or null where the line cannot run in it (a jar that is too small for pods heavier than usual). */
export const tryLine = (file: BatchFile, draw: Draw): StationRun[] | null => runOrNull(() => runLine(file, draw));
