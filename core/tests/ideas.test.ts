import { beforeAll, describe, expect, it } from 'vitest';
import {
  fewLots,
  heatWords,
  IDEA_ORDERS,
  IDEA_STYLES,
  ideaOf,
  inIdeaOrder,
  INGREDIENTS,
  lotOfVariety,
  lotShu,
  mainEnd,
  planBatch,
  podUses,
  reportLine,
  STYLES,
  styleOf,
  variety,
  type Idea,
  type IdeaOrder,
  type IdeaWish,
  type LinearSolver,
} from '../src';
import { highsSolver } from '@roskel/core/highs';

const TODAY = '2026-10-05';
let highs: LinearSolver;
beforeAll(async () => {
  highs = await highsSolver();
});
const pods = (of: readonly [string, number, boolean?][]): IdeaWish['pods'] =>
  of.map(([v, stockG, useFirst], i) => ({ lot: lotOfVariety(variety(v), { id: `lot-${i}` }), stockG, useFirst: useFirst ?? false }));
const LOTS: readonly [string, number, boolean?][] = [
  ['cayenne-red', 500],
  ['pointed-red', 900],
  ['jalapeno-green', 400, true],
  ['habanero-orange', 90],
  ['guajillo', 90],
  ['lemon-drop', 300, true],
];
const wish = (eaten: Parameters<typeof heatWords>[0], of = LOTS, name = 'medium'): IdeaWish => {
  const { lowShu, highShu } = heatWords(eaten).find((w) => w.name === name)!;
  return {
    ...{ name: 'Idea', startDate: TODAY, goal: { lowShu, highShu, bottles: 4, bottleMl: 100 }, boughtId: 'bought', rows: INGREDIENTS },
    ...{ pods: pods(of), things: [], bottled: null },
    larder: ['vinegar_cider', 'vinegar_distilled_5', 'salt_fine', 'garlic', 'onion', 'sugar_white'].map((id) => ({
      id,
      name: id,
      massG: 900,
      says: '',
    })),
  };
};

describe('what could be made', () => {
  it('of six lots: each kind is a whole plan, the same as planned alone, or says why not', () => {
    const told = IDEA_STYLES.map((s) => ideaOf(highs, s, wish(styleOf(s).eaten), TODAY));
    expect(new Set(told.map((t) => t.style))).toEqual(new Set(STYLES.map((s) => s.id)));
    const ideas = told.filter((t): t is Idea => 'plan' in t);
    expect(ideas.length).toBeGreaterThanOrEqual(10);
    for (const t of told) if (!('plan' in t)) expect(t.why).toMatch(/\.$/);
    expect(told.find((t) => t.style === 'from-a-bottle')).toMatchObject({ why: expect.stringContaining('bottled') });
    for (const { style, plan, inDays, usesFirst } of ideas) {
      const { goal } = mainEnd(plan.file);
      const end = reportLine(plan.file, { today: TODAY, forecast: false }).ends[0]!;
      expect(plan.odds, style).toBe(end.odds);
      expect(end.finished.heatShu / goal.lowShu, style).toBeGreaterThan(0.8);
      expect(end.finished.heatShu / goal.highShu, style).toBeLessThan(1.25);
      expect(plan.bottles, style).toBeGreaterThanOrEqual(4);
      expect(inDays > 3, style).toBe(style.endsWith('ferment'));
      // A good part of it, not a gram for the heat.
      for (const { lot, stockG, useFirst } of wish('drop').pods.filter((p) => p.useFirst)) {
        const g = podUses(plan.file).reduce((sum, u) => sum + (u.lotId === lot.id ? u.massG : 0), 0);
        expect(usesFirst.includes(lot.name), `${style} ${lot.name}`).toBe(useFirst && g >= stockG / 5);
      }
    }
    const raw = ideas.find((i) => i.style === 'raw-herbs')!;
    expect(raw.plan).toEqual(planBatch(highs, { ...wish(styleOf('raw-herbs').eaten), style: 'raw-herbs' }, TODAY));
    // Each order is the one it is called, and loses none.
    const onShelf = new Map([['raw-herbs', 6]]);
    const figure: Record<IdeaOrder, (i: Idea) => number> = {
      soon: (i) => i.inDays,
      sure: (i) => -i.plan.odds,
      there: (i) => i.plan.toBuy.length,
      spoils: (i) => -i.usesFirst.length,
      keeps: (i) => -i.plan.sauce.keepsDays,
      other: (i) => onShelf.get(i.style) ?? 0,
    };
    for (const order of Object.keys(IDEA_ORDERS) as IdeaOrder[]) {
      const sorted = inIdeaOrder(ideas, order, onShelf);
      expect(new Set(sorted)).toEqual(new Set(ideas));
      expect(sorted.map(figure[order]), order).toEqual(ideas.map(figure[order]).sort((a, b) => a - b));
    }
    expect(inIdeaOrder(ideas, 'other', onShelf).at(-1)!.style).toBe('raw-herbs');
    expect(inIdeaOrder(ideas, 'keeps')[0]!.plan.sauce.keepsDays).toBeGreaterThan(150);
  });
  it('what cannot be had says why: no dried pods, no heat that is wished, no pods at all', () => {
    const mild = wish('drop', [['pointed-red', 900]], 'extreme');
    for (const style of ['steeped', 'raw-citrus', 'mash-ferment']) {
      const told = ideaOf(highs, style, mild, TODAY);
      expect('why' in told && told.why, style).toMatch(/too few or too mild|SHU|hot|heat/);
    }
    expect(ideaOf(highs, 'roasted-paste', wish('drop', [['cayenne-red', 500]]), TODAY)).toMatchObject({
      why: expect.stringContaining('dried'),
    });
    expect(ideaOf(highs, 'steeped', wish('drop', []), TODAY)).toMatchObject({ why: expect.stringContaining('No pods') });
  });
  it('of five hundred lots a few are looked at: all heats among them, and what must be used first', () => {
    const names = ['cayenne-red', 'pointed-red', 'jalapeno-green', 'habanero-orange', 'lemon-drop', 'fatalii', 'serrano-red'];
    const many = pods(
      Array.from({ length: 500 }, (_, i) => [names[i % names.length]!, 20 + (i % 50), i % 100 === 7] as const).map((x) => [...x]),
    );
    const few = fewLots(many);
    expect(few.length).toBe(24);
    expect(new Set(few).size).toBe(24);
    expect(few.filter((p) => p.useFirst).length).toBe(5);
    const shu = (list: IdeaWish['pods']) => list.map((p) => lotShu(p.lot));
    expect([Math.min(...shu(few)), Math.max(...shu(few))]).toEqual([Math.min(...shu(many)), Math.max(...shu(many))]);
    expect(new Set(few.map((p) => p.lot.varietyId)).size).toBe(names.length);
    expect(fewLots(pods(LOTS))).toHaveLength(LOTS.length);
  });
});
