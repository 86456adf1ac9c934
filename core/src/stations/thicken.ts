import { Type, type Static } from '@sinclair/typebox';
import { onHob } from '../cook/energy';
import { thickening } from '../caution';
import { SLURRY_WATER, starchKept } from '../cook';
import { KINDS, WATER_KEY } from '../matter/kind';
import { convert, massOf } from '../matter/stream';
import { bodyOf, join, parcel, phOf, watered, type Parcel } from '../parcel';
import { ingredientStream } from '../pantry';
import { bodyStep, choice } from './ask';
import { curve, type Curve } from './curve';
import { heated } from './heated';
import { sayMin, station, type Flow, type Outcome } from './station';

/** What thickens: rows of the table that do, the most that makes sense (% of the water), and whether it is stirred into cold water first. */
export const THICKENERS = [...KINDS].flatMap(([row, { thickens }]) => (thickens ? [{ row, ...thickens }] : []));
export type Thickener = (typeof THICKENERS)[number];
/** The thickener of a choice; one that a file names and the table has not is the first. */
const thickenerOf = (as: string): Thickener => THICKENERS.find((t) => t.as === as) ?? THICKENERS[0]!;
const WITH_NAMES = Object.fromEntries(THICKENERS.map((t) => [t.as, t.name])) as Record<Thickener['as'], string>;

const schema = Type.Object(
  {
    with: choice(WITH_NAMES, { title: 'What thickens', label: 'With', main: true }),
    until: choice(
      { dose: 'so much for 100 g of its water', body: 'until its body is' },
      { title: 'How much', label: 'How much', main: true },
    ),
    dosePct: Type.Number({
      ...{ title: 'For 100 g of its water', label: 'For 100 g of water', main: true, when: { until: ['dose'] } },
      ...{ minimum: 0, maximum: 8, unit: 'g' },
    }),
    step: bodyStep({ title: 'Step of body, cold', label: 'When cold it is', main: true, when: { until: ['body'] } }),
    minutes: Type.Number({
      ...{ title: 'Minutes on the boil', label: 'On the boil', when: { with: THICKENERS.filter((t) => t.slurry).map((t) => t.as) } },
      ...{ minimum: 0, maximum: 60, unit: 'min' },
    }),
  },
  { additionalProperties: false },
);
export type ThickenParams = Static<typeof schema>;

export interface ThickenFacts {
  doseG: number;
  slurryG: number;
  /** Of the starch still thickens after the boil, %; 100 for gum. */
  keptPct: number;
  bodyHot: number | null;
  bodyCold: number | null;
  /** The body that was asked for is met. */
  reached: boolean;
  /** g of the thickener for 100 g of water that it took; step of body, cold, against that dose. */
  dosePct: number;
  curve: Curve;
}

const BOIL_C = 98;
const HOT_C = 95;
/** Starch that boils for so long has boiled all through (handbook chapter 6, section 4). */
const BOILS_MIN = 1;
/** Log-sd of how much starch acid cuts (our judgement). */
const CUT_SD = 0.5;

/** Starch in cold water whisked into the boil, or gum blended in cold. */
export const thicken = station<'thicken', ThickenParams, ThickenFacts>({
  kind: 'thicken',
  name: 'Thicken',
  doubt: 'how well the starch holds',
  verb: 'Thicken with starch or gum',
  schema,
  heatLogged: () => true,
  weighed: 'Weighed',
  needsStuff: true,
  lasts: true,
  tasted: true,
  puts: [WATER_KEY, ...THICKENERS.map((t) => t.row)],
  withoutOwn: (p) => ({ ...p, until: 'dose', dosePct: 0 }),
  defaults: () => ({ with: THICKENERS[0]!.as, until: 'dose', dosePct: 2, step: 4, minutes: 2 }),
  days: () => 0,
  minutes: (p) => ({ hands: 5 + p.minutes, clock: 5 + p.minutes }),
  // Gum goes in cold, by the blender.
  energy: (p, bowl) => (!thickenerOf(p.with).slurry ? [] : [onHob(bowl, 0, 5 + p.minutes, 'pot')]),
  apply(bowl, params, { own, draw, acids, ingredient, log, ahead }): Outcome<ThickenFacts> {
    const waterG = bowl.stream.grams.water;
    if (!(waterG > 0)) return { out: bowl, made: [], sides: [], facts: null };
    const { row, name, mostPct, slurry } = thickenerOf(params.with);
    const pH = phOf(bowl.stream, acids)!.pH;
    const kept = slurry ? starchKept(pH, BOIL_C, params.minutes) ** Math.exp(CUT_SD * own.z('cut')) : 1;
    const flows = (doseG: number): Flow[] => {
      const powder = { id: row, key: row, name, ...parcel(ingredientStream(ingredient(row), doseG, draw)) };
      const wet = parcel(ingredientStream(ingredient(WATER_KEY), doseG * SLURRY_WATER, draw), watered(doseG * SLURRY_WATER));
      return slurry ? [powder, { id: 'slurry', key: WATER_KEY, name: 'water', ...wet }] : [powder];
    };
    /** The pot with so much in it, as it is after the boil. */
    const thick = (doseG: number): { out: Parcel; made: Flow[]; cutG: number } => {
      if (!(doseG > 0)) return { out: bowl, made: [], cutG: 0 };
      const made = flows(doseG);
      const all = join(bowl, ...made);
      const cutG = all.stream.grams.starch * (1 - kept);
      const stream = cutG > 0 ? convert(all.stream, { starch: -cutG, other: cutG }) : all.stream;
      // Stirred in, it has the body of what it went into.
      return { out: { stream, past: { ...all.past, blended: bowl.past.blended, texture: bowl.past.texture } }, made, cutG };
    };
    const most = (mostPct / 100) * waterG;
    const wanted =
      params.until === 'dose' ? Math.min(most, (params.dosePct / 100) * waterG) : doseFor(params.step, most, (g) => bodyOf(thick(g).out));
    const { out, made, cutG } = thick(wanted);
    const boiled = heated({ ...out.past, ph: null, jar: null }, { log, ahead }, slurry && params.minutes >= BOILS_MIN);
    const done = { stream: out.stream, past: boiled.past };
    const bodyCold = bodyOf(done);
    return {
      out: done,
      anew: boiled.anew,
      made,
      sides: [],
      ...(cutG > 0 ? { change: { starch: -cutG, other: cutG } } : {}),
      facts: {
        doseG: wanted,
        dosePct: (100 * wanted) / waterG,
        curve: draw.typical && bodyOf(bowl) !== null ? curve(0, mostPct, (pct) => bodyOf(thick((pct / 100) * waterG).out)!) : [],
        slurryG: made.reduce((s, f) => s + massOf(f.stream), 0),
        keptPct: 100 * kept,
        bodyHot: bodyOf(done, 0, HOT_C),
        bodyCold,
        reached: params.until === 'dose' || (bodyCold !== null && Math.abs(bodyCold - params.step) < 0.05),
      },
    };
  },
  step: ({ params: p, facts: f }) =>
    thickenerOf(p.with).slurry
      ? `Stir ${f ? `${Math.round(f.doseG)} g of ` : ''}${thickenerOf(p.with).name} into cold water, whisk it into the boil, and boil ${sayMin(p.minutes)}.`
      : `Sprinkle ${f ? `${Math.round(f.doseG * 10) / 10} g of ` : ''}${thickenerOf(p.with).name} into the running blender, cold.`,
  duties: (v) => [
    {
      key: 'thicken',
      text: !thickenerOf(v.params.with).slurry
        ? 'Sprinkle the gum into the running blender, cold; look again after half an hour'
        : 'Stir the starch into cold water, whisk it into the boil, boil a minute or two, stop',
      why: 'Starch must boil to set, and acid cuts it when it boils on. Judge it cold.',
      due: v.to,
    },
  ],
  cautions: (v) => thickening(thickenerOf(v.params.with).slurry),
});

/** Least dose (g) with which the body is `step`; none when it is that thick already, the most when even that is too thin. */
function doseFor(step: number, mostG: number, body: (g: number) => number | null): number {
  const at = (g: number) => body(g) ?? step;
  if (at(0) >= step) return 0;
  if (at(mostG) < step) return mostG;
  // Regula falsi with the Illinois rule: a body is a smooth rising function of the dose, and each look at it costs.
  let [a, b, fa, fb] = [0, mostG, at(0) - step, at(mostG) - step];
  let side = 0;
  for (let i = 0; i < 40 && b - a > 1e-9 * mostG; i++) {
    const c = (a * fb - b * fa) / (fb - fa);
    const fc = at(c) - step;
    if (Math.abs(fc) < EXACT) return c;
    if (fc < 0) {
      [a, fa] = [c, fc];
      if (side === -1) fb /= 2;
      side = -1;
    } else {
      [b, fb] = [c, fc];
      if (side === 1) fa /= 2;
      side = 1;
    }
  }
  return (a + b) / 2;
}
/** Steps of body that nobody can tell apart. */
const EXACT = 1e-4;
