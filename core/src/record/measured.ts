import { SIGNS } from '../ferment/signs';
import { meterAt, stationsOf, type BatchFile, type ReadBy, type StationLog, type Tool } from '../file';
import type { Day } from '../plan';
import { stationKind } from '../stations';

/** One thing that was measured, seen or done, and by what: nothing that was only planned or worked out. */
export interface Measured {
  /** Day, or day and time (UTC); empty where nobody said. */
  at: string;
  station: string;
  what: string;
  value: string;
  /** The instrument with its calibration before that, or the maker's eye; empty where it was not said. */
  by: string;
}

/** The instrument of a pH as it was said, with its last calibration before. */
function meterWords(meters: readonly Tool[], instrument: 'meter' | 'strip' | undefined, by: ReadBy | undefined, at: string): string {
  if (!by) return instrument ?? '';
  const meter = meters.find((t) => t.kind === 'meter' && t.name === by.name);
  // Of a day the end: whoever calibrated that day did so before.
  const when = at.length === 10 ? `${at}T23:59:59Z` : at;
  const calibration = meter && at !== '' ? meterAt(meter, when).calibration : null;
  const days = (meter?.calibrations ?? []).map((c) => c.at).filter((c) => Date.parse(c) <= Date.parse(when));
  return calibration
    ? `${instrument ?? 'meter'} ${by.name}, calibrated ${days.sort().at(-1)!.slice(0, 10)}, slope ${calibration.slopePct.toFixed(0)} %`
    : `${instrument ?? 'meter'} ${by.name}, no calibration known`;
}

/** What was measured of heat: how hot at most, and how long at least that hot less two degrees. */
function heatWords(points: readonly { min: number; c: number }[]): string {
  const most = Math.max(...points.map((p) => p.c));
  let held = 0;
  for (const [i, p] of points.slice(1).entries()) if (p.c >= most - 2 && points[i]!.c >= most - 2) held += p.min - points[i]!.min;
  return `${most.toFixed(1)} °C at most, within 2 °C of it for ${held.toFixed(1)} min; ${points.length} points in ${points.at(-1)!.min.toFixed(1)} min`;
}

type Row = Omit<Measured, 'station' | 'at'> & { at?: string };
/** What the log of a station says, a row for each thing. */
function rowsOf(file: BatchFile, log: StationLog, meters: readonly Tool[]): Row[] {
  const done = log.doneOn ?? '';
  const said = <T>(value: T | undefined, row: (value: T) => Row): Row[] => (value === undefined ? [] : [row(value)]);
  return [
    ...said(log.massG, (g) => ({ what: 'Weight', value: `${g} g`, by: 'scale' })),
    ...said(log.pH, (pH) => ({
      what: log.phBlended ? 'pH of a blended sample' : 'pH',
      value: String(pH),
      by: meterWords(meters, log.instrument, log.by, done),
    })),
    ...said(log.look, (step) => ({ what: 'How it pours, 1 to 7', value: String(step), by: 'eye' })),
    ...(log.pot ?? []).map((p) => ({ what: `Pot on the scale, minute ${p.min}`, value: `${p.massG} g`, by: 'scale' })),
    ...said(log.heat, (points) => ({ what: 'Temperature in the coldest spot', value: heatWords(points), by: 'thermometer' })),
    ...said(log.temps, (points) => {
      const c = points.map((p) => p.c);
      const mean = c.reduce((sum, x) => sum + x, 0) / c.length;
      const value = `${Math.min(...c).toFixed(1)} to ${Math.max(...c).toFixed(1)} °C, mean ${mean.toFixed(1)}; ${c.length} means of 6 h`;
      return { what: 'Temperature of the jar', value, by: 'thermometer' };
    }),
    ...said(log.fillC, (c) => ({ what: 'Temperature when filled', value: `${c} °C`, by: log.hotByThermometer ? 'thermometer' : '' })),
    ...said(log.bottles, (n) => ({ what: 'Bottles filled', value: String(n), by: 'counted' })),
    ...(log.rounds ?? []).flatMap((r) =>
      r.put.map((p) => ({
        at: r.at,
        what: `Put in after tasting: ${nameIn(file, p.from, p.of)}`,
        value: `${Number(p.g.toFixed(1))} g`,
        by: p.words ?? '',
      })),
    ),
    ...said(log.frozenOn, (on) => ({ at: on, what: 'Into the freezer', value: '', by: '' })),
    ...(log.jarsThrown ?? []).map((j) => ({ at: j.on, what: `Jar ${j.jar} thrown away`, value: j.why, by: '' })),
    ...said(log.thrownOn, (on) => ({ at: on, what: 'Thrown away', value: log.thrownWhy ?? '', by: '' })),
    ...said(log.ownUntil, (on) => ({ what: 'Last day, by the maker’s own choice', value: `${on} ${log.ownWhy ?? ''}`.trim(), by: '' })),
    ...said(log.note, (note) => ({ what: 'Note', value: note, by: '' })),
    ...said(log.doneOn, () => ({ what: 'Done', value: '', by: '' })),
  ];
}

/** What a thing of the batch is called; its id where the batch does not carry it. */
function nameIn(file: BatchFile, from: 'larder' | 'pods', of: string): string {
  return (from === 'pods' ? file.lots.find((l) => l.id === of)?.name : file.ingredients?.find((i) => i.key === of)?.name) ?? of;
}

/** The day of a row for the order of time; what nobody dated stands with its station. */
const dayOf = (m: Measured): Day => m.at.slice(0, 10);

/** All that was measured, seen and done of a batch, in the order of time; nothing that was planned or worked out is in it.
 * `meters`: the kitchen's own, with their calibrations. */
export function measuredOf(file: BatchFile, meters: readonly Tool[] = []): Measured[] {
  const all: Measured[] = [];
  for (const { entry } of stationsOf(file)) {
    const station = stationKind(entry.kind).name;
    const own: Measured[] = rowsOf(file, entry.log, meters).map(({ at, ...row }) => ({
      at: at ?? entry.log.doneOn ?? '',
      station,
      ...row,
    }));
    for (const r of file.readings.filter((x) => x.stationId === entry.id)) {
      const of = r.jar === undefined ? '' : `, jar ${r.jar}`;
      const row = (what: string, value: string, by: string) => own.push({ at: r.at, station, what: `${what}${of}`, value, by });
      if (r.pH !== undefined) row('pH', String(r.pH), meterWords(meters, r.instrument, r.by, r.at));
      if (r.tempC !== undefined) row('Temperature', `${r.tempC} °C`, '');
      if (r.bubbles !== undefined) row('Bubbles', `${r.bubbles} a minute`, 'eye');
      if (r.coverMm !== undefined) row('Brine over the pods', `${r.coverMm} mm`, 'eye');
      if (r.signs) row('Seen and smelt', r.signs.map((s) => SIGNS[s].says).join(', '), 'eye');
      if (r.note) row('Note', r.note, '');
    }
    all.push(...own);
  }
  // Dated ones by their day; a day keeps the order of work.
  let last: Day = file.startDate;
  const placed = all.map((m, i) => {
    if (m.at !== '') last = dayOf(m);
    return { m, i, day: m.at === '' ? last : dayOf(m), time: m.at.length > 10 ? m.at : '' };
  });
  const later = (a: string, b: string) => (a < b ? -1 : a > b ? 1 : 0);
  placed.sort((a, b) => later(a.day, b.day) || (a.time && b.time ? later(a.time, b.time) : 0) || a.i - b.i);
  return placed.map(({ m }) => m);
}
