import { FROM_TIME_TO_TIME, NATURAL, seenLog, TOOL_KINDS, UNKNOWN, type Tool, type ToolKind } from '../file/tool';
import { VIGOUR } from '../ferment/priors';
import { beliefOf, knowledgeFrom, lotSigma, type KeptEvent, type LotHeat } from '../heat';
import type { Palate } from '../solve/trim/rails';
import { STATION_KINDS } from '../stations';
import { commonVariety } from './common';
import { LEARNT_FORMAT, LEARNT_VERSION, type LearntFile, type LearntPods, type LearntTools } from './file';
import { middleOf, type Known } from './middle';

/** A lot of which something was learnt: its variety, and whether it was made here of another lot. */
export interface LotOf {
  varietyId: string;
  made: boolean;
}

/** What a kitchen knows that others may learn from. */
export interface KitchenKnows {
  kitchen: string;
  book: readonly KeptEvent[];
  sure: ReadonlySet<number>;
  lots: ReadonlyMap<string, LotOf>;
  tools: readonly Tool[];
  palate: Palate;
}

/** Kinds of things that learn from what was done with them. */
const LEARNING: readonly ToolKind[] = TOOL_KINDS.filter((t) => STATION_KINDS.some((k) => k.tool === t && k.teaches));

const DIGITS = 4;
const short = (x: number) => Number(x.toPrecision(DIGITS));

/**
 * What was seen of a lot itself, ln of SHU per g of dry matter: what tasting and measuring added to what was stated of it, and
 * what a laboratory said. Figures of packets and labels are others' words, and no evidence. Null where nothing was seen.
 */
function seenOf(stated: LotHeat, believed: { dryShu: number; sigma: number } | undefined, made: boolean): Known | null {
  let weight = 0;
  let sum = 0;
  const more = believed ? 1 / believed.sigma ** 2 - 1 / stated.sigma ** 2 : 0;
  // Less than a hundredth of what was known is rounding.
  if (believed && more > 0.01 / stated.sigma ** 2) {
    weight += more;
    sum += Math.log(believed.dryShu) / believed.sigma ** 2 - Math.log(stated.dryShu) / stated.sigma ** 2;
  }
  if (stated.source === 'lab' && !made) {
    weight += 1 / stated.sigma ** 2;
    sum += Math.log(stated.dryShu) / stated.sigma ** 2;
  }
  return weight > 0 ? { mean: sum / weight, sd: 1 / Math.sqrt(weight) } : null;
}

/** What lots of each variety of the table were found to be. Lots tasted in one sauce count as if each were seen alone. */
function podsLearnt({ book, sure, lots }: KitchenKnows): LearntPods[] {
  const { beliefs } = knowledgeFrom(book, sure);
  const stated = new Map(book.flatMap((e) => (e.event.kind === 'set' && !e.withdrawn ? [[e.event.lotId, e.event.heat] as const] : [])));
  const seen = new Map<string, Known[]>();
  for (const [lotId, heat] of stated) {
    const lot = lots.get(lotId);
    if (!lot || !heat || !commonVariety(lot.varietyId)) continue;
    const known = seenOf(heat, beliefOf(beliefs, lotId), lot.made);
    if (known) seen.set(lot.varietyId, [...(seen.get(lot.varietyId) ?? []), known]);
  }
  return [...seen]
    .map(([id, all]) => {
      const { low, high } = commonVariety(id)!.shuDry;
      const middle = middleOf(all, lotSigma(low, high));
      return { variety: id, lots: all.length, dryShu: short(Math.exp(middle.mean)), sd: short(Math.min(3, middle.sd)) };
    })
    .sort((a, b) => a.variety.localeCompare(b.variety));
}

/** What the weighings of one thing say, without what others said of its kind. */
function meanSeen(seen: readonly { value: number; sd: number }[], between: number): Known {
  const weights = seen.map((s) => 1 / (s.sd ** 2 + between ** 2));
  const all = weights.reduce((s, w) => s + w, 0);
  return { mean: seen.reduce((s, x, i) => s + weights[i]! * x.value, 0) / all, sd: 1 / Math.sqrt(all) };
}

function kindLearnt(tools: readonly Tool[], kind: ToolKind): LearntTools | null {
  const own = tools.filter((t) => t.kind === kind && t.seen.length > 0);
  if (own.length === 0) return null;
  const middle = middleOf(
    own.map((t) =>
      meanSeen(
        t.seen.map((s) => ({ value: seenLog(kind, s), sd: s.sd })),
        FROM_TIME_TO_TIME,
      ),
    ),
    UNKNOWN[kind],
  );
  const told = own
    .map((t) => t.seen.flatMap((s) => (s.natural ? [{ value: s.natural.off, sd: s.natural.sd }] : [])))
    .filter((n) => n.length);
  const natural =
    told.length > 0
      ? middleOf(
          told.map((n) => meanSeen(n, NATURAL.between)),
          NATURAL.unknown,
        )
      : null;
  return {
    kind,
    tools: own.length,
    seen: own.reduce((s, t) => s + t.seen.length, 0),
    log: Math.max(-5, Math.min(5, short(middle.mean))),
    sd: short(Math.min(3, middle.sd)),
    ...(kind === 'place' ? { table: VIGOUR.median } : {}),
    ...(natural ? { natural: { off: Math.max(-0.5, Math.min(0.5, short(natural.mean))), sd: short(natural.sd) } } : {}),
  };
}

/** What this kitchen learnt itself, as others may read it. What it read of others is not passed on. */
export function learntHere(knows: KitchenKnows): LearntFile {
  return {
    format: LEARNT_FORMAT,
    version: LEARNT_VERSION,
    kitchen: knows.kitchen,
    pods: podsLearnt(knows),
    tools: LEARNING.flatMap((kind) => kindLearnt(knows.tools, kind) ?? []),
    taste: Object.fromEntries(Object.entries(knows.palate).map(([r, p]) => [r, { level: short(p.level), said: p.said }])),
  };
}
