import {
  BLOCK_H,
  blockTemps,
  drawOf,
  driftAt,
  jarParameters,
  learntJarOf,
  livelyOf,
  naturalOf,
  shownPath,
  simulateJar,
  type ForecastInput,
  type JarJudgement,
  type LearntJar,
} from '../ferment';
import { isLearnt, learntOf, type BatchFile } from '../file';
import type { Parcel } from '../parcel';
import { daysBetween, type Day } from '../plan';
import { seedOf, type Draw } from '../stat/draw';
import { normalCdf } from '../stat/normal';
import { anyJar, readingsOfJar, slowestJar, stationKind, type JarTold } from '../stations';
import type { Node } from './graph';
import { jarsOf, readingsAt } from './jars';
import { schedule } from './schedule';
import { seedOfFile } from './seed';
import { toolAt } from './toolAt';

/**
 * What the forecast of a jar is asked, with all that is known of it; null where nothing lives, or nothing is there. Of
 * several jars that are told apart it is `jar`, else the one that is furthest behind.
 */
export function jarAsked(file: BatchFile, { entry, strand }: Node, bowl: Parcel, today: Day | null, jar?: number): ForecastInput | null {
  const { forecast } = stationKind(entry.kind);
  if (!forecast || !(bowl.stream.grams.water > 0)) return null;
  const { from, to } = schedule(file).get(entry.id)!;
  const tool = toolAt(file, entry);
  const all = readingsAt(file, entry);
  const of = jar ?? slowestJar(all, jarsOf(strand, entry).left);
  return forecast(bowl, entry.params, {
    readings: of === null ? all : readingsOfJar(all, of),
    log: entry.log,
    ...{ from, to },
    lively: tool && isLearnt(tool) ? learntOf(tool) : null,
    seed: seedOf(`${seedOfFile(file)} ${entry.id}`),
    now: today === null || today < from ? null : daysBetween(from, today),
  });
}

/** The jar of a station as its readings and its thermometer tell it; null where neither was there. `bowl` is the typical one. */
export function jarTold(file: BatchFile, node: Node, bowl: Parcel): JarTold | null {
  const asked = jarAsked(file, node, bowl, null);
  if (!asked || (asked.readings.length === 0 && asked.temps.length === 0 && !asked.conditions.vigour)) return null;
  const { conditions, temps } = asked;
  let judged: JarJudgement | null = null;
  const once = (make: () => JarJudgement) => (judged ??= make());
  if (asked.readings.length === 0)
    return {
      ...{ conditions, temps, judged: once, lacticPct: () => 0 },
      jarOf: anyJar,
      lively: () => null,
    };
  // Learnt when it is asked for: a jar whose reading decides by itself never is.
  let known: LearntJar | null = null;
  const learnt = () => (known ??= learntJarOf(asked));
  const lactic = new Map<number, number>();
  const days = stationKind(node.entry.kind).days(node.entry.params);
  return {
    ...{ conditions, temps, judged: once },
    lacticPct: (day) => {
      const had = lactic.get(day) ?? lacticPctOf(learnt(), asked, day);
      lactic.set(day, had);
      return had;
    },
    lively: () => {
      const [lively, natural] = [livelyOf(learnt()), naturalOf(learnt())];
      return lively || natural ? { ...(lively ?? SAYS_NOTHING), ...(natural ? { natural } : {}) } : null;
    },
    jarOf: (own) => {
      const j = own.typical ? middleOf(learnt(), asked, days) : sliceOf(own, learnt().members.length);
      return { z: drawOf(learnt().members[j]!), drift: (day) => driftAt(learnt().drifts[j]!, day) };
    },
  };
}
/** Of the jars that fit the readings so many are asked how much acid they made: a middle needs no more. */
const ASKED = 60;
/** g/mol. */
const LACTIC_MOLAR_MASS = 90.08;
/** Lactic acid made in the liquid by a day, %, in the middle of the jars that fit the readings. */
function lacticPctOf(learnt: LearntJar, asked: ForecastInput, day: number): number {
  const blocks = Math.max(1, Math.ceil((day * 24) / BLOCK_H));
  const temps = blockTemps(asked.temps, asked.tempC, blocks);
  const step = Math.max(1, Math.floor(learnt.members.length / ASKED));
  const made = learnt.members
    .filter((_, i) => i % step === 0)
    .map((z) => simulateJar(jarParameters(learnt.conditions, drawOf(z)), temps).lactate[blocks]! - learnt.conditions.lactate0)
    .sort((a, b) => a - b);
  // mmol/l to g in 100 ml, which is % of a liquid near 1 g/ml.
  return (made[Math.floor(made.length / 2)]! * LACTIC_MOLAR_MASS) / 10_000;
}

/** Of the liveliness, where only the natural pH was told. */
const SAYS_NOTHING = { log: 0, sd: 3 } as const;
/** Which of the members a world takes: evenly, one slice of the worlds each. */
const sliceOf = (own: Draw, count: number): number => Math.min(count - 1, Math.floor(normalCdf(own.z('jar')) * count));

const middles = new WeakMap<LearntJar, Map<string, number>>();
/** How many points of its way a member is held against the middle of all at. */
const POINTS = 8;
/** The member whose way stays nearest to the middle of all of them: a jar that may be, where a mean of jars may not. */
function middleOf(learnt: LearntJar, asked: ForecastInput, days: number): number {
  let known = middles.get(learnt);
  if (!known) middles.set(learnt, (known = new Map()));
  const key = `${days} ${asked.tempC}`;
  const had = known.get(key);
  if (had !== undefined) return had;
  const blocks = Math.max(POINTS, Math.round((days * 24) / BLOCK_H));
  const temps = blockTemps(asked.temps, asked.tempC, blocks);
  const paths = learnt.members.map((z, j) => shownPath(learnt, j, simulateJar(jarParameters(learnt.conditions, drawOf(z)), temps).pH));
  const off = new Float64Array(paths.length);
  for (let k = 1; k <= POINTS; k++) {
    const at = Math.round((k * blocks) / POINTS);
    const middle = [...paths.map((p) => p[at]!)].sort((a, b) => a - b)[Math.floor(paths.length / 2)]!;
    paths.forEach((p, j) => (off[j]! += (p[at]! - middle) ** 2));
  }
  const best = off.indexOf(Math.min(...off));
  known.set(key, best);
  return best;
}
