import type { BatchFile } from '../file';
import { seedOf } from '../stat/draw';

/** The seed of a batch's random worlds: stored in the file; older files are told apart by name and start. */
export function seedOfFile(file: BatchFile): number {
  return file.seed ?? seedOf(file.name + file.startDate);
}
