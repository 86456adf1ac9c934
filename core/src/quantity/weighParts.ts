import type { Ingredient } from '../matter/ingredient';
import { bulkDensity, weigh, type Weighed } from './grams';
import type { LeadAmount } from './lead';
import type { Parts } from './lineParts';
import { QuantityError } from './parse';
import { pieceFor, tinOf } from './pieces';
import type { Kitchen } from './units';

/** What weighing must know of a thing. */
export type Weighable = Pick<Ingredient, 'key' | 'name' | 'pieces' | 'measure' | 'density'>;
export interface Thing extends Weighable {
  store: 'larder' | 'pods';
  id: string;
}

/** A large or small pinch, dash or handful, as a factor (our judgement). */
const HAND_SIZE: Record<string, number> = { small: 0.7, little: 0.7, large: 1.4, big: 1.4 };

function weighLead(a: LeadAmount, thing: Thing, kitchen: Kitchen, words: readonly string[]): Weighed {
  const spread = a.low < a.high ? [`middle of ${a.low} to ${a.high}`] : [];
  if (a.pack) {
    const { each, word } = a.pack;
    if (each) {
      const net = weigh(each, thing, kitchen, 'g');
      return { massG: a.value * net.massG, assumed: [...spread, `the whole ${word} of ${Math.round(net.massG)} g`] };
    }
    const tin = word === 'tin' || word === 'can' ? tinOf(thing.key, kitchen) : undefined;
    if (!tin) throw new QuantityError(`How much is in one ${word} of ${thing.name.toLowerCase()}? Say its grams.`);
    return { massG: a.value * tin, assumed: [...spread, `a ${word} of ${tin} g, all of it`] };
  }
  if (a.unit) {
    const w = weigh(a, thing, kitchen, 'g');
    // "2 large pinches": the hand is larger, not a spoon.
    const by = a.unit.kind === 'hand' && a.size ? (HAND_SIZE[a.size] ?? 1) : 1;
    return { massG: by * w.massG, assumed: [...a.said, ...w.assumed, ...(by === 1 ? [] : [`${a.size}: ${by} of a usual one`])] };
  }
  const piece = pieceFor(thing, a.piece === 'piece' ? null : a.piece, a.size, words);
  if (!piece) {
    const what = a.piece ? `one ${a.piece} of ${thing.name.toLowerCase()}` : `one ${thing.name.toLowerCase()}`;
    throw new QuantityError(`How much does ${what} weigh? Say grams or spoons instead.`);
  }
  return { massG: a.value * piece.massG, assumed: [...spread, piece.assumed] };
}

/** A spoon or cup and the grams beside it may differ by so much: liquids hardly, what is cut or ground more (our judgement). */
const AGREE = { liquid: 1.3, loose: 2.2 } as const;

/** A stated weight that cannot be the stated volume: a sentence that asks which is meant; null when they agree. */
function contradicted(parts: Parts, thing: Thing, kitchen: Kitchen, words: readonly string[]): string | null {
  const [first] = parts.lead!.amounts;
  const other = parts.lead!.instead ?? parts.bracket;
  const kinds = [first!.unit?.kind, other?.unit?.kind];
  if (!other || !kinds.includes('mass') || !kinds.includes('volume')) return null;
  const a = parts.lead!.amounts.reduce((s, x) => s + weighLead(x, thing, kitchen, words).massG, 0);
  const b = weighLead(other, thing, kitchen, words).massG;
  const pours = Math.abs(bulkDensity(thing) / thing.density - 1) < 0.1;
  const apart = Math.max(a / b, b / a);
  if (!(apart > (pours ? AGREE.liquid : AGREE.loose))) return null;
  const [byVolume, byWeight] = first!.unit!.kind === 'volume' ? [a, b] : [b, a];
  return `That much ${thing.name.split(',')[0]!.toLowerCase()} by the spoon or cup weighs about ${Math.round(byVolume)} g, not ${Math.round(byWeight)} g. Keep the one that is right.`;
}

/** Grams of what a line says, by the best of the amounts in it. Throws QuantityError with what only the maker can say. */
export function weighAll(parts: Parts, thing: Thing, kitchen: Kitchen, words: readonly string[]): Weighed {
  const lead = parts.lead!;
  // What was weighed or poured in metric beats a piece or a cup.
  const metric = (a: LeadAmount | null) => (a && /^(g|kg|ml|l|cl|dl)$/.test(a.unit?.id ?? '') ? a : null);
  const doubt = contradicted(parts, thing, kitchen, words);
  if (doubt) throw new QuantityError(doubt);
  const weighed = metric(lead.instead) ?? metric(parts.bracket) ?? (lead.amounts[0]!.unit || lead.amounts[0]!.pack ? null : parts.bracket);
  if (weighed && !(metric(lead.amounts[0]!) && lead.amounts.length === 1)) {
    const w = weighLead(weighed, thing, kitchen, words);
    return { massG: w.massG, assumed: ['the amount in brackets or after the stroke', ...w.assumed] };
  }
  const each = lead.amounts.map((a) => weighLead(a, thing, kitchen, words));
  return { massG: each.reduce((s, w) => s + w.massG, 0), assumed: [...new Set(each.flatMap((w) => w.assumed))] };
}
