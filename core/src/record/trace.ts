import type { Day } from '../plan';

/** What a trace passes through: a lot of pods, a row of the larder, what a batch left and was kept, a batch, its bottles. */
export const TRACE_KINDS = ['pods', 'larder', 'stored', 'batch', 'bottles'] as const;
export type TraceKind = (typeof TRACE_KINDS)[number];
/** What each is called where it is told. */
export const TRACE_NAMES: Readonly<Record<TraceKind, string>> = {
  pods: 'pods',
  larder: 'larder',
  stored: 'kept',
  batch: 'batch',
  bottles: 'bottles',
};
export interface TraceNode {
  kind: TraceKind;
  id: string;
  name: string;
  /** The day it came, was begun or was filled; null where nobody said. */
  on: Day | null;
}
/** Something that went into something: both as `traceKey` names them; g by the ledger, null where nothing was weighed. */
export interface TraceEdge {
  from: string;
  to: string;
  g: number | null;
}
export interface TraceGraph {
  nodes: readonly TraceNode[];
  edges: readonly TraceEdge[];
}
/** A thing that was reached, and by what: its neighbours that lie nearer to the start. */
export interface TraceStep {
  node: TraceNode;
  /** Steps from the start, 1 for what lies next to it. */
  depth: number;
  by: { name: string; g: number | null }[];
}

export const traceKey = ({ kind, id }: Pick<TraceNode, 'kind' | 'id'>): string => `${kind}:${id}`;

/**
 * Everything that `start` was made of (back), or that holds some of it (forward), the nearest first. Each thing once, however
 * many ways lead to it; what is not in the graph is passed over. A conservative list: the smallest part counts.
 */
export function traced({ nodes, edges }: TraceGraph, start: string, way: 'back' | 'forward'): TraceStep[] {
  const known = new Map(nodes.map((n) => [traceKey(n), n]));
  const next = new Map<string, { key: string; g: number | null }[]>();
  for (const { from, to, g } of edges) {
    const [near, far] = way === 'forward' ? [from, to] : [to, from];
    const had = next.get(near);
    if (had) had.push({ key: far, g });
    else next.set(near, [{ key: far, g }]);
  }
  const depths = new Map([[start, 0]]);
  const steps = new Map<string, TraceStep>();
  // A map is read in the order in which it grows: what lies nearer comes first.
  for (const [key, depth] of depths)
    for (const { key: far, g } of next.get(key) ?? []) {
      const node = known.get(far);
      if (!node || far === start) continue;
      if (!depths.has(far)) {
        depths.set(far, depth + 1);
        steps.set(far, { node, depth: depth + 1, by: [] });
      }
      steps.get(far)!.by.push({ name: known.get(key)?.name ?? key, g });
    }
  return [...steps.values()].sort((a, b) => a.depth - b.depth);
}
