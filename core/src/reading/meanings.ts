import type { Kitchen } from './units';
import { MIXED_UNKNOWN } from '../matter/variety';
import { plainWords } from './plain';
import type { Named } from './words';

export interface Asking {
  ask: string;
  /** Names to put in the place of what was said. */
  options: string[];
}
export interface Known {
  id: string;
  store: Named['store'];
  say?: string;
}
/** A row, a question, or some finished sauce. */
export type Meaning = Known | Asking | { sauce: true };

export interface Said {
  words: string[];
  kitchen: Kitchen;
  /** Unit or piece word of the amount: "handful", "tbsp", "clove"; null for a bare number or none. */
  unit: string | null;
  /** A number of them, without a unit. */
  counted?: boolean;
  /** Every word that is said of it, also those after the comma. */
  all: ReadonlySet<string>;
  /** The other names of the line. */
  beside?: ReadonlySet<string>;
}

/** A word that means different things, by kitchen or by how it is measured. The first rule whose phrase is the whole name decides. */
export interface Rule {
  phrases: string[];
  means(said: Said): Meaning | null;
}

const larder = (id: string, say?: string): Meaning => ({ store: 'larder', id, ...(say ? { say } : {}) });
const spoon = (s: Said) => s.unit !== null && /^(tsp|tbsp|pinch|dash|dessertspoon|grind|grinding|twist|turn|ml)$/.test(s.unit);
const has = (s: Said, ...words: string[]) => words.some((w) => s.all.has(w));
/** "Washed and completely dry" are fresh ones. */
const isDried = (s: Said) =>
  has(s, 'dried') || (has(s, 'dry') && !has(s, 'washed', 'wash', 'wiped', 'patted', 'pat', 'completely', 'thoroughly'));
const LEAFY_UNITS = /^(handful|bunch|sprig|leaf|cup|stem|stalk)$/;

const VOLUME = /^(tsp|tbsp|cup|ml|dl|cl|dessertspoon|floz|flOz)$/;
/** Cut as fresh pods are. */
const KNIFED = ['sliced', 'halved', 'chopped', 'diced', 'minced', 'deseeded', 'stemmed', 'fresh', 'red'].flatMap((w) => plainWords(w));
/** Whole fruit and its cuts: not juice, not zest. */
const WHOLE = ['sliced', 'slice', 'wedge', 'quartered', 'halved', 'whole', 'chopped', 'diced', 'segment', 'thinly'].flatMap((w) =>
  plainWords(w),
);

/** What is offered for a pepper that is in no table. */
export const NEAR_PEPPERS = ['red jalapeño', 'long red chilli', "bird's eye chilli", 'habanero'];
/** Units that weigh pods without counting them. */
const WEIGHED = /^(g|kg|oz|lb|bowl|bag|basket|punnet|handful)$/;
export const UNKNOWN_SAID = 'pods of no known kind: their heat is a wide guess';

export const RULES: readonly Rule[] = [
  {
    phrases: ['cayenne'],
    means: (s) => (s.unit === null || WEIGHED.test(s.unit) || s.unit === 'pod' ? larder('cayenne_red', 'cayennes as fresh pods') : null),
  },
  {
    phrases: ['cayenne pepper', 'cayenne chili', 'cayenne pod'],
    means: (s) =>
      s.counted || (s.unit !== null && (WEIGHED.test(s.unit) || s.unit === 'pod') && has(s, ...KNIFED)) ? larder('cayenne_red') : null,
  },
  {
    phrases: ['beni', 'beni pepper', 'beni chili', 'beni highland'],
    means: () => ({ ask: 'Several peppers are called so. Which known one is nearest in size and heat?', options: NEAR_PEPPERS }),
  },
  {
    phrases: ['thyme'],
    means: (s) =>
      spoon(s) && !has(s, 'fresh', 'leaf', 'chopped') ? larder('thyme_dry', 'thyme by the spoon is the dried herb') : larder('thyme'),
  },
  {
    phrases: ['fennel'],
    means: (s) => (spoon(s) || has(s, 'seed', 'ground') ? larder('fennel_seed', 'fennel by the spoon is the seed') : null),
  },
  {
    phrases: ['sweetener', 'powdered sweetener', 'granulated sweetener'],
    means: () => ({
      ask: 'Which sweetener? A spoon of one is as sweet as ten of another.',
      options: ['erythritol', 'stevia sweetener'],
    }),
  },
  {
    phrases: ['cilantro stem', 'coriander stem', 'coriander stalk', 'cilantro stalk'],
    means: (s) =>
      s.unit !== null && VOLUME.test(s.unit)
        ? { ask: 'Chopped stems weigh several times what leaves do by the spoon. Say grams, or how many stems.', options: [] }
        : larder('cilantro'),
  },
  {
    phrases: ['kosher salt', 'flaky salt', 'flake salt', 'salt flake', 'sea salt flake', 'coarse kosher salt'],
    means: (s) =>
      larder(
        'salt_kosher',
        s.unit !== null && VOLUME.test(s.unit) ? 'coarse salts differ by nearly two from brand to brand; weighing is surer' : undefined,
      ),
  },
  {
    phrases: ['coriander'],
    means: (s) => {
      if (has(s, 'seed', 'powder') || (has(s, 'ground') && !has(s, 'leaf'))) return larder('coriander_seed');
      if (has(s, 'root')) return larder('cilantro_root');
      if ((s.unit && LEAFY_UNITS.test(s.unit)) || has(s, 'leaf', 'fresh', 'chopped', 'stem', 'torn'))
        return larder('cilantro', 'coriander is the leaf here');
      if (s.kitchen === 'us') return larder('coriander_seed', 'coriander is the seed in a US kitchen');
      return { ask: 'Coriander leaf or ground coriander seed?', options: ['coriander leaf', 'ground coriander seed'] };
    },
  },
  {
    phrases: ['tomato sauce', 'can tomato sauce'],
    means: (s) =>
      s.kitchen === 'us'
        ? larder('tomato_passata', 'US tomato sauce is a plain purée; taken as passata')
        : {
            ask: 'The sweet table sauce (ketchup), or plain sieved tomato (passata)?',
            options: ['ketchup', 'passata'],
          },
  },
  {
    phrases: ['tomato puree'],
    means: (s) =>
      s.kitchen === 'uk'
        ? larder('tomato_paste', 'UK tomato purée is concentrated; taken as tomato paste')
        : s.kitchen === 'us'
          ? larder('tomato_passata', 'US tomato purée is not concentrated; taken as passata')
          : { ask: 'Is that concentrated paste or a pourable passata?', options: ['tomato paste', 'passata'] },
  },
  {
    phrases: ['pepper'],
    means: (s) =>
      spoon(s) || has(s, 'ground', 'cracked', 'taste') || (s.beside?.has('salt') && s.unit === null)
        ? larder('black_pepper', 'pepper by the spoon is black pepper')
        : {
            ask: 'Which pepper: a sweet one, a hot one, or ground black pepper?',
            options: ['red bell pepper', 'green bell pepper', 'jalapeño', 'black pepper'],
          },
  },
  {
    phrases: ['red pepper'],
    means: (s) =>
      spoon(s)
        ? { ask: 'Flakes or ground red pepper?', options: ['chilli flakes', 'cayenne pepper'] }
        : larder('bell_red', 'red pepper is the sweet bell pepper'),
  },
  { phrases: ['green pepper'], means: () => larder('bell_green', 'green pepper is the sweet bell pepper') },
  {
    phrases: ['capsicum', 'bell pepper', 'sweet pepper', 'bell'],
    means: () => larder('bell_red', 'no colour said: a red one'),
  },
  {
    phrases: ['shallot'],
    means: (s) =>
      s.kitchen === 'au'
        ? { ask: 'The small brown bulb, or the long green ones?', options: ['eschalot', 'spring onion'] }
        : larder('shallot'),
  },
  {
    phrases: ['chili powder', 'mild chili powder'],
    means: (s) =>
      s.kitchen === 'us'
        ? {
            ask: 'US chili powder is a blend with cumin and salt. Is yours only ground chilli?',
            options: ['ground red chilli', 'paprika'],
          }
        : larder('chili_powder_pure', 'chilli powder is only ground chilli in this kitchen'),
  },
  {
    phrases: ['cornflour', 'corn flour'],
    means: (s) =>
      s.kitchen === 'us'
        ? { ask: 'US corn flour is ground maize. Do you mean the white starch?', options: ['cornstarch'] }
        : larder('cornstarch', 'cornflour is the white starch in this kitchen'),
  },
  {
    phrases: ['vinegar'],
    means: () => ({
      ask: 'Which vinegar? Its strength decides how sour the sauce gets.',
      options: ['white vinegar', 'cider vinegar', 'wine vinegar', 'rice vinegar'],
    }),
  },
  { phrases: ['green tomato', 'unripe tomato'], means: () => larder('tomato', 'green tomatoes counted as ripe ones, which are less sour') },
  { phrases: ['tamarind'], means: () => ({ ask: 'The solid block or the pourable paste?', options: ['tamarind pulp', 'tamarind paste'] }) },
  {
    phrases: [
      'chili',
      'red chili',
      'green chili',
      'yellow chili',
      'orange chili',
      'fresh chili',
      'fresh red chili',
      'chili pepper',
      'red chili pepper',
    ],
    means: (s) => {
      if (has(s, 'jar', 'jarred', 'pickled'))
        return {
          ask: 'Chillies from a jar are pickled in vinegar, or lie in oil, which changes how a sauce keeps. Which?',
          options: ['pickled jalapeños', 'roasted red pepper'],
        };
      // By weight or by the bowl any will do: what is not known of them is their heat.
      if (s.unit !== null && WEIGHED.test(s.unit) && !isDried(s)) return { store: 'pods', id: MIXED_UNKNOWN.id, say: UNKNOWN_SAID };
      const green = has(s, 'green');
      const dried = isDried(s);
      return {
        ask: 'Which chilli? Weight and heat differ a hundredfold.',
        options: dried
          ? ['árbol chillies', 'ancho chillies']
          : green
            ? ['jalapeño', 'serrano', "green bird's eye chilli", 'mixed pods']
            : ['red jalapeño', 'long red chilli', "bird's eye chilli", 'habanero', 'mixed pods'],
      };
    },
  },
  {
    phrases: ['super hot', 'superhot', 'super hot chili', 'super hot pepper', 'superhot chili', 'superhot pepper'],
    means: () => ({
      ask: 'Which of the superhots? They differ threefold, and none is known as a mixture.',
      options: ['ghost pepper', '7-pot pepper', 'scorpion pepper', 'mixed pods'],
    }),
  },
  {
    phrases: ['dried chili', 'dried red chili', 'dry red chili', 'dried hot chili'],
    means: () => ({
      ask: 'Small hot ones such as árbol, or large mild ones such as ancho?',
      options: ['árbol chillies', 'ancho chillies'],
    }),
  },
  {
    phrases: ['mustard'],
    means: (s) => (has(s, 'powder', 'seed', 'dry') ? larder('mustard_seed') : larder('mustard_yellow', 'plain prepared mustard')),
  },
  {
    phrases: ['ginger'],
    means: (s) =>
      spoon(s) && /^(tsp|pinch|dash)$/.test(s.unit!) && !has(s, 'fresh', 'grated', 'minced', 'chopped', 'paste', 'root', 'crushed')
        ? { ask: 'Fresh ginger, or ground?', options: ['grated fresh ginger', 'ground ginger'] }
        : larder('ginger'),
  },
  {
    phrases: ['clove'],
    means: (s) =>
      has(s, 'ground', 'powder') || (spoon(s) && !has(s, 'garlic'))
        ? larder('cloves_spice')
        : { ask: 'Cloves of garlic, or the spice?', options: ['garlic', 'clove spice'] },
  },
  { phrases: ['salt'], means: () => larder('salt_fine', 'fine salt; a spoon of coarse salt weighs up to half less') },
  { phrases: ['sugar'], means: () => larder('sugar_white') },
  {
    phrases: ['lime', 'lemon', 'orange'],
    means: (s) => {
      const fruit = s.words.find((w) => ['lime', 'lemon', 'orange'].includes(w))!;
      const juice = { lime: 'lime_juice', lemon: 'lemon_juice', orange: 'orange_juice' }[fruit]!;
      if (has(s, 'juice', 'juiced', 'squeezed')) return larder(juice);
      if (fruit !== 'orange' && has(s, ...WHOLE) && !has(s, 'juice', 'juiced', 'zest', 'zested')) return larder(`${fruit}_whole`);
      if (has(s, 'zest', 'zested', 'rind', 'peel'))
        return larder('lime_zest', fruit === 'lime' ? undefined : `${fruit} zest counted as lime zest`);
      const whole = fruit === 'orange' ? [] : [`${fruit}, whole`];
      const or = fruit === 'orange' ? '' : ', or all of it';
      return { ask: `The juice of the ${fruit}, its zest${or}?`, options: [`${fruit}, juiced`, `${fruit} zest`, ...whole] };
    },
  },
];
