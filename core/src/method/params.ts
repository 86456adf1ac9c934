import { kindOf } from '../matter/kind';
import { MOST_REST_H, type KindName, type ParamsOf } from '../stations';
import type { RecipeThing, Step } from './recipe';
import { CHILLED, FRIDGE } from './vessels';

/** Whether a bottling is said to be hot. */
export const fillsHot = (s: Step): boolean => s.warm !== true && /\b(?:hot|boiling)\b/i.test(s.text);

type Params = { [K in KindName]?: (s: Step, things: readonly RecipeThing[]) => Partial<ParamsOf<K>> };

const says = (s: Step, re: RegExp): boolean => re.test(s.text);
const minutes = (s: Step, low: number, high: number): { minutes?: number } =>
  s.minutes === null ? {} : { minutes: Math.min(high, Math.max(low, Math.round(s.minutes * 10) / 10)) };
const clamp = (x: number, low: number, high: number) => Math.min(high, Math.max(low, x));
const round1 = (x: number) => Math.round(x * 10) / 10;

/** g of a family at a step. */
export const gramsAt = (s: Step, things: readonly RecipeThing[], fits: (t: RecipeThing) => boolean): number =>
  s.puts.reduce((sum, p) => sum + (fits(things[p.thing]!) ? (things[p.thing]!.g ?? 0) * p.share : 0), 0);
const isWater = (t: RecipeThing) => t.family === 'water';

/** Minutes of a pot that is only brought to the boil (our judgement). */
const JUST_BOILED_MIN = 2;

/** How finely: the words of a blend, from the finest. */
const TEXTURES: readonly (readonly [RegExp, ParamsOf<'blend'>['texture']])[] = [
  [/\b(?:silky|velvety|very smooth|completely smooth|super smooth)\b/i, 'silky'],
  [/\b(?:rustic|pulse|pound|mash\w*|mortar|chunky|rough(?:ly)?|briefly)\b/i, 'rustic'],
  [/\b(?:coarse(?:ly)?|some texture)\b/i, 'coarse'],
  [/\bsmooth(?:ly)?|purée|puree|fine(?:ly)?\b/i, 'smooth'],
];

/** Parameters that the words of a step say; what they do not say stays as a station begins. One row a station. */
const SAID: Params = {
  char: (s) => ({
    ...{
      way: says(s, /\b(?:oven|broil\w*|tray|bake|roast\w*)\b/i)
        ? 'oven'
        : says(s, /\b(?:grill\w*|flame|barbecue|coals?|fire)\b/i)
          ? 'grill'
          : 'pan',
    },
    ...{ degree: says(s, /\b(?:black\w*|charred all over|all over|well charred)\b/i) ? 'well' : 'light', peel: s.peel },
    ...(s.tempC === null ? {} : { tempC: clamp(Math.round(s.tempC), 100, 280) }),
    ...minutes(s, 1, 180),
  }),
  toast: (s) => ({ degree: says(s, /\b(?:dark\w*|brown\w*)\b/i) ? 'dark' : 'fragrant', ...minutes(s, 0, 30) }),
  soak: (s, things) => {
    const dryG = gramsAt(s, things, (t) => t.dried) || null;
    const waterG = gramsAt(s, things, isWater);
    return {
      ...{ tempC: says(s, /\bboil\w*\b/i) ? 85 : says(s, /\bwarm\b/i) ? 45 : says(s, /\bcold|overnight\b/i) ? 20 : 70 },
      ...{ keepWater: says(s, /\b(?:keep|save|reserve)\b.*\b(?:water|liquid)\b/i) },
      ...(waterG > 0 && dryG ? { waterPerG: clamp(round1(waterG / dryG), 0.5, 30) } : {}),
      ...minutes(s, 1, 2880),
    };
  },
  press: (s, things) => {
    const block = gramsAt(s, things, (t) => t.family === 'sour fruit block');
    const water = gramsAt(s, things, isWater);
    return block > 0 && water > 0 ? { waterPerG: clamp(round1(water / block), 0.5, 12) } : {};
  },
  steep: (s) => ({
    ...(s.minutes === null ? {} : { hours: clamp(round1(s.minutes / 60), 0, 240) }),
    tempC: says(s, FRIDGE) ? 4 : 20,
  }),
  ferment: (s) => ({
    ...(s.minutes === null ? {} : { days: clamp(round1(s.minutes / 1440), 0.25, 365) }),
    ...(s.tempC === null ? {} : { tempC: clamp(Math.round(s.tempC), 0, 45) }),
  }),
  drain: (s) => ({ keepBrine: !says(s, /\b(?:discard|throw)\b/i) }),
  fry: (s) => ({
    way: says(s, /\b(?:sweat|soft|gentl\w*|low heat|without colou?r)\b/i)
      ? 'sweat'
      : says(s, /\b(?:crisp\w*|brown(?! sugar)\w*)\b/i)
        ? 'crisp'
        : 'paste',
    drained: says(s, /\bdrain/i),
    ...minutes(s, 0, 120),
  }),
  simmer: (s) => ({
    ...{ until: 'minutes', boil: says(s, /\b(?:hard|rolling|vigorous\w*|rapid\w*)\b/i) ? 'rolling' : 'gentle' },
    ...{ lid: says(s, /\b(?:cover(?:ed)?|lid on|with a lid)\b/i) ? 'on' : 'off' },
    ...(s.minutes === null && says(s, /\bby (?:a )?half\b|\bto half\b/i) ? { until: 'left', leftPct: 50 } : {}),
    ...(s.tempC !== null && s.tempC >= 90 && s.tempC <= 120 ? { until: 'temperature', stopC: Math.round(s.tempC) } : {}),
    // "Bring to the boil" alone is no simmering.
    ...minutes(
      {
        ...s,
        minutes:
          s.minutes ??
          (says(s, /\b(?:boil(?:ing)?)\b/i) && !says(s, /\b(?:simmer|reduce|bubble|soft|tender|thick)/i) ? JUST_BOILED_MIN : null),
      },
      0,
      1440,
    ),
  }),
  lift: (s) => (says(s, /\bdrain/i) ? { alongPct: 0, pieces: 'whole' } : {}),
  blend: (s) => ({
    texture: TEXTURES.find(([re]) => says(s, re))?.[1] ?? 'medium',
    ...(says(s, /\b(?:hot|while warm)\b/i) ? { hot: true } : {}),
  }),
  strain: (s) => ({
    method: says(s, /\b(?:cloth|muslin)\b/i)
      ? 'cloth'
      : says(s, /\bmill\b/i)
        ? 'mill'
        : says(s, /\bcoarse|colander\b/i)
          ? 'coarse'
          : 'pressed',
  }),
  thicken: (s, things) => {
    const key = s.puts.map((p) => things[p.thing]!).find((t) => t.family === 'starch' || t.family === 'gum')?.item.id;
    const by = key ? kindOf({ key }).thickens?.as : undefined;
    return { ...(by ? { with: by } : {}), until: 'dose', dosePct: 0, ...minutes({ ...s, minutes: s.minutes ?? 2 }, 0, 60) } as Partial<
      ParamsOf<'thicken'>
    >;
  },
  rest: (s) => ({
    place: says(s, CHILLED) ? 'fridge' : says(s, /\b(?:ice|cold water|bath)\b/i) ? 'water' : 'air',
    ...(s.minutes === null ? {} : { hours: clamp(Math.round((s.minutes / 60) * 100) / 100, 0, MOST_REST_H) }),
  }),
  bottle: (s) => ({ fill: fillsHot(s) ? 'hot' : 'cold' }),
};

/** Parameters of a station out of the words of its step. */
export function stepParams(s: Step, things: readonly RecipeThing[]): object {
  const said = SAID[s.kind] as ((s: Step, things: readonly RecipeThing[]) => object) | undefined;
  return said?.(s, things) ?? {};
}
