/** Keeping: where a sauce may stand and for how long, as the strictest of all rows that fit. */
export * from './limit';
export * from './sauce';
export * from './clock';
export * from './rows';
export * from './keeping';
export * from './standing';
