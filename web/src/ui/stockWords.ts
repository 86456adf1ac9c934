/** Why stock moved, as it is said. */
export const STOCK_WORDS: Readonly<Record<string, string>> = {
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
/** What became of bottles. */
export const BOTTLE_WORDS: Readonly<Record<string, string>> = {
  opened: 'opened',
  given: 'given away',
  thrown: 'thrown away',
  undo: 'put back',
};
