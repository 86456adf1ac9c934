import { mapStations, type BatchFile, type Intake } from '../file';
import { freeId, graphOf, LineProblem, runUpTo, upstreamOf } from '../line';
import { massOf } from '../matter/stream';
import type { RecipeThing } from '../method';
import { stationKind } from '../stations';

/** Brine or soaking water that a recipe puts back: the station that takes it, and the one that leaves it. */
export interface LeavingIntake {
  to: string;
  from: string;
  thing: RecipeThing;
  late: boolean;
}

/** Nearly all of it is all of it. */
const ALL = 0.98;

/** g that a station leaves of its side, as the file stands; 0 where it leaves none, or cannot be worked out. */
function leftG(file: BatchFile, from: string, side: string): number {
  try {
    const found = runUpTo(file, from).sides.find((s) => s.id === side);
    return found ? massOf(found.stream) : 0;
  } catch (e) {
    if (e instanceof LineProblem) return 0;
    throw e;
  }
}

/** A line with what its stations leave put back where the recipe says: never more than is there. */
export function withLeavings(file: BatchFile, leavings: readonly LeavingIntake[]): BatchFile {
  let out = file;
  const taken = new Map<string, number>();
  for (const { to, from, thing, late } of leavings) {
    const stations = out.strands.flatMap((s) => s.stations);
    const giver = stations.find((s) => s.id === from);
    const entry = stations.find((s) => s.id === to);
    const [side] = Object.keys((giver && stationKind(giver.kind).gives) ?? {});
    if (!giver || !entry || side === undefined || giver === entry || upstreamOf(graphOf(out), from).has(to)) continue;
    const allG = leftG(file, from, side);
    const free = 1 - (taken.get(from) ?? 0);
    const share = Math.min(free, thing.g === null ? (thing.leaving?.share ?? 1) : allG > 0 ? thing.g / allG : 0);
    if (!(share > 0)) continue;
    taken.set(from, (taken.get(from) ?? 0) + share);
    const grams = thing.g !== null && share < ALL * free;
    const amount = grams
      ? { g: Math.round(thing.g! * 10) / 10, words: thing.item.text.slice(0, 80) }
      : { pct: Math.round(1000 * share) / 10 };
    const intake: Intake = {
      id: freeId(entry, side),
      origin: { from: 'side', stationId: from, side },
      amount,
      ...(late ? { late: true } : {}),
    };
    out = mapStations(out, (s) => (s.id === to ? { ...s, intakes: [...s.intakes, intake] } : s));
  }
  return out;
}
