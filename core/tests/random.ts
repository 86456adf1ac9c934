import {
  addDays,
  carry,
  ingredient,
  INGREDIENTS,
  mapStations,
  lotOfVariety,
  METHODS,
  newBatch,
  POD_FORMS,
  PREPARATIONS,
  SIGN_IDS,
  TEXTURES,
  VARIETIES,
  stationsOf,
  withParams,
  type BatchFile,
  type Food,
  type Ingredient,
  type Intake,
  type PodLot,
  type Reading,
  type StationLog,
  type StoredStuff,
} from '../src';
import { withJug, withPods } from './helpers';

/** A small seeded generator (mulberry32, public domain): the same seed gives the same batches. */
export function dice(seed: number) {
  let a = seed >>> 0;
  const next = () => {
    a = (a + 0x6d2b79f5) >>> 0;
    let t = a;
    t = Math.imul(t ^ (t >>> 15), t | 1);
    t ^= t + Math.imul(t ^ (t >>> 7), t | 61);
    return ((t ^ (t >>> 14)) >>> 0) / 4294967296;
  };
  const between = (low: number, high: number) => low + (high - low) * next();
  const whole = (low: number, high: number) => Math.floor(between(low, high + 1));
  const pick = <T>(list: readonly T[]): T => list[Math.floor(next() * list.length)]!;
  const chance = (p: number) => next() < p;
  return { next, between, whole, pick, chance };
}
export type Dice = ReturnType<typeof dice>;

const round = (x: number, digits = 1) => Number(x.toFixed(digits));

/** A lot of any variety in any form, sometimes salted, sour or in oil. */
export function randomLot(d: Dice, id: string): PodLot {
  const lot = lotOfVariety(d.pick(VARIETIES), { id, form: d.pick(POD_FORMS) });
  return {
    ...lot,
    ...(lot.form === 'paste' && d.chance(0.3) ? { name: 'Paste in oil' } : {}),
    ...(lot.form === 'paste' && d.chance(0.3) ? { oilPct: round(d.between(1, 60)) } : {}),
    ...(d.chance(0.1) ? { saltPct: round(d.between(0, 12)), pH: round(d.between(3.2, 5.5), 2) } : {}),
  };
}

/** Rows of the maker's own: like something or not, with allergens said, left to the packet, or unsaid. */
const OWN: readonly Ingredient[] = [
  { ...ingredient('oil_olive'), key: 'own-pressed', name: 'Cold pressed, mine', like: 'oil_olive', allergens: ['none'] },
  { ...ingredient('oil_olive'), key: 'own-dressing', name: 'Dressing', fat: 45, water: 50, tss: 3 },
  { ...ingredient('mango_ripe'), key: 'own-fruit', name: 'Sea fruit', like: 'mango_ripe', allergens: ['none'] },
  { ...ingredient('mango_ripe'), key: 'own-unsaid', name: 'Fruit of the neighbours' },
  { ...ingredient('mustard_yellow'), key: 'own-fraiche', name: 'Creme fraiche', like: 'mustard_yellow', allergens: ['milk'] },
  { ...ingredient('soy_sauce'), key: 'own-miso', name: 'Paste of beans', like: 'soy_sauce', allergens: ['packet'] },
];

/** Things kept of other batches, or bought: brine, pulp, a sauce; fresh ones and old ones, out of good jars and others. */
function randomKept(d: Dice, start: string): StoredStuff {
  const keptOn = addDays(start, d.whole(-200, 20));
  const foods = ['pod', ...(['tomato', 'leaf', 'vinegar', 'garlic', 'dairy'] as const).filter(() => d.chance(0.3))] as Food[];
  return {
    ...{ id: 'kept-1', name: d.pick(['Brine', 'Pulp', 'Bought sauce']), from: d.chance(0.5) ? 'Another batch' : 'bought' },
    ...{ keptOn, useBy: addDays(keptOn, d.pick([0, 3, 7, 60])), hex: '#c05030' },
    per100: {
      water: round(d.between(60, 95)),
      salt: round(d.between(0, 5)),
      acetic: round(d.between(0, 3)),
      lactic: round(d.between(0, 1.5)),
      sugars: 1,
    },
    ...{ sidEqPerKg: 0, heat: d.chance(0.5) ? { shu: d.whole(10, 5000), sigma: 0.4 } : null },
    past: {
      ...{
        foods,
        fresh: foods.filter(() => d.chance(0.3)),
        shortPct: d.whole(0, 60),
        rawPct: d.whole(0, 90),
        freeOilPct: d.chance(0.1) ? 10 : 0,
      },
      ...{ ferment: d.pick([null, 'acid', 'unread', 'doubtful'] as const), texture: d.pick([null, 'smooth'] as const), seedPct: 0 },
    },
  };
}

const PUT_IN = [...INGREDIENTS.filter((i) => i.salt < 20 && !/acid/.test(i.key)), ...OWN];

/** A pH, mostly of a sauce, sometimes one that cannot be. */
const anyPh = (d: Dice) => round(d.chance(0.9) ? d.between(2.6, 5.4) : d.between(1.5, 9), 2);
const reading = (d: Dice): StationLog => ({
  pH: anyPh(d),
  ...(d.chance(0.6) ? { instrument: 'meter' as const } : d.chance(0.5) ? { instrument: 'strip' as const } : {}),
  ...(d.chance(0.2) ? { phSure: true } : {}),
  ...(d.chance(0.15) ? { by: { name: 'Pen', sd: d.pick([0.01, 0.05, 0.1, 0.2, 1]) } } : {}),
});
/** What a thermometer said, and other things that are logged at the bottles. */
const filling = (d: Dice): StationLog => ({
  ...(d.chance(0.3) ? { heat: Array.from({ length: d.whole(2, 8) }, (_, n) => ({ min: n * d.whole(1, 9), c: d.whole(15, 98) })) } : {}),
  ...(d.chance(0.2) ? { fillC: d.whole(20, 99) } : d.chance(0.2) ? { hotByThermometer: true } : {}),
  ...(d.chance(0.15) ? { phBlended: true } : {}),
  ...(d.chance(0.15) ? { ownUntil: addDays('2026-09-01', d.whole(-30, 600)) } : {}),
  ...(d.chance(0.1) ? { frozenOn: addDays('2026-09-01', d.whole(-30, 300)) } : {}),
});

/** A plain line without one of its stations; nothing takes of what is not there. */
function without(file: BatchFile, kind: string): BatchFile {
  return {
    ...file,
    strands: file.strands.map((strand) => ({
      ...strand,
      stations: strand.stations
        .filter((s) => s.kind !== kind)
        .map((s) => ({ ...s, intakes: s.intakes.filter((x) => x.origin.from !== 'side' || x.origin.stationId !== kind) })),
    })),
  };
}

function inOneJar(d: Dice): BatchFile {
  const lots = Array.from({ length: d.whole(1, 4) }, (_, i) => randomLot(d, `lot${i}`));
  const start = '2026-09-01';
  const goal = { lowShu: d.whole(0, 5000), highShu: d.whole(5001, 60_000), bottles: d.whole(1, 30), bottleMl: d.pick([50, 100, 150, 250]) };
  let file = newBatch(`Random ${d.whole(1, 1e6)}`, start, goal);
  const pods = lots.map((l) => ({ lotId: l.id, massG: round(d.between(5, 700)), prep: d.pick(PREPARATIONS) }));
  const podsG = pods.reduce((s, p) => s + p.massG, 0);
  file = withPods(file, pods);
  const school = d.pick(['wholeJar', 'waterOnly', 'mash'] as const);
  file = withParams(file, 'salt', {
    school,
    pct: round(d.between(0, school === 'mash' ? 20 : 9)),
    saltId: 'fine',
    cut: d.pick(['mash', 'chopped', 'halved', 'whole'] as const),
    jarMl: Math.ceil(podsG * d.between(1.4, 4)) + 50,
    jars: 1,
    headspaceMl: d.whole(0, 60),
    displacementMl: d.whole(0, 40),
    mixedMl: null,
  });
  file = withParams(file, 'ferment', { tempC: round(d.between(0, 45)), days: round(d.between(0.25, 60), 2), targetPh: 3.8 });
  file = withParams(file, 'drain', { clingPct: d.whole(0, 30), keepBrine: d.chance(0.7) });
  const extras = Array.from({ length: d.whole(0, 5) }, () => d.pick(PUT_IN));
  const additions = [...new Set(extras.map((r) => r.key))].map((id) => ({ id, massG: round(d.between(0.5, podsG)) }));
  if (d.chance(0.2)) additions.push({ id: 'brine', massG: round(d.between(1, 60)) });
  const stored = d.chance(0.2) ? [randomKept(d, start)] : [];
  file = withParams(file, 'blend', { heldUpPct: d.whole(0, 5), ...(d.chance(0.8) ? { texture: d.pick(TEXTURES) } : {}) });
  file = withJug(file, additions);
  for (const { id } of stored) {
    const kept: Intake = { id: 'kept', origin: { from: 'stored', id }, amount: { g: round(d.between(1, 300)) } };
    file = mapStations(file, (s) => (s.id === 'blend' ? { ...s, intakes: [...s.intakes, kept] } : s));
  }
  file = withParams(file, 'strain', { method: d.pick(Object.keys(METHODS)) });
  file = withParams(file, 'bottle', { fill: d.pick(['cold', 'hot'] as const), headspacePct: d.whole(0, 12), altitudeM: d.whole(0, 3000) });
  if (d.chance(0.15)) file = without(file, d.pick(['blend', 'strain', 'drain']));
  const done = d.whole(0, stationsOf(file).length);
  let day = start;
  const readings: Reading[] = [];
  let i = 0;
  file = mapStations(file, (s) => {
    if (i++ >= done) return d.chance(0.2) ? { ...s, log: reading(d) } : s;
    const planned = s.kind === 'ferment' ? Math.ceil((s.params as { days: number }).days) : 0;
    // Now and then a jar is ended before its day, or long after; now and then days or weeks lie between two steps.
    const days = s.kind === 'ferment' && d.chance(0.25) ? d.whole(0, 90) : planned;
    if (d.chance(0.15)) day = addDays(day, d.pick([1, 3, 9, 40]));
    if (s.kind === 'ferment') {
      for (let k = d.whole(0, 4); k > 0; k--) {
        const at = `${addDays(day, d.whole(0, Math.max(1, days)))}T08:00:00.000Z`;
        const seen = {
          ...(d.chance(0.25) ? { signs: [d.pick(SIGN_IDS)] } : {}),
          ...(d.chance(0.2) ? { bubbles: d.pick([0, 0.5, 12, 500]) } : {}),
          ...(d.chance(0.2) ? { coverMm: d.whole(-100, 300) } : {}),
        };
        readings.push({ id: `r${k}`, stationId: s.id, at, pH: anyPh(d), instrument: d.pick(['meter', 'strip'] as const), ...seen });
      }
    }
    const warm: StationLog =
      s.kind === 'ferment' && d.chance(0.3)
        ? { temps: Array.from({ length: d.whole(1, 12) }, () => ({ day: d.between(0, 60), c: d.between(-30, 60) })) }
        : {};
    day = addDays(day, days);
    const log: StationLog = { doneOn: day, ...warm, ...(d.chance(0.45) ? reading(d) : {}), ...(s.kind === 'bottle' ? filling(d) : {}) };
    return { ...s, log };
  });
  const kept = carry({ ...file, readings }, lots, OWN, stored);
  if (!d.chance(0.25)) return kept;
  // A place that learnt anything at all, and now and then something that is no place.
  const seen = Array.from({ length: d.whole(0, 3) }, (_, n) => ({
    ...{ on: start, where: 'a jar', of: `jar ${n}`, log: d.between(-5, 5), sd: d.between(0.01, 3) },
    ...(d.chance(0.5) ? { natural: { off: d.between(-0.5, 0.5), sd: d.between(0.01, 3) } } : {}),
  }));
  const tool = { id: 'where', kind: d.pick(['place', 'place', 'pot'] as const), name: 'Where', acrossCm: 20, seen };
  return { ...mapStations(kept, (s) => (s.id === 'ferment' ? { ...s, toolId: tool.id } : s)), tools: [tool] };
}

/** The same pods in two or three jars: some readings name theirs, and now and then one was thrown away. */
function inJars(d: Dice, file: BatchFile): BatchFile {
  const jars = d.whole(2, 3);
  const readings = file.readings.map((r) => (d.chance(0.7) ? { ...r, jar: d.whole(1, jars) } : r));
  const thrown = d.chance(0.4) ? { jarsThrown: [{ jar: d.whole(1, jars), on: file.startDate, why: 'fuzz' }] } : {};
  return mapStations({ ...file, readings }, (s) => {
    if (s.kind === 'salt') return { ...s, params: { ...(s.params as object), jars } };
    return s.kind === 'ferment' && s.log.doneOn !== undefined ? { ...s, log: { ...s.log, ...thrown } } : s;
  });
}

/**
 * A batch as a maker, or a careless file, might have it: any lots, jars, days, jugs and sieves; done up to some step, with
 * weights near the truth or far from it, and readings of every kind.
 */
export function randomBatch(d: Dice): BatchFile {
  const file = inOneJar(d);
  return d.chance(0.2) ? inJars(d, file) : file;
}
