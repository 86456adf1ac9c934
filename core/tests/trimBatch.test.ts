import { beforeAll, describe, expect, it } from 'vitest';
import {
  addStation,
  carry,
  endOf,
  gramsOf,
  ingredient,
  lotOfVariety,
  mainEnd,
  mapStations,
  missesOf,
  newBatch,
  reportTypical,
  stationIn,
  trimBatch,
  usualFor,
  variety,
  withLogged,
  withoutRound,
  withRound,
  type BatchFile,
  type LinearSolver,
  type Round,
  type Says,
  type TrimStock,
  type TrimTold,
  RAILS,
} from '../src';
import { rounds, withJug, withPods } from './helpers';
import { dice } from './random';
import { TRIM_KEYS as KEYS } from './trimLarder';
import { highsSolver } from '@roskel/core/highs';

let highs: LinearSolver;
beforeAll(async () => {
  highs = await highsSolver();
});
const stocksOf = (keys: readonly string[], g = 1000): TrimStock[] => keys.map((k) => ({ row: ingredient(k), stockG: g, perKg: 3 }));

const habanero = lotOfVariety(variety('habanero-orange'), { id: 'hab' });
/** A short line: pods, vinegar, a blend, a trim, bottles; weighed and read. */
function trimmed(pH = 3.62): BatchFile {
  const base = newBatch('Trim', '2026-10-01', { lowShu: 500, highShu: 2000, bottles: 6, bottleMl: 100 }, 'raw-herbs');
  const plain = mapStations(base, (s) => ({ ...s, intakes: [] }));
  const kept = {
    ...plain,
    strands: [{ ...mainEnd(plain), stations: mainEnd(plain).stations.filter((s) => ['prep', 'blend', 'bottle', 'bowl'].includes(s.kind)) }],
  };
  const filled = withJug(withPods(kept, [{ lotId: 'hab', massG: 160, prep: 'whole' }]), [
    { id: 'vinegar_cider', massG: 240 },
    { id: 'roasted_pepper_jar', massG: 420 },
    { id: 'salt_fine', massG: 14 },
  ]);
  const file = addStation(carry(filled, [habanero], []), 'trim', { stationId: endOf(mainEnd(filled)).id, where: 'before' });
  return mapStations(file, (s) => {
    if (s.kind === 'prep') return { ...s, log: { doneOn: '2026-10-01' } };
    return s.kind === 'blend' ? { ...s, log: { doneOn: '2026-10-01', pH, instrument: 'meter' } } : s;
  });
}
const stockOf = (g = 800) => stocksOf(KEYS, g);
const roundOf = (told: TrimTold, says: Says, id = 'r1', way = 0): Round => ({
  id,
  at: '2026-10-01T18:00:00Z',
  says,
  was: told.now,
  put: told.offers[way]!.puts.map(({ from, of, g, words }) => ({ from, of, g, words })),
});
const rows = KEYS.map(ingredient);

describe('a batch put right', () => {
  const ask = (file: BatchFile, says: Says) => trimBatch(highs, file, 'trim', stockOf(), [], { says, kitchen: 'metric' }, '2026-10-02');
  it('too hot and too flat: at most three things in spoons, at pH 3.8 or lower; the line says the same of it', () => {
    const file = trimmed(3.78);
    const says: Says = { heat: 'much', sour: 'little' };
    const told = ask(file, says);
    expect(told.short).toBeNull();
    expect(told.offers.length).toBeGreaterThan(1);
    for (const [way, o] of told.offers.entries()) {
      expect(o.puts.length).toBeLessThanOrEqual(3);
      expect(o.after.sour!).toBeLessThanOrEqual(3.8);
      for (const p of o.puts) expect(p.words).toMatch(/^[\d/ ]+ (tsp|tbsp|cups?)$/);
      // The whole line run with it is the full solve, and agrees.
      const after = reportTypical(withRound(file, 'trim', roundOf(told, says, 'r1', way), rows, []), '2026-10-02');
      const at = after.stations.find((s) => s.kind === 'trim')!;
      expect(at.now.heatShu / o.after.heat!).toBeCloseTo(1, 3);
      expect(at.now.pH!).toBeCloseTo(o.after.sour!, 2);
      expect(at.now.saltPct).toBeCloseTo(o.after.salt!, 2);
      expect(o.end![0]!.possible).toBe(after.ends[0]!.bottles.possible);
    }
  });
  it('a second round goes on from the first, and each can be taken back cleanly', () => {
    const file = trimmed();
    const one: Says = { heat: 'much' };
    const first = withRound(file, 'trim', roundOf(ask(file, one), one), rows, []);
    const told = ask(first, { salt: 'little' });
    expect(told.now.heat!).toBeLessThan(0.8 * ask(file, one).now.heat!);
    const second = withRound(first, 'trim', roundOf(told, { salt: 'little' }, 'r2'), rows, []);
    expect(stationIn(second, 'trim')!.log.rounds!.map((r) => r.id)).toEqual(['r1', 'r2']);
    expect(withoutRound(second, 'trim', 'r2')).toEqual(first);
    expect(withoutRound(first, 'trim', 'r1')).toEqual(file);
    // The first taken back under the second leaves just what the second put in.
    const under = withoutRound(second, 'trim', 'r1');
    const left = new Map(stationIn(under, 'trim')!.intakes.map((i) => [i.origin.from === 'larder' ? i.origin.key : '', gramsOf(i.amount)]));
    for (const p of stationIn(second, 'trim')!.log.rounds![1]!.put) expect(left.get(p.of)!).toBeCloseTo(p.g, 2);
    expect(left.size).toBe(stationIn(second, 'trim')!.log.rounds![1]!.put.length);
  });
  it('random rounds in and out in any order leave no gram behind, and never less than nothing', () => {
    const d = dice(9);
    const start = trimmed();
    let file = start;
    const inIt = new Map<string, Round>();
    for (let n = 0; n < 120; n++) {
      if (inIt.size > 0 && d.chance(0.45)) {
        const id = d.pick([...inIt.keys()]);
        inIt.delete(id);
        file = withoutRound(file, 'trim', id);
      } else {
        const put = [...new Set([d.pick(KEYS), d.pick(KEYS)])].map((of) => ({ from: 'larder' as const, of, g: d.between(0.1, 40) }));
        const round: Round = {
          id: `r${n}`,
          at: '2026-10-02T10:00:00Z',
          says: {},
          was: { heat: null, sour: null, salt: null, sweet: null, body: null },
          put,
        };
        inIt.set(round.id, round);
        file = withRound(file, 'trim', round, rows, []);
      }
      const want = new Map<string, number>();
      for (const r of inIt.values()) for (const p of r.put) want.set(p.of, (want.get(p.of) ?? 0) + p.g);
      const have = stationIn(file, 'trim')!.intakes;
      expect(have.length).toBe(want.size);
      for (const i of have) expect(gramsOf(i.amount)!).toBeCloseTo(want.get((i.origin as { key: string }).key)!, 1);
    }
    for (const id of inIt.keys()) file = withoutRound(file, 'trim', id);
    expect(file).toEqual(start);
  });
  it('what was read before does not count any more once something went in; read again it does', () => {
    const file = trimmed(3.5);
    const end = (f: BatchFile) => reportTypical(f, '2026-10-02').ends[0]!.keeping!;
    const before = end(file);
    const told = ask(file, { sour: 'little' });
    const after = withRound(file, 'trim', roundOf(told, { sour: 'little' }), rows, []);
    expect(end(after).days).toBeLessThanOrEqual(before.days);
    expect(reportTypical(after, '2026-10-02').stations.find((s) => s.kind === 'trim')!.phMeasured).toBe(false);
    const read = mapStations(after, (s) =>
      s.kind === 'trim' ? { ...s, log: { ...s.log, doneOn: '2026-10-02', pH: 3.4, instrument: 'meter' as const } } : s,
    );
    const trim = reportTypical(read, '2026-10-02').stations.find((s) => s.kind === 'trim')!;
    expect(trim.phMeasured).toBe(true);
    expect(end(read).days).toBeGreaterThanOrEqual(end(after).days);
    // Pieces stirred in are no blend: their reading does not count as that of one body.
    const pieces = withRound(file, 'trim', { ...roundOf(told, {}), put: [{ from: 'larder', of: 'mango_ripe', g: 60 }] }, rows, []);
    const run = reportTypical(
      mapStations(pieces, (s) =>
        s.kind === 'trim' ? { ...s, log: { ...s.log, doneOn: '2026-10-02', pH: 3.4, instrument: 'meter' as const } } : s,
      ),
      '2026-10-02',
    );
    expect(run.ends[0]!.keeping!.days).toBeLessThanOrEqual(7);
  });
  it('nothing is stirred in once it is filled, nor where nothing is stirred', () => {
    const file = trimmed();
    const round = roundOf(ask(file, { salt: 'little' }), { salt: 'little' });
    const filled = mapStations(file, (s) => ({ ...s, log: { ...s.log, doneOn: '2026-10-01' } }));
    expect(() => withRound(filled, 'trim', round, rows, [])).toThrow(/done already: what is filled cannot be put right here/);
    // What went on from the jug is not in it any more.
    const strained = addStation(file, 'strain', { stationId: 'trim', where: 'before' });
    const gone = mapStations(strained, (s) => (s.kind === 'strain' ? { ...s, log: { doneOn: '2026-10-01' } } : s));
    expect(withRound(strained, 'blend', round, rows, [])).toBeDefined();
    expect(() => withRound(gone, 'blend', round, rows, [])).toThrow(/Strain is done already: what went on/);
    expect(withRound(gone, 'trim', round, rows, [])).toBeDefined();
    expect(() => withRound(file, 'prep', round, rows, [])).toThrow(/no place to taste/);
    expect(() => withRound(file, 'gone', round, rows, [])).toThrow(/not there any more/);
    // Words alone are always taken: what it is now is right.
    expect(withRound(filled, 'trim', { ...round, put: [] }, rows, [])).toBeDefined();
  });
  it('with an empty larder: what the recipe holds is near, and the rest is bought, with its grams', () => {
    const file = trimmed(3.5);
    const shop = usualFor('trim').map(ingredient);
    const of = (stocks: TrimStock[], says: Says, rows = shop, at = 'trim') =>
      trimBatch(highs, file, at, stocks, rows, { says, kitchen: 'metric' }, '2026-10-02');
    // The vinegar and the salt of the recipe are there as it says, and nobody keeps stock of them.
    const salt = of([], { salt: 'little' }, []);
    expect(salt.short).toBeNull();
    expect(salt.bought).toBe(false);
    for (const o of salt.offers) for (const p of o.puts) expect(p.buyG).toBe(p.g);
    // What is there goes before what is not, whichever it is.
    for (const there of ['salt_sea', 'salt_kosher'])
      expect(of(stocksOf([there]), { salt: 'little' }, []).offers[0]!.puts.map((p) => [p.of, p.buyG])).toEqual([[there, 0]]);
    // Sugar is nowhere in it.
    expect(of([], { sweet: 'little' }, []).short).not.toBeNull();
    const sweet = of([], { sweet: 'little' });
    expect([sweet.short, sweet.bought]).toEqual([null, true]);
    expect(sweet.offers[0]!.puts.some((p) => p.of === 'sugar_white' && p.buyG === p.g)).toBe(true);
    // Of what is there only the rest is bought, and what is there goes before the shop.
    const need = sweet.offers[0]!.puts.find((p) => p.of === 'sugar_white')!.g;
    const half = of(stocksOf(['sugar_white'], need / 2), { sweet: 'little' });
    const got = half.offers[0]!.puts.find((p) => p.of === 'sugar_white')!;
    expect(got.buyG).toBeCloseTo(got.g - need / 2, 2);
    expect(of(stocksOf(['honey', 'water']), { sweet: 'little' }).bought).toBe(false);
    // What was bought goes into the batch like anything else.
    const says: Says = { sweet: 'little' };
    const after = reportTypical(withRound(file, 'trim', roundOf(sweet, says), shop, []), '2026-10-02');
    expect(after.stations.find((s) => s.kind === 'trim')!.now.sweetPct).toBeCloseTo(sweet.offers[0]!.after.sweet!, 2);
    // In the middle of a blend as well, and the round can be taken back.
    const mid = of([], { salt: 'little' }, [], 'blend');
    const round = roundOf(mid, { salt: 'little' });
    const stirred = withRound(file, 'blend', round, shop, []);
    expect(reportTypical(stirred, '2026-10-02').stations.find((s) => s.kind === 'blend')!.now.saltPct).toBeCloseTo(
      mid.offers[0]!.after.salt!,
      1,
    );
    expect(withoutRound(stirred, 'blend', 'r1')).toEqual(file);
  });
  it('what is stirred into a pot was not boiled with it, weighs what it weighs, and leaves an old pH behind', () => {
    const base = addStation(trimmed(3.4), 'simmer', { stationId: 'trim', where: 'before' });
    const file = withLogged(base, 'simmer', { doneOn: '2026-10-01', massG: 700, pH: 3.5, instrument: 'meter' });
    const end = (f: BatchFile) => reportTypical(f, '2026-10-02').ends[0]!;
    const pot = (f: BatchFile) => reportTypical(f, '2026-10-02').stations.find((s) => s.kind === 'simmer')!;
    expect([pot(file).now.massG, pot(file).ph.status]).toEqual([expect.closeTo(700, 3), 'measured']);
    const round: Round = { ...roundOf(ask(file, { heat: 'much' }), {}), put: [{ from: 'larder', of: 'mango_ripe', g: 60 }] };
    const after = withRound(file, 'simmer', round, [ingredient('mango_ripe')], []);
    // 700 g that were weighed and 60 g that were weighed in.
    expect(pot(after).now.massG).toBeCloseTo(760, 2);
    expect(pot(after).ph.status).toBe('old');
    // Raw fruit in it, as at a station behind the pot: the strictest rule of it holds (chapter 6b, row 2), not that of a cooked pot.
    const behind = withRound(file, 'trim', round, [ingredient('mango_ripe')], []);
    expect(end(after).keeping!.days).toBe(end(behind).keeping!.days);
    expect(end(after).keeping!.reason).toBe(end(behind).keeping!.reason);
    expect(end(after).keeping!.days).toBeLessThan(end(file).keeping!.days);
    expect(withoutRound(after, 'simmer', round.id)).toEqual(file);
  });
  it('powder wants a night', () => {
    const told = trimBatch(
      highs,
      trimmed(),
      'trim',
      stocksOf(['chili_powder_pure', 'vinegar_cider', 'water', 'salt_fine']),
      [],
      { says: {}, set: { heat: { low: 1, high: 2 } }, kitchen: 'metric' },
      '2026-10-02',
    );
    expect(told.short).not.toBeNull();
    const base = ask(trimmed(), {}).now.heat!;
    const hotter = trimBatch(
      highs,
      trimmed(),
      'trim',
      stocksOf(['chili_powder_pure', 'salt_fine']),
      [],
      { says: {}, set: { heat: { low: base * 1.03, high: base * 1.2 } }, kitchen: 'metric' },
      '2026-10-02',
    );
    for (const o of hotter.offers) expect(o.night).toBe(true);
  });
  it('bad input: a window upside down, no such station, a station without a sauce', () => {
    expect(() => trimBatch(highs, trimmed(), 'nowhere', stockOf(), [], { says: {}, kitchen: 'metric' }, '2026-10-02')).toThrow();
    const empty = mapStations(trimmed(), (s) => ({ ...s, intakes: [], log: {} }));
    expect(() =>
      trimBatch(highs, carry(empty, [], []), 'trim', stockOf(), [], { says: { heat: 'much' }, kitchen: 'metric' }, '2026-10-02'),
    ).toThrow(/no sauce here/);
    const upside = ask(trimmed(), {});
    expect(missesOf(upside.now, upside.wish)).toEqual({});
  });
});

it('"leave it as it is, and the rest can be had" holds when it is asked again without that word', () => {
  const d = dice(21);
  const file = trimmed();
  const words = ['little', 'much'] as const;
  let said = 0;
  for (let i = 0; i < rounds(150); i++) {
    const keys = KEYS.filter(() => d.chance(0.25));
    const stocks = stocksOf(keys, d.pick([20, 120, 800]));
    const says = Object.fromEntries(RAILS.filter(() => d.chance(0.55)).map((r) => [r, d.pick(words)])) as Says;
    const ask = (of: Says) => trimBatch(highs, file, 'trim', stocks, [], { says: of, kitchen: 'metric' }, '2026-10-02');
    for (const line of ask(says).short?.lines ?? []) {
      const name = /^Leave the (\w+) as it is/.exec(line)?.[1];
      if (!name) continue;
      said++;
      const rail = RAILS.find((r) => ({ heat: 'heat', sour: 'sourness', salt: 'salt', sweet: 'sweetness', body: 'body' })[r] === name)!;
      const { [rail]: _, ...rest } = says;
      const again = ask(rest);
      expect(again.short, `${i} ${JSON.stringify(says)} without ${rail}`).toBeNull();
      expect(again.offers.length).toBeGreaterThan(0);
    }
  }
  expect(said).toBeGreaterThan(rounds(5));
});
