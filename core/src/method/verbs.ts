import type { KindName } from '../stations';

/** What a verb of a method does: a station, or something that makes none by itself. */
export type Act =
  | KindName
  /** What it names waits for the next station. */
  | 'add'
  /** Goes into a vessel, which says the station: blender, bottles, jar. */
  | 'fill'
  /** Stands: steeps, ferments, rests, by how long and in what. */
  | 'leave'
  /** Kept back for later. */
  | 'reserve'
  /** Shared out into several bowls. */
  | 'divide'
  /** Names what is there, and does nothing: "you need". */
  | 'have'
  /** The pot goes off the heat. */
  | 'offHeat'
  /** Nothing to do with what goes in where. */
  | 'none';

export interface Verb {
  act: Act;
  /** A line that begins with it is a method, whatever else stands there. */
  strong: boolean;
}

const rows: readonly [act: Act, strong: boolean, stems: string][] = [
  ['char', true, 'char blister blacken broil grill sear scorch smoke'],
  ['char', true, 'roast bake'],
  ['toast', true, 'toast'],
  ['soak', true, 'soak rehydrate'],
  ['steep', true, 'steep infuse macerate marinate'],
  ['salt', true, 'brine pack'],
  ['ferment', true, 'ferment'],
  ['drain', true, 'drain'],
  ['fry', true, 'fry saute sweat soften'],
  ['simmer', true, 'simmer boil bubble reduce cook reheat bring heat warm stew steam poach blanch pasteurise pasteurize tick blip'],
  ['lift', false, 'lift fish scoop'],
  ['blend', true, 'blend puree blitz pulse pound liquidise liquidize process whizz crush'],
  ['strain', true, 'strain sieve'],
  ['strain', true, 'press push rub pass force squeeze'],
  ['thicken', true, 'thicken'],
  ['rest', true, 'cool chill'],
  ['trim', true, 'taste adjust'],
  ['bottle', true, 'bottle decant'],
  ['bowl', true, 'serve enjoy eat'],
  [
    'add',
    true,
    'add combine stir mix whisk dissolve melt tip throw return drop sprinkle fold include season spread lay toss coat drizzle splash brush massage',
  ],
  [
    'fill',
    true,
    'put layer arrange pour place transfer go fill spoon ladle jar funnel load get scrape run stick chuck bung pop dump lob shove plonk',
  ],
  ['leave', true, 'leave let stand sit rest refrigerate wait move forget'],
  ['reserve', true, 'reserve save'],
  ['divide', true, 'divide split'],
  ['have', false, 'need want grab gather take use have start begin'],
  ['offHeat', true, 'remove'],
  [
    'prep',
    true,
    'chop slice halve quarter dice mince core deseed stem trim wash rinse cut grate prepare slit score prick pierce snip tear shred smash',
  ],
  ['prep', true, 'peel skin'],
  ['salt', true, 'mash grind'],
  ['salt', false, 'salt'],
  ['steep', true, 'cover'],
  [
    'none',
    true,
    'wear store keep cap seal shake label check turn lower preheat sterilise sterilize discard repeat set cover submerge weigh burp date close make hold line',
  ],
];

const IRREGULAR: Readonly<Record<string, string>> = {
  ground: 'grind',
  took: 'take',
  taken: 'take',
  brought: 'bring',
  left: 'leave',
  went: 'go',
  goes: 'go',
  got: 'get',
  kept: 'keep',
  cut: 'cut',
  put: 'put',
  let: 'let',
  stood: 'stand',
  sat: 'sit',
  used: 'use',
  frying: 'fry',
  fried: 'fry',
  fries: 'fry',
  gathered: 'gather',
  threw: 'throw',
  thrown: 'throw',
  sauteed: 'saute',
  sauté: 'saute',
  ate: 'eat',
};

/** How a verb stands in a text. */
export type Form = 'base' | 'past' | 'ing' | 'third';

const forms = new Map<string, { stem: string; form: Form }>();
const verbs = new Map<string, Verb>();

function regular(stem: string): [string, Form][] {
  const e = stem.endsWith('e') ? stem.slice(0, -1) : null;
  const y = /[^aeiou]y$/.test(stem) ? stem.slice(0, -1) : null;
  const twice = /(?:^|[^aeiou])[aeiou][bdgklmnprt]$/.test(stem) && stem.length < 6 ? stem + stem.at(-1)! : null;
  const past = e !== null ? `${stem}d` : y !== null ? `${y}ied` : `${twice ?? stem}ed`;
  const ing = `${e ?? twice ?? stem}ing`;
  const third = /(?:sh|ch|ss|x)$/.test(stem) ? `${stem}es` : y !== null ? `${y}ies` : `${stem}s`;
  return [
    [stem, 'base'],
    [past, 'past'],
    ...(twice !== null
      ? ([
          [`${stem}ed`, 'past'],
          [`${stem}ing`, 'ing'],
        ] as [string, Form][])
      : []),
    [ing, 'ing'],
    [third, 'third'],
  ];
}
for (const [act, strong, stems] of rows)
  for (const stem of stems.split(' ')) {
    if (verbs.has(stem)) continue;
    verbs.set(stem, { act, strong });
    for (const [form, how] of regular(stem)) if (!forms.has(form)) forms.set(form, { stem, form: how });
  }
for (const [form, stem] of Object.entries(IRREGULAR))
  if (form !== stem) forms.set(form, { stem, form: form.endsWith('ing') ? 'ing' : /s$/.test(form) && form !== 'was' ? 'third' : 'past' });
// "ground cumin" is no verb; "ground" only behind "I" and "we".

/** The verb that a word is a form of; undefined where it is none. */
export function verbForm(text: string): { stem: string; form: Form; verb: Verb } | undefined {
  const low = text.toLowerCase();
  // Accents are rare, and taking them off is slow.
  const found = forms.get(/[^a-z]/.test(low) ? low.normalize('NFD').replace(/[\u0300-\u036f]/g, '') : low);
  return found && { ...found, verb: verbs.get(found.stem)! };
}
