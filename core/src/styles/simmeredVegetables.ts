import { at, flowsIn, larder, sauce } from './build';
import type { Style } from './style';

/** Vegetables simmered down by themselves; raw pods join them at the jug. */
export const simmeredVegetables: Style = {
  id: 'simmered-vegetables',
  name: 'vegetables simmered down, raw pods',
  says: 'Full and fruity; carrot and onion boiled down, the pods raw, the same afternoon.',
  eaten: 'spooned',
  fills: 'all',
  signs: [/^carrot/, /^onion/, /^(vinegar|lime|lemon)/],
  strands: (goal) => [
    sauce(goal, [
      at('prep'),
      at('blend', { texture: 'smooth' }, [
        flowsIn('vegetables'),
        larder('vinegar_cider', 420),
        larder('lime_juice', 70),
        larder('honey', 45),
        larder('salt_fine', 32),
      ]),
      at('bottle'),
    ]),
    {
      id: 'vegetables',
      name: 'Vegetables',
      stations: [
        at(
          'simmer',
          // A third of the pot goes: what is left is soft and hardly runs (common practice, no source).
          { boil: 'steady', until: 'left', leftPct: 65 },
          [larder('carrot', 480), larder('onion', 320), larder('garlic', 40, '10 cloves'), larder('oil_neutral', 18), larder('water', 700)],
          'vegetables-simmer',
        ),
      ],
      goal: null,
    },
  ],
};
