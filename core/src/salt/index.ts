/** Salt: the schools of saying how much, brine density and strength, spoons, and what a jar takes. */
export * from './brine';
export * from './schools';
export * from './types';
export * from './packing';
export * from './jars';
export * from './counting';
export * from './starter';
export * from './verdict';
