/** Today on this machine's clock, as a calendar day. */
export function localDay(now = new Date()): string {
  return new Date(now.getTime() - now.getTimezoneOffset() * 60_000).toISOString().slice(0, 10);
}
