import { CAUTION_DAY, DISCARD_DAY, LEGAL_PH, SIGNS, type JarJudgement } from '../ferment';
import type { Caution } from './caution';

/** Salt of the whole jar, in percent, against the range that practice trusts (chapter 4, section 1.7). */
export function jarSalt(wholeJarPct: number, mash: boolean): Caution[] {
  if (wholeJarPct < 2) {
    return [
      {
        id: 'salt-low',
        guide: 'how-much-salt',
        severity: 'danger',
        text: `Raise the salt to 3 % of the whole jar. ${wholeJarPct.toFixed(1)} % is too little.`,
        why: 'Below 2 % the wrong microbes are held back too slowly.',
        authority: 'common practice',
      },
    ];
  }
  if (wholeJarPct > 15) {
    return [
      {
        id: 'salt-high',
        guide: 'how-much-salt',
        severity: 'caution',
        text: 'Lower the salt, or treat this as salted and not as acidified.',
        why: 'Above 15 % most lactic bacteria stop, so no acid will come.',
        authority: 'common practice',
      },
    ];
  }
  if (!mash && wholeJarPct > 8) {
    return [
      {
        id: 'salt-slow',
        guide: 'how-much-salt',
        severity: 'note',
        text: 'Expect months, not weeks.',
        why: 'Above 8 % acid comes late or not at all.',
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

/**
 * What to say of a jar on its day `day`, from the judgement of its readings. `open` is false once it was drained: then it
 * is judged as a jar of a week, for an early one must be named whatever comes after.
 */
export function jarAcid(day: number, judged: JarJudgement, open = true): Caution[] {
  const { latest, because } = judged;
  const age = open ? day : Math.max(CAUTION_DAY, day);
  switch (because) {
    case 'seen':
    case 'seen and not sour':
      return [
        {
          id: 'jar-discard',
          guide: 'read-the-jar',
          severity: 'danger',
          text: 'Throw this jar away. Do not taste it.',
          why:
            because === 'seen'
              ? `It has ${SIGNS[judged.sign!].says}. ${SIGNS[judged.sign!].why}`
              : `It has ${SIGNS[judged.sign!].says}, and was read above pH 4.6: something else than souring is at work.`,
          authority: 'common practice',
          keep: { place: 'bin', days: 0 },
        },
      ];
    case 'never sour':
      return [
        {
          id: 'jar-discard',
          guide: 'read-the-jar',
          severity: 'danger',
          text: 'Throw this jar away. Do not taste it.',
          why: `It was still above pH 4.6 on day ${Math.floor(latest!.pH > LEGAL_PH ? latest!.day : DISCARD_DAY)}: it never became acid in time.`,
          authority: LIMIT,
          keep: { place: 'bin', days: 0 },
        },
      ];
    case 'still rising':
      return [
        {
          id: 'jar-discard',
          guide: 'read-the-jar',
          severity: 'danger',
          text: 'Throw this jar away. Do not taste it.',
          why: 'The pH rose, and a second reading confirmed it: yeast or mould eats the acid.',
          authority: 'common practice',
          keep: { place: 'bin', days: 0 },
        },
      ];
    case 'rising':
      return [
        {
          id: 'jar-rising',
          guide: 'read-the-jar',
          severity: 'danger',
          text: 'Calibrate and measure again today. If it is still up, throw the jar away.',
          why: `The pH rose by ${judged.rise.toFixed(1)}. Yeast or mould may be eating the acid.`,
          authority: 'common practice',
          keep: { place: 'fridge', days: 7 },
        },
      ];
    case 'not sour yet':
      if (age < CAUTION_DAY) return [];
      if (open && latest!.day < CAUTION_DAY) {
        return [
          {
            id: 'jar-read-now',
            guide: 'read-the-jar',
            severity: 'caution',
            text: age >= DISCARD_DAY ? 'Measure the pH now. Above 4.6, the jar goes.' : 'Measure the pH now.',
            why: `The last reading, ${latest!.pH.toFixed(2)}, is of day ${Math.floor(latest!.day)}. It says nothing of day ${Math.floor(age)}.`,
            authority: LIMIT,
          },
        ];
      }
      return [
        {
          id: 'jar-not-acid',
          guide: 'read-the-jar',
          severity: 'danger',
          text: open
            ? 'Do not taste. Calibrate, measure a blended sample, move the jar to 20 to 23 °C and measure again in two days.'
            : 'This jar was above pH 4.6 when it was opened. Cold, and gone within a week, whatever is added.',
          why: `Last read ${latest!.pH.toFixed(2)}. Vinegar now would hide it, not mend it.`,
          authority: LIMIT,
          keep: { place: 'fridge', days: 7 },
        },
      ];
    case 'salted, not sour':
      if (age < CAUTION_DAY) return [];
      return [
        {
          id: 'jar-salted',
          guide: 'mash',
          severity: 'danger',
          text: 'Salted, not acidified: do not call it fermented and safe. Whatever is made of it stays cold, a week at most.',
          why: `Salt holds it back, but the pH is ${latest!.pH.toFixed(2)}. Vinegar hides that, it does not mend it.`,
          authority: LIMIT,
          keep: { place: 'fridge', days: 7 },
        },
      ];
    case 'too little salt':
    case 'no reading':
      if (age < CAUTION_DAY) return [];
      return [
        {
          id: 'jar-unread',
          guide: 'read-the-jar',
          severity: 'caution',
          text: open ? 'Measure the pH before you taste anything.' : 'Nobody read the pH of this jar. Keep what is made of it cold.',
          why: open ? 'A week without a reading. Only a measured pH says that a jar is sour enough.' : 'Vinegar hides what the jar was.',
          authority: LIMIT,
          keep: { place: 'fridge', days: because === 'no reading' ? 14 : 7 },
        },
      ];
    case 'sour':
      return [];
  }
}
