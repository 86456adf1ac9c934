import { BODY_STEPS } from '../../cook/thickness';
import type { Topic } from '../topic';

const LIKE = ['vinegar', 'milk, a thin table sauce', 'cream', 'custard', 'ketchup', 'mustard', 'a stiff paste'];

export const POT: readonly Topic[] = [
  {
    id: 'what-leaves',
    part: 'pot',
    title: 'What goes in, what leaves',
    says: [
      'Every gram is accounted for: stems and cores, steam, what stays in the sieve and on the jug, gas of the jar. So the mass of a batch is worked out, and a weighing replaces it: what is missing at a pot is water, at a sieve pulp.',
      'Weigh where something leaves: after prep, after draining, at the end of the pot, after the sieve. Seasoning is then worked out for what is there, not for what the recipe hoped.',
    ],
    source: 'handbook chapter 5, section 0',
    see: ['reduce', 'strain'],
  },
  {
    id: 'char',
    part: 'pot',
    title: 'Char and roast',
    says: [
      'Blistered and black in places is light; black all over is well, then peel: black skin left in is bitter. Pods 4 to 10 minutes, fleshy ones and onion a little longer, garlic in its skin. One layer: a crowded pan steams. Rest under a lid for ten minutes, and keep the juice.',
      'A tenth to a fifth of the water goes, so what is left is hotter and sweeter by the gram.',
    ],
    source: 'handbook chapter 5, section 1 (our judgement)',
    see: ['hot-air'],
  },
  {
    id: 'toast',
    part: 'pot',
    title: 'Toast dried pods and spices',
    says: [
      'Thin pods half a minute, leathery ones two, ground ones 20 to 40 seconds and off the heat as soon as they smell: fragrant, a shade darker, pliable. Seeds and pods apart. Smoke, black spots or an acrid smell means start again.',
    ],
    source: 'handbook chapter 5, section 2',
    see: ['hot-air', 'soak'],
  },
  {
    id: 'soak',
    part: 'pot',
    title: 'Soak dried pods',
    says: [
      'Poured over boiling, a quarter of an hour: they take up nearly twice their weight. At room temperature it takes an hour and does less. Weigh them down. Soft and folding without a crack is done.',
      'The water has colour, a little sugar and some bitterness, and almost no heat: taste it, then use it to thin or pour it away. Two hours warm is long enough.',
    ],
    source: 'Peleg 1988; handbook chapter 5, section 3',
    see: ['warm-too-long'],
  },
  {
    id: 'fruit-pulp',
    also: 'tamarind',
    part: 'pot',
    title: 'Tamarind and the like: block or jar?',
    says: [
      'A block is soaked in hot water for 15 minutes, worked with the fingers and pressed through. 80 g in a cup of water gives about 275 g of liquid at half the strength of the ready paste. A jar of ready paste in the same cup gives a fifth: say which you have.',
      'Its acid varies by a third from block to block. Taste it against a teaspoon of lime juice in a tablespoon of water.',
    ],
    source: 'handbook chapter 5, section 4',
    see: ['worked-out-acid'],
  },
  {
    id: 'steep',
    part: 'pot',
    title: 'Steep in vinegar and salt',
    says: [
      "Cold, overnight. Chopped pods are even in 7 to 12 hours in the fridge, halves in a day, whole ones not at all. It does not ferment: cold and sour. A pH read before that is the liquid's, not the pods'.",
    ],
    source: 'handbook chapter 5, section 5 (series of Crank)',
    see: ['evening-out'],
  },
  {
    id: 'fry',
    part: 'pot',
    title: 'Sweat and fry',
    says: [
      'Onion and carrot first, they need the time; tomato paste until it darkens and the oil turns red and parts; garlic in the last minute; ground chili off the heat. Small bubbles, 110 to 130 °C: red oil is a good fry, brown oil and smoke a bad one.',
      'Oil takes a good half of the heat of a paste with it. What is drained or skimmed goes with its share.',
    ],
    source: 'handbook chapter 5, sections 6 and 16',
    see: ['garlic-in-oil', 'burns'],
  },
  {
    id: 'reduce',
    part: 'pot',
    title: 'Boil down to a weight',
    says: [
      'Only water and some acid leave. Salt, sugar, heat and body grow as the weight falls: so stop by the scale, with the empty pot taken off. Two weighings of the pot tell its pace better than any table.',
      'A lid on a quarter, wide pots and a rolling boil quickest. Soften vegetables before the acid goes in: acid keeps them firm.',
    ],
    drawing: 'pot',
    source: 'handbook chapter 5, section 7',
    see: ['more-acid', 'thickness'],
  },
  {
    id: 'syrup',
    part: 'pot',
    title: 'Syrup looks thin when hot',
    says: [
      'At 65 % sugar the pot shows milk and the bottle will hold honey: thirty times as thick cold. Judge by weight, by a thermometer (103.5 to 105.5 °C at sea level) or by a drop on a cold plate after two minutes. A dip stops at 55 to 65 %. Small pans overshoot within three minutes.',
      'Above 67 % it is past what water holds and may turn to crystals. Vinegar in it, or a tenth of honey, prevents that.',
      'Sugar does not keep a chili syrup: there is too much water in it.',
    ],
    drawing: 'plate',
    source: 'handbook chapter 5, section 8',
    see: ['burns', 'keeping'],
  },
  {
    id: 'thickness',
    part: 'pot',
    title: 'Body: how it pours',
    says: [
      'Seven steps, each four times as thick as the one before, judged cool. It comes from pulp, sugar, starch and gum; blending fine adds some, air falls out again.',
    ],
    facts: { head: ['step', 'like'], rows: BODY_STEPS.map((name, i) => [`${i + 1} ${name}`, LIKE[i]!] as const) },
    source: 'handbook chapter 5, section 9',
    see: ['thicken', 'reduce'],
  },
  {
    id: 'thicken',
    also: 'xanthan cornflour cornstarch watery runny',
    part: 'pot',
    title: 'Starch and gum',
    says: [
      'Starch: 1 to 3 %, stirred into twice its weight of cold water, whisked into the simmering sauce, boiled for a minute or two, at the very end. Sour and sweet sauces break it when boiled long. Not in what is to be canned.',
      'Gum (xanthan): a tenth to a third of a per cent, with oil or sugar or in the blender; it needs half an hour. Above half a per cent it turns to slime.',
    ],
    source: 'handbook chapter 4, section 7',
    see: ['thickness'],
  },
  {
    id: 'blend',
    part: 'pot',
    title: 'Blend',
    says: [
      'Ten seconds is rustic, a minute and a quarter is for the sieve, three minutes smooth, five silky and clearer in colour. In loads: the jug two thirds full, half when hot. Air makes it paler and more; fill bottles by weight, or after a rest. Oil in last, by a thread.',
    ],
    drawing: 'jug',
    source: 'handbook chapter 5, section 11 (our judgement, and common practice)',
    see: ['hot-jug', 'seeds-ground'],
  },
  {
    id: 'strain',
    part: 'pot',
    title: 'Strain, and what it costs',
    says: [
      'A fine sieve keeps back a sixth of a sauce of whole pods and a twentieth of one of cored pods. Press until the cake crumbles: two more minutes a half litre give back 2 %. Thin with vinegar before, not after. Blended silky it needs no sieve.',
      'Weigh what passed: your sieve is learnt, and the seasoning is for what is there.',
    ],
    drawing: 'sieve',
    source: 'handbook chapter 5, section 12',
    see: ['strained-heat', 'what-leaves'],
  },
  {
    id: 'rest',
    part: 'pot',
    title: 'Taste it cold, and after a night',
    says: [
      'Warm, vinegar stings, sweetness is stronger and salt weaker. Heat from blended pods is felt at four fifths at once, nearly whole after a day; powder stirred in cold starts at half. Raw garlic peaks in an hour and mellows in days.',
    ],
    source: 'handbook chapter 5, section 13',
    see: ['sour-tongue', 'too-hot'],
  },
];
