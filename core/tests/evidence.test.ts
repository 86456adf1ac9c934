import { describe, expect, it } from 'vitest';
import {
  reportLine,
  unsouredText,
  allergenWords,
  cardText,
  carry,
  ingredientList,
  jarContents,
  lotOfVariety,
  mainEnd,
  mapStations,
  newBatch,
  openNeeds,
  planBatch,
  podStationId,
  readHave,
  recipeCard,
  STYLES,
  UNASKED_STYLE,
  INGREDIENTS,
  variety,
  withPodUses,
  type BatchFile,
  type Intake,
  type StationLog,
} from '@roskel/core';
import { highsSolver } from '@roskel/core/highs';
import { pods, put } from './helpers';
import { HOT, keep, lineOf, meter, on, own, read, said, START, type Step } from './steps';

/*
 * Evidence that nobody gave counts for nothing, and what somebody gave counts: handbook chapter 6, sections 4, 5 and 8, with
 * the rows of chapter 5, section 17. Acidified foods are measured as a blended whole (from memory).
 */
const GOAL = { lowShu: 300, highShu: 9000, bottles: 4, bottleMl: 150 };
/** A whole style with pods, every step done on the first day but what stands longer, with logs. */
function styled(style: string, logs: Record<string, StationLog> = {}): BatchFile {
  const lot = lotOfVariety(variety('cayenne-red'), { id: 'hot' });
  const base = newBatch('Style', START, GOAL, style);
  const file = carry(withPodUses(base, [{ lotId: 'hot', massG: 640, prep: 'whole', stationId: podStationId(base) }]), [lot], []);
  const dates = new Map(said(file, 0).stations.map((s) => [s.id, s.to]));
  return mapStations(file, (s) => ({ ...s, log: { doneOn: dates.get(s.id)!, ...logs[s.kind] } }));
}
const HEATED_STYLES = STYLES.filter((s) => s.strands(GOAL).some((t) => t.goal && t.stations.some((x) => x.kind === 'bottle')));

it('a jar that is to be thrown away has no forecast and no odds beside it', () => {
  const base = lineOf([
    ['salt', 0, {}, [pods('hot', 500)]],
    ['ferment', null, { tempC: 21, days: 14, targetPh: 3.8 }],
    ['bottle', null],
  ]);
  const told = (file: BatchFile) => reportLine(file, { today: on(9), members: 60 }).forecasts[0]!;
  expect(unsouredText(told(base))).toBeNull();
  const fuzz = {
    ...base,
    readings: [{ id: 'f', stationId: 'ferment', at: `${on(8)}T12:00:00.000Z`, instrument: 'meter' as const, signs: ['fuzz' as const] }],
  };
  expect(unsouredText(told(fuzz))).toMatch(/throw it away/);
});

describe('heat that nobody measured', () => {
  it.each(HEATED_STYLES.map((s) => s.id))('%s, filled hot with nothing said: no cupboard, at any pH', (style) => {
    const hot = (log: StationLog) =>
      mapStations(styled(style, { bottle: log }), (s) =>
        s.kind === 'bottle' ? { ...s, params: { ...(s.params as object), fill: 'hot' } } : s,
      );
    const report = (log: StationLog) => said(hot(log), 60).ends[0]!.keeping!;
    const low = { ...meter(3.3), phBlended: true };
    expect(report(low).place).not.toBe('cupboard');
    for (const fillC of [20, 45, 81]) expect(report({ ...low, fillC }).place, `${fillC} °C`).not.toBe('cupboard');
  });
  const raw = (log: StationLog) =>
    lineOf([
      ['blend', 0, { texture: 'smooth' }, [pods('hot', 150), put('vinegar_distilled_5', 400), put('garlic', 15), put('salt_fine', 12)]],
      ['bottle', 0, HOT, [], { ...meter(3.3), ...log }],
    ]);
  it.each([20, 45, 81])('a raw blend filled "hot" at %d °C is raw: the row of raw pods in vinegar', (fillC) =>
    expect(keep(raw({ fillC }), 0)).toMatchObject({ place: 'fridge', days: 14 }),
  );
  it.each<[string, StationLog]>([
    ['85 °C, typed', { fillC: 85 }],
    ['the tick: by a thermometer', { hotByThermometer: true }],
  ])('%s: heated, and a cupboard', (_, log) => expect(keep(raw(log), 0)).toMatchObject({ place: 'cupboard', days: 180 }));
  it('the tick does not outvote a figure', () => expect(keep(raw({ fillC: 60, hotByThermometer: true }), 0).place).toBe('fridge'));

  const log = (c: number, minutes: number): StationLog =>
    ({
      heat: [0, minutes].map((min) => ({ min, c })),
    }) as StationLog;
  const thick = (more: StationLog) =>
    lineOf([
      ['blend', 0, { texture: 'smooth' }, [pods('hot', 150), put('vinegar_distilled_5', 300), put('tomato', 200), put('salt_fine', 12)]],
      ['thicken', 0, { minutes: 12 }, [], more],
      ['bottle', 0, { ...HOT, fill: 'cold' }, [], meter(3.6)],
    ]);
  it('a thickening that boils cooks it; its log says otherwise', () => {
    expect(said(thick({}), 0).ends[0]!.keeping!.days).toBe(180);
    expect(said(thick(log(70, 12)), 0).ends[0]!.keeping!.days).toBe(5);
    expect(said(thick(log(90, 12)), 0).ends[0]!.keeping!.days).toBe(180);
  });
  it('a paste that bubbled for ten minutes is cooked, one of four is not', () => {
    const paste = (minutes: number) =>
      lineOf([
        [
          'blend',
          0,
          { texture: 'smooth' },
          [pods('hot', 300), put('tomato', 200), put('onion', 100), put('vinegar_distilled_5', 200), put('salt_fine', 14)],
        ],
        ['fry', 0, { way: 'paste', minutes }, [put('oil_olive', 8)]],
        ['bottle', 0, { ...HOT, fill: 'cold' }, [], meter(3.8)],
      ]);
    expect(keep(paste(12), 0)).toMatchObject({ place: 'fridge', days: 14 });
    expect(said(paste(12), 0).ends[0]!.keeping!.reason).not.toMatch(/raw/);
    expect(keep(paste(4), 0).days).toBe(4);
  });
});

describe('evidence that was given', () => {
  const SWEET = STYLES.filter((s) => s.id.startsWith('sweet')).map((s) => s.id);
  const PIECES: Step[] = [
    ['prep', 0, {}, [pods('hot', 200)]],
    [
      'simmer',
      0,
      { boil: 'bare', lid: 'on', until: 'minutes', minutes: 20 },
      [put('vinegar_distilled_5', 300), put('garlic', 10), put('salt_fine', 10)],
    ],
  ];
  const inPieces = (log: StationLog) => lineOf([...PIECES, ['bottle', 0, { ...HOT, fill: 'cold' }, [], log]]);
  it('there are sweet styles', () => expect(SWEET.length).toBeGreaterThanOrEqual(2));
  it.each(SWEET)('%s: a reading of a blended sample counts, and the page does not say "measure it" beside it', (style) => {
    const of = (log: StationLog) => keep(styled(style, { bottle: log }), 90);
    expect(of({ ...meter(3.4), phBlended: true, fillC: 88 })).toMatchObject({ place: 'cupboard', days: 180 });
    expect(of({ ...meter(3.4), phBlended: true, fillC: 88 }).text).not.toMatch(/[Mm]easur/);
  });
  it('where nothing is blended: with the tick it counts, without it says how to read it', () => {
    expect(keep(inPieces({ ...meter(3.4), phBlended: true }), 0).days).toBe(180);
    expect(keep(inPieces(meter(3.4)), 0).days).toBe(7);
    expect(keep(inPieces(meter(3.4)), 0).text).toMatch(/blended sample/);
  });
  it.each([4.1, 4.3, 4.6])('a strip of %d on pieces is the next worse row, not an unread sauce', (pH) =>
    expect(keep(inPieces({ pH, instrument: 'strip', phSure: true }), 0).days).toBe(4),
  );
  it('sugar, salt, powder and vinegar leave a blended sauce blended; pieces do not', () => {
    const after = (thing: Intake) =>
      lineOf([
        ['blend', 0, { texture: 'smooth' }, [pods('hot', 200), put('vinegar_distilled_5', 400), put('salt_fine', 10)]],
        ['simmer', 0, { boil: 'bare', lid: 'on', until: 'minutes', minutes: 20 }, [thing]],
        ['bottle', 0, { ...HOT, fill: 'cold' }, [], meter(3.4)],
      ]);
    for (const key of ['sugar_white', 'salt_fine', 'onion_powder', 'vinegar_cider', 'honey'])
      expect(keep(after(put(key, 20)), 0).days, key).toBe(180);
    expect(keep(after(put('onion', 60)), 0).days).toBe(7);
  });
});

describe('a label says what is in it', () => {
  const bottled = (intakes: Intake[], rows: Parameters<typeof own>[] = []) =>
    lineOf(
      [
        ['blend', 0, { texture: 'smooth' }, [pods('hot', 150), put('vinegar_distilled_5', 300), ...intakes]],
        ['bottle', 0, { ...HOT, fill: 'cold' }, [], meter(3.5)],
      ],
      { rows: rows.map((r) => own(...r)) },
    );
  it.each<[string, string, string[], RegExp]>([
    ['tahini', 'peanut_butter', ['sesame'], /Contains: sesame/],
    ['cream', 'milk', ['milk'], /Contains: milk/],
    ['miso', 'soy_sauce', ['packet'], /[Cc]heck .*miso/],
    ['beer', 'water', ['packet'], /[Cc]heck .*beer/],
  ])('an own row called %s', (name, like, allergens, says) => {
    const like2 = INGREDIENTS.some((i) => i.key === like) ? like : 'garlic';
    const file = bottled([put('own-x', 30)], [['own-x', name, like2, allergens]]);
    const words = allergenWords(ingredientList(file, mainEnd(file).id), 'eu').join(' ');
    expect(words).toMatch(says);
  });
  const brined: Step[] = [
    ['prep', 0, {}, [pods('hot', 1000)]],
    ['salt', 0, { school: 'water', pct: 4 }],
    ['ferment', 14, { days: 14 }],
    ['drain', 14],
    [
      'blend',
      14,
      { texture: 'smooth' },
      [{ id: 'brine', origin: { from: 'side', stationId: 'drain', side: 'brine' }, amount: { g: 250 } }],
    ],
    ['bottle', 14, { ...HOT, fill: 'cold' }, [], meter(3.6)],
  ];
  it('water that came in by a brine is on the label, with its salt', () => {
    const file = lineOf(brined, { readings: read([7, 4.1], [14, 3.6]) });
    const list = ingredientList(file, mainEnd(file).id).listed;
    expect(list.map((l) => l.name)).toEqual(expect.arrayContaining(['water', 'salt']));
    // Of 250 g of brine about half is the water of the jar, and the drained pods have drunk of it as well.
    expect(list.find((l) => l.name === 'water')!.g).toBeGreaterThan(100);
  });
  it('a jar lists what stands in it, not what goes in weeks later', () => {
    const later = brined.map((s) =>
      s[0] === 'blend'
        ? ([s[0], null, s[2], [...s[3]!, put('vinegar_cider', 200)]] as Step)
        : s[0] === 'bottle'
          ? ([s[0], null, s[2]] as Step)
          : s,
    );
    const file = lineOf(later);
    expect(jarContents(file, 'ferment').listed.map((l) => l.name)).toEqual(expect.arrayContaining(['water', 'salt']));
    expect(jarContents(file, 'ferment').listed.map((l) => l.name)).not.toContain('cider vinegar');
    expect(ingredientList(file, mainEnd(file).id).listed.map((l) => l.name)).toContain('cider vinegar');
  });
});

describe('what is told to others, and why', () => {
  it.each(STYLES.map((s) => s.id))(
    'the card of %s tells times and temperatures, never a step by its name alone, and promises nothing unmeasured',
    (style) => {
      const file = mapStations(styled(style), (s) => ({ ...s, log: {} }));
      const card = recipeCard(file, START);
      for (const s of card.steps) expect(s.text.length, s.name).toBeGreaterThan(s.name.length + 6);
      const text = cardText(card);
      expect(text).not.toMatch(/(\w+)\. \1\./);
      const kinds = file.strands.flatMap((t) => t.stations.map((s) => s.kind));
      if (kinds.includes('simmer')) expect(text).toMatch(/\d+ minutes|until/);
      if (kinds.includes('bottle')) expect(text).toMatch(/82 °C|cold|cool/);
      const ends = said(file, 0).ends;
      expect(ends.every((e) => card.yield.includes(e.name) || ends.length === 1)).toBe(true);
      // What it says first is what an unmeasured sauce keeps.
      expect(card.keeps.split('Measured')[0]).not.toMatch(/cupboard|half a year|6 months/);
    },
  );
  it('no reason speaks of raw things in what boiled, or of pods where there are none', () => {
    const boiled = lineOf([
      [
        'simmer',
        0,
        { boil: 'bare', lid: 'on', until: 'minutes', minutes: 60 },
        [pods('hot', 150), put('tomato', 500), put('cilantro', 30), put('onion', 100)],
      ],
      ['blend', 0, { texture: 'smooth' }],
      ['bottle', 0, { ...HOT, fill: 'cold' }],
    ]);
    expect(keep(boiled, 0).text).not.toMatch(/raw/i);
    const noPods = lineOf([
      ['blend', 0, { texture: 'smooth' }, [put('carrot', 200), put('lime_juice', 100), put('salt_fine', 10)]],
      ['bottle', 0, { ...HOT, fill: 'cold' }],
    ]);
    expect(keep(noPods, 0).text).not.toMatch(/pods/i);
  });
});

describe('a plan', async () => {
  const solver = await highsSolver();
  const plan = (words: string, style?: string) => {
    const have = readHave(words, 'metric');
    const wish = {
      name: 'P',
      startDate: START,
      rows: INGREDIENTS,
      boughtId: 'bought',
      goal: GOAL,
      pods: have.pods,
      things: have.things,
      ...(style ? { style } : {}),
    };
    return planBatch(solver, wish, START);
  };
  it('of a beginner is quiet: heated, no jar, no danger untold', () => {
    const p = plan('15 hot pods, carrots, garlic, vinegar, six small bottles, medium');
    expect(p.file.style).toBe(UNASKED_STYLE.id);
    const kinds = p.file.strands.flatMap((s) => s.stations.map((x) => x.kind));
    expect(kinds).toContain('simmer');
    expect(kinds).not.toContain('ferment');
    expect(p.dangers).toEqual([]);
  });
  it.each(STYLES.map((s) => s.id))('%s tells every danger of its first day before it is begun', (style) => {
    const p = plan('600 g cayenne, garlic, vinegar', style);
    const later = said(p.file, 0).cautions.filter((c) => c.severity === 'danger');
    expect(new Set(p.dangers.map((c) => c.id))).toEqual(new Set(later.map((c) => c.id)));
  });
  it('gas in a closed bottle: told where live sauce is filled cold', () =>
    expect(
      plan('600 g cayenne, garlic', 'brine-ferment')
        .dangers.map((c) => c.text)
        .join(' '),
    ).toMatch(/vented caps/));
});

describe('needs', () => {
  it('the salt of Salt and pack is bought, promised and taken, at what it weighs', () => {
    const file = lineOf([
      ['prep', null, {}, [pods('hot', 1000)]],
      ['salt', null, { school: 'mash', pct: 3 }],
      ['ferment', null, { days: 14 }],
      ['bottle', null, { ...HOT, fill: 'cold' }],
    ]);
    const salt = openNeeds(file).filter((n) => n.id.startsWith('salt'));
    expect(salt).toHaveLength(1);
    // 3 % of what is packed: pods without their stems, 90 to 100 % of a kilogram.
    expect(salt[0]!.massG).toBeGreaterThan(25);
    expect(salt[0]!.massG).toBeLessThan(32);
  });
});
