import { expect, it } from 'vitest';
import type { TSchema } from '@sinclair/typebox';
import {
  bookedOf,
  carry,
  drawEnsemble,
  imbalance,
  LineProblem,
  lotOfVariety,
  mainEnd,
  massOf,
  newBatch,
  reportTypical,
  runLine,
  STATION_KINDS,
  stationKind,
  TYPICAL,
  variety,
  type BatchFile,
  type StationEntry,
} from '../src';
import { pods, put } from './helpers';
import { dice, type Dice } from './random';

/** A value at a bound of its schema, in the middle of it, or just inside. */
function valueOf(d: Dice, s: TSchema): unknown {
  if (s.anyOf) return valueOf(d, d.pick(s.anyOf as TSchema[]));
  if (s.const !== undefined) return s.const;
  const [low, high] = [(s.minimum as number) ?? 0, (s.maximum as number) ?? 10];
  if (s.type === 'boolean') return d.chance(0.5);
  if (s.type === 'integer') return d.pick([low, high, Math.round((low + high) / 2)]);
  if (s.type === 'number') return d.pick([low, high, (low + high) / 2, low + 0.01 * (high - low)]);
  return s.type === 'object' ? paramsOf(d, s) : null;
}
function paramsOf(d: Dice, s: TSchema): Record<string, unknown> {
  const required = (s.required ?? []) as string[];
  return Object.fromEntries(
    Object.entries(s.properties as Record<string, TSchema>)
      .filter(([k]) => required.includes(k) || d.chance(0.6))
      .map(([k, v]) => [k, valueOf(d, v)]),
  );
}

const THINGS = [
  'vinegar_cider',
  'onion',
  'tamarind_pulp',
  'oil_olive',
  'sugar_white',
  'water',
  'mustard_yellow',
  'cornstarch',
  'salt_fine',
  'rum',
];
const BETWEEN = STATION_KINDS.filter((k) => !k.bottled).map((k) => k.kind);

function randomLine(d: Dice): BatchFile {
  const base = newBatch('Bounds', '2026-10-01');
  const kinds = ['prep', ...Array.from({ length: d.whole(1, 5) }, () => d.pick(BETWEEN)), d.pick(['bottle', 'bowl'])] as const;
  const done = d.whole(0, kinds.length);
  let day = 1;
  const logOf = (kind: string) => ({
    doneOn: `2026-10-${String((day += d.pick([0, 0, 1]))).padStart(2, '0')}`,
    ...(d.chance(0.12) ? { massG: d.pick([1, 50, 300, 500, 900]) } : {}),
    ...(d.chance(0.3) ? { pH: d.pick([1.5, 3.5, 4.4, 9]), instrument: 'meter' as const } : {}),
    ...(d.chance(0.3) ? { look: d.whole(1, 7) } : {}),
    ...(kind === 'simmer' && d.chance(0.4) ? { pot: [{ id: 'a', min: d.pick([0, 10, 2880]), massG: d.pick([1, 300, 900]) }] } : {}),
  });
  const stations = kinds.map((kind, i) => ({
    id: `s${i}`,
    kind,
    intakes:
      i === 0
        ? [pods('h', d.pick([5, 60, 900, 2000]))]
        : d.chance(0.4)
          ? [...new Set([d.pick(THINGS), d.pick(THINGS)])].map((k) => ({
              ...put(k, d.pick([0.05, 5, 60, 200, 900])),
              ...(d.chance(0.2) ? { late: true as const } : {}),
            }))
          : [],
    params: kind === 'salt' ? stationKind(kind).defaults() : paramsOf(d, stationKind(kind).schema),
    log: i < done ? logOf(kind) : {},
  })) as unknown as StationEntry[];
  const file = { ...base, style: 'own', strands: [{ ...mainEnd(base), stations }] };
  return carry(file, [lotOfVariety(variety('habanero-orange'), { id: 'h' })], []);
}

/** Every number anywhere in some facts. */
function numbersIn(x: unknown): number[] {
  if (typeof x === 'number') return [x];
  return x !== null && typeof x === 'object' ? Object.values(x).flatMap(numbersIn) : [];
}

it('every kind of station at the bounds of its parameters: refused in a sentence, or finite, balanced and never less than nothing', () => {
  const d = dice(11);
  let ran = 0;
  for (let n = 0; n < 500; n++) {
    const file = randomLine(d);
    try {
      const report = reportTypical(file, '2026-11-01');
      for (const draw of [TYPICAL, ...drawEnsemble(n, 2)])
        for (const run of runLine(file, draw)) {
          const off = Math.abs(imbalance(run.along.stream, bookedOf(run)).grams);
          expect(off, `${n} ${run.kind}`).toBeLessThan(1e-6 * Math.max(1, massOf(run.bowl.stream)));
          for (const g of Object.values(run.out.stream.grams)) expect(g, `${n} ${run.kind}`).toBeGreaterThanOrEqual(-1e-9);
        }
      for (const s of report.stations) expect(numbersIn([s.now, s.minutes, s.facts]).filter(Number.isNaN), `${n} ${s.kind}`).toEqual([]);
      ran++;
    } catch (error) {
      if (!(error instanceof LineProblem)) throw error;
      expect(error.message, `${n}`).toMatch(/^[A-ZÄÖÜ0-9“"].*[.?!]$/s);
      expect(error.message, `${n}`).not.toMatch(/NaN|undefined|Infinity/);
    }
  }
  expect(ran).toBeGreaterThan(200);
});
