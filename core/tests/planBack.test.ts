import { describe, expect, it } from 'vitest';
import { addDays, daysBetween, forecastJar, lastDay, planBack, reportLine, runLine, schedule, SURE, TYPICAL, withBackPlan } from '../src';
import { log, smallBatch } from './helpers';

const TODAY = '2026-09-20';
const file = smallBatch();
const { asked } = reportLine(file, { today: TODAY }).forecasts[0]!;
const forecast = forecastJar({ ...asked, horizonDays: 120 });

describe('planned back from the day it is wanted', () => {
  it('the latest start that most are ready by, and not a day later; the plan then ends on that day', () => {
    const wanted = addDays(TODAY, 60);
    const { latest, now } = planBack(file, 'ferment', forecast, wanted, TODAY);
    expect(latest!.odds).toBeGreaterThan(SURE - 0.006);
    expect(now.odds).toBeGreaterThanOrEqual(latest!.odds);
    // Counted another way: the share of the forecast's own jars that are ready by the day the jar is opened.
    const i = forecast.days.indexOf(latest!.days);
    if (i >= 0) expect(forecast.readyBy[i]).toBe(latest!.odds);
    const later = forecast.readyBy[forecast.days.findIndex((d) => d >= latest!.days - 1)]!;
    expect(later < SURE - 0.005 || latest!.days > forecast.days.at(-1)!).toBe(true);
    const planned = withBackPlan(file, 'ferment', latest!, asked.tempC);
    expect(lastDay(planned)).toBe(wanted);
    expect(daysBetween(schedule(planned).get('ferment')!.from, schedule(planned).get('ferment')!.to)).toBe(latest!.days);
    expect(() => runLine(planned, TYPICAL)).not.toThrow();
  });
  it('three weeks are short, and say so; a week cannot be; a day that is past, or a jar that stands, is a sentence', () => {
    const three = planBack(file, 'ferment', forecast, addDays(TODAY, 21), TODAY);
    expect(three.now.odds).toBeGreaterThan(0.3);
    expect(planBack(file, 'ferment', forecast, addDays(TODAY, 5), TODAY)).toMatchObject({ latest: null, now: { odds: 0 } });
    expect(() => planBack(file, 'ferment', forecast, addDays(TODAY, -1), TODAY)).toThrow(/past/);
    const begun = log(file, 'prep', { doneOn: TODAY });
    expect(() => planBack(begun, 'ferment', forecast, addDays(TODAY, 30), TODAY)).toThrow(/begun/);
  });
  it('what is taken is gone round: the latest sure start that is free, else the free one with the best odds, else none', () => {
    const wanted = addDays(TODAY, 60);
    const plain = planBack(file, 'ferment', forecast, wanted, TODAY);
    expect(plain.free).toEqual(plain.latest);
    const latest = plain.latest!.start;
    const before = planBack(file, 'ferment', forecast, wanted, TODAY, (p) => p.start > addDays(latest, -4));
    expect(before.latest).toEqual(plain.latest);
    expect(before.free).toMatchObject({ start: addDays(latest, -4) });
    const after = planBack(file, 'ferment', forecast, wanted, TODAY, (p) => p.start <= addDays(latest, 4));
    expect(after.free).toMatchObject({ start: addDays(latest, 5) });
    expect(after.free!.odds).toBeLessThan(SURE);
    expect(planBack(file, 'ferment', forecast, wanted, TODAY, () => true).free).toBeNull();
  });
  it('a later wish is never a worse one', () => {
    let odds = 0;
    for (let d = 7; d < 90; d++) {
      const { now } = planBack(file, 'ferment', forecast, addDays(TODAY, d), TODAY);
      expect(now.odds).toBeGreaterThanOrEqual(odds);
      odds = now.odds;
    }
  });
});
