import { learntOf, meterAt, type Cap, type Tool, type ToolKind } from '@roskel/core';
import { money, plural } from '../format';

/** What a thing of the kitchen is called. */
export const TOOL_NAMES: Record<ToolKind, string> = {
  pot: 'pot or pan',
  sieve: 'sieve',
  blender: 'blender',
  jar: 'jar',
  bowl: 'bowl',
  bottle: 'kind of bottle',
  meter: 'pH meter',
};
/** What closes a bottle, for people. */
export const CAP_NAMES: Record<Cap, string> = { screw: 'screw cap', dasher: 'dasher', swing: 'swing top', vented: 'vented cap' };
const DOES: Partial<Record<ToolKind, string>> = { pot: 'gives off', sieve: 'holds back', blender: 'makes it' };

/** What its weighings say of a tool; empty where it cannot be learnt. */
export function learntWords(tool: Tool): string {
  if (tool.kind === 'meter') return meterAt(tool, new Date().toISOString()).says;
  if (tool.kind === 'bottle')
    return [tool.cap ? CAP_NAMES[tool.cap] : '', tool.price === undefined ? '' : `${money(tool.price)} each`].filter(Boolean).join(', ');
  const verb = DOES[tool.kind];
  if (!verb) return '';
  if (tool.seen.length === 0) return 'nothing learnt yet';
  const { log, sd } = learntOf(tool);
  const say = (x: number) => Math.exp(x).toFixed(1);
  const [low, high] = [say(log - 1.2816 * sd), say(log + 1.2816 * sd)];
  const seen = tool.kind === 'blender' ? plural(tool.seen.length, 'look') : plural(tool.seen.length, 'weighing');
  return `${verb} ${low === high ? low : `${low} to ${high}`} times ${tool.kind === 'blender' ? 'as thick as the tables say' : 'the usual'}, by ${seen}`;
}
