import { at, larder, sauce } from './build';
import type { Style } from './style';

/** Green pods, small sour fruit and avocado, barely blended, eaten the same day. */
export const roughTable: Style = {
  id: 'rough-table',
  name: 'rough raw table sauce',
  says: 'Green, soft and rough; sour fruit and avocado barely blended, on the table the same day.',
  eaten: 'dip',
  fills: 'all',
  signs: [/^(avocado|tomatillo)/, /^(lime|cilantro|onion)/],
  strands: (goal) => [
    sauce(goal, [
      at('prep'),
      at('blend', { texture: 'rustic', heldUpPct: 2 }, [
        larder('tomatillo', 620),
        larder('avocado', 360),
        larder('onion', 90),
        larder('lime_juice', 80),
        larder('cilantro', 50),
        larder('garlic', 12, '3 cloves'),
        larder('salt_sea', 20),
      ]),
      at('bowl'),
    ]),
  ],
};
