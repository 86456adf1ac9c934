/** Dates of a batch, and what several batches want of one kitchen. */
export * from './date';
export * from './clash';
