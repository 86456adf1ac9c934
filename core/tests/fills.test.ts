import { describe, expect, it } from 'vitest';
import {
  choosePods,
  fillsText,
  goalOf,
  lostText,
  lotOfVariety,
  newBatch,
  reportLine,
  SWEET_FILLER,
  useMix,
  variety,
  withGoal,
  workTime,
} from '../src';
import { highsSolver } from '@roskel/core/highs';
import { example, log, rounds, smallBatch } from './helpers';
import { dice } from './random';

const TODAY = '2026-10-01';
const say = (file: ReturnType<typeof smallBatch>) => reportLine(file, { today: TODAY, forecast: false });
const wish = (bottles: number, bottleMl: number) => withGoal(smallBatch(), 'main', { ...goalOf(smallBatch(), 'main'), bottles, bottleMl });

describe('bottles (handbook chapter 6, section 7)', () => {
  const whole = say(smallBatch()).ends[0]!;
  /** A bottle that half of the worlds fill: what there is in the middle, with its headspace. */
  const edge = wish(1, Math.round(whole.fills.ml.p50 / 0.95));
  it('worlds and plans that fill none keep their properties; the odds of the last bottle are told', () => {
    const end = say(edge).ends[0]!;
    expect(end.fills.odds).toBeGreaterThan(0.3);
    expect(end.fills.odds).toBeLessThan(0.7);
    for (const q of ['p10', 'p50', 'p90'] as const) expect(end.heat[q]).toBeCloseTo(whole.heat[q], 6);
    expect(end.odds).toBeCloseTo(whole.odds, 9);
    const none = say(wish(1, 4000)).ends[0]!;
    expect([none.bottles.possible, none.fills.odds]).toEqual([0, 0]);
    for (const q of ['p10', 'p50', 'p90'] as const) expect(none.heat[q]).toBeCloseTo(whole.heat[q], 6);
    expect(none.finished.heatShu).toBeCloseTo(whole.finished.heatShu, 6);
    expect(none.finished.pH).toBeCloseTo(whole.finished.pH!, 6);
  });
  it('"makes" is all of it, however much of it is bottled; a count that was made stands', () => {
    const [one, all] = [say(wish(1, 100)).ends[0]!, say(wish(50, 100)).ends[0]!];
    expect(one.finished.massG).toBeCloseTo(all.finished.massG, 6);
    expect(one.fills.ml).toEqual(all.fills.ml);
    const counted = say(log(smallBatch(), 'bottle', { bottles: 7 })).ends[0]!;
    expect(counted.fills.bottles).toEqual({ p10: 7, p50: 7, p90: 7 });
  });
  it('sentences: how many are full, and what a weighing cost', () => {
    const end = say(wish(6, 100)).ends[0]!;
    expect(fillsText(end)).toMatch(/^Enough for \d+( to \d+)? bottles?; all 6 are full in (about|nearly|hardly) .* of such batches\.$/);
    const after = say(log(wish(6, 100), 'strain', { massG: 480 })).ends;
    expect(lostText([end], after)).toMatch(/^That costs \d bottles?: there is enough for \d bottles? now\.$/);
    expect(lostText(after, [end])).toBeNull();
  });
  it('what Choose says to fill up with fills them in eight of ten batches', async () => {
    const solver = await highsSolver();
    const d = dice(77);
    let [asked, full] = [0, 0];
    for (let i = 0; i < rounds(25); i++) {
      const batch = newBatch(`F${i}`, TODAY, { lowShu: 100, highShu: 90_000, bottles: d.pick([4, 6, 8]), bottleMl: 100 });
      const own = {
        lot: lotOfVariety(variety('cayenne-red'), { id: 'own' }),
        stockG: d.pick([60, 120, 200]),
        prep: 'whole' as const,
        useFirst: false,
      };
      const answer = choosePods(solver, batch, [own]);
      const grams = answer.status === 'short' ? /with (\d+) g of sweet red pepper/.exec(answer.help.join(' '))?.[1] : undefined;
      if (grams === undefined) continue;
      asked++;
      const sweet = { lot: lotOfVariety(SWEET_FILLER, { id: 's' }), stockG: Number(grams), prep: 'whole' as const, useFirst: false };
      const [end] = say(useMix(batch, [own, sweet], { own: own.stockG, s: Number(grams) })).ends;
      if (end!.fills.odds >= 0.79 && end!.bottles.possible >= end!.goal.bottles) full++;
    }
    expect(asked).toBeGreaterThan(rounds(12));
    expect(full / asked).toBeGreaterThanOrEqual(0.9);
  });
});

it('the clock of a batch: what is done side by side counts once, hands are one pair, what stands for days is told in days', () => {
  // Two roasts of two steps and of one flow into a jug; then a sieve and bottles: 2 + 3 steps on the longest way, of 6.
  const file = example('driftwood');
  const ways = new Map(file.strands.map((s) => [s.id, s.stations.length]));
  const [main] = file.strands;
  const others = Math.max(...file.strands.filter((s) => s !== main).map((s) => ways.get(s.id)!));
  const at = main!.stations.findIndex((e) => e.intakes.some((i) => i.origin.from === 'strand'));
  const longest = main!.stations.length - at + Math.max(at, others);
  const of = (hands: number, clock: number, stands: readonly string[] = []) =>
    workTime(
      file,
      file.strands.flatMap((s) =>
        s.stations.map(({ id }) => ({
          id,
          minutes: { hands, clock },
          bowlG: 100,
          from: TODAY,
          to: stands.includes(id) ? '2026-10-08' : TODAY,
        })),
      ),
    );
  const all = [...ways.values()].reduce((a, n) => a + n, 0);
  expect(longest).toBeLessThan(all);
  expect(of(1, 10)).toEqual({ hands: all, clock: 10 * longest });
  expect(of(10, 10)).toEqual({ hands: 10 * all, clock: 10 * all });
  const last = main!.stations.at(-1)!.id;
  expect(of(1, 10, [last]).clock).toBe(10 * (longest - 1) + 1);
});
