import { Type, type Static } from '@sinclair/typebox';
import { lacticForPh, type AcidWorld } from '../acid';
import { jarAcid, jarEnd, jarPressure, jarTemperature } from '../caution';
import {
  BLOCK_H,
  blockTemps,
  driftSd,
  JAR_MEMBERS,
  jarParameters,
  judgeJar,
  LEGAL_PH,
  SOUR_DAY,
  JAR_LIDS,
  simulateJar,
  type ForecastInput,
  type JarConditions,
  type JarJudgement,
} from '../ferment';
import type { Reading, ToolLearnt } from '../file';
import { noGrams } from '../matter/component';
import { volumeMl } from '../matter/density';
import { convert, waterPhaseSaltPct, withHeat, type Stream } from '../matter/stream';
import type { JarVerdict } from '../matter/jar';
import { notFresh, parcel, phOf, type Parcel, type Past } from '../parcel';
import { daysBetween } from '../plan';
import { choice } from './ask';
import { jarDuties } from './jarDuties';
import { jarReadings, jarRisk, jarSigns, jarTemps, readingsOfJar } from './jarLog';
import { station, type JarKnown, type JarOfWorld, type Outcome } from './station';
import type { Draw } from '../stat/draw';

/** A jar stands so long at most, and a forecast looks no further, days. */
const MOST_DAYS = 365;
/** A jar that stood less than this longer or shorter stood as planned, days (our judgement). */
const WORTH_DAYS = 2;

const schema = Type.Object(
  {
    tempC: Type.Number({ title: 'The temperature', label: 'Temperature', main: true, minimum: 0, maximum: 45, unit: '°C' }),
    days: Type.Number({ title: 'The days in the jar', label: 'Days', main: true, minimum: 0.25, maximum: MOST_DAYS, unit: 'days' }),
    targetPh: Type.Number({ title: 'The pH to reach', label: 'Ready at pH', minimum: 3.2, maximum: 4.0 }),
    /** What closes it; nothing said: nobody knows. */
    lid: Type.Optional(choice(JAR_LIDS, { title: 'The lid', label: 'Lid' })),
  },
  { additionalProperties: false },
);
export type FermentParams = Static<typeof schema>;

export interface FermentFacts {
  jarPh: number;
  lacticG: number;
  gasLitres: number;
  /** pH that a meter shows on the first day. */
  startPh: number;
  waterPhaseSaltPct: number;
  /** Sugar of the jar when it was packed, mmol/l, and what is in it, l. */
  sugarMmol: number;
  litres: number;
  judged: JarJudgement;
  /** How lively it was, as far as its readings tell; only where the place it stands in is named. */
  lively: ToolLearnt | null;
}

/** Heat kept through a lactic ferment, and the log-sd of all losses on the way (chapter 2, section 3.3). */
const HEAT_KEPT = 0.97;
const PROCESS_SD = 0.2;
/** Natural pH of a jar before souring, and its sd (chapter 4, section 2.4). */
const PH0 = { median: 5.25, sd: 0.15 } as const;
/** Between the legal line and this much above it, a packed jar counts as soured already (our judgement). */
const SOUR_ALREADY = 0.25;
const HEXOSE = 180.16;
const CO2 = 44.01;
const ETHANOL = 46.07;
/** l atm / (mol K) */
const GAS_R = 0.082057;
/** Days before a jar may be called ready: chopped, and whole pods (chapter 4, section 5.1). */
const LEAST_DAYS = { cut: 7, whole: 14 } as const;
/** A jar that is ended on the day it was packed stood for so long, days. */
const LEAST_D = 0.25;
/** Days from now on that are always looked at. */
const AHEAD = 15;

/**
 * The jar model's view of a packed jar. Salt lowers the pH that a meter shows without any acid being there (chapter 3,
 * section 6.3). Counting that as souring would call jars acid too early, so the model keeps its own start (the prior, or
 * higher where the pods are) and `shownPh0` says what the meter shows then; the two meet at 4.6. A jar that is sour when it
 * is packed starts where it is. A measured start replaces all of it.
 */
export function jarConditions(input: Parcel, acids?: AcidWorld): JarConditions {
  const { stream, past } = input;
  const litres = volumeMl(stream) / 1000;
  const found = phOf(stream, acids);
  const salted = found?.pH ?? PH0.median;
  const unsalted = phOf({ ...stream, grams: { ...stream.grams, salt: 0 } }, acids, found ?? undefined)?.pH ?? PH0.median;
  const sweet = Math.max(0, Math.min(1, (salted - LEGAL_PH) / SOUR_ALREADY));
  const start = past.ph ? past.ph.value : salted + sweet * (Math.max(PH0.median, unsalted) - salted);
  const saltPct = waterPhaseSaltPct(stream);
  return {
    saltPct,
    brinePct: past.jar && !past.jar.mash ? past.jar.brinePct : saltPct,
    cut: past.jar?.cut ?? 'chopped',
    produceShare: past.jar?.produceShare ?? 1,
    sugarMmol: Math.max(1, (stream.grams.sugars / HEXOSE / litres) * 1000),
    pH0: start,
    pH0Sd: past.ph ? past.ph.sd : PH0.sd,
    shownPh0: past.ph ? start : salted,
    lactate0: 0,
    acetate0: 0,
    ...(past.ph ? { measuredStart: true } : {}),
  };
}

/** A jar in a place that other jars told of. What was measured when it was packed is known better. */
function knownBetter(c: JarConditions, place: ToolLearnt | null): JarConditions {
  if (!place) return c;
  const { log, sd, natural } = place;
  if (!natural || c.measuredStart) return { ...c, vigour: { log, sd } };
  const shown = c.shownPh0 === undefined ? {} : { shownPh0: c.shownPh0 + natural.off };
  return { ...c, vigour: { log, sd }, pH0: c.pH0 + natural.off, pH0Sd: natural.sd, placeOff: natural.off, ...shown };
}

/** What the forecast of a packed jar is asked, with what is known of the jar so far. */
export function forecastInput(input: Parcel, params: FermentParams, known: JarKnown): ForecastInput {
  const { from, to, log, seed, lively } = known;
  const readings = jarReadings(known.readings, log, from, to);
  return {
    conditions: knownBetter(jarConditions(input), lively),
    tempC: params.tempC,
    temps: jarTemps(known.readings, log, from),
    readings,
    horizonDays: Math.min(
      MOST_DAYS,
      Math.max(21, Math.ceil(params.days * 1.5), (known.now ?? 0) + AHEAD, ...readings.map((r) => Math.ceil(r.day) + 7)),
    ),
    members: JAR_MEMBERS,
    seed,
    targetPh: params.targetPh,
    leastDays: input.past.jar?.cut === 'whole' ? LEAST_DAYS.whole : LEAST_DAYS.cut,
    now: known.now,
    risk: jarRisk(known.readings, known.from, params.lid, input.past.ferment === 'acid' && input.past.cooked === 'no'),
  };
}

/** Readings of this jar speak for what was unread before; what was in doubt or condemned before stays it. */
function soured(before: JarVerdict | null, here: JarVerdict): JarVerdict {
  return before === 'condemned' || (before === 'doubtful' && here !== 'condemned') ? before : here;
}

/**
 * The past of what comes out of a jar, and whether its clock begins anew when that is opened (handbook chapter 6, sections 1
 * and 2). A pickle is raw stuff in acid, as it was; what salt alone held is raw stuff still, and was kept by its salt; and
 * what stood for less than the days in which anything sours is as raw as when it went in.
 */
function openedPast(out: Past, { verdict, because }: JarJudgement, stoodDays: number): { past: Past; anew: boolean } {
  if (verdict === 'none') return { past: out, anew: because === 'salted' };
  const past = { ...out, ferment: soured(out.ferment, verdict) };
  return stoodDays < SOUR_DAY.warm ? { past, anew: false } : { past: notFresh(past), anew: true };
}

/** Mean of the temperatures of a jar, °C. */
const meanC = (temps: Float64Array): number => temps.reduce((s, t) => s + t, 0) / temps.length;

/**
 * Turns sugar into lactic acid, gas and alcohol. Lactic acid is what the jar's pH asks for (chapter 3,
 * section 6.3). Gas and alcohol leave one hexose each by mass: 44 g of gas to 46 g of alcohol.
 */
function sour(input: Stream, pH: number, gasMmol: number, acids: AcidWorld) {
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

/** From the worst on: what of several jars is true of all of them together, once they are emptied into one bowl. */
const WORST_FIRST: readonly JarJudgement['verdict'][] = ['condemned', 'doubtful', 'none', 'unread', 'acid'];
const worstJar = (jars: readonly JarJudgement[]): JarJudgement =>
  jars.reduce((a, b) => (WORST_FIRST.indexOf(b.verdict) < WORST_FIRST.indexOf(a.verdict) ? b : a));

/** A jar of which nothing was read. */
export const anyJar = (own: Draw): JarOfWorld => ({ z: own, drift: (day) => driftSd(day) * own.z('drift') });

/** Days in the jar: sugar becomes acid. */
export const ferment = station<'ferment', FermentParams, FermentFacts>({
  kind: 'ferment',
  name: 'Ferment',
  doubt: 'how the jar sours',
  verb: 'Leave it to sour',
  schema,
  weighed: 'Jar contents, weighed',
  defaults: () => ({ tempC: 21, days: 14, targetPh: 3.8 }),
  days: (p) => p.days,
  minutes: (p) => ({ hands: 2 * Math.min(p.days, 14), clock: 24 * 60 * p.days }),
  needsStuff: true,
  lasts: true,
  lives: true,
  tool: 'place',
  teaches: (f) => f.lively,
  showed: (p, { stoodDays }) => {
    if (stoodDays === null || stoodDays < 1 || Math.abs(stoodDays - p.days) < WORTH_DAYS) return null;
    return { says: `it stood ${stoodDays} days; the plan had ${p.days}.`, params: { ...p, days: Math.min(MOST_DAYS, stoodDays) } };
  },
  apply(input, params, context): Outcome<FermentFacts> {
    const { stream, past } = input;
    if (!(stream.grams.water > 0)) return { out: input, made: [], sides: [], facts: null };
    const { own, acids, log } = context;
    // What its readings taught counts in every world: each takes another one of the jars that they leave. Once its pods are
    // out and read, that reading is what counts.
    const told = context.jar();
    const learnt = context.pH === null ? told : null;
    const conditions = learnt ? learnt.conditions : jarConditions(input, acids);
    const read = context.readings.length > 0 || log.pH !== undefined || log.doneOn !== undefined;
    const { from, to } = read ? context.days() : { from: '', to: '' };
    // A jar that was ended on another day than planned is worked out to that day.
    const stoodDays = log.doneOn === undefined ? params.days : Math.max(LEAST_D, daysBetween(from, log.doneOn));
    const blocks = Math.max(1, Math.round((stoodDays * 24) / BLOCK_H));
    const temps = blockTemps(learnt?.temps ?? [], params.tempC, blocks);
    const jar = (learnt?.jarOf ?? anyJar)(own);
    const run = simulateJar(jarParameters(conditions, jar.z), temps);
    const predicted = run.pH[blocks]! + jar.drift(stoodDays);
    const endPh = context.pH ?? predicted;
    const { change, out, gasG } = sour(stream, endPh, run.gas[blocks]!, acids);
    const gas: Stream = { grams: { ...noGrams(), carbonDioxide: gasG }, heatShuG: 0, sidEq: 0, ledger: [] };
    const still = withHeat({ ...out, grams: { ...out.grams, carbonDioxide: 0 } }, HEAT_KEPT * Math.exp(PROCESS_SD * own.z('heat')));
    const judgeOne = (readings: readonly Reading[]) =>
      judgeJar(
        read ? jarReadings(readings, log, from, to) : [],
        {
          saltPct: conditions.saltPct,
          wholeJarPct: past.jar?.wholeJarPct ?? conditions.saltPct,
          tempC: meanC(temps),
          startPh: conditions.shownPh0 ?? conditions.pH0,
          targetPh: params.targetPh,
          lacticPct: told?.lacticPct ?? (() => 0),
          endedDay: log.doneOn === undefined ? null : daysBetween(from, log.doneOn),
        },
        read ? jarSigns(readings, from) : [],
      );
    const judge = () =>
      worstJar((context.jars.length > 0 ? context.jars : [1]).map((jar) => judgeOne(readingsOfJar(context.readings, jar))));
    const judged = told ? told.judged(judge) : judge();
    const opened = openedPast({ ...past, ph: null, jar: null, cooked: 'no' }, judged, stoodDays);
    const hours = (past.jar?.hours ?? 0) + 24 * stoodDays;
    return {
      out: { stream: still, past: { ...opened.past, jar: past.jar && { ...past.jar, hours } } },
      anew: opened.anew,
      made: [],
      sides: gasG > 0 ? [{ id: 'gas', name: 'gas', ...parcel(gas) }] : [],
      change,
      heatLossShuG: out.heatShuG - still.heatShuG,
      facts: {
        jarPh: endPh,
        lacticG: out.grams.lactic,
        gasLitres: (gasG / CO2) * GAS_R * (273.15 + params.tempC),
        startPh: conditions.shownPh0 ?? conditions.pH0,
        waterPhaseSaltPct: conditions.saltPct,
        sugarMmol: conditions.sugarMmol,
        litres: volumeMl(stream) / 1000,
        judged,
        lively: own.typical && context.tool ? (told?.lively() ?? null) : null,
      },
    };
  },
  step: ({ params: p }) =>
    `Leave it to sour at ${p.tempC} °C for about ${Math.round(p.days)} days, everything under the brine; it is done at pH ${p.targetPh.toFixed(1)} or below by a calibrated meter on two days, two days apart. Above 4.6 on day 14, fuzz or rot: throw it away.`,
  duties: jarDuties,
  doubtsEnd: (v) => {
    const judged = v.facts?.judged;
    return judged ? jarEnd(daysBetween(v.from, v.today), judged, v.params.targetPh) : null;
  },
  forecast: forecastInput,
  cautions(v) {
    if (v.log.thrownOn !== undefined) return [];
    if (!v.facts || (!v.active && !v.done)) return jarTemperature(v.params.tempC);
    const day = daysBetween(v.from, v.done ? v.to : v.today);
    return [
      ...jarAcid(day, v.facts.judged, !v.done, v.params.targetPh),
      ...jarTemperature(v.params.tempC),
      ...(v.done || v.params.lid === 'airlock' ? [] : jarPressure()),
    ];
  },
});
