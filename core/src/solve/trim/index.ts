/** Trim by taste: what to stir into a finished sauce to put it right. */
export * from './rails';
export { MOST_THINGS, missesOf, trimProgram, trimSearch, type TrimOptions, type TrimPart, type TrimProblem, type TrimThing } from './model';
export { solveTrim, type TrimAnswer, type TrimWay } from './solve';
export { gramOf as trimGram, idOfStock, partOf as trimPart, trimThing, wantsNight, type TrimStock } from './things';
export { palateOf, trimBatch, trimBowl, type TrimAsk, type TrimOffer, type TrimPut, type TrimTold } from './batch';
export { stepsInWords } from './words';
export { knownSauce, trimProblem, valuesOfSauce, withGrams, type KnownSauce } from './sauce';
export { searchSteps, type Search } from './search';
