import type { Need } from '@roskel/core';

/** Grams that a batch on its way is to take of something in a store, and how many of them are not there for it. */
export interface Promised {
  batchId: string;
  batch: string;
  /** The first day on which it goes in; where too little is there, the first on which it is missing. */
  by: string;
  g: number;
  /** What is missing after those who need it earlier, g. */
  shortG: number;
}
/** Something that a batch is to take and that is not there for it. */
export interface Short extends Promised {
  store: Need['store'];
  id: string;
  name: string;
  /** Others who need it earlier and have some of it: nobody took it from the batch where there are none. */
  before: string[];
}
