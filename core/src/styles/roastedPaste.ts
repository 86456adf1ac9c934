import { at, flowsIn, larder, sauce } from './build';
import type { Style } from './style';

/** Dried pods toasted, softened, blended with shallot and garlic, fried down with palm sugar and sour fruit pressed out of its block. */
export const roastedPaste: Style = {
  id: 'roasted-paste',
  name: 'roasted dried-pod paste',
  says: 'Dark and sweet-sour; dried pods toasted, ground and fried down with palm sugar and tamarind.',
  eaten: 'spooned',
  fills: 'all',
  signs: [/^tamarind/, /^(shrimp_paste|fish_sauce)/, /^sugar_palm/, /^oil/],
  pods: 'dried',
  strands: (goal) => [
    sauce(goal, [
      at('prep'),
      at('toast', { kind: 'medium', minutes: 1.5 }),
      at('soak', { waterPerG: 4, minutes: 20, keepWater: false }),
      at('blend', { texture: 'coarse' }, [larder('shallot', 780), larder('garlic', 260), larder('shrimp_paste', 60), larder('water', 500)]),
      at('fry', { way: 'paste', minutes: 18, panCm: 30 }, [
        larder('oil_neutral', 420),
        larder('sugar_palm', 520),
        flowsIn('sour'),
        larder('fish_sauce', 150),
      ]),
      at('bottle'),
    ]),
    {
      id: 'sour',
      name: 'Sour fruit',
      stations: [at('press', { waterPerG: 3 }, [larder('tamarind_pulp', 220)])],
      goal: null,
    },
  ],
};
