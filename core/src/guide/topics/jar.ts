import { CAUTION_DAY, DISCARD_DAY, SALTED_PCT, STRIP_SOUR_PH } from '../../ferment/judge';
import { HOUSE_PH, LEGAL_PH } from '../../ferment/constants';
import { SIGNS } from '../../ferment/signs';
import type { Topic } from '../topic';

export const JAR: readonly Topic[] = [
  {
    id: 'what-happens',
    part: 'jar',
    title: 'What happens in the jar',
    says: [
      'Under salt and without air, bacteria that live on the pods take over. First those that bear no acid well: gas, vinegar and some lactic acid, a few days. Then those that do: lactic acid, slower, for weeks. Yeasts come along where sugar and a warm room let them.',
      'At 21 °C and 3 to 4 % a jar of chopped pods is usually below 4.6 within a week and near 3.7 in two. Yours may take half or twice as long: that is the band. Each reading of pH narrows it.',
    ],
    drawing: 'jar',
    source: 'handbook chapter 4, section 2',
    see: ['jar-warmth', 'read-the-jar', 'signs'],
  },
  {
    id: 'jar-warmth',
    part: 'jar',
    title: 'How warm it should stand',
    says: [
      '20 to 23 °C. Under 13 it hardly moves and the dangerous time is long; over 27 it softens and tastes off. A cool cellar is for a jar that is already sour.',
      'A cupboard on an outside wall is colder than the room at night. Stand a thermometer in it for a week, or let a logger write and give Roskel its file: the forecast is then of the warmth it really had.',
    ],
    source: 'handbook chapter 4, section 5.1',
    see: ['what-happens'],
  },
  {
    id: 'read-the-jar',
    also: 'ready done finished ph drop',
    part: 'jar',
    title: 'When to read the pH, and when it is done',
    says: [
      `By day ${CAUTION_DAY} it should be below ${LEGAL_PH}. If it is not: do not taste; check the meter, read a blended pod, warm it to 20 to 23 °C, add lively brine, and read again in two or three days. Still above on day ${DISCARD_DAY}: throw it away. Vinegar does not mend a jar that never soured.`,
      `A mash with ${SALTED_PCT} % of salt or more in its water may be held as salted, not soured.`,
      `Done is all of: at or below what you aimed for (never above ${HOUSE_PH.toFixed(1)}) twice, two days apart; quiet; a week at least, two for whole pods; and no bad sign. Taste only then.`,
      `A strip shows a soured jar at ${STRIP_SOUR_PH} or less. A reading of the first two days shows nothing, and a jar that vinegar or juice went into is a pickle, not a ferment. Ended before it was read low enough, it counts as a jar that nobody read.`,
      'A pH that rises again is something eating the acid. Strips cannot tell a small rise from their own scatter: read it with a meter.',
    ],
    source: 'handbook chapter 4, section 5.1',
    see: ['signs', 'measured', 'mash'],
  },
  {
    id: 'signs',
    also: 'mould mold fuzz kahm yeast slime smell spoiled off',
    part: 'jar',
    title: 'Look and smell: what is fine, and what is not',
    says: ['Open it, look at the surface and the glass, smell. The worst of what you see decides. What was condemned is not tasted.'],
    facts: {
      head: ['what you see or smell', 'what to do'],
      rows: Object.values(SIGNS).map((s) => [s.says, s.act] as const),
    },
    drawing: 'jar',
    source: 'handbook chapter 4, section 5.1 (common practice)',
    see: ['read-the-jar', 'under-the-brine'],
  },
  {
    id: 'under-the-brine',
    part: 'jar',
    title: 'Everything under the brine',
    says: [
      'Mould and yeast need air. A weight or a disc, a leaf tucked in, a bag of brine: whatever keeps every piece down. What stood out for a day comes out. Leave two to five centimetres for foam.',
      'Where brine gets low, top up with brine of the same strength, never with water.',
    ],
    source: 'handbook chapter 4, section 1.7 (common practice)',
    see: ['signs'],
  },
  {
    id: 'burping',
    also: 'airlock bubbles foam explode',
    part: 'jar',
    title: 'Gas, lids and burping',
    says: [
      'An airlock lets gas out by itself and is the better lid. Under a closed one, open it twice a day from day 2 to 7, daily to day 14; more often when it is warm or there is fruit or sugar in it. Open slowly, in a bag or over the sink; never shake.',
      'First bubbles prove nothing: cut pods breathe. And a jar may sour without a show: the pH tells.',
    ],
    drawing: 'lid',
    source: 'handbook chapter 4, section 5.2',
    see: ['glass-under-pressure'],
  },
  {
    id: 'starters',
    also: 'backslop culture inoculate whey',
    part: 'jar',
    title: 'Starters: old brine, a culture, sugar',
    says: [
      'A few spoons of brine from a good jar that is still lively save about two days and make the first week safer. A bought culture does the same. Sugar feeds it and, where it is not eaten, is gas in the bottle later.',
      'Brine from a jar with a film, a smell or a rising pH spreads that.',
    ],
    source: 'handbook chapter 4, section 2.4 (our judgement)',
    see: ['what-happens', 'burping'],
  },
  {
    id: 'mash',
    part: 'jar',
    title: 'Mash, and months',
    says: [
      'Chopped or ground pods with dry salt in their own juice: no brine, more salt, more care about air. Stir the salt through, press it down, cover the top.',
      `From 8 % the acid comes in weeks; start it with lively brine. Rising salt, a little more every week, lets it sour first and keeps it after. From ${SALTED_PCT} % of salt in its water it is held by salt.`,
    ],
    source: 'handbook chapter 4, sections 1.7 and 5.1',
    see: ['how-much-salt', 'read-the-jar'],
  },
  {
    id: 'own-brine',
    part: 'jar',
    title: 'The brine that is left',
    says: [
      'Drained brine is salty, sour and full of flavour: for thinning the sauce (then it is not fresh vinegar: count its salt), for the next jar, for a dressing. It keeps in the fridge as the sauce of its jar does. Brine of a jar that was thrown away goes with it.',
    ],
    source: 'common practice; handbook chapter 1',
    see: ['starters'],
  },
];
