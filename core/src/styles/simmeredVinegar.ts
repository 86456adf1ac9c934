import { at, larder, sauce } from './build';
import type { Style } from './style';

/** Pods and garlic just covered with vinegar, simmered until soft, lifted from the seeds, blended and pressed. */
export const simmeredVinegar: Style = {
  id: 'simmered-vinegar',
  name: 'simmered vinegar sauce',
  says: 'Sharp and clear of seeds; a quarter of an hour in vinegar, lifted from the seeds, then the sieve.',
  eaten: 'drop',
  fills: 'all',
  unasked: true,
  words: /\bsimmered in vinegar\b/i,
  strands: (goal) => [
    sauce(goal, [
      at('prep'),
      at('simmer', { boil: 'bare', lid: 'on', until: 'minutes', minutes: 15 }, [
        larder('vinegar_cider', 650),
        larder('garlic', 32, '8 cloves'),
      ]),
      at('lift'),
      at('blend', { texture: 'smooth' }, [larder('sugar_white', 75), larder('salt_fine', 17)]),
      at('strain'),
      at('bottle', { fill: 'hot' }),
    ]),
  ],
};
