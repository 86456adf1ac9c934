import { readFileSync } from 'node:fs';
import { fileURLToPath } from 'node:url';
import {
  carry,
  endOf,
  ingredient,
  ingredientStream,
  lotOfVariety,
  mainEnd,
  mapStations,
  mix,
  newBatch,
  runOf,
  stationKind,
  stationsOf,
  TYPICAL,
  variety,
  withIntakes,
  withParams,
  withPodUses,
  type BatchFile,
  type Intake,
  type JarFacts,
  type KindName,
  type PodLot,
  type Preparation,
  type StationEntry,
  type StationLog,
  type StationRun,
  type Stream,
} from '../src';

/**
 * How often something random is tried: one in five as a rule (or another share), so that `npm test` ends in good time,
 * and all with ROSKEL_THOROUGH=1 (as before a release).
 */
export const rounds = (all: number, share = 0.2): number => (process.env.ROSKEL_THOROUGH ? all : Math.ceil(all * share));

/** A jar of 3 % salt at 21 °C in which enough acid was made, for judging its readings. */
export const JAR: JarFacts = {
  ...{ saltPct: 3, wholeJarPct: 3, tempC: 21, startPh: 5.1, targetPh: 3.8 },
  lacticPct: () => 1,
  endedDay: null,
};

/** A mix by kilograms of table ingredients, at their typical values. */
export function kitchenMix(kg: Record<string, number>): Stream {
  return mix(...Object.entries(kg).map(([key, m]) => ingredientStream(ingredient(key), m * 1000, TYPICAL)));
}

/** The stations of a batch in the order in which they are written. */
export const line = (file: BatchFile): StationEntry[] => stationsOf(file).map((s) => s.entry);

/** The batch with just these pods at a station; their lots must be carried. */
export const withPods = (file: BatchFile, pods: readonly { lotId: string; massG: number; prep: string }[], stationId = 'prep'): BatchFile =>
  withPodUses(
    file,
    pods.map((p) => ({ ...p, prep: p.prep as Preparation, stationId })),
  );

/** An intake of the larder, or of the brine that the drain of a plain line leaves. */
export const put = (id: string, massG: number, words?: string): Intake => ({
  id,
  origin: id === 'brine' ? { from: 'side', stationId: 'drain', side: 'brine' } : { from: 'larder', key: id },
  amount: { g: massG, ...(words === undefined ? {} : { words }) },
});

/** The batch with just these things in the jug of a plain line. */
export const withJug = (file: BatchFile, items: readonly { id: string; massG: number; words?: string }[]): BatchFile =>
  withIntakes(
    file,
    'blend',
    items.map((x) => put(x.id, x.massG, x.words)),
  );

/**
 * A plain line set up at one station: its parameters, with its pods (`pods`) or what goes in from the larder and the drain
 * (`additions`) beside them.
 */
export function setup(file: BatchFile, id: string, said: object): BatchFile {
  const { pods, additions, ...params } = said as { pods?: Parameters<typeof withPods>[1]; additions?: Parameters<typeof withJug>[1] };
  let next = withParams(file, id, params);
  if (pods) next = withPods(next, pods, id);
  if (additions)
    next = withIntakes(
      next,
      id,
      additions.map((x) => put(x.id, x.massG, x.words)),
    );
  return next;
}

/** The batch without some of its stations, as an odd file may have it. */
export const withoutKinds = (file: BatchFile, kinds: readonly string[]): BatchFile => ({
  ...file,
  strands: file.strands.map((s) => ({ ...s, stations: s.stations.filter((e) => !kinds.includes(e.kind)) })),
});

/** What enters the bottles of the main end. */
export const sauceOf = (file: BatchFile, runs: readonly StationRun[]): Stream => runOf(runs, endOf(mainEnd(file)).id).bowl.stream;

/** A brine ferment of cayenne and sweet red pods with whole amounts. */
export function smallBatch(): BatchFile {
  const lots = [lotOfVariety(variety('cayenne-red'), { id: 'hot' }), lotOfVariety(variety('pointed-red'), { id: 'mild' })];
  const file = newBatch('Test', '2026-10-01', { lowShu: 1000, highShu: 4000, bottles: 8, bottleMl: 100 });
  const pods = [
    { lotId: 'hot', massG: 400, prep: 'whole' },
    { lotId: 'mild', massG: 300, prep: 'whole' },
  ];
  return carry(withPods(file, pods), lots, []);
}

export const example = (name: string): BatchFile =>
  JSON.parse(readFileSync(fileURLToPath(new URL(`../../examples/${name}.json`, import.meta.url)), 'utf8')) as BatchFile;
export const exampleFile = (): BatchFile => example('slipway-red');

export function log(file: BatchFile, id: string, entry: StationLog): BatchFile {
  return mapStations(file, (s) => (s.id === id ? { ...s, log: { ...s.log, ...entry } } : s));
}

/** A strand with one station in front of a plain bottle. */
export function alone(kind: KindName, params: object, intakes: Intake[], lots: PodLot[] = [], log: StationLog = {}): BatchFile {
  const base = newBatch('Alone', '2026-10-01');
  const first: StationEntry = { id: kind, kind, intakes, params: { ...(stationKind(kind).defaults() as object), ...params }, log };
  const stations = [first, { id: 'bottle', kind: 'bottle', intakes: [], params: stationKind('bottle').defaults(), log: {} }];
  return carry({ ...base, strands: [{ ...mainEnd(base), stations }] }, lots, []);
}
/** Whole pods of a lot. */
export const pods = (lotId: string, g: number): Intake => ({ id: lotId, origin: { from: 'pods', lotId, prep: 'whole' }, amount: { g } });
