import { FOR_ONE, plainWords } from '../reading';
import { stationKind } from '../stations';
import type { ReadRecipe, RecipeThing, Step } from './recipe';
import { meantBy } from './things';

const told = (g: number) => (g < 20 ? Math.round(g * 10) / 10 : Math.round(g));
const isLiquid = (t: RecipeThing) => t.family === 'water';

/** g that a share is of, and how that is told: what stands in the jar, or all of the recipe. */
function baseOf(at: number, things: readonly RecipeThing[], step: Step | undefined): { g: number; of: string } {
  const others = (list: readonly { thing: number; share: number }[], fits: (t: RecipeThing) => boolean) =>
    list.reduce((s, p) => s + (p.thing !== at && fits(things[p.thing]!) ? (things[p.thing]!.g ?? 0) * p.share : 0), 0);
  const all = things.map((_, thing) => ({ thing, share: 1 }));
  // "35 g salt per litre of water", "25 g per kilo of chillies".
  const per = /\bper\b[^,;()]*?\bof\s+(?:the\s+)?([a-z]+(?: [a-z]+)?)/i.exec(things[at]!.item.text);
  const meant = per ? meantBy(plainWords(per[1]!), null, things) : [];
  const g = others(step?.puts ?? all, (t) => meant.includes(things.indexOf(t)));
  if (g > 0) return { g, of: per![1]! };
  if (!step || stationKind(step.kind).vessels === undefined) return { g: others(all, () => true), of: 'all the rest' };
  const water = others(step.puts, isLiquid);
  // A brine of 3 % is salt for its water; a mash, salt for what is in it.
  if (water > 0 && /\bbrine\b/i.test(things[at]!.item.text)) return { g: water, of: 'its water' };
  return { g: others(step.puts, () => true), of: water > 0 ? 'what is in the jar' : 'what is salted' };
}

/** Things that are said as a share, "3 % salt", in grams of what they go into; those whose base is not known stay asked. */
export function weighShares(things: readonly RecipeThing[], recipe: ReadRecipe | null): void {
  things.forEach((t, i) => {
    const { sharePct, ask } = t.item;
    if (sharePct === undefined || (ask === null && !t.item.assumed.includes(FOR_ONE))) return;
    const step = recipe?.strands.flat().find((s) => s.puts.some((p) => p.thing === i));
    const { g, of } = baseOf(i, things, step);
    if (!(g > 0)) return;
    const massG = (g * sharePct) / 100;
    t.g = massG;
    t.item = { ...t.item, ask: null, massG, assumed: [`${sharePct} % of ${told(g)} g, ${of}`] };
  });
}
