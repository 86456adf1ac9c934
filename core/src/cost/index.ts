/** Money and minutes of a batch. */
export * from './cost';
