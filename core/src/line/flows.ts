import type { BatchFile } from '../file';
import { colourOf } from '../matter/colour';
import { massOf } from '../matter/stream';
import type { Flow } from '../stations';
import { endOf } from './compose';
import { handOut, sideOutlet, strandEnd, type Graph } from './graph';
import { runOf, type StationRun } from './run';

export interface FlowReport {
  id: string;
  name: string;
  massG: number;
  hex: string;
  kept: boolean;
  /** Key of the larder row that the maker takes it from, of what a station puts in itself. */
  key?: string;
}

/** Something that leaves a station: who takes of it, and what is left. */
export interface SideReport extends FlowReport {
  /** g that other stations take. */
  takenG: number;
}

/** What goes in at a station, as all panels show it. */
export interface EntersReport {
  /** The hottest raw thing, SHU as it is. */
  hottestShu: number;
  /** Pods that are counted, and lots of pods. */
  pods: number;
  lots: number;
  /** Share of seed in what is worked on. */
  seedShare: number;
  /** Grams of each intake, by its id; for shares and the rest what they come to. */
  grams: Readonly<Record<string, number>>;
}

/** A strand as it is drawn: its stations, and where its end goes. */
export interface StrandReport {
  id: string;
  name: string;
  stationIds: string[];
  /** Stations that take of its end, with g; and what nobody takes, g. */
  into: { stationId: string; intakeId: string; massG: number }[];
  leftG: number;
}

export const flowReport = (f: Flow): FlowReport => ({
  id: f.id,
  name: f.name,
  massG: massOf(f.stream),
  hex: colourOf(f.stream),
  kept: f.kept ?? false,
  ...(f.key === undefined ? {} : { key: f.key }),
});

/** A side with what others take of it. */
export function sideReport(graph: Graph, run: StationRun, side: Flow): SideReport {
  const flow = flowReport(side);
  const takers = graph.takers.get(sideOutlet(run.id, side.id)) ?? [];
  return { ...flow, takenG: flow.massG * (1 - handOut(takers, flow.massG).left) };
}

export function strandReports(file: BatchFile, graph: Graph, runs: readonly StationRun[]): StrandReport[] {
  return file.strands.map((s) => {
    const massG = massOf(runOf(runs, endOf(s).id).out.stream);
    const takers = graph.takers.get(strandEnd(s.id)) ?? [];
    const { shares, left } = handOut(takers, massG);
    const into = takers.map((t) => ({
      stationId: t.stationId,
      intakeId: t.intake.id,
      massG: massG * (shares.get(`${t.stationId}/${t.intake.id}`) ?? 0),
    }));
    return { id: s.id, name: s.name, stationIds: s.stations.map((e) => e.id), into, leftG: s.goal ? 0 : massG * left };
  });
}

export function entersOf(run: StationRun): EntersReport {
  const pods = run.taken.filter((t) => t.intake.origin.from === 'pods' && massOf(t.flow.stream) > 0);
  const bowlG = massOf(run.bowl.stream);
  const seedG = pods.reduce((s, t) => s + t.stays.past.seedG, 0);
  return {
    hottestShu: run.taken.reduce((s, t) => (massOf(t.flow.stream) > 0 ? Math.max(s, t.shu) : s), 0),
    pods: Math.round(pods.reduce((s, t) => s + (Number.isFinite(t.pods) ? t.pods : 0), 0)),
    lots: pods.length,
    seedShare: bowlG > 0 ? seedG / bowlG : 0,
    grams: Object.fromEntries(run.taken.map((t) => [t.intake.id, massOf(t.flow.stream)])),
  };
}
