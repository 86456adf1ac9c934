import type { Static } from '@sinclair/typebox';
import { onHob } from '../cook/energy';
import { Z_90 } from '../stat/normal';
import { boiling } from '../caution';
import {
  ACETIC,
  aceticKept,
  ethanolKept,
  gramsPerMinute,
  heatUpMin,
  paceOf,
  potBoilsC,
  potC,
  RATE_SD,
  SCALE,
  SOFT_SD,
  softMinutes,
  turnedDown,
  type Pace,
  type Weighing,
} from '../cook';
import { brixOf } from '../matter/brix';
import { massOf, withHeat, type Stream } from '../matter/stream';
import { bodyOf, parcel, phOf, steamedOff, type Parcel } from '../parcel';
import { heated } from './heated';
import { simmerSchema } from './simmerAsk';
import { sayMin, station, StationProblem, type Minutes, type Outcome } from './station';
import { steamOf } from './steam';

export type SimmerParams = Static<typeof simmerSchema>;

export interface SimmerFacts {
  beganG: number;
  /** Where the pot stops, g without the pot. */
  stopG: number;
  steamG: number;
  heatUpMin: number;
  /** Minutes from the boil, and 10 to 90 % of pots. */
  minutes: number;
  minutesLow: number;
  minutesHigh: number;
  /** Minutes of the last weighing; null when the pot was not weighed yet. */
  weighedMin: number | null;
  /** What goes off, and what is known of the pace against fire and width. */
  gramsPerMin: number;
  pace: Pace;
  /** What its weighings alone show of the pot; null without any. */
  seen: Pace | null;
  /** Share of the acetic acid that stays, %; null where there was none. */
  aceticKeptPct: number | null;
  brix: number;
  boilsC: number;
  /** Minutes from the boil until the pieces are soft; null when nobody asked. */
  softMin: number | null;
  /** Steps of body hot in the pot and cold; null in pieces. */
  bodyHot: number | null;
  bodyCold: number | null;
  /** What was asked for cannot be reached by boiling: it would be dry first, or is past it already. */
  reached: boolean;
}

/** A pot of so many cm for a kilogram, half full: wider ones as the cube root (common practice, no source); those there are. */
const POT = { cmPerKg: 20, least: 14, most: 36 } as const;
const potFor = (inG: number): number => Math.min(POT.most, Math.max(POT.least, 2 * Math.round((POT.cmPerKg * Math.cbrt(inG / 1000)) / 2)));
/** Minutes for what needs no boiling down. */
const BOILED_UP_MIN = 3;

/** More than this of the water never leaves a pot that is to stay a sauce (our judgement). */
const MOST_OFF = 0.97;
/** Longer than this on the boil costs some heat (handbook chapter 2, section 3.3), and kills what lives (chapter 4, section 6). */
const LONG_MIN = 10;
const HEAT_KEPT = { typical: 0.95, low: 0.8, high: 1 } as const;
/** Cooked is this hot throughout, °C (handbook chapter 5, section 17). */
const COOKED_C = 82;
const HOT_C = 95;
/** Weighings alone. */
const NOTHING_KNOWN: Pace = { log: 0, sd: 3 };

/** The pot with `waterG` left of its water: what stays, and what went off. */
function boiledDown(stream: Stream, waterG: number, pH: number, volatility: number): { left: Stream; steam: Stream } {
  const g = stream.grams;
  const share = g.water > 0 ? waterG / g.water : 1;
  const acetic = g.acetic * aceticKept(share, pH, volatility);
  const ethanol = g.ethanol * ethanolKept(share);
  // Only what is undissociated leaves, so that the strong ions stay in the pot.
  const steam = steamOf(g.water - waterG, g.acetic - acetic, g.ethanol - ethanol);
  return { left: { ...stream, grams: { ...g, water: waterG, acetic, ethanol } }, steam };
}

/** Grams of water between none gone and most gone at which `tooWet` turns false. */
function waterAt(mostG: number, tooWet: (waterG: number) => boolean): number {
  let [low, high] = [(1 - MOST_OFF) * mostG, mostG];
  if (!tooWet(high)) return high;
  if (tooWet(low)) return low;
  for (let i = 0; i < 48; i++) {
    const mid = (low + high) / 2;
    if (tooWet(mid)) high = mid;
    else low = mid;
  }
  return (low + high) / 2;
}

/** Boils off the water of a pot: by the clock, or until it weighs, tastes or pours as it should. */
export const simmer = station<'simmer', SimmerParams, SimmerFacts>({
  kind: 'simmer',
  name: 'Simmer',
  doubt: 'how fast the pot boils down',
  verb: 'Simmer until it is reduced',
  byScale: true,
  schema: simmerSchema,
  heatLogged: () => true,
  weighed: 'Weighed, less the pot',
  lasts: true,
  tool: 'pot',
  gathers: true,
  tasted: true,
  teaches: (f) => f.seen,
  toolLike: (p) => ({ acrossCm: p.potCm }),
  byTool: (t) => (t.acrossCm === undefined ? {} : { potCm: t.acrossCm }),
  defaults: () => ({
    boil: 'gentle',
    lid: 'off',
    potCm: 24,
    until: 'minutes',
    minutes: 15,
    leftPct: 75,
    leftG: 500,
    brix: 30,
    step: 4,
  }),
  days: () => 0,
  minutes: (p, bowlG) => usualMinutes(p, bowlG),
  energy: (p, bowl, f) => [onHob(bowl, f.steamG, f.heatUpMin + f.minutes, 'pot')],
  resize: (p, f) => ({ ...p, leftG: Math.round(p.leftG * f) }),
  fits: (p, inG) => ({ ...p, potCm: potFor(inG) }),
  // Boiled up is what is left to do for what is thick or sweet enough as it goes in.
  pastStop: (p, f) => (f.reached || f.steamG > 1 ? null : { ...p, until: 'minutes', minutes: BOILED_UP_MIN }),
  apply(bowl, params, { own, draw, acids, massG, log, ahead, tool }): Outcome<SimmerFacts> {
    const { stream } = bowl;
    const waterG = stream.grams.water;
    if (!(waterG > 0)) return { out: bowl, made: [], sides: [], facts: null };
    const beganG = massOf(stream);
    const pH = phOf(stream, acids)!.pH;
    const volatility = ACETIC.volatility * Math.exp(ACETIC.sd * own.z('acetic'));
    const down = (w: number) => boiledDown(stream, w, pH, volatility);
    const heavier = (limit: number) => (w: number) => massOf(down(w).left) > limit;
    const least = massOf(down((1 - MOST_OFF) * waterG).left);
    const scale = 1 + (Math.max(SCALE.g, SCALE.share * beganG) / beganG) * own.z('scale');
    const usual = gramsPerMinute(params.boil, params.lid, tool?.acrossCm ?? params.potCm) * turnedDown(bodyOf(bowl, 0, HOT_C) ?? 1);
    const weighings = [...(log.pot ?? [])].sort((a, b) => a.min - b.min);
    if (draw.typical) refuseWeighings(weighings, log.pot ?? [], beganG, least);
    const known = paceOf(tool?.learnt ?? { log: 0, sd: RATE_SD }, beganG, usual, weighings);
    const seen = weighings.length > 0 ? paceOf(NOTHING_KNOWN, beganG, usual, weighings) : null;
    const pace = (luck: number) => usual * Math.exp(known.log + known.sd * luck);
    const last = weighings.at(-1);
    /** Water at the last weighing, and when that was. */
    const at = last ? { min: last.min, waterG: waterAt(waterG, heavier(last.massG)) } : { min: 0, waterG };
    const tempC = potC(params.boil === 'bare', params.altitudeM);
    const soft = params.until === 'soft' ? softOf(params, pH, tempC) * Math.exp(SOFT_SD * own.z('soft')) : null;
    const clockMin = params.until === 'minutes' ? params.minutes : soft;
    let left: number;
    if (massG !== null) {
      if (draw.typical && (massG > beganG * 1.02 || massG < least)) refuseWeight(massG, beganG, least, 'log/massG');
      left = waterAt(waterG, heavier(massG));
    } else if (clockMin !== null)
      left = Math.max((1 - MOST_OFF) * waterG, at.waterG - Math.max(0, clockMin - at.min) * pace(own.z('rate')));
    else left = Math.min(at.waterG, waterAt(waterG, wetterThan(bowl, params, beganG, scale, down)));
    const { left: reduced, steam } = down(left);
    // By the clock the maker says the minutes; else what goes off says them, at the pot's pace.
    const minutes = clockMin ?? at.min + (at.waterG - left) / pace(own.z('rate'));
    const { typical, low, high } = HEAT_KEPT;
    const kept = minutes >= LONG_MIN ? Math.min(1, typical * Math.exp((Math.log(high / low) / 3.2897) * own.z('heat'))) : 1;
    // Cooked through counts only where even a fast pot took so long.
    // Even a fast pot, whatever the kitchen's own is said to be: a tool that was taught wrongly cooks nothing.
    const fast = Math.max(usual * Math.exp(Z_90 * RATE_SD), pace(0) * Math.exp(Z_90 * known.sd));
    const boiled = soft === null ? at.min + Math.max(0, at.waterG - left) / fast : soft * Math.exp(-Z_90 * SOFT_SD);
    const surely = tempC < COOKED_C ? 0 : params.until === 'minutes' ? params.minutes : boiled;
    // A measured pH does not survive what drives acid and water off.
    const { past, anew } = heated({ ...steamedOff(bowl.past, steam.grams.water), ph: null, jar: null }, { log, ahead }, surely >= LONG_MIN);
    const out: Parcel = { stream: withHeat(reduced, kept), past };
    return {
      out,
      made: [],
      sides: massOf(steam) > 0 ? [{ id: 'steam', name: 'steam', ...parcel(steam) }] : [],
      heatLossShuG: reduced.heatShuG * (1 - kept),
      anew,
      facts: draw.typical ? factsOf(bowl, out, params, { minutes, pace: pace(0), known, seen, at, soft }) : null,
    };
  },
  step: ({ params: p, facts: f }) =>
    `${{ bare: 'Keep just below the boil', gentle: 'Simmer gently', steady: 'Boil steadily', rolling: 'Boil hard' }[p.boil]}, ${{ off: 'without a lid', ajar: 'the lid ajar', on: 'the lid on' }[p.lid]}${f ? `, about ${sayMin(f.minutes)} from the boil, down to about ${Math.round(f.stopG)} g` : ''}.`,
  duties: (v) => [
    {
      key: 'simmer',
      text: v.facts ? `Simmer to ${Math.round(v.facts.stopG)} g; weigh the pot, less the empty pot` : 'Simmer, and weigh the pot',
      why: 'The weight is the target. The minutes are a forecast.',
      due: v.to,
    },
  ],
  cautions: (v) =>
    boiling({ hot: v.after.heatShu > 0, brix: v.facts?.brix ?? 0, body: v.facts?.bodyHot ?? null, acetic: v.after.aceticPct }),
});

/** Before the pot is known it is taken for a sour one. */
const SOUR_PH = 3.5;
/** Minutes by hands and by the clock, for so many grams, before the pot is known: water of nine parts in ten. */
function usualMinutes(p: SimmerParams, bowlG: number): Minutes {
  const off = p.until === 'left' ? bowlG * (1 - p.leftPct / 100) : p.until === 'weight' ? Math.max(0, bowlG - p.leftG) : bowlG * 0.25;
  const said = p.until === 'minutes' ? p.minutes : p.until === 'soft' ? softOf(p, SOUR_PH, potC(p.boil === 'bare', p.altitudeM)) : null;
  const boil = said ?? off / gramsPerMinute(p.boil, p.lid, p.potCm);
  const clock = heatUpMin(bowlG * 0.9, 0, bowlG * 0.1, p.potCm) + boil;
  return { hands: 5 + 0.1 * clock, clock: 5 + clock };
}

/** Until when it boils, where not by the clock: true while there is too much water left. */
function wetterThan(bowl: Parcel, p: SimmerParams, beganG: number, scale: number, down: (w: number) => { left: Stream }) {
  const heavier = (limit: number) => (w: number) => massOf(down(w).left) > limit;
  const asked: Record<Exclude<SimmerParams['until'], 'minutes' | 'soft'>, (w: number) => boolean> = {
    left: heavier((p.leftPct / 100) * beganG * scale),
    weight: heavier(p.leftG * scale),
    solids: (w) => brixOf(down(w).left) < p.brix,
    temperature: (w) => boilsAt(down(w).left, p.altitudeM) < (p.stopC ?? USUAL_STOP_C),
    body: (w) => (bodyOf({ ...bowl, stream: down(w).left }) ?? p.step) < p.step,
  };
  return asked[p.until as keyof typeof asked];
}

/** °C at which a stream boils. */
const boilsAt = (s: Stream, altitudeM = 0): number =>
  potBoilsC(brixOf(s), s.grams.water > 0 ? (100 * s.grams.salt) / s.grams.water : 0, altitudeM);
/** A syrup that pours (handbook chapter 5, section 8). */
const USUAL_STOP_C = 104.5;
const USUAL_PIECE = { what: 'carrot', shape: 'slice', mm: 8 } as const;
const softOf = ({ soft = USUAL_PIECE }: SimmerParams, pH: number, tempC: number) => softMinutes(soft.what, soft.shape, soft.mm, pH, tempC);

function refuseWeight(massG: number, beganG: number, least: number, field: string): never {
  throw new StationProblem(
    field,
    massG < least
      ? `It would be dry at ${Math.ceil(least)} g. Weigh with everything in the pot, or check what went in.`
      : `Only ${Math.round(beganG)} g went into the pot. Take the weight of the empty pot off.`,
  );
}
/** A pot that grows heavier while it boils, or holds more than went in, was weighed wrongly. */
function refuseWeighings(inOrder: readonly Weighing[], asLogged: readonly Weighing[], beganG: number, least: number): void {
  let before = beganG;
  for (const w of inOrder) {
    const field = `log/pot/${asLogged.indexOf(w)}/massG`;
    if (w.massG > beganG * 1.02 || w.massG < least) refuseWeight(w.massG, beganG, least, field);
    if (w.massG > before * 1.02)
      throw new StationProblem(field, `It weighed ${Math.round(before)} g before that and cannot grow. Check the weight, or the minutes.`);
    before = w.massG;
  }
}

interface PotState {
  minutes: number;
  /** g a minute, and what is known of it. */
  pace: number;
  known: Pace;
  seen: Pace | null;
  at: { min: number; waterG: number };
  soft: number | null;
}
function factsOf(bowl: Parcel, out: Parcel, params: SimmerParams, pot: PotState): SimmerFacts {
  const [before, after] = [bowl.stream, out.stream];
  const g = before.grams;
  const beganG = massOf(before);
  const stopG = massOf(after);
  const clock = params.until === 'minutes';
  const brix = brixOf(after);
  const bodyCold = bodyOf(out);
  const near = (a: number, b: number, by: number) => Math.abs(a - b) <= by;
  const wet = after.grams.water > g.water * (1 - MOST_OFF) * 1.001;
  const boilsC = boilsAt(after, params.altitudeM);
  const reached: Record<SimmerParams['until'], boolean> = {
    minutes: wet || params.minutes === 0,
    soft: wet,
    left: near(stopG, (params.leftPct / 100) * beganG, 1),
    weight: near(stopG, params.leftG, 1),
    solids: near(brix, params.brix, 0.1),
    temperature: near(boilsC, params.stopC ?? USUAL_STOP_C, 0.1),
    body: bodyCold !== null && near(bodyCold, params.step, 0.05),
  };
  const spread = Math.exp(Z_90 * (pot.soft === null ? pot.known.sd : SOFT_SD));
  const togo = Math.max(0, pot.minutes - pot.at.min);
  return {
    beganG,
    stopG,
    steamG: beganG - stopG,
    heatUpMin: heatUpMin(g.water, g.fat, beganG - g.water - g.fat, params.potCm),
    minutes: pot.minutes,
    minutesLow: clock ? pot.minutes : pot.at.min + togo / spread,
    minutesHigh: clock ? pot.minutes : pot.at.min + togo * spread,
    weighedMin: pot.at.min > 0 ? pot.at.min : null,
    gramsPerMin: pot.pace,
    pace: pot.known,
    seen: pot.seen,
    aceticKeptPct: g.acetic > 0 ? (100 * after.grams.acetic) / g.acetic : null,
    brix,
    boilsC,
    softMin: pot.soft,
    bodyHot: bodyOf(out, 0, HOT_C),
    bodyCold,
    reached: pot.pace > 0 && reached[params.until],
  };
}
