import { at, larder, sauce } from './build';
import type { Style } from './style';

/** Pods and vegetables charred dry, blended with fruit, vinegar and juice. */
export const charredFruit: Style = {
  id: 'charred-fruit',
  name: 'charred fruit sauce',
  says: 'Smoky and sweet; eight minutes in a dry pan, fruit and vinegar, the same day.',
  eaten: 'spooned',
  fills: 'all',
  words: /\b(char|grill|blister)/i,
  signs: [/^(mango|pineapple|peach)/, /^(bell|roasted_pepper)/, /^(lime|vinegar)/],
  strands: (goal) => [
    sauce(goal, [
      at('prep'),
      at('char', { way: 'pan', degree: 'light', minutes: 8 }, [
        larder('bell_red', 240),
        larder('onion', 150),
        larder('garlic', 30, '7 cloves'),
      ]),
      at('blend', { texture: 'smooth' }, [
        larder('mango_ripe', 260),
        larder('vinegar_cider', 380),
        larder('lime_juice', 60),
        larder('maple_syrup', 45),
        larder('salt_fine', 24),
      ]),
      at('strain'),
      at('bottle'),
    ]),
  ],
};
