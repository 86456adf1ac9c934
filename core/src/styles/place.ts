import { gramsOf, stationsOf, type BatchFile, type StationEntry } from '../file';
import { stationKind } from '../stations';
import { kindKey, type Ingredient } from '../matter/ingredient';

/** Where something goes in, in the line of a style. */
export interface GoesIn {
  stationId: string;
  late?: true;
}

/** Things that do the same in a sauce, by the key of their kind; the first that fits counts. */
const FAMILIES: readonly [name: string, kind: RegExp][] = [
  ['vinegar', /^vinegar/],
  ['mustard', /^mustard_(yellow|dijon)/],
  ['starch', /^(cornstarch|tapioca)/],
  ['gum', /^xanthan/],
  ['oil', /^oil_/],
  ['garlic', /^garlic$/],
  ['leaf', /^(cilantro$|culantro|basil|mint)/],
  ['soft', /^avocado/],
  ['sour fruit block', /^tamarind_pulp/],
  ['sour fruit', /^tamarind_paste/],
  ['citrus', /^(lime|lemon|calamansi|orange)/],
  ['sauce', /^(fish_sauce|soy_sauce|shrimp_paste|worcestershire|mirin)/],
  ['sweet', /^(sugar|honey|maple|agave|molasses|sweetener)/],
  ['salt', /^(salt|msg)/],
  ['root', /^(ginger$|galangal|turmeric_fresh|lemongrass|makrut|cilantro_root)/],
  ['onion', /^(onion$|shallot|spring_onion)/],
  ['vegetable', /^(carrot|celery|bell|roasted_pepper)/],
  ['tomato', /^(tomato|tomatillo)/],
  ['fruit', /^(mango|pineapple|peach|blueberry|apple|pear)/],
  ['hot powder', /^(chili_powder|smoked_paprika|dried_chili|chipotle)/],
  ['pepper', /^(black|white)_pepper/],
  ['spice', /^(cumin|cinnamon|coriander_seed|allspice|oregano|ginger_ground|turmeric_ground|garlic_powder|onion_powder|mustard_seed)/],
  ['water', /^water/],
];
const familyOf = (kind: string): string => FAMILIES.find(([, k]) => k.test(kind))?.[0] ?? 'other';

/** Families that go in together when the style has only the other one. */
const KIN: Readonly<Record<string, readonly string[]>> = {
  vegetable: ['onion'],
  onion: ['vegetable'],
  tomato: ['vegetable', 'onion'],
  root: ['onion'],
  'sour fruit': ['citrus'],
};

/**
 * Stations where a family goes in when the style has nothing like it, the first that the line has (handbook chapter 5,
 * section 16): "late" is the last minutes, "last" the last jug before it is filled, "pot" the first jug or pot.
 */
const USUAL: Readonly<Record<string, readonly string[]>> = {
  garlic: ['fry late', 'char', 'pot'],
  onion: ['fry', 'char', 'pot'],
  vegetable: ['fry', 'char', 'pot'],
  tomato: ['fry', 'pot'],
  root: ['fry', 'pot'],
  'hot powder': ['fry late', 'pot'],
  spice: ['fry late', 'pot'],
  pepper: ['temper', 'blend last', 'pot'],
  oil: ['fry', 'simmer', 'blend last'],
  mustard: ['temper', 'blend last'],
  starch: ['thicken', 'simmer late', 'blend last'],
  gum: ['thicken', 'blend last'],
  leaf: ['blend last', 'temper'],
  soft: ['blend last'],
  citrus: ['temper', 'blend last'],
  sauce: ['temper', 'blend last', 'fry'],
  'sour fruit block': ['press', 'pot'],
  sweet: ['simmer', 'pot', 'fry'],
  other: ['pot', 'fry'],
};

/**
 * Where a style takes a thing: where it has that very thing, else something that does the same, else where such things go
 * in by the rules of the kitchen; at last where everything usually goes in (`otherwise`). `strands` limits it to these.
 */
export function placesIn(style: BatchFile, otherwise: string): (row: Pick<Ingredient, 'key' | 'like'>) => GoesIn {
  const [main] = style.strands;
  const entries = stationsOf(style);
  const had = new Map<string, GoesIn>();
  const byFamily = new Map<string, { place: GoesIn; g: number }>();
  for (const { entry } of entries)
    for (const { origin, late, amount } of entry.intakes) {
      if (origin.from !== 'larder') continue;
      const place: GoesIn = { stationId: entry.id, ...(late ? { late } : {}) };
      if (!had.has(origin.key)) had.set(origin.key, place);
      const family = familyOf(origin.key);
      const g = gramsOf(amount) ?? 0;
      // Where most of the family goes in.
      if (g > (byFamily.get(family)?.g ?? 0)) byFamily.set(family, { place, g });
    }
  const find = (wanted: string): StationEntry | undefined => {
    const [kind, when] = wanted.split(' ');
    const fits = (s: StationEntry) => (kind === 'pot' ? stationKind(s.kind).gathers === true : s.kind === kind);
    const own = (main?.stations ?? []).filter(fits);
    const all = own.length > 0 ? own : entries.map((e) => e.entry).filter(fits);
    return when === 'last' ? all.at(-1) : all[0];
  };
  return (row) => {
    const kind = kindKey(row);
    const family = familyOf(kind);
    const like = family === 'other' ? [] : [family, ...(KIN[family] ?? [])];
    const own = had.get(kind) ?? like.map((f) => byFamily.get(f)?.place).find((p) => p !== undefined);
    if (own) return own;
    for (const wanted of USUAL[family] ?? USUAL['other']!) {
      const entry = find(wanted);
      if (entry) return { stationId: entry.id, ...(wanted.endsWith(' late') ? { late: true as const } : {}) };
    }
    return { stationId: otherwise };
  };
}
