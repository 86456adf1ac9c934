import { CAUTION_DAY, DISCARD_DAY, HOUSE_PH, LEGAL_PH, SIGNS, SOUR_DAY, type JarBecause, type JarJudgement } from '../ferment';
import { JAR_SALT } from '../salt/verdict';
import type { Caution } from './caution';

/** Salt of the whole jar, in percent, against the range that practice trusts (chapter 4, section 1.7). */
export function jarSalt(wholeJarPct: number, mash: boolean): Caution[] {
  if (wholeJarPct < JAR_SALT.least) {
    return [
      {
        id: 'salt-low',
        guide: 'how-much-salt',
        severity: 'danger',
        text: `Raise the salt to ${JAR_SALT.usual} % of the whole jar. ${wholeJarPct.toFixed(1)} % is too little.`,
        why: `Below ${JAR_SALT.least} % the wrong microbes are held back too slowly.`,
        authority: 'common practice',
      },
    ];
  }
  if (wholeJarPct > JAR_SALT.most) {
    return [
      {
        id: 'salt-high',
        guide: 'how-much-salt',
        severity: 'caution',
        text: 'Lower the salt, or treat this as salted and not as acidified.',
        why: `Above ${JAR_SALT.most} % most lactic bacteria stop, so no acid will come.`,
        authority: 'common practice',
      },
    ];
  }
  if (!mash && wholeJarPct > JAR_SALT.months) {
    return [
      {
        id: 'salt-slow',
        guide: 'how-much-salt',
        severity: 'note',
        text: 'Expect months, not weeks.',
        why: `Above ${JAR_SALT.months} % acid comes late or not at all.`,
        authority: 'common practice',
      },
    ];
  }
  return [];
}

/** A closed jar that makes gas. */
export function jarPressure(): Caution[] {
  return [
    {
      id: 'jar-gas',
      guide: 'burping',
      severity: 'caution',
      text: 'Use an airlock, or open the lid a little twice a day for the first week.',
      why: 'A live jar makes gas. Glass under pressure can burst.',
      authority: 'common practice',
    },
  ];
}

/** Room temperature outside what suits a ferment. */
export function jarTemperature(tempC: number): Caution[] {
  if (tempC > 27) {
    return [
      {
        id: 'jar-warm',
        guide: 'jar-warmth',
        severity: 'caution',
        text: 'Find a cooler place, 18 to 23 °C.',
        why: 'Above 27 °C pods go soft and off-flavours come.',
        authority: 'common practice',
      },
    ];
  }
  if (tempC < 13) {
    return [
      {
        id: 'jar-cold',
        guide: 'jar-warmth',
        severity: 'caution',
        text: 'Find a warmer place, 18 to 23 °C.',
        why: 'Below 13 °C the jar stalls before it is sour.',
        authority: 'common practice',
      },
    ];
  }
  return [];
}

const LIMIT = 'limit US 21 CFR 114.3; days are common practice';

/** A jar on a day, as far as it was read. */
interface JarAt {
  /** Days since it was packed; of a jar that was ended a week at least. */
  age: number;
  open: boolean;
  judged: JarJudgement;
  targetPh: number;
}
type Told = Omit<Caution, 'guide' | 'carries'> & Partial<Pick<Caution, 'guide'>>;

const fridge = (days: number): NonNullable<Caution['keep']> => ({ place: 'fridge', days });
const throwAway = (why: string, authority = 'common practice'): Told => ({
  id: 'jar-discard',
  severity: 'danger',
  text: 'Throw this jar away. Do not taste it.',
  why,
  authority,
  keep: { place: 'bin', days: 0 },
});
const unread = ({ age, open }: JarAt, why: string, days: number): Told | null =>
  age < CAUTION_DAY
    ? null
    : {
        id: 'jar-unread',
        severity: 'caution',
        text: open ? 'Measure the pH before you taste anything.' : 'What is made of this jar stays cold.',
        why,
        authority: LIMIT,
        keep: fridge(days),
      };
/** A jar that was ended, and whose readings do not bear out that it had soured by then. */
const unborne = (why: string): Told => ({
  id: 'jar-not-borne-out',
  severity: 'caution',
  text: 'It counts as a jar that nobody read: what is made of it stays cold.',
  why,
  authority: LIMIT,
  keep: fridge(14),
});

/** What is said of a jar, by what decided. */
const SAYS: Record<JarBecause, (at: JarAt) => Told | null> = {
  sour: () => null,
  seen: ({ judged }) => throwAway(`It has ${SIGNS[judged.sign!].says}. ${SIGNS[judged.sign!].why}`),
  'seen and not sour': ({ judged }) =>
    throwAway(`It has ${SIGNS[judged.sign!].says}, and was read above pH 4.6: something else than souring is at work.`),
  'never sour': ({ judged: { latest } }) =>
    throwAway(
      `It was still above pH 4.6 on day ${Math.floor(latest!.pH > LEGAL_PH ? latest!.day : DISCARD_DAY)}: it never became acid in time.`,
      LIMIT,
    ),
  'still rising': () => throwAway('The pH rose, and it was shown again: yeast or mould eats the acid.'),
  rising: ({ judged }) => ({
    id: 'jar-rising',
    severity: 'danger',
    text: judged.byStrips
      ? 'It may have risen: read it with a calibrated meter. Without one, and if it smells wrong, throw it away.'
      : 'Calibrate and measure again today. If it is still up, throw the jar away.',
    why: judged.byStrips
      ? `The strips differ by ${judged.rise.toFixed(1)}. Strips cannot tell small rises from their own scatter.`
      : `The pH rose by ${judged.rise.toFixed(1)}. Yeast or mould may be eating the acid.`,
    authority: 'common practice',
    keep: fridge(7),
  }),
  'not sour yet': ({ age, open, judged: { latest } }) => {
    if (age < CAUTION_DAY) return null;
    if (open && latest!.day < CAUTION_DAY)
      return {
        id: 'jar-read-now',
        severity: 'caution',
        text: age >= DISCARD_DAY ? 'Measure the pH now. Above 4.6, the jar goes.' : 'Measure the pH now.',
        why: `The last reading, ${latest!.pH.toFixed(2)}, is of day ${Math.floor(latest!.day)}. It says nothing of day ${Math.floor(age)}.`,
        authority: LIMIT,
      };
    const near = latest!.pH <= LEGAL_PH;
    return {
      id: 'jar-not-acid',
      severity: 'danger',
      text: open
        ? 'Do not taste. Calibrate, measure a blended sample, move the jar to 20 to 23 °C and measure again in two days.'
        : 'This jar was not safely below pH 4.6 when it was opened. Cold, and gone within a week, whatever is added.',
      why: near
        ? `Last read ${latest!.pH.toFixed(2)}, which is nearer to 4.6 than its meter is sure.`
        : `Last read ${latest!.pH.toFixed(2)}. Vinegar now would hide it, not mend it.`,
      authority: LIMIT,
      keep: fridge(7),
    };
  },
  'salted, not sour': ({ age, judged: { latest } }) =>
    age < CAUTION_DAY
      ? null
      : {
          id: 'jar-salted',
          guide: 'mash',
          severity: 'danger',
          text: 'Salted, not acidified: do not call it fermented and safe. Whatever is made of it stays cold, a week at most.',
          why: `Salt holds it back, but the pH is ${latest!.pH.toFixed(2)}. Vinegar hides that, it does not mend it.`,
          authority: LIMIT,
          keep: fridge(7),
        },
  'too little salt': (at) => ({
    id: 'jar-too-little-salt',
    guide: 'how-much-salt',
    severity: at.age < CAUTION_DAY ? 'caution' : 'danger',
    text: 'Whatever is made of this jar stays cold, a week at most.',
    why: 'With so little salt other microbes grow before the souring ones do, and a low pH later does not show it.',
    authority: 'common practice',
    keep: fridge(7),
  }),
  'no reading': (at) =>
    unread(
      at,
      at.open
        ? 'A week without a reading. Only a measured pH says that a jar is sour enough.'
        : 'Nobody read the pH of this jar, and vinegar hides what it was.',
      14,
    ),
  'read too early': (at) =>
    at.open
      ? unread(at, 'It was read too early to show anything: no jar is sour in its first days.', 14)
      : unborne('It was only read in its first days, when no jar is sour yet.'),
  'not shown': (at) =>
    at.open
      ? unread(at, 'Its readings do not show that it soured: a strip says so at 4.2 or less, a meter clear of 4.6.', 14)
      : unborne('Its readings do not show that acid was made in it.'),
  'ended early': () => unborne('It was ended in its first days, before a jar can be sour.'),
  'above its target': ({ judged: { latest }, targetPh }) =>
    unborne(`It was last read at pH ${latest!.pH.toFixed(2)}, and was to reach ${targetPh.toFixed(1)}.`),
  pickle: () => ({
    id: 'jar-pickle',
    severity: 'note',
    text: 'This is a pickle and no ferment: what is made of it keeps as raw things in acid.',
    why: 'The vinegar or juice that went in explains its pH. Nothing has soured in it.',
    authority: 'common practice',
  }),
  salted: () => ({
    id: 'jar-only-salted',
    guide: 'mash',
    severity: 'note',
    text: 'Salted, not soured: it keeps by what it measures once it is blended, not as a ferment.',
    why: 'Above 12 % of salt in its water hardly anything sours.',
    authority: 'common practice',
  }),
};

/**
 * What to say of a jar on its day `day`, from the judgement of its readings. `open` is false once it was ended: then it is
 * judged as a jar of a week, for an early one must be named whatever comes after.
 */
export function jarAcid(day: number, judged: JarJudgement, open = true, targetPh = HOUSE_PH): Caution[] {
  const said = SAYS[judged.because]({ age: open ? day : Math.max(CAUTION_DAY, day), open, judged, targetPh });
  return said ? [{ guide: 'read-the-jar', carries: true, ...said }] : [];
}

/**
 * Why a jar should not be ended on its day `day`, as its readings stand, and what that makes of it; null where nothing speaks
 * against it. Asked before it is ended, not after (handbook chapter 6, section 2).
 */
export function jarEnd(day: number, judged: JarJudgement, targetPh: number): string | null {
  const { latest, verdict } = judged;
  const so = 'What is made of it then keeps as if nobody had read it.';
  if (verdict === 'condemned') return 'It is to be thrown away: nothing is made of it.';
  if (verdict === 'none') return null;
  if (day < SOUR_DAY.warm)
    return `It stands since ${day === 0 ? 'today' : day === 1 ? 'yesterday' : `${day} days`}, and no jar is sour before its third day. ${so}`;
  if (!latest) return `Nobody has read its pH. ${so}`;
  if (latest.pH > targetPh + latest.sd)
    return `It was last read at pH ${latest.pH.toFixed(2)}, and is to reach ${targetPh.toFixed(1)}. ${so}`;
  return verdict === 'acid' ? null : `Its readings do not show that it soured. ${so}`;
}
