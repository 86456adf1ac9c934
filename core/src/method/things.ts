import { ingredient, type Ingredient } from '../matter/ingredient';
import { kindOf, type Family } from '../matter/kind';
import { MIXED_UNKNOWN, variety } from '../matter/variety';
import { plainWords, type ReadItem } from '../reading';
import type { RecipeThing } from './recipe';

/** Thin liquids: this much of them is water, alcohol, or the fat of a milk, %. */
const WET_PCT = 80;
const pours = (row: Ingredient): boolean =>
  kindOf(row).even === true && row.water > 50 && row.water + row.ethanol + (row.fat < row.water ? row.fat : 0) >= WET_PCT;

/** A read item as a thing of a recipe; one that is asked is what all answers to its question are: some vinegar, some pods. */
export function thingOf(item: ReadItem, own: readonly Ingredient[], group: readonly string[], inMethod: boolean): RecipeThing {
  const thing = knownThing(item, own, group, inMethod);
  const answers = item.id === null ? (item.ask?.answers ?? []) : [];
  const maybe = answers.map((a) => knownThing({ ...item, store: a.store, id: a.id, ask: null }, own, group, inMethod));
  const [first] = maybe;
  if (!first || maybe.some((t) => t.family !== first.family)) return thing;
  const every = (is: (t: RecipeThing) => boolean) => maybe.every(is);
  return { ...thing, family: first.family, pod: every((t) => t.pod), dried: every((t) => t.dried), wet: every((t) => t.wet) };
}
function knownThing(item: ReadItem, own: readonly Ingredient[], group: readonly string[], inMethod: boolean): RecipeThing {
  const row = item.store === 'larder' && item.id !== null ? (own.find((r) => r.key === item.id) ?? ingredient(item.id)) : null;
  const kind = row ? kindOf(row) : null;
  const varietyId = item.store === 'pods' ? item.id : (kind?.variety ?? null);
  const v = varietyId === null ? null : varietyId === MIXED_UNKNOWN.id ? MIXED_UNKNOWN : variety(varietyId);
  const pod = v !== null && v.pod !== null;
  return {
    item,
    words: new Set([...(item.said ?? []), ...plainWords(row?.name ?? v?.name ?? item.name)]),
    family: kind?.family ?? (v ? (v.form === 'fresh' ? 'pod' : 'hot powder') : 'other'),
    pod,
    dried: v !== null && v.form !== 'fresh',
    wet: row !== null && kind?.family !== 'mustard' && pours(row),
    ...{ group, g: item.massG, left: 1, inMethod },
  };
}

/** What grew and is cut before it goes anywhere; what is smooth already, such as a paste, is not. */
const CUT: ReadonlySet<Family> = new Set<Family>(['vegetable', 'onion', 'garlic', 'root', 'tomato', 'fruit', 'leaf', 'soft']);
export const isCut = (t: RecipeThing): boolean =>
  t.pod || t.family === 'pod' || (CUT.has(t.family) && kindOf({ key: t.item.id ?? '' }).even !== true);

/** Words for many things at once, and which of them they mean. */
const CLASSES: Readonly<Record<string, (t: RecipeThing) => boolean>> = {
  pepper: (t) => t.pod || (t.words.has('pepper') && t.family !== 'pepper'),
  chili: (t) => t.pod,
  chile: (t) => t.pod,
  pod: (t) => t.pod,
  vegetable: (t) => ['vegetable', 'onion', 'garlic', 'root', 'tomato'].includes(t.family) || t.pod,
  veg: (t) => ['vegetable', 'onion', 'garlic', 'root', 'tomato'].includes(t.family) || t.pod,
  aromatic: (t) => ['onion', 'garlic', 'root'].includes(t.family),
  spice: (t) => ['spice', 'pepper'].includes(t.family),
  herb: (t) => t.family === 'leaf',
  fruit: (t) => ['fruit', 'soft'].includes(t.family),
  seasoning: (t) => ['salt', 'sweet', 'spice', 'pepper'].includes(t.family),
  juice: (t) => t.family === 'citrus' && !t.words.has('zest'),
  vinegar: (t) => t.family === 'vinegar',
  sugar: (t) => t.family === 'sweet' && t.words.has('sugar'),
  sweetener: (t) => t.family === 'sweet',
  oil: (t) => t.family === 'oil',
  salt: (t) => t.family === 'salt',
  starch: (t) => t.family === 'starch',
  slurry: (t) => t.family === 'starch',
  brine: (t) => t.family === 'salt' || t.family === 'water',
  liquid: (t) => ['vinegar', 'water', 'citrus', 'sauce'].includes(t.family),
};
export const isClassWord = (w: string): boolean => Object.hasOwn(CLASSES, w);

/** "roasting" and "roast", "blending" and "blender". */
const STEM = 4;
const isSameStem = (a: string, b: string): boolean => a.slice(0, STEM) === b.slice(0, STEM) && Math.min(a.length, b.length) >= STEM;

/** Indices of the things that a name in a method means, without an amount: by id, by its words, or a class of them. */
export function meantBy(phrase: readonly string[], id: string | null, things: readonly RecipeThing[], weak = false): number[] {
  const all = things.map((_, i) => i);
  // "the garlic heads": the pieces are the thing.
  if (phrase.length > 1 && /^(?:head|clove|bulb)$/.test(phrase.at(-1)!)) return meantBy(phrase.slice(0, -1), id, things, weak);
  // A word of no row means a thing only where its line has it for a name: "the aji", "the flakes".
  if (weak) return all.filter((i) => things[i]!.item.said?.includes(phrase[0]!) === true);
  const head = phrase.at(-1) ?? '';
  if (head === 'ingredient') return all.filter((i) => things[i]!.group.some((w) => isSameStem(w, phrase[0]!)));
  // "the peppers" are no ground pepper; that is named beside salt, and found by what it is.
  const ground = (t: RecipeThing) => head === 'pepper' && phrase.length === 1 && t.family === 'pepper';
  const same = all.filter(
    (i) => (id !== null && things[i]!.item.id === id) || (!ground(things[i]!) && things[i]!.item.said?.join(' ') === phrase.join(' ')),
  );
  if (same.length > 0) return same;
  const inWords = all.filter((i) => !ground(things[i]!) && phrase.every((w) => things[i]!.words.has(w)));
  const byClass = Object.hasOwn(CLASSES, head) ? CLASSES[head] : undefined;
  if (!byClass) return inWords;
  const narrow = phrase.slice(0, -1).filter((w) => !/^(?:hot|fresh|chili|red|whole)$/.test(w));
  const members = all.filter(
    (i) => byClass(things[i]!) && narrow.every((w) => things[i]!.words.has(w) || (w === 'dried' && things[i]!.dried)),
  );
  const found = members.length > 0 ? [...new Set([...inWords, ...members])] : inWords;
  // Where both are there, peppers are no chillies, nor the other way.
  const other = head === 'pepper' ? 'chili' : head === 'chili' ? 'pepper' : null;
  const own = found.filter((i) => things[i]!.item.said?.at(-1) === head);
  return other && own.length > 0 ? found.filter((i) => things[i]!.item.said?.at(-1) !== other) : found;
}
