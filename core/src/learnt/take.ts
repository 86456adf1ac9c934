import { NATURAL, seenLog, UNKNOWN, type Expected, type Tool, type ToolKind } from '../file/tool';
import { VIGOUR } from '../ferment/priors';
import { lotSigma, type LotHeat } from '../heat';
import type { PodLot } from '../pantry';
import { countingFiles, type LearntFile, type LearntTools } from './file';
import { commonVariety } from './common';
import { expectedOf } from './middle';

/** How much the middle of a variety, of a kind of thing and of a natural pH differs between kitchens, sd (our judgement). */
const BETWEEN = { heat: 0.3, tool: 0.15, natural: 0.05 } as const;

/**
 * The heat of a lot that nobody here has tasted, where other kitchens know its variety: only where the table spoke before, for
 * what was said of the lot itself is known better. `files` in the order in which they were read. The same object where nothing
 * is known.
 */
export function heatWithKitchens(files: readonly LearntFile[], varietyId: string, stated: LotHeat): LotHeat {
  const variety = commonVariety(varietyId);
  if (stated.source !== 'table' || !variety) return stated;
  const told = countingFiles(files).flatMap((f) => f.pods.filter((p) => p.variety === varietyId));
  if (told.length === 0) return stated;
  const { low, typical, high } = variety.shuDry;
  const before = { mean: Math.log(typical), sd: lotSigma(low, high) };
  const now = expectedOf(
    before,
    told.map((p) => ({ mean: Math.log(p.dryShu), sd: p.sd })),
    BETWEEN.heat,
  );
  // What became of a lot since, dried or ground, stays with it.
  const since = Math.max(0, stated.sigma ** 2 - before.sd ** 2);
  return { dryShu: stated.dryShu * Math.exp(now.mean - before.mean), sigma: Math.sqrt(now.sd ** 2 + since), source: 'kitchens' };
}

/** What is stated of a lot when only the table and other kitchens speak for it: the table, so that those can be left out again. */
export function statedHeat({ heat, varietyId }: Pick<PodLot, 'heat' | 'varietyId'>): LotHeat | null {
  const variety = heat?.source === 'kitchens' ? commonVariety(varietyId) : undefined;
  if (!variety) return heat;
  const { low, typical, high } = variety.shuDry;
  return { dryShu: typical, sigma: lotSigma(low, high), source: 'table' };
}

/** What is to be expected of a thing of a kind before it is weighed; undefined where no kitchen told. */
export function expectedTool(files: readonly LearntFile[], kind: ToolKind): Expected | undefined {
  const told = countingFiles(files).flatMap((f) => f.tools.filter((t) => t.kind === kind));
  if (told.length === 0) return undefined;
  const log = expectedOf(
    { mean: 0, sd: UNKNOWN[kind] },
    told.map((t: LearntTools) => ({ mean: seenLog(kind, t), sd: t.sd })),
    BETWEEN.tool,
  );
  const soured = told.flatMap((t) => (t.natural ? [{ mean: t.natural.off, sd: t.natural.sd }] : []));
  const natural = soured.length > 0 ? expectedOf({ mean: 0, sd: NATURAL.unknown }, soured, BETWEEN.natural) : null;
  return {
    log: log.mean,
    sd: log.sd,
    ...(kind === 'place' ? { table: VIGOUR.median } : {}),
    ...(natural ? { natural: { off: natural.mean, sd: natural.sd } } : {}),
  };
}

/** A thing with what other kitchens let expect of it, and nothing else of that. */
export function withExpected(files: readonly LearntFile[], { expected: _, ...tool }: Tool): Tool {
  const expected = expectedTool(files, tool.kind);
  return expected ? { ...tool, expected } : tool;
}
