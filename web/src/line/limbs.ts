import type { StationReport, StrandReport } from '@roskel/core';
import { limbHex, limbLabel } from './flows';
import { limb } from './geometry';
import type { LineLayout } from './layout';

/** What falls in at a station of the way, or leaves it, as it is drawn: a limb, its words, and a vessel for what is kept. */
export interface Limb {
  key: string;
  d: string;
  hex: string;
  x: number;
  y: number;
  text: string;
  anchor: 'start';
  kept: { x: number; y: number } | null;
}

/** What falls in but for the strands, which have ribbons of their own. */
const fallsIn = (s: StationReport) => s.additions.filter((a) => !a.id.startsWith('strand:') && a.massG >= 0.05);
const leaves = (s: StationReport) => s.sides.filter((f) => f.massG >= 0.5);
const sum = (flows: readonly { massG: number }[]) => flows.reduce((t, f) => t + f.massG, 0);

/** Limbs of the stations that are read, each in a column `wide` px wide. */
export function limbsOf(
  read: readonly StationReport[],
  { shape, rows, inflows }: LineLayout,
  strands: readonly StrandReport[],
  wide: number,
): Limb[] {
  const { centre, additions, sides } = rows;
  const has = read.map((s, i) => ({ up: i > 0 && fallsIn(s).length > 0, down: leaves(s).length > 0 }));
  /** A label may run on over the next column where that has none. */
  const room = (i: number, what: 'up' | 'down') => wide * (i + 1 < has.length && !has[i + 1]![what] ? 1.9 : 0.98) - 22;
  /** Where a strand flows in from above, what falls in does so beside it. */
  const beside = (s: StationReport) =>
    inflows.some((f, n) => n % 2 === 0 && strands.find((x) => x.id === f.strandId)?.into.some((t) => t.stationId === s.id));

  const falling = (s: StationReport, i: number): Limb => {
    const c = shape.columns[i]!;
    const [at, reach] = beside(s) ? [0.62, 0.22] : [0.12, 0.4];
    const edge = centre - Math.max(c.thickness, shape.columns[i - 1]?.thickness ?? 0) / 2 + 4;
    const width = Math.min(30, sum(fallsIn(s)) * shape.perG * 0.7);
    return {
      key: `${s.id}+`,
      d: limb(c.x0 + (c.x1 - c.x0) * at, edge, additions + 8, width, Math.min(56, wide * reach)),
      hex: limbHex(fallsIn(s)[0]!),
      x: c.x0 + 12,
      y: additions,
      text: `+ ${limbLabel(fallsIn(s), room(i, 'up') - 12)}`,
      anchor: 'start',
      kept: null,
    };
  };
  const leaving = (s: StationReport, i: number): Limb => {
    const c = shape.columns[i]!;
    const before = shape.columns[i - 1]?.thickness ?? 0;
    const x = c.x0 + (c.x1 - c.x0) * (i === 0 ? 0.1 : 0.16);
    const edge = centre + Math.max(Math.min(c.thickness, before || c.thickness), 3) / 2 - 4;
    const reach = Math.min(24, wide * 0.25);
    const kept = leaves(s).some((f) => f.kept || f.takenG > 0) ? { x: x + reach - 2, y: sides - 6 } : null;
    const at = x + reach + (kept ? 17 : 6);
    // The last one ends at the edge.
    const space = i === read.length - 1 ? c.x1 - at - 6 : room(i, 'down') - (at - c.x0);
    return {
      key: `${s.id}-`,
      d: limb(x, edge, sides - 6, Math.min(26, sum(leaves(s)) * shape.perG * 0.7), -reach),
      hex: limbHex(leaves(s)[0]!),
      x: at,
      y: sides,
      text: limbLabel(leaves(s), space + 4),
      anchor: 'start',
      kept,
    };
  };
  return read.flatMap((s, i) => [...(has[i]!.up ? [falling(s, i)] : []), ...(has[i]!.down ? [leaving(s, i)] : [])]);
}
