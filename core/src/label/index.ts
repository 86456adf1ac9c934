/** Labels: ingredients, allergens, dates that the table of keeping allows. */
export * from './allergens';
export { ingredientList, type IngredientList, type Listed } from './ingredients';
export * from './label';
export { podName, rowName } from './names';
