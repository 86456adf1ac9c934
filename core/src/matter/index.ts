/** What things are made of: ingredients, varieties, streams and how they mix, part and weigh. */
export * from './component';
export * from './stream';
export * from './brix';
export * from './density';
export * from './ingredient';
export * from './variety';
export * from './colour';
export * from './flavour';
export * from './food';
export * from './kind';
export * from './allergen';
export * from './rowFoods';
export * from './own';
export * from './jar';
