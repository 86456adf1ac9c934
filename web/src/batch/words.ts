import { SCHOOL_NAMES, STATION_KINDS, thingName, type Origin, type School } from '@roskel/core';
import { day, degrees, grams, shu } from '../format';

/** A value of a batch file as it is read out. */
export function sayValue(value: unknown): string {
  if (value === undefined || value === null) return 'nothing';
  if (typeof value === 'boolean') return value ? 'yes' : 'no';
  if (typeof value === 'number') return value >= 1000 ? shu(value) : String(Number(value.toFixed(2)));
  if (typeof value === 'string') return /^\d{4}-\d{2}-\d{2}$/.test(value) ? day(value) : value;
  if (Array.isArray(value)) return value.length === 0 ? 'nothing' : `${value.length} of them`;
  const { name, g, massG, min, words, pH, instrument, pct, school, amount, origin, kind, tempC, note } = value as Record<string, unknown>;
  if (amount !== undefined && origin !== undefined)
    return `${thingName(null, origin as Origin)
      .split(',')[0]!
      .toLowerCase()}, ${sayValue(amount)}`;
  // What it is, never the id that it goes by.
  const station = STATION_KINDS.find((k) => k.kind === kind)?.name;
  const who = [name, words, station].find((x) => typeof x === 'string');
  const parts = [
    who,
    typeof g === 'number' ? grams(g) : typeof massG === 'number' ? grams(massG) : '',
    typeof min === 'number' ? `after ${min} min` : '',
    typeof pH === 'number' ? `pH ${pH}` : '',
    typeof pH === 'number' ? instrument : '',
    typeof tempC === 'number' ? degrees(tempC, 1) : '',
    typeof pct === 'number' ? `${Number(pct.toFixed(2))} %` : '',
    note,
    typeof school === 'string' ? SCHOOL_NAMES[school as School] : '',
  ];
  return parts.filter(Boolean).join(', ') || 'changed';
}
