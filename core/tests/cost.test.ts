import { describe, expect, it } from 'vitest';
import {
  addStation,
  carry,
  costOf,
  HOBS,
  inOven,
  kwhOf,
  lotOfVariety,
  mainEnd,
  minuteRange,
  newBatch,
  reportTypical,
  shareOut,
  stationKind,
  sterilising,
  STYLES,
  variety,
  type BatchFile,
  type Prices,
  type StationEntry,
} from '../src';
import { example, pods, put } from './helpers';

const DAY = '2026-10-20';
const PRICES: Prices = {
  pods: () => ({ perG: 8 / 1000, packG: null }),
  larder: (key) =>
    (
      ({
        vinegar_cider: { perG: 1.6 / 500, packG: 500 },
        sugar_white: { perG: 1.3 / 1000, packG: 1000 },
        salt_fine: { perG: 0.9 / 500, packG: 500 },
      }) as Record<string, { perG: number; packG: number }>
    )[key] ?? null,
  tariff: 0.3,
  hob: 'coil',
  bottle: () => 0.9,
  wholePacks: false,
};
/** Pods, vinegar, sugar, salt and water in a jug, then bottles of 200 ml. */
function jug(more: Partial<{ bottles: number }> = {}): BatchFile {
  const base = newBatch('Pier Head', '2026-10-01', { lowShu: 500, highShu: 9000, bottles: more.bottles ?? 3, bottleMl: 200 });
  const lot = lotOfVariety(variety('cayenne-red'), { id: 'cay' });
  const stations = [
    {
      id: 'blend',
      kind: 'blend',
      intakes: [pods('cay', 250), put('vinegar_cider', 300), put('sugar_white', 40), put('salt_fine', 12), put('water', 150)],
      params: { ...(stationKind('blend').defaults() as object), heldUpPct: 0 },
      log: {},
    },
    { id: 'bottle', kind: 'bottle', intakes: [], params: stationKind('bottle').defaults(), log: {} },
  ] as StationEntry[];
  return carry({ ...base, strands: [{ ...mainEnd(base), stations }] }, [lot], []);
}
const near = (x: number | null, y: number, digits = 6) => expect(x).toBeCloseTo(y, digits);

describe('what a batch costs (handbook chapter 5, section 18.3)', () => {
  it('against a sum worked out by hand: per batch, per bottle, per 100 and 200 ml', () => {
    const file = jug();
    const report = reportTypical(file, DAY);
    const [cost] = costOf(file, report, PRICES);
    // By hand: 250 g pods at 8.00/kg, 300 g vinegar at 1.60/500, 40 g sugar at 1.30/kg, 12 g salt at .90/500; the tap is free.
    const stuff = 2.0 + 0.96 + 0.052 + 0.0216;
    near(cost!.stuff, stuff);
    near(cost!.bottles, 3 * 0.9);
    // Three bottles of 200 ml filled to 95 %.
    near(cost!.ml, 570);
    const kwh = report.stations.flatMap((s) => s.energy).reduce((s, e) => s + kwhOf(e, 'coil'), 0);
    near(cost!.energy, kwh * 0.3);
    near(cost!.total, stuff + 2.7 + kwh * 0.3);
    near(cost!.perBottle, (stuff + 2.7 + kwh * 0.3) / 3);
    near(2 * cost!.per100!, ((stuff + 2.7 + kwh * 0.3) * 200) / 570);
    near(cost!.per100Stuff, ((stuff + kwh * 0.3) * 100) / 570);
    expect(cost!.unpriced).toEqual([]);
  });
  it('whole packages for one who had nothing: the vinegar and the salt are bought, what is left of them too', () => {
    const file = jug();
    const [cost] = costOf(file, reportTypical(file, DAY), { ...PRICES, wholePacks: true });
    near(cost!.stuff, 2.0 + 1.6 + 1.3 + 0.9);
  });
  it('what has no price is named and left out; without a tariff energy has none', () => {
    const file = jug();
    const [cost] = costOf(file, reportTypical(file, DAY), { ...PRICES, pods: () => null, tariff: null, bottle: () => null });
    near(cost!.stuff, 0.96 + 0.052 + 0.0216);
    expect(cost!.unpriced).toHaveLength(3);
    near(cost!.total, cost!.stuff);
  });
  it('energy: the handbook’s oven and steriliser; gas takes 1.75 times what a coil does', () => {
    near(kwhOf(inOven(40, 200), 'coil'), 1.05);
    near(kwhOf(sterilising(10), 'coil'), 0.61, 1);
    near(kwhOf(sterilising(10), 'gas') / kwhOf(sterilising(10), 'coil'), 1.75);
    for (const hob of Object.keys(HOBS) as (keyof typeof HOBS)[]) expect(kwhOf(inOven(40, 200), hob)).toBe(1.05);
  });
  it('adds up over branches: what the bowls of one base cost is what went in', () => {
    let file = jug();
    file = addStation(file, 'strain', { stationId: 'bottle', where: 'before' });
    const three = shareOut(file, mainEnd(file).id, 3);
    const report = reportTypical(three, DAY);
    const costs = costOf(three, report, PRICES);
    expect(costs.length).toBe(3);
    const all = costs.reduce((s, c) => s + c.stuff, 0);
    near(all, 2.0 + 0.96 + 0.052 + 0.0216, 4);
  });
  it('in every style and example: no energy below 0, ends add up to the larder, more is never cheaper', () => {
    for (const name of [
      'galley-red',
      'harbour-dark',
      'mooring-green',
      'net-loft',
      'quay-dip',
      'lantern-paste',
      'four-coves',
      'driftwood',
    ]) {
      const file = example(name);
      const report = reportTypical(file, DAY);
      for (const s of report.stations) for (const e of s.energy) expect(kwhOf(e, 'gas')).toBeGreaterThanOrEqual(0);
      const flat: Prices = { ...PRICES, larder: () => ({ perG: 0.01, packG: 250 }), pods: () => ({ perG: 0.02, packG: null }) };
      const costs = costOf(file, report, flat);
      const byHand = file.strands
        .flatMap((s) => s.stations)
        .flatMap((e) => e.intakes.map((i) => ({ i, g: report.stations.find((s) => s.id === e.id)!.enters.grams[i.id] ?? 0 })))
        .reduce(
          (s, { i, g }) =>
            s + (i.origin.from === 'pods' ? 0.02 * g : i.origin.from === 'larder' && i.origin.key !== 'water' ? 0.01 * g : 0),
          0,
        );
      const salt = report.stations
        .flatMap((s) => s.made)
        .filter((f) => f.id.startsWith('salt'))
        .reduce((s, f) => s + 0.01 * f.massG, 0);
      near(
        costs.reduce((s, c) => s + c.stuff, 0),
        byHand + salt + starchOf(report) * 0.01,
        5,
      );
      const whole = costOf(file, report, { ...flat, wholePacks: true });
      costs.forEach((c, n) => expect(whole[n]!.stuff).toBeGreaterThanOrEqual(c.stuff - 1e-9));
    }
    expect(Object.keys(STYLES).length).toBeGreaterThan(10);
  });
  it('minutes are told as a range, to 5 below an hour and 15 above', () => {
    expect(minuteRange(39)).toEqual([30, 50]);
    expect(minuteRange(100)).toEqual([75, 120]);
    expect(minuteRange(0)).toEqual([5, 5]);
  });
});

const starchOf = (report: ReturnType<typeof reportTypical>) =>
  report.stations
    .flatMap((s) => s.made)
    .filter((f) => /starch|xanthan/.test(f.id))
    .reduce((s, f) => s + f.massG, 0);
