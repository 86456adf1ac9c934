import Papa from 'papaparse';
import { describe, expect, it } from 'vitest';
import {
  ingredient,
  ingredientStream,
  measuredOf,
  nutritionOf,
  recordCsv,
  recordRows,
  stationsOf,
  StationLogSchema,
  traced,
  TYPICAL,
  type BatchFile,
  type StationLog,
  type Tool,
  type TraceEdge,
  type TraceNode,
} from '../src';
import { example, log, smallBatch } from './helpers';
import { dice } from './random';

describe('what came from where', () => {
  it('400 random kitchens: what is reached, and how far off, is what powers of the matrix say, both ways', () => {
    const d = dice(31);
    for (let round = 0; round < 400; round++) {
      const n = d.whole(2, 14);
      const nodes: TraceNode[] = Array.from({ length: n }, (_, i) => ({ kind: 'pods', id: String(i), name: `Lot ${i}`, on: null }));
      const at = Array.from({ length: n }, () => Array.from({ length: n }, () => d.chance(0.18)));
      const edges: TraceEdge[] = at.flatMap((row, i) =>
        row.flatMap((yes, j) => (yes ? [{ from: `pods:${i}`, to: `pods:${j}`, g: 10 * i + j }] : [])),
      );
      // Reached in exactly so many steps, by multiplying: the least of them is the distance.
      const distance = (from: number) => {
        const found = new Map<number, number>();
        let now = nodes.map((_, i) => i === from);
        for (let k = 1; k <= n; k++) {
          now = nodes.map((_, j) => now.some((yes, i) => yes && at[i]![j]!));
          now.forEach((yes, j) => yes && j !== from && !found.has(j) && found.set(j, k));
        }
        return found;
      };
      const start = d.whole(0, n - 1);
      const forward = traced({ nodes, edges }, `pods:${start}`, 'forward');
      expect(new Map(forward.map((s) => [Number(s.node.id), s.depth]))).toEqual(distance(start));
      expect(forward.map((s) => s.depth)).toEqual(forward.map((s) => s.depth).sort((a, b) => a - b));
      const back = traced({ nodes, edges }, `pods:${start}`, 'back').map((s) => Number(s.node.id));
      expect(new Set(back)).toEqual(new Set(nodes.map((_, i) => i).filter((i) => i !== start && distance(i).has(start))));
      // Every way in is told with its grams.
      for (const s of forward)
        for (const { name, g } of s.by) expect(edges).toContainEqual({ from: name.replace('Lot ', 'pods:'), to: `pods:${s.node.id}`, g });
    }
  });
});

describe('what was measured', () => {
  it('a batch that was only planned has nothing; the example has what its makers wrote down, and no more', () => {
    expect(measuredOf(smallBatch())).toEqual([]);
    const file = example('slipway-red');
    const rows = measuredOf(file);
    const typed = [...file.readings.map((r) => r.pH), ...stationsOf(file).map((s) => s.entry.log.pH)].filter((x) => x !== undefined);
    expect(rows.filter((r) => r.what === 'pH').map((r) => Number(r.value))).toHaveLength(typed.length);
    for (const pH of typed) expect(rows.some((r) => r.what === 'pH' && r.value === String(pH))).toBe(true);
    const days = rows.map((r) => r.at.slice(0, 10)).filter((x) => x !== '');
    expect(days).toEqual([...days].sort());
  });
  it('each thing that a log can hold is told', () => {
    const on = '2026-10-20';
    const all: Required<Omit<StationLog, 'phOn' | 'phSure'>> = {
      ...{ doneOn: on, massG: 812, pH: 3.61, instrument: 'meter', by: { name: 'Glass', sd: 0.03 }, phBlended: true, look: 4 },
      pot: [{ id: 'w', min: 7, massG: 640 }],
      rounds: [
        {
          ...{ id: 'r', at: `${on}T10:00:00.000Z`, says: {}, was: { heat: 1, sour: 3, salt: 1, sweet: 1, body: 3 } },
          put: [{ from: 'larder', of: 'lime_juice', g: 12.5 }],
        },
      ],
      heat: [
        { min: 0, c: 20 },
        { min: 5, c: 84 },
        { min: 9, c: 85.5 },
        { min: 12, c: 60 },
      ],
      ...{ thrownOn: '2026-11-02', thrownWhy: 'fuzz', jarsThrown: [{ jar: 2, on: '2026-10-30', why: 'rotten' }] },
      temps: [
        { day: 0, c: 18 },
        { day: 1, c: 22 },
      ],
      ...{ fillC: 86, hotByThermometer: true, frozenOn: '2026-10-21', ownUntil: '2027-01-01', ownWhy: 'presents', bottles: 5 },
      note: '=HYPERLINK("x")',
    };
    // A new field of a log is a line above and a row of the record.
    expect(Object.keys(StationLogSchema.properties).sort()).toEqual([...Object.keys(all), 'phOn', 'phSure'].sort());
    const meter: Tool = {
      ...{ id: 'm', kind: 'meter', name: 'Glass', seen: [] },
      calibrations: [
        { at: '2026-10-19T08:00:00.000Z', tempC: 25, unit: 'pH', in7: 7, in4: 4 },
        { at: '2026-10-25T08:00:00.000Z', tempC: 25, unit: 'pH', in7: 7, in4: 4.3 },
      ],
    };
    const file: BatchFile = log(smallBatch(), 'blend', all);
    const rows = measuredOf(file, [meter]);
    const told = (text: string) => rows.filter((r) => `${r.at} ${r.what} ${r.value} ${r.by}`.includes(text)).length;
    for (const text of [
      '812 g',
      '3.61',
      'blended',
      'How it pours, 1 to 7 4',
      'minute 7 640 g',
      '12.5 g',
      '85.5 °C at most, within 2 °C of it for 4.0 min',
    ])
      expect([text, told(text)]).toEqual([text, 1]);
    for (const text of [
      '2026-11-02 Thrown away fuzz',
      '2026-10-30 Jar 2',
      '18.0 to 22.0 °C, mean 20.0',
      '86 °C thermometer',
      'Bottles filled 5',
    ])
      expect([text, told(text)]).toEqual([text, 1]);
    for (const text of ['2026-10-21 Into the freezer', '2027-01-01 presents', 'HYPERLINK', 'Done'])
      expect([text, told(text)]).toEqual([text, 1]);
    // The calibration before the reading, not the newest; slope by Nernst, 100 % where both buffers are met.
    expect(rows.find((r) => r.value === '3.61')!.by).toMatch(/^meter Glass, calibrated 2026-10-19, slope (99|100) %$/);
    expect(measuredOf(file, []).find((r) => r.value === '3.61')!.by).toBe('meter Glass, no calibration known');
    // As CSV: read back by another reader it is the same, and no table program runs it.
    const of = {
      back: [],
      forward: [],
      measured: rows,
      bottles: [
        {
          name: 'Red, "no. 1"',
          bottledOn: on,
          filled: 5,
          left: 2,
          gone: [
            { on, bottles: -1, reason: 'undo', who: '' },
            { on, bottles: 3, reason: 'given', who: 'Ivo\nand Una' },
          ],
        },
      ],
    };
    const wanted = recordRows(of);
    const { data } = Papa.parse<Record<string, string>>(recordCsv(wanted), { header: true, skipEmptyLines: true });
    expect(data).toEqual(wanted.map((r) => ({ ...r, value: r.value.startsWith('=') ? `'${r.value}` : r.value })));
    expect(wanted.at(-2)!.value).toBe('1 put back');
    expect(wanted.at(-1)).toEqual({ part: 'bottles', on, what: 'Red, "no. 1"', value: '3 given', by: 'Ivo\nand Una' });
  });
});

describe('nutrition', () => {
  // Handbook chapter 5, section 18.2: 100 g of oil are 900 kcal.
  it('oil, water', () => {
    const of = (key: string) => nutritionOf(ingredientStream(ingredient(key), 100, TYPICAL))!;
    expect(of('oil_neutral').kcal).toBeGreaterThan(885);
    expect(of('oil_neutral').kcal).toBeLessThanOrEqual(900);
    expect(of('water').kcal).toBe(0);
  });
  // USDA FoodData Central, kcal and salt (2.54 times sodium) of 100 g, from memory: within a fifth and 6 kcal.
  it.each([
    ['onion', 40, 0],
    ['garlic', 149, 0],
    ['carrot', 41, 0.2],
    ['mango_ripe', 60, 0],
    ['tomato', 18, 0],
    ['tomato_paste', 82, 0.15],
    ['vinegar_cider', 21, 0],
    ['lime_juice', 25, 0],
    ['sugar_white', 387, 0],
    ['honey', 304, 0],
    ['salt_fine', 0, 99],
    ['soy_sauce', 53, 14],
  ])('%s: about %f kcal and %f g of salt', (key, kcal, salt) => {
    const n = nutritionOf(ingredientStream(ingredient(key), 250, TYPICAL))!;
    expect(Math.abs(n.kcal - kcal)).toBeLessThan(0.2 * kcal + 6);
    expect(Math.abs(n.salt - salt)).toBeLessThan(0.25 * salt + 0.3);
    // The same energy in the other unit: 4.184 kJ a kcal, as far as the factors of the regulation are rounded.
    expect(Math.abs(n.kJ / 4.184 - n.kcal)).toBeLessThanOrEqual(0.07 * n.kcal);
    expect(n.sugars).toBeLessThanOrEqual(n.carbohydrate + 1e-9);
  });
});
