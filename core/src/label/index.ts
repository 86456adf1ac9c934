/** Labels: ingredients, allergens, dates that the table of keeping allows. */
export { ingredientList, jarContents, type IngredientList, type Listed } from './ingredients';
export * from './label';
export { podName, rowName } from './names';
export * from './gift';
