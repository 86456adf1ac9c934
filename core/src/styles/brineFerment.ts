import { at, larder, sauce } from './build';
import type { Style } from './style';

/** Pods in brine, soured, blended with vinegar, strained and bottled. */
export const brineFerment: Style = {
  id: 'brine-ferment',
  name: 'brine ferment',
  says: 'Sour and round; two weeks in a jar of brine, then vinegar.',
  eaten: 'drop',
  fills: 'jug',
  words: /\b(lacto|brine|ferment)/i,
  strands: (goal) => [
    sauce(goal, [
      at('prep'),
      at('salt'),
      at('ferment'),
      at('drain'),
      // The usual jug for the pods of some small bottles (common practice, no source).
      at('blend', {}, [larder('vinegar_cider', 300), larder('garlic', 12, '3 cloves')]),
      at('strain'),
      at('bottle'),
    ]),
  ],
};
