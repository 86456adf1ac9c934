import { stationIn, stationsOf, type BatchFile } from '../file';
import { keepingOf, sauceOf } from '../keep';
import { drawEnsemble } from '../stat/draw';
import { quantileSorted } from '../stat/normal';
import { massOf, heatShu } from '../matter/stream';
import type { JarVerdict } from '../matter/jar';
import { propsOf, storedOf, type Parcel, type StoredStuff } from '../parcel';
import { addDays } from '../plan';
import { endOf, strandIn } from './compose';
import { runOrNull } from './ensemble';
import { graphOf, handOut, sideOutlet, strandEnd, upstreamOf } from './graph';
import { LineProblem } from './problem';
import { limitsAt, reportTypical, stationOf } from './typical';
import { runUpTo, type StationRun } from './run';
import { seedOfFile } from './seed';

/** Something a batch leaves: a side of a station, or what nobody takes of a strand's end. */
export type Leaving = { stationId: string; side: string } | { strandId: string };

/** Width of 10 to 90 % of a normal distribution, in standard deviations. */
const SPAN_80 = 2.5631;
const LEAST_SIGMA = 0.1;

const giver = (file: BatchFile, what: Leaving): string => ('side' in what ? what.stationId : endOf(strandIn(file, what.strandId)).id);
const parcelIn = (run: StationRun, what: Leaving): Parcel | undefined =>
  'side' in what ? run.sides.find((s) => s.id === what.side) : run.out;

/** Log-sd of the heat of what is left, over possible worlds. */
export function leftSigma(file: BatchFile, what: Leaving, members: number): number {
  const logs: number[] = [];
  for (const draw of drawEnsemble(seedOfFile(file), members)) {
    const run = runOrNull(() => runUpTo(file, giver(file, what), draw));
    const left = run ? parcelIn(run, what) : undefined;
    const shu = left ? heatShu(left.stream) : 0;
    if (shu > 0) logs.push(Math.log(shu));
  }
  if (logs.length < 2) return LEAST_SIGMA;
  logs.sort((a, b) => a - b);
  return Math.max(LEAST_SIGMA, (quantileSorted(logs, 0.9) - quantileSorted(logs, 0.1)) / SPAN_80);
}

/** What a batch leaves, as it is worked out with everything measured. Throws LineProblem when the line stops before it. */
function leaves(file: BatchFile, what: Leaving): Parcel | undefined {
  return parcelIn(runUpTo(file, giver(file, what)), what);
}

/**
 * How sure a jar was that this came out of, by everything that is read now; null where it came out of none. What was thrown
 * away since condemns all that had left it. Throws LineProblem when it cannot be worked out, or nothing of it is there any more.
 */
export function verdictOf(file: BatchFile, what: Leaving): JarVerdict | null {
  const from = giver(file, what);
  const before = new Set([...upstreamOf(graphOf(file), from), from]);
  if (stationsOf(file).some(({ entry }) => before.has(entry.id) && entry.log.thrownOn !== undefined)) return 'condemned';
  const now = leaves(file, what);
  if (!now || !(massOf(now.stream) > 0)) throw new LineProblem(from, '', 'Nothing of it is there any more.');
  return now.past.ferment;
}

/** The same, of what may be kept. Throws LineProblem when its jar was to be thrown away. */
function sound(file: BatchFile, what: Leaving): Parcel | undefined {
  const whole = leaves(file, what);
  if (whole?.past.ferment === 'condemned') throw new LineProblem(giver(file, what), '', 'Its jar was to be thrown away, and so is this.');
  return whole;
}

/**
 * What a batch leaves and nobody takes in it, in the typical world: the parcel whole, and how many grams of it are left.
 * Throws LineProblem when its jar was to be thrown away, or when the line stops.
 */
export function leftOf(file: BatchFile, what: Leaving): { whole: Parcel; leftG: number } | null {
  const whole = sound(file, what);
  if (!whole) return null;
  const wholeG = massOf(whole.stream);
  const takers = graphOf(file).takers.get('side' in what ? sideOutlet(what.stationId, what.side) : strandEnd(what.strandId)) ?? [];
  return { whole, leftG: wholeG * handOut(takers, wholeG).left };
}

export type KeptAs = Pick<StoredStuff, 'id' | 'name' | 'keptOn'>;

/** Something kept, by what it is and by the rules of keeping: as a sauce that is opened on the day it is kept. */
function keptAs(file: BatchFile, what: Leaving, p: Parcel, own: KeptAs, members: number): StoredStuff {
  const stationId = giver(file, what);
  const report = reportTypical(file, own.keptOn);
  const end = 'strandId' in what ? report.ends.find((e) => e.strandId === what.strandId) : undefined;
  const { clock } = stationOf(report, stationId);
  const asked = { readyOn: own.keptOn, clock, limits: limitsAt(file, report.stations, stationId) };
  const keeping = end?.keeping ?? keepingOf(sauceOf(p.stream, p.past, propsOf(p)), asked);
  if (keeping.place === 'bin') throw new LineProblem(stationId, '', 'It is to be thrown away.');
  const opened = addDays(own.keptOn, keeping.openedDays);
  const last = keeping.useBy;
  return storedOf(p, { ...own, from: file.name, useBy: last < opened ? last : opened }, leftSigma(file, what, members));
}

/** Less than this is nothing to keep, g. */
const LEAST_G = 0.5;

/** What is left as something kept, with the grams there are; null when there is nothing. Throws LineProblem. */
export function keptStuff(file: BatchFile, what: Leaving, own: KeptAs, members = 60): { stuff: StoredStuff; massG: number } | null {
  const left = leftOf(file, what);
  if (!left || !(left.leftG > LEAST_G)) return null;
  return { stuff: keptAs(file, what, left.whole, own, members), massG: left.leftG };
}

/** A bottled sauce as something that can go into another one, by g. Throws LineProblem. */
export function bottledStuff(file: BatchFile, strandId: string, own: KeptAs, members = 60): StoredStuff {
  const what = { strandId };
  return keptAs(file, what, sound(file, what)!, own, members);
}

/** The station that fills what is kept has been worked through: nothing is kept of a plan. */
export const isThere = (file: BatchFile, what: Leaving): boolean => stationIn(file, giver(file, what))?.log.doneOn !== undefined;
