/** What the picture needs to know of a strand: its stations, and who takes of its end. */
export interface DrawnStrand {
  id: string;
  name: string;
  stationIds: readonly string[];
  into: readonly { stationId: string; intakeId: string; massG: number }[];
}

/** A strand of the picture, and from which of its stations on it is read. */
interface Leg {
  strand: DrawnStrand;
  from: number;
}

/** The one way that is read from left to right, and everything that flows into it and out of it. */
export interface Way {
  /** Stations in reading order. */
  stationIds: string[];
  /** Strands read along, in order. */
  legs: DrawnStrand[];
}

const ownerOf = (strands: readonly DrawnStrand[], stationId: string) => strands.find((s) => s.stationIds.includes(stationId))!;

/** The strand that one begins with: the heaviest of those whose end goes into its first station. */
function rootOf(strands: readonly DrawnStrand[], strand: DrawnStrand): DrawnStrand | null {
  const first = strand.stationIds[0]!;
  const flows = strands.flatMap((s) => s.into.filter((t) => t.stationId === first).map((t) => ({ s, g: t.massG })));
  return flows.sort((a, b) => b.g - a.g)[0]?.s ?? null;
}

/** The strands from where one begins to its own end. */
function upTo(strands: readonly DrawnStrand[], strand: DrawnStrand): DrawnStrand[] {
  const chain = [strand];
  for (let root = rootOf(strands, strand); root && !chain.includes(root); root = rootOf(strands, root)) chain.unshift(root);
  return chain;
}

/**
 * The way through a station to an end: the strands that lead to the end, or, where the station stands in a strand that
 * flows in, that one and what comes after it.
 */
export function wayThrough(strands: readonly DrawnStrand[], endId: string, stationId: string | null): Way {
  const end = strands.find((s) => s.id === endId) ?? strands[0]!;
  const trunk = upTo(strands, end);
  const own = stationId === null ? undefined : strands.find((s) => s.stationIds.includes(stationId));
  let legs: Leg[] = trunk.map((strand) => ({ strand, from: 0 }));
  if (own && !trunk.includes(own)) {
    legs = upTo(strands, own).map((strand) => ({ strand, from: 0 }));
    for (let last = own; ;) {
      const next = last.into.find((t) => trunk.includes(ownerOf(strands, t.stationId))) ?? last.into[0];
      if (!next) break;
      const strand = ownerOf(strands, next.stationId);
      if (legs.some((l) => l.strand === strand)) break;
      legs.push({ strand, from: strand.stationIds.indexOf(next.stationId) });
      last = strand;
    }
  }
  return { stationIds: legs.flatMap((l) => l.strand.stationIds.slice(l.from)), legs: legs.map((l) => l.strand) };
}
