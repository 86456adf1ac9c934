import {
  addDays,
  carry,
  ingredient,
  lotOfVariety,
  newBatch,
  reportTypical,
  variety,
  type BatchFile,
  type Ingredient,
  type Intake,
  type KindName,
  type TypicalReport,
  type ParamsOf,
  type Reading,
  type StationEntry,
  type StationLog,
  type StoredStuff,
} from '@roskel/core';
import { at } from '../src/styles/build';

export const START = '2026-03-01';
export const on = (day: number) => addDays(START, day);
export const meter = (pH: number): StationLog => ({ pH, instrument: 'meter', phSure: true });
export const HOT = { fill: 'hot', headspacePct: 5, altitudeM: 0 } as const;

/** A step: its kind, the day it was done on (null: not yet), its settings, what goes in, and what was logged. */
export type Step = [kind: KindName, day: number | null, params?: object, intakes?: Intake[], log?: StationLog];
interface More {
  readings?: Reading[];
  stored?: StoredStuff[];
  rows?: Ingredient[];
}

/** A line of these steps, in one strand. */
export function lineOf(steps: readonly Step[], { readings = [], stored = [], rows = [] }: More = {}): BatchFile {
  const base = newBatch('Case', START, { lowShu: 100, highShu: 9000, bottles: 4, bottleMl: 100 });
  const ids = steps.map(([kind], i) => (steps.findIndex(([k]) => k === kind) === i ? kind : `${kind}-${i}`));
  const stations = steps.map(([kind, day, params = {}, intakes = [], log = {}], i): StationEntry => ({
    ...at(kind, params as Partial<ParamsOf<typeof kind>>, intakes, ids[i]),
    log: day === null ? log : { doneOn: on(day), ...log },
  }));
  const file = { ...base, strands: [{ ...base.strands[0]!, stations }], readings };
  const known = intakesRows(steps).flatMap((key) => rows.filter((r) => r.key === key));
  return carry(file, [lotOfVariety(variety('cayenne-red'), { id: 'hot' })], known, stored);
}
const intakesRows = (steps: readonly Step[]) =>
  steps.flatMap(([, , , intakes = []]) => intakes.flatMap(({ origin }) => (origin.from === 'larder' ? [origin.key] : [])));

export const read = (...list: [day: number, pH: number, instrument?: 'meter' | 'strip'][]): Reading[] =>
  list.map(([day, pH, instrument = 'meter'], i) => ({
    ...{ id: `r${i}`, stationId: 'ferment', at: `${on(day)}T12:00:00.000Z`, pH, instrument },
  }));
export const said = (file: BatchFile, day: number): TypicalReport => reportTypical(file, on(day));
export const keep = (file: BatchFile, day: number) => said(file, day).ends[0]!.keeping!;
export const own = (key: string, name: string, like: string, allergens: string[]): Ingredient => ({
  ...ingredient(like),
  key,
  name,
  like,
  allergens,
});
