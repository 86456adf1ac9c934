/** A word of a list; undefined for what is not in it, whatever it is called. */
export const wordOf = (words: Readonly<Record<string, string>>, key = ''): string | undefined =>
  Object.hasOwn(words, key) ? words[key] : undefined;

const STOCK_WORDS = {
  in: 'came in',
  used: 'used',
  thrown: 'thrown away',
  counted: 'counted anew',
  undo: 'taken back',
  batch: 'into',
  returned: 'back from',
  frozen: 'frozen',
  dried: 'dried',
  flakes: 'dried and flaked',
  powder: 'dried and ground',
  paste: 'ground to paste',
};
const BOTTLE_WORDS = {
  opened: 'opened',
  given: 'given away',
  thrown: 'thrown away',
  undo: 'put back',
};
/** Why stock moved, as it is said; a reason that is none of ours as it is. */
export const stockWord = (reason: string): string => wordOf(STOCK_WORDS, reason) ?? reason;
/** What became of bottles. */
export const bottleWord = (reason: string): string => wordOf(BOTTLE_WORDS, reason) ?? reason;
