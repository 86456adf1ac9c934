import { describe, expect, it } from 'vitest';
import { lotOfVariety, carry, newBatch, reportLine, stationSummary, variety, withParams } from '@roskel/core';
import { ribbonShape } from '../src/line/geometry';
import { TRACKS, trackPoints } from '../src/line/tracks';
import { grams, odds, ph, shu } from '../src/format';

const lots = [lotOfVariety(variety('cayenne-red'), { id: 'a' })];
const file = carry(withParams(newBatch('G', '2026-10-01'), 'prep', { pods: [{ lotId: 'a', massG: 600, prep: 'whole' }] }), lots, []);
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
    const going = {
      ...file,
      stations: file.stations.map((s) => (['prep', 'salt'].includes(s.id) ? { ...s, log: { doneOn: '2026-10-01' } } : s)),
    };
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
      expect(points.length).toBe(7);
      for (const p of points) {
        expect(p.y).toBeGreaterThanOrEqual(200);
        expect(p.y).toBeLessThanOrEqual(238);
        expect(p.high).toBeLessThanOrEqual(p.low);
      }
    }
  });
});

it('figures have the precision they deserve', () => {
  expect(shu(4949)).toBe('4,900');
  expect(ph(3.4567)).toBe('3.5');
  expect(ph(3.4567, true)).toBe('3.46');
  expect(odds(0.999)).toBe('more than 99 in 100');
  expect(odds(0.001)).toBe('fewer than 1 in 100');
  expect(grams(3.25)).toBe('3.3 g');
});
