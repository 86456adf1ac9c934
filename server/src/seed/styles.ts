import {
  addDays,
  stationKind,
  addStation,
  endOf,
  mainEnd,
  mapStations,
  newBatch,
  useMix,
  type BatchFile,
  type Goal,
  type PodLot,
  type Preparation,
  type StationLog,
  type Tool,
} from '@roskel/core';
import type { Db } from '../db/open';
import { addBatch } from '../store/batches';
import { addOwn } from '../store/own';

/** A pen that was calibrated so many days ago, and long before. */
export const demoMeter = (today: string): Tool => ({
  id: 'tool-pen',
  kind: 'meter',
  name: 'Green pen',
  device: 'stand-in-pen',
  seen: [],
  calibrations: [
    { at: `${addDays(today, -44)}T09:20:00.000Z`, tempC: 21, unit: 'mV', in7: -4, in4: 169, buffers: 'opened in September' },
    { at: `${addDays(today, -20)}T17:40:00.000Z`, tempC: 20, unit: 'mV', in7: -6, in4: 164, buffers: 'opened in September' },
    { at: `${addDays(today, -1)}T18:10:00.000Z`, tempC: 21, unit: 'mV', in7: -5, in4: 163, buffers: 'new' },
  ],
});

/** The things of the coast kitchen; the wide pot was weighed twice and is a little quicker than its width says. */
export const DEMO_TOOLS: readonly Tool[] = [
  {
    id: 'tool-wide',
    kind: 'pot',
    name: 'Wide steel pot',
    acrossCm: 28,
    volumeMl: 6500,
    tareG: 1840,
    seen: [
      { on: '2026-03-14', where: 'Harbour Dark of spring', of: 'spring/simmer', log: 0.21, sd: 0.16 },
      { on: '2026-08-30', where: 'Headland Garden', of: 'august/simmer', log: 0.12, sd: 0.18 },
    ],
  },
  { id: 'tool-milk', kind: 'pot', name: 'Small milk pot', acrossCm: 16, volumeMl: 1500, tareG: 620, seen: [] },
  {
    id: 'tool-sieve',
    kind: 'sieve',
    name: 'Fine round sieve',
    tareG: 210,
    seen: [{ on: '2026-09-19', where: 'Slipway Red no. 1', of: 'first/strain', log: -0.18, sd: 0.1 }],
  },
  {
    id: 'tool-jug',
    kind: 'blender',
    name: 'Glass jug blender',
    volumeMl: 1750,
    tareG: 1420,
    seen: [{ on: '2026-09-19', where: 'Slipway Red no. 1', of: 'first/blend', log: 0.35, sd: 0.7 }],
  },
  { id: 'tool-small', kind: 'bottle', name: 'Small dasher bottle', volumeMl: 100, tareG: 128, cap: 'dasher', price: 0.85, seen: [] },
  { id: 'tool-flask', kind: 'bottle', name: 'Flat flask', volumeMl: 150, tareG: 161, cap: 'screw', price: 0.95, seen: [] },
  { id: 'tool-vented', kind: 'bottle', name: 'Swing bottle, vented', volumeMl: 250, tareG: 236, cap: 'vented', price: 2.1, seen: [] },
  { id: 'tool-jar-half', kind: 'jar', name: 'Half-litre clip jars', volumeMl: 500, count: 2, seen: [] },
  { id: 'tool-jar-one', kind: 'jar', name: 'Litre clip jars', volumeMl: 1000, count: 2, seen: [] },
  { id: 'tool-jar-big', kind: 'jar', name: 'Big clip jar', volumeMl: 1500, count: 1, seen: [] },
  { id: 'tool-cupboard', kind: 'place', name: 'Hall cupboard', seen: [] },
];

interface Styled {
  id: string;
  name: string;
  style: string;
  start: string;
  goal: Goal;
  pods: readonly [lotId: string, prep: Preparation, g: number][];
  logs?: Record<string, StationLog>;
  /** Days in the jar, and what was read in it: day, hour, pH, °C. */
  jar?: { params: Record<string, unknown>; readings: readonly [day: number, hour: number, pH: number, tempC: number][] };
  /** Tasted and put right before it is filled. */
  trimmed?: true;
}

/** A batch of a style with just these pods. */
export function styled(s: Styled, lots: readonly PodLot[]): BatchFile {
  const choices = s.pods.map(([id, prep, g]) => ({ lot: lots.find((l) => l.id === id)!, stockG: g, prep, useFirst: false }));
  const file = useMix(newBatch(s.name, s.start, s.goal, s.style), choices, Object.fromEntries(s.pods.map(([id, , g]) => [id, g])));
  const logged = mapStations(file, (e) => ({ ...e, log: s.logs?.[e.id] ?? e.log }));
  const jarred = s.jar ? withJar(logged, s.start, s.jar) : logged;
  return s.trimmed ? addStation(jarred, 'trim', { stationId: endOf(mainEnd(jarred)).id, where: 'before' }) : jarred;
}

/** The same with a jar that has stood, and was read. */
function withJar(file: BatchFile, start: string, { params, readings }: NonNullable<Styled['jar']>): BatchFile {
  return {
    ...mapStations(file, (e) => (stationKind(e.kind).lives ? { ...e, params: { ...(e.params as object), ...params } } : e)),
    readings: readings.map(([n, hour, pH, tempC], i) => ({
      ...{ id: `r${i + 1}`, stationId: 'ferment', instrument: 'meter' as const, pH, tempC },
      at: `${addDays(start, n)}T${String(hour).padStart(2, '0')}:20:00.000Z`,
    })),
  };
}

/** Other kinds of sauce of the same kitchen: one that goes into vinegar tonight, the others planned. */
export async function seedStyles(db: Db, lots: readonly PodLot[], today: string, day: (n: number) => string): Promise<void> {
  for (const tool of [...DEMO_TOOLS, demoMeter(today)]) await addOwn(db, 'tools', tool);
  const goal = (lowShu: number, highShu: number, bottles: number, bottleMl: number): Goal => ({ lowShu, highShu, bottles, bottleMl });
  const all: readonly Styled[] = [
    {
      ...{ id: 'rockpool-green', name: 'Rockpool Green', style: 'brine-ferment', start: day(-13), goal: goal(200, 3000, 2, 100) },
      pods: [['lot-green', 'whole', 140]],
      logs: { prep: { doneOn: day(-13) }, salt: { doneOn: day(-13) } },
      jar: {
        params: { days: 15, tempC: 21, lid: 'airlock' },
        readings: [
          [3, 18, 4.66, 21.2],
          [7, 19, 4.02, 20.8],
          [12, 18, 3.72, 21.0],
        ],
      },
    },
    {
      ...{ id: 'tideline-mash', name: 'Tideline Mash', style: 'mash-ferment', start: day(-24), goal: goal(800, 9000, 2, 100) },
      pods: [['lot-serrano', 'whole', 230]],
      logs: { prep: { doneOn: day(-24) }, salt: { doneOn: day(-24) } },
      jar: {
        params: { days: 60, tempC: 19, lid: 'closed' },
        readings: [
          [7, 18, 4.58, 18.8],
          [16, 18, 4.29, 19.1],
          [22, 9, 4.18, 18.6],
        ],
      },
    },
    {
      ...{ id: 'overnight-red', name: 'Overnight Red', style: 'steeped', start: today, goal: goal(600, 2600, 4, 100) },
      pods: [
        ['lot-serrano', 'whole', 210],
        ['lot-pointed', 'whole', 120],
      ],
      logs: { prep: { doneOn: today } },
      trimmed: true,
    },
    {
      ...{ id: 'lugger-sweet', name: 'Lugger Sweet', style: 'sweet-starch', start: day(4), goal: goal(150, 1500, 4, 150) },
      pods: [['lot-serrano', 'halfCored', 130]],
    },
    {
      ...{ id: 'lantern-paste', name: 'Lantern Paste', style: 'roasted-paste', start: day(12), goal: goal(100, 1800, 4, 100) },
      pods: [['lot-guajillo', 'whole', 70]],
    },
    {
      ...{ id: 'samphire-green', name: 'Samphire Green', style: 'raw-herbs', start: day(1), goal: goal(150, 2200, 3, 100) },
      pods: [['lot-green', 'whole', 240]],
    },
  ];
  for (const s of all) await addBatch(db, styled(s, lots), today, s.id);
}
