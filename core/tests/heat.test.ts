import { describe, expect, it } from 'vitest';
import {
  asIsShu,
  blurQuantiles,
  bracketOfLevel,
  drawEnsemble,
  finishedBlur,
  levelOf,
  lotSigma,
  lotStream,
  lotOfVariety,
  ingredient,
  massOf,
  oddsWithin,
  podVariance,
  ppmOf,
  preparedPerGram,
  quantileSorted,
  retained,
  shuOf,
  shuOfLevel,
  twoFigures,
  TYPICAL,
  variety,
  VARIETIES,
  heatWord,
  heatWords,
  EATEN_IDS,
  eatenOf,
  mainEnd,
  newBatch,
  withGoal,
} from '../src';

describe('pungency', () => {
  // ASTA 21.3 / AOAC 995.03 factors (from memory): arithmetic done by hand.
  it('SHU from capsaicinoids', () => {
    expect(shuOf({ capsaicin: 1000, dihydrocapsaicin: 700, nordihydrocapsaicin: 150 })).toBeCloseTo(28_765, 6);
    expect(shuOf({ capsaicin: 1e6, dihydrocapsaicin: 0, nordihydrocapsaicin: 0 })).toBeCloseTo(16_100_000, 3);
    expect(ppmOf(30_000)).toBeCloseTo(1863.35, 2);
    // Bosland & Baral 2007: 1 001 304 SHU, which is 6.219 % capsaicinoids (from memory).
    expect(ppmOf(1_001_304) / 1e4).toBeCloseTo(6.219, 3);
  });

  it('drying keeps the heat load', () => {
    const fresh = 1000 * asIsShu(15_000, 0.905);
    const dried = 106.742 * asIsShu(15_000, 0.11);
    expect(dried / fresh).toBeCloseTo(1, 4);
  });

  it('classes of sauce contain or overlap their label (chapter 2, section 1.2; label ranges from memory)', () => {
    const of = (id: string, share: number, kept: number) => {
      const v = variety(id);
      const at = (s: number) => share * kept * (1 - v.waterPct / 100) * s;
      return [at(v.shuDry.low), at(v.shuDry.high)] as const;
    };
    const overlap = (a: readonly [number, number], low: number, high: number) => a[0] <= high && a[1] >= low;
    expect(overlap(of('cayenne-red', 0.3, 0.92 * 0.8), 450, 1000)).toBe(true);
    expect(overlap(of('habanero-orange', 0.3, 0.95), 5000, 15_000)).toBe(true);
    expect(overlap(of('ghost-red', 0.3, 0.95), 20_000, 60_000)).toBe(true);
    expect(overlap(of('jalapeno-red', 0.62, 0.97), 1000, 2500)).toBe(true);
  });
});

describe('preparation (chapter 2, section 3.2, regression)', () => {
  it.each([
    ['jalapeno-red', 'seedsOut', 0.907, 0.932],
    ['jalapeno-red', 'cored', 0.202, 0.86],
    ['thai-bird', 'seedsOut', 0.907, 0.823],
    ['habanero-orange', 'halfCored', 0.667, 0.92],
    ['reaper-type', 'cored', 0.51, 0.802],
  ] as const)('%s %s', (id, prep, heat, mass) => {
    const v = variety(id);
    const r = retained(prep, v.capsaicinoidClass, v.pod!.massFraction);
    expect(r.heat).toBeCloseTo(heat, 2);
    expect(r.mass).toBeCloseTo(mass, 2);
  });
  it('stems carry mass and no heat', () => {
    const lot = lotOfVariety(variety('cayenne-red'), { id: 'c' });
    const per = preparedPerGram(lot, 'whole');
    expect(per.massG).toBeCloseTo(0.94, 10);
    expect(per.heatShuG / per.massG).toBeCloseTo(42_000 * 0.14, 6);
  });
});

describe('blur', () => {
  // Worked in handbook chapter 2, section 10.
  it('two lots by moments', () => {
    const b = finishedBlur(
      [
        { medianShu: 0.1 * 20_000, sigma: 0.4, pods: Infinity },
        { medianShu: 0.4 * 1200, sigma: 0.6, pods: Infinity },
      ],
      0,
    )!;
    expect(b.mu).toBeCloseTo(7.85619, 4);
    expect(b.sigma).toBeCloseTo(0.34633, 4);
  });

  it('agrees with a Monte Carlo run of 40 000 draws', () => {
    const parts = [
      { medianShu: 2000, sigma: 0.4, pods: 30 },
      { medianShu: 480, sigma: 0.6, pods: 12 },
      { medianShu: 900, sigma: 0.35, pods: 60 },
    ];
    const q = blurQuantiles(finishedBlur(parts, 0.2)!);
    const sums = drawEnsemble(5, 40_000)
      .map(
        (d) =>
          parts.reduce((s, p, i) => s + p.medianShu * Math.exp(p.sigma * d.z(`l${i}`) + Math.sqrt(podVariance(p.pods)) * d.z(`p${i}`)), 0) *
          Math.exp(0.2 * d.z('f')),
      )
      .sort((a, b) => a - b);
    // Bounds measured in handbook chapter 2, section 4.2: median 1.9 %, p90 4.5 %, p10 11 %.
    expect(Math.abs(q.p50 / quantileSorted(sums, 0.5) - 1)).toBeLessThan(0.02);
    expect(Math.abs(q.p90 / quantileSorted(sums, 0.9) - 1)).toBeLessThan(0.045);
    expect(Math.abs(q.p10 / quantileSorted(sums, 0.1) - 1)).toBeLessThan(0.11);
  });

  it('odds over a partition sum to one, and nothing hot is no blur', () => {
    const b = { mu: 8, sigma: 0.4 };
    expect(oddsWithin(b, 0, 2000) + oddsWithin(b, 2000, 5000) + oddsWithin(b, 5000, 1e12)).toBeCloseTo(1, 6);
    expect(finishedBlur([{ medianShu: 0, sigma: 0, pods: 3 }], 0.2)).toBeNull();
  });

  it('more pods narrow the pod part only', () => {
    expect(Math.sqrt(podVariance(1))).toBeCloseTo(0.45, 3);
    expect(Math.sqrt(podVariance(30))).toBeCloseTo(0.086, 3);
    expect(lotSigma(100_000, 380_000)).toBeCloseTo(0.40581, 4);
  });
});

it('levels and brackets', () => {
  for (let l = 1; l <= 9; l++) expect(levelOf(shuOfLevel(l))).toBeCloseTo(l, 10);
  expect(bracketOfLevel(4)).toEqual({ lowShu: 1300, highShu: 3200 });
  expect(twoFigures(4949)).toBe(4900);
});

it('every variety becomes a lot whose stream holds its water, sugar and heat', () => {
  for (const v of VARIETIES) {
    const lot = lotOfVariety(v, { id: 'x' });
    const s = lotStream(lot, ingredient(lot.like), 100, TYPICAL, 0);
    expect(massOf(s), v.id).toBeCloseTo(100, 9);
    expect(s.grams.water, v.id).toBeCloseTo(v.waterPct, 9);
    expect(s.grams.sugars, v.id).toBeCloseTo(v.solubleSugarGPer100g, 9);
    expect(s.heatShuG / 100, v.id).toBeCloseTo(v.shuDry.typical * (1 - v.waterPct / 100), 6);
  }
});

describe('words for heat go by how a sauce is eaten (handbook chapter 6, section 6)', () => {
  it.each([
    [400, 'drop', 'mild'],
    [400, 'spooned', 'medium'],
    [400, 'dip', 'hot'],
    [1000, 'dip', 'very hot'],
    [150, 'dip', 'medium'],
    [90, 'drop', 'no heat'],
    [90, 'spooned', 'mild'],
  ] as const)('%f SHU, %s: %s', (shu, eaten, word) => expect(heatWord(shu, eaten)).toBe(word));
  it('bounds are those of chapter 2 times 1, 1/3 and 1/10, without gaps', () => {
    expect(heatWords('dip').map((w) => w.lowShu)).toEqual([10, 50, 200, 800, 3000, 12_000]);
    for (const e of EATEN_IDS) heatWords(e).forEach((w, i, all) => i > 0 && expect(w.lowShu).toBe(all[i - 1]!.highShu));
  });
  it('the style knows, the maker changes, and the wish stays what it was in SHU', () => {
    const file = newBatch('Dip', '2026-10-01', { lowShu: 1300, highShu: 3200, bottles: 2, bottleMl: 100 }, 'rough-table');
    expect(eatenOf(file, mainEnd(file).goal)).toBe('dip');
    const changed = withGoal(file, 'main', { ...mainEnd(file).goal!, eaten: 'spooned' });
    expect(eatenOf(changed, mainEnd(changed).goal)).toBe('spooned');
    expect(mainEnd(changed).goal).toMatchObject({ lowShu: 1300, highShu: 3200 });
  });
});
