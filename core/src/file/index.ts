/** The open batch file: what stands in it and in which shape, and what changes in it. Knows no station. */
export * from './batch';
export * from './change';
