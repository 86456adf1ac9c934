import { LEGAL_PH } from '../ferment';
import { BITTER_SEED_SHARE } from '../heat';
import type { Caution } from './caution';
import { handlingPods } from './pods';

/** Ground seeds: a note, not a danger. `share` is that of seed in the pods. */
export function bitterSeeds(share: number): Caution[] {
  if (share <= BITTER_SEED_SHARE) return [];
  return [
    {
      id: 'bitter-seeds',
      guide: 'seeds-ground',
      severity: 'note',
      text: `About ${Math.round(100 * share)} in 100 of the pods are seeds. Blended long, they turn bitter. Shake some out; the heat hardly changes.`,
      why: 'Seeds make almost no heat themselves; the pale ribs do.',
      authority: 'common practice',
    },
  ];
}

/** The widest half-width that a predicted pH is given (chapter 3, section 9): closer to 4.6 than this is not safely below. */
const WIDEST_CLAIM = 0.4;

/** A mix in a bowl that nobody has measured yet. */
export function unmeasuredBowl(bowl: { pH: number | null; hottestShu: number; seedShare: number; underOil: boolean }): Caution[] {
  const out: Caution[] = [...handlingPods(bowl.hottestShu)];
  if (bowl.pH !== null) {
    const low = bowl.pH > LEGAL_PH - WIDEST_CLAIM;
    out.push({
      id: 'bowl-unmeasured',
      guide: 'measured',
      severity: low ? 'danger' : 'caution',
      text: low
        ? 'Not sour enough to keep. Eat it within days from the fridge, or add acid and measure.'
        : 'This pH is worked out, not measured. Keep the sauce in the fridge and measure it before you trust it.',
      why: 'Botulism grows where acid is short, and tables of food acids are guesses.',
      authority: 'the line at 4.6 is that of acidified-food rules; local food law decides',
    });
  }
  if (bowl.underOil) {
    out.push({
      id: 'garlic-oil',
      guide: 'garlic-in-oil',
      severity: 'danger',
      text: 'Oil with garlic, herbs or pods: fridge, and gone within four days, or the freezer.',
      why: 'Oil keeps air out, which is what botulism likes.',
      authority: 'common food-safety advice',
    });
  }
  return [...out, ...bitterSeeds(bowl.seedShare)];
}
