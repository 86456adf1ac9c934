import { graphOf, stationIn, stationKind, upstreamOf, type BatchFile, type Intake, type LineReport } from '@roskel/core';
import { grams } from '../format';

/** Something this batch makes that can be taken at a station. */
export interface OutletChoice {
  value: string;
  label: string;
  id: string;
  origin: Intake['origin'];
  amount: Intake['amount'];
}

/** What a station may take of its own batch: sides of stations before it, and ends of strands that do not wait for it. */
export function outletsFor(file: BatchFile, report: LineReport, stationId: string): OutletChoice[] {
  const graph = graphOf(file);
  const after = new Set(graph.order.filter((n) => upstreamOf(graph, n.id).has(stationId)).map((n) => n.id));
  const waits = (id: string) => id === stationId || after.has(id);
  const sides = report.stations.flatMap((s) => {
    if (waits(s.id)) return [];
    const gives = stationKind(s.kind).gives ?? {};
    return s.sides.flatMap((side): OutletChoice[] => {
      const name = gives[side.id];
      const left = side.massG - side.takenG;
      if (name === undefined || left < 0.5) return [];
      const origin = { from: 'side' as const, stationId: s.id, side: side.id };
      return [
        {
          value: `side ${s.id} ${side.id}`,
          label: `Own ${name}, ${grams(left)} left`,
          id: side.id,
          origin,
          amount: { g: Math.min(50, Math.floor(left)) },
        },
      ];
    });
  });
  const own = graph.nodes.get(stationId)!.strand.id;
  const ends = report.strands.flatMap((strand): OutletChoice[] => {
    const last = strand.stationIds.at(-1)!;
    if (strand.id === own || waits(last) || strand.leftG < 0.5 || stationKind(stationIn(file, last)!.kind).bottled) return [];
    return [
      {
        value: `strand ${strand.id}`,
        label: `${strand.name}, ${grams(strand.leftG)} left`,
        id: strand.id,
        origin: { from: 'strand', strandId: strand.id },
        amount: strand.into.length > 0 ? { g: Math.floor(strand.leftG) } : 'rest',
      },
    ];
  });
  return [...ends, ...sides];
}
