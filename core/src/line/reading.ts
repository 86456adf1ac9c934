import { LEGAL_PH } from '../ferment';
import type { BatchFile, PhOn, ReadBy, StationEntry } from '../file';
import { readingSd, type Instrument, type MeasuredPh, type Parcel } from '../parcel';
import { stationKind } from '../stations';

/** The pH that counts at a station, with what was measured and what stands beside it. */
export interface PhState {
  /** Read on just this stuff; read on something that has changed since; so far from what went in that it is asked about. */
  status: 'none' | 'measured' | 'old' | 'unlikely';
  value: number | null;
  instrument: Instrument | null;
  /** What to tell the maker of a reading that does not count. */
  note: string | null;
}

export const NO_READING: PhState = { status: 'none', value: null, instrument: null, note: null };

/** A reading with nothing said about the instrument is a strip's. */
export const instrumentOf = (said: Instrument | undefined): Instrument => said ?? 'strip';

/** A pH with the error of what it was read with: what its kind of instrument has, or what the kitchen's own meter has by its calibration. */
const measuredPh = (value: number, instrument: Instrument, by: ReadBy | undefined): MeasuredPh => ({
  value,
  instrument,
  sd: readingSd(instrument, by),
});

/**
 * The measured pH of what leaves a station: the one logged, or a higher one read there, for the worse of two readings is
 * the one to go by. Null when there is none. `lives`: the station's readings are a jar's, day by day.
 */
export function readingAt(file: BatchFile, entry: StationEntry, lives: boolean): MeasuredPh | null {
  const all: MeasuredPh[] = [];
  const { pH, instrument, by, phBlended } = entry.log;
  if (pH !== undefined) all.push({ ...measuredPh(pH, instrumentOf(instrument), by), ...(phBlended ? { ofBlended: true as const } : {}) });
  if (!lives) {
    for (const r of file.readings) if (r.stationId === entry.id && r.pH !== undefined) all.push(measuredPh(r.pH, r.instrument, r.by));
  }
  if (all.length === 0) return null;
  const worst = all.reduce((a, b) => (b.value > a.value || (b.value === a.value && b.instrument === 'strip') ? b : a));
  // Without a pH logged there, a reading is tied to no amounts: it can condemn and lengthens nothing.
  return entry.log.pH === undefined && worst.value <= LEGAL_PH ? null : worst;
}

/** A thing counts as added or taken away when its share of the whole moves by more than this (rounding of amounts). */
const MOVED = 0.001;

/** All the water in it, beside the parts; and how far its share may move before that is more than a sieve does. */
const WATER = '(water)';
const WATER_MOVED = 0.04;

/** What a pH at a station is measured on, to be kept beside it: g of each thing that is in it, and whether it was heated. */
export function phOn(out: Parcel, entry: StationEntry): PhOn {
  const parts: Record<string, number> = {};
  for (const e of out.stream.ledger) if (e.massG > 0) parts[e.of.id] = Math.round((parts[e.of.id] ?? 0) * 100 + e.massG * 100) / 100;
  // Weighing the drained pods anew changes how much brine is with them, and no part.
  parts[WATER] = Math.round(out.stream.grams.water * 100) / 100;
  const hot = stationKind(entry.kind).readHot?.(entry.params as never, entry.log) === true;
  return { parts, heated: hot || out.past.cooked !== 'no' };
}

/** What has changed since a pH was measured at a station, in words; null when it was measured on just this. */
export function changedSince(then: PhOn, out: Parcel, entry: StationEntry): string | null {
  const now = phOn(out, entry);
  if (then.heated !== now.heated) return now.heated ? 'it is heated since' : 'it was heated then';
  const sum = (o: Record<string, number>) => Object.entries(o).reduce((s, [id, g]) => s + (id === WATER ? 0 : g), 0);
  const [before, after] = [sum(then.parts), sum(now.parts)];
  if (!(before > 0) || !(after > 0)) return 'what is in it changed';
  const wet = then.parts[WATER];
  if (wet !== undefined && Math.abs(now.parts[WATER]! / after / (wet / before) - 1) > WATER_MOVED)
    return now.parts[WATER]! / after > wet / before ? 'there is more liquid in it' : 'there is less liquid in it';
  const names = new Map(out.stream.ledger.map((e) => [e.of.id, e.of.name.toLowerCase()]));
  let worst = { id: '', moved: 0, up: true };
  for (const id of new Set([...Object.keys(then.parts), ...Object.keys(now.parts)])) {
    if (id === WATER) continue;
    const d = (now.parts[id] ?? 0) / after - (then.parts[id] ?? 0) / before;
    // The thing that was touched moves most against its own share; the rest only gives way.
    const own = Math.abs(d) / Math.max(0.02, (then.parts[id] ?? 0) / before);
    if (Math.abs(d) > MOVED && own > worst.moved) worst = { id, moved: own, up: d > 0 };
  }
  if (worst.id === '') return null;
  const name = names.get(worst.id) ?? 'something';
  return worst.up ? `there is more ${name} in it` : `there is less ${name} in it`;
}

/** A measured pH further than this from what the line works out is asked about (our judgement: twice the widest claim). */
const FAR = 0.8;
/** No food sauce and no jar is this sour; nothing here is this alkaline (our judgement). */
const LEAST_PH = 2.2;
const MOST_PH = 7.5;

/** Why a reading cannot be believed at once; null when it can. `predicted` is that of what was read; null where it was read in pieces. */
export function unlikely(value: number, predicted: number | null): string | null {
  const ask = 'Measure again, or check the meter.';
  if (value < LEAST_PH) return `No sauce is as sour as pH ${value.toFixed(1)}. ${ask}`;
  if (value > MOST_PH) return `Nothing in here is as alkaline as pH ${value.toFixed(1)}. ${ask}`;
  if (predicted !== null && Math.abs(value - predicted) > FAR)
    return `pH ${value.toFixed(2)} is far from what went in, which makes about ${predicted.toFixed(1)}. ${ask}`;
  return null;
}
