import { Type, type Static } from '@sinclair/typebox';
import { onHob, sterilising } from '../cook/energy';
import { bottling, bottlePressure, notHeated } from '../caution';
import { boilingPointC, HEATED, sterilisingMinutes } from '../cook';
import { co2Atm, co2Volumes, MOST_ATM, PRESSURE_AT } from '../ferment';
import type { Cap, StationLog } from '../file';
import { NACL_MOLAR_MASS } from '../acid';
import { addDays, daysBetween, type Day } from '../plan/date';
import { choice } from './ask';
import { filledHot, heated, heatHeld, type Stands } from './heated';
import { densityOf, volumeMl } from '../matter/density';
import { sauceOf, type Sauce } from '../keep';
import { massOf, type Stream } from '../matter/stream';
import { splitParcel, type Past } from '../parcel';
import { station, StationProblem, type Duty, type Outcome, type StationView } from './station';

const schema = Type.Object(
  {
    fill: choice({ cold: 'filled cold', hot: 'filled hot' }, { title: 'The filling', label: 'Filling', main: true }),
    headspacePct: Type.Number({ title: 'The headspace', label: 'Headspace', minimum: 0, maximum: 30, unit: '%' }),
    altitudeM: Type.Number({ title: 'The altitude', label: 'Altitude', minimum: -400, maximum: 5000, unit: 'm' }),
  },
  { additionalProperties: false },
);
export type BottleParams = Static<typeof schema>;

export interface BottleFacts {
  bottles: number;
  wanted: number;
  possible: number;
  bottleMl: number;
  filledMl: number;
  overMl: number;
  sterilisingMin: number;
  boilsC: number;
  perBottleG: number;
  perBottleMl: number;
  /** A bottle full, with its glass and cap, on the scale; null when the empty one was not weighed. */
  onScaleG: number | null;
  cap: Cap | null;
  /** What all its sugar would press once yeast has taken it, atm above the air's; null when nothing lives in it. */
  pressure: { sugarGPerL: number; volumes: number; fridge: number; room: number; warm: number } | null;
  /** The temperature log shows it was heated through; null when none was kept. */
  held: boolean | null;
}

/** Minutes to begin, for each kg, and to heat what is filled hot. */
const FILL_MIN = 4;
const FILL_MIN_PER_KG = 26;
const HEAT_MIN = 15;
/** From the bench to 85 °C, K. */
const TO_FILL_K = 65;

/** Nothing is wished here: nothing is filled. */
const NO_GOAL = { bottles: 0, bottleMl: 100 } as const;

type View = StationView<BottleParams, BottleFacts>;

/** Somebody said who measured it that it is hot when it is filled. */
const readHot = (p: BottleParams, log: StationLog): boolean => p.fill === 'hot' && filledHot(log) === true;
/** Filled hot, as somebody said who measured it: never by the plan alone. */
const saidHot = (v: View): boolean => v.done && readHot(v.params, v.log);

/** The bottled sauce as the rules of keeping see it; null when there is none. */
const sauceIn = (v: View): Sauce | null =>
  v.facts && v.after.massG > 0 ? sauceOf(v.out.stream, v.out.past, v.after, v.params.fill === 'hot', saidHot(v)) : null;

/** What all the sugar of a sauce would press in its bottles. */
function pressureIn(stream: Stream, ml: number, headspacePct: number): NonNullable<BottleFacts['pressure']> {
  const litres = ml / 1000;
  const sugarGPerL = stream.grams.sugars / litres;
  const salt = stream.grams.salt / NACL_MOLAR_MASS / litres;
  const at = (tempC: number) => co2Atm(sugarGPerL, headspacePct / (100 - headspacePct), tempC, salt);
  return {
    ...{ sugarGPerL, volumes: co2Volumes(sugarGPerL) },
    ...{ fridge: at(PRESSURE_AT.fridge), room: at(PRESSURE_AT.room), warm: at(PRESSURE_AT.warm) },
  };
}

/** Weeks for which a live bottle is let out by the clock (our judgement; what lives slows down in the cold). */
const BURPS_DAYS = 56;
/** Days between two times, by what it may press in the fridge. */
const burpEvery = (fridge: number): number => (fridge > 2 * MOST_ATM ? 2 : fridge > MOST_ATM ? 3 : 7);

/** Heated by the filling, as somebody said who measured it: a plan to fill hot keeps as filled cold. */
const heatedPast = (past: Past, stands: Stands): { past: Past; anew: boolean } =>
  heated({ ...past, ph: null }, stands, stands.log.doneOn !== undefined && filledHot(stands.log) === true);

/** When the bottles are opened over the sink: the last time that has come, and the next. */
function burping(p: { fridge: number }, filledOn: Day, today: Day): Duty[] {
  const every = burpEvery(p.fridge);
  const gone = Math.max(0, Math.floor(daysBetween(filledOn, today) / every));
  return [gone, gone + 1]
    .filter((n) => n > 0 && n * every <= BURPS_DAYS)
    .map((n) => {
      const due = addDays(filledOn, n * every);
      return {
        key: `burp-${due}`,
        text: 'Open each bottle over the sink, and close it again',
        why: 'What lives in it makes gas.',
        due,
        standing: true,
      };
    });
}

/** Asked for so many days after it was filled, then no more (our judgement). */
const TASTE_DAYS = 4;
/** A sauce is tasted cold and a day old: what was put right hot is often put right twice (common practice, no source). */
function tasteRested(filledOn: Day, today: Day): Duty[] {
  if (daysBetween(filledOn, today) > TASTE_DAYS) return [];
  return [
    {
      key: 'taste-rested',
      text: 'Taste it, a day old and cool',
      why: 'Heat, salt and sour settle overnight; hot from the pot it tastes hotter and less salty than it is.',
      due: addDays(filledOn, 1),
      standing: true,
    },
  ];
}

/** Into clean bottles; what does not fill one stays over. */
export const bottle = station<'bottle', BottleParams, BottleFacts>({
  kind: 'bottle',
  name: 'Bottle',
  verb: 'Fill, cap, label',
  schema,
  heatLogged: (p) => p.fill === 'hot',
  weighed: null,
  defaults: () => ({ fill: 'cold', headspacePct: 5, altitudeM: 0 }),
  days: () => 0,
  // One jar is filled in minutes, ten bottles in half an hour (chapter 5, section 15, with measured small batches; common
  // practice, no source). Bottles boil beside the work; what goes in hot is heated first.
  minutes: (p, bowlG) => {
    const hands = FILL_MIN + (FILL_MIN_PER_KG * bowlG) / 1000;
    return { hands, clock: Math.max(hands, sterilisingMinutes(p.altitudeM)) + (p.fill === 'hot' ? HEAT_MIN : 2) };
  },
  energy: (p, bowl) => [sterilising(sterilisingMinutes(p.altitudeM)), ...(p.fill === 'hot' ? [onHob(bowl, 0, 25, 'pot', TO_FILL_K)] : [])],
  needsStuff: true,
  gives: { over: 'rest that filled no bottle' },
  apply(input, params, context): Outcome<BottleFacts> {
    if (!(massOf(input.stream) > 0)) return { out: input, made: [], sides: [], facts: null };
    const { log, tool, ahead } = context;
    const goal = context.goal ?? NO_GOAL;
    const volume = volumeMl(input.stream);
    const perBottleMl = goal.bottleMl * (1 - params.headspacePct / 100);
    const possible = Math.floor(volume / perBottleMl + 1e-9);
    let bottles = Math.min(goal.bottles, possible);
    if (log.bottles !== undefined) {
      if (context.draw.typical && log.bottles > possible + 1 && log.bottles > possible * 1.15) {
        throw new StationProblem(
          'log/bottles',
          `The sauce fills about ${possible} bottles of ${goal.bottleMl} ml. Check the count or the weights before it.`,
        );
      }
      bottles = log.bottles;
    }
    const filledMl = Math.min(volume, bottles * perBottleMl);
    const hot = params.fill === 'hot';
    // Heat drives acid and water off: what was measured before it does not count. Only what was done has cooked anything.
    const { past, anew } = hot ? heatedPast(input.past, { log, ahead }) : { past: input.past, anew: false };
    const { taken, left } = splitParcel({ stream: input.stream, past }, volume > 0 ? 1 - filledMl / volume : 0);
    const over = massOf(taken.stream);
    const done = { out: left, made: [], anew, sides: over > 0 ? [{ id: 'over', name: 'left over', ...taken, kept: true }] : [] };
    if (!context.draw.typical) return { ...done, facts: null };
    const perBottleG = perBottleMl * densityOf(input.stream);
    return {
      ...done,
      facts: {
        bottles,
        wanted: goal.bottles,
        possible,
        bottleMl: goal.bottleMl,
        filledMl,
        overMl: volume - filledMl,
        sterilisingMin: sterilisingMinutes(params.altitudeM),
        boilsC: boilingPointC(params.altitudeM),
        perBottleG,
        perBottleMl,
        onScaleG: tool?.tareG === undefined ? null : tool.tareG + perBottleG,
        cap: tool?.cap ?? null,
        pressure: past.ferment !== null && past.cooked === 'no' ? pressureIn(input.stream, volume, params.headspacePct) : null,
        held: hot ? heatHeld(log) : null,
      },
    };
  },
  step: ({ params: p }) =>
    `Boil the clean bottles for ${sterilisingMinutes(p.altitudeM)} minutes. ${
      p.fill === 'hot'
        ? `Hold the sauce at ${HEATED.c} °C or more for ${HEATED.min} minutes, fill it hot and cap it; read the pH of a cooled, blended sample with a calibrated meter: 4.0 or below.`
        : 'Read the pH of the blended sauce with a calibrated meter: 4.0 or below. Fill it cold, cap it, and into the fridge.'
    }`,
  duties: (v) => [
    {
      key: 'sterilise',
      text: `Boil the clean bottles for ${sterilisingMinutes(v.params.altitudeM)} minutes`,
      why: 'Counted from a full boil. Water boils cooler the higher you live.',
      due: v.to,
    },
    {
      key: 'bottle',
      text: fillText(v),
      why: v.keeping && v.phMeasured ? v.keeping.text : 'Without a measured pH it stays in the fridge.',
      due: v.to,
    },
  ],
  // What is to be thrown away is not opened.
  after: (v) =>
    v.past.ferment === 'condemned' || !v.facts
      ? []
      : [...tasteRested(v.to, v.today), ...(v.facts.pressure ? burping(v.facts.pressure, v.to, v.today) : [])],
  tool: 'bottle',
  wantsMl: (p, goal) => goal.bottles * goal.bottleMl * (1 - p.headspacePct / 100),
  bottled: (f) => ({ filled: f.bottles, possible: f.possible, filledMl: f.filledMl, overMl: f.overMl }),
  fills: sauceIn,
  readHot,
  cautions: (v) => {
    const sauce = sauceIn(v);
    if (!sauce || !v.keeping) return [];
    const cold = v.params.fill === 'hot' && v.done ? notHeated(v.log, filledHot(v.log)) : [];
    // What was found comes before what is always said.
    return [...cold, ...bottling(sauce, v.keeping), ...bottlePressure(v.facts!.pressure, v.facts!.cap)];
  },
});

function fillText(v: StationView<BottleParams, BottleFacts>): string {
  if (v.phMeasured) return 'Fill, cap, label with the date';
  return v.params.fill === 'hot'
    ? 'Heat, fill and cap; measure the pH of a cooled sample; label'
    : 'Measure the pH of the sauce, then fill, cap and label';
}
