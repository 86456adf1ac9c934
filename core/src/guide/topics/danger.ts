import { BURNS_SHU } from '../../caution/pods';
import { LEGAL_PH } from '../../ferment/constants';
import { ALLERGENS } from '../../matter/allergen';
import { MOST_ATM } from '../../ferment/pressure';
import type { Topic } from '../topic';

export const DANGER: readonly Topic[] = [
  {
    id: 'skin-and-eyes',
    also: 'burn hands gloves rash milk',
    part: 'danger',
    title: 'Capsaicin on skin and in eyes',
    says: [
      'Wear gloves for anything hot, and take them off before you touch your face, a tap or a phone. Capsaicin is a solid that dissolves in fat, not in water: it stays on hands, knives and boards, and water alone does not move it. Washing-up liquid, cooking oil first and then soap, does.',
      'In an eye: rinse with plenty of water for minutes, take contact lenses out with clean hands, and have it seen to if it does not ease.',
      `From about ${BURNS_SHU.toLocaleString('en-GB')} SHU in the bowl, gloves are said on every page: powder and superhot flesh burn through a small cut or under a ring.`,
    ],
    drawing: 'gloves',
    source: 'common practice; handbook chapter 1',
    see: ['hot-air'],
  },
  {
    id: 'hot-air',
    part: 'danger',
    title: 'Hot air: roasting, frying, blending, opening',
    says: [
      'Charring, toasting and frying hot pods, and lifting the lid of a hot jug, put capsaicin into the air. Open a window or run the hood, keep children, animals and anyone with asthma out, and turn your face away when you open a lid.',
      'Smoke, black spots and an acrid smell while toasting mean bitter as well as bad air: throw these out and start again. No later step hides it.',
    ],
    source: 'common practice; handbook chapter 5, sections 1 and 2',
    see: ['skin-and-eyes', 'toast'],
  },
  {
    id: 'hot-jug',
    part: 'danger',
    title: 'Hot liquid in a closed jug',
    says: [
      'Steam from a hot sauce lifts the lid the moment the blades start. Let it cool below 60 °C for a closed jug. If it must be hot: fill to half, leave the middle of the lid open under a folded towel, hold it down, and start slowly.',
      'A strong blender heats what is in it: five minutes in a strong jug can cook a raw sauce.',
    ],
    drawing: 'jug',
    source: 'common practice; handbook chapter 5, section 11',
    see: ['blend'],
  },
  {
    id: 'glass-under-pressure',
    also: 'explode burst bomb fizz carbonated',
    part: 'danger',
    title: 'Glass under pressure',
    says: [
      'A live sauce goes on making gas wherever sugar is left. Two grams of sugar in a litre, eaten in a closed bottle, push as hard as half an atmosphere or more in a warm kitchen; twenty are like a bottle of fizz, in glass that is not made for it.',
      `Sauce bottles and dasher caps are no pressure vessels: Roskel calls a bottle safe to close only below ${MOST_ATM} atm at 30 °C. Raw bottled fermented sauce counts as live: cold, with a vented cap, opened now and then. Or heat it through.`,
      'Sugar, honey, fruit, onion or carrot after the ferment starts it again. A quiet jar may only be cold or sour, not finished.',
    ],
    facts: {
      head: ['sugar left, g in a litre', 'pressure in a closed bottle at 30 °C'],
      rows: [
        ['1', '0.35 atm'],
        ['2', '0.70 atm'],
        ['5', '1.75 atm'],
        ['10', '3.5 atm'],
      ],
    },
    drawing: 'gas',
    source: "handbook chapter 4, section 5.3 (Henry's law, compilation of Sander, from memory)",
    see: ['live', 'burping'],
  },
  {
    id: 'botulism',
    also: 'clostridium toxin poison',
    part: 'danger',
    title: `Botulism, and the line at pH ${LEGAL_PH}`,
    says: [
      `Where there is no air, little acid and no cold, Clostridium botulinum can make its poison, without smell, taste or gas. It does not grow below pH ${LEGAL_PH}: that is the line in law between acid and low-acid food.`,
      'So anything that is to stand closed must be sour all through, and measured: on the finished, blended, cooled sauce. A pH that was worked out keeps nothing. Aim for 4.0 or below, so that what a reading and a recipe may be off by does not reach the line.',
      'Never taste to find out. If you cannot read the pH: the fridge, and days.',
    ],
    drawing: 'line46',
    source: 'US 21 CFR 114.3 (from memory); handbook chapter 4, section 6',
    see: ['measured', 'keeping', 'garlic-in-oil'],
  },
  {
    id: 'garlic-in-oil',
    also: 'confit chili oil herbs',
    part: 'danger',
    title: 'Garlic, pods or herbs under oil',
    says: [
      'Oil shuts the air out and the acid as well: a sour sauce under it does not sour a clove inside it. Anything of the garden in or under oil stays in the fridge for days, or in the freezer, whatever its colour and however salty.',
      'Blended with its acid, cooked, read at 4.0 or below by a meter and with no more oil than a film on it, it has two weeks in the fridge. Never at room temperature.',
    ],
    drawing: 'oil',
    source: 'authorities say 4 to 7 days (from memory); handbook chapter 5, section 17',
    see: ['botulism', 'keeping'],
  },
  {
    id: 'burns',
    part: 'danger',
    title: 'Syrup, oil and hot glass',
    says: [
      'Boiling syrup is at 105 °C and sticks; frying paste spits; a pot boiling down throws blobs. Deep pan, long spoon, long sleeves, no children beside the stove. Never a wet spoon into hot oil. Oil that smokes is about to burn: turn it off and leave it. Oil that burns: turn it off, slide a metal lid over it, and leave it covered until it is cold. Never water on it, and never carry it.',
      'Hot sauce goes into hot glass. A hot jar in cold water cracks from a difference of about 40 °C.',
    ],
    source: 'common practice; handbook chapter 5, sections 6, 8 and 13',
    see: ['hot-fill', 'syrup'],
  },
  {
    id: 'warm-too-long',
    part: 'danger',
    title: 'Too long between hot and cold',
    says: [
      'Whatever is not measured at pH 4.0 or below grows things between 5 and 57 °C. From 57 to 21 °C within two hours, to 5 °C within four more. A litre in still air takes four hours to 21: share it out, or stand it in cold water and stir.',
      'Warm for more than two hours and not acid: eat it today or throw it away; more than four: throw it away. Soak water counts, and a starch slurry, and a bowl on the table.',
    ],
    facts: {
      head: ['litres in one vessel', 'from 85 to 25 °C in air, and in a stirred bath of 12 °C'],
      rows: [
        ['0.15', '2 h, a quarter of an hour'],
        ['0.5', '3 h, 20 min'],
        ['1', 'about 4 h, half an hour'],
        ['2', 'about 5 h, half an hour'],
      ],
    },
    source: 'US Food Code 3-501.14 (from memory); handbook chapter 5, section 13',
    see: ['soak'],
  },
  {
    id: 'allergens',
    part: 'danger',
    title: 'What others must not eat',
    says: [
      'Once in, always named, whatever was strained or boiled off since. Traps of this craft: fish sauce and shrimp paste, soy sauce (soy and wheat), Worcestershire kinds (fish), mustard, celery, wine vinegar and dried fruit (sulphite), malt vinegar (gluten), sesame paste.',
      'Where a packet does not say, Roskel prints "check the packet", never "free of".',
      `Named on labels: ${Object.values(ALLERGENS)
        .map((a) => a.eu)
        .join(', ')}.`,
    ],
    source: 'EU 1169/2011 annex II; US 2004 act and sesame 2021 (from memory); handbook chapter 5, section 18',
    see: ['giving'],
  },
  {
    id: 'giving',
    part: 'danger',
    title: 'Giving it away, selling it',
    says: [
      'All of this is for your own kitchen. Say what is in it, how hot, how to keep it and until when; nothing live to anyone who does not know what a live bottle does; nothing very hot to children.',
      'For sale, even at a stall, local food law decides: a registered kitchen, a tested process, often a process authority that has seen the recipe. Ask your food office first. This program does not replace them.',
    ],
    source: 'local codes; handbook chapter 1',
    see: ['allergens'],
  },
];
