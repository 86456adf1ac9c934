import { area, curveMonotoneX, line } from 'd3-shape';
import type { StationSummary } from '@roskel/core';

/** One column of the drawn line: where it sits and how thick the stream leaves it. */
export interface Column {
  id: string;
  x0: number;
  x1: number;
  mid: number;
  thickness: number;
  massG: number;
}

export interface RibbonShape {
  columns: Column[];
  /** Path of the ribbon between top and bottom. */
  body: string;
  top: string;
  bottom: string;
  /** x up to which things have happened. */
  doneTo: number;
  stops: { offset: number; hex: string }[];
  /** Pixels per gram. */
  perG: number;
  centre: number;
}

/** Share of the active station's days that are over, 0 to 1. */
function elapsed(from: string, to: string, now: string): number {
  const [a, b, t] = [from, to, now].map((d) => Date.parse(d)) as [number, number, number];
  return b > a ? Math.min(1, Math.max(0, (t - a) / (b - a))) : 0;
}

/**
 * The ribbon of a line: thickness is mass, drawn about `centre` between `left` and `right`, at most `most` thick.
 */
export function ribbonShape(
  stations: readonly StationSummary[],
  box: { left: number; right: number; centre: number; most: number; today: string },
): RibbonShape {
  const n = stations.length;
  const width = (box.right - box.left) / Math.max(1, n);
  const heaviest = Math.max(1, ...stations.map((s) => Math.max(s.massG, s.inG)));
  const perG = box.most / heaviest;
  const columns = stations.map((s, i) => ({
    id: s.id,
    x0: box.left + i * width,
    x1: box.left + (i + 1) * width,
    mid: box.left + (i + 0.5) * width,
    thickness: Math.max(s.massG > 0 ? 3 : 0, s.massG * perG),
    massG: s.massG,
  }));
  const points: [number, number][] = [];
  columns.forEach((c, i) => {
    if (i === 0) points.push([c.x0, c.thickness]);
    points.push([c.x0 + width * 0.2, c.thickness]);
    points.push([i === n - 1 ? c.x1 : c.x1 - width * 0.12, c.thickness]);
  });
  const body = area<[number, number]>()
    .x((p) => p[0])
    .y0((p) => box.centre - p[1] / 2)
    .y1((p) => box.centre + p[1] / 2)
    .curve(curveMonotoneX);
  const edge = (sign: number) =>
    line<[number, number]>()
      .x((p) => p[0])
      .y((p) => box.centre + (sign * p[1]) / 2)
      .curve(curveMonotoneX);
  let doneTo = box.left;
  stations.forEach((s, i) => {
    const c = columns[i]!;
    if (s.done) doneTo = c.x1;
    else if (s.active && s.from !== s.to) doneTo = c.x0 + (c.x1 - c.x0) * elapsed(s.from, s.to, box.today);
  });
  return {
    columns,
    body: body(points) ?? '',
    top: edge(-1)(points) ?? '',
    bottom: edge(1)(points) ?? '',
    doneTo,
    stops: stations.map((s, i) => ({ offset: (i + 0.5) / n, hex: s.hex })),
    perG,
    centre: box.centre,
  };
}

/** A limb that falls into the ribbon (sign -1, from above) or out of it (sign 1, below) at x. */
export function limb(x: number, edgeY: number, farY: number, width: number, reach: number): string {
  const w = Math.max(3, width);
  const bend = (farY + edgeY) / 2;
  return [
    `M ${x - reach} ${farY - w / 2}`,
    `C ${x - reach * 0.3} ${farY - w / 2}, ${x + w / 2} ${bend}, ${x + w / 2} ${edgeY}`,
    `L ${x - w / 2} ${edgeY}`,
    `C ${x - w / 2} ${bend + w / 3}, ${x - reach * 0.3} ${farY + w / 2}, ${x - reach} ${farY + w / 2}`,
    'Z',
  ].join(' ');
}
