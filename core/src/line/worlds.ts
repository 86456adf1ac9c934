import type { BatchFile } from '../file';
import type { Draw } from '../stat/draw';
import { runOrNull } from './ensemble';
import { runLine, type StationRun } from './run';

/** One world of a batch, or null where the line cannot run in it (a jar that is too small for pods heavier than usual). */
export const tryLine = (file: BatchFile, draw: Draw): StationRun[] | null => runOrNull(() => runLine(file, draw));
