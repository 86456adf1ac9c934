/** A season: pods that ripen, wishes and days of work, planned as one. */
export * from './season';
export * from './parts';
export * from './kit';
export { COST, pinId, seasonModel, type SeasonModel } from './model';
export * from './solve';
export * from './luck';
export * from './differ';
export * from './read';
export * from './when';
