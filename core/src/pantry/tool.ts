import type { Tool, ToolKind } from '../file/tool';
import type { RowProblem } from '../matter/own';

/** What is known of how a tool works against the tables: mean and sd of the logarithm. */
export interface ToolLearnt {
  log: number;
  sd: number;
}

/** Before anything was weighed: a pot's pace, what a sieve holds (handbook chapter 5, section 0.3); others teach nothing. */
const UNKNOWN: Record<ToolKind, number> = { pot: 0.5, sieve: 0.3, blender: 0.7, jar: 0.5, bowl: 0.5 };
/** The same tool differs from itself by as much, from one time to the next (our judgement). */
const FROM_TIME_TO_TIME = 0.15;
/** What it never gets better than. */
const BEST = 0.15;

/** Sanity of a tool of the maker's. Empty when all is well. */
export function toolProblems(tool: Tool): RowProblem[] {
  const out: RowProblem[] = [];
  if (tool.name.trim() === '') out.push({ field: 'name', message: 'Give it a name.' });
  if (tool.kind === 'pot' && tool.acrossCm === undefined)
    out.push({ field: 'acrossCm', message: 'Say how wide it is inside: what goes off follows from that.' });
  if ((tool.kind === 'blender' || tool.kind === 'jar') && tool.volumeMl === undefined)
    out.push({ field: 'volumeMl', message: 'Say what it holds.' });
  return out;
}

/** What all weighings of a tool say together, by precision. */
export function learntOf(tool: Pick<Tool, 'kind' | 'seen'>): ToolLearnt {
  let weight = 1 / UNKNOWN[tool.kind] ** 2;
  let sum = 0;
  for (const s of tool.seen) {
    const w = 1 / (s.sd ** 2 + FROM_TIME_TO_TIME ** 2);
    sum += w * s.log;
    weight += w;
  }
  // The next time scatters as well.
  return {
    log: sum / weight,
    sd: Math.max(BEST, Math.min(UNKNOWN[tool.kind], Math.hypot(1 / Math.sqrt(weight), tool.seen.length ? FROM_TIME_TO_TIME : 0))),
  };
}
