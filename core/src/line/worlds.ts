import type { BatchFile } from '../file';
import type { Draw } from '../stat/draw';
import { seedOf } from '../stat/draw';
import { StationProblem } from '../stations';
import { LineProblem, runLine, type StationRun } from './run';

/** The seed of a batch's random worlds: stored in the file; older files are told apart by name and start. */
export function seedOfFile(file: BatchFile): number {
  return file.seed ?? seedOf(file.name + file.startDate);
}

/** One world of a batch, or null where the line cannot run in it (a jar that is too small for pods heavier than usual). */
export function tryLine(file: BatchFile, draw: Draw): StationRun[] | null {
  try {
    return runLine(file, draw);
  } catch (error) {
    if (error instanceof LineProblem || error instanceof StationProblem || error instanceof RangeError) return null;
    throw error;
  }
}
