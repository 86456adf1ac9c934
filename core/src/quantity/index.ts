/** What people say, in grams: units of four kitchens, fractions, ranges, pieces, and what was assumed. */
export * from './units';
export * from './parse';
export * from './grams';
export * from './pieces';
export * from './words';
export * from './read';
export { HARMLESS } from './meanings';
export * from './spoons';
export * from './prep';
