import type { Ingredient } from '../matter/ingredient';
import { kindKey, SALT_KEY } from '../matter/kind';
import { endOf, mainEnd, openNeeds, thingName, workTime, WORTH_BUYING_G, type Fills, type LineReport, type OpenNeed } from '../line';
import { KNIFE, type Preparation } from '../heat';
import { gramsOf, stationIn, stationsOf, type BatchFile, type StationEntry } from '../file';
import type { Quantiles } from '../ferment/forecast';
import { couldKeepText } from '../keep';
import { daysBetween, type Day } from '../plan';
import { stationKind, type KindName } from '../stations';
import { standInsOf, swapped, type Swap } from '../styles';
import { isSalt } from './jug';

/** Something the plan needs, and what is there of it; null when nobody said how much. */
export interface Needed {
  /** Key of a row of the larder; null for pods and what was kept. */
  id: string | null;
  name: string;
  needG: number;
  haveG: number | null;
  /** The first day on which some of it goes in. */
  by: Day;
  /** What can take its place where it is missing; those that are there first. */
  standIns: (Swap & { there: boolean })[];
}

/** The finished sauce of the first end, before anything is cooked. */
export interface SauceFigures {
  massG: number;
  pH: Quantiles | null;
  saltPct: number;
  sweetPct: number;
  body: Quantiles | null;
  /** Minutes by hands, and by the clock where that is within a day; the day it is ready. */
  handsMin: number;
  clockMin: number;
  readyOn: Day;
  keeping: string | null;
  /** What measuring it, and filling it hot where that is planned, would make of that. */
  couldKeep: string | null;
  /** Days it keeps as planned, or as measuring and filling as planned would make it. */
  keepsDays: number;
}

/** A station of a plan, as the line is read before anything is begun. */
export interface PlanStep {
  id: string;
  strandId: string;
  kind: KindName;
  name: string;
  /** Minutes by the clock; days where it takes some. */
  minutes: number;
  days: number;
  /** g that come out of it. */
  massG: number;
  step: string;
  things: PlacedThings['things'];
}

/** What goes in where, in the order of work: for reading along before anything is begun. */
export interface PlacedThings {
  station: string;
  things: { name: string; g: number; words: string | null; late: boolean }[];
}

export function sauceFigures(file: BatchFile, report: LineReport): SauceFigures {
  const [end] = report.ends;
  const last = report.stations.find((s) => s.id === end!.stationId)!;
  const time = workTime(file, report.stations);
  return {
    massG: report.ends.reduce((s, e) => s + e.finished.massG, 0),
    pH: last.band.pH,
    saltPct: end!.finished.saltPct,
    sweetPct: end!.finished.sweetPct,
    body: last.band.body,
    handsMin: time.hands,
    clockMin: time.clock,
    readyOn: report.readyOn,
    keeping: end!.keeping?.text ?? null,
    couldKeep: end!.couldKeep && couldKeepText(end!.couldKeep),
    keepsDays: Math.max(end!.keeping?.days ?? 0, end!.couldKeep?.days ?? 0),
  };
}

const podsSaid = (file: BatchFile, lotId: string, prep: Preparation): string =>
  `${(file.lots.find((l) => l.id === lotId)?.name ?? 'pods').split(',')[0]!}${prep === 'whole' ? '' : ` (${KNIFE[prep].name})`}`;

/** The line of a plan, station by station in the order of work. */
export function planLine(file: BatchFile, report: LineReport): PlanStep[] {
  return report.stations.map((s): PlanStep => {
    const entry = stationIn(file, s.id)!;
    return {
      ...{ id: s.id, strandId: s.strandId, kind: s.kind, name: stationKind(s.kind).name, step: s.step },
      ...{ minutes: Math.max(s.minutes.clock, s.minutes.hands), days: daysBetween(s.from, s.to), massG: s.planned.massG },
      things: thingsAt(file, entry, s.enters.grams),
    };
  });
}

/** Every thing at its station. */
export function placedThings(file: BatchFile): PlacedThings[] {
  return stationsOf(file).flatMap(({ entry }) => {
    const things = thingsAt(file, entry);
    return things.length > 0 ? [{ station: stationKind(entry.kind).name, things }] : [];
  });
}

/** What goes in at a station; `worked`: g of each intake, for what is a share of what another station leaves. */
function thingsAt(file: BatchFile, entry: StationEntry, worked: Readonly<Record<string, number>> = {}): PlacedThings['things'] {
  return entry.intakes.flatMap(({ id, origin, amount, late }): PlacedThings['things'] => {
    const g = gramsOf(amount) ?? (origin.from === 'side' ? (worked[id] ?? null) : null);
    if (g === null || !(g > 0)) return [];
    const name =
      origin.from === 'pods' ? podsSaid(file, origin.lotId, origin.prep) : origin.from === 'strand' ? '' : thingName(file, origin);
    const words = typeof amount === 'object' && 'g' in amount ? (amount.words ?? null) : null;
    return name ? [{ name, g, words, late: late === true }] : [];
  });
}

interface Had {
  id: string;
  massG: number | null;
}
interface Stock {
  pods: readonly { lot: { id: string }; stockG: number }[];
  had: readonly (Had & { name: string })[];
  stored: readonly { id: string; massG: number }[];
  rows: readonly Ingredient[];
}

/** What a batch takes of what is there, and what must be bought, with what can take its place. */
export function needsOfPlan(file: BatchFile, stock: Stock): { uses: Needed[]; toBuy: Needed[] } {
  const uses: Needed[] = [];
  const toBuy: Needed[] = [];
  const rowOf = (key: string) => stock.rows.find((r) => r.key === key);
  const isSaltId = (id: string) => isSalt(rowOf(id) ?? { key: id });
  const hadOf = (id: string) => stock.had.find((t) => t.id === id)?.massG;
  const podsG = new Map(stock.pods.map((p) => [p.lot.id, p.stockG]));
  const keptG = new Map(stock.stored.map((s) => [s.id, s.massG]));
  const note = (id: string | null, name: string, needG: number, haveG: number | null | undefined, by: Day) => {
    if (needG < WORTH_BUYING_G) return;
    const enough = haveG !== undefined && (haveG === null || haveG >= needG - WORTH_BUYING_G);
    if (enough) return void uses.push({ id, name, needG, haveG, by, standIns: [] });
    toBuy.push({ id, name, needG, haveG: haveG ?? 0, by, standIns: id === null ? [] : swapsOf(id, needG) });
  };
  const swapsOf = (id: string, needG: number): Needed['standIns'] => {
    const row = rowOf(id);
    if (!row) return [];
    const found = standInsOf(row).flatMap((s) => {
      // The maker's own row of that kind, where they have one.
      const other = stock.rows.find((r) => kindKey(r) === s.key && hadOf(r.key) !== undefined) ?? rowOf(s.key);
      const swap = other ? swapped(row, needG, s, other) : null;
      const have = swap ? hadOf(swap.key) : undefined;
      return swap ? [{ ...swap, there: have !== undefined && (have === null || have >= swap.massG - 0.5) }] : [];
    });
    return found.sort((a, b) => Number(b.there) - Number(a.there));
  };
  const all = new Map<string, OpenNeed>();
  for (const n of openNeeds(file)) {
    // Whatever salt is named, one is taken out of the larder.
    const salt = n.store === 'larder' && isSaltId(n.id);
    const key = salt ? SALT_KEY : `${n.store} ${n.id}`;
    const had = all.get(key);
    all.set(key, { ...n, massG: n.massG + (had?.massG ?? 0), by: had && had.by < n.by ? had.by : n.by });
  }
  const salt = stock.had.find((t) => isSaltId(t.id));
  for (const [key, { store, id, name, massG, by }] of all) {
    if (key === SALT_KEY) note(null, rowOf(salt?.id ?? SALT_KEY)?.name ?? 'salt', massG, salt?.massG, by);
    else if (store === 'larder') note(id, name, massG, hadOf(id), by);
    else note(null, name, massG, (store === 'pods' ? podsG : keptG).get(id), by);
  }
  toBuy.sort((a, b) => a.by.localeCompare(b.by));
  return { uses, toBuy };
}

/** Bottles of all ends. */
export const bottlesOf = (report: LineReport): number => report.ends.reduce((sum, e) => sum + e.bottles.possible, 0);
/** What all ends fill together, and the odds of the least sure of them. */
export function allFills(report: LineReport): Fills {
  const sum = (of: (f: Fills) => Quantiles): Quantiles => ({
    p10: report.ends.reduce((s, e) => s + of(e.fills).p10, 0),
    p50: report.ends.reduce((s, e) => s + of(e.fills).p50, 0),
    p90: report.ends.reduce((s, e) => s + of(e.fills).p90, 0),
  });
  return { bottles: sum((f) => f.bottles), ml: sum((f) => f.ml), odds: Math.min(...report.ends.map((e) => e.fills.odds)) };
}
/** The station that fills the first end. */
export const lastStation = (file: BatchFile): string => endOf(mainEnd(file)).id;
