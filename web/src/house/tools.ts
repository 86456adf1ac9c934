import { isLearnt, learntOf, meterAt, type Cap, type Tool, type ToolKind } from '@roskel/core';
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
  place: 'place where jars stand',
};
/** What closes a bottle, for people. */
export const CAP_NAMES: Record<Cap, string> = { screw: 'screw cap', dasher: 'dasher', swing: 'swing top', vented: 'vented cap' };
const DOES: Partial<Record<ToolKind, string>> = { pot: 'gives off', sieve: 'holds back', blender: 'makes it', place: 'sours jars' };

const AS: Partial<Record<ToolKind, string>> = { blender: 'as thick as the tables say', place: 'as lively as the tables say' };
const SEEN: Partial<Record<ToolKind, string>> = { blender: 'look', place: 'jar' };

/** What its weighings say of a tool; empty where it cannot be learnt. */
export function learntWords(tool: Tool): string {
  if (tool.kind === 'meter') return meterAt(tool, new Date().toISOString()).says;
  if (tool.kind === 'bottle')
    return [tool.cap ? CAP_NAMES[tool.cap] : '', tool.price === undefined ? '' : `${money(tool.price)} each`].filter(Boolean).join(', ');
  const verb = DOES[tool.kind];
  if (!verb) return '';
  if (!isLearnt(tool)) return 'nothing learnt yet';
  const { natural } = learntOf(tool);
  const by = [tool.seen.length > 0 ? plural(tool.seen.length, SEEN[tool.kind] ?? 'weighing') : '', tool.expected ? 'other kitchens' : ''];
  const seen = by.filter(Boolean).join(' and ');
  // A tenth of a pH is what can be told of pods.
  const start =
    natural && Math.abs(natural.off) >= 0.05
      ? `; pods begin about ${Math.abs(natural.off).toFixed(1)} ${natural.off < 0 ? 'sourer' : 'less sour'}`
      : '';
  return `${doesWords(tool.kind, learntOf(tool))}, by ${seen}${start}`;
}

/** What things of a kind do against the tables, eight in ten of them; empty for a kind that learns nothing. */
export function doesWords(kind: ToolKind, { log, sd }: { log: number; sd: number }): string {
  const say = (x: number) => Math.exp(x).toFixed(1);
  const [low, high] = [say(log - 1.2816 * sd), say(log + 1.2816 * sd)];
  return DOES[kind] ? `${DOES[kind]} ${low === high ? low : `${low} to ${high}`} times ${AS[kind] ?? 'the usual'}` : '';
}
