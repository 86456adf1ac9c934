import { ingredient } from '../matter/ingredient';
import { kindOf, podRow, type Family } from '../matter/kind';
import { MIXED_UNKNOWN } from '../matter/variety';
import { KNIFE } from '../heat';
import type { Amount } from './amounts';
import { amountsOf, answersOf, safely, sameAs } from './answers';
import { asked, type ReadItem } from './item';
import { CITRUS, textOf, type Line, type Part } from './line';
import { NEAR_PEPPERS, type Meaning } from './meanings';
import { isBehindOr } from './pairing';
import { plainWords } from './plain';
import { prepSaid } from './prep';
import { PIECE_WORDS } from './spans';
import { statesSaid } from './states';
import { FOR_ONE, isDose, MOST_DOSE_PCT, shareAmong, strengthOf } from './shares';
import { inverted, NO_SPOONS, saidG, saidOf, SAUCE, thingOf, weighed, type Thing } from './things';
import type { Kitchen } from './units';
import { QuantityError } from './weigh';

/** Fruit and vegetables whose purée is the same thing, only smooth. */
const PUREED: ReadonlySet<Family> = new Set<Family>(['fruit', 'vegetable', 'tomato', 'garlic', 'soft']);
const PUREE = /^(?:puree|pulp|flesh)$/;
const nearest = (name: string) => `"${name}" is not in the tables. Which known one is nearest? Or add it as your own.`;
export const notKnown = (name: string) => `"${name}" is not in the tables. Add it as your own ingredient, say a near one, or leave it out.`;
const shortName = (name: string) => name.split(',')[0]!.toLowerCase();

/** A bought hot sauce, by the pepper that its label names. */
const BOTTLED = ['cayenne hot sauce', 'jalapeño hot sauce', 'habanero hot sauce'];
export const OF_WHAT = 'A share of what? Say it in grams.';

/** What a part names, as an item. */
export function itemOf(line: Line, p: Part, phrase: string[], parts: readonly string[] | null): ReadItem {
  const { text, kitchen, own } = line;
  const said = saidOf(line, p, phrase, parts);
  const name = phrase.join(' ');
  const g = saidG(p, kitchen);
  const pieceSaid = nearPiece(line, p) ?? phrase.find((w) => PIECE_WORDS.has(w) && !/^(?:pepper|chili)$/.test(w)) ?? null;
  const meaning: Meaning | null = line.lexicon.meaning(said);
  const around = [...p.before, ...p.behind];
  const whole = [...p.before, name, ...p.behind].join(' ');
  if (!meaning) return asked(text, name, notKnown(name), [], g);
  if ('sauce' in meaning) {
    const ask = `"${name}" is a sauce of its own. Take one from your shelf; or say which pepper the label of a bought one names.`;
    const massG = p.ways.length > 0 ? sauceG(p, kitchen) : null;
    return { ...asked(text, name, ask, answersOf(line, p, BOTTLED, pieceSaid), g), ...(massG === null ? {} : { sauceG: massG }) };
  }
  if ('ask' in meaning) {
    // A kind of pepper that is not known is none of those that are: the maker picks, or adds it.
    if (around.some((w) => !KINDS_SAID.has(w)) && GENERIC.test(name))
      return asked(text, whole, nearest(whole), answersOf(line, p, NEAR_PEPPERS, pieceSaid), g);
    return asked(text, whole, meaning.ask, answersOf(line, p, meaning.options, pieceSaid), g);
  }
  const thing = thingOf(meaning, own);
  // "cherry peppers" are no cherries.
  const behind = line.spans[p.index + 1];
  const podLike =
    thing.store === 'pods' ||
    kindOf({ key: thing.id }).variety !== undefined ||
    ['pod', 'hot powder', 'pepper'].includes(kindOf({ key: thing.id }).family);
  if (behind?.is === 'piece' && /^(?:pepper|chili)$/.test(behind.w) && !podLike && !own.some((r) => r.key === thing.id))
    return asked(text, `${name} ${behind.w}`, nearest(`${name} ${behind.w}`), answersOf(line, p, NEAR_PEPPERS, pieceSaid), g);
  const ownWords = plainWords(thing.name);
  const unknown = (list: string[]) => list.filter((w) => !ownWords.includes(w) && !phrase.includes(w));
  const pureed = p.behind.some((w) => PUREE.test(w)) && PUREED.has(kindOf({ key: meaning.id }).family);
  const strange = (list: string[]) => unknown(list).filter((w) => !(pureed && PUREE.test(w)));
  // What stands behind makes it another thing: "tomato relish" is no tomato.
  if (strange(p.behind).length > 0) return asked(text, whole, notKnown(whole), [], g);
  // A purée has no air between the pieces: its cup weighs what its density says.
  // Pods that were ground are spooned like any ground chilli.
  const ground = thing.store === 'pods' && phrase.some((w) => w === 'powder' || w === 'ground') ? ingredient(podRow('ground')) : null;
  const weighable: Thing = pureed
    ? { ...thing, measure: NO_SPOONS, pieces: {} }
    : ground
      ? { ...thing, measure: ground.measure, density: ground.density, pieces: {} }
      : thing;
  if (strange(p.before).length > 0) {
    const near = [shortName(thing.name)];
    const unknownPepper = thing.id === MIXED_UNKNOWN.id || GENERIC.test(name);
    const ask = unknownPepper ? nearest(whole) : `Is that the same as ${thing.name}? "${strange(p.before).join(' ')}" was not understood.`;
    const answers = unknownPepper
      ? answersOf(line, p, NEAR_PEPPERS, pieceSaid)
      : p.ways.length > 0
        ? safely(() => sameAs(near[0]!, p, weighable, kitchen, pieceSaid))
        : [];
    return asked(text, whole, ask, answers, g);
  }
  const dose = shareAmong(line, p);
  const pct = dose?.pct ?? null;
  if (p.ways.length === 0 && dose && pct !== null && isDose(thing)) {
    const share = pct > 0 && pct <= MOST_DOSE_PCT ? { sharePct: pct } : {};
    if (dose.per !== undefined)
      return { ...{ text, store: thing.store, id: thing.id, name: thing.name, massG: dose.per, assumed: [FOR_ONE], ask: null }, ...share };
    return { ...asked(text, thing.name, OF_WHAT), store: thing.store, id: thing.id, ...share };
  }
  if (p.ways.length === 0) {
    const many = thing.store === 'pods' || kindOf({ key: thing.id }).variety !== undefined;
    const ask = many ? `How many ${shortName(thing.name)}?` : `How much ${shortName(thing.name)}?`;
    return { ...asked(text, thing.name, ask, amountsOf(line, p, thing, null)), store: thing.store, id: thing.id };
  }
  try {
    const w = weighed(p, weighable, kitchen, pieceSaid);
    const strength = pct === null ? null : strengthOf(thing, pct, w.massG, own);
    if (strength) return { ...asked(text, thing.name, strength.ask, strength.answers, g), store: thing.store, id: thing.id };
    const region = textOf(line, p.first, p.last);
    const isPod = thing.store === 'pods' || kindOf({ key: thing.id }).variety !== undefined;
    const prep = isPod ? prepSaid(region) : null;
    const states = statesSaid(region);
    const assumed = [
      ...(meaning.say ? [meaning.say] : []),
      ...(pureed ? [`${shortName(thing.name)} as a purée, without skin and stone`] : []),
      ...(line.spans.some((_, i) => line.spans[i]!.is === 'name' && isBehindOr(line.spans, i))
        ? [`the first of what was said: ${name}`]
        : []),
      ...line.spans
        .slice(p.first, p.last + 1)
        .flatMap((s) => (s.is === 'harmless' && s.unknown ? [`"${s.unknown}" is not in the tables`] : [])),
      ...w.assumed,
      // The knife is told, so that a wrong guess shows.
      ...(prep && prep !== 'whole' ? [`pods ${KNIFE[prep].name}`] : []),
    ];
    return {
      ...{ text, store: thing.store, id: thing.id, name: thing.name, massG: w.massG, assumed, ask: null },
      ...(prep ? { prep } : {}),
      ...(states.length > 0 ? { states } : {}),
      ...(thing.id === MIXED_UNKNOWN.id && /\b(?:hot|fiery)\b/i.test(region) ? { hot: true as const } : {}),
    };
  } catch (e) {
    if (!(e instanceof QuantityError)) throw e;
    return { ...asked(text, thing.name, e.message, amountsOf(line, p, thing, e), g), store: thing.store, id: thing.id };
  }
}

/** Names that say no more than that it is a pepper. */
const GENERIC = /^(?:pepper|chili|hot pepper|hot chili|sweet pepper|red pepper|green pepper|.* (?:pepper|chili))$/;
/** Words that narrow a pepper down without naming it. */
const KINDS_SAID = new Set(['red', 'green', 'dried', 'dry', 'hot', 'fresh', 'mild', 'sweet', 'jar', 'jarred', 'pickled']);

/** g of some finished sauce; null where that cannot be said. */
function sauceG(p: Part, kitchen: Kitchen): number | null {
  try {
    return weighed(p, SAUCE, kitchen, null).massG;
  } catch (e) {
    if (e instanceof QuantityError) return null;
    throw e;
  }
}

/** The piece word right beside a name: "garlic cloves". */
function nearPiece(line: Line, p: Part): string | null {
  for (const s of [line.spans[p.index + 1], line.spans[p.index - 1]]) if (s?.is === 'piece' && !/^(?:pepper|chili)$/.test(s.w)) return s.w;
  return null;
}

/** A brine is its water and, of that, the share of salt that is said. */
function brineOf(line: Line, p: Part): ReadItem[] {
  const pct = shareAmong(line, p)?.pct ?? null;
  const [water] = readAs(line, p, 'water');
  if (pct === null || !water) return [asked(line.text, 'brine', OF_WHAT)];
  const massG = water.massG === null ? null : (water.massG * pct) / 100;
  if (massG === null) return [{ ...water, ask: { ask: 'How much brine? Say its water.', answers: [] } }];
  const [salt] = readAs(line, { ...p, ways: [[{ ...ONE, unit: { id: 'g', kind: 'mass' }, low: massG, high: massG }]] }, 'salt');
  return [water, ...(salt ? [{ ...salt, assumed: [`${pct} % of its water`] }] : [])];
}
const readAs = (line: Line, p: Part, word: string): ReadItem[] => [itemOf(line, p, [word], null)];

/** The items of a name: two where juice and zest of a fruit, each with the fruit's amount. */
export function itemsOf(line: Line, p: Part, all: readonly Part[]): ReadItem[] {
  return thingsOf(line, p, all).map((i) => ({ ...i, said: p.span.phrase, ...(p.ways.length > 0 ? { measured: true as const } : {}) }));
}
function thingsOf(line: Line, p: Part, all: readonly Part[]): ReadItem[] {
  const phrase = inverted(line, p);
  if (phrase.join(' ') === 'brine') return brineOf(line, p);
  const isFruit = CITRUS.test(phrase.join(' '));
  if (!isFruit) return [itemOf(line, p, phrase, null)];
  const partsIn = (q: Part) => line.spans.slice(q.first, q.last + 1).flatMap((s) => (s.is === 'part' ? s.parts : []));
  // "juice of 3 limes and 1 lemon".
  const before = all.filter((q) => q.index < p.index && CITRUS.test(q.span.phrase.join(' '))).at(-1);
  const parts = partsIn(p);
  const said = parts.length > 0 ? parts : before && before.span.phrase.length === 1 ? partsIn(before) : [];
  const once = [...new Set(said)];
  if (once.length === 0) return [itemOf(line, p, phrase, null)];
  const ways = p.ways.length > 0 ? p.ways : [[ONE]];
  return once.map((part) => itemOf(line, { ...p, ways }, phrase, [part]));
}
/** "juice of a lime" needs no number. */
const ONE: Amount = {
  ...{ low: 1, high: 1, unit: null, piece: null, size: null, spoon: null, pack: null, each: false },
  ...{ article: true, more: false, vague: false, net: false, from: 0, to: 0 },
};
