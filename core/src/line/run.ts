import { pinPh } from '../acid';
import { EMPTY, massOf, scale, type Stream } from '../matter/stream';
import type { Ingredient } from '../matter/ingredient';
import { acidWorld, type PodLot } from '../pantry';
import type { Draw } from '../stat/draw';
import { stationKind, StationProblem, type Facts, type Flow, type Outcome } from '../stations';
import { checkBalance } from './balance';
import type { BatchFile, StationLog } from './file';

/** What a station did in one run of the line. */
export interface StationRun extends Outcome {
  id: string;
  kind: string;
  input: Stream;
  known: Facts;
  /** Keys of all that went in up to here. */
  ingredients: string[];
  phMeasured: boolean;
}

/** A parameter that cannot work, with the station it belongs to. */
export class LineProblem extends Error {
  constructor(
    readonly stationId: string,
    readonly field: string,
    message: string,
  ) {
    super(message);
  }
}

const METER_SD = 0.05;
const STRIP_SD = 0.4;

/** Brings the output to a weighed mass: what is missing left somewhere, what is extra came from somewhere. */
function pinMass(outcome: Outcome, massG: number): Outcome {
  const mass = massOf(outcome.out);
  if (!(mass > 0) || Math.abs(massG - mass) < 1e-9) return outcome;
  const out = scale(outcome.out, massG / mass);
  const rest = scale(outcome.out, Math.abs(massG / mass - 1));
  if (massG < mass) {
    return { ...outcome, out, sides: [...outcome.sides, { id: 'unweighed', name: 'lost on the way', stream: rest }] };
  }
  return { ...outcome, out, additions: [...outcome.additions, { id: 'unweighed', name: 'not accounted for', stream: rest }] };
}

function pinMeasuredPh(outcome: Outcome, log: StationLog, draw: Draw, stationId: string): Outcome {
  if (log.pH === undefined || !(outcome.out.grams.water > 0)) return outcome;
  const sd = log.instrument === 'strip' ? STRIP_SD : METER_SD;
  const pH = log.pH + sd * draw.z(`reading.${stationId}`);
  return { ...outcome, out: pinPh(outcome.out, pH, acidWorld(draw)) };
}

/**
 * Runs the stations of a batch in order, in one possible world. With `measured` false the log is ignored
 * and the pure plan is run. Pure: the same file and draw give the same numbers. Mass and heat are checked at every
 * station. Throws LineProblem when a parameter cannot work.
 */
export function runLine(file: BatchFile, draw: Draw, measured = true): StationRun[] {
  const lots = new Map(file.lots.map((l) => [l.id, l]));
  const rows = new Map(file.ingredients.map((i) => [i.key, i]));
  const acids = acidWorld(draw);
  const kept = new Map<string, Flow>();
  const runs: StationRun[] = [];
  let stream = EMPTY;
  let known: Facts = {};
  let ingredients: string[] = [];
  let phMeasured = false;
  for (const entry of file.stations) {
    const kind = stationKind(entry.kind);
    const log = measured ? entry.log : {};
    const find = <T>(map: Map<string, T>, key: string, what: string): T => {
      const found = map.get(key);
      if (!found) throw new LineProblem(entry.id, '', `The file does not carry the ${what} "${key}" that ${kind.name} names.`);
      return found;
    };
    const lot = (id: string): PodLot => find(lots, id, 'pod lot');
    const ingredient = (key: string): Ingredient => find(rows, key, 'ingredient');
    let outcome: Outcome;
    try {
      outcome = kind.apply(stream, entry.params, { draw, acids, lot, ingredient, log, goal: file.goal, kept, known });
    } catch (error) {
      if (error instanceof StationProblem) throw new LineProblem(entry.id, error.field, error.message);
      throw error;
    }
    if (log.massG !== undefined) outcome = pinMass(outcome, log.massG);
    checkBalance(entry.kind, stream, outcome);
    if (!kind.ownPh) outcome = pinMeasuredPh(outcome, log, draw, entry.id);
    ingredients = [...ingredients, ...outcome.additions.map((a) => a.id)];
    // A measured pH holds until something is added or the pods are blended.
    phMeasured = log.pH !== undefined || (phMeasured && outcome.additions.length === 0 && !kind.unsettlesPh);
    const phInstrument = log.pH !== undefined ? (log.instrument ?? 'strip') : (known.phInstrument ?? null);
    const measuredPh = log.pH ?? (phMeasured ? (known.measuredPh ?? null) : null);
    runs.push({ ...outcome, id: entry.id, kind: entry.kind, input: stream, known, ingredients, phMeasured });
    known = { ...known, ...outcome.facts, phInstrument, measuredPh };
    for (const side of outcome.sides) if (side.kept) kept.set(side.id, side);
    stream = outcome.out;
  }
  return runs;
}
