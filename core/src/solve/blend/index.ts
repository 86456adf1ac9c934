/** The blend solver: what goes in, what is wanted, linear and whole-number programs, and answers in the maker's words. */
export * from './material';
export { mostPct, targetOf, type WishId } from './model';
export { evaluate, missedRows, shortlist, solveBlend, type BlendAnswer, type BlendMix, type BlendOptions, type Miss } from './answer';
export * from './words';
export * from './materials';
