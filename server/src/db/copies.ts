import { existsSync, readdirSync } from 'node:fs';
import { join } from 'node:path';

const NAME = /^roskel-(\d{4}-\d{2}-\d{2})\.zip$/;

const BEFORE = /^before-(\d{4}-\d{2}-\d{2}T\d{2}-\d{2}-\d{2})\.zip$/;

/** Where the daily copies of a folder are. */
export const copiesOf = (folder: string): string => `${folder}-backups`;
/** Names of the daily copies, the newest first; those that a clock which was ahead dated after `today` come last. */
export function dailyCopies(place: string, today: string): string[] {
  const day = (name: string) => NAME.exec(name)![1]!;
  const names = existsSync(place) ? readdirSync(place).filter((name) => NAME.test(name)) : [];
  const ahead = (name: string) => Number(day(name) > today);
  return names.sort((a, b) => ahead(a) - ahead(b) || (day(a) < day(b) ? 1 : -1));
}

/** The name of a copy of what was there before another one was read back; the time is UTC. */
export const nameBefore = (at: Date): string => `before-${at.toISOString().slice(0, 19).replaceAll(':', '-')}.zip`;
/** Copies of what was there before another one was read back, the newest first. Nothing throws them away. */
export const copiesBefore = (place: string): string[] =>
  (existsSync(place) ? readdirSync(place) : [])
    .filter((name) => BEFORE.test(name))
    .sort()
    .reverse();

/** How to go on from a copy, in commands; from the newest one unless another is said. */
export function howToGoBack(folder: string, today: string, copy = dailyCopies(copiesOf(folder), today)[0]): string {
  if (copy === undefined)
    return `No copy lies in ${copiesOf(folder)}. If you keep one elsewhere: mv ${folder} ${folder}-damaged, then npm run restore -- FILE --data ${folder}.`;
  return `To go on from the copy of ${NAME.exec(copy)![1]}: mv ${folder} ${folder}-damaged, then npm run restore -- ${join(copiesOf(folder), copy)} --data ${folder}.`;
}
