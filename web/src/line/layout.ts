import type { StationSummary } from '@roskel/core';
import { ribbonShape, type Column, type RibbonShape } from './geometry';
import { wayThrough, type DrawnStrand, type Way } from './way';

/** A station of a strand that is folded: a ring on its thin ribbon. */
export interface Ring {
  id: string;
  name: string;
  x: number;
  y: number;
  done: boolean;
  active: boolean;
}
/** A strand that flows into the way, folded to a thin ribbon with a ring per station. */
export interface Inflow {
  strandId: string;
  name: string;
  massG: number;
  hex: string;
  d: string;
  rings: Ring[];
  label: { x: number; y: number; anchor: 'start' | 'end' };
}
/** A strand that leaves the way, as a ribbon to the right edge. */
export interface Branch {
  strandId: string;
  name: string;
  massG: number;
  hex: string;
  d: string;
  rings: Ring[];
  label: { x: number; y: number };
}

export interface LineLayout {
  way: Way;
  shape: RibbonShape;
  inflows: Inflow[];
  branches: Branch[];
  /** Heights of the picture's floors: where labels of what goes in and of what leaves stand, and where the ribbon ends. */
  rows: { additions: number; sides: number; bottom: number; centre: number };
}

export interface LineBox {
  left: number;
  right: number;
  /** Room above for names, and most thickness of the ribbon. */
  head: number;
  most: number;
  /** Rows of labels above and below the ribbon, px; 0 for a small picture without words. */
  labels: number;
  today: string;
}

/** Px between two lanes of strands that flow in, and between rings; a picture without words is closer. */
const LANE = { worded: 30, bare: 16 } as const;
const RING = 24;
/** Px between a lane or a branch and the ribbon. */
const GAP = { worded: 16, bare: 6 } as const;

/** Which side each of some folded strands takes: turn by turn above and below. */
const above = (i: number) => i % 2 === 0;

/** Where everything of a line stands: one way in columns, what flows in as thin ribbons, what leaves as branches. */
export function layoutLine(
  stations: readonly StationSummary[],
  strands: readonly DrawnStrand[],
  endId: string,
  through: string | null,
  box: LineBox,
): LineLayout {
  const way = wayThrough(strands, endId, through);
  const byId = new Map(stations.map((s) => [s.id, s]));
  const read = way.stationIds.map((id) => byId.get(id)!);
  const place = new Map(way.stationIds.map((id, i) => [id, i]));
  const off = strands.filter((s) => !way.legs.includes(s));
  // What leaves the way: it begins with the end of a strand that is read along.
  const leaves = off.filter((s) =>
    way.legs.some((l) => l.into.some((t) => t.stationId === s.stationIds[0]) && !place.has(s.stationIds[0]!)),
  );
  const parts = way.legs.flatMap((leg) => {
    // The part of a strand before the place where the way comes in, folded.
    const first = leg.stationIds.findIndex((id) => place.has(id));
    return first > 0
      ? [
          {
            ...leg,
            stationIds: leg.stationIds.slice(0, first),
            into: [{ stationId: leg.stationIds[first]!, intakeId: '', massG: byId.get(leg.stationIds[first - 1]!)!.massG }],
          },
        ]
      : [];
  });
  const flows = [...parts, ...off.filter((s) => !leaves.includes(s))].filter((s) => s.into.some((t) => place.has(t.stationId)));
  const how = box.labels > 0 ? 'worded' : 'bare';
  const lanes = (n: number) => (n > 0 ? n * LANE[how] + GAP[how] : 0);
  const [up, down] = [flows.filter((_, i) => above(i)).length, flows.filter((_, i) => !above(i)).length];
  const [fanUp, fanDown] = [Math.ceil(leaves.length / 2), Math.floor(leaves.length / 2)];
  const roomUp = lanes(Math.max(up, fanUp));
  const roomDown = lanes(Math.max(down, fanDown)) + (box.labels > 0 && down + fanDown > 0 ? 8 : 0);
  const additions = box.head + (box.labels > 0 ? 13 : 0);
  const centre = box.head + box.labels + roomUp + box.most / 2;
  const sides = centre + box.most / 2 + box.labels - 3;
  const bottom = centre + box.most / 2 + box.labels + roomDown + 4;
  const shape = ribbonShape(read, { left: box.left, right: box.right, centre, most: box.most, today: box.today });
  const edge = (c: Column, side: -1 | 1, before: number) => centre + (side * Math.max(c.thickness, before)) / 2;
  const inflows = flows.map((s, i): Inflow => {
    const at = s.into.find((t) => place.has(t.stationId))!;
    const k = place.get(at.stationId)!;
    const c = shape.columns[k]!;
    const before = shape.columns[k - 1]?.thickness ?? 0;
    const lane = Math.floor(i / 2);
    const top = above(i);
    const out = box.most / 2 + GAP[how] + lane * LANE[how];
    const y = centre + (top ? -out : out + box.labels + (box.labels > 0 ? 14 : 0));
    const x1 = c.x0 + (c.x1 - c.x0) * (0.2 + 0.16 * lane);
    const long = Math.max(60, (s.stationIds.length + 1) * RING);
    const x0 = Math.max(box.left + 4, x1 - long - 24);
    const w = Math.min(14, Math.max(4, at.massG * shape.perG));
    const to = edge(c, top ? -1 : 1, Math.min(before || c.thickness, c.thickness)) + (top ? 5 : -5);
    const own = s.stationIds.map((id) => byId.get(id)!);
    const hex = own.at(-1)!.hex;
    return {
      strandId: s.id,
      name: s.name,
      massG: at.massG,
      hex,
      d: inflowPath(x0, x1, y, to, w),
      rings: own.map((x, n) => ({ id: x.id, name: x.name, x: x0 + 10 + n * RING, y, done: x.done, active: x.active })),
      label: { x: x0, y: y - w / 2 - 4, anchor: 'start' },
    };
  });
  const branches = leaves.map((s, i): Branch => {
    const root = way.legs.find((l) => l.into.some((t) => t.stationId === s.stationIds[0]))!;
    const last = place.get(root.stationIds.at(-1)!)!;
    const c = shape.columns[last]!;
    const massG = root.into.filter((t) => t.stationId === s.stationIds[0]).reduce((g, t) => g + t.massG, 0);
    const side = above(i) ? -1 : 1;
    const n = Math.floor(i / 2) + 1;
    const w = Math.max(4, massG * shape.perG);
    const y = centre + side * (box.most / 2 + GAP[how] + (n - 1) * LANE[how]) + (side > 0 && box.labels > 0 ? box.labels + 14 : 0);
    const own = s.stationIds.map((id) => byId.get(id)!);
    const wide = c.x1 - c.x0;
    const x2 = Math.min(box.right - 8, c.x1 + Math.min(90, wide * 0.5));
    const from = centre + side * Math.max(0, c.thickness / 2 - w / 2);
    const step = Math.min(RING, (box.right - x2 - 20) / Math.max(1, own.length));
    return {
      strandId: s.id,
      name: s.name,
      massG,
      hex: own.at(-1)!.hex,
      d: branchPath(c.x1 - 2, x2, box.right, from, y, w),
      rings: own.map((x, m) => ({
        id: x.id,
        name: x.name,
        x: box.right - 14 - (own.length - 1 - m) * step,
        y,
        done: x.done,
        active: x.active,
      })),
      label: { x: x2 + 4, y: y - w / 2 - 4 },
    };
  });
  return { way, shape, inflows, branches, rows: { additions, sides, bottom, centre } };
}

/** A thin ribbon along its lane that bends into the way's edge. */
function inflowPath(x0: number, x1: number, y: number, to: number, w: number): string {
  const bend = Math.min(34, Math.max(12, (x1 - x0) * 0.4));
  const h = w / 2;
  return [
    `M ${x0} ${y - h} L ${x1 - bend} ${y - h}`,
    `C ${x1} ${y - h}, ${x1 + h} ${(y + to) / 2}, ${x1 + h} ${to}`,
    `L ${x1 - h} ${to}`,
    `C ${x1 - h} ${(y + to) / 2}, ${x1 - w} ${y + h}, ${x1 - bend} ${y + h}`,
    `L ${x0} ${y + h} Z`,
  ].join(' ');
}

/** A ribbon that leaves the way's end and runs on beside it. */
function branchPath(x0: number, x1: number, x2: number, from: number, y: number, w: number): string {
  const h = w / 2;
  const mid = (x0 + x1) / 2;
  return [
    `M ${x0} ${from - h} C ${mid} ${from - h}, ${mid} ${y - h}, ${x1} ${y - h}`,
    `L ${x2} ${y - h} L ${x2} ${y + h} L ${x1} ${y + h}`,
    `C ${mid} ${y + h}, ${mid} ${from + h}, ${x0} ${from + h} Z`,
  ].join(' ');
}
