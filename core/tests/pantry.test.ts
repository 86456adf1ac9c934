import { describe, expect, it } from 'vitest';
import {
  acidWorld,
  kindOf,
  hintOf,
  ageHint,
  flavoursOf,
  colourFamily,
  FORM_NAMES,
  heatFromSaid,
  heatKept,
  ingredient,
  ingredientProblems,
  INGREDIENTS,
  inSchool,
  knifeSd,
  lotOfVariety,
  lotShu,
  lotStream,
  massOf,
  MIXED_UNKNOWN,
  percent,
  POD_FORMS,
  poolOf,
  seedShare,
  solvePh,
  turned,
  turnsFor,
  TYPICAL,
  variety,
  VARIETIES,
  varietyProblems,
  withOwnPh,
  ingredientStream,
  type Jar,
  type PodLot,
} from '../src';

const lot = (id: string, form?: (typeof POD_FORMS)[number]) => lotOfVariety(variety(id), { id: `lot-${id}`, ...(form ? { form } : {}) });

describe('forms of a lot', () => {
  it('drying and grinding keep the heat load but for what drying costs (chapter 2, section 3.3: 0.92)', () => {
    const fresh = lot('jalapeno-red');
    for (const into of turnsFor(fresh)) {
      const { lot: after, yieldPerG } = turned(fresh, into, 'x');
      const stem = after.anatomy ? 0 : fresh.anatomy!.stem;
      const load = (l: typeof fresh, g: number) => g * lotShu(l);
      const kept = load(after, yieldPerG) / load(fresh, 1 - stem);
      expect(kept, into).toBeCloseTo(into === 'frozen' || into === 'paste' ? 1 : 0.92, 6);
    }
    // Section 1.2: 1 000 g red jalapeño dries to about 107 g.
    expect(1000 * turned(fresh, 'dried', 'x').yieldPerG).toBeCloseTo(106.7, 0);
  });
  it('a salted ferment dries to a pulp with all its salt and 92 in 100 of its heat', () => {
    const wet: PodLot = { ...lot('cayenne-red', 'ferment'), saltPct: 4 };
    expect(turnsFor(wet)).toEqual(['pulp']);
    const { lot: dry, yieldPerG } = turned(wet, 'pulp', 'x');
    const of = (l: typeof wet, g: number) => lotStream(l, ingredient(l.like), g, TYPICAL, 0);
    const [before, after] = [of(wet, 1000), of(dry, 1000 * yieldPerG)];
    expect(percent(after, 'salt') * massOf(after)).toBeCloseTo(percent(before, 'salt') * massOf(before), 0);
    expect(after.heatShuG / before.heatShuG).toBeCloseTo(0.92, 3);
    // 12 % dry matter in 96 g plus 4 g of salt: 0.12 x 96 / 0.91 + 4 = 16.7 g of 100.
    expect(100 * yieldPerG).toBeCloseTo(((1 - wet.waterPct / 100) * 96) / 0.91 + 4, 6);
  });
  it('age asks for a look: fresh pods after two weeks, dry ones after a year', () => {
    expect(ageHint('fresh', '2026-10-10', '2026-10-24')).toBeNull();
    expect(ageHint('fresh', '2026-10-10', '2026-10-25')).toBe('look it over');
    expect(ageHint('fresh', '2026-10-10', '2026-11-24')).toMatch(/^old/);
    expect(ageHint('paste', '2026-10-10', '2026-10-18')).toBe('look it over');
    expect(ageHint('dried', '2025-10-10', '2026-11-24')).toBe('losing heat and colour');
    expect(ageHint('fresh', null, '2026-11-24')).toBeNull();
  });
  it('an own ferment is sour and salt, a pulp is dry, all have names', () => {
    const ferment = lot('cayenne-red', 'ferment');
    const stream = lotStream(ferment, ingredient(ferment.like), 100, TYPICAL, 0);
    expect(solvePh(poolOf(stream, acidWorld(TYPICAL))).pH).toBeCloseTo(3.7, 2);
    expect(percent(stream, 'salt')).toBeCloseTo(3, 0);
    expect(massOf(stream)).toBeCloseTo(100, 9);
    expect(lot('cayenne-red', 'pulp').waterPct).toBeLessThan(15);
    expect(lot('cayenne-red', 'pulp').podMassG).toBeNull();
    for (const f of POD_FORMS) expect(FORM_NAMES[f]).not.toBe('');
  });
  it('mixed and unknown pods are very uncertain', () => {
    const unknown = lotOfVariety(MIXED_UNKNOWN, { id: 'u' });
    expect(unknown.heat!.sigma).toBeGreaterThan(1.5);
  });
  it('a stated heat keeps its basis', () => {
    const h = heatFromSaid(3000, 'asIs', 'label', 90);
    expect(h.dryShu).toBeCloseTo(30_000, 6);
    expect(h).toMatchObject({ sigma: 0.35, said: { value: 3000, basis: 'asIs' } });
    expect(heatFromSaid(30_000, 'dry', 'lab', 90).dryShu).toBe(30_000);
    expect(heatFromSaid(5000, 'freshConvention', 'label', 90).sigma).toBe(0.6);
  });
});

describe('two schools of counting heat (chapter 2, section 1.3)', () => {
  it('the fresh school raises fresh lots only, and leaves what was measured', () => {
    const fresh = lot('habanero-orange');
    expect(inSchool(fresh, 'dry')).toBe(fresh);
    const asB = inSchool(fresh, 'fresh');
    expect(lotShu(asB) / Math.sqrt(100_000 * 350_000)).toBeCloseTo(1, 3);
    // 1/(1-w) with other numbers: several times as hot (section 1.2: 4 to 10 times for fresh pods).
    expect(lotShu(asB) / lotShu(fresh)).toBeGreaterThan(4);
    const dried = lot('arbol');
    expect(inSchool(dried, 'fresh')).toBe(dried);
    const lab = { ...fresh, heat: heatFromSaid(20_000, 'asIs', 'lab', fresh.waterPct) };
    expect(inSchool(lab, 'fresh')).toBe(lab);
  });
});

describe('the knife', () => {
  // Handbook chapter 2, section 3.2: honest ranges cored, standard 0.10 to 0.35, habanero kind 0.20 to 0.50, superhot 0.35 to 0.65.
  it.each([
    ['jalapeno-red', 0.202, 0.1, 0.35],
    ['habanero-orange', 0.334, 0.2, 0.5],
    ['reaper-type', 0.51, 0.35, 0.65],
  ] as const)('%s cored keeps what the table says, within its honest range', (id, share, low, high) => {
    const l = lot(id);
    const kept = heatKept('cored', l.capsaicinoidClass, l.anatomy);
    expect(kept.share).toBeCloseTo(share, 3);
    expect(kept.low / low).toBeGreaterThan(0.8);
    expect(kept.low / low).toBeLessThan(1.3);
    expect(kept.high / high).toBeGreaterThan(0.8);
    expect(kept.high / high).toBeLessThan(1.3);
    expect(heatKept('whole', l.capsaicinoidClass, l.anatomy)).toEqual({ share: 1, low: 1, high: 1 });
  });
  it('coring is the uncertain cut; seeds stay in whole pods', () => {
    const l = lot('cayenne-red');
    expect(knifeSd('whole', 'std', l.anatomy)).toBe(0);
    expect(knifeSd('cored', 'std', l.anatomy)).toBeGreaterThan(knifeSd('halfCored', 'std', l.anatomy));
    expect(seedShare('whole', 'std', l.anatomy)).toBeGreaterThan(0.08);
    expect(seedShare('seedsOut', 'std', l.anatomy)).toBe(0);
  });
});

describe('tables and own rows', () => {
  it('every table row passes its own sanity check', () => {
    for (const row of INGREDIENTS) expect(ingredientProblems(row), row.key).toEqual([]);
    for (const v of VARIETIES) expect(varietyProblems(v), v.id).toEqual([]);
  });
  it('bad rows are told what is wrong', () => {
    const peach = ingredient('peach');
    expect(ingredientProblems({ ...peach, water: 95, sugars: 20 })[0]).toMatchObject({ field: 'water' });
    expect(ingredientProblems({ ...peach, pH: { lo: 4, typ: 3, hi: 5 } })[0]).toMatchObject({ field: 'pH' });
    expect(ingredientProblems({ ...peach, pH: { lo: 2, typ: 2.5, hi: 3 }, acids: {} })[0]!.message).toMatch(/without any acid/);
    const cayenne = variety('cayenne-red');
    expect(varietyProblems({ ...cayenne, shuDry: { low: 9, typical: 5, high: 10 } })[0]).toMatchObject({ field: 'shuDry' });
    expect(varietyProblems({ ...cayenne, waterPct: 12 })[0]).toMatchObject({ field: 'waterPct' });
    expect(
      varietyProblems({ ...cayenne, pod: { ...cayenne.pod!, massFraction: { flesh: 0.9, placenta: 0.2, seed: 0.1, stem: 0.1 } } })[0]!
        .message,
    ).toMatch(/130 %/);
  });
  it('an own measured pH recalibrates an ingredient', () => {
    const passata = ingredient('tomato_passata');
    const own = withOwnPh(passata, 4.05);
    const pH = (row: typeof passata) => solvePh(poolOf(ingredientStream(row, 1000, TYPICAL))).pH;
    expect(pH(passata)).toBeCloseTo(passata.pH!.typ, 3);
    expect(pH(own)).toBeCloseTo(4.05, 3);
    expect(withOwnPh(passata, null)).toBe(passata);
  });
  it('flavours and colours of the table are understood', () => {
    const blank = VARIETIES.filter((v) => v !== MIXED_UNKNOWN && Object.keys(flavoursOf(v.flavour)).length === 0);
    expect(blank.map((v) => v.id)).toEqual([]);
    for (const [id, family] of [
      ['bell-red', 'red'],
      ['habanero-orange', 'orange'],
      ['lemon-drop', 'yellow'],
      ['jalapeno-green', 'green'],
      ['mulato', 'brown'],
      ['habanero-brown', 'brown'],
    ]) {
      expect(colourFamily(variety(id!).ripeColour), id).toBe(family);
    }
    expect(colourFamily('#EFE9CF')).toBeNull();
  });
});

describe('hints of the larder', () => {
  const today = '2026-11-23';
  const hint = (key: string, stockG: number, more: Partial<Jar> = {}) =>
    hintOf({ stockG, packG: null, openedOn: null, useFirst: false, ...more }, ingredient(key), today)?.text ?? null;
  it('out, low, and enough', () => {
    expect(hint('vinegar_cider', 0)).toBe('out');
    expect(hint('vinegar_cider', 120, { packG: 1000 })).toBe('low');
    expect(hint('vinegar_cider', 400, { packG: 1000 })).toBeNull();
    expect(hint('cumin_ground', 8)).toBe('low');
  });
  it('what is open for long or wanted first', () => {
    expect(hint('tomato_paste', 200, { openedOn: '2026-11-01' })).toBe('open 22 days');
    expect(hint('tomato_paste', 200, { openedOn: '2026-11-17' })).toBe('use soon');
    expect(hint('salt_fine', 900, { openedOn: '2020-01-01' })).toBeNull();
    expect(hint('pineapple', 500, { useFirst: true })).toBe('use first');
  });
  it('every ingredient stands on one board', () => {
    expect(kindOf(ingredient('lime_juice')).board).toBe('Sour');
    expect(kindOf(ingredient('salt_sea')).board).toBe('Salt');
    expect(kindOf(ingredient('honey')).board).toBe('Sweet');
    expect(kindOf(ingredient('carrot')).board).toBe('Garden and fruit');
    expect(kindOf(ingredient('smoked_paprika')).board).toBe('Spice and body');
  });
});
