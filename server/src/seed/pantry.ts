import { addDays, lotOfVariety, variety, type PodLot } from '@roskel/core';
import { NO_FACTS, type LarderFacts, type PodLotInput } from '@roskel/contract';

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
  ripeness?: PodLotInput['ripeness'];
  pricePerKg?: number;
}

const LOTS: readonly DemoLot[] = [
  {
    id: 'lot-cayenne',
    variety: 'cayenne-red',
    name: 'Red cayenne',
    form: 'frozen',
    broughtG: 1540,
    daysAgo: 44,
    place: 'bed 2',
    note: 'Second flush, thin walls. Frozen the day it was picked.',
  },
  {
    id: 'lot-pointed',
    variety: 'pointed-red',
    name: 'Sweet pointed red',
    form: 'frozen',
    broughtG: 2470,
    daysAgo: 43,
    place: 'market',
    pricePerKg: 5.8,
    note: 'Halved and frozen.',
  },
  {
    id: 'lot-fatalii',
    variety: 'fatalii',
    name: 'Fatalii',
    form: 'frozen',
    broughtG: 214,
    daysAgo: 400,
    place: 'bed 4',
    note: 'Frozen whole last season.',
    useFirst: true,
  },
  {
    id: 'lot-fresno',
    variety: 'fresno-red',
    name: 'Fresno',
    form: 'fresh',
    broughtG: 340,
    daysAgo: 9,
    place: 'market',
    pricePerKg: 9.5,
    note: '',
  },
  {
    id: 'lot-smoked',
    variety: 'chipotle',
    name: 'Smoked jalapeño',
    form: 'dried',
    broughtG: 69,
    daysAgo: 120,
    place: 'own smoke',
    note: 'Alder, two days.',
  },
  { id: 'lot-lemondrop', variety: 'lemon-drop', name: 'Lemon drop', form: 'fresh', broughtG: 420, daysAgo: 12, place: 'bed 1', note: '' },
  {
    id: 'lot-slim',
    variety: 'long-red-slim',
    name: 'Long slim red',
    form: 'fresh',
    broughtG: 160,
    daysAgo: 6,
    place: 'market',
    pricePerKg: 11,
    note: '',
  },
  {
    id: 'lot-green',
    variety: 'jalapeno-green',
    name: 'Green jalapeño',
    form: 'fresh',
    broughtG: 700,
    daysAgo: 5,
    place: 'tunnel',
    ripeness: 'green',
    note: 'Picked before the frost.',
    useFirst: true,
  },
  {
    id: 'lot-poblano',
    variety: 'poblano',
    name: 'Poblano',
    form: 'fresh',
    broughtG: 460,
    daysAgo: 3,
    place: 'tunnel',
    note: 'For the green base.',
  },
  {
    id: 'lot-serrano',
    variety: 'serrano-red',
    name: 'Red serrano',
    form: 'fresh',
    broughtG: 720,
    daysAgo: 2,
    place: 'bed 3',
    note: 'The last before the frost, for the night in vinegar and the sweet one.',
  },
  {
    id: 'lot-guajillo',
    variety: 'guajillo',
    name: 'Guajillo',
    form: 'dried',
    broughtG: 90,
    daysAgo: 60,
    place: 'packet',
    pricePerKg: 42,
    note: 'For the paste.',
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
  {
    id: 'lot-bell',
    variety: 'bell-yellow',
    name: 'Yellow bell',
    form: 'fresh',
    broughtG: 880,
    daysAgo: 4,
    place: 'market',
    pricePerKg: 4.2,
    note: '',
  },
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
      ripeness: l.ripeness ?? (l.form === 'dried' ? '' : 'ripe'),
      pricePerKg: l.pricePerKg ?? null,
    },
  }));
}

/** What is known of a jar: package in g, its price, days since it was opened, own measured pH. */
type Facts = [packG: number, packPrice: number, openedDaysAgo?: number, ownPh?: number];

/** The demo's larder: table key, grams that came in, words, what is known of it. All invented. */
const LARDER: readonly [key: string, stockG: number, words: string, facts?: Facts][] = [
  ['vinegar_cider', 2146, '2 bottles and a bit', [1010, 3.4, 12]],
  ['vinegar_distilled_5', 2246, '2 1/4 l', [1005, 1.6]],
  ['vinegar_rice', 500, '500 ml', [505, 2.9]],
  ['salt_fine', 1048, '1 kg and a bit', [1000, 0.9]],
  ['salt_sea', 510, '510 g', [500, 2.2]],
  ['sugar_white', 1000, '1 kg', [1000, 1.5, 30]],
  ['sugar_palm', 280, '280 g', [250, 2.6]],
  ['honey', 340, '1 jar', [340, 6.5, 200]],
  ['maple_syrup', 250, '250 g', [250, 7.2, 64]],
  ['garlic', 236, '5 heads', [200, 1.4]],
  ['onion', 1093, '1.1 kg', [1000, 1.3]],
  ['shallot', 250, '10 shallots', [250, 1.6]],
  ['carrot', 1000, '1 kg', [1000, 1.2]],
  ['ginger', 120, '120 g', [150, 1.1]],
  ['tomato', 600, '600 g', [500, 2.4, 3, 4.31]],
  ['tomato_paste', 200, '200 g', [200, 1.3, 9]],
  ['mango_ripe', 400, '2 mangos', [400, 3]],
  ['pineapple', 711, '710 g', [500, 2.8, 2]],
  ['apple', 550, '3 apples', [1000, 2.4]],
  ['lime_juice', 208, 'juice of 7 limes', [150, 2.5]],
  ['lemon_juice', 140, 'juice of 3 lemons', [140, 1.8]],
  ['cilantro', 107, '1 large bunch', [80, 1.2]],
  ['smoked_paprika', 60, '60 g', [60, 2.1, 150]],
  ['cumin_ground', 45, '45 g', [45, 1.9]],
  ['mustard_yellow', 319, '1 jar and a bit', [250, 1.9, 40]],
  ['xanthan', 40, '40 g', [40, 3.8]],
];

export function demoLarder(today: string): { key: string; stockG: number; words: string; facts: LarderFacts }[] {
  return LARDER.map(([key, stockG, words, facts]) => ({
    key,
    stockG,
    words,
    facts: {
      ...NO_FACTS,
      packG: facts?.[0] ?? null,
      packPrice: facts?.[1] ?? null,
      openedOn: facts?.[2] === undefined ? null : addDays(today, -facts[2]),
      ownPh: facts?.[3] ?? null,
      useFirst: key === 'pineapple',
    },
  }));
}
