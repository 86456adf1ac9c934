import { bodyWord, type Banded, type Props, type StationReport } from '@roskel/core';
import { ph, shu } from '../format';

/** One of the five tracks under the ribbon. A new track is a line here. */
export interface Track {
  key: Exclude<Banded, 'massG'>;
  name: string;
  unit: string;
  colour: string;
  log: boolean;
  show(value: number, measured: boolean): string;
}

export const TRACKS: readonly Track[] = [
  { key: 'heatShu', name: 'Heat', unit: 'SHU', colour: 'var(--heat)', log: true, show: (v) => shu(v) },
  { key: 'pH', name: 'Acid', unit: 'pH', colour: 'var(--acid)', log: false, show: (v, m) => ph(v, m) },
  { key: 'saltPct', name: 'Salt', unit: '%', colour: 'var(--salt)', log: false, show: (v) => v.toFixed(1) },
  { key: 'sweetPct', name: 'Sweet', unit: '%', colour: 'var(--sweet)', log: false, show: (v) => v.toFixed(1) },
  { key: 'body', name: 'Body', unit: 'how it pours', colour: 'var(--pulp)', log: false, show: (v) => bodyWord(v) },
];

/** Height of a track's strip, px. */
export const STRIP = 38;
/** So far from the plan that both are shown: 2 %, or as much of one unit. */
export const offPlan = (now: number, planned: number): boolean => Math.abs(now - planned) > 0.02 * Math.max(1, Math.abs(planned));

export interface TrackPoint {
  x: number;
  y: number;
  value: number;
  planned: number | null;
  plannedY: number;
  low: number;
  high: number;
  measured: boolean;
  done: boolean;
  stationId: string;
}

const valueOf = (p: Props, key: Track['key']) => p[key];

/** Where values sit in a track's strip. */
type Level = (value: number) => number;

/** Points of a track in its strip of `height` from `top`; x comes from the columns' middles, `wish` must fit in too. */
export function trackPoints(
  track: Track,
  stations: readonly StationReport[],
  mids: readonly number[],
  top: number,
  height: number,
  wish: readonly number[] = [],
): { points: TrackPoint[]; y: Level } {
  const all: number[] = wish.map((v) => (track.log ? Math.log(Math.max(v, 1)) : v));
  for (const s of stations) {
    const band = s.band[track.key];
    for (const v of [valueOf(s.now, track.key), valueOf(s.planned, track.key), band?.p10, band?.p90]) {
      if (typeof v === 'number' && (!track.log || v > 0)) all.push(track.log ? Math.log(v) : v);
    }
  }
  if (all.length === wish.length) return { points: [], y: () => top };
  const low = Math.min(...all);
  const span = Math.max(...all) - low || 1;
  const y = (v: number) => {
    const t = track.log ? Math.log(Math.max(v, 1e-9)) : v;
    return top + height * (0.84 - 0.68 * Math.min(1, Math.max(0, (t - low) / span)));
  };
  const points = stations.flatMap((s, i) => {
    const value = valueOf(s.now, track.key);
    if (value === null || s.now.massG <= 0 || (track.log && value <= 0)) return [];
    const band = s.band[track.key];
    const planned = valueOf(s.planned, track.key);
    return [
      {
        x: mids[i]!,
        y: y(value),
        value,
        planned,
        plannedY: planned === null ? 0 : y(planned),
        low: y(band?.p10 ?? value),
        high: y(band?.p90 ?? value),
        measured: track.key === 'pH' && s.log.pH !== undefined,
        done: s.done,
        stationId: s.id,
      },
    ];
  });
  return { points, y };
}
