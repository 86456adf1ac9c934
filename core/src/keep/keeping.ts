import { addDays, type Day } from '../plan/date';
import { stricter, type Limit, type Place } from './limit';
import { ROW_13, ROWS, type Row } from './rows';
import { cooked, live, type Sauce } from './sauce';

/** Where a sauce may be kept and for how long, and why not longer. */
export interface Keeping extends Limit {
  place: Place;
  /** For people: place first, days second, reason third, what would lengthen it last. */
  text: string;
  /** Days once opened: what is left, at most 60. */
  openedDays: number;
  /** Why not longer. */
  reason: string;
  /** Numbers of the rows that decided. */
  rows: (number | string)[];
}

/** The last day of what was filled on a day: the table's, or an earlier one of the maker's own; never a later. */
export function lastGoodDay(filledOn: Day, days: number, own?: Day): Day {
  const table = addDays(filledOn, days);
  // None before it was filled.
  const wished = own !== undefined && own < filledOn ? filledOn : own;
  return wished !== undefined && wished < table ? wished : table;
}

/** Opened bottles: the lesser of what is left and this. */
const OPENED_DAYS = 60;
/** Where cold sauce that is hardly acid may wait longer. */
const FREEZER_UNDER_DAYS = 8;

function lasts(days: number): string {
  if (days >= 180) return 'about half a year';
  if (days >= 60) return `about ${Math.round(days / 30)} months`;
  if (days === 30) return 'a month';
  if (days === 14) return 'two weeks';
  if (days === 7) return 'a week';
  const names = ['no', 'one', 'two', 'three', 'four', 'five', 'six'];
  return `${names[days] ?? days} day${days === 1 ? '' : 's'}`;
}

function placeText({ place, days }: Limit): string {
  if (place === 'bin') return 'Throw it away, and do not taste it.';
  if (place === 'cupboard') return `A cool cupboard for ${lasts(days)} if you follow a tested recipe, the fridge once open.`;
  return days < FREEZER_UNDER_DAYS ? `Fridge, ${lasts(days)}, or the freezer.` : `Fridge, ${lasts(days)}.`;
}

/** What the maker can do for it to keep longer; empty when nothing (or nothing more) would. */
function lengthens(s: Sauce, kept: Limit, decided: readonly Row[]): string {
  if (kept.place !== 'fridge' || s.past.ferment === 'doubtful' || s.past.freeOilG > 0) return '';
  const by = new Set(decided.map((r) => r.no));
  if (by.has(1)) return ' More acid, then measure again, would lengthen it.';
  const planned = s.past.cooked === 'planned';
  if (by.has(2) && (s.hot || !planned)) return cooked(s) ? '' : ' Cooking it through, then measuring, would lengthen it.';
  if (s.acidity === 'unread') {
    if (!planned) return ' Measuring its pH would lengthen it.';
    return s.hot ? ' Once it is filled hot: measure the pH of a cooled sample.' : ' Once it is cooked: measure the pH of a cooled sample.';
  }
  if (s.acidity === 'near')
    return s.meter ? ' A little more acid, then measure again, would lengthen it.' : ' A calibrated meter may lengthen it.';
  return '';
}

/**
 * How a sauce keeps: the strictest of all rows of the table that fit, and of `limits`, which are those of the cautions of
 * the same batch. Nothing is ever called shelf stable, and only a measured pH of the blended sauce lengthens anything.
 */
export function keepingOf(sauce: Sauce, limits: readonly Limit[] = []): Keeping {
  const fitting = ROWS.filter((r) => r.fits(sauce));
  // A row of the jar or of a worked-out pH only shortens; without a row of the table itself, row 13 holds.
  const rows = fitting.some((r) => typeof r.no === 'number') ? fitting : [...fitting, ROW_13];
  const table = rows.map((r) => r.keeps(sauce)).reduce(stricter);
  const kept = limits.reduce(stricter, table);
  const decided = rows.filter((r) => {
    const k = r.keeps(sauce);
    return k.place === kept.place && k.days === kept.days;
  });
  const reason = decided[0]?.reason ?? 'See the cautions of this batch.';
  const burp = live(sauce) && kept.place === 'fridge' && kept.days > 14 ? ' Open it over the sink now and then.' : '';
  return {
    ...kept,
    reason,
    text: `${placeText(kept)} ${reason}${lengthens(sauce, kept, decided)}${burp}`,
    openedDays: Math.min(kept.days, OPENED_DAYS),
    rows: decided.map((r) => r.no),
  };
}
