import { HOUSE_PH } from '../ferment';
import { addDays, daysBetween, type Day } from '../plan/date';
import { NO_CLOCK, type Clock } from './clock';
import { PLACES, stricter, type Limit, type Place } from './limit';
import { mayStandInCupboard, ROW_13, ROWS, type Row } from './rows';
import { live, type Sauce } from './sauce';

/** Where a sauce may be kept and for how long, and why not longer. */
export interface Keeping extends Limit {
  place: Place;
  /** Days left on the day it is filled; 0 where it is to be eaten that day, or thrown away. */
  days: number;
  /** The last day, counted from when it became able to spoil as it is. */
  useBy: Day;
  /** For people: place first, days second, reason third, what would lengthen it last. */
  text: string;
  /** Days once opened: what is left, at most 60. */
  openedDays: number;
  /** Why not longer. */
  reason: string;
  /** Numbers of the rows that decided. */
  rows: (number | string)[];
}

/** Opened bottles: the lesser of what is left and this. */
const OPENED_DAYS = 60;
/** Where cold sauce that is hardly acid may wait longer. */
const FREEZER_UNDER_DAYS = 8;
/** What was warm for longer is eaten at once, and for longer than that thrown away, h (chapter 6, section 1). */
const EAT_AT_ONCE_H = 2;
const MOST_WARM_H = 4;

const COUNTS = ['no', 'one', 'two', 'three', 'four', 'five', 'six'];
const days = (n: number): string => `${COUNTS[n] ?? n} day${n === 1 ? '' : 's'}`;
function lasts(n: number): string {
  if (n >= 180) return 'about half a year';
  if (n >= 60) return `about ${Math.round(n / 30)} months`;
  if (n === 30) return 'a month';
  if (n === 14) return 'two weeks';
  if (n === 7) return 'a week';
  return days(n);
}

function placeText({ place, days: n }: Limit): string {
  if (place === 'bin') return 'Throw it away, and do not taste it.';
  if (place === 'cupboard') return `A cool cupboard for ${lasts(n)} if you follow a tested recipe, the fridge once open.`;
  if (n === 0) return 'Eat it today, or throw it away.';
  return n < FREEZER_UNDER_DAYS ? `Fridge, ${lasts(n)}, or the freezer.` : `Fridge, ${lasts(n)}.`;
}

/** What the maker can do for it to keep longer; empty when nothing (or nothing more) would. */
function lengthens(s: Sauce, kept: Limit, decided: readonly Row[]): string {
  if (kept.place !== 'fridge' || s.past.ferment === 'doubtful' || s.past.freeOilG > 0) return '';
  const by = new Set(decided.map((r) => r.no));
  const strip = s.past.ph?.instrument === 'strip';
  if (s.stale) return ' It may be sour enough, but its meter was calibrated too long ago to say so: calibrate and read again.';
  if (by.has(1))
    return strip && s.pH !== null && s.pH <= 4.6
      ? ' A strip cannot tell: read it with a calibrated meter.'
      : ' More acid, then measure again, would lengthen it.';
  const planned = s.past.cooked === 'planned';
  if (by.has(2)) return ' Cooking it through, then measuring, would lengthen it.';
  if (s.acidity === 'unread') {
    if (s.past.ph) return ' Its pH was read in pieces: read a blended sample, and say so.';
    if (planned)
      return s.hot
        ? ' Once it is filled hot: measure the pH of a cooled sample.'
        : ' Once it is cooked: measure the pH of a cooled sample.';
    return ' Measuring its pH would lengthen it.';
  }
  if (s.acidity === 'near')
    return strip ? ' A calibrated meter may lengthen it.' : ' A little more acid, then measure again, would lengthen it.';
  if (s.hot && !s.filledHot && mayStandInCupboard({ ...s, filledHot: true }))
    return ' Say how hot it was when it was filled: only what somebody measured counts as filled hot.';
  return '';
}

/** The strictest of all rows of the table that fit a sauce, and which they are; days from when it became able to spoil. */
export function tableOf(sauce: Sauce): { limit: Limit; rows: readonly Row[] } {
  const fitting = ROWS.filter((r) => r.fits(sauce));
  // A row of the jar or of a worked-out pH only shortens; without a row of the table itself, row 13 holds.
  const rows = fitting.some((r) => typeof r.no === 'number') ? fitting : [...fitting, ROW_13];
  return { limit: rows.map((r) => r.keeps(sauce)).reduce(stricter), rows };
}

/** Whether one way of keeping is better than another: a warmer place, or more days there. */
export const keepsLonger = (a: Keeping, b: Keeping): boolean =>
  a.place === b.place ? a.days > b.days : PLACES.indexOf(a.place) > PLACES.indexOf(b.place);

/** How a sauce would keep, were it measured and done as planned, in a sentence. */
export const couldKeepText = (could: Keeping): string =>
  `Measured at pH ${HOUSE_PH.toFixed(1)} or below by a calibrated meter, and done as planned: ${lowered(placeText(could))}`;
const lowered = (text: string): string => text.charAt(0).toLowerCase() + text.slice(1);

/** The last day on which stuff is good as it is; null while nothing in it can spoil. */
export const lastDayOf = (sauce: Sauce, clock: Clock): Day | null =>
  clock.since === null ? null : addDays(clock.since, tableOf(sauce).limit.days);

const reasonOf = (row: Row, s: Sauce): string => (typeof row.reason === 'string' ? row.reason : row.reason(s));

/** What the keeping of a sauce is asked with besides the sauce. */
export interface KeepingAsked {
  /** The day it is filled on; where that is still to come, the earliest it may be. */
  readyOn: Day;
  clock?: Clock;
  /** Those of the cautions of the same batch. */
  limits?: readonly Limit[];
}

/**
 * How a sauce keeps: the strictest of all rows of the table that fit, of the limits of the cautions of the same batch, and
 * of its clock. Nothing is ever called shelf stable, and only a measured pH of the blended sauce lengthens anything. The
 * one place where it is worked out: page, plan, duty, label, shelf, card and calendar ask here.
 */
export function keepingOf(sauce: Sauce, { readyOn, clock = NO_CLOCK, limits = [] }: KeepingAsked): Keeping {
  const { limit, rows } = tableOf(sauce);
  const kept = limits.reduce(stricter, limit);
  const since = clock.since !== null && clock.since < readyOn ? clock.since : readyOn;
  const last = addDays(since, kept.days);
  const binned = (reason: string, of: readonly Row[] = []): Keeping => ({
    ...{ place: 'bin', days: 0, useBy: readyOn, openedDays: 0, reason, rows: of.map((r) => r.no) },
    text: `${placeText({ place: 'bin', days: 0 })} ${reason}`,
  });
  const decided = rows.filter((r) => {
    const k = r.keeps(sauce);
    return k.place === kept.place && k.days === kept.days;
  });
  const why = decided[0] ? reasonOf(decided[0], sauce) : 'See the cautions of this batch.';
  if (kept.place === 'bin') return binned(why, decided);
  const gone = daysBetween(since, readyOn);
  const late = clock.late ?? (last < readyOn ? { stood: gone, might: kept.days } : null);
  if (late) return binned(`It stood ${days(late.stood)} as it was, and might stand ${days(late.might)}. Heat and acid do not mend that.`);
  const sour = sauce.acidity === 'acid' || sauce.acidity === 'near';
  const warmH = clock.warmBeforeH + (sour ? 0 : clock.warmH);
  const warm = `It stood warm for ${warmH < 10 ? warmH.toFixed(1).replace(/\.0$/, '') : Math.round(warmH)} hours${sour ? ' before it was sour' : ', and nobody measured that it is sour'}.`;
  if (warmH > MOST_WARM_H) return binned(warm);
  const left = warmH > EAT_AT_ONCE_H ? 0 : kept.days - gone;
  const reason = warmH > EAT_AT_ONCE_H ? warm : why;
  const before = gone > 0 && left > 0 ? ` ${gone} of its ${kept.days} days were gone when it was filled.` : '';
  const burp = live(sauce) && kept.place === 'fridge' && left > 14 ? ' Open it over the sink now and then.' : '';
  const place = left === 0 ? 'fridge' : kept.place;
  return {
    ...{
      place,
      days: left,
      useBy: addDays(readyOn, left),
      openedDays: Math.min(left, OPENED_DAYS),
      reason,
      rows: decided.map((r) => r.no),
    },
    text: `${placeText({ place, days: left })}${before} ${reason}${lengthens(sauce, kept, decided)}${burp}`,
  };
}

/** The last day of what was filled on a day: the keeping's, or an earlier one of the maker's own; never a later. */
export function lastGoodDay(keeping: Pick<Keeping, 'useBy'>, filledOn: Day, own?: Day): Day {
  // None before it was filled.
  const wished = own !== undefined && own < filledOn ? filledOn : own;
  return wished !== undefined && wished < keeping.useBy ? wished : keeping.useBy;
}
