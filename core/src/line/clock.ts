import { LEGAL_PH } from '../ferment';
import type { BatchFile } from '../file';
import { joinClocks, lastDayOf, measuredSour, NO_CLOCK, sauceOf, souredSince, type Clock } from '../keep';
import { PRODUCE, type Food } from '../matter/food';
import { massOf } from '../matter/stream';
import { phOf, propsOf, type Parcel } from '../parcel';
import { daysBetween, type Day } from '../plan';
import { stationKind } from '../stations';
import { graphOf, type Node } from './graph';
import type { StationRun } from './run';
import { schedule } from './schedule';

/** Clocks of what comes out of each station, and what is said of how long it stood before. */
export interface Clocks {
  out: ReadonlyMap<string, Clock>;
  /** Days that what came along stood before it was worked on here, by station; 0 where it went straight on. */
  waited: ReadonlyMap<string, number>;
}

/** What spoils once it is cut, opened or wet. */
const SPOILS: readonly Food[] = [...PRODUCE, 'nut', 'dairy', 'egg', 'meat', 'fish', 'unknown'];
/** Less water than this and it is a packet still, share of the mass (our judgement: dried pods, sugar, honey). */
const WET = 0.25;
const canSpoil = ({ stream, past }: Parcel): boolean =>
  massOf(stream) > 0 && stream.grams.water > WET * massOf(stream) && SPOILS.some((f) => past.foods.has(f));

/** What goes in makes it sourer by more than this: what it was before, no later reading tells. */
const SOURER = 0.05;
function turnsSour(before: Parcel, after: Parcel): boolean {
  const a = phOf(before.stream);
  const b = a && phOf(after.stream, undefined, a);
  return a !== null && b !== null && b.pH < a.pH - SOURER;
}

/** What arrives somewhere on a day: what was good until a day before that is past it, and stays so. */
function arrived(p: Parcel, clock: Clock, on: Day): Clock {
  const sour = p.past.ph !== null && p.past.ph.value <= LEGAL_PH ? measuredSour(clock) : clock;
  if (sour.late || sour.since === null) return sour;
  const sauce = sauceOf(p.stream, p.past, propsOf(p));
  const last = lastDayOf(sauce, sour)!;
  return last < on ? { ...sour, late: { stood: daysBetween(sour.since, on), might: daysBetween(sour.since, last) } } : sour;
}

/**
 * A day on which a station is worked, from its plan and its log. What is not done yet is not begun before today, but for what
 * stands for days: that stands since the step before it was done.
 */
function workedOn(file: BatchFile, { entry, feeders }: Node, today: Day): { begins: Day; ends: Day } {
  const dates = schedule(file);
  const { from, to, done } = dates.get(entry.id)!;
  const lasts = stationKind(entry.kind).days(entry.params) > 0;
  if (done) return { begins: lasts ? from : to, ends: to };
  const stands = lasts && feeders.length > 0 && feeders.every((f) => dates.get(f)!.done);
  const begins = stands || from > today ? from : today;
  return { begins, ends: to > begins ? to : begins };
}

/**
 * The clock of keeping along a line (handbook chapter 6, section 1), in the typical world: what is cut, ground, soaked or
 * opened begins to spoil on that day, heat within its days and an opened jar begin anew, a mix has the earlier day, and what
 * was past its days stays so. Between two stations the fridge is assumed.
 */
export function clocksOf(file: BatchFile, runs: readonly StationRun[], today: Day): Clocks {
  const graph = graphOf(file);
  const stored = new Map(file.stored.map((s) => [s.id, s]));
  const out = new Map<string, Clock>();
  const waited = new Map<string, number>();
  for (const node of graph.order) {
    const run = runs.find((r) => r.id === node.id);
    if (!run) continue;
    const { begins, ends } = workedOn(file, node, today);
    let clock = NO_CLOCK;
    const arrives = (p: Parcel, of: Clock) => {
      if (!(massOf(p.stream) > 0)) return;
      clock = joinClocks(clock, arrived(p, of, begins));
    };
    if (node.before !== null) {
      arrives(run.along, out.get(node.before)!);
      const gap = daysBetween(workedOn(file, graph.nodes.get(node.before)!, today).ends, begins);
      waited.set(node.id, massOf(run.along.stream) > 0 ? Math.max(0, gap) : 0);
    }
    for (const { intake, flow, stays } of run.taken) {
      const { origin } = intake;
      if (!(massOf(flow.stream) > 0)) continue;
      if (origin.from === 'stored') {
        const { keptOn, useBy } = stored.get(origin.id)!;
        const late = begins > useBy ? { stood: daysBetween(keptOn, begins), might: Math.max(0, daysBetween(keptOn, useBy)) } : null;
        clock = joinClocks(clock, { ...NO_CLOCK, since: keptOn < begins ? keptOn : begins, late });
      }
      if (origin.from === 'side') arrives(stays, out.get(origin.stationId)!);
      if (origin.from === 'strand') arrives(stays, out.get(file.strands.find((s) => s.id === origin.strandId)!.stations.at(-1)!.id)!);
    }
    // Only what stood warm is asked.
    if (clock.warmH > 0 && massOf(run.along.stream) > 0 && turnsSour(run.along, run.bowl)) clock = souredSince(clock);
    const warmH = run.warmH ?? 0;
    if (run.anew) clock = { ...clock, since: clock.since === null && !canSpoil(run.out) ? null : ends };
    else if (clock.since === null && (canSpoil(run.out) || canSpoil(run.bowl))) clock = { ...clock, since: begins };
    out.set(node.id, { ...clock, warmH: clock.warmH + warmH });
  }
  return { out, waited };
}
