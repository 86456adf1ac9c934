import { at, larder, sauce } from './build';
import type { Style } from './style';

/** Everything blended with much vinegar, boiled down by half for hours, blended again, bottled hot. */
export const longReduced: Style = {
  id: 'long-reduced',
  name: 'long-reduced spiced sauce',
  says: 'Dark and spiced; blended with much vinegar and boiled down by half, for hours.',
  eaten: 'drop',
  fills: 'all',
  words: /\b(reduc|boil(ed)? down)/i,
  signs: [/^vinegar/, /^mustard/, /^(allspice|cumin|cinnamon|coriander_seed|black_pepper)/, /^(sugar|molasses|pineapple|mango)/],
  strands: (goal) => [
    sauce(goal, [
      at('prep'),
      at('blend', { texture: 'coarse' }, [
        larder('vinegar_distilled_5', 2300),
        larder('onion', 420),
        larder('garlic', 64, '16 cloves'),
        larder('pineapple', 460),
        larder('sugar_brown', 250),
        larder('mustard_yellow', 150),
        larder('salt_fine', 46),
        larder('allspice', 4),
      ]),
      at('simmer', { boil: 'steady', potCm: 28, until: 'left', leftPct: 50 }),
      at('blend', { texture: 'smooth' }, [larder('black_pepper', 8)], 'blend-again'),
      at('bottle', { fill: 'hot' }),
    ]),
  ],
};
