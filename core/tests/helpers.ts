import { readFileSync } from 'node:fs';
import { fileURLToPath } from 'node:url';
import {
  carry,
  ingredient,
  ingredientStream,
  lotOfVariety,
  mix,
  newBatch,
  TYPICAL,
  variety,
  withParams,
  type BatchFile,
  type Stream,
} from '../src';

/** A mix by kilograms of table ingredients, at their typical values. */
export function kitchenMix(kg: Record<string, number>): Stream {
  return mix(...Object.entries(kg).map(([key, m]) => ingredientStream(ingredient(key), m * 1000, TYPICAL)));
}

/** A brine ferment of cayenne and sweet red pods with whole amounts. */
export function smallBatch(): BatchFile {
  const lots = [lotOfVariety(variety('cayenne-red'), { id: 'hot' }), lotOfVariety(variety('pointed-red'), { id: 'mild' })];
  const file = newBatch('Test', '2026-10-01', { lowShu: 1000, highShu: 4000, bottles: 8, bottleMl: 100 });
  const pods = [
    { lotId: 'hot', massG: 400, prep: 'whole' },
    { lotId: 'mild', massG: 300, prep: 'whole' },
  ];
  return carry(withParams(file, 'prep', { pods }), lots, []);
}

export function exampleFile(): BatchFile {
  const path = fileURLToPath(new URL('../../examples/slipway-red.json', import.meta.url));
  return JSON.parse(readFileSync(path, 'utf8')) as BatchFile;
}

export function log(file: BatchFile, id: string, entry: BatchFile['stations'][number]['log']): BatchFile {
  return { ...file, stations: file.stations.map((s) => (s.id === id ? { ...s, log: { ...s.log, ...entry } } : s)) };
}
