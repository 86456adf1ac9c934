/** Calendar days as "YYYY-MM-DD"; a batch is planned in whole days. */
export type Day = string;

const DAY_MS = 86_400_000;

function toMs(day: Day): number {
  const ms = Date.parse(`${day}T00:00:00Z`);
  if (Number.isNaN(ms)) throw new RangeError(`"${day}" is not a date like 2026-11-23`);
  return ms;
}

/** The day `days` later (negative: earlier); fractions round up, for a wait is over once it is over. */
export function addDays(day: Day, days: number): Day {
  return new Date(toMs(day) + Math.ceil(days) * DAY_MS).toISOString().slice(0, 10);
}

/** Whole days from `from` to `to`; negative when `to` is earlier. */
export function daysBetween(from: Day, to: Day): number {
  return Math.round((toMs(to) - toMs(from)) / DAY_MS);
}

/** True for an existing calendar day written as YYYY-MM-DD. */
export function isDay(text: string): boolean {
  if (!/^\d{4}-\d{2}-\d{2}$/.test(text)) return false;
  const ms = Date.parse(`${text}T00:00:00Z`);
  return !Number.isNaN(ms) && new Date(ms).toISOString().startsWith(text);
}

/** Days, as a decimal, from the start of `day` to an ISO instant. */
export function daysSince(day: Day, instant: string): number {
  return (Date.parse(instant) - toMs(day)) / DAY_MS;
}
