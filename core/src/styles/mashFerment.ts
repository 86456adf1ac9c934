import { at, larder, sauce } from './build';
import type { Style } from './style';

/** Pods ground with dry salt, soured in their own juice. */
export const mashFerment: Style = {
  id: 'mash-ferment',
  name: 'mash ferment',
  says: 'Thick and deep; ground pods and dry salt, a month in their own juice.',
  eaten: 'drop',
  fills: 'jug',
  words: /\bmash\b/i,
  strands: (goal) => [
    sauce(goal, [
      at('prep'),
      // More salt than in brine, for there is more air in a mash (common practice, no source).
      at('salt', { school: 'mash', pct: 5, cut: 'mash' }),
      at('ferment', { days: 28 }),
      at('blend', { texture: 'smooth' }, [larder('vinegar_cider', 220), larder('garlic', 12, '3 cloves')]),
      at('strain'),
      at('bottle'),
    ]),
  ],
};
