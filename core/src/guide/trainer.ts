import { poolOf, solvePh } from '../acid';
import { aceticKept } from '../cook/evaporate';
import { co2Atm, judgeJar, MOST_ATM, signVerdict, SIGNS, type Sign } from '../ferment';
import { retained } from '../heat/preparation';
import { keepingOf, type Sauce } from '../keep';
import { ingredient, mix, part, variety, type Stream } from '../matter';
import { ingredientStream } from '../pantry';
import { NO_PAST, type Past } from '../parcel';
import { saltPercents } from '../salt';
import { TYPICAL } from '../stat';
import type { Drawing } from './topic';
import type { TopicId } from '../topic';

/** A short case to try oneself on. The right answer is worked out by the same code that judges a batch, not written down. */
export interface Case {
  id: string;
  /** What there is, in the words of a kitchen. */
  story: string;
  asks: string;
  options: readonly { id: string; says: string }[];
  /** Id of the right option. */
  right(): string;
  /** Why, with the figure it was worked out to. */
  why(): string;
  topic: TopicId;
  /** What the picture shows: a sign at the jar, or a drawing of the guide. */
  picture: { sign: Sign } | { drawing: Drawing };
}

const DO = [
  { id: 'keep', says: 'Keep it as it is' },
  { id: 'act', says: 'Do something about it' },
  { id: 'discard', says: 'Throw it away' },
] as const;
const seen = (sign: Sign) => ({ right: () => signVerdict([sign])!.verdict, why: () => `${SIGNS[sign].act} ${SIGNS[sign].why}` });

/** Options that are figures: the one nearest to what is worked out is right. */
function nearest(figures: readonly number[], value: number): string {
  return String([...figures].sort((a, b) => Math.abs(a - value) - Math.abs(b - value))[0]);
}
const figures = (all: readonly number[], unit: string) => all.map((x) => ({ id: String(x), says: `${x}${unit}` }));

const grams = (of: Record<string, number>): Stream =>
  mix(...Object.entries(of).map(([key, g]) => ingredientStream(ingredient(key), g, TYPICAL)));
const phOf = (s: Stream) => solvePh(poolOf(s)).pH;

const JAR = { produceG: 450, waterG: 391.5, waterShare: 0.9 };
const SALT_G = 13.7;
const jarSalt = () => saltPercents(SALT_G, JAR);

const TABLE_SAUCE = { bell_red: 300, vinegar_distilled_5: 200, garlic: 10, salt_fine: 8 };
const THINNED = { water: 'Water', bell_red: 'Sweet pepper, puréed', sugar_white: 'Sugar', oil_neutral: 'Oil' } as const;
const thinned = () =>
  Object.keys(THINNED)
    .map((key) => ({ key, pH: phOf(grams({ ...TABLE_SAUCE, [key]: (TABLE_SAUCE as Record<string, number>)[key] ? 400 : 100 })) }))
    .sort((a, b) => b.pH - a.pH);

/** Half of the water boiled off an open pot, and with it some of the acetic acid. */
function boiledDown(): { before: number; after: number } {
  const s = grams({ bell_red: 400, carrot: 200, vinegar_distilled_5: 150, water: 300 });
  const before = phOf(s);
  const kept = aceticKept(0.5, before);
  return {
    before,
    after: phOf(part(s, { share: (c) => (c === 'water' ? 0.5 : c === 'acetic' ? 1 - kept : 0), heat: 0, sidEq: 0, ledger: 0 }).left),
  };
}

const sauce = (past: Partial<Past>): Sauce => ({
  pH: 3.8,
  acidity: past.ph ? 'near' : 'unread',
  meter: past.ph?.instrument === 'meter',
  past: { ...NO_PAST, blended: true, ...past },
  ...{ stale: false, cooked: past.cooked === 'yes', hot: true, filledHot: true },
  ...{ brinePct: 2, aceticPct: 1, brix: 10, oilPct: 0, shortPct: 0, rawPct: 0 },
});
/** Whatever day it is filled on. */
const FILLED = '2026-01-01';
const keeps = (past: Partial<Past>) =>
  keepingOf(sauce({ cooked: 'yes', foods: new Set(['pod', 'vinegar', 'garlic']), ...past }), { readyOn: FILLED });
const PLACES = [
  { id: 'cupboard', says: 'In a cool cupboard, for half a year' },
  { id: 'fridge-long', says: 'In the fridge, for half a year' },
  { id: 'fridge', says: 'In the fridge, for days or weeks' },
] as const;
const placed = (k: { place: string; days: number }) => (k.place === 'cupboard' ? 'cupboard' : k.days > 60 ? 'fridge-long' : 'fridge');

const late = () =>
  judgeJar(
    [
      { day: 7, pH: 5.0, instrument: 'meter', sd: 0.05 },
      { day: 14, pH: 4.8, instrument: 'meter', sd: 0.05 },
    ],
    { saltPct: 4, wholeJarPct: 3, tempC: 21, startPh: 5.1, targetPh: 3.8, lacticPct: () => 0, endedDay: null },
  );
const BREATH = 10;
const closed = () => co2Atm(BREATH, 0.0526, 30);
const cored = () => retained('cored', 'std', variety('cayenne-red').pod?.massFraction ?? null).heat;

/** Ten short cases, each checked by core. */
export const CASES: readonly Case[] = [
  {
    id: 'white-film',
    story: 'Day 9. On the brine lies a thin white skin, flat and dry, with wrinkles. No fuzz. It smells sour and clean.',
    asks: 'Is this jar fine?',
    options: DO,
    ...seen('film'),
    topic: 'signs',
    picture: { sign: 'film' },
  },
  {
    id: 'green-spot',
    story: 'Day 12, pH 3.6. One spot of green fuzz, as big as a lentil, sits on a piece that floated up. The rest looks good.',
    asks: 'What do you do?',
    options: DO,
    ...seen('fuzz'),
    topic: 'signs',
    picture: { sign: 'fuzz' },
  },
  {
    id: 'cloudy-brine',
    story: 'Day 4. The brine has gone cloudy, there is a white layer on the ground, and bubbles rise when you tap the glass.',
    asks: 'What do you do?',
    options: DO,
    ...seen('cloudy'),
    topic: 'what-happens',
    picture: { sign: 'cloudy' },
  },
  {
    id: 'never-soured',
    story: 'A jar of 3 % salt, chopped pods. The meter said 5.0 on day 7. You warmed it. On day 14 it says 4.8. It smells of nothing much.',
    asks: 'What now?',
    options: [
      { id: 'wait', says: 'Wait another week' },
      { id: 'vinegar', says: 'Add vinegar down to 3.8 and go on' },
      { id: 'discard', says: 'Throw it away' },
    ],
    right: () => (late().verdict === 'condemned' ? 'discard' : 'wait'),
    why: () => 'Two weeks above 4.6 gave everything else its time. Vinegar makes it sour; it does not make it safe after that.',
    topic: 'read-the-jar',
    picture: { drawing: 'line46' },
  },
  {
    id: 'salt-of-the-water',
    story: 'A recipe says "3.5 % brine". You mix 35 g of salt into a litre. Of that, 405 g go into the jar, over 450 g of pods.',
    asks: 'How much salt has the whole jar, once it is even?',
    options: figures([3.5, 2.6, 1.6, 0.8], ' %'),
    right: () => nearest([3.5, 2.6, 1.6, 0.8], jarSalt().wholeJar),
    why: () =>
      `${SALT_G} g of salt went in, over ${JAR.produceG + JAR.waterG} g of pods and water: ${jarSalt().wholeJar.toFixed(1)} %. Under 2 % is too little.`,
    topic: 'salt-of-what',
    picture: { drawing: 'salt' },
  },
  {
    id: 'thin-it',
    story: 'A sauce of sweet pepper and vinegar, too hot for the table. You want to thin it, and the pH stands well.',
    asks: 'Which of these, a quarter of it, moves the pH up the most?',
    options: Object.entries(THINNED).map(([id, says]) => ({ id, says })),
    right: () => thinned()[0]!.key,
    why: () => {
      const all = thinned();
      const of = (key: string) => all.find((x) => x.key === key)!.pH;
      return `From ${phOf(grams(TABLE_SAUCE)).toFixed(2)} to ${of('bell_red').toFixed(2)} with pepper, ${of('water').toFixed(2)} with water. Produce brings its own buffers: after produce, read the pH again. Water takes acid away without showing it.`;
    },
    topic: 'water-moves-little',
    picture: { drawing: 'dilute' },
  },
  {
    id: 'boil-it-down',
    story:
      'A vinegar sauce with carrot is too thin. You boil half of its water off in an open pot, and think it is sourer now, so it keeps better.',
    asks: 'Which way does its pH go?',
    options: [
      { id: 'down', says: 'Down: the acid is concentrated' },
      { id: 'up', says: 'Up: acid leaves with the steam' },
    ],
    right: () => (boiledDown().after > boiledDown().before ? 'up' : 'down'),
    why: () => {
      const { before, after } = boiledDown();
      return `Worked out from ${before.toFixed(2)} to ${after.toFixed(2)}: acetic acid leaves with the steam, what buffers it stays. Some of the vinegar late, and read it after.`;
    },
    topic: 'more-acid',
    picture: { drawing: 'pot' },
  },
  {
    id: 'where-to-put-it',
    story: 'A cooked sauce, filled hot. Roskel worked its pH out at 3.8. You have no meter and no strips.',
    asks: 'Where may it stand?',
    options: PLACES,
    right: () => placed(keeps({})),
    why: () => `${keeps({}).text} What was worked out never counts.`,
    topic: 'keeping',
    picture: { drawing: 'bottle' },
  },
  {
    id: 'close-it',
    story: `A live sauce still has ${BREATH} g of sugar in a litre. You close it in sauce bottles and give them to a friend with a warm kitchen.`,
    asks: 'How hard may the gas push at 30 °C?',
    options: figures([0.1, 0.5, 3.5], ' atm'),
    right: () => nearest([0.1, 0.5, 3.5], closed()),
    why: () => `About ${closed().toFixed(1)} atm; a sauce bottle is good for ${MOST_ATM}. Cold, with a vented cap, or heated through.`,
    topic: 'glass-under-pressure',
    picture: { drawing: 'gas' },
  },
  {
    id: 'core-them',
    story: 'A pound of cayennes, much too hot. You shake the seeds out of half of them, and cut the pale ribs out of the other half.',
    asks: 'How much of their heat is left in the ones without ribs?',
    options: figures([90, 60, 20, 5], ' %'),
    right: () => nearest([90, 60, 20, 5], 100 * cored()),
    why: () =>
      `About ${Math.round(100 * cored())} %, and more than nine tenths in those that only lost their seeds. The heat is in the ribs.`,
    topic: 'where-heat-sits',
    picture: { drawing: 'pod' },
  },
];

/** Whether an answer is right, and why. Throws RangeError for a case or an answer that is not there. */
export function answerCase(id: string, option: string): { right: boolean; answer: string; why: string } {
  const c = CASES.find((x) => x.id === id);
  if (!c || !c.options.some((o) => o.id === option)) throw new RangeError('There is no such case, or no such answer.');
  const answer = c.right();
  return { right: option === answer, answer: c.options.find((o) => o.id === answer)!.says, why: c.why() };
}
