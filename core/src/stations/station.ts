import type { TObject } from '@sinclair/typebox';
import type { AcidWorld } from '../acid';
import type { Caution } from '../caution/caution';
import type { Energy } from '../cook/energy';
import type { ForecastInput } from '../ferment/forecast';
import type { JarConditions } from '../ferment/priors';
import type { JarJudgement } from '../ferment/judge';
import type { JarTemp } from '../ferment/warmth';
import type { Goal, Reading, StationLog, Tool, ToolKind, ToolLearnt } from '../file';
import type { Clock, Keeping, Sauce } from '../keep';
import type { Limit } from '../keep/limit';
import type { Grams } from '../matter/component';
import type { Ingredient } from '../matter/ingredient';
import type { Stream } from '../matter/stream';
import type { Parcel, Past, Props } from '../parcel';
import type { Day } from '../plan/date';
import type { Draw } from '../stat/draw';

/** A named parcel entering from above or leaving below. */
export interface Flow extends Parcel {
  id: string;
  name: string;
  /** Leaves as something the maker keeps (brine), not as a loss. */
  kept?: boolean;
  /** Key of the larder row that the maker takes it from, of what a station puts in itself. */
  key?: string;
}

/** What a station sees besides what is in it. */
export interface StationContext {
  draw: Draw;
  /** The unknowns of this station alone. */
  own: Draw;
  acids: AcidWorld;
  ingredient(key: string): Ingredient;
  /** Measurements of this station, and its readings; empty when only the plan is run. */
  log: StationLog;
  /** Neither it nor anything after it is done: what it does is a plan, and no step that was left out. */
  ahead: boolean;
  /** The measured pH of what comes out, in this world (with the instrument's error); null when none counts. */
  pH: number | null;
  /** The weighed mass of what comes out, less what goes in late, g; null when it was not weighed. */
  massG: number | null;
  readings: readonly Reading[];
  /** Of the jars it stands in those that are left, counted from 1. */
  jars: readonly number[];
  /** First and last day of this station, from the plan and what was logged. */
  days(): { from: Day; to: Day };
  /** The jar as its readings and its temperature tell it; null where nothing was read, or only the plan is run. */
  jar(): JarTold | null;
  /** What is wished where the strand ends; null where it does not end in bottles. */
  goal: Goal | null;
  /** The thing of the kitchen it is done with, and what is known of it; null when none was named. */
  tool: (Tool & { learnt: ToolLearnt }) | null;
}

/** What is known of a jar besides what is in it. */
export interface JarKnown {
  readings: readonly Reading[];
  log: StationLog;
  from: Day;
  to: Day;
  /** What is known of jars where it stands; null where no place is named. */
  lively: ToolLearnt | null;
  seed: number;
  /** Days since it was packed; null before. */
  now: number | null;
}
/** One jar of those that may be: its unknowns, and how far a meter is from the model of it on a day, pH. */
export interface JarOfWorld {
  z: Draw;
  drift(day: number): number;
}
/** What a jar's readings taught. */
export interface JarTold {
  conditions: JarConditions;
  temps: readonly JarTemp[];
  /** The jar that a world takes: the one in the middle in the typical world. */
  jarOf(own: Draw): JarOfWorld;
  /** How lively its readings show it to be, against the tables; null where they do not. */
  lively(): ToolLearnt | null;
  /** Lactic acid of the liquid by a day, %, in the middle of the jars that fit the readings. */
  lacticPct(day: number): number;
  /** What its readings say of it: one judgement for all worlds, made in the typical one. */
  judged(make: () => JarJudgement): JarJudgement;
}

export interface Outcome<F = unknown> {
  out: Parcel;
  /** What the station puts in itself, by its parameters: the salt and water of a jar. */
  made: Flow[];
  sides: Flow[];
  /** Components turned into others within the station; sums to zero grams. */
  change?: Partial<Grams>;
  /** Heat load lost within the station, SHU g. */
  heatLossShuG?: number;
  /** It was heated through here, or a jar was opened: its days count from here (handbook chapter 6, section 1). */
  anew?: boolean;
  /** Hours that it stood between 5 and 57 °C, but for a jar that sours. */
  warmH?: number;
  /** What its panel shows; null when there was nothing to work on. Only the typical world is shown: others may leave it out. */
  facts: F | null;
}

/** What a station takes out of stock when it is done. */
export interface Need {
  store: 'pods' | 'larder' | 'stored';
  id: string;
  massG: number;
}

/** A thing to do, when and why. */
export interface Duty {
  /** Stable within the batch, so that it can be ticked off. */
  key: string;
  text: string;
  why: string;
  due: Day;
  /** It stands whatever else is going on: bottles that want letting out. */
  standing?: true;
  /** Minutes by hand; where nothing is said, those of the station. */
  minutes?: number;
  /** It is done by reading, by looking, or by working at the station; where nothing is said, by ticking it off. */
  does?: 'read' | 'look' | 'work' | 'tick';
}

/** A station as the rules and duties see it, after the line was run. */
export interface StationView<P, F> {
  params: P;
  log: StationLog;
  readings: readonly Reading[];
  /** Of the jars it stands in those that are left, counted from 1. */
  jars: readonly number[];
  goal: Goal | null;
  /** First and last day at this station. */
  from: Day;
  to: Day;
  today: Day;
  done: boolean;
  /** Everything it takes is there, so it can be worked on. */
  active: boolean;
  after: Props;
  out: Parcel;
  /** What was like before: what came along and what went in. */
  past: Past;
  facts: F | null;
  /** The pH of `after` was measured on just this stuff. */
  phMeasured: boolean;
  /** The jars on its way are still standing, or to be packed: they may yet be read. */
  jarsAhead: boolean;
  /** How what it fills keeps; null where it fills nothing, or before that is known. */
  keeping: Keeping | null;
  clock: Clock;
}

/** How a station went: g worked on, what was logged, and the days it stood (null while it does). */
export interface Showed {
  inG: number;
  log: StationLog;
  stoodDays: number | null;
}

/** What a line that ends in bottles fills. */
export interface Bottled {
  filled: number;
  possible: number;
  filledMl: number;
  overMl: number;
}

/** Minutes of work: by hand, and by the clock. */
export interface Minutes {
  hands: number;
  clock: number;
}

/**
 * A kind of station: one file each. `apply` works on the bowl (what came along and what goes in here), never touches a
 * clock or chance other than the draw, and throws StationProblem when the parameters cannot work with it.
 */
export interface StationKind<K extends string = string, P = unknown, F = unknown> {
  kind: K;
  name: string;
  /** What the maker does there, in a few words. */
  verb: string;
  /** What nobody knows of it beforehand, in a few words; left out where it adds no doubt of its own. */
  doubt?: string;
  /** Its parameters, each with its bounds and how it is asked for (`ask.ts`). */
  schema: TObject;
  /** What is put on the scale when it is done, as its field is called; null where nothing is. */
  weighed: string | null;
  /** A thermometer may stand in it while it is heated. */
  heatLogged?(params: P): boolean;
  /** What follows when the maker has set a parameter: the parameters then, or in a sentence why it cannot be set. */
  turned?(before: P, after: P, facts: F | null): P | string;
  defaults(): P;
  /** Days spent there by plan. */
  days(params: P): number;
  /** Minutes of work for a bowl of so many grams. */
  minutes(params: P, bowlG: number): Minutes;
  /** What it takes of the hob or the socket; `bowl` is what it is done to. */
  energy?(params: P, bowl: Stream, facts: F): Energy[];
  apply(bowl: Parcel, params: P, context: StationContext): Outcome<F>;
  /** Its work takes time and ends: what goes in late comes after it. Elsewhere late is the same as at once. */
  lasts?: true;
  /** It is done when the scale says so, and one waits for that. */
  byScale?: true;
  /** It is done when it tastes right. */
  byTaste?: true;
  /** It needs something to work on: a strand cannot begin with it. */
  needsStuff?: true;
  /** Where such things usually go in, when nobody says where. */
  usual?: 'pods' | 'larder';
  /** Something lives there: its readings tell the jar, not a sauce, and are never taken for the station's own pH. */
  lives?: true;
  /** Its vessels follow what comes in (g); returns the parameters with vessels of a fitting size. */
  fits?(params: P, inG: number): P;
  /** Where it is to stop cannot be, for what comes in is past it: parameters with a stop that can; null where it can. */
  pastStop?(params: P, facts: F): P | null;
  /** The vessels it packs into: what one holds, ml, and how many. */
  vessels?(params: P): { ml: number; count: number };
  /** Its own amounts follow the size of the batch; returns the parameters for `factor` times as much. */
  resize?(params: P, factor: number): P;
  /** The kind of tool it is done with. */
  tool?: ToolKind;
  /** What its weighings show of that tool by themselves; null when they show nothing. */
  teaches?(facts: F, log: StationLog): ToolLearnt | null;
  /** What a tool that is named brings along: the width of a pot. */
  byTool?(tool: Partial<Tool>): Partial<P>;
  /** What is known of the tool it is done with when none is named, by its parameters. */
  toolLike?(params: P): Partial<Tool>;
  /** What its being done showed of its own parameters, in words, and the parameters with it; null when nothing. */
  showed?(params: P, seen: Showed): { says: string; params: P } | null;
  /** What it fills; bottles when nothing is said. */
  vessel?: 'bowl';
  /** Its parameters with nothing of its own put in: what a recipe brings takes that place. */
  withoutOwn?(params: P): P;
  /** Everything usually goes in here when no other place is known: a jug, a pot. */
  gathers?: true;
  /** It is tasted and put right there, with spoons stirred in. */
  tasted?: true;
  /** It holds pulp back with these parameters. */
  sieves?(params: P): boolean;
  /** Rows of the table that it puts in itself. */
  puts?: readonly string[];
  /** By-products that may be taken further on, with their names for people. */
  gives?: Readonly<Record<string, string>>;
  /** Of these, what is kept as a lot among the pods. */
  asLot?: readonly string[];
  /** What is done there, as a recipe says it to somebody else: with its times, temperatures and limits. */
  step(view: StationView<P, F>): string;
  duties?(view: StationView<P, F>): Duty[];
  /** What is still to be done once it is done. */
  after?(view: StationView<P, F>): Duty[];
  cautions?(view: StationView<P, F>): Caution[];
  /** A station where something lives: the question its forecast answers. */
  forecast?(bowl: Parcel, params: P, known: JarKnown): ForecastInput;
  /** A station that ends a strand in bottles: what it filled. */
  bottled?(facts: F): Bottled;
  /** ml of sauce that fill the bottles of a goal. */
  wantsMl?(params: P, goal: Goal): number;
  /**
   * Whether its log says that what leaves it was heated there, done yet or not: a pH that is written down beside it was read
   * of what cooled. Only what is done has heated anything.
   */
  readHot?(params: P, log: StationLog): boolean;
  /** What it fills, as the rules of keeping see it; null where there is nothing. */
  fills?(view: StationView<P, F>): Sauce | null;
  /** The most that what it fills it into allows: an open bowl. */
  keepsAtMost?: Limit;
  /** Why it should not be ended as it stands, in a sentence, and what follows; null where nothing speaks against it. */
  doubtsEnd?(view: StationView<P, F>): string | null;
}

/** The day on which it is filled, or may be at the earliest: what is not done yet is not done before today. */
export const readyOn = ({ to, today, done }: Pick<StationView<unknown, unknown>, 'to' | 'today' | 'done'>): Day =>
  done || to > today ? to : today;

/** Parameters that cannot work with what arrives. `field` names the parameter. */
export class StationProblem extends Error {
  constructor(
    readonly field: string,
    message: string,
  ) {
    super(message);
  }
}

/** A figure as a recipe says it. */
export const sayMin = (min: number): string => {
  const n = min < 5 ? Math.round(min * 2) / 2 : Math.round(min);
  return `${n} minute${n === 1 ? '' : 's'}`;
};

/** Declares a station kind with its parameters and facts checked. */
export function station<const K extends string, P, F>(kind: StationKind<K, P, F>): StationKind<K, P, F> {
  return kind;
}
