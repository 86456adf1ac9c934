import { at, larder, sauce } from './build';
import type { Style } from './style';

/** Chopped pods in sugar, vinegar and water, boiled for minutes and set with a starch slurry. */
export const sweetStarch: Style = {
  id: 'sweet-starch',
  name: 'sweet chili, with starch',
  says: 'Sweet and glossy; boiled for minutes and set with starch, less sweet than a syrup.',
  eaten: 'dip',
  fills: 'all',
  words: /\b(slurry|sweet chil\w* with starch)/i,
  signs: [/^sugar/, /^vinegar_rice/, /^(cornstarch|tapioca)/],
  strands: (goal) => [
    sauce(goal, [
      at('prep'),
      at('blend', { texture: 'rustic' }, [
        larder('vinegar_rice', 560),
        larder('water', 620),
        larder('garlic', 44, '11 cloves'),
        larder('salt_fine', 28),
      ]),
      at('simmer', { boil: 'gentle', potCm: 28, until: 'minutes', minutes: 12 }, [larder('sugar_white', 620)]),
      at('thicken', { with: 'cornstarch', until: 'body', step: 4, minutes: 2 }),
      at('bottle', { fill: 'hot' }),
    ]),
  ],
};
