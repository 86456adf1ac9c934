import { expect, it } from 'vitest';
import {
  carry,
  graphOf,
  upstreamOf,
  ingredient,
  LineProblem,
  mapStations,
  reportTypical,
  runLine,
  stationsOf,
  TYPICAL,
  type BatchFile,
  type StationEntry,
  type StationRun,
  type Strand,
  type TypicalReport,
} from '../src';
import { put, rounds } from './helpers';
import { randomGraph } from './graphs';
import { dice, type Dice } from './random';

/** Where a pH that was measured before still counts: what they put out is what they were given (handbook chapter 5, section 0.2). */
const PASSES_PH = new Set(['strain', 'bottle']);

/** A graph whose work is done, with any readings, oil and hot filling a hurried hand may leave. */
function worked(d: Dice): { file: BatchFile; oilAt: string | null } {
  const plain = randomGraph(d);
  const ids = stationsOf(plain).map((s) => s.entry.id);
  const oilAt = d.chance(0.2) ? d.pick(ids) : null;
  // What goes into a jar is packed first; all else is done once the jars are opened.
  const graph = graphOf(plain);
  const packed = new Set(stationsOf(plain).flatMap(({ entry }) => (entry.kind === 'ferment' ? [...upstreamOf(graph, entry.id)] : [])));
  const file = mapStations(plain, (s) => {
    const pH = d.chance(s.kind === 'bottle' || s.kind === 'strain' ? 0.6 : 0.25) ? Number(d.between(2.6, 5.2).toFixed(2)) : undefined;
    const instrument = d.pick(['meter', 'strip'] as const);
    return {
      ...s,
      intakes: s.id === oilAt ? [...s.intakes, put('oil_olive', 15)] : s.intakes,
      params: s.kind === 'bottle' && d.chance(0.4) ? { ...(s.params as object), fill: 'hot' } : s.params,
      log: {
        doneOn: packed.has(s.id) && s.kind !== 'ferment' ? '2026-05-15' : '2026-06-01',
        ...(s.kind === 'bottle' ? { fillC: 85 } : {}),
        ...(pH === undefined ? {} : { pH, instrument, phSure: d.chance(0.8) }),
      },
    };
  });
  const readings = stationsOf(file)
    .filter((s) => s.entry.kind === 'ferment')
    .flatMap((s) =>
      Array.from({ length: d.chance(0.6) ? 1 : 0 }, (_, i) => ({
        id: `${s.entry.id}-${i}`,
        stationId: s.entry.id,
        at: `2026-05-3${i}T09:00:00Z`,
        pH: Number(d.between(3.2, 5.4).toFixed(1)),
        instrument: 'meter' as const,
      })),
    );
  return { file: carry({ ...file, readings }, [], [ingredient('oil_olive')]), oilAt };
}

/** All stations whose stuff gets into a station, by the file alone. */
function into(file: BatchFile, strand: Strand, upTo: number, seen = new Set<string>()): Set<string> {
  for (const entry of strand.stations.slice(0, upTo + 1)) {
    if (seen.has(entry.id)) continue;
    seen.add(entry.id);
    for (const { origin } of entry.intakes) {
      if (origin.from === 'strand') {
        const from = file.strands.find((s) => s.id === origin.strandId)!;
        into(file, from, from.stations.length - 1, seen);
      }
      if (origin.from === 'side') {
        const from = file.strands.find((s) => s.stations.some((e) => e.id === origin.stationId))!;
        into(
          file,
          from,
          from.stations.findIndex((e) => e.id === origin.stationId),
          seen,
        );
      }
    }
  }
  return seen;
}

/** The pH that was measured on just what is in the bottles, by the file alone. */
function governing({ stations }: Strand): StationEntry['log'] | null {
  for (const entry of [...stations].reverse()) {
    if (entry.log.pH !== undefined) return entry.log;
    const heated = (entry.params as { fill?: string }).fill === 'hot';
    if (heated || !PASSES_PH.has(entry.kind) || entry.intakes.length > 0) return null;
  }
  return null;
}

it('whatever flows together and is measured where: no bottle keeps longer than its own reading, its jars and its oil allow', () => {
  const d = dice(2611);
  const seen = { ends: 0, long: 0, bin: 0, low: 0, oily: 0, cupboard: 0 };
  for (let n = 0; n < rounds(200, 0.4); n++) {
    const { file, oilAt } = worked(d);
    let report: TypicalReport;
    let runs: StationRun[];
    try {
      report = reportTypical(file, '2026-06-02');
      runs = runLine(file, TYPICAL);
    } catch (error) {
      if (error instanceof LineProblem) continue;
      throw error;
    }
    const condemned = runs.filter((r) => r.out.past.ferment === 'condemned').map((r) => r.id);
    for (const end of report.ends) {
      if (!end.keeping) continue;
      const { place, days } = end.keeping;
      const strand = file.strands.find((s) => s.id === end.strandId)!;
      const from = into(file, strand, strand.stations.length - 1);
      const read = governing(strand);
      const told = `graph ${n}, ${end.strandId}: ${place} ${days}`;
      seen.ends++;
      if (condemned.some((id) => from.has(id) && file.strands.some((s) => s.stations.some((e) => e.id === id && e.kind === 'ferment')))) {
        expect(place, told).toBe('bin');
        seen.bin++;
        continue;
      }
      const acid = read !== null && (read.instrument === 'meter' ? read.pH! <= 4 : read.pH! <= 3.6);
      if (days > 30) {
        expect(acid, told).toBe(true);
        seen.long++;
      }
      if (place === 'cupboard') {
        expect(read!.instrument, told).toBe('meter');
        expect((strand.stations.at(-1)!.params as { fill: string }).fill, told).toBe('hot');
        expect(strand.stations.at(-1)!.log.pH, told).toBe(read!.pH);
        seen.cupboard++;
      }
      if (read !== null && read.pH! > 4.6) {
        expect(days, told).toBeLessThanOrEqual(4);
        seen.low++;
      }
      if (oilAt !== null && from.has(oilAt)) {
        expect(place, told).not.toBe('cupboard');
        expect(days, told).toBeLessThanOrEqual(14);
        seen.oily++;
      }
    }
  }
  // Each promise was met often enough to mean something.
  expect(seen.ends).toBeGreaterThan(rounds(200, 0.4));
  for (const [what, n] of Object.entries(seen)) expect(n, what).toBeGreaterThan(rounds(2, 0.4));
});
