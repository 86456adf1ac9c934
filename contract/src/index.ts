/** What crosses a border: shapes of HTTP bodies and files, and the sentences that say what is wrong with them. */
export * from './records';
export * from './say';
