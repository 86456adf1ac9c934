import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import {
  believe,
  beliefOf,
  calibrateScale,
  calibrateThreshold,
  dilutionLadder,
  doubtsOf,
  drawnBand,
  estimateFromLadders,
  finishedBlur,
  heatBand,
  blurQuantiles,
  drawEnsemble,
  knowledgeFrom,
  learn,
  matchedShu,
  mixingPlan,
  ofMash,
  NO_BELIEFS,
  scoreOf,
  shuOfScore,
  tastedHeat,
  thresholdOf,
  type KeptEvent,
  type TastedPart,
} from '../src';

describe('what a tasting teaches (handbook chapter 2, section 4.3, worked by hand there)', () => {
  const habanero = believe(NO_BELIEFS, 'h', 210_000, 0.40581);
  // 12 % of the sauce at 11 % dry matter.
  const parts: TastedPart[] = [{ lotId: 'h', weight: 0.12 * 0.11, pods: 14 }];
  it('one lot is the conjugate normal update', () => {
    const after = beliefOf(learn(habanero, { parts, mu: Math.log(1600), sd: Math.log(2), processSd: 0.2 }).beliefs, 'h')!;
    expect(after.dryShu / 184_566).toBeCloseTo(1, 3);
    expect(after.sigma).toBeCloseTo(0.35496, 3);
    const sharp = beliefOf(learn(habanero, { parts, mu: Math.log(1600), sd: 0.25, processSd: 0.2 }).beliefs, 'h')!;
    expect(sharp.dryShu / 153_000).toBeCloseTo(1, 2);
    expect(sharp.sigma).toBeCloseTo(0.262, 2);
  });
  it('three lots: the information goes where the heat is', () => {
    let b = believe(NO_BELIEFS, 'hab', 210_000, 0.40581);
    b = believe(b, 'fresno', 13_000, Math.log(35_000 / 4000) / 3.2897);
    b = believe(b, 'cayenne', 42_000, 0.42);
    const three: TastedPart[] = [
      { lotId: 'hab', weight: 0.1 * 0.11, pods: 11 },
      { lotId: 'fresno', weight: 0.3 * 0.095, pods: 15 },
      { lotId: 'cayenne', weight: 0.05 * 0.14, pods: 6 },
    ];
    const { beliefs, shares } = learn(b, { parts: three, mu: Math.log(6000), sd: 0.45, processSd: 0.2 });
    const ratio = (id: string) => beliefOf(beliefs, id)!.dryShu / beliefOf(b, id)!.dryShu;
    expect(ratio('hab')).toBeGreaterThan(1.05);
    expect(ratio('hab')).toBeGreaterThan(ratio('fresno'));
    expect(ratio('fresno')).toBeGreaterThan(ratio('cayenne'));
    expect(shares.reduce((s, x) => s + x, 0)).toBeCloseTo(1, 9);
  });
  it('never widens a lot, whatever is seen', () => {
    fc.assert(
      fc.property(fc.double({ min: 3, max: 13, noNaN: true }), fc.double({ min: 0.1, max: 1.5, noNaN: true }), (mu, sd) => {
        const b = believe(habanero, 'c', 42_000, 0.4);
        const two = [...parts, { lotId: 'c', weight: 0.02, pods: 20 }];
        const after = learn(b, { parts: two, mu, sd, processSd: 0.2 }).beliefs;
        for (const id of ['h', 'c']) expect(beliefOf(after, id)!.sigma).toBeLessThanOrEqual(beliefOf(b, id)!.sigma + 1e-12);
      }),
      { seed: 3, numRuns: 200 },
    );
  });
  it('two sauces of the same two lots tell them apart: doubts hang together', () => {
    let b = believe(believe(NO_BELIEFS, 'x', 20_000, 0.5), 'y', 20_000, 0.5);
    const sauce = (wx: number, wy: number, shu: number) => {
      const pods = null;
      b = learn(b, {
        parts: [
          { lotId: 'x', weight: wx, pods },
          { lotId: 'y', weight: wy, pods },
        ],
        mu: Math.log(shu),
        sd: 0.1,
        processSd: 0.05,
      }).beliefs;
    };
    sauce(0.05, 0.05, 2500);
    expect(b.get('x')!.ids).toEqual(['x', 'y']);
    expect(b.get('x')!.cov[0]![1]!).toBeLessThan(0);
    sauce(0.09, 0.01, 2700);
    // 0.05 (x+y) = 2500 and 0.09 x + 0.01 y = 2700 give x = 27 500, y = 22 500.
    expect(beliefOf(b, 'x')!.dryShu / 27_500).toBeCloseTo(1, 1);
    expect(beliefOf(b, 'y')!.dryShu / 22_500).toBeCloseTo(1, 0);
  });
});

const set = (id: number, lotId: string, dryShu: number, sigma: number): KeptEvent => ({
  id,
  on: '2026-10-01',
  withdrawn: false,
  event: { kind: 'set', lotId, heat: { dryShu, sigma, source: 'table' }, why: 'from the table' },
});
const tasting = (id: number, score: number, withdrawn = false): KeptEvent => ({
  id,
  on: '2026-11-01',
  withdrawn,
  event: {
    kind: 'tasting',
    name: 'Slipway Red',
    parts: [{ lotId: 'c', weight: 0.05, pods: 60 }],
    processSd: 0.3,
    forecast: { mu: Math.log(2000), sigma: 0.5 },
    scores: [{ taster: 'You', score }],
  },
});
const reference = (id: number, labelShu: number, score: number): KeptEvent => ({
  id,
  on: '2026-10-10',
  withdrawn: false,
  event: { kind: 'reference', name: 'A labelled sauce', labelShu, scores: [{ taster: 'You', score }] },
});

describe('the book of what is known', () => {
  const start = [set(1, 'c', 40_000, 0.42), reference(2, 800, 3), reference(3, 3000, 4.5), reference(4, 9000, 6)];
  it('a hotter tasting moves and narrows the lot, says why, and taking it back restores it exactly', () => {
    const before = knowledgeFrom(start);
    const after = knowledgeFrom([...start, tasting(5, 6.5)]);
    expect(beliefOf(after.beliefs, 'c')!.dryShu).toBeGreaterThan(40_000 * 1.1);
    expect(beliefOf(after.beliefs, 'c')!.sigma).toBeLessThan(0.42 - 0.03);
    const step = after.history.get('c')!.at(-1)!;
    expect(step.says).toMatch(/^Slipway Red tasted \d\.\d times as hot as forecast; this lot brings 100 in 100/);
    expect(step.before!.dryShu).toBeCloseTo(40_000, 6);
    const back = knowledgeFrom([...start, tasting(5, 6.5, true)]);
    expect(back.beliefs).toEqual(before.beliefs);
    expect(back.heats.get('c')).toEqual({ dryShu: 40_000, sigma: 0.42, source: 'table' });
    expect(after.heats.get('c')).toMatchObject({ source: 'taste' });
  });
  it('an uncalibrated tongue teaches much less', () => {
    const shy = knowledgeFrom([start[0]!, tasting(5, 6.5)]);
    const sure = knowledgeFrom([...start, tasting(5, 6.5)]);
    expect(beliefOf(shy.beliefs, 'c')!.sigma).toBeGreaterThan(beliefOf(sure.beliefs, 'c')!.sigma);
  });
  it('what is too surprising is not learnt unless the maker insists', () => {
    const odd: KeptEvent = {
      id: 9,
      on: '2026-11-02',
      withdrawn: false,
      event: {
        kind: 'measured',
        how: 'lab',
        name: 'Slipway Red',
        parts: [{ lotId: 'c', weight: 0.05, pods: 60 }],
        processSd: 0.3,
        shu: 200_000,
        sigma: 0.1,
      },
    };
    const shy = knowledgeFrom([...start, odd]);
    expect(shy.refused.get(9)!).toBeGreaterThan(3);
    expect(beliefOf(shy.beliefs, 'c')!.dryShu).toBeCloseTo(40_000, 6);
    expect(beliefOf(knowledgeFrom([...start, odd], new Set([9])).beliefs, 'c')!.dryShu).toBeGreaterThan(200_000);
  });
  it('more tasters say more', () => {
    const { scales } = knowledgeFrom(start);
    const one = tastedHeat([{ taster: 'You', score: 6 }], scales);
    const two = tastedHeat(
      [
        { taster: 'You', score: 6 },
        { taster: 'Guest 1', score: 6 },
      ],
      scales,
    );
    expect(two.sd).toBeLessThan(one.sd);
    expect(() => tastedHeat([], scales)).toThrow();
  });
});

describe('a personal scale (chapter 2, section 5, worked there)', () => {
  const at = (pairs: [number, number][]) => calibrateScale(pairs.map(([shu, score]) => ({ shu, score, weight: 1 })));
  it('four scores', () => {
    const scale = at([
      [800, 2],
      [3000, 3.5],
      [9000, 4],
      [25_000, 6],
    ]);
    expect(scale.a).toBeCloseTo(-0.995, 2);
    expect(scale.b).toBeCloseTo(0.98, 2);
    expect(shuOfScore(scale, 5) / 13_000).toBeCloseTo(1, 1);
  });
  it('one wild score moves it little', () => {
    const wild = at([
      [800, 2],
      [3000, 3.5],
      [9000, 4],
      [25_000, 6],
      [5000, 10],
    ]);
    expect(shuOfScore(wild, 5) / 9910).toBeCloseTo(1, 1);
  });
  it('one score, and none', () => {
    const one = at([[3000, 7]]);
    expect(one.a).toBeCloseTo(1.97, 2);
    expect(shuOfScore(one, 5) / 847).toBeCloseTo(1, 1);
    const none = at([]);
    expect([none.a, none.b]).toEqual([0, 1]);
    expect(scoreOf(none, 5000)).toBeCloseTo(5, 9);
  });
});

describe('the dilution test (after ISO 3513 and ASTM E679)', () => {
  const ladder = [8100, 2700, 900, 300, 100];
  const read = (s: string) => [...s].map((c) => c === 'o');
  // ASTM E679: geometric mean of the last miss and the first of the hits, sqrt(2700 x 900) = 1558.85.
  it('the threshold by hand', () => {
    expect(thresholdOf(ladder, read('xxooo')).dilution).toBeCloseTo(1558.85, 2);
    expect(thresholdOf(ladder, read('xoooo')).dilution).toBeCloseTo(4676.54, 1);
    expect(thresholdOf(ladder, read('oxxoo')).dilution).toBeCloseTo(519.62, 1);
    expect(thresholdOf(ladder, read('ooooo'))).toMatchObject({ censored: 'above' });
    expect(thresholdOf(ladder, read('xxxxx'))).toMatchObject({ censored: 'below' });
    expect(() => thresholdOf(ladder, [])).toThrow();
  });
  it('the worked panel of four (chapter 2, section 6)', () => {
    const four = ['xxooo', 'xoooo', 'xxooo', 'oxxoo'].map(read);
    const e = estimateFromLadders(ladder, four);
    expect(e.shu / 3118).toBeCloseTo(1, 2);
    expect(e.sigma).toBeCloseTo(0.779, 2);
    expect(e.p10 / 1150).toBeCloseTo(1, 1);
    expect(e.p90 / 8460).toBeCloseTo(1, 1);
    const calibrated = estimateFromLadders(ladder, four, { shu: 1.6, sd: 0.43 });
    expect(calibrated.shu / 2494).toBeCloseTo(1, 2);
    const alone = estimateFromLadders(ladder, [four[0]!]);
    expect(alone.sigma).toBeCloseTo(1.25, 2);
    expect(() => estimateFromLadders(ladder, [])).toThrow();
  });
  it('a labelled sauce teaches the threshold', () => {
    const k = calibrateThreshold(ladder, [read('xxooo')], 3000);
    expect(k.shu).toBeCloseTo(3000 / 1558.85, 3);
    expect(estimateFromLadders(ladder, [read('xxooo')], k).shu).toBeCloseTo(3000, 3);
  });
  // Section 6: reference 3 000 at 1:20 equals the sample at 1:54.
  it('a match against a labelled sauce', () => {
    expect(matchedShu(3000, 20, 54).shu).toBeCloseTo(8100, 9);
  });
  it('pods tasted as a mash of one in ten are ten times as hot as the mash', () => {
    const mash = estimateFromLadders(ladder, [read('xxooo')]);
    const pods = ofMash(mash, 10);
    expect(pods.shu / mash.shu).toBeCloseTo(10, 9);
    expect(pods.p10).toBeLessThan(10 * mash.p10);
    expect(ofMash(mash, 1)).toBe(mash);
  });
  it('every taster gets a cup of every rung, however many they are', () => {
    for (let people = 1; people <= 8; people++) {
      const { mixes, sugarWaterG } = mixingPlan(dilutionLadder(2000), people);
      mixes.forEach((m, i) => {
        const passed = mixes[i + 1]?.takeG ?? 0;
        expect(m.takeG + m.waterG - passed).toBeGreaterThanOrEqual(15 * people);
      });
      expect(sugarWaterG).toBeGreaterThanOrEqual(mixes.reduce((s, m) => s + m.waterG, 0) + 30 * people * 5);
    }
  });
  it('the ladder brackets the guess and can be mixed from 2 g of sauce', () => {
    for (const shu of [300, 2000, 9000, 60_000]) {
      const rungs = dilutionLadder(shu);
      expect(rungs).toHaveLength(5);
      for (let i = 1; i < 5; i++) expect(rungs[i - 1]! / rungs[i]!).toBeCloseTo(3, 9);
      expect(rungs[0]!).toBeGreaterThan(shu / 2);
      const plan = mixingPlan(rungs);
      let strength = 1;
      for (const m of plan.mixes) {
        strength *= (m.takeG + m.waterG) / m.takeG;
        expect(strength).toBeCloseTo(m.dilution, 6);
      }
      expect(
        plan.mixes
          .filter((m) => m.served)
          .map((m) => m.dilution)
          .sort((a, b) => b - a),
      ).toEqual(rungs);
    }
  });
});

describe('how sure', () => {
  it('Fenton and Wilkinson against 20,000 random worlds of 60 random blends', () => {
    let squares = 0;
    for (let seed = 1; seed <= 60; seed++) {
      const d = drawEnsemble(seed, 2)[0]!;
      const n = 2 + (seed % 6);
      const parts = Array.from({ length: n }, (_, i) => ({
        medianShu: 1000 * Math.exp(d.z(`m${i}`)),
        sigma: 0.475 + 0.075 * d.z(`s${i}`),
        pods: 5 + 10 * Math.abs(d.z(`n${i}`)),
      }));
      const q = blurQuantiles(finishedBlur(parts, 0.2)!);
      const mc = drawnBand(parts, 0.2, 1, 2, 20_000, seed)!;
      expect(Math.abs(q.p50 / mc.p50 - 1)).toBeLessThan(0.04);
      expect(Math.abs(q.p90 / mc.p90 - 1)).toBeLessThan(0.07);
      expect(Math.abs(q.p10 / mc.p10 - 1)).toBeLessThan(0.12);
      squares += (q.p50 / mc.p50 - 1) ** 2;
    }
    expect(Math.sqrt(squares / 60)).toBeLessThan(0.015);
  });
  // Handbook chapter 2, section 10: two lots, and 400 000 draws of them.
  it('the two lots of section 10', () => {
    const parts = [
      { medianShu: 2000, sigma: 0.4, pods: Infinity },
      { medianShu: 480, sigma: 0.6, pods: Infinity },
    ];
    const q = blurQuantiles(finishedBlur(parts, 0)!);
    expect([q.p10, q.p50, q.p90].map(Math.round)).toEqual([1656, 2582, 4024]);
    const mc = drawnBand(parts, 0, 1656, 4024)!;
    expect(mc.p50 / 2581).toBeCloseTo(1, 1);
    expect(mc.odds).toBeCloseTo(0.8, 1);
  });
  it('a very uncertain lot is drawn, not calculated', () => {
    const band = (sigma: number) => heatBand([{ medianShu: 2000, sigma, pods: 20 }], 0.2, 1000, 4000)!;
    expect(band(0.4).by).toBe('formula');
    expect(band(1.2).by).toBe('draws');
    expect(heatBand([], 0.2, 1, 2)).toBeNull();
  });
  it('names the largest doubt, shares add to one, and every remedy narrows', () => {
    const parts = [
      { id: 'h', name: 'Habanero', medianShu: 2000, sigma: 0.5, pods: 6, prepSd: 0.28 },
      { id: 'c', name: 'Cayenne', medianShu: 600, sigma: 0.4, pods: 40 },
    ];
    const { doubts, remedies, blur } = doubtsOf(parts, 0.2, 1800, 3600);
    expect(doubts[0]).toMatchObject({ what: 'lot', id: 'h' });
    expect(doubts.reduce((s, d) => s + d.share, 0)).toBeCloseTo(1, 9);
    expect(remedies.map((r) => r.what).sort()).toEqual(['dilution', 'lots', 'pods', 'taste']);
    for (const r of remedies) expect(r.sigma).toBeLessThan(blur!.sigma);
    expect(doubtsOf([], 0.2, 1, 2)).toMatchObject({ doubts: [], blur: null });
  });
});
