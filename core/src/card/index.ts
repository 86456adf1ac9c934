/** A batch as a recipe for others, and recipes of others read in. */
export * from './card';
export { asText, recipeIn, type FoundRecipe } from './read';
