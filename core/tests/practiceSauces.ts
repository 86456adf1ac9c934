import type { BatchFile } from '../src';
import { lineOf, of, pods, step, swapped } from './practice';

/** Thirteen sauces of the trade, as they are made (common practice, no source): what is measured of them is asked of these. */
export const A = lineOf(
  'spooned',
  ['prep', {}, pods('scotch-bonnet-red', 15)],
  [
    'blend',
    { texture: 'coarse', jugMl: 700 },
    of('culantro', 30),
    of('garlic', '6 cloves garlic'),
    of('ginger', 10),
    of('carrot', 12),
    of('lime_juice', 40),
    of('vinegar_distilled_5', 40),
    of('salt_sea', 8),
  ],
  ['bottle', {}],
);
export const B = lineOf(
  'drop',
  ['prep', {}, pods('fresno-red', '160 g'), pods('cayenne-red', '60 g')],
  [
    'simmer',
    { boil: 'gentle', potCm: 20, minutes: 15 },
    of('garlic', '10 cloves garlic'),
    of('vinegar_distilled_5', '1 cup white vinegar'),
  ],
  ['blend', { texture: 'medium', blender: 'stick' }],
  ['strain', { method: 'pressed' }],
  ['simmer', { boil: 'bare', potCm: 20, minutes: 3 }, of('salt_fine', 6), of('sugar_white', 60)],
  ['bottle', {}],
);
export const withoutSieve: BatchFile = {
  ...B,
  strands: [{ ...B.strands[0]!, stations: B.strands[0]!.stations.filter((s) => s.kind !== 'strain') }],
};
export const C = lineOf(
  'dip',
  ['prep', {}, pods('thai-bird', 6)],
  [
    'blend',
    { texture: 'medium' },
    of('lemongrass', '2 stalks lemongrass'),
    of('makrut_leaf', 3),
    of('lime_juice', 70),
    of('fish_sauce', 45),
    of('sugar_white', 30),
    of('garlic', 24),
    of('cilantro', 30),
  ],
  ['bottle', {}],
);
export const D = lineOf(
  'dip',
  ['prep', {}, { ...pods('crushed-red', '5 g') }],
  [
    'simmer',
    { boil: 'steady', potCm: 18, until: 'minutes', minutes: 8 },
    of('sugar_brown', '1 cup brown sugar'),
    of('vinegar_rice', '1/2 cup rice vinegar'),
    of('garlic', '2 cloves garlic'),
  ],
  ['bottle', {}],
);
export const E = lineOf(
  'spooned',
  ['prep', {}, pods('guajillo', 4, 'cored')],
  ['soak', { minutes: 8, tempC: 90 }],
  [
    'blend',
    { texture: 'medium', blender: 'stick' },
    of('shallot', '1 shallot'),
    of('garlic', '3 cloves garlic'),
    of('fish_sauce', 30),
    of('sugar_palm', 80),
    of('tamarind_paste', 90),
    of('water', 30),
    of('salt_sea', 2),
  ],
  ['simmer', { boil: 'gentle', potCm: 18, minutes: 1 }, of('water', 50)],
  ['bottle', {}],
);
export const F = lineOf(
  'spooned',
  ['prep', {}, pods('fresno-red', '300 g')],
  [
    'steep',
    { cut: 'chopped', hours: 12, tempC: 4 },
    of('garlic', '4 cloves garlic'),
    of('salt_kosher', '1 tsp kosher salt'),
    of('vinegar_distilled_5', '1 cup white vinegar'),
  ],
  ['simmer', { boil: 'gentle', potCm: 18, minutes: 2 }, of('sugar_palm', '2 tbsp palm sugar')],
  ['blend', { texture: 'silky' }],
  ['strain', { method: 'pressed' }],
  ['bottle', {}],
);
export const G = lineOf(
  'spooned',
  [
    'fry',
    { way: 'sweat', minutes: 6, panCm: 26 },
    of('oil_neutral', '1 tbsp oil'),
    of('carrot', '1 1/2 cups carrots'),
    of('onion', '1 medium sweet onion'),
    of('garlic', '8 small cloves garlic'),
  ],
  ['simmer', { boil: 'gentle', potCm: 26, until: 'weight', leftG: 450 }, of('water', '2 cups water')],
  [
    'blend',
    { texture: 'silky' },
    pods('ghost-red', 3, 'cored'),
    pods('habanero-orange', 2, 'cored'),
    of('salt_kosher', '1 1/2 tsp kosher salt'),
    of('vinegar_distilled_5', '3 oz white vinegar'),
    of('lime_juice', '3 oz lime juice'),
    of('honey', '1/4 cup honey'),
  ],
  ['bottle', {}],
);
export const less = swapped(G, (i) => i);
less.strands[0]!.stations.find((s) => s.kind === 'simmer')!.params = {
  ...(step(G, 'simmer') && (G.strands[0]!.stations[1]!.params as object)),
  leftG: 600,
};
export const H = lineOf(
  'spooned',
  ['prep', {}, pods('arbol', 14)],
  ['toast', {}],
  [
    'blend',
    { texture: 'coarse', blender: 'mortar' },
    of('shallot', 80),
    of('garlic', 30),
    of('tamarind_paste', 60),
    of('sugar_palm', 60),
    of('fish_sauce', 20),
    of('salt_sea', 2),
    of('water', 60),
  ],
  ['simmer', { boil: 'gentle', potCm: 24, minutes: 6 }],
  ['bottle', {}],
);
export const I = lineOf(
  'dip',
  ['prep', {}, pods('thai-spur-large', '120 g', 'seedsOut')],
  ['blend', { texture: 'coarse', blender: 'processor' }, of('garlic', 20), of('water', 60)],
  [
    'simmer',
    { boil: 'gentle', potCm: 22, minutes: 5 },
    of('vinegar_distilled_5', 160),
    of('sugar_white', 240),
    of('water', 120),
    of('salt_fine', 8),
    of('fish_sauce', 15),
  ],
  ['thicken', { dosePct: 1.6 }],
  ['bottle', {}],
);
export const J = lineOf(
  'spooned',
  [
    'simmer',
    { boil: 'bare', potCm: 20, minutes: 4 },
    of('vinegar_distilled_5', '3/8 cup white vinegar', 'metric'),
    of('tomato_passata', '1 1/2 cups passata', 'metric'),
    of('worcestershire', '3 tbsp Worcestershire sauce', 'metric'),
    of('salt_fine', '3/4 tbsp salt', 'metric'),
    pods('cayenne-powder', '0.4 g'),
    of('lemon_juice', '3 tsp lemon juice', 'metric'),
    of('liquid_smoke', 7),
    of('sweetener_erythritol', 24),
    of('mustard_yellow', '1 1/2 tbsp yellow mustard', 'metric'),
  ],
  ['blend', { texture: 'smooth' }],
  ['bottle', {}],
);
export const K = lineOf(
  'spooned',
  ['prep', {}, pods('fresno-red', '120 g')],
  [
    'fry',
    { way: 'paste', minutes: 15, panCm: 26 },
    of('oil_olive', 30),
    of('onion', '1 onion'),
    of('tomato_paste', 50),
    of('cumin_ground', 3),
    of('garlic', 12),
    of('salt_fine', 6),
  ],
  ['rest', { hours: 0.5 }],
  ['blend', { texture: 'medium' }, of('roasted_pepper_jar', 200), of('vinegar_red_wine', 20), of('lemon_juice', 15), of('oil_olive', 20)],
  ['bottle', {}],
);
export const L = lineOf(
  'dip',
  ['prep', {}, { ...pods('serrano-green', 2 / 3) }],
  [
    'blend',
    { texture: 'smooth', blender: 'processor' },
    of('tomatillo', 150),
    of('avocado', '1 avocado'),
    of('cilantro', 10),
    of('lime_juice', 15),
    of('salt_fine', 4),
  ],
  ['bottle', {}],
);
export const M = lineOf(
  'spooned',
  ['prep', {}, pods('cayenne-red', '150 g', 'cored')],
  [
    'blend',
    { texture: 'coarse', blender: 'processor' },
    of('garlic', 50),
    of('ginger', 25),
    of('lime_juice', 30),
    of('sugar_white', 8),
    of('salt_fine', 9),
  ],
  ['bottle', {}],
);
/** Body of what comes out of a station, steps, at a temperature. */
