import { describe, expect, it } from 'vitest';
import {
  addDays,
  allergenWords,
  batchCode,
  bottledStuff,
  carry,
  endStrands,
  ingredient,
  ingredientList,
  ingredientRuns,
  INGREDIENTS,
  labelOf,
  leftoverLot,
  LineProblem,
  lotFoods,
  lotOfVariety,
  mainEnd,
  mapStations,
  newBatch,
  NoLabel,
  reportTypical,
  resize,
  rowName,
  runLine,
  stationKind,
  storedOf,
  STYLES,
  taggedOf,
  turned,
  TYPICAL,
  variety,
  withPodUses,
  podStationId,
  type BatchFile,
  type Ingredient,
  type Intake,
  type StationEntry,
  type StoredStuff,
} from '../src';
import { checkBatchFile } from '../../contract/src/validate';
import { pods, put } from './helpers';
import { dice } from './random';

const DAY = '2026-10-20';
const habanero = lotOfVariety(variety('habanero-orange'), { id: 'hab', name: 'From the window sill' });
/** A jug, a pot, a sieve and bottles; done, and read with a meter. */
function sauce(
  things: Intake[],
  pot: object | null = null,
  log: object = { doneOn: DAY, pH: 3.5, instrument: 'meter' },
  method = 'none',
  rows: Ingredient[] = [],
  stored: StoredStuff[] = [],
): BatchFile {
  const base = newBatch('Quay Side', '2026-10-01', { lowShu: 500, highShu: 2000, bottles: 6, bottleMl: 100 });
  const of = (kind: string, params: object = {}, own: Intake[] = [], log: object = { doneOn: DAY }): StationEntry =>
    ({ id: kind, kind, intakes: own, params: { ...(stationKind(kind).defaults() as object), ...params }, log }) as StationEntry;
  const stations = [
    of(
      'prep',
      {},
      things.filter((t) => t.origin.from === 'pods'),
    ),
    of(
      'blend',
      {},
      things.filter((t) => t.origin.from !== 'pods'),
    ),
    ...(pot ? [of('simmer', pot)] : []),
    of('strain', { method }),
    of('bottle', {}, [], log),
  ];
  return carry({ ...base, style: 'own', strands: [{ ...mainEnd(base), stations }] }, [habanero], rows, stored);
}
const names = (f: BatchFile) => ingredientList(f, mainEnd(f).id).listed.map((l) => l.name);

describe('the list of ingredients (handbook chapter 5, section 18.1, example)', () => {
  const THINGS: [string, number][] = [
    ['vinegar_cider', 1428],
    ['mango_ripe', 165],
    ['onion', 150],
    ['sugar_brown', 100],
    ['mustard_yellow', 60],
    ['garlic', 24],
    ['salt_fine', 18],
    ['water', 240],
  ];
  const made = (off: number) => {
    // 225 g of pods on the board, so that the list is the handbook's.
    const stems = habanero.anatomy!.stem;
    const file = sauce([pods('hab', 225 / (1 - stems)), ...THINGS.map(([k, g]) => put(k, g))], {
      until: 'weight',
      leftG: 2410 * 0.99 - off,
    });
    return file;
  };
  const ORDER = ['cider vinegar', 'habanero chilli', 'mango', 'onion', 'sugar', 'mustard', 'garlic', 'salt'];
  it('180 g boiled off: 60 g of water are under a twentieth, and left out', () => {
    expect(names(made(180))).toEqual(ORDER);
  });
  it('100 g boiled off: 140 g of water stand fifth', () => {
    expect(names(made(100)).indexOf('water')).toBe(4);
  });
  it('sieving, halving and doubling do not change the order', () => {
    const file = made(100);
    const strained = mapStations(file, (s) => (s.kind === 'strain' ? { ...s, params: { method: 'pressed' } } : s));
    expect(names(strained)).toEqual(names(file));
    const twice = mapStations(resize(file, 2), (s) =>
      s.kind === 'simmer' ? { ...s, params: { ...(s.params as object), leftG: 2 * (2410 * 0.99 - 100) } } : s,
    );
    expect(names(twice)).toEqual(names(file));
  });
  it('compounds stand with their parts, allergens stand out', () => {
    const list = ingredientList(made(180), mainEnd(made(180)).id);
    const runs = ingredientRuns(list.listed);
    expect(runs.map((r) => r.text).join('')).toContain('mustard (water, mustard seed, vinegar, salt)');
    expect(runs.filter((r) => r.strong).map((r) => r.text)).toEqual(['mustard seed']);
    expect(allergenWords(list, 'eu')).toEqual(['Contains: mustard.']);
    // Mustard is not on the list of the United States.
    expect(allergenWords(list, 'us')).toEqual([]);
  });
});

// Worked by hand from the rows' packets: what each brings under both lists.
describe('allergens', () => {
  it.each<[string, string[], string[]]>([
    ['soy_sauce', ['Contains: cereals containing gluten, soybeans.'], ['Contains: wheat, soybeans.']],
    ['fish_sauce', ['Contains: fish.'], ['Contains: fish.']],
    ['shrimp_paste', ['Contains: crustaceans.'], ['Contains: crustacean shellfish.']],
    ['oil_sesame', ['Contains: sesame.'], ['Contains: sesame.']],
    ['celery', ['Contains: celery.'], []],
  ])('%s', (key, eu, us) => {
    const file = sauce([pods('hab', 200), put('vinegar_distilled_5', 200), put(key, 10)]);
    const list = ingredientList(file, mainEnd(file).id);
    expect(allergenWords(list, 'eu')).toEqual(eu);
    expect(allergenWords(list, 'us')).toEqual(us);
  });
  it('every tag of the table is in one of the lists', () => {
    for (const row of INGREDIENTS) expect(taggedOf(row.allergens).other, row.key).toEqual([]);
  });
  it('a question mark reads "check the packet", and never "free of"', () => {
    const file = sauce([pods('hab', 200), put('vinegar_red_wine', 200)]);
    const words = allergenWords(ingredientList(file, mainEnd(file).id), 'eu').join(' ');
    if (ingredient('vinegar_red_wine').allergens.some((a) => a.endsWith('?'))) expect(words).toMatch(/check the packet/);
    else expect(words).toMatch(/sulphites/);
    expect(words).not.toMatch(/free of/i);
  });
  it('once in it is declared, whatever was strained; a sauce made of a sauce brings its own', () => {
    const first = sauce([pods('hab', 200), put('vinegar_distilled_5', 300), put('fish_sauce', 1)], null, undefined, 'cloth');
    expect(ingredientList(first, mainEnd(first).id).allergens).toContain('fish');
    const stuff = bottledStuff(first, mainEnd(first).id, { id: 'kept', name: 'Quay Side', keptOn: DAY });
    const things: Intake[] = [
      pods('hab', 100),
      put('vinegar_distilled_5', 100),
      { id: 'k', origin: { from: 'stored', id: 'kept' }, amount: { g: 100 } },
    ];
    const next = sauce(things, null, undefined, 'none', [], [stuff]);
    const list = ingredientList(next, mainEnd(next).id);
    expect(list.allergens).toContain('fish');
    expect(list.listed.find((l) => l.name === 'Quay Side')!.parts.map((p) => p.name)).toContain('fish sauce');
    expect(list.listed.find((l) => l.name === 'Quay Side')!.parts.find((p) => p.name === 'fish sauce')!.strong).toBe(true);
    // One that was kept before its things were noted cannot be vouched for.
    const { made: _, ...old } = stuff;
    const older = carry(next, [], [], [old]);
    expect(allergenWords(ingredientList(older, mainEnd(older).id), 'eu').join(' ')).toMatch(/Check for allergens: Quay Side/);
  });
  it('pulp that a sieve kept brings what was in its sauce, as a lot, dried and ground', () => {
    const first = sauce(
      [pods('hab', 300), put('vinegar_distilled_5', 300), put('fish_sauce', 4), put('garlic', 12), put('cilantro', 10)],
      null,
      undefined,
      'pressed',
    );
    const { lot } = leftoverLot(first, 'strain', 'pulp', { id: 'pulp', name: 'Pulp' }, 4)!;
    expect(lot.allergens).toContain('fish');
    expect([...lotFoods(lot)]).toEqual(expect.arrayContaining(['pod', 'garlic', 'leaf']));
    const powder = turned(turned(lot, 'pulp', 'dry').lot, 'pulp', 'again').lot;
    const base = sauce([pods('hab', 100), put('vinegar_distilled_5', 200)]);
    const file = carry(
      mapStations(base, (e) => (e.kind === 'prep' ? { ...e, intakes: [...e.intakes, pods(powder.id, 20)] } : e)),
      [habanero, powder],
      [],
    );
    expect(ingredientList(file, mainEnd(file).id).allergens).toEqual(['fish']);
    expect(checkBatchFile(JSON.parse(JSON.stringify(file))).ok).toBe(true);
    // Raw herbs in the pulp are raw herbs in the sauce: days, whatever is read.
    const days = (f: BatchFile) => reportTypical(f, DAY).ends[0]!.keeping!.days;
    expect(days(file)).toBeLessThanOrEqual(5);
    expect(days(base)).toBeGreaterThan(5);
  });
  it('chili oil brings the oil it is of', () => {
    const file = sauce([pods('hab', 200), put('vinegar_distilled_5', 200)]);
    const fried = mapStations(file, (e) =>
      e.kind === 'blend'
        ? {
            ...e,
            kind: 'fry' as const,
            id: 'fry',
            params: { ...(stationKind('fry').defaults() as object), drained: true },
            intakes: [put('oil_sesame', 150)],
          }
        : e,
    ) as BatchFile;
    const runs = runLine(carry(fried, [], []), TYPICAL);
    const oil = runs.find((r) => r.kind === 'fry')!.sides.find((x) => x.id === 'chili-oil');
    if (!oil) throw new Error('no oil was drained');
    const kept = storedOf(oil, { id: 'oil', name: 'Chili oil', from: 'x', keptOn: DAY, useBy: DAY }, 0.3);
    expect(kept.made!.flatMap((m) => m.allergens)).toContain('sesame');
  });
  it('an own row is what its maker says, whatever it was copied from', () => {
    const own = { ...ingredient('salt_fine'), key: 'own-2', like: 'salt_fine', name: 'Celery salt', allergens: ['celery'] };
    const tamari = { ...ingredient('soy_sauce'), key: 'own-3', like: 'soy_sauce', name: 'Our tamari', allergens: ['soy'] };
    const file = sauce([pods('hab', 200), put('vinegar_distilled_5', 200), put('own-2', 8), put('own-3', 9)], null, undefined, 'none', [
      own,
      tamari,
    ]);
    const list = ingredientList(file, mainEnd(file).id);
    expect(list.listed.find((l) => l.name === 'celery salt')!.strong).toBe(true);
    expect(list.listed.find((l) => l.name === 'our tamari')).toMatchObject({ strong: true, parts: [] });
    expect(list.allergens).toEqual(['soy', 'celery']);
  });
  it('a row of the maker with a word of its own is looked up', () => {
    const own = { ...ingredient('vinegar_cider'), key: 'own-1', like: 'vinegar_cider', name: 'Brew', allergens: ['Wheat', 'lupine dust'] };
    const file = sauce([pods('hab', 200), put('own-1', 200)], null, undefined, 'none', [own]);
    const list = ingredientList(file, mainEnd(file).id);
    expect(list.allergens).toEqual(['gluten']);
    expect(allergenWords(list, 'eu').at(-1)).toBe('Check for allergens: lupine dust.');
  });
});

describe('what a label says of keeping', () => {
  const plain = [pods('hab', 200), put('vinegar_distilled_5', 400), put('salt_fine', 8)];
  const label = (file: BatchFile, cap?: string) => labelOf(file, mainEnd(file).id, DAY, cap);
  it('a measured 4.7, a live one, one under oil: days, and "use by"', () => {
    const low = label(sauce(plain, null, { doneOn: DAY, pH: 4.7, instrument: 'meter', phSure: true }));
    expect(low.date.kind).toBe('use by');
    expect(low.date.on <= addDays(DAY, 4)).toBe(true);
    expect(low.keep).toBe('Keep in the fridge');
    const oil = label(sauce([...plain, put('garlic', 20), put('oil_olive', 60)]));
    expect(oil.date.kind).toBe('use by');
    expect(oil.date.on <= addDays(DAY, 14)).toBe(true);
    expect(oil.keep).toBe('Keep in the fridge');
  });
  it('the maker may bring the date forward, never back', () => {
    const file = sauce(plain);
    const table = label(file).date.on;
    expect(label(file, addDays(table, -3)).date.on).toBe(addDays(table, -3));
    expect(label(file, addDays(table, 300)).date.on).toBe(table);
  });
  it('no date lies before the day it was filled, and what lives says so', () => {
    expect(label(sauce(plain), '2020-01-01').date.on).toBe(DAY);
    expect(label(sauce(plain)).live).toBe(false);
    const live = newBatch('Live', '2026-09-01', { lowShu: 100, highShu: 9000, bottles: 3, bottleMl: 100 }, 'brine-ferment');
    const filled = mapStations(
      carry(withPodUses(live, [{ lotId: 'hab', massG: 400, prep: 'whole', stationId: podStationId(live) }]), [habanero], []),
      (s) => ({
        ...s,
        params: s.kind === 'bottle' ? { ...(s.params as object), fill: 'raw' } : s.params,
        log: { doneOn: addDays('2026-09-01', 21), ...(s.kind === 'bottle' ? { pH: 3.5, instrument: 'meter' as const } : {}) },
      }),
    ) as BatchFile;
    const said = labelOf(filled, mainEnd(filled).id, '2026-10-01');
    expect(said.live).toBe(true);
    expect(said.keep).toBe('Keep in the fridge');
  });
  it('salt that left with the brine is in no bottle', () => {
    const base = newBatch('Brined', '2026-09-01', { lowShu: 100, highShu: 9000, bottles: 3, bottleMl: 100 }, 'brine-ferment');
    const file = carry(withPodUses(base, [{ lotId: 'hab', massG: 400, prep: 'whole', stationId: podStationId(base) }]), [habanero], []);
    const runs = runLine(file, TYPICAL);
    const salt = ingredientList(file, mainEnd(file).id).listed.find((l) => l.name === 'salt')!;
    expect(salt.g).toBeLessThanOrEqual(runs.at(-1)!.bowl.stream.grams.salt + 1e-9);
    expect(salt.g).toBeLessThan(runs.find((r) => r.kind === 'salt')!.made.find((m) => m.id === 'salt')!.stream.grams.salt);
  });
  it('nothing filled, a bowl, a jar to be thrown away: no label, and why', () => {
    expect(() => label(sauce(plain, null, {}))).toThrow(NoLabel);
    const bowl = mapStations(sauce(plain), (s) => (s.kind === 'bottle' ? { ...s, kind: 'bowl', params: {} } : s)) as BatchFile;
    expect(() => label(bowl)).toThrow(/bowl/);
  });
  it('in every style, with any reading: never later than the table, "best before" only by its rows of quality', () => {
    const d = dice(41);
    const seen = { labels: 0, none: 0, best: 0, use: 0 };
    for (let n = 0; n < 110; n++) {
      const style = d.pick(STYLES);
      let file = newBatch(`L${n}`, '2026-09-01', { lowShu: 100, highShu: 9000, bottles: 3, bottleMl: 100 }, style.id);
      const lot = lotOfVariety(variety(style.pods === 'dried' ? 'guajillo' : 'fresno-red'), { id: 'p' });
      file = carry(withPodUses(file, [{ lotId: 'p', massG: d.between(80, 500), prep: 'whole', stationId: podStationId(file) }]), [lot], []);
      file = mapStations(file, (s) => ({
        ...s,
        log: {
          doneOn: addDays('2026-09-01', d.whole(20, 22)),
          ...(d.chance(0.5)
            ? { pH: d.between(2.8, 5.2), instrument: d.pick(['meter', 'strip'] as const), ...(d.chance(0.5) ? { phSure: true } : {}) }
            : {}),
        },
      }));
      for (const end of endStrands(file)) {
        try {
          const l = labelOf(file, end.id, '2026-10-01');
          const keeping = reportTypical(file, '2026-10-01').ends.find((e) => e.strandId === end.id)!.keeping!;
          seen.labels++;
          expect(l.date.on <= addDays(l.madeOn, keeping.days), `${n}`).toBe(true);
          expect(l.keep.startsWith('Keep in the fridge'), `${n}`).toBe(keeping.place === 'fridge');
          if (l.date.kind === 'best before') {
            seen.best++;
            for (const r of keeping.rows) expect([8, 9, 10, 11, 12]).toContain(r);
            expect(l.measured).toBe(true);
          } else seen.use++;
          const g = l.listed.map((x) => x.g);
          expect([...g].sort((a, b) => b - a)).toEqual(g);
          expect(JSON.stringify(l)).not.toMatch(/NaN|undefined|shelf.?stable/i);
        } catch (error) {
          if (!(error instanceof NoLabel || error instanceof LineProblem)) throw error;
          seen.none++;
        }
      }
    }
    expect(seen.labels).toBeGreaterThan(60);
    expect(seen.use).toBeGreaterThan(20);
  });
  it('codes tell bottlings apart and stay what they are', () => {
    const file = sauce(plain);
    const id = mainEnd(file).id;
    expect(batchCode(file, id, DAY)).toBe(batchCode(file, id, DAY));
    expect(batchCode(file, id, DAY)).toMatch(/^QS261020-[0-9A-Z]{3}$/);
    expect(batchCode(file, 'bowl-2', DAY)).not.toBe(batchCode(file, id, DAY));
    expect(batchCode({ ...file, name: '¡¿' }, id, DAY)).toMatch(/^R2/);
  });
});

it('rows have names that people read', () => {
  const said = INGREDIENTS.map(rowName);
  for (const n of said) expect(n).toMatch(/^[\p{L}]/u);
  expect(rowName(ingredient('salt_sea'))).toBe('salt');
});
