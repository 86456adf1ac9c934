import { HEAT_WORDS, type HeatWord, type Preparation } from '../heat';
import type { Ingredient } from '../matter/ingredient';
import { MIXED_UNKNOWN, variety } from '../matter/variety';
import { lotOfVariety, varietyOfRow, type PodLot } from '../pantry';
import { HARMLESS, plainWords, prepSaid, readLine, recipeLines, type Kitchen, type ReadItem } from '../quantity';

/** Pods someone said they have. */
export interface HavePods {
  lot: PodLot;
  stockG: number;
  says: string;
  /** What was done to them with the knife; absent where nothing was said. */
  prep?: Preparation;
}
/** Something else someone said they have; grams null when they did not say how much. */
export interface HaveThing {
  id: string;
  name: string;
  massG: number | null;
  says: string;
}
/** What someone has and wishes, out of their own words. */
export interface Have {
  pods: HavePods[];
  things: HaveThing[];
  /** Words that mean nothing here. */
  unknown: string[];
  bottles: number | null;
  bottleMl: number | null;
  /** The word for heat that was said: what it means in SHU is told by how the sauce is eaten. */
  heat: HeatWord | null;
}

/** Names of bottle sizes, ml (common practice, no source). */
export const BOTTLE_SIZES = [
  { ml: 100, name: 'small' },
  { ml: 150, name: 'medium' },
  { ml: 250, name: 'large' },
  { ml: 500, name: 'jars' },
] as const;

const NUMBERS = ['zero', 'one', 'two', 'three', 'four', 'five', 'six', 'seven', 'eight', 'nine', 'ten', 'eleven', 'twelve'];
const countOf = (word: string): number => {
  const n = NUMBERS.indexOf(word);
  return n >= 0 ? n : word === 'a' || word === 'an' ? 1 : word === 'dozen' ? 12 : Number(word);
};
const COUNT = String.raw`\d+|a|an|dozen|${NUMBERS.slice(1).join('|')}`;
/** A bowl and a handful of pods (common practice, no source). */
const HEAPS: Record<string, number> = { bowl: 15, handful: 6, bag: 20, bunch: 10, punnet: 10 };
const ANY_POD = '(?:chill?i(?:e?s)?|chiles?|chill?ies|peppers|pods)';
const LOOKS = '(?:hot|mixed|fresh|ripe|unknown|small|large|big|red|green|garden|home-?grown)';
const UNKNOWN_PODS = new RegExp(
  `^(?:about |some )?(?:(${COUNT}) )?(?:(${Object.keys(HEAPS).join('|')})s? of )?(?:${LOOKS} )*${ANY_POD}$`,
  'i',
);
const BOTTLES = new RegExp(`^(?:(${COUNT}) )?(?:(small|medium|large|little|big) )?(bottles?|jars?)(?: of (\\d+) ?ml)?$`, 'i');

function bottlesOf(part: string): Pick<Have, 'bottles' | 'bottleMl'> | null {
  const m = BOTTLES.exec(part.replace(/^an? dozen /i, '12 '));
  if (!m) return null;
  const word = (m[2] ?? '').replace('little', 'small').replace('big', 'large');
  const size = BOTTLE_SIZES.find((s) => s.name === (m[3]!.startsWith('jar') && !word ? 'jars' : word));
  return { bottles: m[1] ? countOf(m[1].toLowerCase()) : null, bottleMl: m[4] ? Number(m[4]) : (size?.ml ?? null) };
}

/** Pods of which only "hot" is known: a cayenne to a habanero, log-sd of that range (our judgement). */
const JUST_HOT = { dryShu: 60_000, sigma: 1 } as const;
function mixed(id: string, hot: boolean): PodLot {
  const lot = lotOfVariety(MIXED_UNKNOWN, { id, name: hot ? 'Hot pods, mixed' : 'Mixed pods' });
  return hot ? { ...lot, heat: { ...JUST_HOT, source: 'table' } } : lot;
}
/** The pods of a line of a recipe, fresh, dried or ground; null where it is about something of the larder. */
export function lotOfItem(item: ReadItem, id: string): HavePods | null {
  if (item.id === null || !((item.massG ?? 0) > 0)) return null;
  const kind = item.store === 'pods' ? item.id : varietyOfRow({ key: item.id });
  // Powder and sweet peppers out of the larder stay there; hot pods, and what the reader knows as pods, are pods.
  if (!kind || (item.store === 'larder' && !(variety(kind).pod && variety(kind).shuDry.high > 0))) return null;
  return {
    lot: lotOfVariety(variety(kind), { id }),
    stockG: item.massG!,
    says: item.text.slice(0, 80),
    ...(item.prep ? { prep: item.prep } : {}),
  };
}

/** The pods that a line means, if it means pods: unknown ones by the piece or the bowl, known ones by their row. */
function podsOf(part: string, item: ReadItem | undefined, id: string): HavePods | null {
  const m = UNKNOWN_PODS.exec(part.replace(/^an? dozen /i, '12 '));
  if (m && !/^(?:red|green) peppers$/i.test(part)) {
    const count = (m[1] ? countOf(m[1].toLowerCase()) : m[2] ? 1 : 12) * (m[2] ? HEAPS[m[2].toLowerCase()]! : 1);
    return { lot: mixed(id, /\bhot\b/i.test(part)), stockG: count * MIXED_UNKNOWN.pod!.massG.typical, says: part };
  }
  if (!item || item.ask || item.massG === null || item.id === null) return null;
  const kind = item.store === 'pods' ? item.id : varietyOfRow({ key: item.id });
  // Powder and flakes are spices here, not pods to be cut; sweet peppers are pods as well: they fill a jar.
  if (!kind || !variety(kind).pod) return null;
  return { lot: lotOfVariety(variety(kind), { id }), stockG: item.massG, says: part, ...(item.prep ? { prep: item.prep } : {}) };
}

/** A thing named without an amount: the reader asks how much, so it is asked with one. */
function namedOnly(part: string, kitchen: Kitchen, own: readonly Ingredient[]): HaveThing | null {
  if (/\d/.test(part)) return null;
  for (const line of [`100 g ${part}`, ...(readLine(part, kitchen, own)[0]?.ask?.options ?? []).map((o) => `100 g ${o.line}`)]) {
    const item = readLine(line, kitchen, own)[0];
    if (item && !item.ask && item.store === 'larder' && item.id) return { id: item.id, name: item.name, massG: null, says: part };
  }
  return null;
}

/**
 * Reads what someone has, as they would say it: "15 hot pods, garlic, vinegar, six small bottles, medium". Pods of no
 * known kind are mixed, unknown ones with all their doubt. Never throws; what cannot be read is named in `unknown`.
 */
export function readHave(text: string, kitchen: Kitchen, own: readonly Ingredient[] = [], idOf = (n: number) => `had-${n}`): Have {
  const have: Have = { pods: [], things: [], unknown: [], bottles: null, bottleMl: null, heat: null };
  for (const line of recipeLines(text)) {
    const parts = line.split(/[,;]|\band\b/).map((p) =>
      p
        .trim()
        .replace(/^(?:i have|with|some) /i, '')
        .replace(/\.$/, ''),
    );
    const strange = parts.filter((part) => part !== '' && !cut(have, part) && !take(have, part, kitchen, own, idOf) && !saysHow(part));
    have.unknown.push(...strange.map((part) => part.slice(0, 60)));
  }
  return have;
}

/** Said of pods one has, these mean the pod, where a recipe would mean its powder. */
const POD_MEANT: readonly [RegExp, string][] = [
  [/\bcayennes?(?: peppers?)?$/i, 'long red chillies'],
  [/\b(?:red|green|yellow|sweet) peppers$/i, 'sweet peppers'],
];
function podMeant(part: string): string {
  const found = POD_MEANT.find(([words]) => words.test(part));
  return found ? part.replace(found[0], found[1]) : part;
}

/** "10 jalapeños, seeds out": the knife that is said behind pods is theirs. False where none is said, or no pods stand before it. */
function cut(have: Have, part: string): boolean {
  const [last, prep] = [have.pods.at(-1), prepSaid(part)];
  if (!last || !prep || !NO_THING.test(part)) return false;
  have.pods[have.pods.length - 1] = { ...last, prep };
  return true;
}
/** Words of the knife alone: nothing else is named. */
const NO_THING =
  /^(?:(?:all|the|with|without|no|half|of|them|seeds?|ribs?|seeded|deseeded|cored|cleaned|out|removed|off|left|in|and) ?)+$/i;

/** "crushed", "finely chopped": how a thing is, and no thing of its own. */
function saysHow(part: string): boolean {
  const words = plainWords(part);
  return words.length > 0 && words.every((w) => HARMLESS.has(w));
}

/** One thing of a list, put where it belongs; false when it means nothing here. */
function take(have: Have, part: string, kitchen: Kitchen, own: readonly Ingredient[], idOf: (n: number) => string): boolean {
  const word = HEAT_WORDS.find((w) => w.name === part.toLowerCase());
  if (word) {
    have.heat = word.name;
    return true;
  }
  const bottles = bottlesOf(part);
  if (bottles) {
    have.bottles = bottles.bottles ?? have.bottles;
    have.bottleMl = bottles.bottleMl ?? have.bottleMl;
    return true;
  }
  const read = safely(() => readLine(podMeant(part), kitchen, own)[0]);
  // A question with answers is taken for its first: the plan says what it was taken for.
  const first = read?.ask?.options[0];
  const item = first && /\d/.test(part) ? safely(() => readLine(first.line, kitchen, own)[0]) : read;
  const pods = podsOf(part, item, idOf(have.pods.length + 1));
  if (pods) {
    have.pods.push(pods);
    return true;
  }
  const weighed = item && !item.ask && item.store === 'larder' && item.id !== null && item.massG !== null;
  const thing = weighed ? { id: item.id!, name: item.name, massG: item.massG, says: part } : safely(() => namedOnly(part, kitchen, own));
  if (thing) have.things.push(thing);
  return Boolean(thing);
}

/** A line the reader refuses is one it does not know. */
function safely<T>(read: () => T): T | undefined {
  try {
    return read();
  } catch {
    return undefined;
  }
}
