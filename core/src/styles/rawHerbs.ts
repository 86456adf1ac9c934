import { at, larder, sauce } from './build';
import type { Style } from './style';

/** Pods, garlic, herbs and lime, blended raw; eaten in days. */
export const rawHerbs: Style = {
  id: 'raw-herbs',
  name: 'raw sauce with herbs',
  says: 'Green and sharp; blended raw in ten minutes, eaten within days from the fridge.',
  eaten: 'spooned',
  fills: 'all',
  signs: [/^(cilantro|culantro|mint|basil)/, /^(lime|lemon)/],
  strands: (goal) => [
    sauce(goal, [
      at('prep'),
      at('blend', { texture: 'coarse' }, [
        larder('lime_juice', 170),
        larder('cilantro', 80),
        larder('garlic', 32, '8 cloves'),
        larder('fish_sauce', 40),
        larder('sugar_palm', 30),
        larder('salt_sea', 8),
      ]),
      at('bottle'),
    ]),
  ],
};
