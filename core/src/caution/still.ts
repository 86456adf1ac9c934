import type { Keeping } from '../keep';
import type { Caution } from './caution';

/** Work without fire: a fruit block, starch, cooling, a bowl on the table. */

export function pressing(): Caution[] {
  return [
    {
      id: 'block-warm',
      guide: 'warm-too-long',
      severity: 'note',
      text: 'Use it today, or keep it in the fridge for days. Read the packet: a block and a jar of ready paste are not the same.',
      why: 'Warm fruit water grows yeasts, and the jar is about half as strong.',
      authority: 'common practice',
    },
  ];
}

export function thickening(starch: boolean): Caution[] {
  if (!starch) return [];
  return [
    {
      id: 'starch-warm',
      guide: 'warm-too-long',
      severity: 'caution',
      text: 'Boil it, then cool it within two hours and put it into the fridge. Do not keep it warm.',
      why: 'Germs like warm starch, and their spores stand the boil.',
      authority: 'US Food Code 3-501.14',
    },
  ];
}

/** Hot sauce on its way to cold; `acid` is a measured pH of at most 4.0. */
export function cooling(pot: { hotC: number; slow: boolean; acid: boolean; starch: boolean; warmHours: number; bath: boolean }): Caution[] {
  const found: Caution[] = [];
  if (pot.hotC > WARM_C && pot.bath)
    found.push({
      id: 'cold-bath',
      guide: 'burns',
      severity: 'caution',
      text: 'Metal into cold water, no hot glass. Start glass in lukewarm water.',
      why: 'Glass cracks when one side is more than 40 °C colder than the other.',
      authority: 'common practice',
    });
  found.push(...thickening(pot.starch));
  if (pot.acid) return found;
  const tooLong = pot.warmHours > MOST_WARM_H;
  if (tooLong || pot.slow)
    found.push({
      id: 'cools-slowly',
      guide: 'warm-too-long',
      severity: tooLong ? 'danger' : 'caution',
      text: tooLong
        ? 'Into the fridge once it is hand-warm. What stood warm for more than four hours is thrown away.'
        : 'Set the pot in cold water and stir, or share it out flat: below 21 °C within two hours, into the fridge and below 5 °C within four more.',
      why: 'Spores that lived through the pot grow between 5 and 57 °C. Only a measured pH of at most 4.0 holds them.',
      authority: 'US Food Code 3-501.14',
    });
  return found;
}
const WARM_C = 57;
/** Longer than this between 5 and 57 °C nothing is kept, h (handbook chapter 5, section 17). */
const MOST_WARM_H = 4;

/** A bowl on the table; days are those of its keeping. */
export function serving({ place, days }: Pick<Keeping, 'place' | 'days'>): Caution[] {
  if (place === 'bin') return [];
  const gone = days === 0 ? 'gone today' : `gone in ${days} day${days === 1 ? '' : 's'}`;
  return [
    {
      id: 'open-bowl',
      guide: 'warm-too-long',
      severity: 'caution',
      text: `Back into the fridge within two hours, and ${gone}. Say what is in it to whoever eats.`,
      why: 'An open bowl is dipped into, warmed and dipped into again.',
      authority: 'common practice',
    },
  ];
}

/** Hot stuff in a closed jug. */
export function hotJug(hot: boolean): Caution[] {
  if (!hot) return [];
  return [
    {
      id: 'hot-jug',
      guide: 'hot-jug',
      severity: 'danger',
      text: 'Half full at most, the lid vented under a folded towel, start slowly; or let it cool below 60 °C first.',
      why: 'Steam lifts the lid and throws the sauce at you.',
      authority: 'common practice',
    },
  ];
}
