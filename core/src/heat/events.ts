import { beliefOf, believe, learn, NO_BELIEFS, SURPRISE, type Beliefs, type TastedPart } from './learn';
import { sourceInWords, type LotHeat } from './lotHeat';
import { calibrateScale, lnShuOfScore, scoreWeight, type Scale, type Score } from './scale';

/** A believed heat was stated: from the table, a label, a laboratory, or none at all. */
export interface HeatSet {
  kind: 'set';
  lotId: string;
  heat: LotHeat | null;
  why: string;
}

/** Tasters gave scores to a sauce made of known shares of lots. */
export interface HeatTasted {
  kind: 'tasting';
  name: string;
  parts: TastedPart[];
  processSd: number;
  /** Heat of what is not a lot (powder from the larder), SHU of the sauce. */
  added?: { shu: number; sigma: number } | null;
  /** What was forecast before tasting. */
  forecast: { mu: number; sigma: number };
  scores: { taster: string; score: number }[];
}

/** A dilution test (or a match with a labelled sauce, or a laboratory) gave a heat with its log-sd. */
export interface HeatMeasured {
  kind: 'measured';
  name: string;
  how: 'dilution' | 'match' | 'lab';
  parts: TastedPart[];
  processSd: number;
  /** Heat of what is not a lot (powder from the larder), SHU of the sauce. */
  added?: { shu: number; sigma: number } | null;
  shu: number;
  sigma: number;
}

/** Tasters gave scores to a sauce of labelled heat: teaches their scales only. */
export interface HeatReference {
  kind: 'reference';
  name: string;
  labelShu: number;
  scores: { taster: string; score: number }[];
}

export type HeatEvent = HeatSet | HeatTasted | HeatMeasured | HeatReference;

/** An event as it is kept: in order of `id`; one that was taken back stays, but does not count. */
export interface KeptEvent {
  id: number;
  on: string;
  withdrawn: boolean;
  event: HeatEvent;
}

/** What an event did to a lot. */
export interface HeatStep {
  eventId: number;
  on: string;
  says: string;
  before: { dryShu: number; sigma: number } | null;
  after: { dryShu: number; sigma: number } | null;
}

export interface HeatKnowledge {
  beliefs: Beliefs;
  /** What each lot's heat is now taken for: as stated last, or as learnt since. */
  heats: Map<string, LotHeat | null>;
  /** Steps of each lot, oldest first. */
  history: Map<string, HeatStep[]>;
  scales: Map<string, Scale>;
  /** Events that were too surprising to learn from, by id. */
  refused: Map<number, number>;
}

/** Shared doubt of a tasting beyond each tongue: serving, mood, what was eaten before (log-sd, model). */
const SITTING_SD = 0.3;

/**
 * One estimate from the scores of one or more tasters, each read on their own scale and weighted by how well it is
 * known. ln SHU and its sd. Throws RangeError without scores.
 */
export function tastedHeat(scores: HeatTasted['scores'], scales: ReadonlyMap<string, Scale>): { mu: number; sd: number } {
  if (scores.length === 0) throw new RangeError('Nobody has given a score yet');
  let weight = 0;
  let sum = 0;
  for (const s of scores) {
    const { mu, sd } = lnShuOfScore(scales.get(s.taster) ?? calibrateScale([]), s.score);
    weight += 1 / sd ** 2;
    sum += mu / sd ** 2;
  }
  return { mu: sum / weight, sd: Math.sqrt(1 / weight + SITTING_SD ** 2) };
}

const times = (x: number) => (x >= 1 ? `${x.toFixed(1)} times as hot as` : `${(1 / x).toFixed(1)} times milder than`);

function compare(seenMu: number, expectedMu: number): string {
  const ratio = Math.exp(seenMu - expectedMu);
  return ratio > 0.9 && ratio < 1.12 ? 'about as forecast' : `${times(ratio)} forecast`;
}

/**
 * Everything known of the lots from all that was stated, tasted and measured, replayed in order. Taking an event back
 * is leaving it out and replaying, so undo is exact. A tasting is read on the scales as they were before it; it then
 * teaches the scales too, with the weight that its forecast deserves. `start`: what a lot is taken for where more is known
 * than was stated of it. Deterministic.
 */
export function knowledgeFrom(
  events: readonly KeptEvent[],
  sure: ReadonlySet<number> = new Set(),
  start: (lotId: string, stated: LotHeat) => LotHeat = (_, stated) => stated,
): HeatKnowledge {
  let beliefs = NO_BELIEFS;
  const history = new Map<string, HeatStep[]>();
  const heats = new Map<string, LotHeat | null>();
  const scores = new Map<string, Score[]>();
  const refused = new Map<number, number>();
  const scales = new Map<string, Scale>();
  const note = (lotId: string, step: HeatStep) => {
    const steps = history.get(lotId);
    if (steps) steps.push(step);
    else history.set(lotId, [step]);
  };
  const teach = (list: HeatTasted['scores'], shu: number, weight: number) => {
    for (const s of list) {
      const all = scores.get(s.taster) ?? [];
      all.push({ shu, score: s.score, weight });
      scores.set(s.taster, all);
      scales.set(s.taster, calibrateScale(all));
    }
  };
  for (const { id, on, withdrawn, event } of [...events].sort((x, y) => x.id - y.id)) {
    if (withdrawn) continue;
    if (event.kind === 'set') {
      const before = beliefOf(beliefs, event.lotId) ?? null;
      const heat = event.heat && start(event.lotId, event.heat);
      if (heat) beliefs = believe(beliefs, event.lotId, heat.dryShu, heat.sigma);
      heats.set(event.lotId, heat);
      const after = heat && { dryShu: heat.dryShu, sigma: heat.sigma };
      note(event.lotId, { eventId: id, on, says: heat === event.heat ? event.why : sourceInWords(heat), before, after });
      continue;
    }
    if (event.kind === 'reference') {
      teach(event.scores, event.labelShu, 1);
      continue;
    }
    const seen = event.kind === 'tasting' ? tastedHeat(event.scores, scales) : { mu: Math.log(event.shu), sd: event.sigma };
    if (event.parts.some((p) => beliefOf(beliefs, p.lotId) && p.weight > 0)) {
      const learnt = learn(beliefs, { parts: event.parts, ...seen, processSd: event.processSd, added: event.added ?? null });
      if (Math.abs(learnt.surprise) > SURPRISE && !sure.has(id)) refused.set(id, learnt.surprise);
      else {
        const expected = Math.log(
          event.parts.reduce((s, p) => s + p.weight * (beliefOf(beliefs, p.lotId)?.dryShu ?? 0), event.added?.shu ?? 0),
        );
        const verb = event.kind === 'tasting' ? 'tasted' : event.how === 'lab' ? 'measured' : event.how === 'match' ? 'matched' : 'diluted';
        for (const p of event.parts) {
          const before = beliefOf(beliefs, p.lotId);
          const after = beliefOf(learnt.beliefs, p.lotId);
          if (!before || !after) continue;
          const share = learnt.shares[event.parts.filter((q) => beliefOf(beliefs, q.lotId) && q.weight > 0).indexOf(p)] ?? 0;
          const says = `${event.name} ${verb} ${compare(seen.mu, expected)}; this lot brings ${Math.round(100 * share)} in 100 of its heat`;
          note(p.lotId, { eventId: id, on, says, before, after });
        }
        beliefs = learnt.beliefs;
        // What was learnt of one lot says something of every lot it was mixed with before.
        for (const lotId of new Set(event.parts.flatMap((p) => beliefs.get(p.lotId)?.ids ?? []))) {
          const heat = heats.get(lotId);
          const now = beliefOf(beliefs, lotId);
          if (heat && now && Math.abs(now.dryShu / heat.dryShu - 1) + Math.abs(now.sigma - heat.sigma) > 1e-9)
            heats.set(lotId, { ...now, source: 'taste' });
        }
      }
    }
    if (event.kind === 'tasting') teach(event.scores, Math.exp(event.forecast.mu), scoreWeight(event.forecast.sigma));
  }
  return { beliefs, heats, history, scales, refused };
}
