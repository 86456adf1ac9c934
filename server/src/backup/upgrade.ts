import { BATCH_FORMAT, BATCH_VERSION_1, MAIN_STRAND } from '@roskel/core';
import { KITCHEN_VERSION, type KitchenFile } from '@roskel/contract';

type Row = Record<string, unknown>;

/** Rows of a table by the batch they belong to. */
function byBatch(rows: readonly Row[] = []): (id: unknown) => Row[] {
  const found = new Map<unknown, Row[]>();
  for (const r of rows) {
    const had = found.get(r.batchId);
    if (had) had.push(r);
    else found.set(r.batchId, [r]);
  }
  return (id) => found.get(id) ?? [];
}

/** A backup of an older version; in version 1 a batch was a head with stations and ticks in tables of their own, as one of today. */
export function upgradeKitchen(file: Omit<KitchenFile, 'version'> & { version: number }): KitchenFile {
  // Nobody kept a log before version 4, nor what was foretold before version 5.
  if (file.version >= 3) return { ...file, version: KITCHEN_VERSION };
  const bottlings = (file.tables.bottlings ?? []).map((b) => ({ ...b, strandId: MAIN_STRAND }));
  if (file.version === 2) return { ...file, version: KITCHEN_VERSION, tables: { ...file.tables, bottlings } };
  const { stations, duties_done, ...tables } = file.tables;
  const [stationsOf, dutiesOf] = [byBatch(stations), byBatch(duties_done)];
  return {
    ...file,
    version: KITCHEN_VERSION,
    tables: {
      ...tables,
      batches: (tables.batches ?? []).map(({ style, seed, goal, lots, ingredients, ...row }) => ({
        ...row,
        document: {
          format: BATCH_FORMAT,
          version: BATCH_VERSION_1,
          name: row.name,
          style,
          startDate: row.startDate,
          ...(seed === null || seed === undefined ? {} : { seed }),
          goal,
          stations: stationsOf(row.id)
            .sort((a, b) => Number(a.position) - Number(b.position))
            .map(({ id, kind, params, log }) => ({ id, kind, params, log })),
          dutiesDone: dutiesOf(row.id).map((d) => d.key),
          lots,
          ingredients,
        },
      })),
      bottlings: bottlings.map((b: Row) => ({ ...b, heat: { dry: b.heat } })),
    },
  };
}
