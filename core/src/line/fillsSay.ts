import { oddsText } from '../stat';
import type { TypicalEnd } from './typical';
import type { EndReport } from './report';

const vessels = (n: number, vessel: string): string => `${n === 1 ? '1' : n} ${vessel}${n === 1 ? '' : 's'}`;

/** How many bottles of an end are full, in how many of ten batches like it. */
export function fillsText({ fills, bottles, vessel }: EndReport): string {
  const [low, high] = [Math.floor(fills.bottles.p10), Math.ceil(fills.bottles.p90)];
  const range = low === high ? vessels(low, vessel) : `${low} to ${vessels(high, vessel)}`;
  const of = bottles.wanted === 1 ? `the ${vessel} is` : `all ${bottles.wanted} are`;
  return `Enough for ${range}; ${of} full in ${oddsText(fills.odds)} of such batches.`;
}

type Counted = Pick<TypicalEnd, 'strandId' | 'bottles' | 'vessel'>;
const full = (e: Counted): number => Math.min(e.bottles.possible, e.bottles.wanted);
/** Bottles that a weighing took away, in a sentence; null where none is lost. */
export function lostText(before: readonly Counted[], after: readonly Counted[]): string | null {
  const lost = after.flatMap((now) => {
    const had = before.find((e) => e.strandId === now.strandId);
    return had && full(now) < full(had) ? [{ n: full(had) - full(now), left: full(now), vessel: now.vessel }] : [];
  });
  const [first] = lost;
  if (!first) return null;
  const n = lost.reduce((s, l) => s + l.n, 0);
  return `That costs ${vessels(n, first.vessel)}: there is enough for ${vessels(
    lost.reduce((s, l) => s + l.left, 0),
    first.vessel,
  )} now.`;
}
