import { at, larder, sauce } from './build';
import type { Style } from './style';

/** Pods pounded or blended with salt and citrus, without any water. */
export const rawCitrus: Style = {
  id: 'raw-citrus',
  name: 'raw, salted, with citrus',
  says: 'Salty and bright; pods, salt and citrus without a drop of water, from the fridge.',
  eaten: 'spooned',
  fills: 'all',
  signs: [/^calamansi/, /^salt/],
  strands: (goal) => [
    sauce(goal, [
      at('prep'),
      at('blend', { texture: 'medium' }, [larder('calamansi_juice', 190), larder('salt_sea', 62), larder('garlic', 20, '5 cloves')]),
      at('bottle'),
    ]),
  ],
};
