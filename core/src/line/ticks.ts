import { stationIn, type BatchFile } from '../file';
import { withDuty } from './putOff';
import { dutyKey } from './typical';

/**
 * A tick that something is in at a station: an intake by its id, what came along the strand, or what the station puts in
 * itself. It stands among the duties that are done, so that every device sees it.
 */
const IN = 'in-';
export const ALONG = '+along';
/** What a station puts in itself, among its intakes: no intake's id begins so. */
export const ownThing = (id: string): string => `+${id}`;

const inKey = (stationId: string, thing: string) => dutyKey(stationId, IN + thing);
export const isIn = (file: BatchFile, stationId: string, thing: string): boolean => file.dutiesDone.includes(inKey(stationId, thing));
export const withIn = (file: BatchFile, stationId: string, thing: string, on: boolean): BatchFile =>
  withDuty(file, inKey(stationId, thing), on);

/** The file without ticks of what is gone: of stations, and of things that go in there no more. */
export function withoutOldTicks(file: BatchFile): BatchFile {
  const gone = new Set(
    file.dutiesDone.filter((key) => {
      const [id, what = ''] = key.split('/') as [string, string?];
      const entry = stationIn(file, id);
      if (!entry) return true;
      if (!what.startsWith(IN)) return false;
      const thing = what.slice(IN.length);
      return !thing.startsWith('+') && !entry.intakes.some((i) => i.id === thing);
    }),
  );
  return gone.size === 0 ? file : { ...file, dutiesDone: file.dutiesDone.filter((key) => !gone.has(key)) };
}
