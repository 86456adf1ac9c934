import type { Eaten, HeatWord } from '../heat';
import type { PodLot } from '../pantry';
import type { Day, Occupies } from '../plan';
import type { StyleKit } from './kit';

/** A number that is not known well: 10, 50 and 90 %. */
export interface Range<T> {
  low: T;
  typical: T;
  high: T;
}

/** Pods that are there, or will be: how many g, from which day, and how many days they are good for. */
export interface Harvest {
  id: string;
  name: string;
  lot: PodLot;
  g: Range<number>;
  from: Range<Day>;
  goodDays: number;
}

/** Bottles by a day; each kind is another sauce, of a heat that was said or of any (null). */
export interface SeasonWish {
  id: string;
  says: string;
  bottles: number;
  by: Day;
  kinds: readonly (HeatWord | null)[];
}

/** Bottles that stand there, or will. */
export interface Shelved {
  id: string;
  name: string;
  /** How it is eaten, by which its heat is told in words. */
  eaten: Eaten;
  bottles: number;
  shu: number;
  from: Day;
  until: Day;
}

/** Bottles that a batch which is begun will fill. */
export interface Ahead {
  id: string;
  name: string;
  style: string;
  bottles: number;
  shu: number;
  from: Day;
}

/** A batch of a season: what it is made of and what it is for. */
export interface SeasonBatch {
  /** Stable from one answer to the next: style, heat and day. */
  id: string;
  style: string;
  heat: HeatWord | null;
  start: Day;
  /** The working day on which it is bottled, and the day from which it is ready. */
  end: Day;
  ready: Day;
  /** g of each harvest as picked, stems on; of sweet pods that are bought. */
  pods: readonly { harvestId: string; g: number; frozen: boolean }[];
  boughtG: number;
  bottles: number;
  /** Bottles that it fills, spare ones among them. */
  fills: number;
  /** SHU of the sauce, typically. */
  shu: number;
  jars: readonly { ml: number; count: number }[];
  minutes: { begin: number; end: number };
  /** Bottles for each part of a wish. */
  to: readonly { part: string; bottles: number }[];
}

/** What a maker holds fast: this kind begins on this day, whatever else is planned. */
export interface Pin {
  style: string;
  heat: HeatWord | null;
  start: Day;
}

export interface SeasonAsk {
  today: Day;
  /** Days on which there is time for it, in order. */
  days: readonly Day[];
  harvests: readonly Harvest[];
  shelf: readonly Shelved[];
  jars: readonly { ml: number; count: number }[];
  /** Jars that batches have or will have. */
  taken: Occupies['jars'];
  /** What may be frozen, g in all; 0 without a freezer. */
  freezerG: number;
  wishes: readonly SeasonWish[];
  /** Bottles that are used up in a month besides. */
  perMonth: number;
  bottleMl: number;
  kits: readonly StyleKit[];
  pins: readonly Pin[];
  /** The plan of before: where two are as good, the one that is nearer to it. */
  before: readonly Pin[];
}

/** One sauce of a wish: so many bottles by a day. */
export interface SeasonPart {
  id: string;
  /** The wish; null: what is used up in a month. */
  wishId: string | null;
  says: string;
  heat: HeatWord | null;
  bottles: number;
  by: Day;
}

/** Why a part of a wish stays short: nothing is ready by then, nothing is hot enough, or what there is goes to other wishes. */
export const SHORT_OF = {
  late: 'nothing can be ready by then',
  mild: 'nothing that is there by then is hot enough for it',
  shared: 'pods, jars or time go where they are worth more',
} as const;
export type ShortOf = keyof typeof SHORT_OF;

/** What comes of a season: batches, what each part gets, and what gives way. */
export interface Season {
  batches: readonly SeasonBatch[];
  /** Bottles off the shelf for each part. */
  fromShelf: readonly { shelfId: string; part: string; bottles: number }[];
  parts: readonly (SeasonPart & { got: number; why: ShortOf | null })[];
  spoils: readonly { harvestId: string; g: number }[];
  frozen: readonly { harvestId: string; g: number }[];
  /** Days on which something is done. */
  workdays: readonly Day[];
  cost: number;
  /** How far from the best it may be at most, as a share of what all bottles that are asked for are worth. */
  gap: number;
}
