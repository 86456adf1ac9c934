/** Cautions: every sentence about danger that the product may say, with its reason and authority. */
export * from './caution';
export * from './pods';
export * from './bowl';
export * from './tasting';
export * from './jar';
export * from './bottle';
export * from './fire';
export * from './kept';
export * from './still';
export * from './mind';
