/** The blend solver: what goes in, what is wanted, linear and whole-number programs, and answers in the maker's words. */
export * from './material';
export { mostPct, targetOf, type WishId } from './model';
export { evaluate, missedRows, type BlendMix } from './check';
export { contradictions } from './contradict';
export { shortlist, solveBlend, type BlendAnswer, type BlendOptions } from './answer';
export { eased, type Miss } from './miss';
export { askAgain } from './explain';
export * from './words';
export * from './materials';
export { NO_THICKENING, stepOfMix, thickeningOf, type Thickening } from './thick';
