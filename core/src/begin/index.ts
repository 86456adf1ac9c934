/** From what a maker has and wishes to a whole plan. */
export * from './have';
export * from './planBatch';
export * from './ideas';
export * from './recipe';
export type { Needed, PlacedThings, PlanStep, SauceFigures } from './figures';
export * from './methodLine';
export * from './since';
