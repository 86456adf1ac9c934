import { stationKind, thingName, type BatchFile, type Origin } from '@roskel/core';
import { schemaAt } from './say';

const PLAIN: Record<string, string> = {
  name: 'the name',
  startDate: 'the start',
  lowShu: 'the low end of the heat',
  highShu: 'the high end of the heat',
  bottles: 'the number of bottles',
  bottleMl: 'the bottle size',
  doneOn: 'the day it was done',
  massG: 'the weight',
  pH: 'the pH',
  readings: 'a reading',
  dutiesDone: 'a tick',
  intakes: 'what goes in',
  amount: 'the amount',
};

/** What a path of a batch file is called at the kitchen table; `value` stood or stands there. */
export function fieldWords(file: BatchFile, path: readonly string[], value?: unknown): string {
  if (path[0] !== 'strands') return PLAIN[path[0] ?? ''] ?? 'the batch';
  if (path.length < 3) return path.length < 2 || path[1] === '@order' ? 'the order of the line' : 'a strand of the line';
  const strand = file.strands.find((s) => `#${s.id}` === path[1]);
  const of = strand && file.strands.length > 1 ? `${strand.name}, ` : '';
  if (path[2] === 'goal') return of + (PLAIN[path[3] ?? ''] ?? 'the goal');
  if (path[2] === 'name') return `${of}its name`;
  const station = strand?.stations.find((s) => `#${s.id}` === path[3]);
  if (!station) return 'a step of the line';
  const kind = stationKind(station.kind);
  if (path[4] === 'intakes') {
    const origin = (station.intakes.find((i) => `#${i.id}` === path[5]) ?? (value as { origin?: Origin } | undefined))?.origin;
    return `${kind.name}, ${origin ? thingName(file, origin).split(',')[0]!.toLowerCase() : 'what goes in'}`;
  }
  const title = path[4] === 'params' && path[5] ? schemaAt(kind.schema, path[5].replace(/^@/, ''))?.title : undefined;
  const last = [...path]
    .reverse()
    .map((p) => p.replace(/^@/, ''))
    .find((p) => PLAIN[p]);
  const what = title ? title.replace(/^The /, 'the ').replace(/^[A-Z](?=[a-z])/, (c) => c.toLowerCase()) : last ? PLAIN[last] : null;
  return what ? `${kind.name}, ${what}` : kind.name;
}
