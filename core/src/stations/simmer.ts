import { Type, type Static } from '@sinclair/typebox';
import { boiling } from '../caution';
import {
  ACETIC,
  aceticKept,
  BOILS,
  ethanolKept,
  gramsPerMinute,
  heatUpMin,
  LIDS,
  potBoilsC,
  RATE_SD,
  turnedDown,
  type Boil,
  type Lid,
} from '../cook';
import { brixOf } from '../matter/brix';
import { massOf, withHeat, type Stream } from '../matter/stream';
import { bodyOf, parcel, phOf, type Parcel } from '../parcel';
import { station, StationProblem, type Minutes, type Outcome } from './station';
import { steamOf } from './steam';

const names = <T extends string>(table: Record<T, number>, title: string) =>
  Type.Union(
    (Object.keys(table) as T[]).map((n) => Type.Literal(n)),
    { title },
  );
export const UNTIL = ['minutes', 'left', 'weight', 'solids', 'body'] as const;

const schema = Type.Object(
  {
    boil: names<Boil>(BOILS, 'The fire'),
    lid: names<Lid>(LIDS, 'The lid'),
    potCm: Type.Number({ title: 'The pot, across', minimum: 10, maximum: 60, unit: 'cm' }),
    until: Type.Union(
      UNTIL.map((u) => Type.Literal(u)),
      { title: 'Until' },
    ),
    minutes: Type.Number({ title: 'Minutes from the boil', minimum: 0, maximum: 1440, unit: 'min' }),
    leftPct: Type.Number({ title: 'What stays', minimum: 5, maximum: 100, unit: '%' }),
    leftG: Type.Number({ title: 'What the pot holds at the end', minimum: 1, maximum: 100_000, unit: 'g' }),
    brix: Type.Number({ title: 'Soluble solids', minimum: 1, maximum: 85, unit: 'Bx' }),
    step: Type.Number({ title: 'Step of body, cold', minimum: 1, maximum: 7 }),
  },
  { additionalProperties: false },
);
export type SimmerParams = Static<typeof schema>;

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
  /** Share of the acetic acid that stays, %; null where there was none. */
  aceticKeptPct: number | null;
  brix: number;
  boilsC: number;
  /** Steps of body hot in the pot and cold; null in pieces. */
  bodyHot: number | null;
  bodyCold: number | null;
  /** What was asked for cannot be reached by boiling: it would be dry first, or is past it already. */
  reached: boolean;
}

/** More than this of the water never leaves a pot that is to stay a sauce (our judgement). */
const MOST_OFF = 0.97;
/** Longer than this on the boil costs some heat (handbook chapter 2, section 3.3), and kills what lives (chapter 4, section 6). */
const LONG_MIN = 10;
const HEAT_KEPT = { typical: 0.95, low: 0.8, high: 1 } as const;
/** Sd of a pot on a kitchen scale, g, and as a share of what is in it (chapter 5, section 0.3). */
const SCALE = { g: 5, share: 0.01 } as const;
/** Quantile of 90 %. */
const Z90 = 1.2816;
const HOT_C = 95;

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
  verb: 'Simmer until it is reduced',
  schema,
  lasts: true,
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
  resize: (p, f) => ({ ...p, leftG: Math.round(p.leftG * f) }),
  apply(bowl, params, { own, draw, acids, massG, log }): Outcome<SimmerFacts> {
    const { stream } = bowl;
    const waterG = stream.grams.water;
    if (!(waterG > 0)) return { out: bowl, made: [], sides: [], facts: null };
    const beganG = massOf(stream);
    const pH = phOf(stream, acids)!.pH;
    const volatility = ACETIC.volatility * Math.exp(ACETIC.sd * own.z('acetic'));
    const down = (w: number) => boiledDown(stream, w, pH, volatility);
    const pace = (luck: number) =>
      gramsPerMinute(params.boil, params.lid, params.potCm) * turnedDown(bodyOf(bowl, 0, HOT_C) ?? 1) * Math.exp(RATE_SD * luck);
    const heavier = (limit: number) => (w: number) => massOf(down(w).left) > limit;
    const scale = 1 + (Math.max(SCALE.g, SCALE.share * beganG) / beganG) * own.z('scale');
    let left: number;
    if (massG !== null) {
      const least = massOf(down((1 - MOST_OFF) * waterG).left);
      if (draw.typical && (massG > beganG * 1.02 || massG < least))
        throw new StationProblem(
          'log/massG',
          massG < least
            ? `It would be dry at ${Math.ceil(least)} g. Weigh with everything in the pot, or check what went in.`
            : `Only ${Math.round(beganG)} g went into the pot. Take the weight of the empty pot off.`,
        );
      left = waterAt(waterG, heavier(massG));
    } else if (params.until === 'minutes') left = Math.max((1 - MOST_OFF) * waterG, waterG - params.minutes * pace(own.z('rate')));
    else if (params.until === 'left') left = waterAt(waterG, heavier((params.leftPct / 100) * beganG * scale));
    else if (params.until === 'weight') left = waterAt(waterG, heavier(params.leftG * scale));
    else if (params.until === 'solids') left = waterAt(waterG, (w) => brixOf(down(w).left) < params.brix);
    else left = waterAt(waterG, (w) => (bodyOf({ ...bowl, stream: down(w).left }) ?? params.step) < params.step);

    const { left: reduced, steam } = down(left);
    // By the clock the maker says the minutes; else what went off says them, at the usual pace.
    const clock = params.until === 'minutes';
    const minutes = clock ? params.minutes : (waterG - left) / pace(own.z('rate'));
    const { typical, low, high } = HEAT_KEPT;
    const kept = minutes >= LONG_MIN ? Math.min(1, typical * Math.exp((Math.log(high / low) / 3.2897) * own.z('heat'))) : 1;
    // Cooked through counts only where even a fast pot took so long.
    const surely = clock ? params.minutes : ((waterG - left) / pace(0)) * Math.exp(-Z90 * RATE_SD);
    const done: Parcel['past']['cooked'] = surely < LONG_MIN ? 'no' : log.doneOn === undefined ? 'planned' : 'yes';
    const past = {
      ...bowl.past,
      // A measured pH does not survive what drives acid and water off.
      ...{ ph: null, jar: null, cooked: done, stoodDays: 0 },
      fresh: done === 'yes' ? new Set<never>() : bowl.past.fresh,
    };
    const out: Parcel = { stream: withHeat(reduced, kept), past };
    return {
      out,
      made: [],
      sides: massOf(steam) > 0 ? [{ id: 'steam', name: 'steam', ...parcel(steam) }] : [],
      heatLossShuG: reduced.heatShuG * (1 - kept),
      facts: draw.typical ? factsOf(bowl, out, params, minutes, pace(0) > 0) : null,
    };
  },
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

/** Minutes by hands and by the clock, for so many grams, before the pot is known: water of nine parts in ten. */
function usualMinutes(p: SimmerParams, bowlG: number): Minutes {
  const off = p.until === 'left' ? bowlG * (1 - p.leftPct / 100) : p.until === 'weight' ? Math.max(0, bowlG - p.leftG) : bowlG * 0.25;
  const boil = p.until === 'minutes' ? p.minutes : off / gramsPerMinute(p.boil, p.lid, p.potCm);
  const clock = heatUpMin(bowlG * 0.9, 0, bowlG * 0.1, p.potCm) + boil;
  return { hands: 5 + 0.1 * clock, clock: 5 + clock };
}

function factsOf(bowl: Parcel, out: Parcel, params: SimmerParams, minutes: number, boils: boolean): SimmerFacts {
  const [before, after] = [bowl.stream, out.stream];
  const g = before.grams;
  const beganG = massOf(before);
  const stopG = massOf(after);
  const clock = params.until === 'minutes';
  const brix = brixOf(after);
  const bodyCold = bodyOf(out);
  const near = (a: number, b: number, by: number) => Math.abs(a - b) <= by;
  const reached: Record<SimmerParams['until'], boolean> = {
    minutes: after.grams.water > g.water * (1 - MOST_OFF) * 1.001 || params.minutes === 0,
    left: near(stopG, (params.leftPct / 100) * beganG, 1),
    weight: near(stopG, params.leftG, 1),
    solids: near(brix, params.brix, 0.1),
    body: bodyCold !== null && near(bodyCold, params.step, 0.05),
  };
  return {
    beganG,
    stopG,
    steamG: beganG - stopG,
    heatUpMin: heatUpMin(g.water, g.fat, beganG - g.water - g.fat, params.potCm),
    minutes,
    minutesLow: clock ? minutes : minutes * Math.exp(-Z90 * RATE_SD),
    minutesHigh: clock ? minutes : minutes * Math.exp(Z90 * RATE_SD),
    aceticKeptPct: g.acetic > 0 ? (100 * after.grams.acetic) / g.acetic : null,
    brix,
    boilsC: potBoilsC(brix, after.grams.water > 0 ? (100 * after.grams.salt) / after.grams.water : 0),
    bodyHot: bodyOf(out, 0, HOT_C),
    bodyCold,
    reached: boils && reached[params.until],
  };
}
