import {
  carry,
  INGREDIENTS,
  lotOfVariety,
  newBatch,
  PREPARATIONS,
  stationKind,
  VARIETIES,
  type BatchFile,
  type Intake,
  type IntakeAmount,
  type PodLot,
  type StationEntry,
  type Strand,
} from '../src';
import { put } from './helpers';
import type { Dice } from './random';

const KEYS = INGREDIENTS.filter((i) => i.salt < 10 && i.water > 30 && !/acid/.test(i.key)).map((i) => i.key);
const GOAL = { lowShu: 500, highShu: 5000, bottles: 3, bottleMl: 100 };

export const stationAt = (id: string, kind: string, intakes: Intake[] = [], params: object = {}): StationEntry => ({
  id,
  kind,
  intakes,
  params: { ...(stationKind(kind).defaults() as object), ...params },
  log: {},
});
export const fromStrand = (strandId: string, amount: IntakeAmount = 'rest'): Intake => ({
  id: strandId,
  origin: { from: 'strand', strandId },
  amount,
});
export const podsIn = (lotId: string, g: number, prep: (typeof PREPARATIONS)[number] = 'whole'): Intake => ({
  id: lotId,
  origin: { from: 'pods', lotId, prep },
  amount: { g },
});

/** A batch of these strands and lots, made whole. */
export function batchOf(strands: Strand[], lots: PodLot[] = [], rest: Partial<BatchFile> = {}): BatchFile {
  return carry({ ...newBatch('Graph', '2026-03-01'), ...rest, style: 'own', strands }, lots, []);
}

/**
 * Any batch that hangs together: up to three strands that flow in, a base with a jar or without, and up to four bowls
 * that share it out, each with things of its own.
 */
export function randomGraph(d: Dice): BatchFile {
  const round = (x: number) => Number(x.toFixed(1));
  const lots: PodLot[] = [];
  const lot = (): PodLot => {
    const one = lotOfVariety(d.pick(VARIETIES), { id: `lot${lots.length}` });
    lots.push(one);
    return one;
  };
  const some = (n: number, low: number, high: number) =>
    [...new Set(Array.from({ length: d.whole(0, n) }, () => d.pick(KEYS)))].map((key) => put(key, round(d.between(low, high))));
  const tributaries = Array.from({ length: d.whole(0, 3) }, (_, i): Strand => {
    const id = `in${i}`;
    const things = d.chance(0.5)
      ? [podsIn(lot().id, round(d.between(50, 300)), d.pick(PREPARATIONS))]
      : [put(d.pick(KEYS), d.whole(50, 200))];
    const fire = d.chance(0.6)
      ? [
          stationAt(`${id}-char`, 'char', [], {
            way: d.pick(['pan', 'oven', 'grill']),
            degree: d.pick(['light', 'well']),
            peel: d.chance(0.3),
          }),
        ]
      : [];
    return { id, name: `In ${i}`, stations: [stationAt(`${id}-prep`, 'prep', things), ...fire], goal: null };
  });
  const bowls = d.whole(1, 4);
  const jar = d.chance(0.5);
  const first = Array.from({ length: d.whole(1, 2) }, () => podsIn(lot().id, round(d.between(150, 500)), d.pick(PREPARATIONS)));
  const podsG = first.reduce((s, x) => s + (x.amount as { g: number }).g, 0);
  const [early, late] = tributaries.reduce<[Intake[], Intake[]]>(
    ([a, b], t) => (d.chance(0.4) ? [[...a, fromStrand(t.id)], b] : [a, [...b, fromStrand(t.id)]]),
    [[], []],
  );
  const soured = jar
    ? [
        stationAt('salt', 'salt', [], { jarMl: Math.ceil(podsG * 4) + 2000, pct: round(d.between(2, 5)) }),
        stationAt(
          'ferment',
          'ferment',
          some(1, 2, 20).map((x) => ({ ...x, late: true })),
          { days: d.whole(3, 30) },
        ),
        stationAt('drain', 'drain'),
      ]
    : [];
  const brine: Intake[] =
    jar && d.chance(0.4)
      ? [{ id: 'brine', origin: { from: 'side', stationId: 'drain', side: 'brine' }, amount: { pct: d.whole(1, 30) } }]
      : [];
  const base: StationEntry[] = [
    stationAt('prep', 'prep', [...first, ...early]),
    ...soured,
    stationAt('blend', 'blend', [...late, ...some(3, 10, 150), ...brine]),
    stationAt('strain', 'strain', [], { method: d.pick(['none', 'coarse', 'pressed', 'cloth']) }),
  ];
  if (bowls === 1) {
    const main: Strand = { id: 'main', name: 'Sauce', stations: [...base, stationAt('bottle', 'bottle')], goal: GOAL };
    return batchOf(d.chance(0.5) ? [main, ...tributaries] : [...tributaries, main], lots);
  }
  const shares = Array.from({ length: bowls }, () => d.whole(10, Math.floor(90 / bowls)));
  const amount = (i: number): IntakeAmount =>
    i === 0 && d.chance(0.5) ? 'rest' : d.chance(0.7) ? { pct: shares[i]! } : { g: d.whole(5, 25) };
  const out = shares.map((_, i): Strand => {
    const id = `bowl${i}`;
    const start = [fromStrand('base', amount(i)), ...some(2, 1, 30)];
    return { id, name: `Bowl ${i}`, stations: [stationAt(`${id}-blend`, 'blend', start), stationAt(`${id}-bottle`, 'bottle')], goal: GOAL };
  });
  const all: Strand[] = [{ id: 'base', name: 'Base', stations: base, goal: null }, ...tributaries, ...out];
  return batchOf(
    all.sort(() => d.next() - 0.5),
    lots,
  );
}
