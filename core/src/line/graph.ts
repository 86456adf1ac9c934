import { gramsOf, stationsOf, type IntakeAmount, type BatchFile, type Intake, type Origin, type StationEntry, type Strand } from '../file';
import { LineProblem } from './problem';

/** A station where it stands: its strand, the station before it there, and everything it takes something of. */
export interface Node {
  id: string;
  entry: StationEntry;
  strand: Strand;
  /** Place in its strand, from 0. */
  at: number;
  /** Id of the station before it in its strand; null for the first. */
  before: string | null;
  /** Ids of all stations it waits for. */
  feeders: readonly string[];
}

/** One that takes of an outlet. */
export interface Taker {
  stationId: string;
  intake: Intake;
}

/** The stations of a batch as what they are: things that feed each other. */
export interface Graph {
  nodes: ReadonlyMap<string, Node>;
  /** Every station after all those it waits for. */
  order: readonly Node[];
  /** Who takes of an outlet, by its key. */
  takers: ReadonlyMap<string, readonly Taker[]>;
}

/** The end of a strand, or a side of a station, as a key. */
export const strandEnd = (strandId: string): string => `strand ${strandId}`;
export const sideOutlet = (stationId: string, side: string): string => `side ${stationId} ${side}`;

/** The outlet that an origin takes of; null where it comes from a store. */
export function outletOf(origin: Origin): string | null {
  if (origin.from === 'strand') return strandEnd(origin.strandId);
  return origin.from === 'side' ? sideOutlet(origin.stationId, origin.side) : null;
}

/** The station that fills an outlet; undefined when it is not there. */
function giverOf(file: BatchFile, origin: Origin): string | undefined {
  if (origin.from === 'strand') return file.strands.find((s) => s.id === origin.strandId)?.stations.at(-1)?.id;
  return origin.from === 'side' ? origin.stationId : undefined;
}

const known = new WeakMap<BatchFile, Graph>();

/** The graph of a file, worked out once. Throws LineProblem for a circle, and for what is named and is not there. */
export function graphOf(file: BatchFile): Graph {
  let graph = known.get(file);
  if (!graph) known.set(file, (graph = build(file)));
  return graph;
}

function build(file: BatchFile): Graph {
  const nodes = new Map<string, Node>();
  const takers = new Map<string, Taker[]>();
  const all = stationsOf(file);
  const ids = new Set(all.map((s) => s.entry.id));
  for (const { strand, entry, at } of all) {
    if (nodes.has(entry.id)) throw new LineProblem(entry.id, '', `Two stations are called "${entry.id}".`);
    const before = at === 0 ? null : strand.stations[at - 1]!.id;
    const feeders = new Set(before === null ? [] : [before]);
    entry.intakes.forEach((intake, i) => {
      const outlet = outletOf(intake.origin);
      if (outlet === null) return;
      const giver = giverOf(file, intake.origin);
      if (giver === undefined || !ids.has(giver))
        throw new LineProblem(entry.id, `intakes/${i}`, 'What this takes is not there any more. Take it out, or choose something else.');
      feeders.add(giver);
      const had = takers.get(outlet);
      const taker = { stationId: entry.id, intake };
      if (had) had.push(taker);
      else takers.set(outlet, [taker]);
    });
    nodes.set(entry.id, { id: entry.id, entry, strand, at, before, feeders: [...feeders] });
  }
  return { nodes, order: inOrder(nodes), takers };
}

/** Kahn's order (1962): always the first station written whose feeders all stand before it. */
function inOrder(nodes: ReadonlyMap<string, Node>): Node[] {
  const order: Node[] = [];
  const placed = new Set<string>();
  const waiting = [...nodes.values()];
  while (waiting.length > 0) {
    const next = waiting.findIndex((n) => n.feeders.every((f) => placed.has(f)));
    if (next < 0) throw circle(nodes, waiting);
    const [node] = waiting.splice(next, 1);
    placed.add(node!.id);
    order.push(node!);
  }
  return order;
}

/** What waits in a circle for itself, said at the intake that closes it. */
function circle(nodes: ReadonlyMap<string, Node>, waiting: readonly Node[]): LineProblem {
  const stuck = new Set(waiting.map((n) => n.id));
  const walked: string[] = [];
  let at = waiting[0]!.id;
  while (!walked.includes(at)) {
    walked.push(at);
    at = nodes.get(at)!.feeders.find((f) => stuck.has(f))!;
  }
  const round = walked.slice(walked.indexOf(at));
  // Within a strand nothing can be a circle: some intake closes it.
  for (const id of round) {
    const node = nodes.get(id)!;
    const i = node.entry.intakes.findIndex((x) => outletOf(x.origin) !== null && round.some((r) => gives(nodes.get(r)!, x.origin)));
    if (i >= 0)
      return new LineProblem(
        id,
        `intakes/${i}`,
        'This goes round in a circle: it takes what is only made out of it. Take it from an earlier place.',
      );
  }
  return new LineProblem(at, '', 'The stations wait for each other in a circle.');
}

const gives = (node: Node, origin: Origin): boolean =>
  (origin.from === 'side' && origin.stationId === node.id) ||
  (origin.from === 'strand' && origin.strandId === node.strand.id && node.strand.stations.at(-1)!.id === node.id);

/** Ids of everything upstream of a station: all that it waits for, near and far. */
export function upstreamOf(graph: Graph, stationId: string): Set<string> {
  const found = new Set<string>();
  const look = (id: string): void => {
    for (const f of graph.nodes.get(id)?.feeders ?? []) {
      if (found.has(f)) continue;
      found.add(f);
      look(f);
    }
  };
  look(stationId);
  return found;
}

/** The order in which the stations of these ids run. */
export const inRunOrder = (graph: Graph, ids: ReadonlySet<string>): Node[] => graph.order.filter((n) => ids.has(n.id));

/** How an outlet of so many grams is handed out. */
export interface Handed {
  /** Share of the whole that each taker gets, by station and intake: "station/intake". */
  shares: ReadonlyMap<string, number>;
  /** Share that nobody takes. */
  left: number;
  /** Grams that were asked for beyond what is there. */
  shortG: number;
}

const pctOf = (amount: IntakeAmount): number => (typeof amount === 'object' && 'pct' in amount ? amount.pct : 0);
export const takerKey = (stationId: string, intakeId: string): string => `${stationId}/${intakeId}`;

/**
 * Hands out an outlet of `totalG` to all its takers at once: grams first, then shares, then the rest. Where there is
 * less than asked for, those who ask in the same way get less alike.
 */
export function handOut(takers: readonly Taker[], totalG: number): Handed {
  const shares = new Map<string, number>();
  const put = (t: Taker, share: number) => shares.set(takerKey(t.stationId, t.intake.id), share);
  const asked = takers.reduce((s, t) => s + (gramsOf(t.intake.amount) ?? 0), 0);
  const pct = takers.reduce((s, t) => s + pctOf(t.intake.amount), 0) / 100;
  if (!(totalG > 0)) {
    for (const t of takers) put(t, 0);
    return { shares, left: 1, shortG: asked };
  }
  const inGrams = Math.min(1, asked / totalG);
  const inShares = Math.min(1 - inGrams, pct);
  const rest = Math.max(0, 1 - inGrams - inShares);
  let some = false;
  for (const t of takers) {
    const { amount } = t.intake;
    if (amount === 'rest') {
      put(t, rest);
      some = true;
    } else if ('g' in amount) put(t, asked > 0 ? (inGrams * amount.g) / asked : 0);
    else put(t, pct > 0 ? (inShares * amount.pct) / 100 / pct : 0);
  }
  return { shares, left: some ? 0 : rest, shortG: Math.max(0, asked + pct * totalG - totalG) };
}
