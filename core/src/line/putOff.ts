import type { BatchFile } from '../file';
import { addDays, type Day } from '../plan';

/** The batch with a duty ticked off, or open again. */
export const withDuty = (file: BatchFile, id: string, done: boolean): BatchFile => ({
  ...file,
  dutiesDone: done ? [...new Set([...file.dutiesDone, id])] : file.dutiesDone.filter((d) => d !== id),
});

/** What was put off until a day so long ago is kept no longer, days: duties of then are not there any more. */
const FORGOTTEN_D = 30;
/** The batch with a duty put off until a day. */
export const withLater = (file: BatchFile, id: string, until: Day): BatchFile => ({
  ...file,
  later: [...(file.later ?? []).filter((l) => l.id !== id && l.until >= addDays(until, -FORGOTTEN_D)), { id, until }],
});
