import { finishedBlur, PROCESS_SD, type Blur, type TastedPart } from '../heat';
import { podsIn } from '../pantry';
import type { BatchFile } from '../file';
import { massOf } from '../matter/stream';
import { TYPICAL } from '../stat/draw';
import { addedHeat } from './added';
import { endOf, isStrained, mainEnd, strandIn } from './compose';
import { podUses } from './put';
import { runUpTo } from './run';

/** What a batch tells a tasting: which lots make its heat, how many pods, and what was forecast. */
export interface TastedSauce {
  parts: TastedPart[];
  processSd: number;
  /** What burns besides the lots (powder from the larder): it is taken as it is and learns nothing. */
  added: { shu: number; sigma: number } | null;
  /** Null when nothing hot went in. */
  forecast: Blur | null;
}

/**
 * The lots behind the heat of a strand's end, each with the SHU of sauce that one SHU of its dry matter makes: read off
 * the books of the sauce, everything measured pinned. Throws LineProblem when the line cannot run.
 */
export function tastedSauce(file: BatchFile, strandId: string = mainEnd(file).id): TastedSauce {
  const processSd = isStrained(file, strandId) ? PROCESS_SD.strained : PROCESS_SD.plain;
  const blurParts = [];
  const others = addedHeat(file, true, strandId);
  const base = others.reduce((s, a) => s + a.shu, 0);
  const spread = Math.hypot(...others.map((a) => a.shu * a.sigma));
  const added = base > 0 ? { shu: base, sigma: spread / base } : null;
  const { stream } = runUpTo(file, endOf(strandIn(file, strandId)).id, TYPICAL).out;
  const massG = massOf(stream);
  const uses = podUses(file, strandId);
  const parts: TastedPart[] = [];
  for (const lot of file.lots) {
    const usedG = uses.reduce((s, u) => s + (u.lotId === lot.id ? u.massG : 0), 0);
    const load = stream.ledger.find((e) => e.of.id === lot.id)?.heatShuG ?? 0;
    if (!lot.heat || !(usedG > 0) || !(massG > 0)) continue;
    const shu = load / massG;
    const pods = podsIn(lot, usedG);
    parts.push({ lotId: lot.id, weight: shu / lot.heat.dryShu, pods: Number.isFinite(pods) ? pods : null });
    blurParts.push({ medianShu: shu, sigma: lot.heat.sigma, pods });
  }
  for (const a of others) blurParts.push({ medianShu: a.shu, sigma: a.sigma, pods: Infinity });
  return { parts, processSd, added, forecast: finishedBlur(blurParts, processSd) };
}
