import { onScopeDispose, shallowRef, watch, type ShallowRef } from 'vue';
import type { BatchRecord } from '@roskel/contract';
import { countedIn, type LineReport } from '@roskel/core';
import { today } from '../format';
import { useSettings } from '../stores/settings';
import { reportOf } from './client';

/** What the line makes of a batch, or the sentence why it makes nothing. */
export interface ShortReport {
  report: LineReport | null;
  trouble: string;
}

/** Enough members for a band in a list. */
const MEMBERS = 60;
const MOST_KEPT = 400;
/** Every batch is worked out once per revision, whoever looks at it and however often. */
const known = new Map<string, ShortReport>();

interface Job {
  key: string;
  file: BatchRecord['file'];
  done(r: ShortReport): void;
}
const queue: Job[] = [];
let working = false;

async function work(): Promise<void> {
  if (working) return;
  working = true;
  // What came last is what is looked at.
  for (let job = queue.pop(); job; job = queue.pop()) {
    const had = known.get(job.key);
    if (had) {
      job.done(had);
      continue;
    }
    const answer = await reportOf(job.file, { today: today(), members: MEMBERS, forecast: false });
    const short = { report: answer.ok ? answer.report : null, trouble: answer.ok ? '' : answer.message };
    if (known.size >= MOST_KEPT) known.delete(known.keys().next().value!);
    known.set(job.key, short);
    job.done(short);
  }
  working = false;
}

/** The report of a batch in a list: asked for while the row is on screen, dropped when it leaves before its turn. */
export function useShortReport(batch: () => BatchRecord): Readonly<ShallowRef<ShortReport | null>> {
  const settings = useSettings();
  const found = shallowRef<ShortReport | null>(null);
  let job: Job | null = null;
  const drop = () => {
    const at = job ? queue.indexOf(job) : -1;
    if (at >= 0) queue.splice(at, 1);
    job = null;
  };
  watch(
    () => [batch(), settings.value.school] as const,
    ([b, school]) => {
      drop();
      const key = `${b.id} ${b.revision} ${school} ${today()}`;
      const had = known.get(key);
      if (had) return void (found.value = had);
      const mine: Job = { key, file: countedIn(b.file, school), done: (r) => job === mine && (found.value = r) };
      job = mine;
      queue.push(mine);
      void work();
    },
    { immediate: true },
  );
  onScopeDispose(drop);
  return found;
}
