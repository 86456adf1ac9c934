import { at, larder, sauce } from './build';
import type { Style } from './style';

/** Dried pods soaked until they fold, blended with shallot, sugar and sour fruit, brought to the boil. */
export const cookedDip: Style = {
  id: 'cooked-dip',
  name: 'cooked dip with soaked dried pods',
  says: 'Sweet first, then sour, then salt; dried pods soaked and blended, boiled up, in jars the same day.',
  eaten: 'dip',
  fills: 'all',
  words: /\bdip\b/i,
  signs: [/^tamarind/, /^fish_sauce/, /^sugar_palm/],
  pods: 'dried',
  strands: (goal) => [
    sauce(goal, [
      at('prep'),
      at('soak', { waterPerG: 5, minutes: 20, keepWater: false }),
      at('blend', { texture: 'medium' }, [
        larder('shallot', 640),
        larder('garlic', 200),
        larder('fish_sauce', 420),
        larder('sugar_palm', 1150),
        larder('tamarind_paste', 900),
        larder('water', 1400),
      ]),
      at('simmer', { boil: 'gentle', until: 'minutes', minutes: 12 }),
      at('bottle', { fill: 'hot' }),
    ]),
  ],
};
