import { HOUSE_PH, LEGAL_PH } from '../../ferment/constants';
import { GOOD_SLOPE, METER_SD, USABLE_SLOPE } from '../../acid/meter';
import { INSTRUMENT_SD } from '../../parcel/past';
import { STRIP_PH } from '../../keep/sauce';
import type { Topic } from '../topic';

export const ACID: readonly Topic[] = [
  {
    id: 'worked-out-acid',
    part: 'acid',
    title: 'What a worked-out pH is worth',
    says: [
      'Roskel works pH out from what is in the bowl: acids, their buffers, salt, water. For a blended vinegar, citrus or ferment sauce it is good to about 0.2; above 4.2, or with fish sauce, tamarind or much dried chili, to 0.3 or 0.4. Pieces in liquid have no one pH before a day has gone.',
      'pH does not average. Half of 3 and half of 5 is not 4: it depends on how much acid and buffer each brings.',
      'A worked-out pH plans; it never makes a sauce keep.',
    ],
    drawing: 'marks',
    source: 'handbook chapter 3, section 9',
    see: ['measured', 'botulism'],
  },
  {
    id: 'measured',
    part: 'acid',
    title: 'Reading pH so that it counts',
    says: [
      'On the finished sauce: blended, everything in, cooked if it is to be cooked, cooled to room temperature, rested an hour (a day when it is chunky). After that nothing goes in, or it is read again.',
      'Rinse the tip, blot it, stir, wait until it stands. Oil coats the bulb: wash it. A thick mash may be thinned one to one with distilled water; it moves the figure by about 0.03.',
      `Of a sauce with pieces, blend a sample, read that, and say so. A pH read here at ${HOUSE_PH.toFixed(1)} or below by a calibrated meter is what the longer rows of the table of keeping ask for. Between that and ${LEGAL_PH} there is little margin: add acid, mix, read again.`,
    ],
    source: 'handbook chapter 3, section 10.3; chapter 4, section 6',
    see: ['meter', 'strips', 'keeping'],
  },
  {
    id: 'meter',
    also: 'calibrate calibration probe electrode',
    part: 'acid',
    title: 'The meter and its buffers',
    says: [
      `Two buffers, 7 and 4, on the day you need it. From what it gives in both, its slope: ${GOOD_SLOPE.join(' to ')} % of theory is good; outside that, clean it and try again; outside ${USABLE_SLOPE.join(' to ')} % its readings count as a strip\u2019s until it has a new tip. One buffer alone reads a sauce up to 0.2 too high.`,
      'Keep the bulb wet in its storage solution, never in distilled water. Temperature compensation corrects the meter, not the sauce.',
      `Roskel counts a reading by its calibration: sure to ${METER_SD.fresh} on the day, ${METER_SD.week} in the week, ${METER_SD.old} in the month, and as a strip after that. A limit is kept only where the reading and 1.6 times that are below it: ${[METER_SD.fresh, METER_SD.week, METER_SD.old].map((sd) => (HOUSE_PH - 1.645 * sd).toFixed(2)).join(', ')} for the line at ${HOUSE_PH.toFixed(1)}.`,
    ],
    facts: {
      head: ['tool', 'realistic error of a reading'],
      rows: [
        ['strips, wide range', '0.5 to 1'],
        ['strips, narrow range', '0.3 to 0.5; red sauce hides the colour'],
        ['pocket meter, two buffers today', '0.05 to 0.1'],
        ['bench meter, three buffers', '0.02 to 0.05'],
      ],
    },
    source: 'handbook chapter 3, section 10.3',
    see: ['measured'],
  },
  {
    id: 'strips',
    also: 'litmus test paper',
    part: 'acid',
    title: 'Strips',
    says: [
      `A strip is good to about ${INSTRUMENT_SD.strip}, less in a red sauce. So it counts as the next worse row of the table of keeping, unless it shows ${STRIP_PH} or less. It never overrules a meter, and cannot say which side of 4.6 a sauce is on.`,
      'For the jar a strip is well worth having: a fall from 5.5 to 4 is more than it can miss.',
    ],
    source: 'handbook chapter 3, section 10.3; chapter 4, section 6',
    see: ['measured'],
  },
  {
    id: 'water-moves-little',
    part: 'acid',
    title: 'Water moves the pH little, and takes the acid all the same',
    says: [
      'Two kilos of a fermented sauce with vinegar at 3.3 stay below 3.4 with two kilos of water in them. The meter looks reassuring while half of the acid that keeps it has gone. Look at the share of acid beside the pH.',
      'What does move it up is produce: a kilo of pods raises pH as much as a hundred kilos of water. Sugar, oil and starch do not move it.',
    ],
    drawing: 'dilute',
    source: 'handbook chapter 3, section 7.2',
    see: ['more-acid'],
  },
  {
    id: 'more-acid',
    also: 'vinegar lime lemon citric sour',
    part: 'acid',
    title: 'Making it sourer',
    says: [
      'Vinegars differ: 4, 5, 6 or 10 % stand on labels. Say which. Citrus is stronger than it tastes and brings its own buffer; lemon and lime vary by a tenth, bottled juice less. Lactic acid is what the jar makes. Citric acid is by the gram.',
      'Boiling a vinegar sauce down drives acetic acid off with the steam while buffers stay: every one that was tried went up in pH, by up to 0.13. Put part of the vinegar in at the end, and read after.',
    ],
    source: 'handbook chapter 3, section 8; chapter 5, section 7.3',
    see: ['reduce', 'measured'],
  },
  {
    id: 'sour-tongue',
    part: 'acid',
    title: 'Sour on the tongue is not pH',
    says: [
      'The tongue counts how much acid there is, the meter how strong it stands. Sugar hides sourness and leaves the pH where it was. Vinegar stings the nose while warm: at 60 °C nine times as much of it is in the air as at 20.',
      'So taste at the temperature at which it is eaten, and never from a sour taste say that it keeps.',
    ],
    source: 'handbook chapter 2, section 8, and chapter 5, section 13',
    see: ['measured', 'rest'],
  },
];
