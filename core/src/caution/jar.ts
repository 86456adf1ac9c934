import type { Caution } from './caution';

/** Salt of the whole jar, in percent, against the range that practice trusts (chapter 4, section 1.7). */
export function jarSalt(wholeJarPct: number, mash: boolean): Caution[] {
  if (wholeJarPct < 2) {
    return [
      {
        id: 'salt-low',
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
        severity: 'caution',
        text: 'Find a warmer place, 18 to 23 °C.',
        why: 'Below 13 °C the jar stalls before it is sour.',
        authority: 'common practice',
      },
    ];
  }
  return [];
}

/**
 * A jar by its day and its latest measured pH (null: none yet). Rule of chapter 4, section 5.1:
 * above 4.6 on day 7 is a caution, on day 14 the jar is thrown away, unless salt alone holds it.
 */
export function jarAcid(day: number, latestPh: number | null, waterPhaseSaltPct: number): Caution[] {
  if (day < 7) return [];
  if (latestPh === null) {
    return [
      {
        id: 'jar-unread',
        severity: 'caution',
        text: 'Measure the pH before you taste anything.',
        why: 'A week without a reading. Only a measured pH says that a jar is sour enough.',
        authority: 'common practice; limit US 21 CFR 114.3',
      },
    ];
  }
  if (latestPh <= 4.6) return [];
  if (day >= 14 && waterPhaseSaltPct < 10) {
    return [
      {
        id: 'jar-discard',
        severity: 'danger',
        text: 'Throw this jar away. Do not taste it.',
        why: 'Still above pH 4.6 after two weeks: it never became acid.',
        authority: 'US 21 CFR 114.3 for the limit; common practice for the time',
      },
    ];
  }
  return [
    {
      id: 'jar-not-acid',
      severity: 'danger',
      text: 'Do not taste. Calibrate, measure a blended sample, move the jar to 20 to 23 °C and measure again in two days.',
      why: 'Above pH 4.6 after a week. Vinegar now would hide it, not mend it.',
      authority: 'US 21 CFR 114.3 for the limit; common practice for the time',
    },
  ];
}

/** pH rising between readings: outside any lactic ferment (chapter 4, section 4.3). `rise` in pH units. */
export function jarRising(rise: number): Caution[] {
  if (!(rise > 0.3)) return [];
  return [
    {
      id: 'jar-rising',
      severity: 'danger',
      text: 'Calibrate and measure again today. If it is still up, throw the jar away.',
      why: 'The pH rose. Yeast or mould may be eating the acid.',
      authority: 'common practice',
    },
  ];
}
