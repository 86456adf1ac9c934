import { SATURATED_PCT } from '../../salt/brine';
import { UNSUITABLE } from '../../salt/counting';
import { SALT_TYPES } from '../../salt/types';
import { CUTS } from '../../ferment/constants';
import type { Topic } from '../topic';

export const SALT: readonly Topic[] = [
  {
    id: 'salt-of-what',
    also: 'percentage brine strength',
    part: 'salt',
    title: 'Per cent of what?',
    says: [
      'Three schools, three figures for one jar. Of the water: what is stirred into the brine. Of the whole jar: salt over pods and water together, after it has evened out. Of the mash: salt over pods, with no water added. Pods bring their own water, so in a jar full of pods a brine thins to half or less.',
      'What the bacteria feel is the whole jar. Roskel shows all of them and compares that one with the safe range.',
      'Count what is in the jar, not what was mixed: of a litre of brine often less than half goes in.',
    ],
    facts: {
      head: ['one jar of 450 g pods', 'the same salt, said in two ways'],
      rows: [
        ['3.5 % of the water', '1.6 % of the whole jar: too little'],
        ['6.5 % of the water', '3 % of the whole jar'],
      ],
    },
    drawing: 'salt',
    source: 'handbook chapter 4, sections 1.2 to 1.5',
    see: ['how-much-salt', 'spoons'],
  },
  {
    id: 'how-much-salt',
    part: 'salt',
    title: 'How much salt, and why',
    says: [
      'Salt holds back what spoils and softens until the acid is there. Too little and the wrong ones win; too much and the right ones stop.',
    ],
    facts: {
      head: ['% of the whole jar, or of the mash', 'what it does'],
      rows: [
        ['under 2', 'spoilage is held back too slowly: warned of'],
        ['2 to 3', 'fast and lively, softer, for short ferments in a cool room'],
        ['3 to 5', 'the usual: firm, well chosen bacteria'],
        ['5 to 8', 'slow; wants a warm room'],
        ['8 to 15', 'a mash for months: kept by salt while acid comes late'],
        ['over 15', 'most lactic bacteria stop; kept by salt alone'],
      ],
    },
    source: 'handbook chapter 4, section 1.7',
    see: ['salt-of-what', 'mash', 'put-salt-right'],
  },
  {
    id: 'spoons',
    also: 'tbsp teaspoon kosher coarse',
    part: 'salt',
    title: 'A spoon of salt is no weight',
    says: [
      'The same spoon holds twice as much of fine salt as of hollow flakes. Weigh it; or weigh ten level spoons of your own salt once, on the Salt bench, and Roskel counts with that.',
      'Tablespoons differ as well: 14.8 ml in the US, 15 ml metric, 20 ml in Australia.',
    ],
    facts: {
      head: ['one level US tablespoon of', 'weighs'],
      rows: SALT_TYPES.map((s) => [s.name.toLowerCase(), `${s.gPerTbsp.low} to ${s.gPerTbsp.high} g`] as const),
    },
    source: 'handbook chapter 4, section 1; common practice',
    see: ['salt-of-what'],
  },
  {
    id: 'put-salt-right',
    part: 'salt',
    title: 'Too little salt, or too much',
    says: [
      'Too little: dissolve the missing grams in a little of the brine and stir them in, within the first two days. Too much: pour brine off and replace it with water, or add pods; the Salt bench says how much of which.',
      `Water takes up ${SATURATED_PCT.toFixed(0)} % at most; more than that lies on the ground. A float or a salometer tells what is in a brine of salt and water alone: sugar and acid of a ferment push it too.`,
    ],
    source: 'handbook chapter 4, section 1; chapter 3, section 10.1',
    see: ['how-much-salt'],
  },
  {
    id: 'salts-and-waters',
    part: 'salt',
    title: 'Salts and waters that do not suit',
    says: ['Any pure salt works. What is in it besides matters, and what is in the water.'],
    facts: { head: ['what', 'why'], rows: UNSUITABLE.map((u) => [u.what, u.why] as const) },
    source: 'handbook chapter 4, section 1.7; common practice',
    see: ['spoons'],
  },
  {
    id: 'evening-out',
    part: 'salt',
    title: 'How long salt and acid take to get in',
    says: [
      'Chopped pods are even in about a day, halved ones in two or three, whole pierced ones in a week; whole and unpierced, with a waxy skin, take weeks. Their inside may still be at its natural pH when the brine is sour: judge whole pods by a blended pod.',
      'Stir a mash: it is thick enough to keep salt in one place.',
    ],
    facts: {
      head: ['cut', 'two thirds of the way in, hours'],
      rows: Object.values(CUTS).map((c) => [c.label, String(c.tauH)] as const),
    },
    source: 'handbook chapter 4, section 1.6',
    see: ['measured'],
  },
];
