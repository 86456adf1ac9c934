import { gramsOf, mapStations, stationIn, type BatchFile, type Intake, type Round, type StationEntry } from '../file';
import type { Ingredient } from '../matter/ingredient';
import type { PodLot } from '../pantry';
import { stationKind } from '../stations';
import { carry, endOf, endStrands } from './compose';
import { graphOf, upstreamOf } from './graph';
import { freeId } from './put';

type Put = Round['put'][number];
const originOf = (p: Put): Intake['origin'] =>
  p.from === 'larder' ? { from: 'larder', key: p.of } : { from: 'pods', lotId: p.of, prep: 'whole' };
const isOf = (i: Intake, p: Put) =>
  i.origin.from === 'larder'
    ? p.from === 'larder' && i.origin.key === p.of
    : i.origin.from === 'pods' && p.from === 'pods' && i.origin.lotId === p.of;
/** Below this nothing is left of an intake, g. */
const NOTHING_G = 0.005;
/** Hundredths of a gram: no kitchen scale shows more. */
const shown = (g: number) => Math.round(g * 100) / 100;

/** Intakes with more (sign 1) or less (-1) of what a round put in; `late`: once the work there is over. */
function moved(intakes: readonly Intake[], put: readonly Put[], sign: 1 | -1, late: boolean): Intake[] {
  let next = [...intakes];
  for (const p of put) {
    const had = next.find((i) => isOf(i, p) && (i.late ?? false) === late);
    const g = (had ? (gramsOf(had.amount) ?? 0) : 0) + sign * p.g;
    // The words of a spoon stay with its round: the intake is what all rounds come to.
    if (had) next = next.flatMap((i) => (i !== had ? [i] : g > NOTHING_G ? [{ ...i, amount: { g: shown(g) } }] : []));
    else if (sign > 0)
      next.push({ id: freeId({ intakes: next }, p.of), origin: originOf(p), amount: { g: shown(p.g) }, ...(late ? { late } : {}) });
  }
  return next;
}

/**
 * A station with what a round stirred in (sign 1), or without it again. What is tasted is what came of the work: nothing of a
 * round was boiled or chopped with the rest. What was weighed weighs so much more, for a round is weighed in.
 */
function stirredIn<S extends StationEntry>(s: S, put: readonly Put[], sign: 1 | -1): S {
  const g = sign * put.reduce((sum, p) => sum + p.g, 0);
  const { massG } = s.log;
  const log = massG === undefined || massG + g <= 0 ? s.log : { ...s.log, massG: shown(massG + g) };
  return { ...s, log, intakes: moved(s.intakes, put, sign, stationKind(s.kind).lasts === true) };
}

/** Why nothing can be stirred in at a station any more, in a sentence; null where it can. */
export function whyNoRound(file: BatchFile, stationId: string): string | null {
  const entry = stationIn(file, stationId);
  if (!entry) return 'This station is not there any more.';
  if (!stationKind(entry.kind).tasted) return `${stationKind(entry.kind).name} is no place to taste and put right. Add a Trim to the line.`;
  const graph = graphOf(file);
  const done = graph.order.filter((n) => n.entry.log.doneOn !== undefined && upstreamOf(graph, n.id).has(stationId));
  const ends = new Set(endStrands(file).map((s) => endOf(s).id));
  const last = done.find((n) => ends.has(n.id)) ?? done[0];
  if (!last) return null;
  const { name } = stationKind(last.entry.kind);
  return ends.has(last.id)
    ? `${name} is done already: what is filled cannot be put right here. Mark it as not done, or take a bottle to the Bench.`
    : `${name} is done already: what went on cannot be put right here any more. Taste it at a station that is still to come.`;
}

/**
 * The batch with a round of tasting at a station: its words are kept, and what it puts in goes in. Throws RangeError where
 * nothing can be stirred in.
 */
export function withRound(
  file: BatchFile,
  stationId: string,
  round: Round,
  rows: readonly Ingredient[],
  lots: readonly PodLot[],
): BatchFile {
  const why = round.put.length > 0 || !stationIn(file, stationId) ? whyNoRound(file, stationId) : null;
  if (why) throw new RangeError(why);
  const next = mapStations(file, (s) => {
    if (s.id !== stationId) return s;
    const stirred = stirredIn(s, round.put, 1);
    return { ...stirred, log: { ...stirred.log, rounds: [...(s.log.rounds ?? []), round] } };
  });
  return carry(next, lots, rows);
}

/** The batch without a round, and without what it put in, as far as that is still there. */
export function withoutRound(file: BatchFile, stationId: string, roundId: string): BatchFile {
  const next = mapStations(file, (s) => {
    const round = s.id === stationId ? s.log.rounds?.find((r) => r.id === roundId) : undefined;
    if (!round) return s;
    const rest = s.log.rounds!.filter((r) => r !== round);
    const stirred = stirredIn(s, round.put, -1);
    const { rounds: _, ...log } = stirred.log;
    return { ...stirred, log: rest.length > 0 ? { ...log, rounds: rest } : log };
  });
  return carry(next, [], []);
}
