import type { Goal, Intake, Strand } from '../file';
import { at, flowsIn, larder } from './build';
import type { Style } from './style';

/** What makes each bowl its own, g for its part of the base. */
const BOWLS: readonly [id: string, name: string, own: Intake[]][] = [
  ['herb', 'With basil', [larder('basil', 24), larder('lime_juice', 16), larder('salt_fine', 1)]],
  ['fruit', 'With pineapple', [larder('pineapple', 110), larder('lime_juice', 14), larder('salt_fine', 3)]],
  ['leaf', 'With coriander', [larder('cilantro', 26), larder('lime_juice', 18), larder('salt_fine', 1.5)]],
  ['savoury', 'With fish sauce', [larder('fish_sauce', 22), larder('mint', 14), larder('lime_juice', 14)]],
];

/** One base, shared out into bowls that each have another herb, fruit or sauce, with salt and lime for what came in. */
export const baseVariants: Style = {
  id: 'base-variants',
  name: 'one base, four sauces',
  says: 'One jug, four bowls: two herbs, a fruit, a fish sauce, each with its own salt and lime.',
  eaten: 'spooned',
  fills: 'all',
  words: /\b(variants|four (bowls|sauces))/i,
  strands: (goal) => {
    /** The bottles that are wished, dealt out to the bowls. */
    const share = (n: number): Goal => ({
      ...goal,
      bottles: Math.max(1, Math.floor((goal.bottles + BOWLS.length - 1 - n) / BOWLS.length)),
    });
    const base: Strand = {
      id: 'base',
      name: 'Base',
      stations: [
        at('prep'),
        at('blend', { texture: 'medium' }, [
          larder('vinegar_rice', 240),
          larder('garlic', 32, '8 cloves'),
          larder('sugar_white', 24),
          larder('salt_fine', 16),
        ]),
      ],
      goal: null,
    };
    const pct = Math.round(1000 / BOWLS.length) / 10;
    const bowls = BOWLS.map(([id, name, own], n): Strand => ({
      id,
      name,
      stations: [
        at('blend', { texture: 'medium' }, [flowsIn('base', n === BOWLS.length - 1 ? undefined : pct), ...own], `${id}-stir`),
        at('bottle', {}, [], `${id}-bottle`),
      ],
      goal: share(n),
    }));
    return [base, ...bowls];
  },
};
