import { Type, type Static } from '@sinclair/typebox';
import { lacticForPh } from '../acid';
import { jarAcid, jarPressure, jarRising, jarTemperature } from '../caution';
import { BLOCK_H, DISCREPANCY_SD, jarParameters, simulateJar, type Cut, type ForecastInput, type JarConditions } from '../ferment';
import { noGrams } from '../matter/component';
import { volumeMl } from '../matter/density';
import { convert, waterPhaseSaltPct, type Stream } from '../matter/stream';
import { phOf } from '../line/props';
import { addDays, daysBetween, daysSince } from '../plan';
import type { Reading } from '../line/file';
import { station, type Facts, type Outcome, type StationView } from './station';

const schema = Type.Object(
  {
    tempC: Type.Number({ title: 'The temperature', minimum: 0, maximum: 45, unit: '°C' }),
    days: Type.Number({ title: 'The days in the jar', minimum: 0.25, maximum: 365, unit: 'days' }),
    targetPh: Type.Number({ title: 'The pH to reach', minimum: 3.2, maximum: 4.0 }),
  },
  { additionalProperties: false },
);
export type FermentParams = Static<typeof schema>;

/** Heat kept through a lactic ferment, and the log-sd of all losses on the way (chapter 2, section 3.3). */
const HEAT_KEPT = 0.97;
const PROCESS_SD = 0.2;
const METER_SD = 0.05;
const STRIP_SD = 0.4;
/** Natural pH of a jar before souring, and its sd (chapter 4, section 2.4). */
const PH0 = { median: 5.25, sd: 0.15 } as const;
const HEXOSE = 180.16;
const CO2 = 44.01;
const ETHANOL = 46.07;
/** l atm / (mol K) */
const GAS_R = 0.082057;
/** Days before a jar may be called ready: chopped, and whole pods (chapter 4, section 5.1). */
const LEAST_DAYS = { cut: 7, whole: 14 } as const;

/** The jar model's view of a packed jar. */
export function jarConditions(input: Stream, known: Facts): JarConditions {
  const litres = volumeMl(input) / 1000;
  // Salt lowers the activity pH of a fresh jar without any acid being there (chapter 3, section 6.3). Counting that as
  // souring would call jars acid too early, so the jar starts at the prior, or higher where the pods themselves are.
  const unsalted: Stream = { ...input, grams: { ...input.grams, salt: 0 } };
  const prior = Math.max(PH0.median, phOf(unsalted)?.pH ?? PH0.median);
  // A measured start replaces the prior and narrows it to the instrument.
  const measured = typeof known.measuredPh === 'number' ? known.measuredPh : null;
  const pH0 = measured ?? prior;
  const pH0Sd = measured === null ? PH0.sd : known.phInstrument === 'meter' ? METER_SD : STRIP_SD;
  return {
    saltPct: waterPhaseSaltPct(input),
    brinePct: known.mash === true ? waterPhaseSaltPct(input) : Number(known.brinePct ?? waterPhaseSaltPct(input)),
    cut: (known.cut as Cut | undefined) ?? 'chopped',
    produceShare: Number(known.produceShare ?? 1),
    sugarMmol: Math.max(1, (input.grams.sugars / HEXOSE / litres) * 1000),
    pH0,
    pH0Sd,
    lactate0: 0,
    acetate0: 0,
  };
}

/** What the forecast of a packed jar is asked. */
export function forecastInput(input: Stream, params: FermentParams, known: Facts, members: number, seed: number): ForecastInput {
  return {
    conditions: jarConditions(input, known),
    tempC: params.tempC,
    horizonDays: Math.min(365, Math.max(21, Math.ceil(params.days * 1.5))),
    members,
    seed,
    targetPh: params.targetPh,
    leastDays: known.cut === 'whole' ? LEAST_DAYS.whole : LEAST_DAYS.cut,
  };
}

/**
 * Turns sugar into lactic acid, gas and alcohol. Lactic acid is what the jar's pH asks for (chapter 3,
 * section 6.3). Gas and alcohol leave one hexose each by mass: 44 g of gas to 46 g of alcohol.
 */
function sour(input: Stream, pH: number, gasMmol: number, acids: Parameters<typeof lacticForPh>[2]) {
  const g = input.grams;
  let lactic = Math.max(0, lacticForPh(input, pH, acids) - g.lactic);
  // Bound carbohydrate stands in once the table's free sugar is used up.
  const fuel = g.sugars + g.other;
  lactic = Math.min(lactic, fuel);
  const perGas = CO2 + ETHANOL;
  const gasMol = Math.min((gasMmol / 1000) * (volumeMl(input) / 1000), Math.max(0, g.sugars - lactic) / perGas);
  const used = lactic + gasMol * perGas;
  const fromSugar = Math.min(g.sugars, used);
  const change = {
    sugars: -fromSugar,
    other: -(used - fromSugar),
    lactic,
    carbonDioxide: gasMol * CO2,
    ethanol: gasMol * ETHANOL,
  };
  return { change, out: convert(input, change), gasG: gasMol * CO2 };
}

/** Days from the first reading's day on, latest pH reading, and the largest rise between two of them. */
function phReadings(readings: readonly Reading[], log: { pH?: number | undefined }) {
  const list = readings
    .filter((r): r is Reading & { pH: number } => r.pH !== undefined)
    .sort((a, b) => a.at.localeCompare(b.at))
    .map((r) => r.pH);
  if (log.pH !== undefined) list.push(log.pH);
  let rise = 0;
  let low = Infinity;
  for (const pH of list) {
    low = Math.min(low, pH);
    rise = Math.max(rise, pH - low);
  }
  return { latest: list.at(-1) ?? null, rise };
}

function duties(v: StationView<FermentParams>) {
  const since = v.readings.filter((r) => r.pH !== undefined).map((r) => daysSince(v.from, r.at));
  const last = since.length > 0 ? Math.max(...since) : 0;
  const nextReading = addDays(v.from, Math.max(3, Math.floor(last) + 3));
  const day = daysBetween(v.from, v.today);
  const push = {
    key: `push-${day}`,
    text: 'Push everything under the brine',
    why: 'Floating pieces mould first.',
    due: v.today,
  };
  const burp = {
    key: `burp-${day}`,
    text: 'Let the gas out, or look at the airlock',
    why: 'The first week makes most of the gas.',
    due: v.today,
  };
  const read = {
    key: `read-${since.length}`,
    text: `Read pH and temperature${since.length === 0 ? ' for the first time' : ' again'}`,
    why: since.length < 2 ? 'Two readings two days apart say whether it works.' : 'One more reading makes the window surer.',
    due: nextReading,
  };
  const look = {
    key: `look-${day}`,
    text: 'Look and smell',
    why: 'Cloudy is normal. Fuzz or a rotten smell means: throw all of it away.',
    due: v.today,
  };
  const end = {
    key: 'ferment-end',
    text: `Measure twice, two days apart; drain at pH ${v.params.targetPh.toFixed(1)} or below`,
    why: 'Done means measured, settled and good to smell, not just the date.',
    due: v.to,
  };
  return v.active ? [push, ...(day <= 10 ? [burp] : []), read, look, end] : [end];
}

/** Days in the jar: sugar becomes acid. */
export const ferment = station<FermentParams>({
  kind: 'ferment',
  name: 'Ferment',
  verb: 'Leave it to sour',
  schema,
  defaults: () => ({ tempC: 21, days: 14, targetPh: 3.8 }),
  days: (p) => p.days,
  ownPh: true,
  apply(input, params, context): Outcome {
    if (!(input.grams.water > 0)) return { out: input, additions: [], sides: [], facts: {} };
    const conditions = jarConditions(input, context.known);
    const blocks = Math.max(1, Math.round((params.days * 24) / BLOCK_H));
    const run = simulateJar(jarParameters(conditions, context.draw), new Float64Array(blocks).fill(params.tempC));
    const predicted = run.pH[blocks]! + DISCREPANCY_SD * context.draw.z('ferment.discrepancy');
    const { log, draw } = context;
    const sd = log.instrument === 'strip' ? STRIP_SD : METER_SD;
    const endPh = log.pH === undefined ? predicted : log.pH + sd * draw.z('ferment.reading');
    const { change, out, gasG } = sour(input, endPh, run.gas[blocks]!, context.acids);
    const gas: Stream = {
      grams: { ...noGrams(), carbonDioxide: gasG },
      heatShuG: 0,
      sidEq: 0,
      ledger: [],
    };
    const heatShuG = out.heatShuG * HEAT_KEPT * Math.exp(PROCESS_SD * draw.z('process.heat'));
    const still: Stream = { ...out, grams: { ...out.grams, carbonDioxide: 0 }, heatShuG };
    return {
      out: still,
      additions: [],
      sides: gasG > 0 ? [{ id: 'gas', name: 'gas', stream: gas }] : [],
      change,
      heatLossShuG: out.heatShuG - heatShuG,
      facts: {
        fermented: true,
        jarPh: endPh,
        lacticG: out.grams.lactic,
        gasLitres: (gasG / CO2) * GAS_R * (273.15 + params.tempC),
        pH0: conditions.pH0,
        waterPhaseSaltPct: conditions.saltPct,
      },
    };
  },
  duties,
  forecast: forecastInput,
  cautions(v) {
    if (!v.active && !v.done) return jarTemperature(v.params.tempC);
    const { latest, rise } = phReadings(v.readings, v.log);
    // A jar that was opened early is judged as one of a week: unread or above 4.6 must be said, whatever comes after.
    const day = v.done ? Math.max(7, daysBetween(v.from, v.to)) : daysBetween(v.from, v.today);
    return [
      ...jarAcid(day, latest, v.after.waterPhaseSaltPct),
      ...jarRising(rise),
      ...jarTemperature(v.params.tempC),
      ...(v.done ? [] : jarPressure()),
    ];
  },
});
