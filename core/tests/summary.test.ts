import { setup } from './helpers';
import { line } from './helpers';
import { mapStations } from '@roskel/core';
import { describe, expect, it } from 'vitest';
import { countedIn, openNeeds, reportLine, summaryOf } from '@roskel/core';
import { smallBatch } from './helpers';

const TODAY = '2026-11-25';

describe('what a list shows of a batch', () => {
  it('is what its report says, in each way of counting heat', () => {
    const file = smallBatch();
    const s = summaryOf(file, TODAY);
    const report = reportLine(file, { today: TODAY, forecast: false });
    expect(s.ends[0]!.heatShu.dry).toBeCloseTo(report.ends[0]!.finished.heatShu, 9);
    expect(s.ends[0]!.heatShu.fresh).toBeCloseTo(
      reportLine(countedIn(file, 'fresh'), { today: TODAY, forecast: false }).ends[0]!.finished.heatShu,
      9,
    );
    expect([s.ends[0]!.massG, s.ends[0]!.bottles, s.stations.length]).toEqual([
      report.ends[0]!.finished.massG,
      report.ends[0]!.bottles.filled,
      report.stations.length,
    ]);
    const at = report.stations.find((x) => x.active)!;
    expect(report.duties.filter((d) => d.stationId === at.id).map((d) => d.text)).toContain(s.next!.text);
  });
  it('is small, whatever the batch holds', () => {
    expect(JSON.stringify(summaryOf(smallBatch(), TODAY)).length).toBeLessThan(2500);
  });
  it('a line that cannot run has its sentence, and its name and goal still', () => {
    const file = smallBatch();
    const salt = line(file).find((s) => s.id === 'salt')!.params as object;
    const s = summaryOf(setup(file, 'salt', { ...salt, jarMl: 200, jars: 1 }), TODAY);
    expect(s.trouble).toMatch(/jar/i);
    expect([s.name, s.ends[0]!.massG, s.next]).toEqual([file.name, 0, null]);
  });
  it('what is done needs nothing more', () => {
    const file = smallBatch();
    expect(openNeeds(file).some((n) => n.store === 'pods')).toBe(true);
    const cut = mapStations(file, (s) => (s.id === 'prep' ? { ...s, log: { doneOn: TODAY } } : s));
    expect(openNeeds(cut).some((n) => n.store === 'pods')).toBe(false);
    expect(openNeeds(cut).length).toBeGreaterThan(0);
  });
});
