import { gramsOf, stationsOf, type BatchFile, type Intake, type Origin } from '../file';
import { isTapWater } from '../matter/kind';
import { massOf } from '../matter/stream';
import type { Day } from '../plan';
import { TYPICAL } from '../stat/draw';
import type { Need } from '../stations';
import { LineProblem } from './problem';
import { runLine, type StationRun } from './run';
import { endedStations, schedule } from './schedule';
import { thingName } from './thingName';

/** Less than this is nothing that anybody buys, g. */
export const WORTH_BUYING_G = 0.5;

/** The store that something comes out of, and what it is called there; null where it is made here, or of the tap. */
export function storeOf(origin: Origin): Pick<Need, 'store' | 'id'> | null {
  if (origin.from === 'pods') return { store: 'pods', id: origin.lotId };
  if (origin.from === 'larder') return isTapWater(origin.key) ? null : { store: 'larder', id: origin.key };
  return origin.from === 'stored' ? { store: 'stored', id: origin.id } : null;
}
function needOf({ origin, amount }: Intake): Need | null {
  const massG = gramsOf(amount) ?? 0;
  const store = storeOf(origin);
  return store && massG > 0 ? { ...store, massG } : null;
}

/** What a station puts in itself and takes out of the larder: the salt of a jar, starch. */
const puts = (run: StationRun | undefined): Need[] =>
  (run?.made ?? []).flatMap(({ key, stream }) => {
    const massG = Math.round(massOf(stream) * 100) / 100;
    return key === undefined || isTapWater(key) || !(massG > 0) ? [] : [{ store: 'larder' as const, id: key, massG }];
  });

/** Something that a station takes out of the stores. */
export type StationNeed = Need & { stationId: string };

/** Everything that a batch takes out of the stores, station by station; of one whose line cannot run only what goes in by hand. */
function allNeeds(file: BatchFile): StationNeed[] {
  let runs: readonly StationRun[] = [];
  try {
    runs = runLine(file, TYPICAL);
  } catch (error) {
    if (!(error instanceof LineProblem)) throw error;
  }
  return stationsOf(file).flatMap(({ entry }) =>
    [...entry.intakes.flatMap((i) => needOf(i) ?? []), ...puts(runs.find((r) => r.id === entry.id))].map((n) => ({
      ...n,
      stationId: entry.id,
    })),
  );
}

const doneIn = (file: BatchFile): ReadonlySet<string> =>
  new Set(stationsOf(file).flatMap(({ entry }) => (entry.log.doneOn === undefined ? [] : [entry.id])));

/** What a batch took out of the stores: the needs of its stations that are done. */
export function usesOf(file: BatchFile): StationNeed[] {
  const done = doneIn(file);
  return allNeeds(file).filter((n) => done.has(n.stationId));
}

/** Something that a batch is still to take out of a store: what it is called, and the day on which it goes in. */
export interface OpenNeed extends Need {
  name: string;
  by: Day;
}
const nameOf = (file: BatchFile, { store, id }: Need): string =>
  thingName(
    file,
    store === 'larder'
      ? { from: 'larder', key: id }
      : store === 'stored'
        ? { from: 'stored', id }
        : { from: 'pods', lotId: id, prep: 'whole' },
  );

/**
 * What a batch on its way is still to take out of the stores: the needs of its stations that are not done, salt and starch
 * that a station puts in itself included. The one list that plan, batch, stores and Today go by.
 */
export function openNeeds(file: BatchFile): OpenNeed[] {
  const gone = new Set([...doneIn(file), ...endedStations(file)]);
  return allNeeds(file).flatMap(({ stationId, ...need }) =>
    gone.has(stationId) ? [] : [{ ...need, name: nameOf(file, need), by: schedule(file).get(stationId)!.from }],
  );
}
