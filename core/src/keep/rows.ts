import { LEGAL_PH } from '../ferment';
import type { Limit } from './limit';
import { cooked, holds, holdsFresh, live, STRIP_PH, type Sauce } from './sauce';

/** One row of the table of keeping. */
export interface Row {
  no: number | string;
  when: string;
  fits(s: Sauce): boolean;
  keeps(s: Sauce): Limit;
  /** The same for people: place and days, longest last. */
  most: string;
  /** Why not longer. */
  reason: string;
}

const fridge = (days: number): Limit => ({ place: 'fridge', days });
const cupboard = (days: number): Limit => ({ place: 'cupboard', days });
const acid = (s: Sauce) => s.acidity === 'acid';
const unread = (s: Sauce) => s.acidity === 'unread';

/** Oil up to this share of the sauce is a film and no layer (our judgement). */
export const FILM_PCT = 2;
/** A syrup, °Bx (chapter 5, section 17 row 11 is about sauces of 40 and more). */
const SYRUP_BRIX = 40;

/**
 * How a sauce keeps: handbook chapter 5, section 17. Days are for clean jars at 5 °C or less; every row that fits holds,
 * and the strictest decides. Row 12 is about powders, which are no sauce. Rows with letters are what a batch adds of its
 * own: its jar (chapter 4, section 5.1), and a worked-out pH above the line, which never lengthens and may shorten.
 */
export const ROWS: readonly Row[] = [
  {
    no: 1,
    when: 'measured above 4.6',
    fits: (s) => s.acidity === 'low',
    keeps: (s) => fridge(cooked(s) ? 4 : 3),
    most: 'fridge, 3 days; cooked, 4',
    reason: 'Botulism and everything else can grow in it.',
  },
  {
    no: 2,
    when: 'raw, with leafy herb, avocado, fresh fruit, onion or tomato',
    fits: (s) =>
      !cooked(s) &&
      (holdsFresh(s, 'leaf', 'avocado', 'dairy', 'egg') || ((!live(s) || !acid(s)) && holdsFresh(s, 'fruit', 'onion', 'tomato'))),
    keeps: (s) => fridge(acid(s) ? 5 : 3),
    most: 'fridge, 3 days; 5 when measured at 4.0 or less',
    reason: 'Enzymes, moulds and yeasts of the raw herbs, fruit or vegetables.',
  },
  {
    no: 3,
    when: 'raw pods, salt, citrus or vinegar, no water added',
    fits: (s) => !cooked(s) && !live(s) && s.brinePct >= 2 && holds(s, 'citrus', 'vinegar') && !holds(s, 'water'),
    keeps: (s) => fridge(acid(s) && s.meter ? 14 : 7),
    most: 'fridge, 7 days; 14 when a meter read 4.0 or less',
    reason: 'Yeasts live in raw salted pods.',
  },
  {
    no: 4,
    when: 'garlic, pods or herbs in or under oil',
    fits: (s) => s.past.freeOilG > 0 && holds(s, 'pod', 'garlic', 'leaf', 'onion', 'root', 'vegetable', 'tomato', 'fruit'),
    keeps: (s) => {
      if (!cooked(s) || !acid(s)) return fridge(4);
      return fridge(s.meter && s.past.blended && holds(s, 'vinegar', 'citrus') && s.oilPct <= FILM_PCT ? 14 : 7);
    },
    most: 'fridge, 4 days; 7 cooked and measured at 4.0 or less; 14 when also blended with its acid, read by a meter, with no more oil than a film',
    reason: 'Oil keeps air and acid away from garlic, herbs and pods; botulism can grow there.',
  },
  {
    no: 5,
    when: 'cooked, pH unmeasured',
    fits: (s) => cooked(s) && unread(s),
    keeps: (s) =>
      fridge(holds(s, 'vegetable', 'fruit', 'dairy', 'egg', 'nut', 'garlic', 'onion', 'tomato', 'root', 'leaf', 'avocado') ? 7 : 14),
    most: 'fridge, 14 days; 7 with garlic, vegetables, fruit, dairy, egg or nuts',
    reason: 'No evidence of acid.',
  },
  {
    no: 6,
    when: 'cooked, measured between 4.0 and 4.6',
    fits: (s) => cooked(s) && s.acidity === 'near',
    keeps: () => fridge(30),
    most: 'fridge, 30 days',
    reason: 'The acid leaves little margin.',
  },
  {
    no: 7,
    when: 'raw, measured between 4.0 and 4.6',
    fits: (s) => !cooked(s) && s.acidity === 'near',
    keeps: () => fridge(7),
    most: 'fridge, 7 days',
    reason: 'No heat and little margin.',
  },
  {
    no: 8,
    when: 'fermented, live, measured at most 4.0',
    fits: (s) => live(s) && acid(s),
    keeps: () => fridge(180),
    most: 'fridge, 180 days, opened now and then',
    reason: 'It is live: gas builds up.',
  },
  {
    no: 9,
    when: 'raw vinegar sauce, blended, measured at most 3.6, acetic acid 1.5 % or more, no leafy herb, avocado, fresh fruit, onion or tomato',
    fits: (s) =>
      !cooked(s) &&
      !live(s) &&
      acid(s) &&
      s.past.ph!.value <= STRIP_PH &&
      s.past.blended &&
      s.aceticPct >= 1.5 &&
      !holds(s, 'leaf', 'avocado', 'fruit', 'onion', 'tomato'),
    keeps: () => fridge(90),
    most: 'fridge, 90 days',
    reason: 'Acid holds bacteria back, not moulds.',
  },
  {
    no: 10,
    when: 'cooked, measured at most 4.0; filled hot, by meter, no layer of oil: a cupboard',
    fits: (s) => cooked(s) && acid(s) && s.brix < SYRUP_BRIX,
    keeps: (s) => (s.filledHot && s.meter && s.oilPct <= FILM_PCT && !holds(s, 'dairy', 'egg') ? cupboard(180) : fridge(180)),
    most: 'a cool cupboard, 180 days, if the recipe was tested; else the fridge, 180',
    reason: 'Heat killed what grows, acid holds the spores.',
  },
  {
    no: 11,
    when: 'cooked syrup, measured at most 4.0',
    fits: (s) => cooked(s) && acid(s) && s.brix >= SYRUP_BRIX,
    keeps: (s) => (s.filledHot && s.meter && s.oilPct <= FILM_PCT ? cupboard(180) : fridge(180)),
    most: 'a cool cupboard, 180 days, if the recipe was tested; else the fridge, 180',
    reason: 'Sugar alone does not preserve it.',
  },
  {
    no: 'jar, discarded',
    when: 'out of a jar that never became acid, or whose acid went away',
    fits: (s) => s.past.ferment === 'condemned',
    keeps: () => ({ place: 'bin', days: 0 }),
    most: 'nowhere: the bin',
    reason: 'Its jar was to be thrown away. Vinegar and heat do not mend it.',
  },
  {
    no: 'jar, in doubt',
    when: 'out of a jar that was above 4.6 when it was opened, whose pH rose, or with too little salt and no reading',
    fits: (s) => s.past.ferment === 'doubtful',
    keeps: () => fridge(7),
    most: 'fridge, 7 days',
    reason: 'Its jar was in doubt. What is added later does not show whether it was sound.',
  },
  {
    no: 'jar, unread',
    when: 'out of a jar whose pH was never read',
    fits: (s) => s.past.ferment === 'unread',
    keeps: () => fridge(14),
    most: 'fridge, 14 days',
    reason: 'Nobody read the pH of its jar, and vinegar hides what it was.',
  },
  {
    no: 'worked out above 4.6',
    when: 'unmeasured, and worked out above 4.6',
    fits: (s) => unread(s) && s.pH !== null && s.pH > LEGAL_PH,
    keeps: () => fridge(7),
    most: 'fridge, 7 days',
    reason: 'By what went in it is not sour enough.',
  },
];

/** What fits no row. */
export const ROW_13: Row = {
  no: 13,
  when: 'fits no row above',
  fits: () => true,
  keeps: () => fridge(7),
  most: 'fridge, 7 days',
  reason: 'There is no evidence for more.',
};
