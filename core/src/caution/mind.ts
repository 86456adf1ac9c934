import type { Caution, Severity } from './caution';

const ORDER: Readonly<Record<Severity, number>> = { danger: 0, caution: 1, note: 2 };
/** The most dangerous first; of two that are alike the one that was said first. */
export const byDanger = (all: readonly Caution[]): Caution[] => [...all].sort((a, b) => ORDER[a.severity] - ORDER[b.severity]);

/** What is to be minded at one station, the most dangerous first. */
export interface Minded {
  id: string;
  name: string;
  cautions: Caution[];
}
/** What is told of a batch to somebody at one of its stations. */
export interface ToMind {
  /** What is said in one line, and where it holds. */
  first: Minded;
  /** Here, and wherever else there is a danger. */
  all: Minded[];
  /** Stations with a danger that the one line does not say. */
  dangers: string[];
  /** How many cautions the one line does not say. */
  others: number;
}

/**
 * What to mind at a station: in one line a danger that is here, else one where somebody works now, else the worst of here,
 * else the worst there is. Null where there is nothing.
 */
export function toMind(
  stations: readonly { id: string; name: string; active: boolean; cautions: readonly Caution[] }[],
  here: string,
): ToMind | null {
  const isHere = (s: { id: string }) => s.id === here;
  const all = [...stations.filter(isHere), ...stations.filter((s) => !isHere(s))].flatMap((s) => {
    const cautions = byDanger(s.cautions);
    const told = isHere(s) ? cautions.length > 0 : cautions[0]?.severity === 'danger';
    return told ? [{ id: s.id, name: s.name, active: s.active, cautions }] : [];
  });
  const own = all.find(isHere);
  const first = own?.cautions[0]!.severity === 'danger' ? own : (all.find((s) => !isHere(s) && s.active) ?? own ?? all[0]);
  if (!first) return null;
  return {
    first,
    all,
    dangers: all.flatMap((s) => (s !== first && s.cautions[0]!.severity === 'danger' ? [s.name] : [])),
    others: all.reduce((n, s) => n + s.cautions.length, 0) - 1,
  };
}
