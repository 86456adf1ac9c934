import { addDays, lotOfVariety, variety, type PodLot } from '@roskel/core';
import type { PodLotInput } from '@roskel/contract';

/** A made-up allotment: what stands in the demo's pod store, and how much came in. */
interface DemoLot {
  id: string;
  variety: string;
  name: string;
  form: PodLot['form'];
  broughtG: number;
  daysAgo: number;
  place: string;
  note: string;
  useFirst?: boolean;
}

const LOTS: readonly DemoLot[] = [
  {
    id: 'lot-cayenne',
    variety: 'cayenne-red',
    name: 'Red cayenne',
    form: 'fresh',
    broughtG: 1540,
    daysAgo: 44,
    place: 'bed 2',
    note: 'Second flush, thin walls.',
  },
  {
    id: 'lot-pointed',
    variety: 'pointed-red',
    name: 'Sweet pointed red',
    form: 'fresh',
    broughtG: 1650,
    daysAgo: 43,
    place: 'market',
    note: '',
  },
  {
    id: 'lot-fatalii',
    variety: 'fatalii',
    name: 'Fatalii',
    form: 'frozen',
    broughtG: 190,
    daysAgo: 400,
    place: 'bed 4',
    note: 'Frozen whole last season.',
    useFirst: true,
  },
  { id: 'lot-fresno', variety: 'fresno-red', name: 'Fresno', form: 'fresh', broughtG: 340, daysAgo: 9, place: 'market', note: '' },
  {
    id: 'lot-smoked',
    variety: 'chipotle',
    name: 'Smoked jalapeño',
    form: 'dried',
    broughtG: 55,
    daysAgo: 120,
    place: 'own smoke',
    note: 'Alder, two days.',
  },
  { id: 'lot-lemondrop', variety: 'lemon-drop', name: 'Lemon drop', form: 'fresh', broughtG: 420, daysAgo: 12, place: 'bed 1', note: '' },
  { id: 'lot-slim', variety: 'long-red-slim', name: 'Long slim red', form: 'fresh', broughtG: 160, daysAgo: 6, place: 'market', note: '' },
  {
    id: 'lot-green',
    variety: 'jalapeno-green',
    name: 'Green jalapeño',
    form: 'fresh',
    broughtG: 480,
    daysAgo: 5,
    place: 'tunnel',
    note: 'Picked before the frost.',
    useFirst: true,
  },
  {
    id: 'lot-habanero',
    variety: 'habanero-orange',
    name: 'Orange habanero',
    form: 'fresh',
    broughtG: 95,
    daysAgo: 8,
    place: 'windowsill',
    note: '',
  },
  { id: 'lot-bell', variety: 'bell-yellow', name: 'Yellow bell', form: 'fresh', broughtG: 880, daysAgo: 4, place: 'market', note: '' },
];

export function demoLots(today: string): { input: PodLotInput; stockG: number }[] {
  return LOTS.map((l) => ({
    stockG: l.broughtG,
    input: {
      lot: lotOfVariety(variety(l.variety), { id: l.id, name: l.name, form: l.form }),
      gotOn: addDays(today, -l.daysAgo),
      place: l.place,
      note: l.note,
      useFirst: l.useFirst ?? false,
    },
  }));
}

/** The demo's larder: table key, grams that came in, words. */
export const DEMO_LARDER: readonly [key: string, stockG: number, words: string][] = [
  ['vinegar_cider', 1990, '2 l'],
  ['vinegar_distilled_5', 1000, '1 l'],
  ['vinegar_rice', 500, '500 ml'],
  ['salt_fine', 1000, '1 kg'],
  ['salt_sea', 500, '500 g'],
  ['sugar_white', 1000, '1 kg'],
  ['sugar_palm', 250, '250 g'],
  ['honey', 340, '1 jar'],
  ['maple_syrup', 250, '250 g'],
  ['garlic', 180, '4 heads'],
  ['onion', 900, '900 g'],
  ['shallot', 250, '10 shallots'],
  ['carrot', 1000, '1 kg'],
  ['ginger', 120, '120 g'],
  ['tomato', 600, '600 g'],
  ['tomato_paste', 200, '200 g'],
  ['mango_ripe', 400, '2 mangos'],
  ['pineapple', 500, '500 g'],
  ['apple', 550, '3 apples'],
  ['lime_juice', 150, 'juice of 5 limes'],
  ['lemon_juice', 140, 'juice of 3 lemons'],
  ['cilantro', 80, '1 bunch'],
  ['smoked_paprika', 60, '60 g'],
  ['cumin_ground', 45, '45 g'],
  ['mustard_yellow', 250, '250 g'],
  ['xanthan', 40, '40 g'],
];
