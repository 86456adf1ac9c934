import type { Family } from '../matter/kind';
import type { KindName } from '../stations';
import type { RecipeThing, Step } from './recipe';

/** Where a thing goes that no sentence names: the first of these that the line has (handbook chapter 7, section 10: judgement). */
const FIRST: Partial<Record<Family, readonly KindName[]>> = {
  salt: ['salt', 'steep', 'simmer', 'fry', 'blend'],
  vinegar: ['steep', 'simmer', 'blend'],
  citrus: ['temper', 'blend', 'steep'],
  oil: ['fry', 'simmer', 'blend'],
  leaf: ['blend', 'temper'],
  starch: ['thicken', 'simmer'],
  gum: ['thicken', 'blend'],
  garlic: ['fry', 'char', 'salt', 'simmer', 'blend'],
  onion: ['fry', 'char', 'salt', 'simmer', 'blend'],
  spice: ['toast', 'fry', 'simmer', 'blend'],
  pod: ['salt', 'char', 'fry', 'simmer', 'steep', 'blend'],
  'hot powder': ['soak', 'toast', 'simmer', 'fry', 'blend'],
  'sour fruit block': ['press', 'simmer', 'blend'],
};
const USUAL: readonly KindName[] = ['simmer', 'steep', 'fry', 'blend', 'salt', 'char'];
const GATHERERS: readonly KindName[] = ['blend', 'simmer', 'temper', 'fry', 'steep', 'salt', 'char'];

/** Puts what is left over where such things go, marked as ours; nothing is lost. */
export function placeLeftOver(things: readonly RecipeThing[], steps: Step[]): void {
  things.forEach((t, i) => {
    if (!(t.left > 1e-9)) return;
    const late = t.item.states?.includes('late') || t.group.includes('finish');
    const found = late
      ? steps.findLast((s) => GATHERERS.includes(s.kind))
      : [...(FIRST[t.family] ?? []), ...USUAL].map((kind) => steps.find((s) => s.kind === kind)).find((s) => s !== undefined);
    const step = found ?? steps[0];
    if (!step) return;
    step.puts.push({ thing: i, share: t.left, late: false, ours: true });
    t.left = 0;
  });
}
