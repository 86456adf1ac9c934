/** From what a maker has and wishes to a whole plan. */
export * from './have';
export * from './planBatch';
