/** Filling bottles. */
export * from './fillings';
