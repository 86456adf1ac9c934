import {
  addDays,
  kitOf,
  lotOfVariety,
  seasonModel,
  seasonSteps,
  variety,
  type Day,
  type Harvest,
  type LinearSolver,
  type Season,
  type SeasonAsk,
  type SeasonWish,
} from '@roskel/core';
import { measure, type Line } from './measure';

const TODAY = '2026-06-01';
const HARVESTS: readonly [string, number, Day][] = [
  ['cayenne-red', 800, '2026-08-15'],
  ['jalapeno-red', 1200, '2026-08-01'],
  ['habanero-orange', 300, '2026-09-10'],
  ['fresno-red', 600, '2026-08-20'],
  ['serrano-green', 500, '2026-07-25'],
  ['lemon-drop', 200, '2026-09-01'],
  ['thai-bird', 100, '2026-09-15'],
  ['pointed-red', 2000, '2026-08-10'],
  ['guajillo', 150, TODAY],
  ['arbol', 50, TODAY],
  ['scorpion-red', 80, '2026-09-25'],
  ['poblano', 900, '2026-08-25'],
];
const WISHES: readonly [number, Day, SeasonWish['kinds']][] = [
  [12, '2026-12-15', ['mild', null]],
  [2, '2026-11-01', ['very hot']],
  [6, '2026-09-12', ['medium']],
  [4, '2026-10-10', ['hot']],
  [5, '2026-08-30', ['medium']],
  [3, '2026-11-15', [null]],
];
const asked = (): SeasonAsk => ({
  ...{ today: TODAY, days: Array.from({ length: 30 }, (_, i) => addDays('2026-06-06', 7 * i)), bottleMl: 100, perMonth: 2, freezerG: 3000 },
  jars: [
    { ml: 1000, count: 2 },
    { ml: 1500, count: 1 },
  ],
  harvests: HARVESTS.map(([of, g, from]): Harvest => {
    const lot = lotOfVariety(variety(of), { id: of });
    return {
      ...{ id: of, name: lot.name, lot, g: { low: 0.7 * g, typical: g, high: 1.3 * g }, goodDays: lot.form === 'fresh' ? 14 : 365 },
      from: { low: from, typical: from, high: from },
    };
  }),
  wishes: WISHES.map(([bottles, by, kinds], i) => ({ id: `w${i}`, says: `wish ${i}`, bottles, by, kinds })),
  kits: ['brine-ferment', 'mash-ferment', 'simmered-vinegar', 'long-reduced'].map((s) => kitOf(s, TODAY)),
  ...{ taken: [], shelf: [], pins: [], before: [] },
});

/** A season of 12 lots, 6 wishes and 3 jars: to a first plan known to be within 5 %, beside the solver alone for as long as it is given. */
export function seasonLines(highs: LinearSolver): Line[] {
  const ask = asked();
  let told: Season | null = null;
  const ours = measure(
    () => {
      for (const s of seasonSteps(highs, ask)) {
        told = s;
        if (s.gap <= 0.05) break;
      }
    },
    3,
    1,
  );
  const { model } = seasonModel(ask);
  let alone = NaN;
  const reference = measure(
    () => {
      const answer = highs.solve(model, { gap: 0.05, seconds: 10, nodes: Infinity, large: true });
      alone = 'values' in answer ? answer.objective : NaN;
    },
    2,
    0,
  );
  const s = told as unknown as Season;
  return [
    {
      what: `season: a plan within ${(s.gap * 100).toFixed(1)} %, cost ${s.cost.toFixed(0)}`,
      ours,
      reference,
      against: `HiGHS alone on the same program for 10 s (what it found costs ${alone.toFixed(0)})`,
      wantedMs: 10_000,
    },
  ];
}
