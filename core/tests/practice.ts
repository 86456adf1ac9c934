import {
  carry,
  ingredient,
  lotOfVariety,
  newBatch,
  readLine,
  reportLine,
  variety,
  type BatchFile,
  type Eaten,
  type Intake,
  type Kitchen,
  type KindName,
  type LineReport,
  type ParamsOf,
  type Preparation,
  type StationEntry,
  type StationReport,
} from '../src';
import { at } from '../src/styles/build';

/**
 * Sauces as thirteen cooks make them, as lines of the product. Amounts that a cook gave are read by the product's own reader;
 * where none was given a usual one is taken here, and only what does not hang on it is asked.
 */
export const DAY = '2026-03-01';

/** What the reader makes of a line: g, or NaN where it asks. */
export function grams(line: string, kitchen: Kitchen = 'us'): number {
  const items = readLine(line, kitchen, []);
  return items.length === 1 && !items[0]!.ask && items[0]!.massG !== null ? items[0]!.massG : Number.NaN;
}
/** The same in ml of the thing itself. */
export const ml = (line: string, key: string, kitchen: Kitchen = 'us'): number => grams(line, kitchen) / ingredient(key).density;

/** Something of the larder, by a line of a recipe or in g. */
export const of = (key: string, amount: string | number, kitchen: Kitchen = 'us'): Intake => ({
  ...{ id: key, origin: { from: 'larder', key } },
  amount: { g: typeof amount === 'number' ? amount : grams(amount, kitchen) },
});
/** Pods by the piece, or in g where it is a string. */
export const pods = (id: string, count: number | `${number} g`, prep: Preparation = 'whole'): Intake => ({
  ...{ id, origin: { from: 'pods', lotId: id, prep } },
  amount: { g: typeof count === 'number' ? count * (variety(id).pod?.massG.typical ?? 1) : Number.parseFloat(count) },
});

type Step = { [K in KindName]: [K, Partial<ParamsOf<K>>?, ...Intake[]] }[KindName];
/** A line of steps that is eaten so. */
export function lineOf(eaten: Eaten, ...steps: Step[]): BatchFile {
  const base = newBatch('Practice', DAY, { lowShu: 100, highShu: 9000, bottles: 2, bottleMl: 100, eaten });
  const stations = steps.map(([kind, params = {}, ...intakes], i): StationEntry => {
    const twice = steps.findIndex(([k]) => k === kind) < i;
    const own = intakes.map((x, n) => ({ ...x, id: `${x.id}${n}` }));
    return at(kind, params as Partial<ParamsOf<typeof kind>>, own, twice ? `${kind}-${i}` : kind);
  });
  const lots = stations.flatMap((s) =>
    s.intakes.flatMap(({ origin: o }) => (o.from === 'pods' ? [lotOfVariety(variety(o.lotId), { id: o.lotId })] : [])),
  );
  const file = { ...base, strands: [{ ...base.strands[0]!, stations }] };
  return carry(file, [...new Map(lots.map((l) => [l.id, l])).values()], []);
}
const reports = new WeakMap<BatchFile, LineReport>();
export function told(file: BatchFile): LineReport {
  const had = reports.get(file) ?? reportLine(file, { today: DAY, members: 60, forecast: false });
  reports.set(file, had);
  return had;
}
export const end = (file: BatchFile) => told(file).ends[0]!;
export const step = <K extends KindName>(file: BatchFile, kind: K, nth = 0) =>
  told(file).stations.filter((s): s is StationReport & { kind: K } => s.kind === kind)[nth] as StationReport<K>;
/** The same line with something else in the place of an intake, or with some of its amounts changed. */
export const swapped = (file: BatchFile, change: (i: Intake, at: StationEntry) => Intake | null): BatchFile => {
  const strands = file.strands.map((s) => ({
    ...s,
    stations: s.stations.map((e) => ({ ...e, intakes: e.intakes.flatMap((i) => change(i, e) ?? []) })),
  }));
  const next = { ...file, strands };
  const ids = strands.flatMap((s) => s.stations.flatMap((e) => e.intakes.flatMap(({ origin: o }) => (o.from === 'pods' ? [o.lotId] : []))));
  return carry(
    next,
    [...new Set(ids)].map((id) => lotOfVariety(variety(id), { id })),
    [],
  );
};
export const times =
  (factor: number, key: string) =>
  (i: Intake): Intake =>
    (i.origin.from === 'larder' ? i.origin.key : i.origin.from === 'pods' ? i.origin.lotId : '') === key &&
    typeof i.amount === 'object' &&
    'g' in i.amount
      ? { ...i, amount: { g: i.amount.g * factor } }
      : i;
/** Another thing of the larder, or another kind of pod, in the place of one. */
export const instead =
  (key: string, by: string) =>
  (i: Intake): Intake => {
    const { origin: o } = i;
    if (o.from === 'larder' && o.key === key) return { ...i, origin: { from: 'larder', key: by } };
    if (o.from === 'pods' && o.lotId === key) return { ...i, origin: { ...o, lotId: by } };
    return i;
  };
