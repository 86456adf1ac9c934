import { BITTER_SEED_SHARE } from '../../heat/preparation';
import { LEVEL_NAMES } from '../../heat/level';
import type { Topic } from '../topic';

const LEVEL_CENTRES = ['under 80', '130', '320', '800', '2,000', '5,000', '13,000', '32,000', '79,000', '200,000', '500,000'];

export const HEAT: readonly Topic[] = [
  {
    id: 'where-heat-sits',
    part: 'heat',
    title: 'The heat is in the pale ribs, not in the seeds',
    says: [
      'Most of the capsaicin sits in the placenta, the pale ribs that hold the seeds. Seeds make almost none: they are only smeared. Shaking them out takes 5 to 10 %; cutting the ribs out takes most of it. In superhot pods the wall itself is hot: coring leaves about half.',
      'Seeding small pods makes what is left hotter by the gram: mild seeds leave with their weight.',
      'So coring is a heat decision, and half of the pods cored is a way to land between. Lifting flesh off the seeds after simmering is about bitterness and smoothness; the heat hardly changes.',
    ],
    facts: {
      head: ['pods', 'heat kept: seeds out, half cored, cored'],
      rows: [
        ['red jalapeño', '91 %, 60 %, 20 %'],
        ['cayenne', '91 %, 60 %, 20 %'],
        ['orange habanero', '92 %, 67 %, 33 %'],
        ['superhot', '93 %, 76 %, 51 %'],
      ],
    },
    drawing: 'pod',
    source: 'Suzuki & Iwai 1984; Bosland, Coon & Cooke 2015 (from memory); handbook chapter 2, section 3',
    see: ['pods-differ', 'seeds-ground'],
  },
  {
    id: 'numbers-of-heat',
    also: 'scoville shu',
    part: 'heat',
    title: 'What a number of heat means',
    says: [
      'A pungency in SHU belongs to a mass. The numbers that are quoted for varieties are mostly of dried pods. A fresh pod is nine tenths water: gram for gram it is eight to twelve times milder than its number.',
      "Roskel counts on dry matter and takes each pod's own water off; you may have it count by the number quoted for the fresh pod instead (Kitchen). The two differ by that factor, so never mix them, and compare only within one.",
      'Loads add, numbers do not: 100 g of 5,000 and 100 g of 1,000 are 200 g of 3,000. Water, sugar and vinegar thin it by weight; boiling down thickens it by weight.',
    ],
    source: 'ASTA 21.3 factors; handbook chapter 2, section 1',
    see: ['pods-differ', 'heat-words'],
  },
  {
    id: 'pods-differ',
    part: 'heat',
    title: 'Pods of one kind differ by a factor of two, each way',
    says: [
      'From plant to plant, week to week and shop to shop. That is why a lot has a blur and no figure, and why a mix of three lots lands more surely than one of one: what one has too much of, another has too little.',
      'What makes the blur narrower: a label or a laboratory, a taste of the finished batch, the dilution test. Roskel takes each as evidence and keeps its history.',
    ],
    drawing: 'marks',
    source: 'handbook chapter 2, section 4',
    see: ['dilution-test', 'marks'],
  },
  {
    id: 'heat-words',
    part: 'heat',
    title: 'Words for heat',
    says: [
      'One step is a factor of two and a half. Nobody tastes finer than half a step, and sugar, fat and starch blunt it, acid, salt and warmth sharpen it, by about one step.',
      'A word goes by how a sauce is eaten, for the mouth counts what a mouthful carries: by the drop about a gram, spooned on food four, as a dip fifteen. 400 SHU is mild by the drop, medium by the spoon, hot by the chip. The style knows it, the goal can say otherwise.',
      "Your own five is not another's: score a few batches and Roskel learns what your words mean.",
    ],
    facts: { head: ['step and word', 'about, SHU'], rows: LEVEL_NAMES.map((name, i) => [`${i} ${name}`, LEVEL_CENTRES[i]!] as const) },
    source: 'handbook chapter 2, section 5',
    see: ['numbers-of-heat'],
  },
  {
    id: 'dilution-test',
    part: 'heat',
    title: 'Measure heat at home: the match test, and the dilution test',
    says: [
      "The match test first: thin your sauce until it is as hot as a labelled one thinned to a known strength. The two thinnings tell the rest, and nobody's threshold matters.",
      'The dilution test is a ladder of sugar water, weakest first, three cups a step, one with sauce in it. One taster tells it to two steps either way; four to a factor of nearly three. The Bench pours, draws lots and counts.',
      'Adults only, who agree; no asthma, no sore mouth; milk at hand; spit; one ladder a sitting. Burning first sharpens the tongue, then numbs it for an hour.',
    ],
    drawing: 'dilute',
    source: 'ISO 3513 and ASTM E679 (from memory); handbook chapter 2, section 6',
    see: ['pods-differ'],
  },
  {
    id: 'seeds-ground',
    part: 'heat',
    title: 'Seeds ground in: bitter',
    says: [
      `Ground seeds add no heat that was not there, but what is there is felt up to a seventh more, and above ${Math.round(BITTER_SEED_SHARE * 100)} % of seeds the sauce tastes bitter. Blend short and sieve, or core the pods.`,
      'Seeds are also more than half of what a sieve keeps back.',
    ],
    source: 'handbook chapter 5, sections 11 and 12 (our judgement)',
    see: ['strain', 'where-heat-sits'],
  },
  {
    id: 'strained-heat',
    part: 'heat',
    title: 'Straining takes heat with the pulp',
    says: [
      'Capsaicin is a solid that dissolves in fat and hardly in water. Clear water or brine carries almost none; it rides on fine particles. What stays in the sieve is two to six times as hot by the gram as what passes, so straining makes a sauce milder, and the pulp is worth drying to a powder.',
      'Finer blending, oil, spirit and a hot sieve let more of it through.',
    ],
    drawing: 'sieve',
    source: 'handbook chapter 2, section 3.4, and chapter 5, section 12',
    see: ['strain'],
  },
  {
    id: 'too-hot',
    also: 'mild tame cool down reduce',
    part: 'heat',
    title: 'Too hot: what helps',
    says: [
      'More of everything that is not hot: sweet pepper, carrot, tomato, fruit. Sugar and fat blunt what is felt and take nothing away. Chasing it with lime, then sugar, then salt ends in more sauce of the same trouble: put all in one round, from the trim, with its side effects on show.',
      'A second correction before the sauce has rested is noise: heat from pods needs a night to be felt in full.',
    ],
    source: 'handbook chapter 2, section 8; chapter 5, section 13',
    see: ['rest', 'water-moves-little'],
  },
];
