import { bodyWord } from '../../cook';
import { levelName } from '../../heat';
import type { BlendAnswer } from './answer';
import type { BlendProblem } from './material';
import { figureTo, type Miss } from './miss';

const figure = (x: number) => x.toLocaleString('en');
const grams = (g: number) => (g >= 1000 ? `${(g / 1000).toFixed(1)} kg` : `${Math.round(g)} g`);

/** How one wish gives way, in the maker's words. */
export function missInWords(m: Miss, problem: BlendProblem): string {
  const { wish } = problem;
  const less = m.side === 'short';
  if (m.wish === 'heat') {
    const by = figure(figureTo(Math.abs((less ? wish.heat!.lowShu : wish.heat!.highShu) - m.to), 'up'));
    return `${less ? 'settle for' : 'put up with'} ${figure(m.to)} SHU (${levelName(m.to)}), ${by} ${less ? 'under' : 'over'} the heat you wish`;
  }
  if (m.wish === 'saltPct') return `let the salt be ${m.to.toFixed(1)} %`;
  if (m.wish === 'sugarPct') return `let the sugar be ${m.to.toFixed(1)} %`;
  if (m.wish === 'body') return `let it be thinner: ${bodyWord(m.to)} instead of ${bodyWord(wish.body!.low)}`;
  if (m.wish === 'acidity') return `let the pH be up to ${m.to.toFixed(1)} instead of ${wish.pH!.max.toFixed(1)}`;
  if (m.wish === 'colour') return `let the colour be less ${wish.colour!.family}`;
  if (m.wish === 'perKg') return `pay ${m.to.toFixed(2)} a kg`;
  const flavour = m.wish.slice('flavour:'.length);
  const share = wish.flavours.find((f) => f.flavour === flavour)?.share ?? 0;
  return `let it be less ${flavour}: ${Math.round(100 * m.to)} instead of ${Math.round(100 * share)} in 100`;
}

/** What to do when nothing better can be said. */
const LAST_RESORT = 'Leave one of the wishes free and ask again: the answer then tells what is in the way.';

/** What stands in the way and what would help, in sentences; first the gist. Empty for a blend that was found. */
export function answerInWords(answer: BlendAnswer, problem: BlendProblem): { gist: string; lines: string[] } {
  if (answer.status === 'found') return { gist: '', lines: [] };
  if (answer.contradictions.length > 0) return { gist: answer.contradictions[0]!, lines: answer.contradictions.slice(1) };
  const { wish, materials } = problem;
  const lines: string[] = [];
  const there = materials.reduce((s, m) => s + Math.min(m.stockG, (m.maxPct / 100) * wish.massG), 0);
  const heat = answer.misses.find((m) => m.wish === 'heat');
  const others = answer.misses.length > 1 || wish.saltPct || wish.pH || wish.body ? ' with your other wishes' : '';
  let gist = 'These wishes cannot all be met with what is there.';
  if (answer.outOfTime) gist = 'No mix was found in the time there is. There may be one.';
  else if (there < wish.massG * 0.9999) gist = `There is too little: ${grams(wish.massG)} are wanted, ${grams(there)} are there.`;
  else if (answer.misses.length === 0) gist = 'Amounts, shares, acid and whole pods cannot all be had with what is there.';
  else if (heat) {
    const by = figure(figureTo(heat.by, 'up'));
    gist =
      heat.side === 'short'
        ? `Too mild: short of the heat you wish by ${by} SHU.${answer.reach ? ` The hottest this stock reaches${others} is ${figure(figureTo(answer.reach.hottestShu, 'down'))}.` : ''}`
        : `Too hot: over the heat you wish by ${by} SHU.${answer.reach ? ` The mildest this stock reaches is ${figure(figureTo(answer.reach.mildestShu, 'up'))}.` : ''}`;
  }
  if (answer.repairs.length === 1) lines.push(`It would do to ${missInWords(answer.repairs[0]!, problem)}.`);
  else if (answer.repairs.length > 1) lines.push(...answer.repairs.map((r) => `Either ${missInWords(r, problem)}.`));
  else if (answer.together)
    lines.push(`No single change is enough. Together these are: ${answer.together.map((m) => missInWords(m, problem)).join('; ')}.`);
  lines.push(...answer.ways.map((w) => w.says));
  if (answer.largestG !== null) lines.push(`The stock makes ${grams(answer.largestG)} of it as you wish it.`);
  if (lines.length === 0) lines.push(LAST_RESORT);
  return { gist, lines };
}
