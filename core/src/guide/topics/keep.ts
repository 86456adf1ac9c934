import { HEATED } from '../../cook/lethality';
import { sterilisingMinutes } from '../../cook/sterilise';
import { ROW_13, ROWS } from '../../keep/rows';
import { COOL_RULE } from '../../cook/cool';
import { THAWED_DAYS } from '../../keep/standing';
import type { Topic } from '../topic';

export const KEEP: readonly Topic[] = [
  {
    id: 'keeping',
    also: 'shelf life storage fridge expire use by',
    part: 'keep',
    title: 'How long it keeps: the strictest row counts',
    says: [
      'Place and days follow from what is in it, what was measured, whether it was heated through after the last addition, and its jar. Every row that fits holds; the strictest decides: so a sauce of a jar in doubt has a week, however sour it is. A pH that was not read on the finished sauce never makes it keep longer. Nothing home made is ever "shelf stable".',
      'Once open: the fridge, and sixty days at most. Mould, gas in what was cooked, a bulge, a smell: throw it away, do not taste.',
    ],
    facts: {
      head: ['what it is', 'at most'],
      rows: [...ROWS, ROW_13].map((r) => [r.when, r.most] as const),
    },
    source: 'handbook chapter 5, section 17 (our judgement, on the lines of public advice)',
    see: ['measured', 'hot-fill', 'live', 'garlic-in-oil'],
  },
  {
    id: 'hot-fill',
    also: 'pasteurise pasteurize can canning seal',
    part: 'keep',
    title: 'Heat it through, and fill hot',
    says: [
      `${HEATED.c} °C or more everywhere for ${HEATED.min} minutes, stirring, measured in the coldest spot; into hot clean bottles at once, cap, turn over for two or three minutes. Heat kills what lives, not spores: those the acid holds. So both, and a pH read after heating, cooled.`,
      'Anything that goes in afterwards is raw and rules the keeping. Hold by the thermometer, not by the boil: on a mountain water boils cooler.',
    ],
    drawing: 'bottle',
    source: 'handbook chapter 4, section 6 (USDA complete guide, Breidt and others 2005, from memory)',
    see: ['bottles', 'botulism', 'burns'],
  },
  {
    id: 'bottles',
    also: 'sterilise sterilize boil jars',
    part: 'keep',
    title: 'Clean bottles',
    says: [
      `Washed, then ${sterilisingMinutes(0)} minutes in boiling water, longer the higher you live. Dip rings and dashers in hot water at the end. Leave the headspace, wipe the neck, cap, label with the date.`,
      'Look for chips. Old lids of jars that had something else in them smell of it and may not seal.',
    ],
    facts: {
      head: ['above the sea, m', 'boil for, minutes'],
      rows: [0, 500, 1000, 2000, 3000].map((m) => [String(m), String(sterilisingMinutes(m))] as const),
    },
    drawing: 'bottle',
    source: 'USDA/NCHFP rule (from memory); handbook chapter 4, section 6',
    see: ['hot-fill'],
  },
  {
    id: 'live',
    part: 'keep',
    title: 'Live or cooked',
    says: [
      'Live keeps the culture and its taste: cold, vented or opened now and then, half a year when read at 4.0 or less. Cooked stops it, mellows the flavour and lets it stand longer: then heat it through and read again.',
      'Live sauce with sugar, fruit, honey or vegetables added starts again: cook it or keep it cold and watch it.',
    ],
    source: 'handbook chapter 1, and chapter 5, section 17',
    see: ['glass-under-pressure', 'keeping'],
  },
  {
    id: 'cold',
    part: 'keep',
    title: 'Fridge and freezer',
    says: [
      `The days are for ${COOL_RULE.toC} °C or less: measure the shelf it stands on; a door is warmer. The freezer stops the clock, it does not turn it back. Leave room: water grows by a tenth. Thawed, it has the days that were left, ${THAWED_DAYS} at most, in the fridge, and is not frozen again.`,
    ],
    source: 'handbook chapter 5, section 17',
    see: ['keeping'],
  },
  {
    id: 'powder',
    part: 'keep',
    title: 'Pulp to powder',
    says: [
      'What the sieve kept is hotter than the sauce. Dry it at 50 to 60 °C until it snaps, grind it outdoors or with a mask, keep it dark and dry for half a year. Drying loses about a tenth of the heat by weight of what went in; grams shrink by far more, so the powder is fierce.',
    ],
    source: 'handbook chapter 2, section 3.3; chapter 5, section 17',
    see: ['hot-air', 'strained-heat'],
  },
];
