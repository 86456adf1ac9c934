import { stationsOf, type BatchFile } from '../file';
import { mainEnd, pathTo, reportTypical, runLine, runOf, type TypicalReport, workTime } from '../line';
import { heatShu, massOf } from '../matter/stream';
import type { Props } from '../parcel';
import { daysBetween, type Day } from '../plan';
import { TYPICAL } from '../stat/draw';
import { stationKind } from '../stations';

/** A station of one batch beside the same one of another. */
export interface ComparedStation {
  planned: Props;
  now: Props;
  weighed: boolean;
  read: boolean;
  done: boolean;
  days: number;
}
export interface ComparedRow {
  kind: string;
  name: string;
  /** One for each batch; null where it has no such station. */
  of: (ComparedStation | null)[];
}
/** What made one sauce hotter than another: factors whose product is the whole difference. */
export interface HeatFactor {
  says: string;
  factor: number;
}
export interface Comparison {
  rows: ComparedRow[];
  /** Of each batch, what it was planned to be and what it is. */
  ends: {
    strandId: string;
    planned: Props;
    now: Props;
    /** Its pH was measured. */
    read: boolean;
    bottles: number;
    wanted: number;
    minutes: { hands: number; clock: number };
  }[];
  /** Of each batch against the first; empty for the first. */
  why: HeatFactor[][];
}

/** Stations on the way to the main bottles, each kind counted: the second blend is beside the second blend. */
function marks(file: BatchFile): { key: string; id: string; kind: string }[] {
  const way = new Set(pathTo(file, mainEnd(file).id));
  const seen = new Map<string, number>();
  return stationsOf(file)
    .filter(({ strand }) => way.has(strand.id))
    .map(({ entry }) => {
      const n = (seen.get(entry.kind) ?? 0) + 1;
      seen.set(entry.kind, n);
      return { key: `${entry.kind}/${n}`, id: entry.id, kind: entry.kind };
    });
}

/** Keys of several lines in one order that keeps each line's own as far as they agree. */
function merged(lines: readonly (readonly string[])[]): string[] {
  const out: string[] = [];
  for (const line of lines) {
    let at = -1;
    for (const key of line) {
      const there = out.indexOf(key);
      if (there >= 0) at = Math.max(at, there);
      else out.splice(++at, 0, key);
    }
  }
  return out;
}

interface HeatParts {
  /** SHU g that the pods and all else brought, g of them, share of the heat that came to the bottles, g of sauce a gram put in. */
  loadPerG: number;
  podShare: number;
  kept: number;
  perG: number;
}
/** What the heat of the sauce comes from: load a gram of what burns, its share of all that went in, what came through, and how far it was thinned. */
function heatParts(file: BatchFile): HeatParts | null {
  const runs = runLine(file, TYPICAL, true);
  const out = runOf(
    runs,
    stationsOf(file).find(({ strand, entry }) => strand.id === mainEnd(file).id && stationKind(entry.kind).bottled)!.entry.id,
  ).bowl.stream;
  let load = 0;
  let burnsG = 0;
  let allG = 0;
  for (const run of runs)
    for (const t of run.taken) {
      if (t.intake.origin.from === 'strand' || t.intake.origin.from === 'side') continue;
      const g = massOf(t.flow.stream);
      allG += g;
      if (t.flow.stream.heatShuG > 0) {
        burnsG += g;
        load += t.flow.stream.heatShuG;
      }
    }
  for (const run of runs) for (const m of run.made) allG += massOf(m.stream);
  const sauceG = massOf(out);
  if (!(load > 0 && burnsG > 0 && sauceG > 0 && heatShu(out) > 0)) return null;
  return { loadPerG: load / burnsG, podShare: burnsG / allG, kept: out.heatShuG / load, perG: sauceG / allG };
}

const LITTLE = Math.log(1.02);
/** Why sauce b is hotter or milder than a, largest first; the factors multiply to the whole. Empty where one has no heat. */
export function whyHotter(a: BatchFile, b: BatchFile): HeatFactor[] {
  const [p, q] = [heatParts(a), heatParts(b)];
  if (!p || !q) return [];
  const factor = (says: [string, string], f: number): HeatFactor => ({ says: f >= 1 ? says[0] : says[1], factor: f });
  return [
    factor(['hotter pods', 'milder pods'], q.loadPerG / p.loadPerG),
    factor(['a larger share of what burns', 'a smaller share of what burns'], q.podShare / p.podShare),
    factor(['more of the heat came through', 'less of the heat came through'], q.kept / p.kept),
    factor(['less sauce of what went in', 'more sauce of what went in'], p.perG / q.perG),
  ]
    .filter((f) => Math.abs(Math.log(f.factor)) > LITTLE)
    .sort((x, y) => Math.abs(Math.log(y.factor)) - Math.abs(Math.log(x.factor)));
}

/** Two or more batches, station by station on the way to their main bottles. Throws LineProblem when one cannot run. */
export function compareBatches(files: readonly BatchFile[], today: Day): Comparison {
  const reports = files.map((f) => reportTypical(f, today));
  const lines = files.map(marks);
  const keys = merged(lines.map((l) => l.map((m) => m.key)));
  const at = (i: number, key: string): ComparedStation | null => {
    const m = lines[i]!.find((x) => x.key === key);
    const s = m && (reports[i] as TypicalReport).stations.find((x) => x.id === m.id);
    if (!s) return null;
    return {
      ...{ planned: s.planned, now: s.now, done: s.done, days: daysBetween(s.from, s.to) },
      weighed: s.log.massG !== undefined,
      read: s.phMeasured,
    };
  };
  return {
    rows: keys.map((key) => {
      const kind = key.slice(0, key.lastIndexOf('/'));
      const n = Number(key.slice(key.lastIndexOf('/') + 1));
      const name = stationKind(kind).name;
      return { kind, name: n > 1 ? `${name}, the ${n}.` : name, of: files.map((_, i) => at(i, key)) };
    }),
    ends: files.map((f, i) => {
      const r = reports[i]!;
      const end = r.ends.find((e) => e.strandId === mainEnd(f).id)!;
      const s = r.stations.find((x) => x.id === end.stationId)!;
      const minutes = workTime(f, r.stations);
      return {
        ...{ strandId: end.strandId, planned: s.planned, now: s.now, read: s.phMeasured },
        ...{ bottles: end.bottles.filled, wanted: end.bottles.wanted, minutes },
      };
    }),
    why: files.map((f, i) => (i === 0 ? [] : whyHotter(files[0]!, f))),
  };
}
