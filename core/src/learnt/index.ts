/** What kitchens learnt, from one to another: lots by variety, kinds of things, taste; without names or dates. */
export * from './file';
export * from './give';
export * from './take';
export * from './taste';
export * from './common';
export { expectedOf, middleOf, type Known } from './middle';
