import { at, larder, sauce } from './build';
import type { Style } from './style';

/** Chopped pods in sugar, vinegar and water, simmered to a syrup. */
export const sweetSyrup: Style = {
  id: 'sweet-syrup',
  name: 'sweet chili syrup',
  says: 'Sweet and clinging; sugar and vinegar boiled to a syrup, thin hot and thick cold.',
  eaten: 'dip',
  fills: 'all',
  words: /\b(syrup|sweet chil)/i,
  signs: [/^sugar/, /^vinegar_rice/],
  strands: (goal) => [
    sauce(goal, [
      at('prep'),
      at('blend', { texture: 'rustic' }, [
        larder('vinegar_rice', 620),
        larder('water', 320),
        larder('garlic', 48, '12 cloves'),
        larder('salt_fine', 26),
      ]),
      at('simmer', { boil: 'gentle', potCm: 28, until: 'solids', brix: 48 }, [larder('sugar_white', 900)]),
      at('bottle', { fill: 'hot' }),
    ]),
  ],
};
