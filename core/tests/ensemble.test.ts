import { withoutKinds } from './helpers';
import { setup } from './helpers';
import { line } from './helpers';
import { mainEnd } from '@roskel/core';
import { withGoal } from '@roskel/core';
import { describe, expect, it } from 'vitest';
import {
  BANDED,
  bandedOf,
  acidWorld,
  drawEnsemble,
  firstLook,
  LineMemo,
  reportLine,
  reportSteps,
  reportTypical,
  seedOfFile,
  tryLine,
  type BatchFile,
} from '@roskel/core';
import { smallBatch } from './helpers';
import { dice, randomBatch, type Dice } from './random';

const OPTIONS = { today: '2026-11-25', members: 60, forecast: false } as const;

/** A line that runs, of any kind. */
function running(d: Dice): BatchFile {
  for (;;) {
    const file = randomBatch(d);
    try {
      reportTypical(file, OPTIONS.today);
      return file;
    } catch {
      // The next one.
    }
  }
}
const stepsOf = (file: BatchFile, memo: LineMemo) => {
  const steps = reportSteps(file, OPTIONS, memo);
  let count = 0;
  while (!steps.next().done) count++;
  // The first is the typical answer.
  return count - 1;
};
const params = (file: BatchFile, id: string) => line(file).find((s) => s.id === id)!.params as object;

describe('many worlds of a line', () => {
  it('say what each world, run alone from the first station to the last, says', () => {
    const d = dice(41);
    for (let n = 0; n < 5; n++) {
      const file = running(d);
      const report = reportLine(file, OPTIONS);
      const finals: Record<string, number[]> = Object.fromEntries(BANDED.map((b) => [b, []]));
      let failed = 0;
      for (const draw of drawEnsemble(seedOfFile(file), 60)) {
        const runs = tryLine(file, draw);
        if (!runs) failed++;
        else
          for (const [b, v] of Object.entries(bandedOf(runs.at(-1)!.out, acidWorld(draw), undefined, draw.z('body'))))
            if (v !== null) finals[b]!.push(v);
      }
      expect(report.failed).toBe(failed);
      const { lowShu, highShu } = mainEnd(file).goal;
      expect(report.ends[0]!.odds).toBe(finals.heatShu!.filter((h) => h >= lowShu && h <= highShu).length / 60);
      for (const b of BANDED.filter((x) => x !== 'pH')) {
        const sorted = finals[b]!.sort((x, y) => x - y);
        const band = report.stations.at(-1)!.band[b];
        if (!band) continue;
        expect(band.p50).toBeGreaterThanOrEqual(sorted[0]!);
        expect(Math.abs(band.p50 - (sorted[29]! + sorted[30]!) / 2)).toBeLessThanOrEqual(Math.abs(sorted[32]! - sorted[27]!) + 1e-9);
      }
    }
  });

  it('remembered, they say the same after any edit as run anew', () => {
    const d = dice(7);
    for (let n = 0; n < 4; n++) {
      const memo = new LineMemo();
      let file = running(d);
      for (let edit = 0; edit < 6; edit++) {
        expect(reportLine(file, OPTIONS, memo)).toEqual(reportLine(file, OPTIONS));
        const other = running(d);
        const id = d.pick(line(file).filter((x) => line(other).some((o) => o.id === x.id))).id;
        const next = d.pick([
          () => withGoal(file, 'main', mainEnd(other).goal),
          () =>
            setup(
              { ...file, lots: [...file.lots, ...other.lots.filter((l) => !file.lots.some((x) => x.id === l.id))] },
              id,
              params(other, id),
            ),
          () => ({ ...file, startDate: other.startDate }),
          () => ({ ...file, lots: file.lots.map((l) => ({ ...l, waterPct: Math.min(96, l.waterPct + 1) })) }),
          () => ({ ...file, name: `${file.name}x` }),
        ])();
        try {
          reportTypical(next, OPTIONS.today);
          file = next;
        } catch {
          // Such an edit is refused; the file stays.
        }
      }
    }
  });

  it('an edit runs what comes after it, and nothing before', () => {
    const memo = new LineMemo();
    const file = smallBatch();
    const all = line(file).length;
    expect(stepsOf(file, memo)).toBe(all);
    expect(stepsOf({ ...file, name: 'Other name' }, memo)).toBe(0);
    expect(stepsOf(setup(file, 'bottle', { ...params(file, 'bottle'), headspacePct: 9 }), memo)).toBe(1);
    expect(stepsOf(withGoal(file, 'main', { ...mainEnd(file).goal, bottleMl: 120 }), memo)).toBe(1);
    expect(stepsOf(setup(file, 'strain', { ...params(file, 'strain'), method: 'cloth' }), memo)).toBe(2);
    // Back again is known again.
    expect(stepsOf(file, memo)).toBe(0);
  });

  it('the first look has the new typical values and the bands of before; another line has none', () => {
    const file = smallBatch();
    const before = reportLine(file, OPTIONS);
    const less = setup(file, 'bottle', { ...params(file, 'bottle'), headspacePct: 9 });
    const look = firstLook(reportTypical(less, OPTIONS.today), before)!;
    expect(look.ends[0]!.finished).toEqual(reportLine(less, OPTIONS).ends[0]!.finished);
    expect(look.stations.at(-1)!.band).toEqual(before.stations.at(-1)!.band);
    expect(firstLook(reportTypical(withoutKinds(file, ['strain']), OPTIONS.today), before)).toBeNull();
    expect(firstLook(reportTypical(file, OPTIONS.today), null)).toBeNull();
  });
});
