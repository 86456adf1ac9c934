/** What crosses a border: shapes of HTTP bodies, answers and files, and the sentences that say what is wrong with them. */
export * from './records';
export * from './needs';
export * from './own';
export * from './batch';
export * from './answers';
export * from './devices';
export * from './fields';
export * from './house';
export * from './log';
export * from './photo';
export * from './kitchen';
export * from './said';
export * from './say';
export * from './shelf';
export * from './timers';
