import { expect, it } from 'vitest';
import {
  addDays,
  carry,
  daysBetween,
  ingredient,
  LineProblem,
  lotOfVariety,
  mainEnd,
  newBatch,
  reportTypical,
  runLine,
  stationKind,
  TYPICAL,
  variety,
  type BatchFile,
  type Intake,
  type KindName,
  type StationEntry,
} from '../src';
import { pods, put } from './helpers';
import { dice, type Dice } from './random';

const START = '2026-03-02';
const THINGS = [
  'vinegar_distilled_5',
  'cilantro',
  'onion',
  'garlic',
  'mango_ripe',
  'oil_olive',
  'water',
  'salt_fine',
  'sugar_white',
  'lime_juice',
];
const KINDS: KindName[] = [
  'simmer',
  'simmer',
  'steep',
  'fry',
  'toast',
  'char',
  'soak',
  'blend',
  'strain',
  'lift',
  'rest',
  'temper',
  'thicken',
];

/** What a hurried cook does in any order, on any day, with any reading. */
function followed(d: Dice): BatchFile {
  const lot = lotOfVariety(variety('cayenne-red'), { id: 'hot' });
  const some = (n: number): Intake[] =>
    [...new Set(Array.from({ length: d.whole(0, n) }, () => d.pick(THINGS)))].map((k) => put(k, d.whole(4, 60)));
  const params: Partial<Record<KindName, () => object>> = {
    simmer: () => ({
      until: d.pick(['minutes', 'left']),
      minutes: d.pick([0, 5, 12, 40]),
      leftPct: d.pick([40, 70, 98]),
      boil: d.pick(['bare', 'rolling']),
    }),
    steep: () => ({ hours: d.pick([1, 12, 60]), tempC: d.pick([4, 22]) }),
    rest: () => ({ place: d.pick(['air', 'fridge']), hours: d.pick([1, 3, 12, 60]), fromC: d.pick([20, 90]) }),
    thicken: () => ({ with: d.pick(['cornstarch', 'gum']), dosePct: d.pick([0, 2]), minutes: d.pick([2, 15]) }),
    fry: () => ({ way: d.pick(['sweat', 'paste', 'crisp']), drained: d.chance(0.5), minutes: 8 }),
  };
  const middle = Array.from({ length: d.whole(1, 5) }, () => d.pick(KINDS));
  const jar: KindName[] = d.chance(0.3) ? ['salt', 'ferment', 'drain'] : [];
  const at = d.whole(0, middle.length);
  const kinds: KindName[] = [
    'prep',
    ...middle.slice(0, at),
    ...jar,
    ...middle.slice(at),
    ...(d.chance(0.8) ? (['blend'] as const) : []),
    'bottle',
  ];
  let day = START;
  const stations = kinds.map((kind, n): StationEntry => {
    day = addDays(day, kind === 'ferment' ? 14 : d.pick([0, 0, 0, 0, 1, 3, 20]));
    const bare = d.chance(0.7) || ['bottle', 'strain', 'drain', 'toast', 'rest', 'lift'].includes(kind);
    const intakes =
      n === 0 ? [pods('hot', 500), ...some(2)] : bare ? [] : some(2).map((x) => (d.chance(0.3) ? { ...x, late: true as const } : x));
    const pH = d.chance(kind === 'bottle' ? 0.8 : kind === 'ferment' ? 0.3 : 0.15) ? d.pick([2.9, 3.4, 3.6, 3.9, 4.3, 4.8]) : undefined;
    const fill = kind === 'bottle' ? { fill: d.pick(['hot', 'cold']) } : {};
    return {
      id: `s${n}`,
      kind,
      intakes,
      params: { ...(stationKind(kind).defaults() as object), ...(params[kind]?.() ?? {}), ...fill },
      log: {
        doneOn: day,
        ...(kind === 'bottle' && d.chance(0.7) ? { fillC: d.pick([60, 84]) } : {}),
        ...(pH === undefined ? {} : { pH, instrument: d.pick(['meter', 'strip'] as const), phSure: true }),
      },
    };
  });
  const base = newBatch('Fire', START);
  return carry({ ...base, style: 'own', strands: [{ ...mainEnd(base), stations }] }, [lot], [...THINGS.map((k) => ingredient(k))]);
}

const saidHot = (end: StationEntry): boolean => (end.params as { fill: string }).fill === 'hot' && (end.log.fillC ?? 0) >= 82;

/** A step that heats all of what is in it for ten minutes at 82 °C or more, by the file alone. */
function heats(s: StationEntry): boolean {
  const p = s.params as { minutes?: number; until?: string; with?: string; way?: string; fill?: string };
  if (s.intakes.some((i) => i.late)) return false;
  if (s.kind === 'simmer') return p.minutes! >= 12 || p.until === 'left';
  if (s.kind === 'thicken') return p.with !== 'gum';
  return s.kind === 'bottle' && saidHot(s);
}

/** Whether it is cooked in its bottles, by the file alone: heated through after the last thing went in. */
function cookedByFile(stations: StationEntry[]): boolean {
  for (const s of [...stations].reverse()) {
    const p = s.params as { hours?: number; dosePct?: number };
    if (heats(s)) return true;
    if (s.intakes.length > 0 || ['salt', 'ferment', 'soak'].includes(s.kind) || (s.kind === 'steep' && p.hours! > 2)) return false;
    if (s.kind === 'thicken' && p.dosePct! > 0) return false;
  }
  return false;
}

/** Days since it was last heated through or came out of a jar, else since it was cut, and the longest it stood raw and unread before. */
function stoodByFile(stations: StationEntry[]): { since: number; rawLeg: number } {
  const on = (s: StationEntry) => daysBetween(START, s.log.doneOn!);
  let from = on(stations[0]!);
  let rawLeg = 0;
  let read = stations[0]!.log.pH !== undefined;
  for (const s of stations.slice(1)) {
    if (!read) rawLeg = Math.max(rawLeg, on(s) - from);
    if (s.kind === 'ferment' || heats(s)) from = on(s);
    read ||= s.log.pH !== undefined;
  }
  return { since: on(stations.at(-1)!) - from, rawLeg };
}

it('stations of fire in any order, on any days: no bottle keeps longer than its last cooking, its reading, its oil and its jar allow', () => {
  const d = dice(1708);
  const seen = { ends: 0, raw: 0, cooked: 0, oily: 0, bin: 0, low: 0, long: 0, leafy: 0, warm: 0, late: 0 };
  for (let n = 0; n < 800; n++) {
    const file = followed(d);
    const { stations } = file.strands[0]!;
    let report, runs;
    try {
      report = reportTypical(file, addDays(START, 120));
      runs = runLine(file, TYPICAL);
    } catch (error) {
      if (error instanceof LineProblem) continue;
      throw error;
    }
    const keeping = report.ends[0]!.keeping;
    if (!keeping) continue;
    const told = `${n}: ${stations.map((s) => `${s.kind}@${daysBetween(START, s.log.doneOn!)}`).join(' ')} -> ${keeping.place} ${keeping.days}`;
    const cooked = cookedByFile(stations);
    const end = stations.at(-1)!;
    const has = (key: string) => stations.some((s) => s.intakes.some((i) => i.id === key));
    // The reading that was taken of just this: at the bottle, or before it where nothing but a sieve and cold filling came after.
    const read =
      end.log.pH !== undefined || (end.params as { fill: string }).fill === 'hot'
        ? end.log
        : (stations.slice(0, -1).findLast((s) => !['strain', 'lift', 'rest'].includes(s.kind) || s.log.pH !== undefined)?.log ?? end.log);
    const acid = read.pH !== undefined && read.pH <= (read.instrument === 'meter' ? 4 : 3.6);
    const jar = runs.find((r) => r.kind === 'ferment')?.out.past.ferment ?? null;
    seen.ends++;
    if (jar === 'condemned') {
      expect(keeping.place, told).toBe('bin');
      // So is every oil and water that was taken off after it.
      const after = runs.slice(runs.findIndex((r) => r.kind === 'ferment') + 1);
      for (const side of after.flatMap((r) => r.sides.filter((x) => ['chili-oil', 'soak-water', 'brine', 'pulp'].includes(x.id))))
        expect(side.past.ferment, told).toBe('condemned');
      seen.bin++;
      continue;
    }
    if (keeping.place === 'cupboard') expect([saidHot(end), end.log.instrument, acid], told).toEqual([true, 'meter', true]);
    if (keeping.days > 30) {
      expect(acid, told).toBe(true);
      seen.long++;
    }
    const warm = stations.some((s) => {
      const p = s.params as { place?: string; hours: number; fromC: number };
      const sour = s.log.pH !== undefined && s.log.instrument === 'meter' && s.log.pH <= 4;
      return s.kind === 'rest' && p.place === 'air' && p.hours > 4 && !sour && runs.find((r) => r.id === s.id)!.out.past.ph === null;
    });
    const stood = stoodByFile(stations);
    // Half a year is the most there is, from when it could spoil as it is; and raw, unread stuff has a week, heated later or not.
    expect(keeping.days, told).toBeLessThanOrEqual(Math.max(0, 180 - stood.since));
    if (stood.rawLeg > 30) {
      expect(keeping.place, told).toBe('bin');
      seen.late++;
    }
    if (keeping.place === 'bin') continue;
    if (warm) {
      expect(read.pH, told).toBeLessThanOrEqual(4.6);
      seen.warm++;
    }
    if (!cooked) {
      expect(keeping.place, told).toBe('fridge');
      // Raw and never in a jar: three months at most, and a leaf that was never boiled is days.
      if (jar === null) expect(keeping.days, told).toBeLessThanOrEqual(90);
      seen.raw++;
    } else seen.cooked++;
    if (has('cilantro') && !stations.some((s) => ['simmer', 'thicken', 'ferment'].includes(s.kind)) && !saidHot(end)) {
      expect(keeping.days, told).toBeLessThanOrEqual(5);
      seen.leafy++;
    }
    if (runs.at(-1)!.out.past.freeOilG > 0) {
      expect(keeping.days, told).toBeLessThanOrEqual(14);
      expect(keeping.place, told).toBe('fridge');
      seen.oily++;
    }
    if (end.log.pH !== undefined && end.log.pH > 4.6) {
      expect(keeping.days, told).toBeLessThanOrEqual(4);
      seen.low++;
    }
  }
  for (const [what, count] of Object.entries(seen)) expect(count, what).toBeGreaterThan(2);
});
