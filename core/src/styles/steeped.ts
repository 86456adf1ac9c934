import { at, larder, sauce } from './build';
import type { Style } from './style';

/** Chopped pods overnight in vinegar and salt, boiled with a little sugar, blended for long. */
export const steeped: Style = {
  id: 'steeped',
  name: 'steeped overnight and boiled',
  says: 'Bright and smooth; a night in vinegar, a short boil, on the table tomorrow.',
  eaten: 'spooned',
  fills: 'all',
  words: /\b(steep|overnight)/i,
  strands: (goal) => [
    sauce(goal, [
      at('prep'),
      at('steep', { cut: 'chopped', hours: 12, tempC: 4 }, [
        larder('vinegar_distilled_5', 520),
        larder('garlic', 28, '7 cloves'),
        larder('salt_sea', 20),
      ]),
      at('simmer', { boil: 'gentle', lid: 'ajar', until: 'minutes', minutes: 12 }, [larder('sugar_palm', 55)]),
      at('blend', { texture: 'silky' }),
      at('strain'),
      at('bottle', { fill: 'hot' }),
    ]),
  ],
};
