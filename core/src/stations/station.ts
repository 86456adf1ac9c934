import type { TObject } from '@sinclair/typebox';
import type { AcidWorld } from '../acid';
import type { Keeping } from '../caution/bottle';
import type { Caution } from '../caution/caution';
import type { ForecastInput } from '../ferment/forecast';
import type { Fire, Preparation } from '../heat';
import type { Ingredient } from '../matter/ingredient';
import type { Grams } from '../matter/component';
import type { Stream } from '../matter/stream';
import type { PodLot } from '../pantry/lot';
import type { Day } from '../plan/date';
import type { Draw } from '../stat/draw';
import type { Goal, Reading, StationLog } from '../line/file';
import type { Props } from '../line/props';

/** A named stream entering from above or leaving below. */
export interface Flow {
  id: string;
  name: string;
  stream: Stream;
  /** Leaves as something the maker keeps (brine), not as a loss. */
  kept?: boolean;
}

/** What a station sees besides the stream. */
export interface StationContext {
  draw: Draw;
  acids: AcidWorld;
  lot(id: string): PodLot;
  ingredient(key: string): Ingredient;
  /** Measurements of this station; empty when only the plan is run. */
  log: StationLog;
  goal: Goal;
  /** By-products of earlier stations that may be taken again, by id. Taking replaces the entry with the rest. */
  kept: Map<string, Flow>;
  /** Facts found by the stations before this one, merged (a later one wins): how the pods are cut, the brine's strength. */
  known: Facts;
}

/** Plain facts a station found out, for its panel. */
export type Facts = Record<string, number | string | boolean | null>;

export interface Outcome {
  out: Stream;
  additions: Flow[];
  sides: Flow[];
  /** Components turned into others within the station; sums to zero grams. */
  change?: Partial<Grams>;
  /** Heat load lost within the station, SHU g. */
  heatLossShuG?: number;
  facts: Facts;
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

/** A thing to do, when and why. */
export interface Duty {
  /** Stable within the batch, so that it can be ticked off. */
  key: string;
  text: string;
  why: string;
  due: Day;
}

/** A station as the rules and duties see it, after the line was run. */
export interface StationView<P> {
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
  before: Props;
  after: Props;
  facts: Facts;
  /** Facts of the stations before it, merged. */
  known: Facts;
  /** True when the pH of `after` was measured here or is unchanged since it was. */
  phMeasured: boolean;
  /** Keys of everything that went in up to here. */
  ingredients: readonly string[];
}

/**
 * A kind of station: one file each. `apply` never touches a clock or chance other than the draw, and
 * throws StationProblem when the parameters cannot work with this stream.
 */
export interface StationKind<P = unknown> {
  kind: string;
  name: string;
  /** What the maker does there, in a few words. */
  verb: string;
  schema: TObject;
  defaults(): P;
  /** Days spent there by plan. */
  days(params: P): number;
  apply(input: Stream, params: P, context: StationContext): Outcome;
  /** The station reads log.pH itself (a ferment's lactic acid); otherwise the line shifts the strong ions. */
  ownPh?: true;
  /** A pH measured before this says nothing about what comes out (whole pods become a sauce): measure anew. */
  unsettlesPh?: true;
  /** Its amounts follow the size of the batch; returns the parameters for `factor` times as much. */
  resize?(params: P, factor: number): P;
  needs?(params: P): Need[];
  /** The station that takes pods: how they stand in its parameters. */
  pods?: { read(params: P): PodUse[]; write(params: P, uses: PodUse[]): P };
  /** The station that takes things from the larder into the jug. */
  extras?: { write(params: P, items: { id: string; massG: number; words?: string }[]): P };
  /** It holds pulp back with these parameters. */
  sieves?(params: P): boolean;
  /** Ids the parameters name, so that a file can carry what they mean. */
  names?(params: P): { lots: string[]; ingredients: string[] };
  duties?(view: StationView<P>): Duty[];
  cautions?(view: StationView<P>): Caution[];
  /** A station where something lives: the question its forecast answers. */
  forecast?(input: Stream, params: P, known: Facts, members: number, seed: number): ForecastInput;
  /** A station that ends in bottles: how they keep. */
  keeping?(view: StationView<P>): Keeping;
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

/** Declares a station kind with its parameter type checked against its schema. */
export function station<P>(kind: StationKind<P>): StationKind<P> {
  return kind;
}
