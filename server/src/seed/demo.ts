import { highsSolver } from '@roskel/core/highs';
import {
  addDays,
  carry,
  choosePods,
  dutyKey,
  extrasOf,
  mapStations,
  newBatch,
  reportLine,
  stationKind,
  stationsOf,
  useMix,
  withExtras,
  withParams,
  type BatchFile,
  type Goal,
  type Intake,
  type KindName,
  type LinearSolver,
  type ParamsOf,
  type PodChoice,
  type PodLot,
  type Preparation,
  type StationEntry,
  type StationLog,
  type Strand,
} from '@roskel/core';
import type { Db } from '../db/open';
import { addBatch } from '../store/batches';
import { addLarder } from '../store/larder';
import { addPod, listPods } from '../store/pods';
import { moveShelf } from '../store/shelf';
import { addHeat } from '../store/tasting';
import { demoLarder, demoLots } from './pantry';
import { seedMakers } from './makers';
import { seedSeason } from './season';
import { seedShelf } from './shelf';
import { DEMO_TOOLS, seedStyles } from './styles';

/** A plan that hits its bracket with the given lots, solved as the page would solve it. */
function plan(solver: LinearSolver, name: string, start: string, goal: Goal, choices: PodChoice[], style?: string): BatchFile {
  const batch = newBatch(name, start, goal, style);
  const answer = choosePods(solver, batch, choices);
  if (answer.status !== 'found') throw new Error(`The demo cannot make ${name}: ${answer.message}`);
  return useMix(batch, choices, answer.mixes[0]!.gramsByLot);
}

function log(file: BatchFile, logs: Record<string, StationLog>): BatchFile {
  return mapStations(file, (s) => ({ ...s, log: logs[s.id] ?? s.log }));
}

function change<K extends KindName>(file: BatchFile, kind: K, params: Partial<ParamsOf<K>>): BatchFile {
  const { entry } = stationsOf(file).find((s) => s.entry.kind === kind)!;
  return withParams(file, entry.id, { ...(entry.params as object), ...params });
}

/** What a station is planned to weigh, a little off: as a kitchen scale would have it. */
function weighed(file: BatchFile, today: string, stationId: string, off: number): number {
  const s = reportLine(file, { today, forecast: false }).stations.find((x) => x.id === stationId)!;
  return Math.round(s.now.massG * off);
}

function finished(base: BatchFile, start: string, today: string): BatchFile {
  let file = change(base, 'ferment', { days: 19, tempC: 20 });
  const day = (n: number) => addDays(start, n);
  const logs: Record<string, StationLog> = { prep: { doneOn: start }, salt: { doneOn: start } };
  const add = (id: string, entry: StationLog) => {
    logs[id] = entry;
    file = log(file, logs);
  };
  add('ferment', { doneOn: day(20), pH: 3.58, instrument: 'meter' });
  add('drain', { doneOn: day(20), massG: weighed(file, today, 'drain', 0.985) });
  add('blend', { doneOn: day(20), note: 'Five minutes, quite smooth.' });
  add('strain', { doneOn: day(20), massG: weighed(file, today, 'strain', 0.99) });
  file = change(file, 'bottle', { fill: 'hot', headspacePct: 5 });
  add('bottle', { doneOn: day(21), pH: 3.41, instrument: 'meter', fillC: 88 });
  const at = (n: number, hour: number) => `${day(n)}T${String(hour).padStart(2, '0')}:10:00.000Z`;
  return {
    ...file,
    readings: [
      { id: 'r1', stationId: 'ferment', at: at(3, 18), pH: 4.74, tempC: 20.1, instrument: 'meter' },
      { id: 'r2', stationId: 'ferment', at: at(7, 19), pH: 4.05, tempC: 19.8, instrument: 'meter' },
      { id: 'r3', stationId: 'ferment', at: at(14, 18), pH: 3.66, tempC: 20.4, instrument: 'meter' },
      { id: 'r4', stationId: 'ferment', at: at(20, 9), pH: 3.58, tempC: 20.0, instrument: 'meter' },
    ],
  };
}

function fermenting(base: BatchFile, start: string): BatchFile {
  const at = (n: number, hour: number) => `${addDays(start, n)}T${String(hour).padStart(2, '0')}:05:00.000Z`;
  const file = log(change(base, 'ferment', { days: 13, tempC: 21 }), {
    prep: { doneOn: start },
    salt: { doneOn: start, note: 'Brine a little over, kept in the fridge.' },
  });
  return {
    ...file,
    readings: [
      { id: 'r1', stationId: 'ferment', at: at(1, 18), pH: 5.11, tempC: 20.6, instrument: 'meter' },
      { id: 'r2', stationId: 'ferment', at: at(3, 18), pH: 4.78, tempC: 21.0, instrument: 'meter' },
      { id: 'r3', stationId: 'ferment', at: at(4, 19), pH: 4.52, tempC: 20.9, instrument: 'meter' },
      { id: 'r4', stationId: 'ferment', at: at(5, 18), pH: 4.31, tempC: 20.4, instrument: 'meter' },
    ],
    dutiesDone: [dutyKey('ferment', 'push-5'), dutyKey('ferment', 'burp-5')],
  };
}

/** A green base with a charred strand that flows in, shared out into three bowls. */
function springTide(start: string, green: PodLot): BatchFile {
  const at = (id: string, kind: KindName, intakes: Intake[] = [], params: object = {}): StationEntry => ({
    id,
    kind,
    intakes,
    params: { ...(stationKind(kind).defaults() as object), ...params },
    log: {},
  });
  const thing = (key: string, g: number): Intake => ({ id: key, origin: { from: 'larder', key }, amount: { g } });
  const end = (strandId: string, amount: Intake['amount']): Intake => ({ id: strandId, origin: { from: 'strand', strandId }, amount });
  const goal: Goal = { lowShu: 60, highShu: 400, bottles: 2, bottleMl: 100 };
  const bowl = (id: string, name: string, amount: Intake['amount'], own: Intake[]): Strand => ({
    ...{ id, name, goal },
    stations: [at(`${id}-blend`, 'blend', [end('base', amount), ...own], { heldUpPct: 0 }), at(`${id}-bottle`, 'bottle')],
  });
  const base = newBatch('Spring Tide', start, goal);
  const pods: Intake = { id: green.id, origin: { from: 'pods', lotId: green.id, prep: 'seedsOut' }, amount: { g: 440 } };
  const strands: Strand[] = [
    {
      ...{ id: 'base', name: 'Base', goal: null },
      stations: [
        at('prep', 'prep', [pods]),
        at('char', 'char'),
        at('blend', 'blend', [end('vegetables', 'rest'), thing('vinegar_distilled_5', 210), thing('salt_fine', 12)]),
        at('strain', 'strain'),
      ],
    },
    {
      ...{ id: 'vegetables', name: 'Vegetables', goal: null },
      stations: [at('peel', 'prep', [thing('onion', 120), thing('garlic', 24)]), at('roast', 'char', [], { way: 'oven', minutes: 25 })],
    },
    bowl('plain', 'Plain', { pct: 35 }, []),
    bowl('pineapple', 'Pineapple', { pct: 30 }, [thing('pineapple', 60)]),
    bowl('mango', 'Mango', 'rest', [thing('mango_ripe', 70)]),
  ];
  return carry({ ...base, style: 'own', strands }, [green], []);
}

/** Fills an empty data folder with a made-up coast kitchen: pods, a larder, batches of all its kinds, and a shelf. */
export async function seedDemo(db: Db, today: string): Promise<void> {
  for (const { input, stockG } of demoLots(today)) await addPod(db, { input, stockG, words: `${stockG} g` }, today);
  for (const { key, stockG, words, facts } of demoLarder(today)) await addLarder(db, key, stockG, words, facts);
  const lots = await listPods(db);
  const pick = (id: string, prep: Preparation = 'whole'): PodChoice => {
    const found = lots.find((l) => l.id === id)!;
    return { lot: found.lot, stockG: found.stockG, prep, useFirst: found.useFirst };
  };
  const bottles = (lowShu: number, highShu: number, count: number, bottleMl: number): Goal => ({
    lowShu,
    highShu,
    bottles: count,
    bottleMl,
  });

  const solver = await highsSolver();
  const startOld = addDays(today, -41);
  const old = plan(solver, 'Slipway Red no. 2', startOld, bottles(1300, 3200, 10, 100), [
    { ...pick('lot-cayenne'), stockG: 760 },
    pick('lot-pointed'),
  ]);
  const small = DEMO_TOOLS.find((t) => t.id === 'tool-small')!;
  const inSmall = mapStations(finished(old, startOld, today), (s) => (s.id === 'bottle' ? { ...s, toolId: small.id } : s));
  await addBatch(db, { ...inSmall, tools: [small] }, today, 'slipway-red-2');

  const startNow = addDays(today, -6);
  const current = plan(solver, 'Slipway Red no. 3', startNow, bottles(2000, 5000, 10, 100), [
    { ...pick('lot-cayenne'), stockG: 520 },
    pick('lot-pointed'),
    { ...pick('lot-fatalii'), stockG: 90 },
  ]);
  const packed = change(current, 'salt', { mixedMl: 750 });
  const cupboard = DEMO_TOOLS.find((t) => t.id === 'tool-cupboard')!;
  const stands = mapStations(fermenting(packed, startNow), (s) => (s.id === 'ferment' ? { ...s, toolId: cupboard.id } : s));
  await addBatch(db, { ...stands, tools: [cupboard] }, today, 'slipway-red-3');

  const startNext = addDays(today, 3);
  const gold = plan(solver, 'Gorse Gold', startNext, bottles(500, 1300, 6, 150), [
    pick('lot-bell'),
    pick('lot-lemondrop'),
    pick('lot-habanero', 'cored'),
  ]);
  const golden = withExtras(
    gold,
    [...extrasOf(gold), { id: 'mango_ripe', massG: 120 }, { id: 'lime_juice', massG: 30, words: '1 lime' }],
    [],
  );
  await addBatch(db, golden, today, 'gorse-gold');

  await addBatch(db, springTide(addDays(today, 9), pick('lot-poblano').lot), today, 'spring-tide');

  // Blended this morning and in the pot by now.
  const dark = plan(
    solver,
    'Harbour Dark',
    today,
    bottles(300, 1500, 3, 150),
    [{ ...pick('lot-slim'), stockG: 110 }, pick('lot-pointed')],
    'long-reduced',
  );
  const inThePot = log(dark, { prep: { doneOn: today }, blend: { doneOn: today } });
  const wide = DEMO_TOOLS[0]!;
  const pot = mapStations(inThePot, (s) => (s.id === 'simmer' ? { ...s, toolId: wide.id } : s));
  await addBatch(db, { ...pot, tools: [wide] }, today, 'harbour-dark');

  await seedStyles(
    db,
    lots.map((l) => l.lot),
    today,
    (n) => addDays(today, n),
  );

  await seedShelf(
    db,
    lots.map((l) => l.lot),
    today,
  );
  await seedMakers(db, today);
  await seedSeason(db);
  await moveShelf(db, 'slipway-red-2', -1, 'opened');

  // The maker's tongue, from three bottles with a heat on the label, and one match test of a lot.
  const reference = (name: string, labelShu: number, score: number) =>
    addHeat(db, { kind: 'reference', name, labelShu, scores: [{ taster: 'You', score }] }, today);
  await reference('A mild bottled sauce', 900, 3.2);
  await reference('A middling bottled sauce', 3200, 4.8);
  await reference('A hot bottled sauce', 11_000, 6.4);
  await addHeat(db, { kind: 'measured', how: 'match', subject: { lotId: 'lot-smoked', pods: 6 }, shu: 15_500, sigma: 0.45 }, today);
}
