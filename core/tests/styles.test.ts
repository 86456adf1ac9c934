import { describe, expect, it } from 'vitest';
import {
  choosePods,
  endStrands,
  kindKey,
  lotOfVariety,
  massOf,
  newBatch,
  reportLine,
  resize,
  runLine,
  runUpTo,
  propsOf,
  readHave,
  stationsOf,
  strandsUpTo,
  STYLES,
  styleOfList,
  TYPICAL,
  useMix,
  variety,
  withGoal,
  type BatchFile,
  type PodChoice,
  type Style,
} from '../src';
import { highsSolver } from '@roskel/core/highs';

const TODAY = '2026-11-26';
const CHOICES: PodChoice[] = [
  ['cayenne-red', 900],
  ['pointed-red', 4000],
  ['habanero-orange', 300],
].map(([id, stockG]) => ({
  lot: lotOfVariety(variety(id as string), { id: id as string }),
  stockG: stockG as number,
  prep: 'whole',
  useFirst: false,
}));
const GOAL = { lowShu: 1500, highShu: 4000, bottles: 6, bottleMl: 200 };
const planned = (style: Style): BatchFile =>
  useMix(newBatch(style.name, TODAY, GOAL, style.id), CHOICES, { 'cayenne-red': 200, 'pointed-red': 300 });
const report = (file: BatchFile) => reportLine(file, { today: TODAY, members: 60 });

describe.each(STYLES)('$id', (style) => {
  const file = planned(style);
  it('runs in every world, and fills bottles', () => {
    const { ends, stations } = report(file);
    expect(ends.length).toBe(endStrands(file).length);
    for (const e of ends) expect(e.bottles.possible).toBeGreaterThan(0);
    for (const s of stations)
      for (const band of Object.values(s.band))
        if (band) for (const x of [band.p10, band.p50, band.p90]) expect(Number.isFinite(x)).toBe(true);
  });
  it('all that went in comes out or leaves at a side, by a sum over the whole batch', () => {
    const runs = runLine(file, TYPICAL);
    const put = runs.flatMap((r) =>
      r.taken.filter((t) => !['strand', 'side'].includes(t.intake.origin.from)).map((t) => massOf(t.flow.stream)),
    );
    const made = runs.flatMap((r) => r.made.map((m) => massOf(m.stream)));
    const left = runs.flatMap((r) => r.sides.map((s) => massOf(s.stream)));
    const ends = endStrands(file).map((s) => massOf(runs.find((r) => r.id === s.stations.at(-1)!.id)!.out.stream));
    const sum = (xs: number[]) => xs.reduce((a, b) => a + b, 0);
    expect(sum(put) + sum(made)).toBeCloseTo(sum(left) + sum(ends), 5);
  });
  it('twice of it is twice of it, and lots are found for its goal', async () => {
    const first = endStrands(file)[0]!;
    const [a, b] = [file, resize(file, 2, first.id)].map((f) => propsOf(runUpTo(f, first.stations.at(-1)!.id).bowl));
    // A jar has another headspace, and a pot that is as wide as before loses the same water: to one part in sixteen.
    for (const ratio of [b!.massG / a!.massG / 2, b!.saltPct / a!.saltPct, b!.heatShu / a!.heatShu])
      expect(Math.abs(ratio - 1)).toBeLessThan(0.06);
    const wide = endStrands(file).reduce((f, s) => withGoal(f, s.id, { lowShu: 100, highShu: 40_000, bottles: 2, bottleMl: 150 }), file);
    expect(choosePods(await highsSolver(), wide, CHOICES).status).toBe('found');
  });
  it('nothing of it keeps outside the fridge before its pH was measured', () => {
    for (const e of report(file).ends) expect(e.keeping?.place).not.toBe('cupboard');
  });
});

/** The file as it was followed: every station done, and a meter reading of the finished sauce at each end. */
function finished(file: BatchFile, pH: number): BatchFile {
  const ends = new Set(endStrands(file).map((s) => s.stations.at(-1)!.id));
  const strands = file.strands.map((s) => ({
    ...s,
    stations: s.stations.map((e) => ({
      ...e,
      log: { doneOn: TODAY, ...(ends.has(e.id) ? { pH, phOn: undefined, instrument: 'meter' as const } : {}) },
    })),
  }));
  return { ...file, startDate: TODAY, strands } as BatchFile;
}

/** What the file alone says of an end: every key on the way there, what fills it, and whether something soured. */
function onTheWay(file: BatchFile, strandId: string) {
  const strands = strandsUpTo(file, strandId);
  const entries = stationsOf(file).filter((s) => strands.has(s.strand.id));
  const keys = entries.flatMap(({ entry }) =>
    entry.intakes.flatMap((i) => (i.origin.from === 'larder' ? [kindKey({ key: i.origin.key })] : [])),
  );
  const last = file.strands.find((s) => s.id === strandId)!.stations.at(-1)!;
  return {
    keys,
    oil: keys.some((k) => k.startsWith('oil_')),
    soft: keys.some((k) => ['cilantro', 'culantro', 'basil', 'mint', 'avocado'].includes(k)),
    fruity: keys.some((k) => /^(mango|pineapple|peach|tomat|onion|shallot)/.test(k)),
    hot: (last.params as { fill?: string }).fill === 'hot',
    bowl: last.kind === 'bowl',
    live: entries.some(({ entry }) => entry.kind === 'ferment'),
  };
}

describe.each(STYLES)('what $id may promise', (style) => {
  const file = finished(planned(style), 3.3);
  const done = report(file);
  it.each(endStrands(file).map((s) => s.id))('%s, measured by meter at pH 3.3 and done as planned', (strandId) => {
    const keeping = done.ends.find((e) => e.strandId === strandId)!.keeping!;
    const { oil, soft, fruity, hot, bowl, live } = onTheWay(file, strandId);
    // Rows 2, 4, 8 and 9 of the table of keeping (handbook chapter 5, section 17), by what went in.
    const most = bowl ? 3 : oil ? 14 : hot ? 180 : soft || (fruity && !live) ? 5 : live ? 180 : 90;
    expect(keeping.days).toBeLessThanOrEqual(most);
    if (keeping.place === 'cupboard') expect([oil, hot, bowl]).toEqual([false, true, false]);
    expect(keeping.text).not.toMatch(/room temperature|indefinite|for ever/);
  });
  it('its cautions name what it is: oil, live gas, a hot jug, starch, an open bowl', () => {
    const ids = new Set(done.cautions.map((c) => c.id));
    const kinds = new Set(stationsOf(file).map((s) => s.entry.kind));
    const ends = endStrands(file).map((s) => onTheWay(file, s.id));
    if (ends.some((e) => e.oil)) expect([...ids]).toContain('garlic-oil');
    if (ends.some((e) => e.live && !e.hot)) expect([...ids]).toContain('live-pressure');
    if (kinds.has('thicken')) expect([...ids]).toContain('starch-warm');
    if (kinds.has('fry')) expect([...ids]).toContain('hot-oil');
    if (kinds.has('bowl')) expect([...ids]).toContain('open-bowl');
    if (kinds.has('char')) expect([...ids]).toContain('capsaicin-smoke');
    expect([...ids]).toContain('home-only');
    // Nothing that was cooked or measured makes a reading out of a plan.
    const unread = report(planned(style)).cautions.map((c) => c.id);
    expect(unread).toContain('ph-unmeasured');
  });
});
describe('what a style may promise', () => {
  it.each(['raw-herbs', 'base-variants'])('%s: herbs that are raw never get more than days, however sour', (id) => {
    const file = finished(planned(STYLES.find((s) => s.id === id)!), 3.3);
    const ends = report(file).ends.filter((e) => {
      const strand = file.strands.find((s) => s.id === e.strandId)!;
      const all = [...strand.stations, ...file.strands[0]!.stations].flatMap((s) => s.intakes);
      return all.some((i) => i.origin.from === 'larder' && ['cilantro', 'basil', 'mint'].includes(kindKey({ key: i.origin.key })));
    });
    expect(ends.length).toBeGreaterThan(0);
    for (const e of ends) {
      expect(e.keeping!.place).toBe('fridge');
      expect(e.keeping!.text).toMatch(/day|week/);
      expect(e.keeping!.text).not.toMatch(/month|year/);
    }
  });
  it('oil with raw garlic, even little of it, is told to stay cold', () => {
    const end = report(finished(planned(STYLES.find((s) => s.id === 'simmered-vegetables')!), 3.5)).ends[0]!;
    expect(end.keeping!.place).not.toBe('cupboard');
  });
});

describe('a list is read as a style', () => {
  it.each([
    ['2 limes, a bunch of coriander, 6 green chillies, garlic', 'raw-herbs'],
    ['5 habaneros, mustard, allspice, 1 l white vinegar, brown sugar, onion', 'long-reduced'],
    ['tomato paste, olive oil, red chillies, onion', 'fried-paste'],
    ['dried chillies, tamarind paste, fish sauce, palm sugar, shallots', 'cooked-dip'],
    ['dried chillies, tamarind paste, shrimp paste, palm sugar, oil', 'roasted-paste'],
    ['1 avocado, jalapeños, lime', 'rough-table'],
    ['200 g jalapeños for a sweet chilli', 'sweet-syrup'],
    ['charred jalapeños, pineapple', 'charred-fruit'],
    ['15 hot pods, garlic, vinegar', null],
    ['', null],
  ])('%s', (text, style) => {
    const keys = readHave(text, 'metric').things.map((t) => t.id);
    expect(styleOfList(text, keys)?.id ?? null).toBe(style);
  });
});

describe('oil', () => {
  it.each(['fried-paste', 'roasted-paste'])('%s: a paste under oil is never told to stand warm, however sour it was read', (id) => {
    const end = report(finished(planned(STYLES.find((s) => s.id === id)!), 3.2)).ends[0]!;
    expect(end.keeping!.place).toBe('fridge');
    expect(end.keeping!.text).not.toMatch(/month|year/);
  });
});

describe('reduced by half', () => {
  it('says hours, the pH up, the salt doubled, vinegar lost', () => {
    const file = planned(STYLES.find((s) => s.id === 'long-reduced')!);
    const { stations } = report(file);
    const at = stations.findIndex((s) => s.kind === 'simmer');
    const [before, pot] = [stations[at - 1]!, stations[at]!];
    expect(pot.now.massG / before.now.massG).toBeCloseTo(0.5, 2);
    expect(pot.now.saltPct / before.now.saltPct).toBeCloseTo(2, 1);
    expect(pot.now.pH! - before.now.pH!).toBeGreaterThan(0.08);
    const facts = pot.facts as { minutes: number; aceticKeptPct: number };
    expect(facts.minutes).toBeGreaterThan(45);
    expect(facts.aceticKeptPct).toBeLessThan(65);
    expect(stationsOf(file).filter((s) => s.entry.kind === 'blend').length).toBe(2);
  });
});
