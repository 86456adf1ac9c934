import { learntOf, type Tool, type ToolKind } from '@roskel/core';
import { plural } from '../format';

/** What a thing of the kitchen is called. */
export const TOOL_NAMES: Record<ToolKind, string> = { pot: 'pot or pan', sieve: 'sieve', blender: 'blender', jar: 'jar', bowl: 'bowl' };
const DOES: Partial<Record<ToolKind, string>> = { pot: 'gives off', sieve: 'holds back', blender: 'makes it' };

/** What its weighings say of a tool; empty where it cannot be learnt. */
export function learntWords(tool: Tool): string {
  const verb = DOES[tool.kind];
  if (!verb) return '';
  if (tool.seen.length === 0) return 'nothing learnt yet';
  const { log, sd } = learntOf(tool);
  const say = (x: number) => Math.exp(x).toFixed(1);
  const [low, high] = [say(log - 1.2816 * sd), say(log + 1.2816 * sd)];
  const seen = tool.kind === 'blender' ? plural(tool.seen.length, 'look') : plural(tool.seen.length, 'weighing');
  return `${verb} ${low === high ? low : `${low} to ${high}`} times ${tool.kind === 'blender' ? 'as thick as the tables say' : 'the usual'}, by ${seen}`;
}
