import type { HeatWord, Preparation } from '../heat';
import type { Ingredient } from '../matter/ingredient';
import { kindOf } from '../matter/kind';
import { MIXED_UNKNOWN, variety } from '../matter/variety';
import { lotOfVariety, podsOfRow, type PodLot } from '../pantry';
import { lineKind } from '../method';
import { FigureError, readLine, strangersOf, wishesIn, type Kitchen, type ReadItem } from '../reading';

/** Pods someone said they have. */
export interface HavePods {
  lot: PodLot;
  stockG: number;
  says: string;
  /** What was done to them with the knife; absent where nothing was said. */
  prep?: Preparation;
  /** Nobody said how many: as many as the wished heat takes, and they are to be got. */
  asMany?: true;
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
  /** Some finished sauce is named: a style that takes one is meant. */
  sauce: boolean;
  /** Wishes that no field has, in the maker's words. */
  wishes: string[];
}

/** Pods of which only "hot" is known: a cayenne to a habanero, log-sd of that range (our judgement). */
const JUST_HOT = { dryShu: 60_000, sigma: 1 } as const;
function mixed(id: string, hot: boolean): PodLot {
  const lot = lotOfVariety(MIXED_UNKNOWN, { id, name: hot ? 'Hot pods, mixed' : 'Mixed pods' });
  return hot ? { ...lot, heat: { ...JUST_HOT, source: 'table' } } : lot;
}
const lotOf = (varietyId: string, id: string, hot: boolean): PodLot =>
  varietyId === MIXED_UNKNOWN.id ? mixed(id, hot) : lotOfVariety(variety(varietyId), { id });

/** The pods of a line of a recipe, fresh, dried or ground; null where it is about something of the larder. */
export function lotOfItem(item: ReadItem, id: string): HavePods | null {
  if (item.id === null || !((item.massG ?? 0) > 0)) return null;
  const kind = item.store === 'pods' ? item.id : podsOfRow({ key: item.id });
  // Powder and sweet peppers out of the larder stay there; hot pods, and what the reader knows as pods, are pods.
  if (!kind || (item.store === 'larder' && !(variety(kind).pod && variety(kind).shuDry.high > 0))) return null;
  return {
    lot: lotOf(kind, id, item.hot === true),
    stockG: item.massG!,
    says: item.text.slice(0, 80),
    ...(item.prep ? { prep: item.prep } : {}),
  };
}

/** As many pods as any batch takes, g: the plan takes what the heat asks for. */
const AS_MANY_G = 20_000;

/** The pods that someone has; powder and flakes are spices here. Sweet peppers are pods as well: they fill a jar. */
function podsOf(item: { store: ReadItem['store']; id: string; massG: number | null }, read: ReadItem, id: string): HavePods | null {
  const kind = item.store === 'pods' ? item.id : podsOfRow({ key: item.id });
  if (!kind || !(kind === MIXED_UNKNOWN.id ? MIXED_UNKNOWN : variety(kind)).pod) return null;
  const known = { lot: lotOf(kind, id, read.hot === true), says: read.text.slice(0, 80), ...(read.prep ? { prep: read.prep } : {}) };
  return item.massG === null ? { ...known, stockG: AS_MANY_G, asMany: true } : { ...known, stockG: item.massG };
}

/** What an item is taken for: a question is answered by the first of its answers, and the plan says so. */
function takenFor(item: ReadItem): { store: ReadItem['store']; id: string; name: string; massG: number | null } | null {
  if (!item.ask && item.id !== null) return { store: item.store, id: item.id, name: item.name, massG: item.massG };
  const answers = item.ask?.answers ?? [];
  const answer = answers.find((a) => a.id === MIXED_UNKNOWN.id) ?? answers[0];
  if (answer) return { store: answer.store, id: answer.id, name: answer.say.split(',')[0]!, massG: item.measured ? answer.massG : null };
  // Known, and only how much of it is not.
  return item.id !== null && !item.measured ? { store: item.store, id: item.id, name: item.name, massG: null } : null;
}

/**
 * Reads what someone has, as they would say it: "15 hot pods, garlic, vinegar, six small bottles, medium". Pods of no
 * known kind are mixed, unknown ones with all their doubt; pods without a number are as many as the heat takes. Never
 * throws; what cannot be read is named in `unknown`.
 */
export function readHave(text: string, kitchen: Kitchen, own: readonly Ingredient[] = [], idOf = (n: number) => `had-${n}`): Have {
  const have: Have = { pods: [], things: [], unknown: [], bottles: null, bottleMl: null, heat: null, sauce: false, wishes: [] };
  for (const line of text.split(/\r?\n/).slice(0, 400)) {
    if (line.trim() === '') continue;
    try {
      take(have, line.trim().slice(0, 2000), kitchen, own, idOf);
    } catch (e) {
      if (!(e instanceof FigureError)) throw e;
      have.unknown.push(line.trim().slice(0, 60));
    }
  }
  return have;
}

function take(have: Have, line: string, kitchen: Kitchen, own: readonly Ingredient[], idOf: (n: number) => string): void {
  const { wishes, rest } = wishesIn(line);
  have.bottles = wishes.bottles ?? have.bottles;
  have.bottleMl = wishes.bottleMl ?? have.bottleMl;
  have.heat = wishes.heat ?? have.heat;
  have.wishes.push(...wishes.others);
  if (!/[a-z\d\u00c0-\u024f]/i.test(rest) || lineKind(rest) === 'heading') return;
  // Every 300 signs are read by themselves, parted at a comma.
  for (const piece of pieces(rest)) {
    for (const item of readLine(piece, kitchen, own)) {
      have.sauce ||= item.sauceG !== undefined;
      const known = takenFor(item);
      if (known) {
        const pods = podsOf(known, item, idOf(have.pods.length + 1));
        if (pods) have.pods.push(pods);
        // A pepper that nobody weighed is a pod; everything else is a thing of the larder.
        else if (known.store === 'larder' || kindOf({ key: known.id }).variety)
          have.things.push({ id: known.id, name: known.name, massG: known.massG, says: item.text.slice(0, 80) });
      } else if (item.ask && item.ask.answers.length === 0 && item.name !== '') have.unknown.push(unknownIn(piece, item.name));
    }
    have.unknown.push(...strangersOf(piece, own).filter((w) => !have.unknown.some((u) => u.includes(w))));
  }
}

const MOST = 300;
function pieces(text: string): string[] {
  const all: string[] = [];
  let now = '';
  for (const part of text.split(/(?<=[,;])/)) {
    if (now.length + part.length > MOST && now.trim() !== '') [now] = (all.push(now), ['']);
    now += part;
  }
  return [...all, now].filter((p) => /[a-z\d\u00c0-\u024f]/i.test(p));
}

/** The words around a name that is not known, as they were typed. */
function unknownIn(piece: string, name: string): string {
  const part = piece.split(/[,;]|\band\b/).find((p) => p.toLowerCase().includes(name.split(' ').at(-1)!));
  return (part ?? name).trim().slice(0, 60);
}
