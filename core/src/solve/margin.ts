import type { BatchFile } from '../file';
import { endOf, endStrands, goalOf, runLine, runOf, seedOfFile, strandIn, tryLine, WORLDS } from '../line';
import { volumeMl } from '../matter/density';
import { streamShu, type Stream } from '../matter/stream';
import { drawEnsemble, TYPICAL } from '../stat/draw';

/** A plan fills what it says in at least so many worlds of ten (handbook chapter 6, section 7). */
export const FILL_ODDS = 0.8;
/** No plan is made for less than this part of what it typically makes (our judgement): its scale will tell. */
const LEAST_PART = 0.7;

/** What enters the bottles of an end, world by world, as a report draws them; null in one in which the line cannot run. */
function inWorlds(file: BatchFile, strandIds: readonly string[]): (Map<string, Stream> | null)[] {
  return drawEnsemble(seedOfFile(file), WORLDS).map((draw) => {
    const runs = tryLine(file, draw);
    return runs && new Map(strandIds.map((id) => [id, runOf(runs, endOf(strandIn(file, id)).id).bowl.stream]));
  });
}

/** Share of the worlds in which the heat of an end lands in its bracket: the odds that the batch itself will tell. */
export function oddsOf(file: BatchFile, strandId: string): number {
  const { lowShu, highShu } = goalOf(file, strandId);
  const hits = inWorlds(file, [strandId]).filter((world) => {
    const shu = world ? streamShu(world.get(strandId)!) : -1;
    return shu >= lowShu && shu <= highShu;
  });
  return hits.length / WORLDS;
}

/**
 * The part of the sauce that a line typically makes which there is at least of in eight of ten worlds, at most 1; the least of
 * these ends (all of them, where none is said). A world in which the line cannot run has none. Throws LineProblem where the line cannot run at all.
 */
export function surePart(file: BatchFile, ids: readonly string[] = endStrands(file).map((s) => s.id)): number {
  const runs = runLine(file, TYPICAL, true);
  const worlds = inWorlds(file, ids);
  const parts = ids.map((id) => {
    const typical = volumeMl(runOf(runs, endOf(strandIn(file, id)).id).bowl.stream);
    const ml = worlds.map((w) => (w ? volumeMl(w.get(id)!) : 0)).sort((x, y) => y - x);
    return typical > 0 ? ml[Math.ceil(FILL_ODDS * WORLDS) - 1]! / typical : 1;
  });
  return Math.min(1, Math.max(LEAST_PART, Math.min(...parts)));
}

/** The batch with bottles that are larger by so much: what fills those typically fills the wished ones in as many worlds. */
export const withMargin = (file: BatchFile, part: number): BatchFile => ({
  ...file,
  strands: file.strands.map((s) => (s.goal === null ? s : { ...s, goal: { ...s.goal, bottleMl: s.goal.bottleMl / part } })),
});
/** The same with the bottles that were wished. */
export const withoutMargin = (file: BatchFile, as: BatchFile): BatchFile => ({
  ...file,
  strands: file.strands.map((s) => {
    const goal = as.strands.find((x) => x.id === s.id)?.goal;
    return s.goal === null || !goal ? s : { ...s, goal: { ...s.goal, bottleMl: goal.bottleMl } };
  }),
});
