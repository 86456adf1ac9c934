/** What was foretold against what was measured. */
export * from './book';
export * from './predict';
export * from './scored';
export * from './tasted';
