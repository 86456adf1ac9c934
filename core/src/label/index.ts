/** Labels: ingredients, allergens, dates that the table of keeping allows. */
export { ingredientList, type IngredientList, type Listed } from './ingredients';
export * from './label';
export { podName, rowName } from './names';
