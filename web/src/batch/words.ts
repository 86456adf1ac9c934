import { schemaAt } from '@roskel/contract';
import { SCHOOL_NAMES, stationKind, type BatchFile, type School } from '@roskel/core';
import { day, grams, shu } from '../format';

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
  pods: 'the pods',
  additions: 'what goes in',
  prep: 'the cutting',
  fire: 'the cooking',
};

/** What a path of a batch file is called at the kitchen table. */
export function wordsOf(file: BatchFile, path: readonly string[]): string {
  if (path[0] === 'goal') return PLAIN[path[1] ?? ''] ?? 'the goal';
  if (path[0] !== 'stations') return PLAIN[path[0] ?? ''] ?? 'the batch';
  const station = file.stations.find((s) => `#${s.id}` === path[1]);
  if (!station) return 'a step';
  const kind = stationKind(station.kind);
  const title = path[2] === 'params' && path[3] ? schemaAt(kind.schema, path[3].replace(/^@/, ''))?.title : undefined;
  const last = [...path]
    .reverse()
    .map((p) => p.replace(/^@/, ''))
    .find((p) => PLAIN[p]);
  const what = title ? title.replace(/^The /, 'the ').replace(/^[A-Z](?=[a-z])/, (c) => c.toLowerCase()) : last ? PLAIN[last] : null;
  return what ? `${kind.name}, ${what}` : kind.name;
}

/** A value of a batch file as it is read out. */
export function sayValue(value: unknown): string {
  if (value === undefined || value === null) return 'nothing';
  if (typeof value === 'boolean') return value ? 'yes' : 'no';
  if (typeof value === 'number') return value >= 1000 ? shu(value) : String(Number(value.toFixed(2)));
  if (typeof value === 'string') return /^\d{4}-\d{2}-\d{2}$/.test(value) ? day(value) : value;
  if (Array.isArray(value)) return value.length === 0 ? 'nothing' : `${value.length} of them`;
  const { name, lotId, id, massG, words, pH, instrument, pct, school } = value as Record<string, unknown>;
  const who = [name, lotId, words, id].find((x) => typeof x === 'string');
  const parts = [
    who,
    typeof massG === 'number' ? grams(massG) : '',
    typeof pH === 'number' ? `pH ${pH}` : '',
    instrument,
    typeof pct === 'number' ? `${Number(pct.toFixed(2))} %` : '',
    typeof school === 'string' ? SCHOOL_NAMES[school as School] : '',
  ];
  return parts.filter(Boolean).join(', ') || 'changed';
}
