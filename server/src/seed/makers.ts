import { addDays, stationsOf, type Json } from '@roskel/core';
import { fieldWords, type LogEntry } from '@roskel/contract';
import type { Db } from '../db/open';
import { log } from '../db/schema';
import { everyBatch } from '../store/batchReads';
import { addOwn } from '../store/own';

const MAKERS = [
  { id: 'maker-ebba', name: 'Ebba' },
  { id: 'maker-ivo', name: 'Ivo' },
] as const;

/** Two who cook in the demo's kitchen, and what each of them logged of its batches. */
export async function seedMakers(db: Db, today: string): Promise<void> {
  for (const maker of MAKERS) await addOwn(db, 'makers', maker);
  const lines: (LogEntry & { at: string })[] = [];
  for (const { id, file } of await everyBatch(db)) {
    const line = (at: string, did: LogEntry['did'], path?: readonly string[], after?: Json) =>
      lines.push({
        ...{ at, topic: 'batches', itemId: id, name: file.name, did },
        ...(path ? { path: path.join('/'), detail: { what: fieldWords(file, path), after } } : {}),
      });
    const begun = file.startDate < today ? file.startDate : today;
    line(`${addDays(begun, -1)}T17:20:00.000Z`, 'added');
    for (const r of file.readings) line(r.at, 'set', ['readings', `#${r.id}`], r);
    for (const { entry, strand } of stationsOf(file)) {
      const { doneOn } = entry.log;
      if (doneOn && doneOn < today)
        line(`${doneOn}T18:45:00.000Z`, 'set', ['strands', `#${strand.id}`, 'stations', `#${entry.id}`, 'log', 'doneOn'], doneOn);
    }
  }
  const sorted = lines.sort((a, b) => a.at.localeCompare(b.at));
  await db.insert(log).values(sorted.map((l, i) => ({ path: '', detail: {}, ...l, maker: MAKERS[i % 3 === 2 ? 1 : 0]!.id })));
}
