import { INSTRUMENT_SD } from '../parcel/past';
import { byTime, type JarJudgement, type JarReading } from './judge';
import { signVerdict, type JarSign } from './signs';

/** Two readings of a finished jar are at least so many days apart, and it gives off less than a bubble a minute (section 5.1). */
export const APART_D = 2;
export const QUIET_BUBBLES = 1;
/** A look at the jar is good for so long, days (our judgement). */
const LOOK_LASTS_D = 3;

/** What a strip may be off by, pH (its sd). */
const STRIP_OFF = INSTRUMENT_SD.strip;

/** What an older calibration adds to what a meter may be off by: a goal is the maker's own, and no limit. */
const olderBy = (r: JarReading): number => ONE_SIDED_95 * Math.max(0, r.sd - INSTRUMENT_SD.meter);
const ONE_SIDED_95 = 1.645;

/** What was seen besides pH: bubbles a minute, by day. */
export interface JarBubbles {
  day: number;
  perMin: number;
}
export const READY_STEPS = ['days', 'first', 'second', 'quiet', 'looks'] as const;
export type ReadyStep = (typeof READY_STEPS)[number];
export interface Readiness {
  ready: boolean;
  /** Every thing that must be: whether it is, and what is missing, in a sentence. */
  steps: { step: ReadyStep; is: boolean; says: string }[];
}

/**
 * Whether a jar is done, by what was measured and seen, and what is missing (handbook chapter 4, section 5.1: all of it). A
 * strip shows no more than that it is near, but may show that it is not; a forecast counts for nothing; a jar that is
 * condemned is never done. `day` is days since it was packed, `verdict` what all its readings say of it.
 */
export function readinessOf(
  jar: { targetPh: number; leastDays: number; day: number; verdict: JarJudgement['verdict'] },
  readings: readonly JarReading[],
  bubbles: readonly JarBubbles[] = [],
  signs: readonly JarSign[] = [],
): Readiness {
  const list = byTime(readings);
  const low = (r: JarReading) => r.instrument === 'meter' && r.pH + olderBy(r) <= jar.targetPh;
  // What rose again begins anew; a strip has to be above by more than it may be off.
  const above = list.findLastIndex((r) => (r.instrument === 'meter' ? !low(r) : r.pH - STRIP_OFF > jar.targetPh));
  const since = list.slice(above + 1).filter(low);
  const first = since[0] ?? null;
  const second = first ? (since.find((r) => r.day - first.day >= APART_D - 0.25) ?? null) : null;
  const last = [...bubbles].sort((a, b) => a.day - b.day).at(-1) ?? null;
  const looks = [...signs].sort((a, b) => a.day - b.day);
  const latest = looks.at(-1);
  // What was seen a day ago is not gone because the next look found nothing.
  const seen = latest ? looks.filter((s) => latest.day - s.day < 1).map((s) => s.sign) : [];
  const verdict = signVerdict(seen);
  const fresh = latest !== undefined && jar.day - latest.day <= LOOK_LASTS_D;
  const target = jar.targetPh.toFixed(1);
  const condemned = jar.verdict === 'condemned';
  const looksText = () => {
    if (condemned) return 'nothing that ever condemned it: this jar is to be thrown away';
    return verdict && verdict.verdict !== 'keep' ? `a clean look: ${verdict.act}` : 'looked at and smelt, nothing odd';
  };
  const steps: Readiness['steps'] = [
    { step: 'days', is: jar.day >= jar.leastDays, says: `${jar.leastDays} days at least` },
    { step: 'first', is: first !== null, says: `pH ${target} or below, by a meter` },
    { step: 'second', is: second !== null, says: `the same again, ${APART_D} days later` },
    {
      step: 'quiet',
      is: last !== null && last.perMin < QUIET_BUBBLES && jar.day - last.day <= LOOK_LASTS_D,
      says:
        last && last.perMin >= QUIET_BUBBLES
          ? `quiet: it still gave ${last.perMin} bubbles a minute`
          : 'quiet: less than a bubble a minute, counted',
    },
    { step: 'looks', is: !condemned && verdict?.verdict === 'keep' && fresh, says: looksText() },
  ];
  return { ready: jar.verdict === 'acid' && steps.every((s) => s.is), steps };
}
