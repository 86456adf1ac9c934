import { finishedBlur, PROCESS_SD, type Blur, type TastedPart } from '../heat';
import { podsIn } from '../pantry';
import { addedHeat } from './added';
import { propsOf } from '../parcel';
import { TYPICAL } from '../stat/draw';
import { isStrained, podUses } from './compose';
import type { BatchFile } from '../file';
import { runLine } from './run';

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
 * The lots behind the heat of a batch, each with the SHU of sauce that one SHU of its dry matter makes: the line run with
 * that lot alone hot, everything measured pinned. Throws LineProblem when the line cannot run.
 */
export function tastedSauce(file: BatchFile): TastedSauce {
  const processSd = isStrained(file) ? PROCESS_SD.strained : PROCESS_SD.plain;
  const blurParts = [];
  const others = addedHeat(file, true);
  const base = others.reduce((s, a) => s + a.shu, 0);
  const spread = Math.hypot(...others.map((a) => a.shu * a.sigma));
  const added = base > 0 ? { shu: base, sigma: spread / base } : null;
  const parts: TastedPart[] = [];
  for (const use of podUses(file)) {
    const lot = file.lots.find((l) => l.id === use.lotId);
    if (!lot?.heat || !(use.massG > 0)) continue;
    const alone: BatchFile = { ...file, lots: file.lots.map((l) => (l.id === lot.id ? l : { ...l, heat: null })) };
    const shu = propsOf(runLine(alone, TYPICAL, true).at(-1)!.out.stream).heatShu - base;
    const pods = podsIn(lot, use.massG);
    parts.push({ lotId: lot.id, weight: shu / lot.heat.dryShu, pods: Number.isFinite(pods) ? pods : null });
    blurParts.push({ medianShu: shu, sigma: lot.heat.sigma, pods });
  }
  for (const a of others) blurParts.push({ medianShu: a.shu, sigma: a.sigma, pods: Infinity });
  return { parts, processSd, added, forecast: finishedBlur(blurParts, processSd) };
}
