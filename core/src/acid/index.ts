/** Acid: pH by charge balance, anchoring an ingredient to its natural pH, and what may be claimed. */
export * from './constants';
export * from './pool';
export * from './charge';
export * from './solve';
export * from './anchor';
export * from './row';
export * from './claim';
export * from './buffers';
export * from './meter';
