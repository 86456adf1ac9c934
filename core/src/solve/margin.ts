import type { BatchFile } from '../file';
import { endOf, endStrands, mlOf, runLine, runOf, runWorlds, seedOfFile, strandIn, valuesOf, wholeWorlds } from '../line';
import { volumeMl } from '../matter/density';
import { TYPICAL } from '../stat/draw';

/** A plan fills what it says in at least so many worlds of ten (handbook chapter 6, section 7). */
export const FILL_ODDS = 0.8;
/** As many worlds as a report has, and the same ones. */
const WORLDS = 100;
/** No plan is made for less than this part of what it typically makes (our judgement): its scale will tell. */
const LEAST_PART = 0.7;

function inWorlds(file: BatchFile) {
  const runs = runLine(file, TYPICAL, true);
  const steps = runWorlds(file, runs, WORLDS, seedOfFile(file), null);
  let step = steps.next();
  while (!step.done) step = steps.next();
  return { runs, worlds: step.value, whole: wholeWorlds(step.value) };
}

/** Share of the worlds in which the heat of an end lands in its bracket: the odds that the batch itself will tell. Throws LineProblem. */
export function oddsOf(file: BatchFile, strandId: string): number {
  const strand = strandIn(file, strandId);
  const { worlds, whole } = inWorlds(file);
  const { lowShu, highShu } = strand.goal!;
  return valuesOf(worlds, endOf(strand).id, whole).heatShu.filter((h) => h >= lowShu && h <= highShu).length / WORLDS;
}

/**
 * The part of the sauce that a line typically makes which there is at least of in eight of ten worlds, at most 1; the least of
 * all its ends. A world in which the line cannot run has none. Throws LineProblem where the line cannot run at all.
 */
export function surePart(file: BatchFile): number {
  const { runs, worlds, whole } = inWorlds(file);
  const parts = endStrands(file).map((strand) => {
    const { id } = endOf(strand);
    const ml = mlOf(worlds, id, whole).sort((a, b) => b - a);
    const typical = volumeMl(runOf(runs, id).bowl.stream);
    const least = ml[Math.ceil(FILL_ODDS * WORLDS) - 1] ?? 0;
    return typical > 0 ? least / typical : 1;
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
