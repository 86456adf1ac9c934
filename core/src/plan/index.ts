/** Dates of a batch. */
export * from './date';
