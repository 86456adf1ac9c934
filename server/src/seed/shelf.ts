import {
  addDays,
  dutyKey,
  mapStations,
  reportLine,
  stationKind,
  stationsOf,
  type BatchFile,
  type Goal,
  type PodLot,
  type Preparation,
  type StationLog,
} from '@roskel/core';
import type { Db } from '../db/open';
import { addBatch } from '../store/batches';
import { listShelf, moveShelf } from '../store/shelf';
import { styled } from './styles';

/** A sauce that was bottled before, and what became of its bottles. */
interface Bottled {
  id: string;
  name: string;
  style: string;
  /** Days ago that it began and that it was bottled. */
  began: number;
  ended: number;
  goal: Goal;
  pods: readonly [lotId: string, prep: Preparation, g: number][];
  /** Parameters by kind of station. */
  params?: Readonly<Record<string, object>>;
  /** What was noted at stations, by their kind. */
  logs: Readonly<Record<string, StationLog>>;
  /** What was read in the jar: day, pH. */
  readings?: readonly [day: number, pH: number][];
  moves: readonly [reason: 'opened' | 'given', count: number, who?: string][];
}

const BOTTLED: readonly Bottled[] = [
  {
    ...{ id: 'skerry-raw', name: 'Skerry Raw', style: 'raw-herbs', began: 4, ended: 4 },
    goal: { lowShu: 150, highShu: 2200, bottles: 3, bottleMl: 100 },
    pods: [['lot-green', 'whole', 220]],
    logs: { bottle: { pH: 3.86, instrument: 'meter' } },
    moves: [['opened', 1]],
  },
  {
    ...{ id: 'breaker-live', name: 'Breaker Live', style: 'brine-ferment', began: 40, ended: 18 },
    goal: { lowShu: 300, highShu: 2500, bottles: 4, bottleMl: 100 },
    pods: [
      ['lot-fatalii', 'whole', 12],
      ['lot-pointed', 'whole', 320],
    ],
    params: { ferment: { days: 20, tempC: 20, lid: 'airlock' }, salt: { jarMl: 1000 } },
    logs: { ferment: { pH: 3.62, instrument: 'meter' }, bottle: { pH: 3.52, instrument: 'meter' } },
    readings: [
      [4, 4.61],
      [9, 3.94],
      [20, 3.62],
    ],
    moves: [['given', 1, 'a neighbour']],
  },
  {
    ...{ id: 'headland-garden', name: 'Headland Garden', style: 'long-reduced', began: 38, ended: 38 },
    goal: { lowShu: 100, highShu: 900, bottles: 5, bottleMl: 150 },
    pods: [
      ['lot-pointed', 'whole', 280],
      ['lot-smoked', 'whole', 14],
    ],
    logs: { bottle: { pH: 3.31, instrument: 'meter', fillC: 89 } },
    moves: [
      ['opened', 2],
      ['given', 1, 'the harbour fair'],
    ],
  },
  {
    ...{ id: 'slipway-red-1', name: 'Slipway Red no. 1', style: 'steeped', began: 42, ended: 41 },
    goal: { lowShu: 300, highShu: 3000, bottles: 3, bottleMl: 100 },
    pods: [
      ['lot-pointed', 'whole', 220],
      ['lot-fatalii', 'whole', 12],
    ],
    logs: { bottle: { pH: 3.2, instrument: 'meter', fillC: 88 } },
    moves: [
      ['opened', 2],
      ['given', 1, 'the harbour fair'],
    ],
  },
];

/** All of it done: every station by the days its plan takes, the last on the day it was bottled. */
function done(file: BatchFile, b: Bottled, today: string): BatchFile {
  const end = addDays(today, -b.ended);
  const set = mapStations(file, (s) => ({ ...s, params: { ...(s.params as object), ...b.params?.[s.kind] } }));
  const planned = reportLine(set, { today, forecast: false }).stations;
  return {
    ...mapStations(set, (s) => {
      const to = planned.find((p) => p.id === s.id)!.to;
      return { ...s, log: { ...b.logs[s.kind], doneOn: stationKind(s.kind).bottled || to > end ? end : to } };
    }),
    // They were tasted long ago.
    dutiesDone: stationsOf(set).flatMap(({ entry }) => (stationKind(entry.kind).bottled ? [dutyKey(entry.id, 'taste-rested')] : [])),
    readings: (b.readings ?? []).map(([day, pH], i) => ({
      ...{ id: `r${i + 1}`, stationId: 'ferment', instrument: 'meter' as const, pH, tempC: 20 },
      at: `${addDays(file.startDate, day)}T18:30:00.000Z`,
    })),
  };
}

/** What stands on the shelf of the coast kitchen from before, and what was opened and given of it. */
export async function seedShelf(db: Db, lots: readonly PodLot[], today: string): Promise<void> {
  for (const b of BOTTLED) {
    const plan = styled({ ...b, start: addDays(today, -b.began) }, lots);
    await addBatch(db, done(plan, b, today), today, b.id);
    const bottles = (await listShelf(db)).find((s) => s.batchId === b.id)!;

    for (const [reason, count, who] of b.moves) await moveShelf(db, bottles.id, -count, reason, who);
  }
}
