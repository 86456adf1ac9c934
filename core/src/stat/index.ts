/** Numbers about numbers: the normal distribution, quantiles, and named reproducible draws. */
export * from './normal';
export * from './draw';
export * from './odds';
