import { gramsOf, stationsOf, type BatchFile, type StationEntry } from '../file';
import { stationKind } from '../stations';
import type { Ingredient } from '../matter/ingredient';
import { kindKey, kindOf, type Family } from '../matter/kind';

/** Where something goes in, in the line of a style. */
export interface GoesIn {
  stationId: string;
  late?: true;
}

/** Families that go in together when the style has only the other one. */
const KIN: Readonly<Partial<Record<Family, readonly Family[]>>> = {
  vegetable: ['onion'],
  onion: ['vegetable'],
  tomato: ['vegetable', 'onion'],
  root: ['onion'],
  'sour fruit': ['citrus'],
};

const POT = ['pot', 'fry'] as const;
/**
 * Stations where a family goes in when the style has nothing like it, the first that the line has (handbook chapter 5,
 * section 16): "late" is the last minutes, "last" the last jug before it is filled, "pot" the first jug or pot.
 */
const USUAL: Readonly<Record<Family, readonly string[]>> = {
  pod: POT,
  'hot powder': ['fry late', 'pot'],
  garlic: ['fry late', 'char', 'pot'],
  onion: ['fry', 'char', 'pot'],
  root: ['fry', 'pot'],
  leaf: ['blend last', 'temper'],
  vegetable: ['fry', 'char', 'pot'],
  tomato: ['fry', 'pot'],
  fruit: POT,
  soft: ['blend last'],
  citrus: ['temper', 'blend last'],
  'sour fruit': POT,
  'sour fruit block': ['press', 'pot'],
  vinegar: POT,
  acid: ['blend last', 'pot'],
  sauce: ['temper', 'blend last', 'fry'],
  mustard: ['temper', 'blend last'],
  sweet: ['simmer', 'pot', 'fry'],
  salt: POT,
  spice: ['fry late', 'pot'],
  pepper: ['temper', 'blend last', 'pot'],
  smoke: POT,
  spirit: POT,
  oil: ['fry', 'simmer', 'blend last'],
  starch: ['thicken', 'simmer late', 'blend last'],
  gum: ['thicken', 'blend last'],
  water: POT,
  other: POT,
};

/**
 * Where a style takes a thing: where it has that very thing, else something that does the same, else where such things go
 * in by the rules of the kitchen; at last where everything usually goes in (`otherwise`). `strands` limits it to these.
 */
export function placesIn(style: BatchFile, otherwise: string): (row: Pick<Ingredient, 'key' | 'like'>) => GoesIn {
  const [main] = style.strands;
  const entries = stationsOf(style);
  const had = new Map<string, GoesIn>();
  const byFamily = new Map<Family, { place: GoesIn; g: number }>();
  for (const { entry } of entries)
    for (const { origin, late, amount } of entry.intakes) {
      if (origin.from !== 'larder') continue;
      const place: GoesIn = { stationId: entry.id, ...(late ? { late } : {}) };
      if (!had.has(origin.key)) had.set(origin.key, place);
      const { family } = kindOf(origin);
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
    const { family } = kindOf(row);
    const like = family === 'other' ? [] : [family, ...(KIN[family] ?? [])];
    const own = had.get(kindKey(row)) ?? like.map((f) => byFamily.get(f)?.place).find((p) => p !== undefined);
    if (own) return own;
    for (const wanted of USUAL[family]) {
      const entry = find(wanted);
      if (entry) return { stationId: entry.id, ...(wanted.endsWith(' late') ? { late: true as const } : {}) };
    }
    return { stationId: otherwise };
  };
}
