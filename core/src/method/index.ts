/** Reading a method: sentences become stations, in the recipe's order, with what goes in where. */
export * from './lines';
export * from './params';
export * from './recipe';
export * from './readRecipe';
export * from './textLines';
export { isCut } from './things';
