import { HOUSE_PH } from '../../ferment';
import { twoFigures } from '../../heat';
import type { BlendMix } from './check';
import type { BlendProblem, BlendWish } from './material';
import type { WishId } from './model';

/** How a wish gives way: in natural units (SHU, %, g/g, share, pH), and to which value it is told. */
export interface Miss {
  wish: WishId;
  by: number;
  /** The value falls short of its low end, or goes over its high end. */
  side: 'short' | 'over';
  /** The value that is said, rounded to the side on which it holds. */
  to: number;
}

/** Another way out, tried and found to do. */
export interface Way {
  says: string;
}

const stepUp = (x: number, step: number) => Math.ceil(x / step - 1e-9) * step;
const stepDown = (x: number, step: number) => Math.floor(x / step + 1e-9) * step;

/** A heat in two figures, rounded down or up. */
export function figureTo(shu: number, side: 'down' | 'up'): number {
  if (!(shu > 0)) return 0;
  const near = twoFigures(shu);
  const unit = 10 ** (Math.floor(Math.log10(shu)) - 1);
  if (side === 'down') return near <= shu ? near : near - unit;
  return near >= shu ? near : near + unit;
}

/** The value of a wish as it is said when it gives way by `by`, rounded so that it is easier to meet, never harder; `notch` more steps of ease. */
export function saidTo(wish: BlendWish, id: WishId, side: Miss['side'], by: number, mix: BlendMix | null, notch = 0): number {
  const down = side === 'short';
  const pick = (w: { low: number; high: number }, step: number) =>
    down ? Math.max(0, stepDown(w.low - by, step) - notch * step) : stepUp(w.high + by, step) + notch * step;
  if (id === 'heat') {
    const h = wish.heat!;
    return down ? figureTo(Math.max(0, h.lowShu - by) * (1 - 0.05 * notch), 'down') : figureTo((h.highShu + by) * (1 + 0.05 * notch), 'up');
  }
  if (id === 'saltPct') return pick(wish.saltPct!, 0.1);
  if (id === 'sugarPct') return pick(wish.sugarPct!, 0.1);
  // Told in the words of body, each from half a step below its own.
  if (id === 'body') return Math.max(1, Math.floor(Math.min(wish.body!.low - 0.01, mix?.body ?? 1) + 0.5) - 0.5 - notch);
  // The row aims below what is asked for; the wish itself is eased to what was reached.
  if (id === 'acidity') return stepUp(Math.max(wish.pH!.max, mix?.pH ?? HOUSE_PH), 0.1) + 0.1 * notch;
  if (id === 'perKg') return stepUp(wish.perKg!.max + by, 0.01) + 0.05 * notch;
  const share = id === 'colour' ? wish.colour!.share : (wish.flavours.find((f) => `flavour:${f.flavour}` === id)?.share ?? 0);
  return Math.max(0, stepDown(share - by, 0.01) - 0.01 * notch);
}

/** The question with these wishes eased to what is said. */
export function eased(problem: BlendProblem, misses: readonly Miss[]): BlendProblem {
  let wish = problem.wish;
  for (const m of misses) {
    const low = m.side === 'short';
    if (m.wish === 'heat') wish = { ...wish, heat: { ...wish.heat!, ...(low ? { lowShu: m.to } : { highShu: m.to }) } };
    else if (m.wish === 'saltPct') wish = { ...wish, saltPct: { ...wish.saltPct!, ...(low ? { low: m.to } : { high: m.to }) } };
    else if (m.wish === 'sugarPct') wish = { ...wish, sugarPct: { ...wish.sugarPct!, ...(low ? { low: m.to } : { high: m.to }) } };
    else if (m.wish === 'body') wish = { ...wish, body: { low: m.to } };
    else if (m.wish === 'acidity') wish = { ...wish, pH: { ...wish.pH!, max: m.to, margin: 0 } };
    else if (m.wish === 'perKg') wish = { ...wish, perKg: { max: m.to } };
    else if (m.wish === 'colour') wish = { ...wish, colour: { ...wish.colour!, share: m.to } };
    else wish = { ...wish, flavours: wish.flavours.map((f) => (`flavour:${f.flavour}` === m.wish ? { ...f, share: m.to } : f)) };
  }
  return { ...problem, wish };
}
