import { at, larder, sauce } from './build';
import type { Style } from './style';

/** Pods, onion and tomato paste fried in oil, blended with preserved sweet pepper and vinegar. */
export const friedPaste: Style = {
  id: 'fried-paste',
  name: 'fried paste',
  says: 'Red and rich; a quarter of an hour in oil, blended thick, from the fridge within days.',
  eaten: 'spooned',
  fills: 'all',
  words: /\bfried\b/i,
  signs: [/^tomato_paste/, /^oil/],
  strands: (goal) => [
    sauce(goal, [
      at('prep'),
      at('fry', { way: 'paste', minutes: 15, panCm: 28 }, [
        larder('onion', 190),
        larder('tomato_paste', 240),
        larder('oil_olive', 120),
        larder('smoked_paprika', 12),
        { ...larder('garlic', 32, '8 cloves'), late: true },
      ]),
      at('blend', { texture: 'smooth' }, [
        larder('roasted_pepper_jar', 300),
        larder('vinegar_red_wine', 150),
        larder('lemon_juice', 50),
        larder('salt_fine', 26),
      ]),
      at('bottle'),
    ]),
  ],
};
