import type { Db } from './store';

interface Built<T> {
  prepare(name: string): { execute(values?: Record<string, unknown>): Promise<T> };
}

/**
 * A question that is asked often: put into words once for a store, and known to a server by its name (letters and
 * underscores, another for every question), which reads and plans it once for a connection.
 */
export function asked<T>(name: string, words: (db: Db) => Built<T>): (db: Db, values?: Record<string, unknown>) => Promise<T> {
  const known = new WeakMap<Db, ReturnType<Built<T>['prepare']>>();
  return (db, values) => {
    let question = known.get(db);
    if (!question) known.set(db, (question = words(db).prepare(name)));
    return question.execute(values);
  };
}
