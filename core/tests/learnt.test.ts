import { describe, expect, it } from 'vitest';
import {
  countingFiles,
  expectedOf,
  expectedTool,
  heatWithKitchens,
  isLearnt,
  knowledgeFrom,
  learntHere,
  learntOf,
  lotOfVariety,
  lotSigma,
  middleOf,
  palateWithKitchens,
  statedHeat,
  variety,
  withExpected,
  type KeptEvent,
  type LearntFile,
  type Tool,
} from '../src';
import { dice, type Dice } from './random';

const bell = (d: Dice) => Math.sqrt(-2 * Math.log(1 - d.next())) * Math.cos(2 * Math.PI * d.next());
const rms = (xs: readonly number[]) => Math.sqrt(xs.reduce((s, x) => s + x * x, 0) / xs.length);
const REDS = variety('jalapeno-red');
const SIGMA = lotSigma(REDS.shuDry.low, REDS.shuDry.high);
const file = (kitchen: string, over: Partial<LearntFile> = {}): LearntFile => ({
  ...{ format: 'roskel-learnt', version: 1, kitchen, pods: [], tools: [], taste: {} },
  ...over,
});

/** A book in which lots were stated as the table has them, and measured. `seen`: SHU of the dry matter, with its log-sd. */
function bookOf(lots: readonly { id: string; seen: readonly { shu: number; sigma: number }[] }[]): KeptEvent[] {
  let id = 0;
  const entry = (event: KeptEvent['event']): KeptEvent => ({ id: ++id, on: '2026-09-01', withdrawn: false, event });
  return lots.flatMap(({ id: lotId, seen }) => [
    entry({ kind: 'set', lotId, heat: lotOfVariety(REDS, { id: lotId }).heat, why: '' }),
    ...seen.map((s) =>
      entry({ kind: 'measured', how: 'dilution', name: lotId, parts: [{ lotId, weight: 1, pods: null }], processSd: 0, ...s }),
    ),
  ]);
}
const knows = (kitchen: string, book: KeptEvent[], tools: Tool[] = []) => ({
  kitchen,
  book,
  sure: new Set(book.map((e) => e.id)),
  lots: new Map(book.flatMap((e) => (e.event.kind === 'set' ? [[e.event.lotId, { varietyId: REDS.id, made: false }] as const] : []))),
  tools,
  palate: {},
});
const sieve = (id: string, logs: readonly number[], kind: Tool['kind'] = 'sieve'): Tool => ({
  ...{ id, kind, name: id },
  seen: logs.map((log, i) => ({ on: '2026-09-01', where: id, of: `${id}/${i}`, log, sd: 0.1 })),
});

describe('what kitchens found in the middle, and what is to be expected of one more thing', () => {
  it('is what Bayes says, by adding up over a grid of middles', () => {
    const d = dice(7);
    for (let i = 0; i < 40; i++) {
      const before = { mean: 3 * bell(d), sd: 0.2 + d.next() };
      const between = 0.3 * d.next();
      const kitchens = Array.from({ length: 1 + Math.floor(3 * d.next()) }, () => ({ mean: before.mean + bell(d), sd: 0.1 + d.next() }));
      let [weight, mean, square] = [0, 0, 0];
      const middleSd = before.sd * Math.SQRT1_2;
      for (let k = -4000; k <= 4000; k++) {
        const m = before.mean + (k / 4000) * 8 * middleSd;
        const ln = kitchens.reduce(
          (s, x) => s - (x.mean - m) ** 2 / (2 * (x.sd ** 2 + between ** 2)),
          -((m - before.mean) ** 2) / middleSd ** 2 / 2,
        );
        const w = Math.exp(ln);
        weight += w;
        mean += w * m;
        square += w * m * m;
      }
      mean /= weight;
      const sd = Math.sqrt(square / weight - mean ** 2 + before.sd ** 2 / 2);
      const found = expectedOf(before, kitchens, between);
      expect(found.mean).toBeCloseTo(mean, 6);
      expect(found.sd).toBeCloseTo(sd, 6);
    }
  });
  it('one thing says little of the others, many say much, and never all', () => {
    const one = middleOf([{ mean: 1, sd: 0.1 }], 1);
    const many = middleOf(
      Array.from({ length: 50 }, () => ({ mean: 1, sd: 0.1 })),
      1,
    );
    expect(one.sd).toBeGreaterThan(0.7);
    expect(many.sd).toBeLessThan(0.11);
    const expected = expectedOf({ mean: 0, sd: 1 }, [many], 0);
    expect(expected.mean).toBeGreaterThan(0.95);
    expect(expected.sd).toBeGreaterThan(0.7);
  });
});

describe('from one kitchen to another', () => {
  it('lots are known better by a file of others, and no better than is said (400 pairs of kitchens made up)', () => {
    const d = dice(11);
    const [byTable, byFile, said]: [number[], number[], number[]] = [[], [], []];
    for (let i = 0; i < 400; i++) {
      const middle = Math.log(REDS.shuDry.typical) + SIGMA * Math.SQRT1_2 * bell(d);
      const lotHere = () => middle + SIGMA * Math.SQRT1_2 * bell(d);
      const lots = Array.from({ length: 1 + Math.floor(5 * d.next()) }, (_, n) => {
        const truth = lotHere();
        return { id: `l${n}`, seen: [{ shu: Math.exp(truth + 0.3 * bell(d)), sigma: 0.3 }] };
      });
      const learnt = learntHere(knows('kitchen-a', bookOf(lots)));
      const heat = heatWithKitchens([learnt], REDS.id, lotOfVariety(REDS, { id: 'mine' }).heat!);
      const truth = lotHere();
      byTable.push((truth - Math.log(REDS.shuDry.typical)) / SIGMA);
      byFile.push(truth - Math.log(heat.dryShu));
      said.push(byFile.at(-1)! / heat.sigma);
    }
    expect(rms(byFile)).toBeLessThan(0.92 * SIGMA * rms(byTable));
    // Kitchens may differ more than these do, so it says a little less than it could: never more.
    expect(rms(said)).toBeGreaterThan(0.85);
    expect(rms(said)).toBeLessThan(1.06);
  });
  it('a lot tasted here is moved less than one that was not, and what was said of a lot itself not at all', () => {
    const hot = file('kitchen-b', { pods: [{ variety: REDS.id, lots: 20, dryShu: 3 * REDS.shuDry.typical, sd: 0.15 }] });
    const book = bookOf([
      { id: 'tasted', seen: [{ shu: REDS.shuDry.typical, sigma: 0.2 }] },
      { id: 'not', seen: [] },
    ]);
    const known = knowledgeFrom(book, new Set(), (_, stated) => heatWithKitchens([hot], REDS.id, stated));
    const moved = (id: string) => Math.log(known.heats.get(id)!.dryShu / REDS.shuDry.typical);
    expect(moved('not')).toBeGreaterThan(0.3);
    expect(moved('tasted')).toBeLessThan(0.5 * moved('not'));
    expect(known.heats.get('not')!.source).toBe('kitchens');
    const lab = { dryShu: 40_000, sigma: 0.15, source: 'lab' as const };
    expect(heatWithKitchens([hot], REDS.id, lab)).toBe(lab);
    // Stated anew from what a page shows, the table is stated: the file can be left out again.
    const lot = { ...lotOfVariety(REDS, { id: 'not' }), heat: known.heats.get('not')! };
    expect(statedHeat(lot)).toEqual(lotOfVariety(REDS, { id: 'not' }).heat);
  });
  it('what was read of others is not passed on, packets and labels are no evidence, and a laboratory is', () => {
    const set = (source: 'packet' | 'label' | 'lab') => {
      const book = bookOf([{ id: 'l', seen: [] }]);
      if (book[0]!.event.kind === 'set') book[0]!.event.heat = { dryShu: 90_000, sigma: 0.3, source };
      return learntHere(knows('kitchen-a', book)).pods;
    };
    expect(set('packet')).toEqual([]);
    expect(set('label')).toEqual([]);
    expect(set('lab')).toMatchObject([{ variety: REDS.id, lots: 1, dryShu: 90_000 }]);
    const told = withExpected([file('kitchen-b', { tools: [{ kind: 'sieve', tools: 3, seen: 9, log: 0.4, sd: 0.1 }] })], sieve('s', []));
    expect(isLearnt(told)).toBe(true);
    expect(learntHere(knows('kitchen-a', [], [told])).tools).toEqual([]);
  });
  it('a sieve that was never weighed does as others do, a little; one that was, as it did', () => {
    const others = learntHere(knows('kitchen-a', [], [sieve('a', [0.5, 0.5, 0.5]), sieve('b', [0.4, 0.4]), sieve('c', [0.6])]));
    expect(others.tools).toMatchObject([{ kind: 'sieve', tools: 3, seen: 6 }]);
    const fresh = learntOf(withExpected([others], sieve('new', [])));
    const plain = learntOf(sieve('new', []));
    expect(fresh.log).toBeGreaterThan(0.15);
    expect(fresh.log).toBeLessThan(0.5);
    expect(fresh.sd).toBeLessThan(plain.sd);
    const weighed = sieve('mine', [-0.1, -0.1, -0.1, -0.1]);
    const [with_, without] = [learntOf(withExpected([others], weighed)), learntOf(weighed)];
    expect(with_.log - without.log).toBeLessThan(0.25 * fresh.log);
    expect(withExpected([], withExpected([others], weighed))).toEqual(weighed);
    // Jars of a place are told by their own scale, and by what pods begin with.
    const place = {
      ...sieve('cellar', [0.3], 'place'),
      seen: [{ ...sieve('cellar', [0.3]).seen[0]!, table: 1, natural: { off: -0.2, sd: 0.1 } }],
    };
    const there = expectedTool([learntHere(knows('kitchen-a', [], [place]))], 'place')!;
    expect(there.natural!.off).toBeLessThan(-0.02);
    expect(learntOf({ ...place, seen: [], expected: there }).natural!.off).toBeCloseTo(there.natural!.off, 6);
  });
  it('of one kitchen the newest file counts; what others call right is heard beside one, not over one', () => {
    const [old, newer] = [0.1, 0.5].map((log) => file('kitchen-b', { tools: [{ kind: 'pot', tools: 1, seen: 2, log, sd: 0.1 }] }));
    expect(countingFiles([old!, newer!])).toEqual([newer]);
    expect(expectedTool([old!, newer!], 'pot')).toEqual(expectedTool([newer!], 'pot'));
    const loud = file('kitchen-c', { taste: { salt: { level: 4, said: 1000 } } });
    const own = palateWithKitchens([loud], { salt: { level: 2, said: 4 } }).salt!;
    expect(own.level).toBeCloseTo(Math.exp((4 * Math.log(2) + Math.log(4)) / 5), 9);
    expect(palateWithKitchens([loud], {}).salt!.said).toBe(1);
    expect(palateWithKitchens([], { salt: { level: 2, said: 4 } })).toEqual({ salt: { level: 2, said: 4 } });
  });
});
