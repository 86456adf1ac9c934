import { blurQuantiles } from '../heat';
import type { Ingredient } from '../matter/ingredient';
import { lotShu, type PodLot } from '../pantry';
import { stationsOf, type BatchFile } from '../file';
import { namesOf } from './names';

/** Something a batch carries that is known better since: heat in SHU as it is (10 to 90 %), or a natural pH. */
export interface News {
  id: string;
  name: string;
  of: 'heat' | 'pH';
  before: { low: number; high: number };
  after: { low: number; high: number };
}

/** Smaller changes of the middle or of the spread are not worth a word (our judgement). */
const WORTH = 0.02;

function heatBand(lot: PodLot) {
  const q = blurQuantiles({ mu: Math.log(Math.max(1e-9, lotShu(lot))), sigma: lot.heat?.sigma ?? 0 });
  return { low: q.p10, high: q.p90 };
}

function heatMoved(a: PodLot, b: PodLot): boolean {
  if (!a.heat || !b.heat) return a.heat !== b.heat;
  return Math.abs(Math.log(a.heat.dryShu / b.heat.dryShu)) > WORTH || Math.abs(Math.log(a.heat.sigma / b.heat.sigma)) > WORTH;
}

/**
 * What has been learnt since a batch took its pods and ingredients: heat of lots while any step is still to be done,
 * natural pH of what goes in at steps still to be done. `file` is the batch with the new knowledge; amounts stay.
 */
export function newsFor(file: BatchFile, lots: readonly PodLot[], rows: readonly Ingredient[]): { news: News[]; file: BatchFile } {
  const open = stationsOf(file).filter((s) => !s.entry.log.doneOn);
  if (open.length === 0) return { news: [], file };
  const news: News[] = [];
  const freshLots = file.lots.map((had) => {
    const now = lots.find((l) => l.id === had.id);
    if (!now || !heatMoved(had, now)) return had;
    news.push({ id: had.id, name: had.name, of: 'heat', before: heatBand(had), after: heatBand(now) });
    return { ...had, heat: now.heat };
  });
  const wanted = new Set(open.flatMap((s) => [...namesOf(s.entry).ingredients]));
  const freshRows = file.ingredients.map((had) => {
    const now = rows.find((r) => r.key === had.key);
    if (!now?.pH || !had.pH || !wanted.has(had.key) || Math.abs(now.pH.typ - had.pH.typ) < 0.01) return had;
    const range = ({ lo, hi }: { lo: number; hi: number }) => ({ low: lo, high: hi });
    news.push({ id: had.key, name: had.name, of: 'pH', before: range(had.pH), after: range(now.pH) });
    return { ...had, pH: now.pH };
  });
  return { news, file: news.length > 0 ? { ...file, lots: freshLots, ingredients: freshRows } : file };
}
