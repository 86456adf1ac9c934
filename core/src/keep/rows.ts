import { LEGAL_PH } from '../ferment';
import type { Food } from '../matter/food';
import { SHORT_LIVED } from '../parcel';
import type { Limit } from './limit';
import { fermented, holds, holdsFresh, live, STRIP_PH, type Sauce } from './sauce';

/** One row of the table of keeping. */
export interface Row {
  no: number | string;
  when: string;
  fits(s: Sauce): boolean;
  /** Days count from when the stuff became able to spoil as it is now (see clock.ts). */
  keeps(s: Sauce): Limit;
  /** The same for people: place and days, longest last. */
  most: string;
  /** Why not longer; true of every sauce that the row fits. */
  reason: string | ((s: Sauce) => string);
}

const fridge = (days: number): Limit => ({ place: 'fridge', days });
const cupboard = (days: number): Limit => ({ place: 'cupboard', days });
const acid = (s: Sauce) => s.acidity === 'acid';
const unread = (s: Sauce) => s.acidity === 'unread';

/** Oil up to this share of the sauce is a film and no layer (our judgement). */
export const FILM_PCT = 2;
/** A syrup, °Bx (chapter 5, section 17 row 11 is about sauces of 40 and more). */
const SYRUP_BRIX = 40;
/** Fresh things of row 2 in a ferment, % of the sauce: up to this it keeps as one (chapter 6, section 2, judgement). */
const LITTLE_FRESH_PCT = 10;

/** What never stands in a cupboard and makes no ferment of half a year, at any sugar (chapter 6, section 5). */
const COLD_ONLY: readonly Food[] = ['dairy', 'egg', 'meat', 'fish', 'unknown'];
/** What in or under oil is shut off from air and acid (row 4; dried herbs as well: chapter 6, section 5). */
const IN_OIL: readonly Food[] = ['pod', 'garlic', 'leaf', 'onion', 'root', 'vegetable', 'tomato', 'fruit', 'avocado', 'spice', 'unknown'];
/** What a cooked sauce of unknown acid keeps for a week with (row 5). */
const WEEK_COOKED: readonly Food[] = [
  ...['vegetable', 'fruit', 'dairy', 'egg', 'meat', 'fish', 'nut', 'garlic', 'onion', 'tomato', 'root', 'leaf', 'avocado', 'unknown'],
] as readonly Food[];
const NOT_ROW_9: readonly Food[] = ['leaf', 'avocado', 'fruit', 'onion', 'tomato', ...COLD_ONLY];

/** The one way into a cupboard: acid by a meter, cooked, filled hot as somebody said, no layer of oil, nothing that must stay cold. */
export const mayStandInCupboard = (s: Sauce): boolean =>
  s.cooked && acid(s) && s.meter && s.filledHot && s.oilPct <= FILM_PCT && !holds(s, ...COLD_ONLY);
const cookedAcid = (s: Sauce): Limit => (mayStandInCupboard(s) ? cupboard(180) : fridge(180));

/** What in it is raw and short-lived, for people. */
const SHORT_NAMES: readonly [Food, string][] = [
  ['unknown', 'something that nobody said what it is'],
  ['leaf', 'herbs'],
  ['avocado', 'avocado'],
  ['fruit', 'fruit'],
  ['onion', 'onion'],
  ['tomato', 'tomato'],
  ['dairy', 'milk'],
  ['egg', 'egg'],
  ['meat', 'meat'],
  ['fish', 'fish'],
];
function shortLived(s: Sauce): string {
  const names = SHORT_NAMES.flatMap(([f, name]) => (s.past.fresh.has(f) ? [name] : []));
  if (names[0] === SHORT_NAMES[0]![1]) return 'There is something in it of which nobody said what it is.';
  const all = names.length > 1 ? `${names.slice(0, -1).join(', ')} and ${names.at(-1)}` : (names[0] ?? 'things');
  return `Enzymes, moulds and yeasts of the raw ${all} in it.`;
}

/**
 * How a sauce keeps: handbook chapter 5, section 17, with chapter 6. Days are for clean jars at 5 °C or less; every row that
 * fits holds, and the strictest decides. Row 12 is about powders, which are no sauce. Rows with letters are what a batch
 * adds of its own: its jar (chapter 4, section 5.1), and a worked-out pH above the line, which never lengthens and may
 * shorten.
 */
export const ROWS: readonly Row[] = [
  {
    no: 1,
    when: 'measured above 4.6',
    fits: (s) => s.acidity === 'low',
    keeps: (s) => fridge(s.cooked ? 4 : 3),
    most: 'fridge, 3 days; cooked, 4',
    reason: 'Botulism and everything else can grow in it.',
  },
  {
    no: 2,
    when: 'raw, with leafy herb, avocado, fresh fruit, onion or tomato, milk, egg, meat or fish',
    fits: (s) => !s.cooked && holdsFresh(s, ...SHORT_LIVED) && (!fermented(s) || !acid(s) || holds(s, ...COLD_ONLY)),
    keeps: (s) => fridge(acid(s) ? 5 : 3),
    most: 'fridge, 3 days; 5 when measured at 4.0 or less',
    reason: shortLived,
  },
  {
    no: 3,
    when: 'raw pods, salt, citrus or vinegar, no water added',
    fits: (s) => !s.cooked && !fermented(s) && holds(s, 'pod') && s.brinePct >= 2 && holds(s, 'citrus', 'vinegar') && !holds(s, 'water'),
    keeps: (s) => fridge(acid(s) && s.meter ? 14 : 7),
    most: 'fridge, 7 days; 14 when a meter read 4.0 or less',
    reason: 'Yeasts live in raw salted pods.',
  },
  {
    no: 4,
    when: 'garlic, pods, herbs or spices in or under oil',
    fits: (s) => s.past.freeOilG > 0 && holds(s, ...IN_OIL),
    keeps: (s) => {
      if (!s.cooked || !acid(s)) return fridge(4);
      return fridge(s.meter && s.past.blended && holds(s, 'vinegar', 'citrus') && s.oilPct <= FILM_PCT ? 14 : 7);
    },
    most: 'fridge, 4 days; 7 cooked and measured at 4.0 or less; 14 when also blended with its acid, read by a meter, with no more oil than a film',
    reason: 'Oil keeps air and acid away from garlic, herbs and pods; botulism can grow there.',
  },
  {
    no: 5,
    when: 'cooked, pH unmeasured',
    fits: (s) => s.cooked && unread(s),
    keeps: (s) => fridge(holds(s, ...WEEK_COOKED) ? 7 : 14),
    most: 'fridge, 14 days; 7 with garlic, vegetables, fruit, dairy, egg, meat, fish or nuts',
    reason: 'No evidence of acid.',
  },
  {
    no: 6,
    when: 'cooked, measured between 4.0 and 4.6',
    fits: (s) => s.cooked && s.acidity === 'near',
    keeps: () => fridge(30),
    most: 'fridge, 30 days',
    reason: 'The acid leaves little margin.',
  },
  {
    no: 7,
    when: 'raw, measured between 4.0 and 4.6',
    fits: (s) => !s.cooked && s.acidity === 'near',
    keeps: () => fridge(7),
    most: 'fridge, 7 days',
    reason: 'No heat and little margin.',
  },
  {
    no: 8,
    when: 'fermented, live, measured at most 4.0; with fresh things of row 2 after the jar up to a tenth, or up to three tenths',
    fits: (s) => fermented(s) && acid(s) && !holds(s, ...COLD_ONLY),
    keeps: (s) => fridge(s.shortPct > LITTLE_FRESH_PCT ? 30 : 180),
    most: 'fridge, 180 days, opened now and then; 30 with more than a tenth of fresh fruit, herbs, onion or tomato',
    reason: (s) => (s.shortPct > LITTLE_FRESH_PCT ? 'Much of it is fresh, and did not sour in the jar.' : 'It is live: gas builds up.'),
  },
  {
    no: 9,
    when: 'raw vinegar sauce, blended, measured at most 3.6, acetic acid 1.5 % or more, none of row 2',
    fits: (s) =>
      !s.cooked && !live(s) && acid(s) && s.past.ph!.value <= STRIP_PH && s.past.blended && s.aceticPct >= 1.5 && !holds(s, ...NOT_ROW_9),
    keeps: () => fridge(90),
    most: 'fridge, 90 days',
    reason: 'Acid holds bacteria back, not moulds.',
  },
  {
    no: 10,
    when: 'cooked, measured at most 4.0; filled hot, by meter, no layer of oil: a cupboard',
    fits: (s) => s.cooked && acid(s) && s.brix < SYRUP_BRIX,
    keeps: cookedAcid,
    most: 'a cool cupboard, 180 days, if the recipe was tested; else the fridge, 180',
    reason: 'Heat killed what grows, acid holds the spores.',
  },
  {
    no: 11,
    when: 'cooked syrup, measured at most 4.0; filled hot, by meter, no layer of oil: a cupboard',
    fits: (s) => s.cooked && acid(s) && s.brix >= SYRUP_BRIX,
    keeps: cookedAcid,
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
    when: 'out of a jar that was above 4.6 when it was opened, whose pH rose, or with too little salt',
    fits: (s) => s.past.ferment === 'doubtful',
    keeps: () => fridge(7),
    most: 'fridge, 7 days',
    reason: 'Its jar was in doubt. What is added later does not show whether it was sound.',
  },
  {
    no: 'jar, unread',
    when: 'out of a jar that no reading shows to have soured',
    fits: (s) => s.past.ferment === 'unread',
    keeps: () => fridge(14),
    most: 'fridge, 14 days',
    reason: 'No reading shows that its jar had soured, and vinegar hides what it was.',
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
