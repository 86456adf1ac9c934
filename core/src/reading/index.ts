/** Reading what people write: amounts of four kitchens, names, lines, and what was assumed. */
export * from './units';
export * from './amounts';
export * from './weigh';
export * from './toGrams';
export * from './pieces';
export * from './plain';
export * from './words';
export * from './item';
export * from './read';
export * from './strangers';
export { countAt, markAt, wordAt } from './count';
export { CITRUS, lineOf, lineParts, textOf, uninverted, type Line, type Part } from './line';
export { lexiconOf, type Lexicon } from './lexicon';
export { FigureError, numberOf, plainSigns, tokensOf, type Token } from './tokens';
export * from './wishes';
export { HARMLESS } from './harmless';
export * from './spoons';
export * from './prep';
