import type { BatchFile } from '../file';
import type { TopicId } from '../topic';
import { stationIn, stationsOf } from '../file';
import { INGREDIENTS } from '../matter/ingredient';
import type { PodLot } from '../pantry';
import { stationKind } from '../stations';
import { namesOf } from './names';
import { thingName } from './thingName';

/**
 * Where a number of a batch has its doubt from: one thing that could be known better. `id` is of a lot, a row of the larder,
 * a stored thing or a station, empty for what is the same everywhere.
 */
export interface Source {
  kind: 'lot' | 'pods' | 'row' | 'stored' | 'station' | 'reading' | 'acid' | 'body';
  id: string;
}
/** Where one goes to know it better, or to read why it cannot be known. */
export type SourceDoor = { lotId: string } | { larderKey: string } | { stationId: string } | { topic: TopicId } | null;

/** Unknowns of things and of the whole, by how their names begin; those of a station begin with its id. */
const THINGS: readonly (readonly [RegExp, Source['kind']])[] = [
  [/^lot\.heat\.(.+)$/, 'lot'],
  [/^lot\.pods\.(.+)$/, 'pods'],
  [/^stored\.heat\.(.+)$/, 'stored'],
  [/^reading\.(.+)$/, 'reading'],
  [/^acid\.(?:protein|pKa)()$/, 'acid'],
  [/^body()$/, 'body'],
  [/^(?:row\.heat|acid|protein|sugars|pulp|pH)\.(.+)$/, 'row'],
];

/** Whether a batch has such a thing: ids are free, and a station may be called "acid". */
function has(file: BatchFile, { kind, id }: Source): boolean {
  switch (kind) {
    case 'lot':
    case 'pods':
      return file.lots.some((l) => l.id === id);
    case 'row':
      return [...file.ingredients, ...INGREDIENTS].some((i) => i.key === id);
    case 'stored':
      return file.stored.some((s) => s.id === id);
    case 'station':
    case 'reading':
      return stationIn(file, id) !== undefined;
    case 'acid':
    case 'body':
      return true;
  }
}

/** The source that an unknown of a draw belongs to, by its name. Throws RangeError for one of a kind that is not known. */
export function sourceOf(file: BatchFile, name: string): Source {
  for (const [pattern, kind] of THINGS) {
    const found = pattern.exec(name);
    if (found && has(file, { kind, id: found[1]! })) return { kind, id: found[1]! };
  }
  const station = stationsOf(file).find(({ entry }) => name.startsWith(`${entry.id}.`))?.entry;
  if (!station) throw new RangeError(`Nothing is known of the unknown "${name}"`);
  // What the knife takes off differs from pod to pod.
  const knife = /^knife\.(.+)$/.exec(name.slice(station.id.length + 1));
  return knife ? { kind: 'pods', id: knife[1]! } : { kind: 'station', id: station.id };
}

/** A lot whose pods are like a row of the table, where the row itself does not go in. */
function lotLike(file: BatchFile, key: string): PodLot | undefined {
  const goesIn = stationsOf(file).some(({ entry }) => namesOf(entry).ingredients.has(key));
  return goesIn ? undefined : file.lots.find((l) => l.like === key);
}

/** What a source is, what would make it known better, and where; what nobody can know better has no door. */
export function sourceWords(file: BatchFile, { kind, id }: Source): { what: string; better: string; door: SourceDoor } {
  switch (kind) {
    case 'lot':
      return {
        what: `how hot ${lotName(file, id)} is`,
        better: 'Taste it against what you know, or weigh a dilution at the bench',
        door: { lotId: id },
      };
    case 'pods':
      return { what: `that no two pods of ${lotName(file, id)} are the same`, better: 'More and smaller pods even it out', door: null };
    case 'row': {
      const lot = lotLike(file, id);
      if (lot)
        return {
          what: `what pods like ${lot.name} are made of`,
          better: 'Read the pH of yours, and note it with the lot',
          door: { lotId: lot.id },
        };
      const name = thingName(file, { from: 'larder', key: id });
      return { what: `what the table says of ${name}`, better: 'Read the pH of yours, and what its label says', door: { larderKey: id } };
    }
    case 'stored':
      return {
        what: `what is known of ${thingName(file, { from: 'stored', id })}`,
        better: 'It is known as well as the batch that it came from',
        door: null,
      };
    case 'station': {
      const { kind: named, log } = stationIn(file, id)!;
      const { doubt, name } = stationKind(named);
      return {
        what: doubt ?? `what happens at ${name.toLowerCase()}`,
        better:
          log.doneOn === undefined
            ? 'Measure there, before the next step'
            : 'It is done: note there what was weighed or read and is not written down',
        door: { stationId: id },
      };
    }
    case 'reading':
      return {
        what: `what the reading at ${stationKind(stationIn(file, id)!.kind).name.toLowerCase()} may be off by`,
        better: 'Read it again with a meter that was calibrated today',
        door: { stationId: id },
      };
    case 'acid':
      return { what: 'what any sum of acids may be off by', better: 'A measured pH takes its place', door: { topic: 'worked-out-acid' } };
    case 'body':
      return {
        what: 'how far a sauce pours otherwise than its pulp says',
        better: 'Look how it pours, and note it',
        door: { topic: 'thickness' },
      };
  }
}
const lotName = (file: BatchFile, lotId: string) => thingName(file, { from: 'pods', lotId, prep: 'whole' });
