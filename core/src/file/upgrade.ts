import type { Ingredient } from '../matter/ingredient';
import type { PodLot } from '../pantry/lot';
import { BATCH_VERSION, type BatchFile, type StationEntry, type Strand } from './batch';
import type { Intake } from './intake';
import type { Goal, StationLog } from './parts';
import { BATCH_VERSION_1, type BatchFile1, type Kind1, type Params1 } from './v1';

/** The strand that a list of version 1 becomes. */
export const MAIN_STRAND = 'main';
const BRINE = 'brine';

/** Ticks of version 1 had no station: which kind each belongs to, by the beginning of its key. */
const DUTY_OF: [RegExp, Kind1][] = [
  [/^prep$/, 'prep'],
  [/^pack$/, 'salt'],
  [/^(push|burp|read|look|ferment)-/, 'ferment'],
  [/^drain$/, 'drain'],
  [/^blend$/, 'blend'],
  [/^strain$/, 'strain'],
  [/^(sterilise|bottle)$/, 'bottle'],
];

type Station1 = BatchFile1['stations'][number];
type Pod1 = Params1<'prep'>['pods'][number];

/** Fire and water of version 1 as stations of today, for the nearest of what they did. */
const FIRED: Record<'char' | 'roast' | 'soak', { kind: string; verb: string; params: object }> = {
  char: { kind: 'char', verb: 'charred', params: { way: 'pan', degree: 'light', minutes: 8, tempC: 200, peel: false } },
  roast: { kind: 'char', verb: 'roasted', params: { way: 'oven', degree: 'well', minutes: 20, tempC: 200, peel: false } },
  soak: { kind: 'soak', verb: 'soaked', params: { waterPerG: 5, tempC: 70, minutes: 15, keepWater: false } },
};
const fireOf = (p: Pod1) => (p.fire && p.fire !== 'none' ? (p.fire as keyof typeof FIRED) : null);

const podIntake = (p: Pod1): Intake => ({
  id: p.lotId,
  origin: { from: 'pods', lotId: p.lotId, prep: p.prep as 'whole' },
  amount: { g: p.massG },
});

/** Pods that went over fire or into water: a strand of their own, that the knife's station takes whole. */
function firedStrand(p: Pod1, fire: keyof typeof FIRED, name: string, log: StationLog, taken: ReadonlySet<string>): Strand {
  const { kind, verb, params } = FIRED[fire];
  const id = free(`${kind}-${p.lotId}`, taken);
  const done = log.doneOn === undefined ? {} : { doneOn: log.doneOn };
  return { id, name: `${name}, ${verb}`.slice(0, 60), stations: [{ id, kind, intakes: [podIntake(p)], params, log: done }], goal: null };
}

/** The id, or the next one like it that nobody has; never longer than ids may be. */
function free(id: string, taken: ReadonlySet<string>): string {
  let found = id.slice(0, 60);
  for (let n = 2; taken.has(found); n++) found = `${id.slice(0, 56)}-${n}`;
  return found;
}

/**
 * A file of version 1 as one of version 2: its list is one strand, pods and what went into the jug are intakes of their
 * stations, kept brine is taken from the side of the drain, and pods that were fired first are strands that flow in.
 */
export function upgradeBatch(old: BatchFile1): BatchFile {
  const lots = old.lots as PodLot[];
  const taken = new Set(old.stations.map((s) => s.id));
  const tributaries: Strand[] = [];
  const stationOf = (kind: Kind1) => old.stations.find((s) => s.kind === kind)?.id;
  const entry = (s: Station1, intakes: Intake[], params: unknown): StationEntry => ({
    id: s.id,
    kind: s.kind,
    intakes,
    params,
    log: s.log,
  });
  const stations = old.stations.map((s): StationEntry => {
    if (s.kind === 'prep') {
      const intakes = (s.params as Params1<'prep'>).pods.map((p): Intake => {
        const fire = fireOf(p);
        if (!fire) return podIntake(p);
        const strand = firedStrand(p, fire, lots.find((l) => l.id === p.lotId)?.name ?? p.lotId, s.log, taken);
        taken.add(strand.id);
        tributaries.push(strand);
        return { id: p.lotId, origin: { from: 'strand', strandId: strand.id }, amount: 'rest' };
      });
      return entry(s, intakes, {});
    }
    if (s.kind !== 'blend') return entry(s, [], s.params);
    const { additions, ...params } = s.params as Params1<'blend'>;
    const drain = stationOf('drain');
    const intakes = additions.flatMap(({ id, massG, words }): Intake[] => {
      // Brine without a drain was never there.
      if (id === BRINE && drain === undefined) return [];
      const origin: Intake['origin'] = id === BRINE ? { from: 'side', stationId: drain!, side: BRINE } : { from: 'larder', key: id };
      return [{ id, origin, amount: { g: massG, ...(words === undefined ? {} : { words }) } }];
    });
    return entry(s, intakes, params);
  });
  const bottled = old.stations.at(-1)?.kind === 'bottle';
  return {
    format: old.format,
    version: BATCH_VERSION,
    name: old.name,
    style: old.style,
    startDate: old.startDate,
    ...(old.seed === undefined ? {} : { seed: old.seed }),
    strands: [{ id: MAIN_STRAND, name: 'Sauce', stations, goal: bottled ? (old.goal as Goal) : null }, ...tributaries],
    readings: old.readings,
    dutiesDone: old.dutiesDone.map((key) => {
      const kind = DUTY_OF.find(([begins]) => begins.test(key))?.[1];
      const station = kind && stationOf(kind);
      return station === undefined ? key : `${station}/${key}`;
    }),
    lots,
    ingredients: old.ingredients as Ingredient[],
    stored: [],
  };
}

/** A file of any version that was stored or kept by an older program, as one of today. */
export function anyVersion(file: BatchFile | BatchFile1): BatchFile {
  return file.version === BATCH_VERSION_1 ? upgradeBatch(file as BatchFile1) : (file as BatchFile);
}
