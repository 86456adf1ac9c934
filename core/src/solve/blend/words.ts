import { levelName, twoFigures } from '../../heat';
import type { BlendAnswer, Miss } from './answer';
import type { BlendProblem } from './material';

const figure = (x: number) => twoFigures(x).toLocaleString('en');
const grams = (g: number) => (g >= 1000 ? `${(g / 1000).toFixed(1)} kg` : `${Math.round(g)} g`);

/** How one wish gives way, in the maker's words. */
export function missInWords(m: Miss, problem: BlendProblem): string {
  const { wish } = problem;
  const less = m.side === 'short';
  if (m.wish === 'heat') {
    const to = less ? Math.max(0, wish.heat!.lowShu - m.by) : wish.heat!.highShu + m.by;
    return `${less ? 'settle for' : 'put up with'} ${figure(to)} SHU (${levelName(to)}), ${figure(m.by)} ${less ? 'under' : 'over'} your bracket`;
  }
  if (m.wish === 'saltPct') {
    const to = less ? wish.saltPct!.low - m.by : wish.saltPct!.high + m.by;
    return `let the salt be ${to.toFixed(1)} %`;
  }
  if (m.wish === 'sugarPct') {
    const to = less ? wish.sugarPct!.low - m.by : wish.sugarPct!.high + m.by;
    return `let the sugar be ${to.toFixed(1)} %`;
  }
  if (m.wish === 'body')
    return `let it be thinner: body ${Math.max(0, wish.body!.low - m.by).toFixed(2)} instead of ${wish.body!.low.toFixed(2)}`;
  if (m.wish === 'acidity') {
    return m.pH == null
      ? `let it be less sour, ${m.by.toFixed(0)} mmol/kg short of acid`
      : `let the pH be about ${m.pH.toFixed(1)} instead of ${wish.pH!.max.toFixed(1)}`;
  }
  if (m.wish === 'colour') return `let the colour be less ${wish.colour!.family}`;
  if (m.wish === 'perKg') return `pay ${(wish.perKg!.max + m.by).toFixed(2)} a kg`;
  const flavour = m.wish.slice('flavour:'.length);
  const share = wish.flavours.find((f) => f.flavour === flavour)?.share ?? 0;
  return `let it be less ${flavour}: ${Math.round(100 * Math.max(0, share - m.by))} instead of ${Math.round(100 * share)} in 100`;
}

/** What stands in the way and what would help, in sentences; first the gist. Empty for a blend that was found. */
export function answerInWords(answer: BlendAnswer, problem: BlendProblem): { gist: string; lines: string[] } {
  if (answer.status === 'found') return { gist: '', lines: [] };
  const { wish, materials } = problem;
  const lines: string[] = [];
  const there = materials.reduce((s, m) => s + Math.min(m.stockG, (m.maxPct / 100) * wish.massG), 0);
  let gist = 'These wishes cannot all be met with what is there.';
  const heat = answer.misses.find((m) => m.wish === 'heat');
  if (there < wish.massG * 0.9999) gist = `There is too little: ${grams(wish.massG)} are wanted, ${grams(there)} are there.`;
  else if (answer.misses.length === 0) gist = 'Amounts, shares and whole pods contradict each other.';
  else if (heat && answer.reach) {
    gist =
      heat.side === 'short'
        ? `Too mild: short of your bracket by ${figure(heat.by)} SHU. The hottest this stock reaches${answer.misses.length > 1 || wish.saltPct || wish.pH || wish.body ? ' with your other wishes' : ''} is ${figure(answer.reach.hottestShu)}.`
        : `Too hot: over your bracket by ${figure(heat.by)} SHU. The mildest this stock reaches is ${figure(answer.reach.mildestShu)}.`;
  }
  if (answer.repairs.length === 1) lines.push(`It would do to ${missInWords(answer.repairs[0]!, problem)}.`);
  else if (answer.repairs.length > 1) lines.push(...answer.repairs.map((r) => `Either ${missInWords(r, problem)}.`));
  else if (answer.misses.length > 0)
    lines.push(`No single change is enough. The nearest: ${answer.misses.map((m) => missInWords(m, problem)).join('; ')}.`);
  if (answer.largestG !== null && answer.largestG < wish.massG * 0.999)
    lines.push(`The stock makes ${grams(answer.largestG)} of it as you wish it.`);
  return { gist, lines };
}
