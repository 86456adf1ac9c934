import { extrasOf, withExtras } from '../src';
import { setup } from './helpers';
import { line } from './helpers';
import { additionsOf } from '../src';
import { describe, expect, it } from 'vitest';
import {
  believe,
  beliefOf,
  carry,
  choosePods,
  heatShu,
  fileIssues,
  ingredient,
  learn,
  leftoverLot,
  lotStream,
  massOf,
  newBatch,
  newsFor,
  NO_BELIEFS,
  percent,
  poolOf,
  reportLine,
  runLine,
  solvePh,
  tastedSauce,
  TYPICAL,
  useMix,
  withOwnPh,
  type BatchFile,
} from '../src';
import { highsSolver } from '@roskel/core/highs';
import { log, smallBatch } from './helpers';

describe('what a sieve leaves is a lot', () => {
  const file = log(smallBatch(), 'prep', { doneOn: '2026-10-01' });
  const own = { id: 'pulp-1', name: 'Pulp' };
  const side = (f: BatchFile) =>
    runLine(f, TYPICAL)
      .find((r) => r.id === 'strain')!
      .sides.find((s) => s.id === 'pulp')!.stream;

  it('weighs, burns and salts as the line says', () => {
    const { lot, massG } = leftoverLot(file, 'strain', 'pulp', own)!;
    const there = side(file);
    const again = lotStream(lot, ingredient(lot.like), massG, TYPICAL, 0);
    expect(massG).toBeCloseTo(massOf(there), 6);
    expect(heatShu(again) / heatShu(there)).toBeCloseTo(1, 3);
    expect(percent(again, 'salt')).toBeCloseTo(percent(there, 'salt'), 1);
    expect(percent(again, 'water')).toBeCloseTo(percent(there, 'water'), 0);
    expect(solvePh(poolOf(again)).pH).toBeCloseTo(solvePh(poolOf(there)).pH, 1);
    expect(lot).toMatchObject({ form: 'ferment', varietyId: 'mixed-unknown', heat: { source: 'batch' } });
  });
  it('is hotter than the sauce and less sure than its pods', () => {
    const { lot } = leftoverLot(file, 'strain', 'pulp', own)!;
    const sauce = runLine(file, TYPICAL).at(-1)!.out.stream;
    expect((lot.heat!.dryShu * (100 - lot.waterPct)) / 100).toBeGreaterThan(1.5 * heatShu(sauce));
    expect(lot.heat!.sigma).toBeGreaterThan(file.lots[0]!.heat!.sigma);
  });
  it('says that it must be kept cold, whatever its pH is thought to be', () => {
    expect(leftoverLot(file, 'strain', 'pulp', own)!.keep).toMatch(/fridge.*week.*freeze.*dry/);
  });
  it('is nothing without a sieve, and refused with oil in it', () => {
    expect(leftoverLot(setup(file, 'strain', { method: 'none' }), 'strain', 'pulp', own)).toBeNull();
    const blend = line(file).find((s) => s.id === 'blend')!.params as object;
    const oily = carry(setup(file, 'blend', { ...blend, additions: [{ id: 'oil_olive', massG: 20 }] }), [], []);
    expect(() => leftoverLot(oily, 'strain', 'pulp', own)).toThrow(/within a week/);
  });
  it('stands in the schema of a file like any lot', () => {
    const { lot } = leftoverLot(file, 'strain', 'pulp', own)!;
    const used = carry(
      setup(newBatch('Again', '2026-11-01'), 'prep', { pods: [{ lotId: 'pulp-1', massG: 50, prep: 'whole' }] }),
      [lot],
      [],
    );
    expect(fileIssues(used)).toEqual([]);
    expect(runLine(used, TYPICAL)[0]!.out.stream.heatShuG).toBeGreaterThan(0);
  });
});

describe('what was learnt since', () => {
  const file = smallBatch();
  const hotter = file.lots.map((l) => (l.heat ? { ...l, heat: { ...l.heat, dryShu: 2 * l.heat.dryShu, sigma: 0.3 } } : l));
  const rows = file.ingredients.map((r) => (r.key === 'vinegar_cider' ? withOwnPh(r, 3.3) : r));

  it('nothing new says nothing and gives the very file', () => {
    expect(newsFor(file, file.lots, file.ingredients)).toEqual({ news: [], file });
    expect(newsFor(file, [], []).file).toBe(file);
  });
  it('a lot that tastes twice as hot makes the line twice as hot, once it is taken', () => {
    const { news, file: next } = newsFor(file, hotter, file.ingredients);
    expect(news.map((n) => [n.id, n.of])).toEqual([['hot', 'heat']]);
    expect(Math.sqrt(news[0]!.after.low * news[0]!.after.high) / Math.sqrt(news[0]!.before.low * news[0]!.before.high)).toBeCloseTo(2, 6);
    const heat = (f: BatchFile) => runLine(f, TYPICAL).at(-1)!.out.stream.heatShuG;
    expect(heat(next) / heat(file)).toBeCloseTo(2, 6);
    expect(newsFor(next, hotter, file.ingredients).news).toEqual([]);
  });
  it('a pH measured later is for what still goes in, and a finished batch is left alone', () => {
    const blend = line(file).find((s) => s.id === 'blend')!.params as { additions: { id: string; massG: number }[] };
    const sour = carry(setup(file, 'blend', { ...blend, additions: [{ id: 'vinegar_cider', massG: 50 }] }), [], []);
    expect(newsFor(sour, [], rows).news.map((n) => n.of)).toEqual(['pH']);
    expect(newsFor(log(sour, 'blend', { doneOn: '2026-11-01' }), [], rows).news).toEqual([]);
    const finished = line(sour).reduce((f, s) => log(f, s.id, { doneOn: '2026-11-01' }), sour);
    expect(newsFor(finished, hotter, rows).news).toEqual([]);
  });
});

describe('what burns in the jug counts', () => {
  const powder = 'chili_powder_pure';
  const withPowder = (massG: number) => {
    const file = smallBatch();
    return withExtras(file, [...extrasOf(file), { id: powder, massG }], []);
  };
  const heatAtBlend = (f: BatchFile) => runLine(f, TYPICAL).find((r) => r.id === 'blend')!;

  it('10 g of cayenne powder bring 38,000 SHU for each gram of their dry matter', () => {
    const row = ingredient(powder);
    const load = 10 * 38_000 * (1 - (row.water + row.salt) / 100);
    const flow = additionsOf(heatAtBlend(withPowder(10))).find((a) => a.id === powder)!;
    expect(flow.stream.heatShuG).toBeCloseTo(load, 3);
    const kept = 0.99; // the jug keeps 1 %
    expect(heatAtBlend(withPowder(10)).out.stream.heatShuG - heatAtBlend(smallBatch()).out.stream.heatShuG).toBeCloseTo(kept * load, 3);
  });
  it('gloves are named where powder first comes to hand', () => {
    const ids = (f: BatchFile) =>
      reportLine(f, { today: '2026-10-01', forecast: false })
        .stations.find((s) => s.kind === 'blend')!
        .cautions.map((c) => `${c.id} ${c.severity}`);
    expect(ids(withPowder(10))).toContain('capsaicin-skin danger');
    expect(ids(smallBatch()).join()).not.toContain('capsaicin-skin');
  });
  it('its doubt is in the band, and a mild sauce has no such doubt', () => {
    const cold = (f: BatchFile): BatchFile => ({ ...f, lots: f.lots.map((l) => ({ ...l, heat: null })) });
    const band = reportLine(cold(withPowder(20)), { today: '2026-10-01', forecast: false }).ends[0]!.heat;
    expect(band.p90 / band.p10).toBeGreaterThan(1.5);
    expect(reportLine(cold(smallBatch()), { today: '2026-10-01', forecast: false }).ends[0]!.heat.p90).toBe(0);
  });
  it('a tasting gives it its share and leaves the lots theirs', () => {
    const plain = tastedSauce(smallBatch());
    const hot = tastedSauce(withPowder(10));
    const total = runLine(withPowder(10), TYPICAL).at(-1)!.out.stream;
    const lot = smallBatch().lots.find((l) => l.id === 'hot')!;
    expect(plain.added).toBeNull();
    expect(hot.added!.shu + hot.parts[0]!.weight * lot.heat!.dryShu).toBeCloseTo(heatShu(total), 3);
    const b = believe(NO_BELIEFS, 'hot', lot.heat!.dryShu, lot.heat!.sigma);
    const forecast = Math.log(heatShu(total));
    const seen = (mu: number) => learn(b, { parts: hot.parts, processSd: hot.processSd, added: hot.added, mu, sd: 0.3 });
    expect(beliefOf(seen(forecast).beliefs, 'hot')!.dryShu).toBeCloseTo(lot.heat!.dryShu, 0);
    const alone = learn(b, { parts: hot.parts, processSd: hot.processSd, mu: forecast + 0.5, sd: 0.3 });
    expect(beliefOf(seen(forecast + 0.5).beliefs, 'hot')!.dryShu).toBeLessThan(beliefOf(alone.beliefs, 'hot')!.dryShu);
    expect(seen(forecast).shares[0]!).toBeCloseTo((hot.parts[0]!.weight * lot.heat!.dryShu) / heatShu(total), 6);
  });
  it('the pods are chosen around it: the line lands where the mix says', async () => {
    const solver = await highsSolver();
    const file = { ...withPowder(12), goal: { lowShu: 1500, highShu: 4000, bottles: 8, bottleMl: 100 } };
    const choices = file.lots.map((lot) => ({ lot, stockG: 900, prep: 'whole' as const, useFirst: false }));
    const answer = choosePods(solver, file, choices);
    if (answer.status !== 'found') throw new Error(answer.message);
    expect(answer.gain.added.map((a) => a.id)).toEqual([powder]);
    for (const mix of answer.mixes) {
      const end = runLine(useMix(file, choices, mix.gramsByLot), TYPICAL).at(-1)!.out.stream;
      // The blur's middle lies a little below that of the typical run: pods and lots scatter.
      expect(Math.exp(mix.blur!.mu) / heatShu(end)).toBeGreaterThan(0.85);
      expect(Math.exp(mix.blur!.mu) / heatShu(end)).toBeLessThan(1.15);
      expect(heatShu(end)).toBeGreaterThan(1500);
      expect(heatShu(end)).toBeLessThan(4000);
    }
  });
});
