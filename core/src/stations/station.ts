import type { TObject } from '@sinclair/typebox';
import type { AcidWorld } from '../acid';
import type { Caution } from '../caution/caution';
import type { ForecastInput } from '../ferment/forecast';
import type { Goal, Reading, StationLog } from '../file';
import type { Fire, Preparation } from '../heat';
import type { Keeping } from '../keep';
import type { Limit } from '../keep/limit';
import type { Grams } from '../matter/component';
import type { Ingredient } from '../matter/ingredient';
import type { PodLot } from '../pantry/lot';
import type { Parcel, Past, Props } from '../parcel';
import type { Day } from '../plan/date';
import type { Draw } from '../stat/draw';

/** A named parcel entering from above or leaving below. */
export interface Flow extends Parcel {
  id: string;
  name: string;
  /** Leaves as something the maker keeps (brine), not as a loss. */
  kept?: boolean;
}

/** What a station sees besides the parcel. */
export interface StationContext {
  draw: Draw;
  acids: AcidWorld;
  lot(id: string): PodLot;
  ingredient(key: string): Ingredient;
  /** Measurements of this station, and its readings; empty when only the plan is run. */
  log: StationLog;
  /** The measured pH of what comes out, in this world (with the instrument's error); null when none counts. */
  pH: number | null;
  readings: readonly Reading[];
  /** Days of this station, from the plan and what was logged. */
  from: Day;
  to: Day;
  goal: Goal;
  /** By-products of earlier stations that may be taken again, by id. Taking replaces the entry with the rest. */
  kept: Map<string, Flow>;
}

export interface Outcome<F = unknown> {
  out: Parcel;
  additions: Flow[];
  sides: Flow[];
  /** Components turned into others within the station; sums to zero grams. */
  change?: Partial<Grams>;
  /** Heat load lost within the station, SHU g. */
  heatLossShuG?: number;
  /** What its panel shows; null when there was nothing to work on. */
  facts: F | null;
}

/** What a station takes out of stock when it is done. */
export interface Need {
  store: 'pods' | 'larder';
  id: string;
  massG: number;
}

/** Pods that a station takes from the store, and what is done to them. */
export interface PodUse {
  lotId: string;
  massG: number;
  prep: Preparation;
  fire?: Fire;
}

/** Something from the larder that goes into the jug. */
export interface Extra {
  id: string;
  massG: number;
  words?: string;
}

/** A thing to do, when and why. */
export interface Duty {
  /** Stable within the batch, so that it can be ticked off. */
  key: string;
  text: string;
  why: string;
  due: Day;
}

/** A station as the rules and duties see it, after the line was run. */
export interface StationView<P, F> {
  params: P;
  log: StationLog;
  readings: readonly Reading[];
  goal: Goal;
  /** First and last day at this station. */
  from: Day;
  to: Day;
  today: Day;
  done: boolean;
  /** The station before it is done, so this one can be worked on. */
  active: boolean;
  after: Props;
  out: Parcel;
  /** What the parcel was like before. */
  past: Past;
  facts: F | null;
  /** The pH of `after` was measured on just this stuff. */
  phMeasured: boolean;
}

/** What a line that ends in bottles fills. */
export interface Bottled {
  filled: number;
  possible: number;
  overMl: number;
}

/**
 * A kind of station: one file each. `apply` never touches a clock or chance other than the draw, and
 * throws StationProblem when the parameters cannot work with this parcel.
 */
export interface StationKind<K extends string = string, P = unknown, F = unknown> {
  kind: K;
  name: string;
  /** What the maker does there, in a few words. */
  verb: string;
  schema: TObject;
  defaults(): P;
  /** Days spent there by plan. */
  days(params: P): number;
  apply(input: Parcel, params: P, context: StationContext): Outcome<F>;
  /** Something lives there: its readings tell the jar, not a sauce, and are never taken for the station's own pH. */
  lives?: true;
  /** Its vessels follow what comes in (g); returns the parameters with vessels of a fitting size. */
  fits?(params: P, inG: number): P;
  /** Its amounts follow the size of the batch; returns the parameters for `factor` times as much. */
  resize?(params: P, factor: number): P;
  needs?(params: P): Need[];
  /** The station that takes pods: how they stand in its parameters. */
  pods?: { read(params: P): PodUse[]; write(params: P, uses: PodUse[]): P };
  /** The station that takes things from the larder into the jug. */
  extras?: { read(params: P): Extra[]; write(params: P, items: Extra[]): P };
  /** It holds pulp back with these parameters. */
  sieves?(params: P): boolean;
  /** Ids the parameters name, so that a file can carry what they mean. */
  names?(params: P): { lots: string[]; ingredients: string[] };
  duties?(view: StationView<P, F>): Duty[];
  cautions?(view: StationView<P, F>): Caution[];
  /** A station where something lives: the question its forecast answers. */
  forecast?(input: Parcel, params: P, members: number, seed: number): ForecastInput;
  /** A station that ends in bottles: what it filled, and how that keeps; `limits` are those of the batch's cautions. */
  bottled?(facts: F): Bottled;
  keeping?(view: StationView<P, F>, limits: readonly Limit[]): Keeping;
}

/** Parameters that cannot work with what arrives. `field` names the parameter. */
export class StationProblem extends Error {
  constructor(
    readonly field: string,
    message: string,
  ) {
    super(message);
  }
}

/** Declares a station kind with its parameters and facts checked. */
export function station<const K extends string, P, F>(kind: StationKind<K, P, F>): StationKind<K, P, F> {
  return kind;
}
