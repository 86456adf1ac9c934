import type { Ingredient } from '../matter/ingredient';
import { lineOf } from './line';
import { prepSaid } from './prep';
import type { Span } from './spans';
import { statesSaid } from './states';

/** Parts of a line between two marks that name nothing known, say nothing of how a thing is, and have no amount. */
export function strangersOf(text: string, own: readonly Ingredient[]): string[] {
  const line = lineOf(text, 'metric', own);
  const found: string[] = [];
  let now: Span[] = [];
  const close = () => {
    const words = now.filter((s) => s.is === 'strange');
    const only = now.every((s) => s.is === 'strange' || s.is === 'harmless');
    const [a, b] = [now[0], now.at(-1)];
    const said = a && b ? line.plain.slice(line.tokens[a.from]!.from, line.tokens[b.to - 1]!.to) : '';
    const how = prepSaid(said) !== null || statesSaid(said).length > 0;
    if (only && !how && words.length > 0 && words.length === now.length) found.push(words.map((s) => (s as { w: string }).w).join(' '));
    now = [];
  };
  for (const s of line.spans) {
    if (s.is === 'mark' || (s.is === 'joiner' && !/^(?:in|from|into|on)$/.test(s.w))) close();
    else now.push(s);
  }
  close();
  return found;
}
