import { changesBetween, forceChange, mergeChanges, same, type Change } from '@roskel/core';
import { api, ApiProblem } from '../api/client';
import { useClash } from './clash';
import type { RecordKind } from './recordWords';
import { useNotices } from './notices';

/** What a form began from: the revision, and the fields as they stood. */
export interface Begun<T> {
  revision: number;
  value: T;
}

interface Put<T, R> {
  path: string;
  begun: Begun<T>;
  mine: T;
  body(value: T): object;
  /** The fields of a record. */
  valueOf(record: R): T;
  kind: RecordKind;
}

/**
 * Writes a record as it stands in a form. Where another window wrote it meanwhile, different fields come together, and the
 * same field is asked about. Gives what this write changed, for undo.
 */
export async function putRecord<T, R extends { revision: number }>({
  path,
  begun,
  mine,
  body,
  valueOf,
  kind,
}: Put<T, R>): Promise<Change[]> {
  let [{ revision, value: base }, value] = [begun, mine];
  for (;;) {
    try {
      await api.put(path, { revision, ...body(value) });
      if (!same(value, mine)) useNotices().say('Brought together with what another window changed.');
      return changesBetween(base, value);
    } catch (error) {
      if (!(error instanceof ApiProblem) || error.problem.status !== 409 || !error.problem.current) throw error;
      const now = error.problem.current as R;
      const merged = mergeChanges(base, value, valueOf(now));
      const kept = merged.clashes.length > 0 ? await useClash().ask(merged.clashes, kind) : [];
      value = kept.reduce((v, c) => forceChange(v, c), merged.value);
      base = valueOf(now);
      revision = now.revision;
    }
  }
}
