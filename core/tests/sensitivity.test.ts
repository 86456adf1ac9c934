import { describe, expect, it } from 'vitest';
import {
  bandKnowing,
  drawEnsemble,
  LineProblem,
  lotOfVariety,
  mainEnd,
  endOf,
  runOf,
  sensitivityOf,
  sourceOf,
  stationsOf,
  tryLine,
  variety,
  carry,
  newBatch,
  type BatchFile,
  type Draw,
  type Hang,
} from '../src';
import { exampleFile, log, rounds, smallBatch, withPods, withoutKinds } from './helpers';
import { dice, randomBatch } from './random';

const last = (file: BatchFile) => endOf(mainEnd(file)).id;
const heatOf = (file: BatchFile, draw: Draw): number | null => {
  const runs = tryLine(file, draw);
  const out = runs && runOf(runs, last(file)).out.stream;
  if (!out) return null;
  const mass = Object.values(out.grams).reduce((s, g) => s + g, 0);
  return out.heatShuG > 0 ? Math.log(out.heatShuG / mass) : null;
};
const keyOf = (h: Pick<Hang, 'source'>) => `${h.source.kind}/${h.source.id}`;
const shares = (file: BatchFile, what: Parameters<typeof sensitivityOf>[2], id = last(file), worlds?: number) =>
  new Map(sensitivityOf(file, id, what, worlds)?.hangs.map((h) => [keyOf(h), h.share]));

/** Two lots, blended and bottled: heat is a sum of two log-normals and nothing else. */
function twoLots(sigmas: readonly [number, number], massG: readonly [number, number]): BatchFile {
  const lots = (['cayenne-red', 'habanero-orange'] as const).map((key, i) => {
    const lot = lotOfVariety(variety(key), { id: `lot${i}` });
    return { ...lot, heat: { ...lot.heat!, sigma: sigmas[i]! } };
  });
  const file = withoutKinds(newBatch('Two', '2026-10-01', { lowShu: 1000, highShu: 90_000, bottles: 2, bottleMl: 100 }), [
    ...['salt', 'ferment', 'drain', 'strain', 'simmer', 'trim'],
  ]);
  return carry(
    withPods(
      file,
      lots.map((l, i) => ({ lotId: l.id, massG: massG[i]!, prep: 'whole' })),
    ),
    lots,
    [],
  );
}

describe('what a number hangs on', () => {
  it('two lots: the shares of two log-normals (total indices by quadrature)', () => {
    const sigmas = [0.4, 0.7] as const;
    const file = twoLots(sigmas, [600, 60]);
    const found = shares(file, 'heatShu', last(file), 250);
    // Var(ln(a e^(s1 z1) + b e^(s2 z2))) and its parts over a grid of normal quantiles, from the loads alone.
    const load = file.lots.map((l, i) => [600, 60][i]! * l.heat!.dryShu * (1 - l.waterPct / 100));
    const n = 200;
    const z = Array.from({ length: n }, (_, i) => normal((i + 0.5) / n));
    const y = z.map((z1) => z.map((z2) => Math.log(load[0]! * Math.exp(sigmas[0] * z1) + load[1]! * Math.exp(sigmas[1] * z2))));
    const mean = (xs: readonly number[]) => xs.reduce((s, x) => s + x, 0) / xs.length;
    const variance = (xs: readonly number[]) => mean(xs.map((x) => (x - mean(xs)) ** 2));
    const all = variance(y.flat());
    const total = [mean(z.map((_, j) => variance(y.map((row) => row[j]!)))) / all, mean(y.map(variance)) / all];
    const sum = total[0]! + total[1]!;
    // 250 worlds: a share is right to 9 in 100 of itself (one standard error).
    for (const i of [0, 1]) expect(Math.abs(found.get(`lot/lot${i}`)! - total[i]! / sum)).toBeLessThan(0.14);
    // A lot that is known leaves the other all of it.
    const known = shares(twoLots([0.001, 0.7], [600, 60]), 'heatShu');
    expect([known.has('lot/lot0'), known.get('lot/lot1')! + (known.get('pods/lot1') ?? 0) > 0.95]).toEqual([false, true]);
  });

  it('the example: as finite differences say of every unknown, one by one', () => {
    const planned = smallBatch();
    const found = shares(planned, 'heatShu', last(planned), 150);
    const names = new Set<string>();
    tryLine(planned, { z: (name) => (names.add(name), 0), typical: false });
    const squares = new Map<string, number>();
    for (const name of names) {
      const at = (x: number) => heatOf(planned, { z: (asked) => (asked === name ? x : 0), typical: false })!;
      // Over the width of the unknown, not at a point: what saturates is not straight.
      const slope = (at(1.5) - at(-1.5)) / 3;
      const key = keyOf({ source: sourceOf(planned, name) });
      squares.set(key, (squares.get(key) ?? 0) + slope ** 2);
    }
    const all = [...squares.values()].reduce((s, x) => s + x, 0);
    for (const [key, square] of squares) expect([key, Math.abs((found.get(key) ?? 0) - square / all) < 0.12]).toEqual([key, true]);
  });

  it('lines of any kind: as the indices by their definition, every world run whole (Sobol 1993; Saltelli et al. 2010, from memory)', () => {
    const d = dice(7);
    let left = rounds(20, 0.1);
    for (let tries = 0; left > 0 && tries < 400; tries++) {
      const file = randomBatch(d);
      const found = (() => {
        try {
          return sensitivityOf(file, last(file), 'heatShu', 300);
        } catch {
          return null;
        }
      })();
      const [first] = found?.hangs ?? [];
      if (!first || tryLine(file, drawEnsemble(1, 2)[0]!) === null) continue;
      left--;
      // The mean, over worlds of everything else, of the variance that this one source brings.
      const [outer, inner] = [40, 8];
      const own = new Set<string>();
      const worlds = drawEnsemble(99, outer);
      const others = drawEnsemble(123, outer * inner);
      const values = worlds.map((world, i) =>
        Array.from({ length: inner }, (_, j) =>
          heatOf(file, {
            typical: false,
            z: (name) => {
              if (keyOf({ source: sourceOf(file, name) }) !== keyOf(first)) return world.z(name);
              own.add(name);
              return others[i * inner + j]!.z(name);
            },
          }),
        ).filter((x) => x !== null),
      );
      const variance = (xs: readonly number[]) => {
        const mean = xs.reduce((s, x) => s + x, 0) / xs.length;
        return xs.reduce((s, x) => s + (x - mean) ** 2, 0) / (xs.length - 1);
      };
      const within = values.filter((v) => v.length > 1).map(variance);
      const index = within.reduce((s, x) => s + x, 0) / within.length / variance(values.flat());
      // What is shown is no more than all of it, also where sources act together.
      const most = Math.max(1, index);
      expect([own.size > 0, Math.abs(first.share - index / most) < 0.2]).toEqual([true, true]);
    }
    expect(left).toBe(0);
  });

  it('what was measured brings no doubt any more, and what it hangs on then is said', () => {
    const planned = smallBatch();
    expect([...shares(planned, 'massG', 'strain').keys()][0]).toBe('station/strain');
    const weighed = ['prep', 'salt', 'ferment', 'drain', 'blend'].reduce((f, id) => log(f, id, { doneOn: '2026-10-20' }), planned);
    expect(shares(log(weighed, 'strain', { doneOn: '2026-10-20', massG: 600 }), 'massG', 'strain')).toEqual(new Map());
    const found = sensitivityOf(exampleFile(), last(exampleFile()), 'heatShu')!;
    const band = { p10: 1000, p50: 2000, p90: 5000 };
    expect(found.hangs.reduce((s, h) => s + h.share, 0)).toBeLessThanOrEqual(1 + 1e-9);
    for (const h of found.hangs) {
      const left = bandKnowing(band, 'heatShu', h.share);
      expect(left.p10 >= band.p10 && left.p50 === band.p50 && left.p90 <= band.p90).toBe(true);
    }
    // Three quarters of a variance known: half of the width is left, of what multiplies that of its logarithm.
    expect(bandKnowing(band, 'saltPct', 0.75)).toEqual({ p10: 1500, p50: 2000, p90: 3500 });
    expect(bandKnowing({ p10: 500, p50: 2000, p90: 8000 }, 'heatShu', 0.75)).toEqual({ p10: 1000, p50: 2000, p90: 4000 });
  });

  it('ids are free: a station may be called like an unknown, and hold a dot', () => {
    const file = smallBatch();
    const called = (from: string, to: string): BatchFile =>
      JSON.parse(JSON.stringify(file).replaceAll(`"id":"${from}"`, `"id":"${to}"`)) as BatchFile;
    expect(sourceOf(called('strain', 'acid'), 'acid.loss')).toEqual({ kind: 'station', id: 'acid' });
    expect(sourceOf(called('strain', 'st.2'), 'st.2.loss')).toEqual({ kind: 'station', id: 'st.2' });
    expect(sourceOf(file, 'acid.vinegar_cider')).toEqual({ kind: 'row', id: 'vinegar_cider' });
    expect(sourceOf(file, 'prep.knife.hot')).toEqual({ kind: 'pods', id: 'hot' });
    expect(() => sourceOf(file, 'moon.phase')).toThrow(RangeError);
  });

  it('any batch, any number: every unknown has a source with words, and shares are shares', () => {
    const d = dice(3);
    for (let i = 0; i < rounds(150, 0.15); i++) {
      const file = randomBatch(d);
      const station = d.pick(stationsOf(file)).entry;
      const what = d.pick(['massG', 'heatShu', 'pH', 'saltPct', 'sweetPct', 'body'] as const);
      let found: ReturnType<typeof sensitivityOf>;
      try {
        found = sensitivityOf(file, station.id, what, 12);
      } catch (error) {
        // A line that cannot run says so, as its report does.
        expect(error).toBeInstanceOf(LineProblem);
        continue;
      }
      for (const h of found?.hangs ?? []) {
        expect(h.share > 0 && h.share <= 1 && h.what.length > 5 && h.better.length > 5).toBe(true);
        expect(h.what).not.toMatch(/undefined|_/);
      }
    }
  });
});

/** The normal quantile by bisection of its integral (Abramowitz & Stegun 26.2.17), apart from the product's. */
function normal(p: number): number {
  const cdf = (x: number): number => {
    const t = 1 / (1 + 0.2316419 * Math.abs(x));
    const tail = 0.3989423 * Math.exp((-x * x) / 2) * t * (0.3193815 + t * (-0.3565638 + t * (1.781478 + t * (-1.821256 + t * 1.330274))));
    return x > 0 ? 1 - tail : tail;
  };
  let [low, high] = [-6, 6];
  for (let i = 0; i < 60; i++) {
    const middle = (low + high) / 2;
    if (cdf(middle) < p) low = middle;
    else high = middle;
  }
  return (low + high) / 2;
}
