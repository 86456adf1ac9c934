import { describe, expect, it } from 'vitest';
import { carry, lotOfVariety, mapStations, newBatch, reportLine, stationSummary, variety, type LineReport } from '@roskel/core';
import { withPods } from '../../core/tests/helpers';
import { randomGraph } from '../../core/tests/graphs';
import { dice } from '../../core/tests/random';
import { layoutLine } from '../src/line/layout';
import { wayThrough } from '../src/line/way';
import { ribbonShape } from '../src/line/geometry';
import { TRACKS, trackPoints } from '../src/line/tracks';
import { grams, ph, shu } from '../src/format';

const lots = [lotOfVariety(variety('cayenne-red'), { id: 'a' })];
const file = carry(withPods(newBatch('G', '2026-10-01'), [{ lotId: 'a', massG: 600, prep: 'whole' }]), lots, []);
const report = reportLine(file, { today: '2026-10-05' });

describe('the drawn line', () => {
  const shape = ribbonShape(report.stations.map(stationSummary), { left: 50, right: 750, centre: 100, most: 90, today: '2026-10-05' });
  it('thickness is mass', () => {
    const [prep, salt] = shape.columns;
    expect(salt!.thickness / prep!.thickness).toBeCloseTo(salt!.massG / prep!.massG, 6);
    expect(Math.max(...shape.columns.map((c) => c.thickness))).toBeCloseTo(90, 6);
  });
  it('nothing has happened yet; a running ferment is solid up to its day', () => {
    expect(shape.doneTo).toBe(50);
    const going = mapStations(file, (s) => (['prep', 'salt'].includes(s.id) ? { ...s, log: { doneOn: '2026-10-01' } } : s));
    const half = ribbonShape(reportLine(going, { today: '2026-10-08' }).stations.map(stationSummary), {
      left: 50,
      right: 750,
      centre: 100,
      most: 90,
      today: '2026-10-08',
    });
    expect(half.doneTo).toBeCloseTo(50 + 200 + 50, 6);
  });
  it('track marks stay in their strip and keep the order of values', () => {
    for (const track of TRACKS) {
      const { points } = trackPoints(
        track,
        report.stations,
        shape.columns.map((c) => c.mid),
        200,
        38,
      );
      // Body begins in the jug: pods in pieces do not pour.
      expect(points.length).toBe(track.key === 'body' ? 3 : 7);
      for (const p of points) {
        expect(p.y).toBeGreaterThanOrEqual(200);
        expect(p.y).toBeLessThanOrEqual(238);
        expect(p.high).toBeLessThanOrEqual(p.low);
      }
    }
  });
});

describe('a line with strands', () => {
  const BOX = { left: 58, right: 1150, head: 38, most: 72, labels: 16, today: '2026-03-05' };
  const reports = (): LineReport[] => {
    const found: LineReport[] = [];
    for (let seed = 1; found.length < 9; seed++) {
      try {
        found.push(reportLine(randomGraph(dice(seed)), { today: '2026-03-05', members: 60, forecast: false }));
      } catch {
        // Too little somewhere: another one.
      }
    }
    return found;
  };
  it('every strand is drawn once: read along, flowing in or branching off, and every station can be reached', () => {
    for (const report of reports()) {
      const stations = report.stations.map(stationSummary);
      for (const end of report.ends) {
        for (const through of [null, ...report.stations.map((s) => s.id)]) {
          const { way, inflows, branches, shape, rows } = layoutLine(stations, report.strands, end.strandId, through, BOX);
          const drawn = [
            ...way.stationIds,
            ...inflows.flatMap((f) => f.rings.map((r) => r.id)),
            ...branches.flatMap((b) => b.rings.map((r) => r.id)),
          ];
          expect(new Set(drawn).size).toBe(drawn.length);
          if (through !== null) expect(way.stationIds).toContain(through);
          else expect(drawn).toHaveLength(report.stations.length);
          expect(shape.columns.map((c) => c.id)).toEqual(way.stationIds);
          // Nothing leaves the picture, and no two lanes stand on one another.
          for (const f of [...inflows, ...branches]) {
            for (const r of f.rings) expect(r.x > 0 && r.x < BOX.right && r.y > BOX.head && r.y < rows.bottom).toBe(true);
            expect(f.label.y > BOX.head && f.label.y < rows.bottom && f.label.x < BOX.right).toBe(true);
          }
          const lanes = [...inflows, ...branches].map((f) => f.rings[0]!.y);
          for (const y of lanes) expect(Math.abs(y - rows.centre)).toBeGreaterThan(BOX.most / 2);
        }
      }
    }
  });
  it('the way goes downstream: each of its stations waits for the one before it', () => {
    for (const report of reports().slice(0, 8)) {
      const place = new Map(report.stations.map((s, i) => [s.id, i]));
      for (const s of report.stations) {
        const { stationIds } = wayThrough(report.strands, report.ends[0]!.strandId, s.id);
        const order = stationIds.map((id) => place.get(id)!);
        expect(order).toEqual([...order].sort((a, b) => a - b));
      }
    }
  });
});

it('figures have the precision they deserve', () => {
  expect(shu(4949)).toBe('4,900');
  expect(ph(3.4567)).toBe('3.5');
  expect(ph(3.4567, true)).toBe('3.46');
  expect(grams(3.25)).toBe('3.3 g');
});
