import { at, larder, sauce } from './build';
import type { Style } from './style';

/** A finished sauce simmered into another one; mustard goes in off the boil, spoon by spoon. */
export const fromBottle: Style = {
  id: 'from-a-bottle',
  name: 'sauce that takes a bottled sauce',
  says: 'Round and sharp; a sauce from the shelf in a pot of tomato and honey, mustard off the boil.',
  eaten: 'spooned',
  fills: 'all',
  words: /\b(glaze|bottled sauce|from the shelf)\b/i,
  takesSauce: { stationId: 'simmer', g: 420 },
  strands: (goal) => [
    sauce(goal, [
      at('prep'),
      at('simmer', { boil: 'gentle', until: 'minutes', minutes: 20 }, [
        larder('tomato_passata', 700),
        larder('onion', 220),
        larder('vinegar_cider', 260),
        larder('honey', 150),
        larder('garlic', 28, '7 cloves'),
        larder('salt_fine', 14),
      ]),
      at('temper', { hotC: 90, coldC: 20 }, [larder('mustard_yellow', 140)]),
      at('blend', { texture: 'smooth', hot: true }),
      at('bottle', { fill: 'hot' }),
    ]),
  ],
};
